package rescient.server.mail;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import rescient.server.platform.Nullable;

/** A document of UBL 2.1 (OASIS Universal Business Language) as it is written. */
public final class UblDocument {
    private static final String SCHEMA = "urn:oasis:names:specification:ubl:schema:xsd:";
    private static final String CBC = SCHEMA + "CommonBasicComponents-2";
    private static final String CAC = SCHEMA + "CommonAggregateComponents-2";

    private final XMLStreamWriter to;

    private UblDocument(XMLStreamWriter to) {
        this.to = to;
    }

    /** What stands in a document, in the order of its schema. */
    public interface Content {
        void write(UblDocument xml) throws XMLStreamException;
    }

    /**
     * A whole document.
     *
     * @param kind Order, OrderChange, OrderResponse, DespatchAdvice, Invoice or CreditNote
     */
    public static byte[] of(String kind, String number, LocalDate day, Content content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLStreamWriter writer =
                    XMLOutputFactory.newInstance().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            writer.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            writer.writeStartElement(kind);
            writer.writeDefaultNamespace(SCHEMA + kind + "-2");
            writer.writeNamespace("cac", CAC);
            writer.writeNamespace("cbc", CBC);
            UblDocument xml = new UblDocument(writer);
            xml.text("UBLVersionID", "2.1");
            xml.text("ID", number);
            xml.text("IssueDate", day.toString());
            content.write(xml);
            writer.writeEndElement();
            writer.writeEndDocument();
            writer.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("The document " + number + " cannot be written", e);
        }
        return out.toByteArray();
    }

    /** Begins an element that has others in it; as many are closed at the end. */
    public UblDocument open(String... names) throws XMLStreamException {
        for (String name : names) {
            to.writeStartElement("cac", name, CAC);
        }
        return this;
    }

    public void close(int elements) throws XMLStreamException {
        for (int i = 0; i < elements; i++) {
            to.writeEndElement();
        }
    }

    public void close() throws XMLStreamException {
        close(1);
    }

    /** @param text null: it is left out */
    public UblDocument text(String name, @Nullable String text) throws XMLStreamException {
        if (text != null) {
            to.writeStartElement("cbc", name, CBC);
            to.writeCharacters(text);
            to.writeEndElement();
        }
        return this;
    }

    public UblDocument quantity(String name, BigDecimal quantity, String unit) throws XMLStreamException {
        return with(name, "unitCode", unit, quantity.stripTrailingZeros());
    }

    /** As it is: amounts are rounded already, prices never are. */
    public UblDocument amount(String name, BigDecimal amount, String currency) throws XMLStreamException {
        return with(name, "currencyID", currency, amount);
    }

    private UblDocument with(String name, String attribute, String said, BigDecimal number) throws XMLStreamException {
        to.writeStartElement("cbc", name, CBC);
        to.writeAttribute(attribute, said);
        to.writeCharacters(number.toPlainString());
        to.writeEndElement();
        return this;
    }

    /** Who sends it or gets it. */
    public void party(String role, String name, @Nullable String address) throws XMLStreamException {
        open(role, "Party", "PartyName").text("Name", name).close();
        if (address != null) {
            open("PostalAddress");
            for (String part : address.split(", ")) {
                open("AddressLine").text("Line", part).close();
            }
            close();
        }
        close(2);
    }
}
