package rescient.server.purchasing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.springframework.http.HttpStatus;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;
import rescient.core.order.InvoiceMatch;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * What an Invoice of UBL 2.1 (OASIS Universal Business Language) says of what is charged.
 *
 * @param senderCode under which we keep the sender, if it says so
 */
record UblInvoice(
        @Nullable String senderCode,
        @Nullable String senderName,
        String number,
        LocalDate date,
        @Nullable LocalDate due,
        List<Charge> lines) {
    /** @param quantity and price as it says them, whatever the unit */
    record Charge(InvoiceMatch.Named named, BigDecimal quantity, BigDecimal price) {}

    private static final String INVOICE = "urn:oasis:names:specification:ubl:schema:xsd:Invoice-2";

    /** Before and after the point, at most. */
    private static final int DIGITS = 15;

    /** Of a price, as they are kept. */
    private static final int DECIMALS = 6;

    /** @throws JobProblem 422 if it is none, or says too little */
    static UblInvoice read(byte[] document) {
        Element root = root(document);
        if (!INVOICE.equals(root.getNamespaceURI()) || !root.getLocalName().equals("Invoice")) {
            throw unreadable("it is no Invoice of UBL 2.1");
        }
        String order = text(root, "OrderReference", "ID");
        List<Charge> lines = new ArrayList<>();
        for (Element line : children(root, "InvoiceLine")) {
            String own = text(line, "OrderLineReference", "OrderReference", "ID");
            BigDecimal quantity = number(line, "InvoicedQuantity");
            BigDecimal price = number(line, "Price", "PriceAmount");
            BigDecimal per = text(line, "Price", "BaseQuantity") == null
                    ? BigDecimal.ONE
                    : number(line, "Price", "BaseQuantity");
            lines.add(new Charge(
                    new InvoiceMatch.Named(
                            own == null ? order : own,
                            text(line, "OrderLineReference", "LineID"),
                            text(line, "Item", "BuyersItemIdentification", "ID")),
                    quantity,
                    per.signum() > 0 && per.compareTo(BigDecimal.ONE) != 0
                            ? price.divide(per, DECIMALS, RoundingMode.HALF_UP)
                            : price));
        }
        if (lines.isEmpty()) {
            throw unreadable("it charges nothing");
        }
        return new UblInvoice(
                text(root, "AccountingSupplierParty", "CustomerAssignedAccountID"),
                text(root, "AccountingSupplierParty", "Party", "PartyName", "Name"),
                said(root, Function.identity(), "ID"),
                said(root, UblInvoice::day, "IssueDate"),
                text(root, "DueDate") == null ? null : day(text(root, "DueDate")),
                lines);
    }

    private static Element root(byte[] document) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            // nothing from outside, and nothing that grows
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder.parse(new ByteArrayInputStream(document)).getDocumentElement();
        } catch (SAXException e) {
            throw unreadable("it is no XML document");
        } catch (IOException | ParserConfigurationException e) {
            throw new IllegalStateException("An invoice cannot be read", e);
        }
    }

    private static JobProblem unreadable(String why) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The invoice cannot be read: " + why);
    }

    private static List<Element> children(Element of, String name) {
        List<Element> found = new ArrayList<>();
        for (Node node = of.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element child && name.equals(child.getLocalName())) {
                found.add(child);
            }
        }
        return found;
    }

    /** What stands at the end of a way of names; null: nothing. */
    @Nullable
    private static String text(Element from, String... way) {
        Element at = from;
        for (String name : way) {
            List<Element> next = children(at, name);
            if (next.isEmpty()) {
                return null;
            }
            at = next.get(0);
        }
        String text = at.getTextContent().strip();
        return text.isEmpty() ? null : text;
    }

    private static <T> T said(Element from, Function<String, T> as, String... way) {
        String text = text(from, way);
        if (text == null) {
            throw unreadable("it has no " + way[way.length - 1]);
        }
        return as.apply(text);
    }

    private static BigDecimal number(Element from, String... way) {
        return said(
                from,
                text -> {
                    try {
                        if (text.length() > 40) {
                            throw unreadable(way[way.length - 1] + " is no number");
                        }
                        BigDecimal value = new BigDecimal(text);
                        if (Math.abs(value.scale()) > DIGITS || value.precision() > 2 * DIGITS) {
                            throw unreadable(way[way.length - 1] + " is beyond what is usual");
                        }
                        return value;
                    } catch (NumberFormatException e) {
                        throw unreadable(way[way.length - 1] + " \"" + text + "\" is no number");
                    }
                },
                way);
    }

    private static LocalDate day(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeException e) {
            throw unreadable("\"" + (text.length() > 40 ? text.substring(0, 40) : text) + "\" is no day");
        }
    }
}
