package rescient.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
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

/** When each person was at the desk. A visit ends with signing out, or after an hour in which nothing was asked for. */
@Component
public class Visits implements HandlerInterceptor, WebMvcConfigurer {
    private static final Duration PAUSE = Duration.ofHours(1);
    private static final Duration EXACT = Duration.ofMinutes(1);

    private final JdbcTemplate database;
    private final Today today;
    private final Map<String, Instant> written = new ConcurrentHashMap<>();

    Visits(JdbcTemplate database, Today today) {
        this.database = database;
        this.today = today;
    }

    /** When a person's visit before this one ended; null if this is the first. */
    public Instant before(String login) {
        return database
                .query("select before from visits where login = ?", (row, i) -> row.getTimestamp(1), login)
                .stream()
                .filter(java.util.Objects::nonNull)
                .map(Timestamp::toInstant)
                .findFirst()
                .orElse(null);
    }

    /** A person comes. */
    void begin(String login) {
        write(login, today.now(), true);
    }

    /** A person goes. */
    void end(String login) {
        write(login, today.now(), false);
    }

    private void write(String login, Instant now, boolean anew) {
        written.put(login, now);
        database.update(
                "insert into visits (login, seen) values (?, ?) on conflict (login) do update set seen = excluded.seen,"
                        + " before = case when ? or visits.seen < ? then visits.seen else visits.before end",
                login,
                Timestamp.from(now),
                anew,
                Timestamp.from(now.minus(PAUSE)));
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn user) {
            Instant now = today.now();
            Instant last = written.get(user.getUsername());
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
