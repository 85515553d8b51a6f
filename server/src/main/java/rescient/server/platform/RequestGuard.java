package rescient.server.platform;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Before anything else looks at a request: one that is too large or cannot be read is refused, and one that cannot be
 * answered because the database is away gets an answer that says so.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestGuard extends OncePerRequestFilter {
    private static final int LARGEST_BODY = 2_000_000;
    /** A file that is brought in. */
    private static final int LARGEST_FILE = 500_000_000;

    private static final String FILES = "/api/imports";
    private static final int LONGEST_VALUE = 20_000;

    private final ObjectMapper json;

    RequestGuard(ObjectMapper json) {
        this.json = json;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int most = request.getRequestURI().equals(FILES) ? LARGEST_FILE : LARGEST_BODY;
        if (request.getContentLengthLong() > most) {
            answer(response, HttpStatus.PAYLOAD_TOO_LARGE, "That is too much at once; nothing was changed");
            return;
        }
        if (!readable(request)) {
            answer(response, HttpStatus.BAD_REQUEST, "The address holds what no code or number can be");
            return;
        }
        try {
            chain.doFilter(new Limited(request, most), response);
        } catch (ServletException | RuntimeException e) {
            if (!Outage.isOne(e)) {
                throw e;
            }
            answer(response, HttpStatus.SERVICE_UNAVAILABLE, Outage.SENTENCE);
        }
    }

    private static boolean readable(HttpServletRequest request) {
        try {
            return request.getParameterMap().entrySet().stream()
                    .allMatch(parameter -> isText(parameter.getKey())
                            && Arrays.stream(parameter.getValue()).allMatch(RequestGuard::isText));
        } catch (RuntimeException e) {
            // a query that cannot be decoded
            return false;
        }
    }

    private static boolean isText(String value) {
        return value.length() <= LONGEST_VALUE && value.indexOf('\0') < 0 && value.indexOf('\uFFFD') < 0;
    }

    private void answer(HttpServletResponse response, HttpStatus status, String sentence) throws IOException {
        if (response.isCommitted()) {
            return;
        }
        response.reset();
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        json.writeValue(response.getOutputStream(), ProblemDetail.forStatusAndDetail(status, sentence));
    }

    /** Ends when more comes than was said, or than is taken. */
    private static final class Limited extends HttpServletRequestWrapper {
        private final int most;

        Limited(HttpServletRequest request, int most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Counted(super.getInputStream(), most);
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream from;
        private int left;

        Counted(ServletInputStream from, int most) {
            this.from = from;
            this.left = most;
        }

        @Override
        public int read() throws IOException {
            int read = from.read();
            count(read < 0 ? 0 : 1);
            return read;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int read = from.read(bytes, offset, length);
            count(Math.max(0, read));
            return read;
        }

        private void count(int read) throws IOException {
            left -= read;
            if (left < 0) {
                throw new TooLargeException();
            }
        }

        @Override
        public boolean isFinished() {
            return from.isFinished();
        }

        @Override
        public boolean isReady() {
            return from.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            from.setReadListener(listener);
        }
    }

    /** More was sent than is taken at once. */
    static final class TooLargeException extends IOException {}
}
