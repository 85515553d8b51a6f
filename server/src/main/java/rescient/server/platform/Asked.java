package rescient.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.http.HttpStatus;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import rescient.core.plan.Planner;

/** A calculation that somebody asked for: it ends when that person no longer wants it, or when it takes too long. */
public final class Asked {
    private static final String NAME = Asked.class.getName();

    private final Clock clock;
    private final Duration longest;
    private final Instant begun;
    private volatile boolean unwanted;

    Asked(Clock clock, Duration longest) {
        this.clock = clock;
        this.longest = longest;
        this.begun = clock.instant();
    }

    /** Ends the calculation that the request under way asks for, as soon as it may end; what nobody asked for goes on. */
    public static Planner.Watch watch() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        Asked asked = request == null ? null : (Asked) request.getAttribute(NAME, RequestAttributes.SCOPE_REQUEST);
        return asked == null ? (points, of) -> {} : (points, of) -> asked.goOn();
    }

    static String name() {
        return NAME;
    }

    void end() {
        unwanted = true;
    }

    /**
     * Asks whether to go on.
     *
     * @throws JobProblem when not
     */
    void goOn() {
        if (unwanted) {
            throw new JobProblem(HttpStatus.CONFLICT, "You ended this calculation; nothing was changed.");
        }
        if (begun.plus(longest).isBefore(clock.instant())) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "This calculation took more than " + longest.toSeconds()
                            + " s and was ended; nothing was changed.");
        }
    }
}
