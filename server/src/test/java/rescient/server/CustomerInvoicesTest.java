package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** What customers are charged for: five cans of syrup, a lot each, at 9.99 and 19 % tax. */
class CustomerInvoicesTest extends ServerTest {
    private String order;
    private String customer;

    @BeforeEach
    void anOrderForSyrup() throws Exception {
        customer = jdbc.queryForObject("select min(code) from customers", String.class);
        jdbc.update("update customers set tax_rate = 19, email = 'buys@hive.example' where code = ?", customer);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        Reply entered = decide(
                "sven",
                "{'kind':'ENTER','number':'SO-995','customer':'" + customer
                        + "','lines':[{'item':'SYRUP-5','site':'LARKMOOR','quantity':5,'wanted':'2026-12-01','price':9.99}]}");
        assertThat(entered.status()).as(String.valueOf(entered.body())).isEqualTo(201);
        knowing();
        order = "SO-995";
    }

    private void ship(String act, String quantity) throws Exception {
        Reply posted = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'so','lines':[{'act':'" + act + "','number':'" + order
                        + "','line':'1','lot':'S-2605','quantity':" + quantity + "}]}");
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        knowing();
    }

    private JsonNode rows(String state) throws Exception {
        return get("sven", "/api/customer-invoices?state=" + state).body().get("rows");
    }

    private Reply charge(String login) throws Exception {
        Reply reply = decide(login, "{'kind':'CHARGE','orders':['" + order + "']}");
        knowing();
        return reply;
    }

    private byte[] document(String key, String more) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get("/api/customer-invoices/document?key=" + key + more)
                        .with(user(users.loadUserByUsername("sven"))))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
    }

    /** Two go and are charged, then three; nothing is charged twice, and what comes back is credited. */
    @Test
    void whatWasShippedIsChargedOnce() throws Exception {
        assertThat(rows("to_charge")).isEmpty();
        assertThat(charge("sven").status()).isEqualTo(422);
        ship("SHIP", "2");
        JsonNode open = rows("to_charge").get(0);
        assertThat(open.get("orders").get(0).asText()).isEqualTo(order);
        assertThat(open.get("net").asDouble()).isEqualTo(19.98);
        // 19 % of 19.98 are 3.7962, so 3.80
        assertThat(open.get("gross").asDouble()).isEqualTo(23.78);
        assertThat(charge("stella").status()).isEqualTo(403);
        Reply first = charge("sven");
        assertThat(first.status()).as(String.valueOf(first.body())).isEqualTo(201);
        assertThat(rows("to_charge")).isEmpty();
        assertThat(charge("sven").status()).isEqualTo(422);
        ship("SHIP", "3");
        assertThat(charge("sven").status()).isEqualTo(201);
        assertThat(rows("charged").findValuesAsText("net")).containsExactly("29.97", "19.98");

        ship("RETURN_FROM_CUSTOMER", "1");
        assertThat(rows("to_charge").get(0).get("net").asDouble()).isEqualTo(-9.99);
        assertThat(charge("sven").status()).isEqualTo(201);
        assertThat(rows("charged").findValuesAsText("net")).containsExactly("-9.99", "29.97", "19.98");
        assertThat(new String(
                        document(rows("charged").get(0).get("key").asText(), "&form=ubl"), StandardCharsets.UTF_8))
                .contains("<CreditNote")
                .contains(">1<")
                .contains(">9.99<");
        // taken back, it is to be charged again
        assertThat(undo("sven", first).status()).isEqualTo(200);
        knowing();
        assertThat(rows("to_charge").get(0).get("net").asDouble()).isEqualTo(19.98);
    }

    /** The paper names the lots, for people and for machines, and goes out by mail once. */
    @Test
    void itGoesOutWithItsLots() throws Exception {
        ship("SHIP", "2");
        charge("sven");
        JsonNode row = rows("charged").get(0);
        String key = row.get("key").asText();
        String ubl = new String(document(key, "&form=ubl"), StandardCharsets.UTF_8);
        assertThat(ubl)
                .contains("<Invoice")
                .contains(row.get("number").asText())
                .contains(">S-2605<")
                .contains(">23.78<")
                .contains(">" + order + "<");
        assertThat(new String(document(key, "&origins=true"), 0, 5, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        UUID send = UUID.randomUUID();
        for (int time = 0; time < 2; time++) {
            Reply sent = reply(
                    "sven",
                    MockMvcRequestBuilders.post("/api/customer-invoices/sent?invoice=" + key)
                            .with(csrf())
                            .header("Idempotency-Key", send));
            assertThat(sent.status()).as(String.valueOf(sent.body())).isEqualTo(200);
        }
        assertThat(jdbc.queryForList("select recipient from mails where kind = 'invoice'", String.class))
                .isEqualTo(List.of("buys@hive.example"));
    }

    /** A kit is charged as kits, whatever its parts are. */
    @Test
    void aKitIsChargedWhole() throws Exception {
        jdbc.update("insert into stock (item, site, lot, quantity) select distinct b.component, 'LARKMOOR', case when"
                + " i.tracking = 'lot' then 'X-1' else null end, 1000 from bom_lines b join items k on k.code = b.parent and"
                + " k.kind = 'kit' join items i on i.code = b.component where not exists (select from stock s where s.item ="
                + " b.component and s.site = 'LARKMOOR' and s.lot is null)");
        jdbc.update(
                "update stock set quantity = quantity + 1000 where site = 'LARKMOOR' and lot is null and item in (select"
                        + " component from bom_lines b join items k on k.code = b.parent and k.kind = 'kit')");
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        JsonNode kit = null;
        for (JsonNode row : get("stella", "/api/stock/out").body().get("rows")) {
            kit = row.get("kit").asBoolean() && row.get("ready").asInt() > 0 ? row : kit;
        }
        assertThat(kit).as("a kit whose parts are there").isNotNull();
        order = kit.get("number").asText();
        String line = kit.get("line").asText();
        Reply posted = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'SHIP','number':'" + order + "','line':'" + line + "','quantity':1}]}");
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        knowing();
        assertThat(posted.body().get("posting").get("movements").size()).isGreaterThan(1);
        JsonNode view = get("sven", "/api/customer-invoices/one?key=o~" + order).body();
        assertThat(view.get("lines")).hasSize(1);
        assertThat(view.get("lines").get(0).get("quantity").asDouble()).isEqualTo(1);
        assertThat(view.get("lines").get(0).get("back")).isEmpty();
        assertThat(charge("sven").status()).isEqualTo(201);

        // one of its parts comes back: the kit stays charged, and the invoice says so
        JsonNode part = posted.body().get("posting").get("movements").get(0);
        String of = !part.hasNonNull("lot") ? "" : ",'lot':'" + part.get("lot").asText() + "'";
        Reply returned = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'broken','lines':[{'act':'RETURN_FROM_CUSTOMER','number':'" + order + "','line':'" + line
                        + "','item':'" + part.get("item").asText() + "','quantity':1" + of + "}]}");
        assertThat(returned.status()).as(String.valueOf(returned.body())).isEqualTo(201);
        knowing();
        JsonNode charged = get(
                        "sven",
                        "/api/customer-invoices/one?key="
                                + rows("charged").get(0).get("key").asText())
                .body()
                .get("lines")
                .get(0);
        assertThat(charged.get("quantity").asDouble()).isEqualTo(1);
        assertThat(charged.get("back").findValuesAsText("item"))
                .containsExactly(part.get("item").asText());
        assertThat(charged.get("back").get(0).get("quantity").asDouble()).isEqualTo(1);
    }
}
