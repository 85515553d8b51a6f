package rescient.server.standin;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.w3c.dom.Element;
import rescient.server.purchasing.Ubl;

/** What a supplier is asked to change of an order: an OrderChange of UBL 2.1. */
record AskedChange(String number, List<Line> lines) {
    private static final int ALL = 100;

    /**
     * @param wanted the day that is asked for
     * @param promised the day that held so far
     * @param cancel it is not wanted any more
     */
    record Line(
            String line,
            String item,
            String name,
            BigDecimal quantity,
            String unit,
            LocalDate wanted,
            LocalDate promised,
            boolean cancel) {}

    static AskedChange read(byte[] document) {
        Ubl said = Ubl.read("change of an order", document, "OrderChange");
        List<Line> lines = new ArrayList<>();
        for (Element of : Ubl.children(said.root(), "OrderLine")) {
            Element item = Ubl.children(of, "LineItem").get(0);
            lines.add(new Line(
                    said.needed(item, "ID"),
                    said.needed(item, "Item", "BuyersItemIdentification", "ID"),
                    said.needed(item, "Item", "Name"),
                    said.number(item, "Quantity"),
                    Ubl.children(item, "Quantity").get(0).getAttribute("unitCode"),
                    said.day(item, "Delivery", "RequestedDeliveryPeriod", "EndDate"),
                    said.day(item, "Delivery", "PromisedDeliveryPeriod", "EndDate"),
                    "Cancelled".equals(Ubl.text(item, "LineStatusCode"))));
        }
        return new AskedChange(said.needed(said.root(), "OrderReference", "ID"), lines);
    }

    /**
     * What he answers: as often as he comes late he does not agree, by the same seed always the same.
     *
     * @param cancellable nothing of the order is on its way
     */
    List<Line> answers(Habits habits, boolean cancellable) {
        return lines.stream()
                .map(line -> {
                    Random random = new Random(habits.seed * 31 + (number + "\0change\0" + line.line).hashCode());
                    // neighbouring seeds begin alike
                    random.nextInt();
                    boolean agrees = random.nextInt(ALL) >= habits.latePercent && (!line.cancel || cancellable);
                    return agrees
                            ? new Line(
                                    line.line,
                                    line.item,
                                    line.name,
                                    line.cancel ? BigDecimal.ZERO : line.quantity,
                                    line.unit,
                                    line.wanted,
                                    line.wanted,
                                    line.cancel)
                            : new Line(
                                    line.line,
                                    line.item,
                                    line.name,
                                    line.quantity,
                                    line.unit,
                                    line.wanted,
                                    line.promised,
                                    false);
                })
                .toList();
    }
}
