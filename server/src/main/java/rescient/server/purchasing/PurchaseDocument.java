package rescient.server.purchasing;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import rescient.core.company.Fact;
import rescient.dataset.Row;
import rescient.server.mail.LetterPdf;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;

/**
 * A purchase order as its supplier gets it: for people as a PDF, for machines as an Order of UBL 2.1 (OASIS Universal
 * Business Language).
 *
 * @param lines rows of open orders, at least one
 */
record PurchaseDocument(
        PlanVersion version,
        String number,
        List<Row> lines,
        @Nullable String note) {
    private static final String CBC = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";
    private static final String CAC = "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";
    private static final String ORDER = "urn:oasis:names:specification:ubl:schema:xsd:Order-2";

    Fact.Supplier supplier() {
        return version.directory()
                .facts()
                .one(Fact.Supplier.class, lines.get(0).text("supplier", ""))
                .orElse(null);
    }

    private static LocalDate day(Row line) {
        return line.date("confirmed_date") == null ? line.date("due_date") : line.date("confirmed_date");
    }

    private String supplierName() {
        return version.directory().supplierName(lines.get(0).text("supplier"));
    }

    private String supplierAddress() {
        Fact.Supplier supplier = supplier();
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
                "Purchase order",
                "Due on",
                goesTo + (note == null ? "" : "\n" + note),
                number,
                null,
                version.today(),
                directory.currency(),
                false,
                lines.stream().map(line -> line(directory, line)).toList()));
    }

    private static LetterPdf.Line line(Directory directory, Row line) {
        OrderValue worth = OrderValue.of(directory, line);
        return new LetterPdf.Line(
                line.text("line"),
                line.text("item"),
                directory.itemName(line.text("item")),
                worth.units(),
                worth.unit(),
                worth.price(),
                day(line),
                true,
                null);
    }

    byte[] ubl() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLStreamWriter xml =
                    XMLOutputFactory.newInstance().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            xml.writeStartElement("Order");
            xml.writeDefaultNamespace(ORDER);
            xml.writeNamespace("cac", CAC);
            xml.writeNamespace("cbc", CBC);
            text(xml, "UBLVersionID", "2.1");
            text(xml, "ID", number);
            text(xml, "IssueDate", version.today().toString());
            if (note != null) {
                text(xml, "Note", note);
            }
            text(xml, "DocumentCurrencyCode", version.directory().currency());
            party(
                    xml,
                    "BuyerCustomerParty",
                    version.company(),
                    version.directory().facts().setting("company_address"));
            party(xml, "SellerSupplierParty", supplierName(), supplierAddress());
            total(xml);
            for (Row line : lines) {
                line(xml, line);
            }
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("The order " + number + " cannot be written", e);
        }
        return out.toByteArray();
    }

    private static void text(XMLStreamWriter xml, String name, String text) throws XMLStreamException {
        xml.writeStartElement("cbc", name, CBC);
        xml.writeCharacters(text);
        xml.writeEndElement();
    }

    private static void open(XMLStreamWriter xml, String name) throws XMLStreamException {
        xml.writeStartElement("cac", name, CAC);
    }

    private static void party(XMLStreamWriter xml, String role, String name, @Nullable String address)
            throws XMLStreamException {
        open(xml, role);
        open(xml, "Party");
        open(xml, "PartyName");
        text(xml, "Name", name);
        xml.writeEndElement();
        if (address != null) {
            open(xml, "PostalAddress");
            for (String part : address.split(", ")) {
                open(xml, "AddressLine");
                text(xml, "Line", part);
                xml.writeEndElement();
            }
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private void amount(XMLStreamWriter xml, String name, BigDecimal value) throws XMLStreamException {
        xml.writeStartElement("cbc", name, CBC);
        xml.writeAttribute("currencyID", version.directory().currency());
        xml.writeCharacters(value.setScale(2, RoundingMode.HALF_UP).toPlainString());
        xml.writeEndElement();
    }

    private void total(XMLStreamWriter xml) throws XMLStreamException {
        BigDecimal sum = BigDecimal.ZERO;
        for (Row line : lines) {
            BigDecimal value = OrderValue.of(version.directory(), line).value();
            if (value == null) {
                return;
            }
            sum = sum.add(value.setScale(2, RoundingMode.HALF_UP));
        }
        open(xml, "AnticipatedMonetaryTotal");
        amount(xml, "PayableAmount", sum);
        xml.writeEndElement();
    }

    private void line(XMLStreamWriter xml, Row line) throws XMLStreamException {
        OrderValue worth = OrderValue.of(version.directory(), line);
        open(xml, "OrderLine");
        open(xml, "LineItem");
        text(xml, "ID", line.text("line"));
        xml.writeStartElement("cbc", "Quantity", CBC);
        xml.writeAttribute("unitCode", worth.unit());
        xml.writeCharacters(worth.units().stripTrailingZeros().toPlainString());
        xml.writeEndElement();
        if (worth.value() != null) {
            amount(xml, "LineExtensionAmount", worth.value());
        }
        open(xml, "Delivery");
        open(xml, "RequestedDeliveryPeriod");
        text(xml, "EndDate", day(line).toString());
        xml.writeEndElement();
        xml.writeEndElement();
        if (worth.price() != null) {
            open(xml, "Price");
            xml.writeStartElement("cbc", "PriceAmount", CBC);
            xml.writeAttribute("currencyID", version.directory().currency());
            xml.writeCharacters(worth.price().stripTrailingZeros().toPlainString());
            xml.writeEndElement();
            xml.writeEndElement();
        }
        open(xml, "Item");
        text(xml, "Name", version.directory().itemName(line.text("item")));
        open(xml, "BuyersItemIdentification");
        text(xml, "ID", line.text("item"));
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndElement();
    }
}
