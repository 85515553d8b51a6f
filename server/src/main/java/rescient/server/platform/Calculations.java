package rescient.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;

/**
 * Calculations that somebody asks for, what-ifs, trials and previews, leave room for everybody: one person has so many under
 * way at once, all together have so many, and who comes later waits for a moment and is then told so. Each ends after some
 * time at the latest, and when who asked for it says so.
 */
@Component
class Calculations implements HandlerInterceptor {
    /** The name that who asks gives to a calculation, to be able to end it. */
    static final String HEADER = "Calculation";

    static final int OF_ONE = 4;
    private static final int OF_ALL = 12;
    private static final String HELD = Calculations.class.getName();

    private final Semaphore all = new Semaphore(OF_ALL, true);
    private final Map<String, Semaphore> ofOne = new ConcurrentHashMap<>();
    private final Map<Name, Asked> underWay = new ConcurrentHashMap<>();
    private final Clock clock;
    private final Duration patience;
    private final Duration longest;

    private record Name(String person, String calculation) {}

    @Autowired
    Calculations(Clock clock) {
        this(clock, Duration.ofSeconds(20), Duration.ofSeconds(60));
    }

    /**
     * @param patience how long one waits for room
     * @param longest how long one may take, waiting included
     */
    Calculations(Clock clock, Duration patience, Duration longest) {
        this.clock = clock;
        this.patience = patience;
        this.longest = longest;
    }

    /** Ends a calculation of a person; one that is over, or is somebody else's, is left alone. */
    void end(String person, String calculation) {
        Asked asked = underWay.get(new Name(person, calculation));
        if (asked != null) {
            asked.end();
        }
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        if (!calculates(request)) {
            return true;
        }
        Principal principal = request.getUserPrincipal();
        String person = principal == null ? "" : principal.getName();
        Asked asked = new Asked(clock, longest);
        request.setAttribute(Asked.name(), asked);
        Name name = new Name(person, request.getHeader(HEADER));
        if (name.calculation() != null) {
            underWay.put(name, asked);
        }
        try {
            Semaphore own = ofOne.computeIfAbsent(person, p -> new Semaphore(OF_ONE, true));
            if (!own.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw busy("You have " + OF_ONE + " calculations under way");
            }
            if (!all.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                own.release();
                throw busy("Others are calculating");
            }
            request.setAttribute(HELD, new Held(name, own));
        } catch (JobProblem | InterruptedException e) {
            underWay.remove(name);
            throw e;
        }
        return true;
    }

    private record Held(Name name, Semaphore own) {}

    private static JobProblem busy(String why) {
        return new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, why + "; nothing was changed. Try again in a moment.");
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception problem) {
        if (request.getAttribute(HELD) instanceof Held held) {
            request.removeAttribute(HELD);
            underWay.remove(held.name());
            held.own().release();
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
                || path.startsWith("/api/promise")
                || request.getHeader("Plan-What-If") != null
                || request.getHeader("Plan-Without") != null;
    }
}
