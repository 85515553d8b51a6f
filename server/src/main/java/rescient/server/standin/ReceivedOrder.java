package rescient.server.standin;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;
import rescient.server.platform.Nullable;
import rescient.server.purchasing.Ubl;

/** An order as a supplier gets it: an Order of UBL 2.1. */
record ReceivedOrder(
        String number, String currency, @Nullable String seller, List<Line> lines) {
    /**
     * @param price of one unit; null: none was agreed
     * @param tracked of single pieces the numbers are to be told
     */
    record Line(
            String line,
            String item,
            String name,
            BigDecimal quantity,
            String unit,
            @Nullable BigDecimal price,
            LocalDate due,
            boolean tracked) {}

    static ReceivedOrder read(byte[] document) {
        Ubl said = Ubl.read("order", document, "Order");
        List<Line> lines = new ArrayList<>();
        for (Element of : Ubl.children(said.root(), "OrderLine")) {
            Element item = Ubl.children(of, "LineItem").get(0);
            String unit = Ubl.children(item, "Quantity").get(0).getAttribute("unitCode");
            lines.add(new Line(
                    said.needed(item, "ID"),
                    said.needed(item, "Item", "BuyersItemIdentification", "ID"),
                    said.needed(item, "Item", "Name"),
                    said.number(item, "Quantity"),
                    unit,
                    Ubl.text(item, "Price", "PriceAmount") == null ? null : said.number(item, "Price", "PriceAmount"),
                    said.day(item, "Delivery", "RequestedDeliveryPeriod", "EndDate"),
                    "serial".equals(Ubl.text(item, "Item", "AdditionalItemProperty", "Value"))));
        }
        return new ReceivedOrder(
                said.needed(said.root(), "ID"),
                said.needed(said.root(), "DocumentCurrencyCode"),
                Ubl.text(said.root(), "SellerSupplierParty", "Party", "PartyName", "Name"),
                lines);
    }
}
