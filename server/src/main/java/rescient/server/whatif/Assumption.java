package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import rescient.server.platform.Nullable;

/**
 * One thing that is otherwise in a what-if. What is null is not asked for.
 *
 * @param percent by which demand grows, -100 to 1,000
 * @param of which demand: {@code forecast} or {@code orders}; null: both
 * @param item of demand: only this one; of all else: which
 * @param group of items; so is {@code customer}: only their demand
 * @param days working days by which a supplier takes longer, from now on or, with {@code from} and {@code to}, in this time
 * @param from first day; {@code to}: last day
 * @param quantity of an order or what is lost; null: all of it
 * @param set of forecasts; null: none
 * @param working whether a site works on days on which it does not, or the other way about
 * @param fields planning data by column; of a bill of materials its {@code line} or a new {@code component}, and the
 *     {@code quantity}; of an order its {@code customer}
 */
record Assumption(
        @NotNull Kind kind,
        @Nullable @DecimalMin("-100") @DecimalMax("1000") BigDecimal percent,
        @Nullable @Size(max = LONGEST) String of,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = LONGEST) String group,
        @Nullable @Size(max = LONGEST) String customer,
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Min(1) @Max(1000) Integer days,
        @Nullable LocalDate from,
        @Nullable LocalDate to,

        @Nullable @PositiveOrZero @DecimalMax("1000000000000")
        BigDecimal quantity,

        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST) String set,
        @Nullable Boolean working,
        @Nullable @Size(max = 50) Map<String, @Size(max = LONGEST) String> fields) {
    private static final int LONGEST = 300;

    /** What is otherwise. */
    enum Kind {
        DEMAND,
        ORDER,
        SUPPLIER_SLOWER,
        SUPPLIER_OUT,
        STOCK_LOST,
        PLANNING,
        BILL,
        CALENDAR,
        FORECAST_SET
    }

    String field(String name) {
        String value = fields == null ? null : fields.get(name);
        return value == null || value.isBlank() ? null : value.strip();
    }
}
