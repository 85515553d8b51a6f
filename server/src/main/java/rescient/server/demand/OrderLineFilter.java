package rescient.server.demand;

import java.time.LocalDate;
import rescient.server.platform.Nullable;

/**
 * Which lines of customer orders are asked for, in which order, and which part of them. What is null is not asked for.
 *
 * @param words all occur in number, reference, customer, item or its name, or in the item that makes it late
 * @param state quote, open, done or cancelled; null: open
 * @param day which of its days is asked for: due, wanted or promised; null: due
 * @param from that day or later
 * @param to that day or before
 * @param promised true: only what the customer was told a day for; false: only what he was not
 * @param late true: only what is met late or never
 * @param broken true: only what was promised and the plan does not keep
 * @param kit true: only kits
 * @param sort number, customer, item, quantity, wanted, due, possible, value or entered
 * @param desc the other way round
 * @param place of which line the place in the list is told, by key
 * @param offset rows before the first one that is sent
 */
record OrderLineFilter(
        @Nullable String words,
        @Nullable String customer,
        @Nullable String item,
        @Nullable String site,
        @Nullable String state,
        @Nullable String day,
        @Nullable LocalDate from,
        @Nullable LocalDate to,
        @Nullable Boolean promised,
        @Nullable Boolean late,
        @Nullable Boolean broken,
        @Nullable Boolean kit,
        @Nullable String sort,
        @Nullable Boolean desc,
        @Nullable String place,
        @Nullable Integer offset,
        @Nullable Integer limit) {
    /** The same list without a window on it. */
    OrderLineFilter whole() {
        return new OrderLineFilter(
                words, customer, item, site, state, day, from, to, promised, late, broken, kit, sort, desc, null, null,
                null);
    }

    /** What decides which lines fit, whatever their order. */
    OrderLineFilter unsorted() {
        return new OrderLineFilter(
                words, customer, item, site, state, day, from, to, promised, late, broken, kit, null, null, null, null,
                null);
    }
}
