package rescient.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;

/**
 * Calculations that somebody asks for, what-ifs, trials and previews, leave room for everybody: one person has so many under
 * way at once, all together have so many, and who comes later waits for a moment and is then told so.
 */
@Component
class Calculations implements HandlerInterceptor {
    static final int OF_ONE = 4;
    private static final int OF_ALL = 12;
    private static final String HELD = Calculations.class.getName();

    private final Semaphore all = new Semaphore(OF_ALL, true);
    private final Map<String, Semaphore> ofOne = new ConcurrentHashMap<>();
    private final Duration patience;

    Calculations() {
        this(Duration.ofSeconds(20));
    }

    /** @param patience how long one waits for room */
    Calculations(Duration patience) {
        this.patience = patience;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        if (!calculates(request)) {
            return true;
        }
        Principal person = request.getUserPrincipal();
        Semaphore own =
                ofOne.computeIfAbsent(person == null ? "" : person.getName(), name -> new Semaphore(OF_ONE, true));
        if (!own.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
            throw busy("You have " + OF_ONE + " calculations under way");
        }
        if (!all.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
            own.release();
            throw busy("Others are calculating");
        }
        request.setAttribute(HELD, own);
        return true;
    }

    private static JobProblem busy(String why) {
        return new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, why + "; nothing was changed. Try again in a moment.");
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception problem) {
        if (request.getAttribute(HELD) instanceof Semaphore own) {
            request.removeAttribute(HELD);
            own.release();
            all.release();
        }
    }

    /** Whether another plan than the live one is made for the answer. */
    private static boolean calculates(HttpServletRequest request) {
        String path = request.getRequestURI();
        return path.startsWith("/api/what-ifs/")
                || path.startsWith("/api/decisions/preview")
                || path.startsWith("/api/decisions/offers")
                || path.startsWith("/api/releases/preview")
                || request.getHeader("Plan-What-If") != null
                || request.getHeader("Plan-Without") != null;
    }
}
