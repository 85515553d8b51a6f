package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Set;
import rescient.core.company.Source;
import rescient.core.plan.PointView;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/**
 * What of the list is asked for. What is null is not asked for.
 *
 * @param words occur in item, name, site, partner or number; of a list that is sent whole, also in what keeps it from going
 *     out and in the customer order that it serves
 * @param from items from this code on; {@code to}: up to this one and those that begin with it
 * @param until start no later; {@code due}: due no later
 * @param worth value of at least
 * @param late only what makes a customer order late
 * @param held {@code only} or {@code none}
 * @param changed only what is not as it was at the end of one's last visit
 * @param sort of a list that is too long to be sent whole: by which column it is cut, downwards with a minus before it; null:
 *     the most urgent come
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
        @Nullable String held,
        @Nullable Boolean changed,
        @Nullable String sort) {

    /** Asks for nothing, so that everything fits. */
    static final ListFilter NOTHING =
            new ListFilter(null, null, null, null, null, null, null, null, null, null, null, null, null, null, null);

    /** The same in the order of the plan. */
    ListFilter unsorted() {
        return sort == null
                ? this
                : new ListFilter(
                        words, site, planner, supplier, group, source, from, to, until, due, worth, late, held, changed,
                        null);
    }

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
                        || occurs(
                                item,
                                directory.itemName(item),
                                directory.siteName(code),
                                directory.supplierName(from),
                                directory.siteName(fromSite),
                                number));
    }

    /** Whether signals of a stock point can fit. */
    boolean fits(Directory directory, String item, String code) {
        return is(site, code) && fitsItem(directory, item);
    }

    /**
     * By what only its row says.
     *
     * @param others the keys of what is not as it was
     */
    boolean fits(PlannedOrderRow row, Set<String> others) {
        return (worth == null || (row.value() != null && row.value().compareTo(worth) >= 0))
                && (!Boolean.TRUE.equals(late) || row.forLate())
                && (held == null || held.equals("only") == (row.hold() != null))
                && (!Boolean.TRUE.equals(changed) || others.contains(row.key()));
    }

    /** Whether it asks for something that only rows say. */
    boolean asksRows() {
        return worth != null || Boolean.TRUE.equals(late) || held != null || Boolean.TRUE.equals(changed);
    }

    /** By its row alone. */
    boolean fitsWhole(Directory directory, PlannedOrderRow row, Set<String> others) {
        return is(site, row.site())
                && is(supplier, row.supplier())
                && is(source, row.source())
                && (until == null || !row.start().isAfter(until))
                && (due == null || !row.due().isAfter(due))
                && fitsItem(directory, row.item())
                && (words == null
                        || occurs(
                                row.item(),
                                row.itemName(),
                                row.siteName(),
                                row.partner(),
                                row.obstacle(),
                                row.number(),
                                row.end() == null ? null : row.end().number(),
                                row.end() == null ? null : row.end().customer()))
                && fits(row, others);
    }

    /** By the row of a signal. */
    boolean fitsWhole(Directory directory, WorkList.SignalRow row) {
        SignalView signal = row.signal();
        return is(site, signal.site())
                && forSignals(signal.kind())
                && fitsItem(directory, signal.item())
                && (words == null
                        || occurs(
                                signal.item(),
                                row.itemName(),
                                row.siteName(),
                                row.partner(),
                                signal.orderNumber(),
                                signal.kind().replace('_', ' ')));
    }

    /** Whether a signal of a kind can fit: it knows neither source nor supplier, neither days nor value of an order. */
    boolean forSignals(String kind) {
        boolean ofOrders = supplier != null || source != null || until != null || due != null || worth != null;
        if (Boolean.TRUE.equals(changed)) {
            return false;
        }
        return Boolean.TRUE.equals(late) ? kind.equals("demand_late") : !ofOrders && !"only".equals(held);
    }

    private boolean fitsItem(Directory directory, String item) {
        return (from == null || item.compareTo(from) >= 0)
                && (to == null || item.compareTo(to) <= 0 || item.startsWith(to))
                && (planner == null || planner.equals(directory.planner(item)))
                && (group == null || group.equals(directory.group(item)));
    }

    private boolean occurs(String... texts) {
        return new Sought(words).in(texts);
    }

    private static boolean is(String wanted, String value) {
        return wanted == null || wanted.equals(value);
    }
}
