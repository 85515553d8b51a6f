package rescient.server.purchasing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.order.Approval;
import rescient.dataset.Facts;
import rescient.server.decisions.InvoiceCheck;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.tables.DeskRows;

/** Invoices of suppliers: which are there, what they charge, and what could be charged. */
@Component
class Invoices {
    private static final Comparator<InvoiceFacts.Invoice> BY_DUE = Comparator.comparing(
                    InvoiceFacts.Invoice::due, Comparator.nullsFirst(Comparator.naturalOrder()))
            .thenComparing(InvoiceFacts.Invoice::supplier)
            .thenComparing(InvoiceFacts.Invoice::number, DocumentOrder.INSTANCE);

    private final DeskRows desk;
    private final int most;

    Invoices(DeskRows desk, @Value("${rescient.list-most:1000}") int most) {
        this.desk = desk;
        this.most = most;
    }

    /** @param state awaiting_approval, approved or rejected; null: all */
    InvoiceController.InvoiceRows list(PlanVersion version, @Nullable String words, @Nullable String state) {
        Directory directory = version.directory();
        Sought sought = new Sought(words);
        Predicate<InvoiceFacts.Invoice> fits = one -> one.supplier() != null
                && (state == null || Words.word(one.state()).equals(state))
                && (sought.nothing()
                        || sought.in(one.number(), one.supplier(), directory.supplierName(one.supplier()), one.note()));
        List<InvoiceFacts.Invoice> all = directory
                .facts()
                .all(InvoiceFacts.Invoice.class)
                .filter(fits)
                .sorted(BY_DUE)
                .toList();
        List<InvoiceController.InvoiceRow> rows =
                all.stream().limit(most).map(one -> row(directory, one)).toList();
        BigDecimal value = all.stream()
                .filter(one -> state != null || one.state() != InvoiceFacts.InvoiceState.REJECTED)
                .map(one -> InvoiceCheck.value(InvoiceCheck.lines(directory.facts(), one.supplier(), one.number())))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return new InvoiceController.InvoiceRows(rows, all.size(), value);
    }

    private static InvoiceController.InvoiceRow row(Directory directory, InvoiceFacts.Invoice invoice) {
        List<InvoiceFacts.InvoiceLine> lines =
                InvoiceCheck.lines(directory.facts(), invoice.supplier(), invoice.number());
        return new InvoiceController.InvoiceRow(
                key(invoice),
                invoice.supplier(),
                directory.supplierName(invoice.supplier()),
                invoice.number(),
                invoice.date(),
                invoice.due(),
                Words.word(invoice.state()),
                invoice.enteredBy(),
                invoice.note(),
                lines.size(),
                lines.stream()
                        .map(InvoiceFacts.InvoiceLine::orderNumber)
                        .distinct()
                        .toList(),
                InvoiceCheck.value(lines));
    }

    private static String key(InvoiceFacts.Invoice invoice) {
        return invoice.supplier() + "~" + invoice.number();
    }

    InvoiceController.InvoiceView invoice(PlanVersion version, String supplier, String number) {
        Directory directory = version.directory();
        Facts facts = directory.facts();
        InvoiceFacts.Invoice invoice = InvoiceCheck.invoice(facts, supplier, number).stream()
                .findFirst()
                .orElseThrow(() -> JobProblem.notFound("There is no invoice " + number + " of " + supplier));
        InvoiceCheck check = InvoiceCheck.of(directory, desk, supplier, number);
        List<Approval.Given> given = InvoiceCheck.given(facts, desk, supplier, number);
        List<InvoiceFacts.InvoiceLine> lines = InvoiceCheck.lines(facts, supplier, number).stream()
                .sorted(Comparator.comparing(InvoiceFacts.InvoiceLine::line, DocumentOrder.INSTANCE))
                .toList();
        boolean waits = invoice.state() == InvoiceFacts.InvoiceState.AWAITING_APPROVAL;
        return new InvoiceController.InvoiceView(
                row(directory, invoice),
                waits ? InvoiceCheck.asks(facts, InvoiceCheck.value(lines), given) : null,
                given.stream().map(one -> one.name() + ", " + one.role()).toList(),
                lines.stream().map(line -> line(directory, check, line)).toList());
    }

