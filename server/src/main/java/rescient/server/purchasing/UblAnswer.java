package rescient.server.purchasing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;

/**
 * What a supplier answers to an order, as an OrderResponse of UBL 2.1 says it: when what comes. A line that comes in several
 * parts stands there several times.
 */
record UblAnswer(String order, List<Part> parts) {
    private static final String WHAT = "answer";

    /** @param quantity in the unit that was ordered */
    record Part(String line, BigDecimal quantity, LocalDate date) {}

    /** @throws rescient.server.platform.JobProblem 422 if it is none, or says too little */
    static UblAnswer read(byte[] document) {
        Ubl said = Ubl.read(WHAT, document, "OrderResponse");
        List<Part> parts = new ArrayList<>();
        for (Element line : Ubl.children(said.root(), "OrderLine")) {
            parts.add(new Part(
                    said.needed(line, "LineItem", "ID"),
                    said.number(line, "LineItem", "Quantity"),
                    said.day(line, "LineItem", "Delivery", "PromisedDeliveryPeriod", "EndDate")));
        }
        return new UblAnswer(said.needed(said.root(), "OrderReference", "ID"), parts);
    }
}
