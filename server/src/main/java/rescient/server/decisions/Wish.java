package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import rescient.server.platform.Nullable;

/**
 * What a planner wants to be otherwise. What is null stays as it is.
 *
 * @param orders keys of planned orders, or {@code number~line} of orders given out
 * @param days moves every due date by so many calendar days
 * @param parts of a split: quantities, with other dates if wanted; the rest stays
 * @param into so many parts of a split, as equal as they can be
 * @param until of a hold
 * @param item of new orders and of planning data, or the alternative that is used; so is {@code site} but for the latter
 * @param fields planning data by column of the dataset; empty takes one out
 */
record Wish(
        @NotNull Kind kind,
        @Nullable @Size(max = 2000) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable LocalDate start,
        @Nullable @Min(-3650) @Max(3650) Integer days,
        @Nullable @Size(max = LONGEST) String source,
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = LONGEST) String fromSite,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = 100) List<@NotNull @Valid Part> parts,
        @Nullable @Min(2) @Max(100) Integer into,
        @Nullable LocalDate until,
        @Nullable @Size(max = 1000) String note,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = 50) Map<String, @Size(max = LONGEST) String> fields) {
    private static final int LONGEST = 300;
    /** See {@link rescient.core.base.Limits#MOST}. */
    private static final String MOST = "1000000000000";

    /** What is to be done. */
    enum Kind {
        /** Planned orders become firmed as they are. */
        FIRM,
        /** Other quantity, dates, supplier, site or source; a planned order becomes firmed. */
        CHANGE,
        MERGE,
        SPLIT,
        /** Out of release until a day. */
        HOLD,
        RESUME,
        /** An open order is not needed. */
        CANCEL,
        /** An order the plan does not ask for. */
        ADD,
        /** The production orders that need what these orders bring take {@code item} instead. */
        SUBSTITUTE,
        /** How a stock point is planned. */
        PLANNING,
        /** A customer order comes in; {@code fields} may name its {@code number} and {@code customer}. */
        ENTER,
        /** A line goes out of a bill of materials: {@code item} is its parent, {@code fields} name the {@code line}. */
        BILL
    }

    /** A part of a split order. */
    record Part(
            @NotNull @Positive @DecimalMax(MOST) BigDecimal quantity,
            @Nullable LocalDate due) {}

    /** That an alternative is used for what an order brings. */
    static Wish substitute(String order, String alternative) {
        return new Wish(
                Kind.SUBSTITUTE,
                List.of(order),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                alternative,
                null);
    }

    List<String> targets() {
        return orders == null ? List.of() : orders.stream().distinct().toList();
    }
}
