package rescient.server.sales;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javax.xml.stream.XMLStreamException;
import org.springframework.stereotype.Component;
import rescient.core.company.ItemFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.stock.LotTrace;
import rescient.core.stock.Movement;
import rescient.server.mail.PaperPdf;
import rescient.server.mail.PaperPdf.Column;
import rescient.server.mail.UblDocument;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;
import rescient.server.stock.TracedMovements;

/** An invoice to a customer for people, with the lots and serial numbers of what went, and for machines (UBL 2.1). */
@Component
class InvoicePaper {
    private static final int MOST_ORIGINS = 40;

    private final TracedMovements traced;

    InvoicePaper(TracedMovements traced) {
        this.traced = traced;
    }

    byte[] pdf(PlanVersion version, CustomerInvoices.InvoiceOutView view, boolean origins) {
        Directory directory = version.directory();
        CustomerInvoices.InvoiceOutRow row = view.row();
        boolean credit = isCredit(view);
        String currency = directory.currency();
        List<PaperPdf.Foot> foot = new ArrayList<>();
        if (view.rate() != null) {
            foot.add(new PaperPdf.Foot("Net " + money(row.net(), credit) + " " + currency, true));
            foot.add(new PaperPdf.Foot(
                    "Tax of " + view.rate().stripTrailingZeros().toPlainString() + " % " + money(view.tax(), credit)
                            + " " + currency,
                    true));
        }
        foot.add(new PaperPdf.Foot(
                (credit ? "Credited " : "To be paid ") + money(row.gross(), credit) + " " + currency, true));
        if (row.due() != null && !credit) {
            foot.add(new PaperPdf.Foot("Please pay by " + PaperPdf.day(row.due()) + ".", false));
        }
        if (view.note() != null) {
            foot.add(new PaperPdf.Foot(view.note(), false));
        }
        String tax = directory.facts().setting("tax_number");
        if (tax != null) {
            foot.add(new PaperPdf.Foot("Our tax number: " + tax, false));
        }
        return PaperPdf.of(new PaperPdf.Paper(
                version.company(),
                directory.facts().setting("company_address"),
                PaperPdf.addressed(row.customerName(), address(directory, row.customer())),
                (credit ? "Credit note " : "Invoice ") + row.number(),
                PaperPdf.day(row.date()) + ", your order " + String.join(", ", row.orders()),
                List.of(
                        Column.left("Order", 14),
                        Column.bold("Item", 14),
                        Column.left("", 38),
                        Column.right("Quantity", 12),
                        Column.right("Price", 11),
                        Column.right("Value", 12)),
                view.lines().stream()
                        .map(line -> List.of(
                                line.order() + " " + line.line(),
                                line.item(),
                                line.itemName() + below(directory, line, origins),
                                PaperPdf.quantity(line.quantity().abs(), line.unit()),
                                money(line.price(), false),
                                money(line.value(), credit)))
                        .toList(),
                foot));
    }

    private static boolean isCredit(CustomerInvoices.InvoiceOutView view) {
        return view.row().net() != null && view.row().net().signum() < 0;
    }

    private static String money(@Nullable BigDecimal amount, boolean credit) {
        return amount == null ? "" : (credit ? amount.negate() : amount).toPlainString();
    }

    @Nullable
    private static String address(Directory directory, String customer) {
        return directory
                .facts()
                .one(PartnerFacts.Customer.class, customer)
                .map(one -> one.contact().address())
                .orElse(null);
    }

