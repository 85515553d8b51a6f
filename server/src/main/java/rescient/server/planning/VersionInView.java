package rescient.server.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.time.DayOfWeek;
import java.util.HashSet;
import java.util.Set;
import org.springframework.stereotype.Component;
import rescient.core.plan.Plan;
import rescient.core.snapshot.PlanOptions;

/**
 * The plan that a request looks at: the live one, that of a what-if, or a trial in which some customer order lines are
 * left out.
 */
@Component
class VersionInView {
    /** Keys of lines, separated by spaces. */
    static final String LEFT_OUT = "Plan-Without";

    /** The number of a what-if. */
    static final String WHAT_IF = "Plan-What-If";

    private static final int AT_HAND = 2;

    /** The first day of the week, from 0 for Sunday to 6. */
    static final String WEEK = "Week-Starts";

    private final LivePlan live;
    private final OtherPlans others;
    private final HttpServletRequest request;
    /** Trials of the live plan, by what is left out of it. */
    private final Cache<Trial, PlanVersion> trials =
            Caffeine.newBuilder().maximumSize(AT_HAND).executor(Runnable::run).build();

    private record Trial(Plan of, Set<PlanOptions.Line> without) {}

    VersionInView(LivePlan live, OtherPlans others, HttpServletRequest request) {
        this.live = live;
        this.others = others;
        this.request = request;
    }

    /** The first day of the week for who asks; Monday if he does not say. */
    DayOfWeek weekStart() {
        String header = request.getHeader(WEEK);
        return header != null && header.matches("[0-6]")
                ? DayOfWeek.SUNDAY.plus(Long.parseLong(header))
                : DayOfWeek.MONDAY;
    }

    PlanVersion inView() {
        String whatIf = request.getHeader(WHAT_IF);
        if (whatIf != null && whatIf.matches("\\d{1,18}")) {
            return others.whatIf(Long.parseLong(whatIf));
        }
        PlanVersion current = live.current();
        String header = request.getHeader(LEFT_OUT);
        if (header == null || header.isBlank()) {
            return current;
        }
        Set<PlanOptions.Line> lines = new HashSet<>();
        for (String key : header.strip().split(" ")) {
            if (OrderKey.isLine(key)) {
                lines.add(new PlanOptions.Line(OrderKey.number(key), OrderKey.line(key)));
            }
        }
        return trials.get(new Trial(current.plan(), lines), trial -> current.without(trial.without));
    }
}
