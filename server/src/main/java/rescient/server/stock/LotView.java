package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.stock.LotTrace;
import rescient.core.stock.Movement;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;

/**
 * One lot or serial number: where it lies, what it was made of, and what was made of it.
 *
 * @param back depth first, as {@link LotTrace} has it; {@code forward} too
 */
record LotView(
        String item,
        String itemName,
        @Nullable String lot,
        @Nullable String serial,
        List<LyingHere> here,
        List<TraceStep> back,
        List<TraceStep> forward) {
    /** Where some of it lies. */
    record LyingHere(
            String item,
            @Nullable String lot,
            @Nullable String serial,
            String site,
            String siteName,
            BigDecimal quantity,
            String unit,
            boolean quarantined,
            @Nullable LocalDate expiry) {}

    /**
     * One step.
     *
     * @param kind receipt, output, issue or shipment
     * @param number of the order, or of the customer's order
     * @param partner the supplier or the customer, by name
     */
    record TraceStep(
            int depth,
            String kind,
            String item,
            String itemName,
            @Nullable String lot,
            @Nullable String serial,
            BigDecimal quantity,
            String unit,
            LocalDate date,
            String document,
            String number,
            @Nullable String line,
            @Nullable String partner) {}

    /** @param suppliers of the orders that brought something, by number */
    static LotView of(PlanVersion version, LotTrace.Record record, Movement.Lot lot, Suppliers suppliers) {
        Directory directory = version.directory();
        List<LotTrace.Step> forward = LotTrace.forward(record, lot);
        List<Movement.Lot> made = new java.util.ArrayList<>(List.of(lot));
        forward.stream()
                .filter(step -> step.kind() == Movement.Kind.OUTPUT)
                .map(LotTrace.Step::lot)
                .filter(one -> !made.contains(one))
                .forEach(made::add);
        return new LotView(
                lot.item(),
                directory.itemName(lot.item()),
                said(lot.lot()),
                said(lot.serial()),
                made.stream().flatMap(one -> here(directory, one).stream()).toList(),
                LotTrace.back(record, lot).stream()
                        .map(step -> step(directory, step, suppliers))
                        .toList(),
                forward.stream().map(step -> step(directory, step, suppliers)).toList());
    }

    /** Of whom an order was bought. */
    interface Suppliers {
        @Nullable
        String of(String number);
    }

    private static String said(String text) {
        return text.isEmpty() ? null : text;
    }

    private static List<LyingHere> here(Directory directory, Movement.Lot lot) {
        return directory.facts().rows("stock", "item", lot.item()).stream()
                .filter(row -> row.text("lot", "").equals(lot.lot())
                        && row.text("serial", "").equals(lot.serial()))
                .map(row -> lying(directory, row))
                .toList();
    }

    private static LyingHere lying(Directory directory, Row row) {
        return new LyingHere(
                row.text("item"),
                row.text("lot"),
                row.text("serial"),
                row.text("site"),
                directory.siteName(row.text("site")),
                StockDesk.plain(row.decimal("quantity")),
                directory.unit(row.text("item")),
                row.flag("quarantined", false),
                row.date("expiry"));
    }

    private static TraceStep step(Directory directory, LotTrace.Step step, Suppliers suppliers) {
        Movement.Document document = step.document();
        String partner = step.kind() == Movement.Kind.SHIPMENT
                ? directory.customerOf(document.number(), document.line())
                : step.kind() == Movement.Kind.RECEIPT ? directory.supplierName(suppliers.of(document.number())) : null;
        return new TraceStep(
                step.depth(),
                step.kind().code(),
                step.lot().item(),
                directory.itemName(step.lot().item()),
                said(step.lot().lot()),
                said(step.lot().serial()),
                StockDesk.plain(step.quantity()),
                directory.unit(step.lot().item()),
                step.date(),
                document.kind(),
                document.number(),
                document.line(),
                partner);
    }
}
