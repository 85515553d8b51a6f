package rescient.server.demand;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.server.platform.Nullable;

/**
 * What else can be done for a line that cannot go as it is wanted.
 *
 * @param precedence what it costs to put it before all others; null: the wanted day is beyond the plan
 * @param sites from which it could go instead
 * @param alternatives what could go instead of it
 */
record WaysView(@Nullable Precedence precedence, List<OtherSite> sites, List<OtherItem> alternatives) {
    /**
     * @param onTime whether it comes by the wanted day then
     * @param possible when it comes, null: never
     */
    record Precedence(boolean onTime, @Nullable LocalDate possible, List<PromiseView.DelayedView> delayed) {}

    /**
     * @param promised null: not within the horizon
     * @param available so much could go from there on the wanted day
     */
    record OtherSite(String site, String siteName, @Nullable LocalDate promised, BigDecimal available) {}

    /** @param quantity of it that does what is asked for, in its unit */
    record OtherItem(
            String item,
            String itemName,
            BigDecimal quantity,
            String unit,
            @Nullable LocalDate promised,
            BigDecimal available) {}
}
