package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;
import java.util.stream.Stream;
import rescient.core.company.Source;
import rescient.core.plan.PointView;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;
import rescient.server.platform.Nullable;

/**
 * What of a list that is too long to be sent whole is asked for. What is null is not asked for.
 *
 * @param words occur in item, name, site, partner or number
 * @param from items from this code on; {@code to}: up to this one and those that begin with it
 * @param until start no later; {@code due}: due no later
 * @param worth value of at least
 * @param late only what makes a customer order late
 * @param held {@code only} or {@code none}
 */
record ListFilter(
        @Nullable String words,
        @Nullable String site,
        @Nullable String planner,
        @Nullable String supplier,
        @Nullable String group,
        @Nullable String source,
        @Nullable String from,
        @Nullable String to,
        @Nullable LocalDate until,
        @Nullable LocalDate due,
        @Nullable BigDecimal worth,
        @Nullable Boolean late,
        @Nullable String held) {

    /** Asks for nothing, so that everything fits. */
    static final ListFilter NOTHING =
            new ListFilter(null, null, null, null, null, null, null, null, null, null, null, null, null);

    /** The last day that fits. */
    static int dayOf(LocalDate day) {
        return day == null ? Integer.MAX_VALUE : Math.toIntExact(day.toEpochDay());
    }

    /** By what is known of every firmed order without working out its row. */
    boolean fits(Directory directory, Candidate order) {
        return order.start() <= dayOf(until)
                && order.due() <= dayOf(due)
                && fits(
                        directory,
                        order.item(),
                        order.site(),
                        order.source(),
                        order.supplier(),
                        order.fromSite(),
                        order.number());
    }

    /** The same of all planned orders of a stock point, but for their days. */
    boolean fits(Directory directory, PointView point) {
        return fits(directory, point.item(), point.site(), point.source(), point.supplier(), point.fromSite(), null);
    }

    private boolean fits(
            Directory directory, String item, String code, Source madeBy, String from, String fromSite, String number) {
        return is(site, code)
                && is(supplier, from)
                && (source == null || source.equals(Words.word(madeBy)))
                && fitsItem(directory, item)
                && (words == null
                        || holds(
                                directory,
                                item,
                                code,
                                directory.supplierName(from),
                                directory.siteName(fromSite),
                                number));
    }

    /** The same of a signal; it knows neither source nor supplier nor value. */
    boolean fits(Directory directory, String item, String code, String number) {
        return is(site, code)
                && supplier == null
                && source == null
                && until == null
                && due == null
                && worth == null
                && fitsItem(directory, item)
                && (words == null || holds(directory, item, code, null, null, number));
    }

    /** By what only its row says. */
    boolean fits(PlannedOrderRow row) {
        return (worth == null || (row.value() != null && row.value().compareTo(worth) >= 0))
                && (!Boolean.TRUE.equals(late) || row.forLate())
                && (held == null || held.equals("only") == (row.hold() != null));
    }

    private boolean fitsItem(Directory directory, String item) {
        return (from == null || item.compareTo(from) >= 0)
                && (to == null || item.compareTo(to) <= 0 || item.startsWith(to))
                && (planner == null || planner.equals(directory.planner(item)))
                && (group == null || group.equals(directory.group(item)));
    }

    private boolean holds(Directory directory, String item, String code, String... others) {
        if (words.isBlank()) {
            return true;
        }
        String wanted = words.strip().toLowerCase(Locale.ROOT);
        return Stream.concat(Stream.of(item, directory.itemName(item), directory.siteName(code)), Stream.of(others))
                .anyMatch(text -> text != null && text.toLowerCase(Locale.ROOT).contains(wanted));
    }

    private static boolean is(String wanted, String value) {
        return wanted == null || wanted.equals(value);
    }
}