    /** What a kit consisted of, the numbers of what went, and what these were made of. */
    private String below(Directory directory, CustomerInvoices.InvoiceOutLine line, boolean origins) {
        List<Movement> went = traced.shipped(line.order(), line.line());
        ItemFacts.Item item = directory.item(line.item());
        StringBuilder below = new StringBuilder();
        boolean kit = went.stream().anyMatch(one -> !one.bin().item().equals(line.item()));
        if (kit && item != null && Boolean.TRUE.equals(item.showParts())) {
            below.append("\n")
                    .append(went.stream()
                            .map(one -> directory.itemName(one.bin().item()))
                            .distinct()
                            .collect(Collectors.joining(", ")));
        }
        Set<Movement.Lot> lots = new LinkedHashSet<>();
        went.stream()
                .filter(one -> one.kind() == Movement.Kind.SHIPMENT)
                .map(one -> one.bin().ofLot())
                .filter(InvoicePaper::isNumbered)
                .forEach(lots::add);
        went.stream()
                .filter(one -> one.kind() == Movement.Kind.CUSTOMER_RETURN)
                .forEach(one -> lots.remove(one.bin().ofLot()));
        for (Movement.Lot lot : lots) {
            below.append("\n").append(named(lot, !lot.item().equals(line.item())));
            if (origins) {
                LotTrace.back(traced.record(), lot).stream()
                        .filter(step -> step.kind() == Movement.Kind.ISSUE && isNumbered(step.lot()))
                        .limit(MOST_ORIGINS)
                        .forEach(step -> below.append("\n")
                                .append("   ".repeat(step.depth() / 2 + 1))
                                .append(named(step.lot(), true)));
            }
        }
        return below.toString();
    }

    private static boolean isNumbered(Movement.Lot lot) {
        return !lot.lot().isEmpty() || !lot.serial().isEmpty();
    }

    private static String named(Movement.Lot lot, boolean withItem) {
        return (withItem ? lot.item() + " " : "")
                + (lot.serial().isEmpty() ? "lot " + lot.lot() : "no. " + lot.serial());
    }

    byte[] ubl(PlanVersion version, CustomerInvoices.InvoiceOutView view) {
        Directory directory = version.directory();
        String currency = directory.currency();
        CustomerInvoices.InvoiceOutRow row = view.row();
        boolean credit = isCredit(view);
        return UblDocument.of(credit ? "CreditNote" : "Invoice", row.number(), row.date(), xml -> {
            if (row.due() != null && !credit) {
                xml.text("DueDate", row.due().toString());
            }
            xml.text("Note", view.note()).text("DocumentCurrencyCode", currency);
            xml.open("OrderReference").text("ID", row.orders().get(0)).close();
            xml.party(
                    "AccountingSupplierParty",
                    version.company(),
                    directory.facts().setting("company_address"));
            xml.party("AccountingCustomerParty", row.customerName(), address(directory, row.customer()));
            if (view.tax() != null) {
                xml.open("TaxTotal")
                        .amount("TaxAmount", signed(view.tax(), credit), currency)
                        .close();
            }
            xml.open("LegalMonetaryTotal")
                    .amount("TaxExclusiveAmount", signed(row.net(), credit), currency)
                    .amount("TaxInclusiveAmount", signed(row.gross(), credit), currency)
                    .amount("PayableAmount", signed(row.gross(), credit), currency)
                    .close();
            int at = 1;
            for (CustomerInvoices.InvoiceOutLine line : view.lines()) {
                line(xml, line, at++, credit, currency);
            }
        });
    }

    private static BigDecimal signed(BigDecimal amount, boolean credit) {
        return credit ? amount.negate() : amount;
    }

    private void line(UblDocument xml, CustomerInvoices.InvoiceOutLine line, int at, boolean credit, String currency)
            throws XMLStreamException {
        xml.open(credit ? "CreditNoteLine" : "InvoiceLine").text("ID", Integer.toString(at));
        xml.quantity(credit ? "CreditedQuantity" : "InvoicedQuantity", signed(line.quantity(), credit), line.unit());
        xml.amount("LineExtensionAmount", signed(line.value(), credit), currency);
        xml.open("OrderLineReference")
                .text("LineID", line.line())
                .open("OrderReference")
                .text("ID", line.order())
                .close(2);
        xml.open("Item").text("Name", line.itemName());
        xml.open("SellersItemIdentification").text("ID", line.item()).close();
        for (Movement went : traced.shipped(line.order(), line.line())) {
            Movement.Lot lot = went.bin().ofLot();
            if (went.kind() == Movement.Kind.SHIPMENT && isNumbered(lot)) {
                xml.open("ItemInstance");
                if (!lot.serial().isEmpty()) {
                    xml.text("SerialID", lot.serial());
                } else {
                    xml.open("LotIdentification").text("LotNumberID", lot.lot()).close();
                }
                xml.close();
            }
        }
        xml.close();
        xml.open("Price")
                .amount("PriceAmount", line.price().stripTrailingZeros(), currency)
                .close(2);
    }
}
