package rescient.server.whatif;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.company.Source;
import rescient.core.plan.PointView;
import rescient.core.scenario.Span;
import rescient.dataset.Facts;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;

/**
 * The company that an assumption is applied to.
 *
 * @param version the live plan, for lead times and names
 * @param facts the company, with what was assumed before
 */
record Assumed(PlanVersion version, Facts facts) {
    /** In working days, what the plan counts with where a supplier's terms are silent. */
    int leadTime(String item) {
        return version.directory().sites().keySet().stream()
                .flatMap(site -> version.plan().point(item, site).stream())
                .filter(point -> point.source() == Source.BUY)
                .mapToInt(PointView::leadTimeDays)
                .max()
                .orElse(0);
    }

    // ---- words

    static String some(@Nullable BigDecimal number) {
        return number == null ? "some" : number.stripTrailingZeros().toPlainString();
    }

    static String day(@Nullable LocalDate day) {
        return day == null ? "some day" : day.toString();
    }

    /** {@code  from 2026-12-01 to 2026-12-14}. */
    static String words(Span span) {
        return (span.from() == null ? "" : " from " + span.from()) + (span.to() == null ? "" : " to " + span.to());
    }
}
