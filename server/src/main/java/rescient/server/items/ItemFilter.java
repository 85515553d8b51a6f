package rescient.server.items;

import java.time.LocalDate;
import java.util.Objects;
import java.util.stream.Stream;
import rescient.server.platform.Nullable;

/**
 * Which items are asked for, in which order, and which part of them. What is null is not asked for.
 *
 * @param words all occur in code, name or group
 * @param source of one of its stock points; so are {@code rule} and {@code supplier}
 * @param without {@code supplier}: bought without one; {@code cost}: without a standard cost
 * @param moved false: never moved, neither shipped nor on hand nor ordered
 * @param since changed on this day or later
 * @param retired true: only those; false: only others
 * @param sort code, name, group, kind, unit, planner, source, rule, supplier, cost, points or on_hand
 * @param desc the other way round
 * @param place of which item the place in the list is told, by code
 * @param offset rows before the first one that is sent
 */
record ItemFilter(
        @Nullable String words,
        @Nullable String kind,
        @Nullable String group,
        @Nullable String source,
        @Nullable String rule,
        @Nullable String supplier,
        @Nullable String planner,
        @Nullable String tracking,
        @Nullable String without,
        @Nullable Boolean moved,
        @Nullable LocalDate since,
        @Nullable Boolean retired,
        @Nullable String sort,
        @Nullable Boolean desc,
        @Nullable String place,
        @Nullable Integer offset,
        @Nullable Integer limit) {
    /** The same list without a window on it. */
    ItemFilter whole() {
        return new ItemFilter(
                words, kind, group, source, rule, supplier, planner, tracking, without, moved, since, retired, sort,
                desc, null, null, null);
    }

    /** Whether every item fits. */
    boolean asksForAll() {
        return Stream.of(words, kind, group, source, rule, supplier, planner, tracking, without, moved, since, retired)
                .allMatch(Objects::isNull);
    }
}
