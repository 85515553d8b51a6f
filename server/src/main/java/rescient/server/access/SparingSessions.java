package rescient.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Sessions as they are kept, read once in a request (otherwise it is read again behind the answer), and the time of their last
 * use written once in a minute (otherwise with every request). What is signed out elsewhere is out with the next request.
 */
final class SparingSessions extends OncePerRequestFilter implements SessionRepository<SparingSessions.Used> {
    private static final Duration EXACT = Duration.ofMinutes(1);

    private final SessionRepository<Session> kept;
    /** Those of the request that this thread answers, by id. */
    private final ThreadLocal<Map<String, Used>> ofRequest = new ThreadLocal<>();

    SparingSessions(SessionRepository<Session> kept) {
        this.kept = kept;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ofRequest.set(new HashMap<>());
        try {
            chain.doFilter(request, response);
        } finally {
            ofRequest.remove();
        }
    }

    @Override
    public Used createSession() {
        return new Used(kept.createSession());
    }

    @Override
    public Used findById(String id) {
        Map<String, Used> here = ofRequest.get();
        Used known = here == null ? null : here.get(id);
        if (known != null) {
            return known;
        }
        Session found = kept.findById(id);
        Used used = found == null ? null : new Used(found);
        if (here != null && used != null) {
            here.put(id, used);
        }
        return used;
    }

    @Override
    public void save(Used session) {
        kept.save(session.session);
    }

    @Override
    public void deleteById(String id) {
        Map<String, Used> here = ofRequest.get();
        if (here != null) {
            here.remove(id);
        }
        kept.deleteById(id);
    }

    /** A session of which it is known to the minute when it was used. */
    static final class Used implements Session {
        private final Session session;

        private Used(Session session) {
            this.session = session;
        }

        @Override
        public void setLastAccessedTime(Instant time) {
            if (time.isAfter(session.getLastAccessedTime().plus(EXACT))) {
                session.setLastAccessedTime(time);
            }
        }

        @Override
        public String getId() {
            return session.getId();
        }

        @Override
        public String changeSessionId() {
            return session.changeSessionId();
        }

        @Override
        public <T> T getAttribute(String name) {
            return session.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return session.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, Object value) {
            session.setAttribute(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            session.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return session.getCreationTime();
        }

        @Override
        public Instant getLastAccessedTime() {
            return session.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            session.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return session.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return session.isExpired();
        }
    }
}
