package rescient.server.purchasing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.stream.XMLStreamException;
import rescient.core.company.ItemFacts;
import rescient.core.company.PartnerFacts;
import rescient.dataset.Row;
import rescient.server.mail.LetterPdf;
import rescient.server.mail.UblDocument;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * A purchase order as its supplier gets it, or what he is asked to change of it: for people as a PDF, for machines as an Order
 * or OrderChange of UBL 2.1 (OASIS Universal Business Language).
 *
 * @param lines rows of open orders, at least one
 * @param asked of lines, by name; empty: it is the order itself
 */
record PurchaseDocument(
        PlanVersion version,
        String number,
        List<Row> lines,
        @Nullable String note,
        Map<String, ChangeRequest> asked) {
    PartnerFacts.Supplier supplier() {
        return version.directory()
                .facts()
                .one(PartnerFacts.Supplier.class, lines.get(0).text("supplier", ""))
                .orElse(null);
    }

    private static LocalDate day(Row line) {
        return line.date("confirmed_date") == null ? line.date("due_date") : line.date("confirmed_date");
    }

    private String supplierName() {
        return version.directory().supplierName(lines.get(0).text("supplier"));
    }

    private String supplierAddress() {
        PartnerFacts.Supplier supplier = supplier();
        return supplier == null ? null : supplier.contact().address();
    }

    byte[] pdf() {
        Directory directory = version.directory();
        String site = lines.get(0).text("site");
        String address = directory.facts().row("sites", site).text("address");
        String goesTo =
                "To be delivered to " + directory.siteName(site) + (address == null ? "" : ", " + address) + ".";
        return LetterPdf.of(new LetterPdf.Letter(
                version.company(),
                directory.facts().setting("company_address"),
                supplierName()
                        + (supplierAddress() == null
                                ? ""
                                : "\n" + supplierAddress().replace(", ", "\n")),
                asked.isEmpty() ? "Purchase order" : "Change of purchase order",
                "Due on",
                asked.isEmpty() ? ordering(goesTo) : "Please tell us whether this can be.",
                number,
                null,
                version.today(),
                directory.currency(),
                false,
                lines.stream().map(line -> line(directory, line)).toList()));
    }

    private String ordering(String goesTo) {
        PartnerFacts.Supplier supplier = supplier();
        return Stream.of(goesTo, note, supplier == null ? null : supplier.orderText())
                .filter(text -> text != null && !text.isBlank())
                .collect(Collectors.joining("\n"));
    }

    /** On what terms it is bought: of the supplier's offers the one at the least quantity. */
    @Nullable
    private PartnerFacts.SupplierItem offer(Row line) {
        return version.directory().facts().where(PartnerFacts.SupplierItem.class, "item", line.text("item")).stream()
                .filter(one -> one.supplier().equals(line.text("supplier")) && one.holdsOn(version.today()))
                .min(Comparator.comparing(PartnerFacts.SupplierItem::fromQuantity))
                .orElse(null);
    }

    /** What stands below a line: what the supplier calls it, what is asked of him, and what is always printed. */
    @Nullable
    private String below(Row line) {
        ChangeRequest request = asked.get(line.text("line"));
        PartnerFacts.SupplierItem offer = offer(line);
        String text = Stream.of(
                        offer == null || offer.supplierCode() == null ? null : "your " + offer.supplierCode(),
                        request == null ? null : request.sentence(day(line)),
                        offer == null || !asked.isEmpty() ? null : offer.orderText())
                .filter(one -> one != null && !one.isBlank())
                .collect(Collectors.joining("\n"));
        return text.isEmpty() ? null : text;
    }

    /** The day that is wanted of him. */
    private LocalDate wanted(Row line) {
        ChangeRequest request = asked.get(line.text("line"));
        return request == null || request.due() == null ? day(line) : request.due();
    }

    private LetterPdf.Line line(Directory directory, Row line) {
        OrderValue worth = OrderValue.of(directory, line);
        return new LetterPdf.Line(
                line.text("line"),
                line.text("item"),
                directory.itemName(line.text("item")),
                worth.units(),
                worth.unit(),
                worth.price(),
                wanted(line),
                true,
                below(line));
    }

    byte[] ubl() {
        Directory directory = version.directory();
        return UblDocument.of(asked.isEmpty() ? "Order" : "OrderChange", number, version.today(), xml -> {
            if (asked.isEmpty()) {
                xml.text("Note", note);
            }
            xml.text("DocumentCurrencyCode", directory.currency());
            if (!asked.isEmpty()) {
                xml.open("OrderReference").text("ID", number).close();
            }
            xml.party("BuyerCustomerParty", version.company(), directory.facts().setting("company_address"));
            xml.party("SellerSupplierParty", supplierName(), supplierAddress());
            BigDecimal total = total();
            if (total != null) {
                xml.open("AnticipatedMonetaryTotal")
                        .amount("PayableAmount", total, directory.currency())
                        .close();
            }
            for (Row line : lines) {
                line(xml, line);
            }
        });
    }

    /** Null: of some line nobody knows what it costs. */
    @Nullable
    private BigDecimal total() {
        BigDecimal sum = BigDecimal.ZERO;
        for (Row line : lines) {
            BigDecimal value = OrderValue.of(version.directory(), line).value();
            if (value == null) {
                return null;
            }
            sum = sum.add(value.setScale(2, RoundingMode.HALF_UP));
        }
        return sum;
    }

    private void line(UblDocument xml, Row line) throws XMLStreamException {
        Directory directory = version.directory();
        OrderValue worth = OrderValue.of(directory, line);
        ChangeRequest request = asked.get(line.text("line"));
        xml.open("OrderLine", "LineItem").text("ID", line.text("line"));
        if (request != null) {
            xml.text("LineStatusCode", request.isCancel() ? "Cancelled" : "Changed");
        }
        xml.quantity("Quantity", worth.units(), worth.unit());
        if (worth.value() != null) {
            xml.amount("LineExtensionAmount", worth.value().setScale(2, RoundingMode.HALF_UP), directory.currency());
        }
        xml.open("Delivery", "RequestedDeliveryPeriod")
                .text("EndDate", wanted(line).toString())
                .close();
        if (request != null) {
            xml.open("PromisedDeliveryPeriod")
                    .text("EndDate", day(line).toString())
                    .close();
        }
        xml.close();
        if (worth.price() != null) {
            xml.open("Price")
                    .amount("PriceAmount", worth.price().stripTrailingZeros(), directory.currency())
                    .close();
        }
        PartnerFacts.SupplierItem offer = offer(line);
        ItemFacts.Tracking tracking = directory.item(line.text("item")).tracking();
        xml.open("Item").text("Name", directory.itemName(line.text("item")));
        xml.open("BuyersItemIdentification").text("ID", line.text("item")).close();
        if (offer != null && offer.supplierCode() != null) {
            xml.open("SellersItemIdentification")
                    .text("ID", offer.supplierCode())
                    .close();
        }
        if (tracking != null && tracking != ItemFacts.Tracking.NONE) {
            // what his delivery note should say of it
            xml.open("AdditionalItemProperty")
                    .text("Name", "tracking")
                    .text("Value", Words.word(tracking))
                    .close();
        }
        xml.close(3);
    }
}
