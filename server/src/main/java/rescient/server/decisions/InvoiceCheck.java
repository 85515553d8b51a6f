package rescient.server.decisions;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rescient.core.base.Ratio;
import rescient.core.company.InvoiceFacts;
import rescient.core.order.Approval;
import rescient.core.order.InvoiceMatch;
import rescient.dataset.DeskTables;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.OrderValue;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** What a supplier may charge: what came of him, at what was agreed, less what he charged before. */
public final class InvoiceCheck {
    private final Directory directory;
    private final Facts facts;
    /** What came, by line of an order. */
    private final Map<String, Row> received = new HashMap<>();

    private final Map<String, BigDecimal> charged = new HashMap<>();

    /**
     * A line of an order of which something came.
     *
     * @param came less what went back, {@code before} charged by invoices; in {@code unit} like the price
     * @param agreed the price of one; null: none was
     */
    public record Chargeable(
            String order,
            String line,
            String item,
            BigDecimal came,
            BigDecimal before,
            String unit,
            @Nullable BigDecimal agreed) {
        /** What may still be charged; below 0: what is to be credited. */
        public BigDecimal left() {
            return came.subtract(before);
        }
    }

    private InvoiceCheck(Directory directory) {
        this.directory = directory;
        this.facts = directory.facts();
    }

    /** @param but an invoice of his that is left out, by number; null: none */
    public static InvoiceCheck of(Directory directory, DeskRows desk, String supplier, @Nullable String but) {
        InvoiceCheck check = new InvoiceCheck(directory);
        for (Row row : desk.received(supplier)) {
            check.received.put(OrderKey.ofLine(row.text("number"), row.text("line")), row);
        }
        Predicate<InvoiceFacts.Invoice> counts = invoice -> supplier.equals(invoice.supplier())
                && invoice.state() != InvoiceFacts.InvoiceState.REJECTED
                && !invoice.number().equals(but);
        check.received.values().stream()
                .map(row -> row.text("number"))
                .distinct()
                .flatMap(order -> check.facts.where(InvoiceFacts.InvoiceLine.class, "order_number", order).stream())
                .filter(line -> supplier.equals(line.supplier()))
                .filter(line ->
                        invoice(check.facts, supplier, line.number()).stream().anyMatch(counts))
                .forEach(line -> check.charge(line.orderNumber(), line.orderLine(), line.quantity()));
        return check;
    }

    /** The same where this came too. */
    InvoiceCheck and(List<EnterInvoice.Came> coming) {
        for (EnterInvoice.Came came : coming) {
            String key = OrderKey.ofLine(came.order(), came.line());
            Row before = received.get(key);
            if (before != null) {
                received.put(
                        key,
                        before.with("quantity", plain(before.decimal("quantity").add(came.quantity()))));
                continue;
            }
            Row row = facts.row("open_orders", came.order(), came.line());
            if (row != null) {
                received.put(
                        key,
                        row.with("ordered", row.text("ordered", row.text("quantity")))
                                .with("quantity", plain(came.quantity())));
            }
        }
        return this;
    }

    /** The invoice of a supplier with his number, if it is there. */
    public static List<InvoiceFacts.Invoice> invoice(Facts facts, String supplier, String number) {
        return facts.where(InvoiceFacts.Invoice.class, "number", number).stream()
                .filter(one -> supplier.equals(one.supplier()))
                .toList();
    }

    public static List<InvoiceFacts.InvoiceLine> lines(Facts facts, String supplier, String number) {
        return facts.where(InvoiceFacts.InvoiceLine.class, "number", number).stream()
                .filter(one -> supplier.equals(one.supplier()))
                .toList();
    }

    /** Quantities of an order line are charged in its own unit, always. */
    void charge(String order, String line, BigDecimal quantity) {
        charged.merge(OrderKey.ofLine(order, line), quantity, BigDecimal::add);
    }

    /** What can be charged of a line; null: nothing of it came. */
    @Nullable
    public Chargeable line(String order, String line) {
        String key = OrderKey.ofLine(order, line);
        Row row = received.get(key);
        BigDecimal before = charged.getOrDefault(key, BigDecimal.ZERO);
        if (row == null || (row.decimal("quantity").signum() == 0 && before.signum() == 0)) {
            return null;
        }
        // the service of a subcontractor has its price like what is bought
        OrderValue worth = OrderValue.of(directory, row.with("kind", "buy"));
        String item = row.text("item");
        return new Chargeable(
                order,
                line,
                item,
                charged(item, row.decimal("quantity"), worth.unit()),
                before,
                worth.unit(),
                worth.price());
    }

