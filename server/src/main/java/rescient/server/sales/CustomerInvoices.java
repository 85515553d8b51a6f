package rescient.server.sales;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.prices.CustomerCharge;
import rescient.core.prices.InvoiceTotal;
import rescient.core.stock.StockValue;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.decisions.CustomerCharges;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.tables.DeskRows;

/** Invoices to customers, and what was shipped and is not charged yet. */
@Component
class CustomerInvoices {
    private final DeskRows desk;
    private final Mails mails;
    private final CommandPipeline pipeline;
    private final InvoicePaper paper;
    private final int most;

    CustomerInvoices(
            DeskRows desk,
            Mails mails,
            CommandPipeline pipeline,
            InvoicePaper paper,
            @Value("${rescient.list-most:1000}") int most) {
        this.desk = desk;
        this.mails = mails;
        this.pipeline = pipeline;
        this.paper = paper;
        this.most = most;
    }

    /**
     * An order that is to be charged, or an invoice.
     *
     * @param number of the invoice; null: it is not written yet
     * @param orders that are charged
     * @param net below 0: it is a credit note; null: of some line no price is known
     */
    record InvoiceOutRow(
            String key,
            @Nullable String number,
            String customer,
            String customerName,
            List<String> orders,
            int lines,
            @Nullable LocalDate date,
            @Nullable LocalDate due,
            @Nullable BigDecimal net,
            @Nullable BigDecimal gross,
            @Nullable String enteredBy) {}

    /** @param open how many orders are to be charged */
    record InvoiceOutRows(List<InvoiceOutRow> rows, int total, int open) {}

    /**
     * A line of it.
     *
     * @param price of one, null: none is known
     * @param back what came back of the parts of a kit, which is charged whole; told of one order or invoice alone
     */
    record InvoiceOutLine(
            String order,
            String line,
            String item,
            String itemName,
            BigDecimal quantity,
            String unit,
            @Nullable BigDecimal price,
            @Nullable BigDecimal value,
            List<PartBack> back) {
        InvoiceOutLine with(List<PartBack> parts) {
            return new InvoiceOutLine(order, line, item, itemName, quantity, unit, price, value, parts);
        }
    }

    /** A part of a kit that came back. */
    record PartBack(String item, String itemName, BigDecimal quantity, String unit) {}

    /** @param note below it */
    record InvoiceOutView(
            InvoiceOutRow row,
            List<InvoiceOutLine> lines,
            @Nullable BigDecimal rate,
            @Nullable BigDecimal tax,
            @Nullable String note,
            @Nullable String email) {}

    /** @param state to_charge or charged; null: both, what is to be charged first */
    InvoiceOutRows list(PlanVersion version, @Nullable String words, @Nullable String state) {
        Sought sought = new Sought(words);
        List<InvoiceOutView> open = toCharge(version, null);
        List<InvoiceOutView> all = new ArrayList<>();
        if (!"charged".equals(state)) {
            all.addAll(open);
        }
        if (!"to_charge".equals(state)) {
            all.addAll(written(version));
        }
        List<InvoiceOutRow> fitting = all.stream()
                .map(InvoiceOutView::row)
                .filter(row -> sought.nothing()
                        || sought.in(row.number, row.customer, row.customerName, String.join(" ", row.orders)))
                .toList();
        return new InvoiceOutRows(fitting.stream().limit(most).toList(), fitting.size(), open.size());
    }

    /** An order of which nothing is left to be charged has no lines. */
    InvoiceOutView one(PlanVersion version, String key) {
        Directory directory = version.directory();
        String number = key.substring(Math.min(2, key.length()));
        InvoiceOutView view = key.startsWith("i~")
                ? directory.facts().where(InvoiceFacts.Invoice.class, "number", number).stream()
                        .filter(invoice -> invoice.customer() != null)
                        .map(invoice -> of(directory, invoice))
                        .findFirst()
                        .orElseThrow(() -> JobProblem.notFound("There is no invoice " + number))
                : toCharge(version, List.of(number)).stream().findFirst().orElseGet(() -> nothingLeft(directory, key));
        return withParts(directory, view);
    }

    private InvoiceOutView withParts(Directory directory, InvoiceOutView view) {
        Map<String, List<PartBack>> back = new HashMap<>();
        for (DeskRows.PartBack one : desk.partsBack(view.row.orders)) {
            back.computeIfAbsent(OrderKey.ofLine(one.number(), one.line()), key -> new ArrayList<>())
                    .add(new PartBack(
                            one.item(),
                            directory.itemName(one.item()),
                            plain(one.quantity()),
                            directory.unit(one.item())));
        }
        return new InvoiceOutView(
                view.row,
                view.lines.stream()
                        .map(line -> line.with(back.getOrDefault(OrderKey.ofLine(line.order, line.line), List.of())))
                        .toList(),
                view.rate,
                view.tax,
                view.note,
                view.email);
    }

    private static InvoiceOutView nothingLeft(Directory directory, String key) {
        String number = key.startsWith("o~") ? key.substring(2) : "";
        String customer = directory.facts().where(OrderFacts.CustomerOrder.class, "number", number).stream()
                .map(OrderFacts.CustomerOrder::customer)
                .filter(Objects::nonNull)
                .findFirst()
                .orElseThrow(() -> JobProblem.notFound("There is no such invoice or order"));
        return view(directory, new Head(key, null, customer, null, null, null, null), List.of());
    }

