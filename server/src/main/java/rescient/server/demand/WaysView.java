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
 * @param bringing sites from which a transfer could bring it, so that it goes from its own
 * @param newOrder what could be there sooner than the open order that is waited for; null: nothing
 * @param alternatives what could go instead of it
 */
record WaysView(
        @Nullable Precedence precedence,
        List<OtherSite> sites,
        List<Bringing> bringing,
        @Nullable NewOrderView newOrder,
        List<OtherItem> alternatives) {
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

    /**
     * @param promised when it can go from its own site then; null: not within the horizon
     * @param available so much on the wanted day
     */
    record Bringing(String site, String siteName, @Nullable LocalDate promised, BigDecimal available) {}

    /**
     * @param number of the open order that the plan pulls in; {@code line}, {@code item} and {@code site} too
     * @param due its own date
     * @param day on which the line could go with a new order instead
     */
    record NewOrderView(String number, String line, String item, String site, LocalDate due, LocalDate day) {}

    /** @param quantity of it that does what is asked for, in its unit */
    record OtherItem(
            String item,
            String itemName,
            BigDecimal quantity,
            String unit,
            @Nullable LocalDate promised,
            BigDecimal available) {}
}
