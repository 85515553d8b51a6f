package rescient.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import rescient.server.platform.Today;

/**
 * When each person was at the desk. A visit ends with signing out, or after an hour in which nothing was asked for. Who
 * signs in in another browser meanwhile is on the same visit; what that browser does changes nothing of this one's.
 */
@Component
public class Visits implements HandlerInterceptor, WebMvcConfigurer {
    private static final Duration PAUSE = Duration.ofHours(1);
    private static final Duration EXACT = Duration.ofMinutes(1);

    private final JdbcTemplate database;
    private final Today today;
    private final Map<String, Instant> written = new ConcurrentHashMap<>();
    /** In a browser's session: when the visit before the one that it is on ended. */
    private static final String BEFORE = "visit-before";

    private static final String SEEN = "visit-seen";

    Visits(JdbcTemplate database, Today today) {
        this.database = database;
        this.today = today;
    }

    /** When a person's visit before this one, in this browser, ended; null if this is the first. */
    public Instant before(String login, HttpSession session) {
        return session.getAttribute(SEEN) == null ? before(login) : (Instant) session.getAttribute(BEFORE);
    }

    private Instant before(String login) {
        return database
                .query("select before from visits where login = ?", (row, i) -> row.getTimestamp(1), login)
                .stream()
                .filter(java.util.Objects::nonNull)
                .map(Timestamp::toInstant)
                .findFirst()
                .orElse(null);
    }

    /** A person comes. */
    void begin(String login, HttpSession session) {
        write(login, today.now(), false);
        keep(session, before(login));
    }

    /** A person goes. */
    void end(String login) {
        write(login, today.now(), true);
    }

    private void write(String login, Instant now, boolean ended) {
        written.put(login, now);
        database.update(
                "insert into visits (login, seen, ended) values (?, ?, ?) on conflict (login) do update set"
                        + " seen = excluded.seen, ended = excluded.ended,"
                        + " before = case when visits.ended or visits.seen < ? then visits.seen else visits.before end",
                login,
                Timestamp.from(now),
                ended,
                Timestamp.from(now.minus(PAUSE)));
    }

    private void keep(HttpSession session, Instant before) {
        session.setAttribute(BEFORE, before);
        session.setAttribute(SEEN, today.now());
    }

    /** A browser that was left for longer than a pause begins a visit with the next request. */
    private void goOn(HttpSession session, Instant now) {
        Instant seen = session == null ? null : (Instant) session.getAttribute(SEEN);
        if (seen != null && seen.isBefore(now.minus(PAUSE))) {
            keep(session, seen);
        } else if (seen != null && seen.isBefore(now.minus(EXACT))) {
            session.setAttribute(SEEN, now);
        }
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn user) {
            Instant now = today.now();
            Instant last = written.get(user.getUsername());
            goOn(request.getSession(false), now);
            if (last == null || last.isBefore(now.minus(EXACT))) {
                write(user.getUsername(), now, false);
            }
        }
        return true;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }
}
