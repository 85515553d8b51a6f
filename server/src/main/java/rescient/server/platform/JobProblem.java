package rescient.server.platform;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;

/** Something that cannot be done, in the words of the job; answered as a problem document (RFC 9457). */
public final class JobProblem extends RuntimeException {
    private final HttpStatus status;
    private final Map<String, Object> more = new LinkedHashMap<>();

    public JobProblem(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    /** Names the field that is wrong. */
    public JobProblem field(String path) {
        return with("field", path);
    }

    /** Adds a member to the problem document. */
    public JobProblem with(String name, Object value) {
        more.put(name, value);
        return this;
    }

    public HttpStatus status() {
        return status;
    }

    Map<String, Object> more() {
        return more;
    }

    public static JobProblem notFound(String what) {
        return new JobProblem(HttpStatus.NOT_FOUND, what);
    }
}
