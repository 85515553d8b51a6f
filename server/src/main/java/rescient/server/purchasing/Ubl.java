package rescient.server.purchasing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.springframework.http.HttpStatus;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * A document of UBL 2.1 (OASIS Universal Business Language) as it is read.
 *
 * @param what it is called where it cannot be read
 */
public record Ubl(String what, Element root) {
    private static final String SCHEMA = "urn:oasis:names:specification:ubl:schema:xsd:";
    /** Before and after the point, at most. */
    private static final int DIGITS = 15;

    private static final int LONGEST = 40;

    /**
     * @param kind of the document: Order, Invoice …
     * @throws JobProblem 422 if it is none
     */
    public static Ubl read(String what, byte[] document, String kind) {
        Element root = root(what, document);
        if (!(SCHEMA + kind + "-2").equals(root.getNamespaceURI())
                || !root.getLocalName().equals(kind)) {
            throw unreadable(what, "it is no " + kind + " of UBL 2.1");
        }
        return new Ubl(what, root);
    }

    /** What kind of document it is, by its outermost name. */
    static String kind(String what, byte[] document) {
        return root(what, document).getLocalName();
    }

    private static Element root(String what, byte[] document) {
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
            throw unreadable(what, "it is no XML document");
        } catch (IOException | ParserConfigurationException e) {
            throw new IllegalStateException("A document cannot be read", e);
        }
    }

    static JobProblem unreadable(String what, String why) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The " + what + " cannot be read: " + why);
    }

    public static List<Element> children(Element of, String name) {
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
    public static String text(Element from, String... way) {
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

    /** The same, which has to be there. */
    public String needed(Element from, String... way) {
        String text = text(from, way);
        if (text == null) {
            throw unreadable(what, "it has no " + way[way.length - 1]);
        }
        return text;
    }

    public BigDecimal number(Element from, String... way) {
        String text = needed(from, way);
        String name = way[way.length - 1];
        try {
            if (text.length() > LONGEST) {
                throw unreadable(what, name + " is no number");
            }
            BigDecimal value = new BigDecimal(text);
            if (Math.abs(value.scale()) > DIGITS || value.precision() > 2 * DIGITS) {
                throw unreadable(what, name + " is beyond what is usual");
            }
            return value;
        } catch (NumberFormatException e) {
            throw unreadable(what, name + " \"" + text + "\" is no number");
        }
    }

    public LocalDate day(Element from, String... way) {
        String text = needed(from, way);
        try {
            return LocalDate.parse(text);
        } catch (DateTimeException e) {
            throw unreadable(
                    what, "\"" + (text.length() > LONGEST ? text.substring(0, LONGEST) : text) + "\" is no day");
        }
    }
}