    /**
     * So much in the unit in which it is charged.
     *
     * @param quantity in the item's unit
     */
    BigDecimal charged(String item, BigDecimal quantity, String unit) {
        Ratio factor = facts.units().factor(item, unit, directory.unit(item));
        return factor == null ? quantity : InvoiceMatch.inUnit(quantity, factor);
    }

    /** All lines of which something came. */
    public List<Chargeable> all() {
        return received.values().stream()
                .map(row -> line(row.text("number"), row.text("line")))
                .filter(Objects::nonNull)
                .toList();
    }

    /** What is otherwise than it should be. */
    public List<InvoiceMatch.Difference> differences(Chargeable line, BigDecimal quantity, BigDecimal price) {
        return InvoiceMatch.of(
                new InvoiceMatch.Charged(line.came, line.before, line.agreed, quantity, price), tolerance(facts));
    }

    private static InvoiceMatch.Tolerance tolerance(Facts facts) {
        return new InvoiceMatch.Tolerance(
                percent(facts, "price_tolerance_percent"), percent(facts, "quantity_tolerance_percent"));
    }

    private static BigDecimal percent(Facts facts, String setting) {
        String said = facts.setting(setting);
        return said == null ? BigDecimal.ZERO : new BigDecimal(said);
    }

    /** In a sentence, in the words of the job. */
    public String sentence(Chargeable line, InvoiceMatch.Difference difference) {
        String of = line.order + " line " + line.line + ", " + line.item + ": ";
        String found = plain(difference.found());
        if (difference.kind() == InvoiceMatch.Kind.QUANTITY) {
            return of + found.replace("-", "") + " " + line.unit
                    + (difference.found().signum() < 0 ? " are credited, " : " are charged, ")
                    + plain(difference.expected().abs())
                    + (difference.found().signum() < 0 ? " went back: " : " are left to be: ")
                    + more(difference.value()) + ".";
        }
        return difference.expected() == null
                ? of + "no price was agreed; " + found + " a " + line.unit + " is charged."
                : of + "at " + found + " a " + line.unit + ", agreed was "
                        + plain(difference.expected()) + ": "
                        + more(difference.value()) + ".";
    }

    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }

    private String more(BigDecimal value) {
        return value.abs().setScale(2, RoundingMode.HALF_UP).toPlainString() + " " + directory.currency()
                + (value.signum() < 0 ? " less" : " more");
    }

    /** From which values on who is asked for invoices that are otherwise. */
    static List<Approval.Limit> limits(Facts facts) {
        return facts.all(InvoiceFacts.ApprovalLimit.class)
                .filter(limit -> limit.document() == InvoiceFacts.Document.INVOICE)
                .map(limit -> new Approval.Limit(limit.fromValue(), Words.word(limit.role())))
                .toList();
    }

    /** Under what the approvals of an invoice are kept. */
    static String name(String supplier, String number) {
        return supplier + "/" + number;
    }

    /** Who approved an invoice so far. */
    public static List<Approval.Given> given(Facts facts, DeskRows desk, String supplier, String number) {
        return Stream.concat(limits(facts).stream().map(Approval.Limit::role), Stream.of(ANYBODY))
                .distinct()
                .map(role -> desk.row(DeskTables.APPROVALS, name(supplier, number), role))
                .filter(Objects::nonNull)
                .map(row -> new Approval.Given(row.text("role"), row.text("name"), row.decimal("value")))
                .toList();
    }

    /** Where no limit asks anybody, an approver is asked. */
    private static final String ANYBODY = "approver";

    /** Who is asked next for an invoice that is otherwise than it should be; null: nobody any more. */
    @Nullable
    public static String asks(Facts facts, BigDecimal value, List<Approval.Given> given) {
        return Approval.next(limits(facts), value, given, ANYBODY);
    }

    /** What all lines of it come to. */
    public static BigDecimal value(List<InvoiceFacts.InvoiceLine> lines) {
        return lines.stream()
                .map(line -> line.quantity().multiply(line.price()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
