package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.OrderFacts;

/** Purchase orders entered by hand. Cedar boards come by the bundle of 48 of HOLLIN, who takes orders of 250 and more. */
class BuyingTest extends ServerTest {
    private static String buy(String supplier, String lines) {
        return "{'kind':'BUY','supplier':'" + supplier
                + "','site':'LARKMOOR','due':'2027-01-15','note':'by lorry','lines':[" + lines + "]}";
    }

    private static String line(String item, String quantity, String more) {
        return "{'item':'" + item + "','quantity':" + quantity + more + "}";
    }

    private List<OrderFacts.OpenOrder> of(String number) {
        return live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", number);
    }

    /** Two bundles are 96 boards at the price of a bundle; held, as the site says, and taken back whole. */
    @Test
    void aBundleIsKeptByThePiece() throws Exception {
        Reply reply =
                decide("bram", buy("HOLLIN", line("CED-2400", "2", "") + "," + line("LIME-10", "50", ",'price':0.70")));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        String number = reply.body().get("orders").get(0).asText().split("~")[0];
        assertThat(number).startsWith("PO-");
        List<OrderFacts.OpenOrder> lines = of(number);
        assertThat(lines).hasSize(2);
        OrderFacts.OpenOrder boards = lines.stream()
                .filter(one -> one.item().equals("CED-2400"))
                .findFirst()
                .orElseThrow();
        assertThat(boards.quantity()).isEqualByComparingTo("96");
        assertThat(boards.unit()).isEqualTo("bundle");
        assertThat(boards.price()).isEqualByComparingTo("376.80");
        assertThat(boards.state()).isEqualTo("held");
        assertThat(boards.dueDate()).isEqualTo(LocalDate.parse("2027-01-15"));
        assertThat(lines).anySatisfy(one -> assertThat(one.price()).isEqualByComparingTo("0.70"));
        JsonNode page = get("bram", "/api/orders/one?number=" + number).body();
        assertThat(page.get("note").asText()).isEqualTo("by lorry");
        assertThat(page.get("lines").get(0).get("value").asDouble()).isEqualTo(753.60);
        undo("bram", reply);
        assertThat(of(number)).isEmpty();
    }

    /** What would be cheaper, fuller or usual is said before it is kept, and so is what the supplier does not take. */
    @Test
    void theBuyerIsTold() throws Exception {
        String small = consequence(buy("HOLLIN", line("LIME-10", "50", ",'price':0.80")))
                .get("remarks")
                .toString();
        assertThat(small)
                .contains("The usual price of LIME-10 is 0.72 a m")
                .contains("takes orders of 250 EUR and more: 210 are missing");
        String carton = consequence(buy("PARCELOW", line("CARTON-H", "148", "")))
                .get("remarks")
                .toString();
        assertThat(carton).contains("He sells CARTON-H by 50 pcs: 2 more are full");
        assertThat(consequence(buy("PARCELOW", line("CARTON-H", "60", "")))
                        .get("remarks")
                        .toString())
                .contains("The least he sells of CARTON-H is 100 pcs: 40 more");
        assertThat(consequence(buy("PARCELOW", line("BRG-6202", "60", "")))
                        .get("remarks")
                        .toString())
                .contains("has not offered BRG-6202 so far");
    }

    /** From a step of the price list on, each is cheaper. */
    @Test
    void theNextStepOfThePriceListIsSaid() throws Exception {
        Reply kept = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'supplier_items','key':{'supplier':'HOLLIN','item':'LIME-10',"
                        + "'from_quantity':'500','valid_from':''},'fields':{'unit':'m','price':'0.60'},'fresh':true}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        // 480 at 0.72 cost 345.60, and 500 at 0.60 cost 300
        assertThat(consequence(buy("HOLLIN", line("LIME-10", "480", "")))
                        .get("remarks")
                        .toString())
                .contains("20 m more of LIME-10, and each is at 0.6: 45.6 EUR less in all");
    }

    @Test
    void whatCannotBeIsSaidAtItsLine() throws Exception {
        JsonNode none = consequence(buy("HOLLIN", line("NOTHING-1", "5", "")));
        assertThat(none.get("refusals").toString()).contains("There is no item NOTHING-1");
        assertThat(consequence(buy("HOLLIN", line("KIT-BEGIN", "5", "")))
                        .get("refusals")
                        .toString())
                .contains("never on hand by itself");
        assertThat(consequence(buy("HOLLIN", line("LIME-10", "5", ",'due':'2020-01-01'")))
                        .get("refusals")
                        .toString())
                .contains("which is past");
        assertThat(decide("sven", buy("HOLLIN", line("LIME-10", "5", ""))).status())
                .isEqualTo(403);
        assertThat(decide("bram", buy("NOBODY", line("LIME-10", "5", ""))).status())
                .isEqualTo(422);
    }

    /** What was bought before stands there with its last price, and what the plan needs of him comes first. */
    @Test
    void whatWasBoughtBeforeIsOffered() throws Exception {
        JsonNode rows = get("bram", "/api/purchases/before?supplier=HOLLIN&site=LARKMOOR")
                .body();
        assertThat(rows.findValuesAsText("item")).contains("CED-2400", "LIME-10");
        boolean needing = true;
        for (JsonNode row : rows) {
            needing &= row.hasNonNull("needs");
            assertThat(needing || !row.hasNonNull("needs")).as(row.toString()).isTrue();
            if (row.get("item").asText().equals("CED-1800")) {
                assertThat(row.get("unit").asText()).isEqualTo("bundle");
                assertThat(row.get("lastPrice").decimalValue()).isEqualByComparingTo(new BigDecimal("283.20"));
                assertThat(row.get("times").asInt()).isGreaterThanOrEqualTo(3);
            }
        }
        assertThat(rows.get(0).hasNonNull("needs")).isTrue();
        assertThat(get("bram", "/api/purchases/before?supplier=NOBODY&site=LARKMOOR")
                        .status())
                .isEqualTo(404);
    }
}