    private static InvoiceController.InvoiceLineRow line(
            Directory directory, InvoiceCheck check, InvoiceFacts.InvoiceLine line) {
        InvoiceCheck.Chargeable can = check.line(line.orderNumber(), line.orderLine());
        return new InvoiceController.InvoiceLineRow(
                line.orderNumber(),
                line.orderLine(),
                can == null ? "" : can.item(),
                can == null ? "" : directory.itemName(can.item()),
                line.unit() == null ? "" : line.unit(),
                can == null ? null : can.came(),
                can == null ? null : can.before(),
                can == null ? null : can.agreed(),
                line.quantity(),
                line.price(),
                line.quantity().multiply(line.price()),
                can == null
                        ? List.of("Nothing of it is here any more.")
                        : check.differences(can, line.quantity(), line.price()).stream()
                                .map(difference -> check.sentence(can, difference))
                                .toList());
    }

    InvoiceController.OrderInvoices ofOrder(PlanVersion version, String number) {
        Directory directory = version.directory();
        String supplier = desk.supplier(number);
        if (supplier == null) {
            return new InvoiceController.OrderInvoices(null, List.of(), false);
        }
        List<InvoiceController.InvoiceRow> rows =
                directory.facts().where(InvoiceFacts.InvoiceLine.class, "order_number", number).stream()
                        .filter(line -> supplier.equals(line.supplier()))
                        .map(InvoiceFacts.InvoiceLine::number)
                        .distinct()
                        .flatMap(own -> InvoiceCheck.invoice(directory.facts(), supplier, own).stream())
                        .sorted(BY_DUE)
                        .map(one -> row(directory, one))
                        .toList();
        boolean left = InvoiceCheck.of(directory, desk, supplier, null).all().stream()
                .anyMatch(line -> line.order().equals(number) && line.left().signum() != 0);
        return new InvoiceController.OrderInvoices(supplier, rows, left);
    }

    /** What came from a supplier and was not charged yet, or went back and was not credited, in the order of the documents. */
    List<InvoiceController.ChargeableRow> chargeable(PlanVersion version, String supplier) {
        Directory directory = version.directory();
        return InvoiceCheck.of(directory, desk, supplier, null).all().stream()
                .filter(line -> line.left().signum() != 0)
                .sorted(Comparator.comparing(InvoiceCheck.Chargeable::order, DocumentOrder.INSTANCE)
                        .thenComparing(InvoiceCheck.Chargeable::line, DocumentOrder.INSTANCE))
                .map(line -> new InvoiceController.ChargeableRow(
                        line.order(),
                        line.line(),
                        line.item(),
                        directory.itemName(line.item()),
                        line.unit(),
                        line.came(),
                        line.left(),
                        line.agreed()))
                .toList();
    }

    /** What a document for machines says, with what is not said in it filled in from what is known. */
    InvoiceController.ReadInvoice read(PlanVersion version, byte[] document) {
        UblInvoice said = UblInvoice.read(document);
        Directory directory = version.directory();
        String supplier = directory
                .facts()
                .all(PartnerFacts.Supplier.class)
                .filter(one ->
                        one.code().equals(said.senderCode()) || called(one).equals(lower(said.senderName())))
                .map(PartnerFacts.Supplier::code)
                .findFirst()
                .orElse(null);
        if (supplier == null) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "The invoice is of " + said.senderName() + ", who is no supplier here");
        }
        List<UblInvoice.Charge> left = new ArrayList<>(said.lines());
        List<InvoiceController.ReadLine> lines = new ArrayList<>();
        for (InvoiceController.ChargeableRow row : chargeable(version, supplier)) {
            UblInvoice.Charge charge = left.stream()
                    .filter(one -> one.named().means(row.order(), row.line(), row.item()))
                    .findFirst()
                    .orElse(null);
            left.remove(charge);
            lines.add(new InvoiceController.ReadLine(
                    row, charge == null ? null : charge.quantity(), charge == null ? null : charge.price()));
        }
        return new InvoiceController.ReadInvoice(
                supplier,
                said.number(),
                said.date(),
                said.due(),
                lines,
                left.stream().map(one -> one.named().toString()).toList());
    }

    private static String called(PartnerFacts.Supplier supplier) {
        return lower(supplier.name() == null ? supplier.code() : supplier.name());
    }

    private static String lower(@Nullable String text) {
        return text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
    }
}
