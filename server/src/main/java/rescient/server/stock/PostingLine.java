package rescient.server.stock;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.UUID;
import rescient.core.stock.PostingRow;
import rescient.server.platform.Nullable;

/**
 * One line of a posting.
 *
 * @param number of the order, with {@code line}
 * @param quantity in {@code unit}; null: all that is open of the order line, or all of the bin
 * @param unit null: that of the order line, or else the item's
 * @param quarantined it comes in, or lies, quarantined
 * @param price for one of the unit; null: the order's
 * @param reverses the key of the posting that is taken back
 */
record PostingLine(
        @NotNull StockAct act,
        @Nullable @Size(max = 300) String number,
        @Nullable @Size(max = 300) String line,
        @Nullable @Size(max = 300) String item,
        @Nullable @Size(max = 300) String site,
        @Nullable @Size(max = 300) String lot,
        @Nullable @Size(max = 300) String serial,

        @Nullable @DecimalMin("-" + MOST) @DecimalMax(MOST) BigDecimal quantity,

        @Nullable @Size(max = 300) String unit,
        @Nullable Boolean quarantined,

        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal price,
        @Nullable LocalDate expiry,
        @Nullable UUID reverses) {
    private static final String MOST = "1000000000000";

    PostingRow row(String key, LocalDate date, String reason) {
        return new PostingRow(
                key,
                date,
                PostingRow.Action.valueOf(act.name()),
                text(number),
                text(line),
                text(item),
                text(site),
                text(lot),
                text(serial),
                quantity,
                text(unit),
                Boolean.TRUE.equals(quarantined),
                null,
                price,
                null,
                null,
                expiry,
                reverses == null ? null : reverses.toString(),
                text(reason));
    }

    private static String text(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
