package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import rescient.core.company.StockFacts;

/** Tests of lots: what lies outside its limits is set aside, and so is what comes of it later. */
class LotTestsTest extends ServerTest {
    private static String test(String item, String lot, String value, String upper) {
        return "{'lines':[],'test':{'item':'" + item + "','lot':'" + lot + "','name':'moisture','value':" + value
                + ",'unit':'%','upper':" + upper + "}}";
    }

    private Reply postStock(String login, String wish) throws Exception {
        Reply reply = post(login, "/api/stock/postings", UUID.randomUUID(), wish);
        knowing();
        return reply;
    }

    private BigDecimal lying(String item, String lot, boolean quarantined) {
        return live.current().directory().facts().where(StockFacts.Stock.class, "item", item).stream()
                .filter(bin -> lot.equals(bin.lot()) && Boolean.TRUE.equals(bin.quarantined()) == quarantined)
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private JsonNode page(String item, String lot) throws Exception {
        return get("stella", "/api/stock/lot?item=" + item + "&lot=" + lot).body();
    }

    /** 70 of the lot lie here: outside its limits all are set aside, and taken back they are free again. */
    @Test
    void outsideItsLimitsAllOfItIsSetAside() throws Exception {
        JsonNode before = post("stella", "/api/stock/preview", UUID.randomUUID(), test("SYRUP-5", "S-2605", "21", "18"))
                .body();
        assertThat(before.get("failed").asBoolean()).isTrue();
        assertThat(before.get("movements")).hasSize(2);
        assertThat(page("SYRUP-5", "S-2605").get("tests")).isEmpty();

        Reply done = postStock("stella", test("SYRUP-5", "S-2605", "21", "18"));
        assertThat(done.status()).as(String.valueOf(done.body())).isEqualTo(201);
        assertThat(lying("SYRUP-5", "S-2605", true)).isEqualByComparingTo("70");
        assertThat(lying("SYRUP-5", "S-2605", false)).isZero();
        JsonNode row = page("SYRUP-5", "S-2605").get("tests").get(0);
        assertThat(row.get("failed").asBoolean()).isTrue();
        assertThat(row.get("value").asDouble()).isEqualTo(21);

        // tested again within its limits, it is not free by itself
        assertThat(postStock("stella", test("SYRUP-5", "S-2605", "17.5", "18")).status())
                .isEqualTo(201);
        assertThat(page("SYRUP-5", "S-2605").get("tests")).hasSize(1);
        assertThat(lying("SYRUP-5", "S-2605", true)).isEqualByComparingTo("70");

        Reply back = postStock(
                "stella",
                "{'reason':'wrong sample','lines':[{'act':'REVERSE','reverses':'"
                        + done.body().get("key").asText() + "'}]}");
        assertThat(back.status()).isEqualTo(201);
        assertThat(lying("SYRUP-5", "S-2605", false)).isEqualByComparingTo("70");
    }

    /** Within its limits nothing moves, and the result stands. */
    @Test
    void withinItsLimitsItIsKept() throws Exception {
        Reply done = postStock("stella", test("SYRUP-5", "S-2611", "18", "18"));
        assertThat(done.status()).isEqualTo(201);
        assertThat(done.body().hasNonNull("key")).isFalse();
        assertThat(done.body().get("posting").get("sentence").asText())
                .isEqualTo("Tested lot S-2611 of SYRUP-5: moisture 18 %");
        assertThat(lying("SYRUP-5", "S-2611", true)).isZero();
        assertThat(page("SYRUP-5", "S-2611").get("tests").get(0).get("failed").asBoolean())
                .isFalse();
    }

    /** Of a lot that failed, what comes later is set aside too, and that is said before. */
    @Test
    void whatComesLaterIsSetAside() throws Exception {
        assertThat(postStock("stella", test("FONDANT-2", "F-77", "9", "8")).status())
                .isEqualTo(201);
        String receive = "{'lines':[{'act':'RECEIVE','number':'PO-2044','line':'1','quantity':20,'lot':'F-77'}]}";
        JsonNode seen =
                post("stella", "/api/stock/preview", UUID.randomUUID(), receive).body();
        assertThat(seen.get("remarks").toString()).contains("Lot F-77 lies outside the limits of moisture");
        assertThat(postStock("stella", receive).status()).isEqualTo(201);
        assertThat(lying("FONDANT-2", "F-77", true)).isEqualByComparingTo("20");
        // of another lot it is free
        assertThat(postStock("stella", receive.replace("F-77", "F-78")).status())
                .isEqualTo(201);
        assertThat(lying("FONDANT-2", "F-78", false)).isEqualByComparingTo("20");
    }

    @Test
    void whatCannotBeIsSaid() throws Exception {
        assertThat(postStock("bram", test("SYRUP-5", "S-2605", "21", "18")).status())
                .isEqualTo(403);
        Reply none = postStock("stella", test("HIVE-10N", "S-2605", "21", "18"));
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.body().get("detail").asText()).contains("neither lots nor serial numbers");
        Reply odd = postStock(
                "stella", test("SYRUP-5", "S-2605", "21", "18").replace("'upper':18", "'lower':19,'upper':18"));
        assertThat(odd.status()).isEqualTo(422);
        assertThat(postStock("stella", "{'lines':[]}").status()).isEqualTo(422);
    }

    /** What else is known of a lot stands on its page. */
    @Test
    void aLotHasItsOwnFacts() throws Exception {
        Reply kept = decide(
                "stella",
                "{'kind':'DATA','rows':[{'table':'lots','key':{'item':'SYRUP-5','lot':'S-2605','serial':''},"
                        + "'fields':{'supplier_lot':'K-88','document':'CoA 4711'},'fresh':true}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        JsonNode view = page("SYRUP-5", "S-2605");
        assertThat(view.get("known").asBoolean()).isTrue();
        assertThat(view.get("supplierLot").asText()).isEqualTo("K-88");
        assertThat(view.get("document").asText()).isEqualTo("CoA 4711");
        assertThat(view.hasNonNull("expiry")).isTrue();
        undo("stella", kept);
        assertThat(page("SYRUP-5", "S-2605").get("known").asBoolean()).isFalse();
    }
}