    /** By order; the customer order's own price, net of tax. */
    private List<InvoiceOutView> toCharge(PlanVersion version, @Nullable List<String> numbers) {
        Directory directory = version.directory();
        Map<String, List<CustomerCharge>> byOrder = new LinkedHashMap<>();
        CustomerCharges.of(directory, desk, numbers)
                .forEach(charge -> byOrder.computeIfAbsent(charge.line().number(), number -> new ArrayList<>())
                        .add(charge));
        return byOrder.entrySet().stream()
                .map(order -> view(
                        directory,
                        new Head(
                                "o~" + order.getKey(),
                                null,
                                order.getValue().get(0).line().customer(),
                                null,
                                null,
                                null,
                                null),
                        order.getValue().stream()
                                .map(charge -> line(
                                        directory,
                                        charge.line().number(),
                                        charge.line().line(),
                                        charge.line().item(),
                                        charge.left(),
                                        charge.price()))
                                .toList()))
                .sorted(Comparator.comparing(view -> view.row.orders.get(0), DocumentOrder.INSTANCE))
                .toList();
    }

    /** The latest first. */
    private List<InvoiceOutView> written(PlanVersion version) {
        Directory directory = version.directory();
        return directory
                .facts()
                .all(InvoiceFacts.Invoice.class)
                .filter(invoice -> invoice.customer() != null)
                .sorted(Comparator.comparing(InvoiceFacts.Invoice::date)
                        .thenComparing(invoice -> invoice.number().length())
                        .thenComparing(InvoiceFacts.Invoice::number)
                        .reversed())
                .map(invoice -> of(directory, invoice))
                .toList();
    }

    private static InvoiceOutView of(Directory directory, InvoiceFacts.Invoice invoice) {
        return view(
                directory,
                new Head(
                        "i~" + invoice.number(),
                        invoice.number(),
                        invoice.customer(),
                        invoice.date(),
                        invoice.due(),
                        invoice.enteredBy(),
                        invoice.note()),
                lines(directory, invoice));
    }

    private static List<InvoiceOutLine> lines(Directory directory, InvoiceFacts.Invoice invoice) {
        return directory.facts().where(InvoiceFacts.InvoiceLine.class, "number", invoice.number()).stream()
                .filter(line -> invoice.customer().equals(line.customer()))
                .sorted(Comparator.comparing(InvoiceFacts.InvoiceLine::line, DocumentOrder.INSTANCE))
                .map(line -> line(
                        directory,
                        line.orderNumber(),
                        line.orderLine(),
                        item(directory, line),
                        line.quantity(),
                        line.price()))
                .toList();
    }

    private static String item(Directory directory, InvoiceFacts.InvoiceLine line) {
        return directory.facts().where(OrderFacts.CustomerOrder.class, "number", line.orderNumber()).stream()
                .filter(of -> of.line().equals(line.orderLine()))
                .map(OrderFacts.CustomerOrder::item)
                .findFirst()
                .orElse("");
    }

    private static InvoiceOutLine line(
            Directory directory,
            String order,
            String line,
            String item,
            BigDecimal quantity,
            @Nullable BigDecimal price) {
        return new InvoiceOutLine(
                order,
                line,
                item,
                item.isEmpty() ? "" : directory.itemName(item),
                plain(quantity),
                item.isEmpty() ? "" : directory.unit(item),
                price,
                price == null ? null : InvoiceTotal.ofLine(quantity, price, decimals(directory)),
                List.of());
    }

    private static BigDecimal plain(BigDecimal quantity) {
        return quantity.signum() == 0
                ? BigDecimal.ZERO
                : new BigDecimal(quantity.stripTrailingZeros().toPlainString());
    }

    private static int decimals(Directory directory) {
        return StockValue.decimals(directory.facts().setting("currency"));
    }

    private record Head(
            String key,
            @Nullable String number,
            String customer,
            @Nullable LocalDate date,
            @Nullable LocalDate due,
            @Nullable String enteredBy,
            @Nullable String note) {}

    private static InvoiceOutView view(Directory directory, Head head, List<InvoiceOutLine> lines) {
        PartnerFacts.Customer customer = directory
                .facts()
                .one(PartnerFacts.Customer.class, head.customer)
                .orElseThrow(() -> JobProblem.notFound("There is no customer " + head.customer));
        boolean known = lines.stream().allMatch(line -> line.value != null);
        InvoiceTotal total = known
                ? InvoiceTotal.of(
                        lines.stream().map(InvoiceOutLine::value).toList(),
                        customer.contact().taxRate(),
                        decimals(directory))
                : null;
        return new InvoiceOutView(
                new InvoiceOutRow(
                        head.key,
                        head.number,
                        head.customer,
                        directory.customerName(head.customer),
                        lines.stream().map(InvoiceOutLine::order).distinct().toList(),
                        lines.size(),
                        head.date,
                        head.due,
                        total == null ? null : total.net(),
                        total == null ? null : total.gross(),
                        head.enteredBy),
                lines,
                total == null ? null : total.rate(),
                total == null ? null : total.tax(),
                head.note,
                customer.email());
    }

    /** @param origins what went into it is told too, over all levels */
    byte[] pdf(PlanVersion version, String key, boolean origins) {
        return paper.pdf(version, written(version, key), origins);
    }

    byte[] ubl(PlanVersion version, String key) {
        return paper.ubl(version, written(version, key));
    }

    InvoiceOutView written(PlanVersion version, String key) {
        InvoiceOutView view = one(version, key);
        if (view.row.number == null) {
            throw JobProblem.notFound("The invoice is not written yet");
        }
        return view;
    }

    /** @param idempotency repeated, nothing is sent again */
    MailView send(SignedIn who, UUID idempotency, String key) {
        return pipeline.carryOut(who, idempotency, new SendInvoice(this, mails, key));
    }
}
