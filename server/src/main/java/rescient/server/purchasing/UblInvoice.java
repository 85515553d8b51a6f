package rescient.server.purchasing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;
import rescient.core.order.InvoiceMatch;
import rescient.server.platform.Nullable;

/**
 * What an Invoice or a CreditNote of UBL 2.1 (OASIS Universal Business Language) says of what is charged.
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
    /** @param quantity and price as it says them, whatever the unit; of a credit note below 0 */
    record Charge(InvoiceMatch.Named named, BigDecimal quantity, BigDecimal price) {}

    private static final String WHAT = "invoice";
    private static final String CREDIT = "CreditNote";

    /** Of a price, as they are kept. */
    private static final int DECIMALS = 6;

    /** @throws rescient.server.platform.JobProblem 422 if it is none, or says too little */
    static UblInvoice read(byte[] document) {
        boolean credit = Ubl.kind(WHAT, document).equals(CREDIT);
        Ubl said = Ubl.read(WHAT, document, credit ? CREDIT : "Invoice");
        Element root = said.root();
        String order = Ubl.text(root, "OrderReference", "ID");
        List<Charge> lines = new ArrayList<>();
        for (Element line : Ubl.children(root, credit ? "CreditNoteLine" : "InvoiceLine")) {
            String own = Ubl.text(line, "OrderLineReference", "OrderReference", "ID");
            BigDecimal quantity = said.number(line, credit ? "CreditedQuantity" : "InvoicedQuantity");
            BigDecimal price = said.number(line, "Price", "PriceAmount");
            BigDecimal per = Ubl.text(line, "Price", "BaseQuantity") == null
                    ? BigDecimal.ONE
                    : said.number(line, "Price", "BaseQuantity");
            lines.add(new Charge(
                    new InvoiceMatch.Named(
                            own == null ? order : own,
                            Ubl.text(line, "OrderLineReference", "LineID"),
                            Ubl.text(line, "Item", "BuyersItemIdentification", "ID")),
                    credit ? quantity.negate() : quantity,
                    per.signum() > 0 && per.compareTo(BigDecimal.ONE) != 0
                            ? price.divide(per, DECIMALS, RoundingMode.HALF_UP)
                            : price));
        }
        if (lines.isEmpty()) {
            throw Ubl.unreadable(WHAT, "it charges nothing");
        }
        return new UblInvoice(
                Ubl.text(root, "AccountingSupplierParty", "CustomerAssignedAccountID"),
                Ubl.text(root, "AccountingSupplierParty", "Party", "PartyName", "Name"),
                said.needed(root, "ID"),
                said.day(root, "IssueDate"),
                Ubl.text(root, "DueDate") == null ? null : said.day(root, "DueDate"),
                lines);
    }
}
