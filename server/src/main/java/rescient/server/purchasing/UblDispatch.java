package rescient.server.purchasing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.w3c.dom.Element;
import rescient.server.platform.Nullable;

/** What a supplier has sent, as a DespatchAdvice of UBL 2.1 says it. */
record UblDispatch(String number, String order, List<Part> parts) {
    private static final String WHAT = "delivery note";

    /**
     * @param quantity in the unit that was ordered
     * @param expiry the last day of its use; null: it does not say
     * @param serials of single pieces, if they have any
     */
    record Part(
            String line,
            BigDecimal quantity,
            @Nullable String lot,
            @Nullable LocalDate expiry,
            List<String> serials) {}

    /** @throws rescient.server.platform.JobProblem 422 if it is none, or says too little */
    static UblDispatch read(byte[] document) {
        Ubl said = Ubl.read(WHAT, document, "DespatchAdvice");
        List<Part> parts = new ArrayList<>();
        for (Element line : Ubl.children(said.root(), "DespatchLine")) {
            String[] expires = {"Item", "ItemInstance", "LotIdentification", "ExpiryDate"};
            parts.add(new Part(
                    said.needed(line, "OrderLineReference", "LineID"),
                    said.number(line, "DeliveredQuantity"),
                    Ubl.text(line, "Item", "ItemInstance", "LotIdentification", "LotNumberID"),
                    Ubl.text(line, expires) == null ? null : said.day(line, expires),
                    Ubl.children(line, "Item").stream()
                            .flatMap(item -> Ubl.children(item, "ItemInstance").stream())
                            .map(one -> Ubl.text(one, "SerialID"))
                            .filter(Objects::nonNull)
                            .toList()));
        }
        return new UblDispatch(said.needed(said.root(), "ID"), said.needed(said.root(), "OrderReference", "ID"), parts);
    }
}
