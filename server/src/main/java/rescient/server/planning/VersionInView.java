package rescient.server.planning;

import jakarta.servlet.http.HttpServletRequest;
import java.time.DayOfWeek;
import java.util.HashSet;
import java.util.Set;
import org.springframework.stereotype.Component;
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

    /** The first day of the week, from 0 for Sunday to 6. */
    static final String WEEK = "Week-Starts";

    private final LivePlan live;
    private final OtherPlans others;
    private final HttpServletRequest request;
    private volatile Trial last;

    private record Trial(PlanVersion of, Set<PlanOptions.Line> without, PlanVersion plan) {}

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
        Trial trial = last;
        if (trial == null || trial.of != current || !trial.without.equals(lines)) {
            trial = new Trial(current, lines, current.without(lines));
            last = trial;
        }
        return trial.plan;
    }
}
