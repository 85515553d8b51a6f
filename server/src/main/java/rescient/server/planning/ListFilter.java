package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;
import java.util.stream.Stream;
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

    /** By what is known of every order without working out its row. */
    boolean fits(Directory directory, Candidate order) {
        return is(site, order.site())
                && is(supplier, order.supplier())
                && (source == null || source.equals(Words.word(order.source())))
                && (until == null || order.start() <= until.toEpochDay())
                && (due == null || order.due() <= due.toEpochDay())
                && fitsItem(directory, order.item())
                && holds(
                        directory,
                        order.item(),
                        order.site(),
                        directory.supplierName(order.supplier()),
                        directory.siteName(order.fromSite()),
                        order.number());
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
                && holds(directory, item, code, null, null, number);
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
                && (group == null || group.equals(directory.items().get(item).text("group")));
    }

    private boolean holds(Directory directory, String item, String code, String... others) {
        if (words == null || words.isBlank()) {
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
