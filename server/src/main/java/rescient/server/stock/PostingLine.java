package rescient.server.stock;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import rescient.core.company.StockFacts;
import rescient.core.order.DirectShipment;
import rescient.dataset.PostingFile;
import rescient.dataset.Row;
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
 * @param scrapped pieces that were spoiled; of a transfer, lost
 * @param minutes of work; null: as planned, where something is reported
 * @param step of the routing
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
        @Nullable UUID reverses,

        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal scrapped,

        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal minutes,
        @Nullable @Size(max = 300) String step) {
    private static final String MOST = "1000000000000";

    /** All that a line of an order takes, or a component of it; lots as proposed. */
    static PostingLine of(StockAct act, String number, String line, @Nullable String item) {
        return new PostingLine(
                act, number, line, item, null, null, null, null, null, null, null, null, null, null, null, null);
    }

    /** All of a bin. */
    static PostingLine ofBin(StockAct act, StockFacts.Stock bin) {
        return new PostingLine(
                act,
                null,
                null,
                bin.item(),
                bin.site(),
                bin.lot(),
                bin.serial(),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** What was received goes on to the customer at once. */
    PostingLine shipped(DirectShipment to) {
        return new PostingLine(
                StockAct.SHIP,
                to.number(),
                to.line(),
                null,
                null,
                lot,
                serial,
                to.quantity(),
                to.unit(),
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** The same with another quantity that was counted. */
    PostingLine counted(BigDecimal quantity) {
        return new PostingLine(
                act,
                number,
                line,
                item,
                site,
                lot,
                serial,
                quantity,
                null,
                quarantined,
                price,
                expiry,
                reverses,
                scrapped,
                minutes,
                step);
    }

    /** Whether it is of that bin. */
    boolean isOf(StockFacts.Stock bin) {
        return Objects.equals(site, bin.site())
                && Objects.equals(text(lot), bin.lot())
                && Objects.equals(text(serial), bin.serial())
                && Boolean.TRUE.equals(quarantined) == Boolean.TRUE.equals(bin.quarantined());
    }

    Row row(String key, LocalDate date, @Nullable String reason) {
        Map<String, String> cells = new HashMap<>();
        cells.put("key", key);
        cells.put("date", date.toString());
        cells.put("action", act.name().toLowerCase(Locale.ROOT));
        cells.put("number", text(number));
        cells.put("line", text(line));
        cells.put("item", text(item));
        cells.put("site", text(site));
        cells.put("lot", text(lot));
        cells.put("serial", text(serial));
        cells.put("quantity", text(quantity));
        cells.put("unit", text(unit));
        cells.put("quarantined", Boolean.TRUE.equals(quarantined) ? "true" : null);
        cells.put("scrapped", text(scrapped));
        cells.put("price", text(price));
        cells.put("minutes", text(minutes));
        cells.put("step", text(step));
        cells.put("expiry", expiry == null ? null : expiry.toString());
        cells.put("reverses", reverses == null ? null : reverses.toString());
        cells.put("reason", text(reason));
        return PostingFile.row(cells);
    }

    /** A row of a file. */
    static PostingLine of(Row row) {
        return new PostingLine(
                StockAct.valueOf(row.text("action").toUpperCase(Locale.ROOT)),
                row.text("number"),
                row.text("line"),
                row.text("item"),
                row.text("site"),
                row.text("lot"),
                row.text("serial"),
                row.decimal("quantity"),
                row.text("unit"),
                row.flag("quarantined", false),
                row.decimal("price"),
                row.date("expiry"),
                row.text("reverses") == null ? null : PostingFileDesk.key(row.text("reverses")),
                row.decimal("scrapped"),
                row.decimal("minutes"),
                row.text("step"));
    }

    private static String text(BigDecimal number) {
        return number == null ? null : number.toPlainString();
    }

    private static String text(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
