package rescient.server.standin;

import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javax.xml.stream.XMLStreamException;
import rescient.server.mail.UblDocument;

/** What suppliers send, as documents of UBL 2.1 (OASIS Universal Business Language). */
final class SupplierPapers {
    private static final int CENTS = 2;
    private static final int DAYS_TO_PAY = 30;

    private final ReceivedOrder order;
    private final Map<String, Conduct> conduct;
    private final LocalDate today;

    /** @param conduct by line */
    SupplierPapers(ReceivedOrder order, Map<String, Conduct> conduct, LocalDate today) {
        this.order = order;
        this.conduct = conduct;
        this.today = today;
    }

    /** So many deliveries there are: the second brings what does not come at once. */
    int deliveries() {
        return conduct.values().stream()
                .mapToInt(one -> one.parts().size())
                .max()
                .orElse(0);
    }

    byte[] answer() {
        return document("OrderResponse", "A-" + order.number(), xml -> {
            xml.open("OrderReference");
            xml.text("ID", order.number());
            xml.close();
            for (ReceivedOrder.Line line : order.lines()) {
                for (Conduct.Part part : conduct.get(line.line()).parts()) {
                    xml.open("OrderLine");
                    xml.open("LineItem");
                    xml.text("ID", line.line());
                    xml.quantity("Quantity", part.quantity(), line.unit());
                    xml.open("Delivery");
                    xml.open("PromisedDeliveryPeriod");
                    xml.text("EndDate", part.date().toString());
                    xml.close();
                    xml.close();
                    item(xml, line);
                    xml.close();
                    xml.close();
                }
            }
        });
    }

    /** What he says to what he was asked to change. */
    static byte[] answer(String number, List<AskedChange.Line> answers, LocalDate today) {
        return UblDocument.of("OrderResponse", "C-" + number, today, xml -> {
            xml.open("OrderReference");
            xml.text("ID", number);
            xml.close();
            for (AskedChange.Line line : answers) {
                xml.open("OrderLine");
                xml.open("LineItem");
                xml.text("ID", line.line());
                if (line.cancel()) {
                    xml.text("LineStatusCode", "Cancelled");
                }
                xml.quantity("Quantity", line.quantity(), line.unit());
                xml.open("Delivery");
                xml.open("PromisedDeliveryPeriod");
                xml.text("EndDate", line.promised().toString());
                xml.close();
                xml.close();
                xml.open("Item");
                xml.text("Name", line.name());
                xml.open("BuyersItemIdentification");
                xml.text("ID", line.item());
                xml.close();
                xml.close();
                xml.close();
                xml.close();
            }
        });
    }

    /** @param turn the first delivery is 0 */
    byte[] dispatch(int turn) {
        return document("DespatchAdvice", "D-" + order.number() + "-" + (turn + 1), xml -> {
            xml.open("OrderReference");
            xml.text("ID", order.number());
            xml.close();
            int at = 1;
            for (ReceivedOrder.Line line : order.lines()) {
                List<Conduct.Part> parts = conduct.get(line.line()).parts();
                if (turn >= parts.size()) {
                    continue;
                }
                xml.open("DespatchLine");
                xml.text("ID", Integer.toString(at++));
                xml.quantity("DeliveredQuantity", parts.get(turn).quantity(), line.unit());
                xml.open("OrderLineReference");
                xml.text("LineID", line.line());
                xml.close();
                xml.open("Item");
                xml.text("Name", line.name());
                xml.open("BuyersItemIdentification");
                xml.text("ID", line.item());
                xml.close();
                if (line.tracked()) {
                    for (String serial : serials(line, turn)) {
                        xml.open("ItemInstance");
                        xml.text("SerialID", serial);
                        xml.close();
                    }
                    xml.close();
                    xml.close();
                    continue;
                }
                xml.open("ItemInstance");
                xml.open("LotIdentification");
                xml.text("LotNumberID", lot(turn));
                xml.text("ExpiryDate", today.plusYears(1).toString());
                xml.close();
                xml.close();
                xml.close();
                xml.close();
            }
        });
    }

    /** One for each piece, and none twice in all deliveries of the order. */
    private List<String> serials(ReceivedOrder.Line line, int turn) {
        List<Conduct.Part> parts = conduct.get(line.line()).parts();
        int before = parts.subList(0, turn).stream()
                .mapToInt(part -> part.quantity().intValue())
                .sum();
        return IntStream.range(0, parts.get(turn).quantity().intValue())
                .mapToObj(i -> "N" + order.number().replaceAll("\\D", "") + "-" + line.line() + "-" + (before + i + 1))
                .toList();
    }

    private String lot(int turn) {
        return "K" + today.getYear() % 100 + "-" + order.number().replaceAll("\\D", "")
                + (turn == 0 ? "" : "-" + (turn + 1));
    }

    /** @param code under which the company keeps the supplier is not known to him: he says his name */
    byte[] invoice() {
        return document("Invoice", "R-" + order.number(), xml -> {
            xml.text("DueDate", today.plusDays(DAYS_TO_PAY).toString());
            xml.text("DocumentCurrencyCode", order.currency());
            xml.open("OrderReference");
            xml.text("ID", order.number());
            xml.close();
            xml.open("AccountingSupplierParty");
            xml.open("Party");
            xml.open("PartyName");
            xml.text("Name", order.seller() == null ? "" : order.seller());
            xml.close();
            xml.close();
            xml.close();
            int at = 1;
            for (ReceivedOrder.Line line : order.lines()) {
                Conduct of = conduct.get(line.line());
                if (of.price() == null) {
                    continue;
                }
                for (Conduct.Part part : of.parts()) {
                    xml.open("InvoiceLine");
                    xml.text("ID", Integer.toString(at++));
                    xml.quantity("InvoicedQuantity", part.quantity(), line.unit());
                    xml.amount(
                            "LineExtensionAmount",
                            part.quantity().multiply(of.price()).setScale(CENTS, RoundingMode.HALF_UP),
                            order.currency());
                    xml.open("OrderLineReference");
                    // what came in parts has another line on the other side
                    if (of.parts().size() == 1) {
                        xml.text("LineID", line.line());
                    }
                    xml.open("OrderReference");
                    xml.text("ID", order.number());
                    xml.close();
                    xml.close();
                    item(xml, line);
                    xml.open("Price");
                    xml.amount("PriceAmount", of.price().stripTrailingZeros(), order.currency());
                    xml.close();
                    xml.close();
                }
            }
        });
    }

    private static void item(UblDocument xml, ReceivedOrder.Line line) throws XMLStreamException {
        xml.open("Item");
        xml.text("Name", line.name());
        xml.open("BuyersItemIdentification");
        xml.text("ID", line.item());
        xml.close();
        xml.close();
    }

    private byte[] document(String kind, String number, UblDocument.Content content) {
        return UblDocument.of(kind, number, today, content);
    }
}
