package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import rescient.core.company.ItemFacts;
import rescient.core.company.StockFacts;
import rescient.core.stock.LotTrace;
import rescient.core.stock.Movement;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * One lot or serial number: where it lies, what it was made of, and what was made of it.
 *
 * @param known something was said of it: there is a row of {@code lots}
 * @param back depth first, as {@link LotTrace} has it; {@code forward} too
 */
record LotView(
        String item,
        String itemName,
        @Nullable String lot,
        @Nullable String serial,
        String tracking,
        boolean known,
        @Nullable LocalDate expiry,
        @Nullable String supplierLot,
        @Nullable String document,
        @Nullable String note,
        List<TestRow> tests,
        List<LyingHere> here,
        List<TraceStep> back,
        List<TraceStep> forward) {
    /** What a test came to; {@code failed}: outside its limits. */
    record TestRow(
            String name,
            @Nullable BigDecimal value,
            @Nullable String unit,
            @Nullable BigDecimal lower,
            @Nullable BigDecimal upper,
            @Nullable LocalDate date,
            boolean failed) {}

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
        Facts facts = directory.facts();
        ItemFacts.Item item = directory.item(lot.item());
        if (item == null) {
            throw JobProblem.notFound("There is no item " + lot.item());
        }
        Optional<StockFacts.Lot> known = facts.where(StockFacts.Lot.class, "item", lot.item()).stream()
                .filter(one -> is(lot, one.lot(), one.serial()))
                .findFirst();
        LocalDate expiry = facts.where(StockFacts.Stock.class, "item", lot.item()).stream()
                .filter(one -> is(lot, one.lot(), one.serial()))
                .map(StockFacts.Stock::expiry)
                .filter(Objects::nonNull)
                .findFirst()
                .or(() -> known.map(StockFacts.Lot::expiry))
                .orElse(null);
        return new LotView(
                lot.item(),
                directory.itemName(lot.item()),
                said(lot.lot()),
                said(lot.serial()),
                Words.word(item.tracking() == null ? ItemFacts.Tracking.NONE : item.tracking()),
                known.isPresent(),
                expiry,
                known.map(StockFacts.Lot::supplierLot).orElse(null),
                known.map(StockFacts.Lot::document).orElse(null),
                known.map(StockFacts.Lot::note).orElse(null),
                facts.where(StockFacts.LotTest.class, "item", lot.item()).stream()
                        .filter(one -> is(lot, one.lot(), one.serial()))
                        .map(one -> new TestRow(
                                one.name(),
                                one.value(),
                                one.unit(),
                                one.lower(),
                                one.upper(),
                                one.date(),
                                one.failed()))
                        .toList(),
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

    private static boolean is(Movement.Lot lot, @Nullable String other, @Nullable String serial) {
        return lot.lot().equals(other == null ? "" : other) && lot.serial().equals(serial == null ? "" : serial);
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
