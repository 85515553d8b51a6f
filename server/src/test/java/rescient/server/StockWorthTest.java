package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What stock is and was worth, why it differs, and what expires before it is used. */
class StockWorthTest extends ServerTest {
    private JsonNode post(String lines) throws Exception {
        return postAs("stella", lines);
    }

    private JsonNode postAs(String login, String lines) throws Exception {
        Reply reply =
                post(login, "/api/stock/postings", UUID.randomUUID(), "{'reason':'found','lines':[" + lines + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply.body();
    }

    private JsonNode worth(String query) throws Exception {
        Reply reply = get("stella", "/api/stock/worth" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private BigDecimal now() throws Exception {
        return worth("").get("now").decimalValue();
    }

    private static BigDecimal of(JsonNode view, String code, String field) {
        for (JsonNode row : view.get("rows")) {
            if (row.get("code").asText().equals(code)) {
                return row.get(field).decimalValue();
            }
        }
        return BigDecimal.ZERO;
    }

    /** Ten motors at 68.00 come in: 680 more than yesterday, in their item, their group and their site. */
    @Test
    void yesterdayWasWithoutWhatCameToday() throws Exception {
        LocalDate yesterday = live.current().today().minusDays(1);
        BigDecimal before = now();
        post("{'act':'RECEIVE','number':'PO-2041','line':'1'}");
        assertThat(now()).isEqualByComparingTo(before.add(new BigDecimal("680")));
        for (String by : new String[] {"item", "group", "site"}) {
            JsonNode then = worth("?day=" + yesterday + "&by=" + by);
            assertThat(then.get("value").decimalValue()).isEqualByComparingTo(before);
            assertThat(then.get("now").decimalValue()).isEqualByComparingTo(before.add(new BigDecimal("680")));
            BigDecimal sum = BigDecimal.ZERO;
            for (JsonNode row : then.get("rows")) {
                sum = sum.add(row.get("value").decimalValue());
            }
            assertThat(sum).as(by).isEqualByComparingTo(before);
        }
        JsonNode items = worth("?day=" + yesterday + "&by=item");
        assertThat(of(items, "MOTOR-180", "now").subtract(of(items, "MOTOR-180", "value")))
                .isEqualByComparingTo("680");
        JsonNode days = items.get("days");
        assertThat(days.get(days.size() - 1).get("value").decimalValue()).isEqualByComparingTo(now());
        assertThat(days.get(days.size() - 2).get("value").decimalValue()).isEqualByComparingTo(before);
        assertThat(items.get("moved").get(0).get("kind").asText()).isEqualTo("receipt");
        assertThat(items.get("moved").get(0).get("value").decimalValue()).isEqualByComparingTo("680");
    }

    /** Two motors that were not known of are worth 136 by the price they came at: an adjustment, told as such. */
    @Test
    void whatDiffersIsToldByItsCause() throws Exception {
        post("{'act':'RECEIVE','number':'PO-2041','line':'1'}");
        post("{'act':'ADJUST','item':'MOTOR-180','site':'LARKMOOR','quantity':2,'price':68}");
        JsonNode causes = get("stella", "/api/stock/variances").body();
        JsonNode adjustment = null;
        for (JsonNode cause : causes) {
            adjustment = cause.get("code").asText().equals("adjustment") ? cause : adjustment;
        }
        assertThat(adjustment).isNotNull();
        // 11.50 for two torn meshes and 0.53 for screws that were counted were lost before
        assertThat(adjustment.get("value").decimalValue()).isEqualByComparingTo("123.97");
        assertThat(adjustment.get("first").get(0).get("item").asText()).isEqualTo("MOTOR-180");
    }

    @Test
    void whatCannotBeAskedIsSaid() throws Exception {
        LocalDate tomorrow = live.current().today().plusDays(1);
        assertThat(get("stella", "/api/stock/worth?day=" + tomorrow).status()).isEqualTo(422);
        assertThat(get("stella", "/api/stock/worth?by=colour").status()).isEqualTo(422);
        assertThat(get("stella", "/api/stock/variances?from=" + tomorrow).status())
                .isEqualTo(422);
    }

    /** 70 of a lot serve until the eleventh of December; what the plan uses before and what is left add up. */
    @Test
    void whatExpiresBeforeItIsUsed() throws Exception {
        JsonNode rows = get("stella", "/api/stock/expiring?everything=true&words=SYRUP-5")
                .body()
                .get("rows");
        JsonNode lot = rows.get(0);
        assertThat(lot.get("lot").asText()).isEqualTo("S-2605");
        assertThat(lot.get("quantity").asInt()).isEqualTo(70);
        JsonNode users = get(
                        "stella",
                        "/api/stock/expiring/users?key=" + lot.get("key").asText())
                .body();
        BigDecimal used = BigDecimal.ZERO;
        for (JsonNode user : users) {
            assertThat(LocalDate.parse(user.get("date").asText()))
                    .isBefore(LocalDate.parse(lot.get("expiry").asText()));
            used = used.add(
                    user.get("depth").asInt() == 0 ? user.get("quantity").decimalValue() : BigDecimal.ZERO);
        }
        assertThat(used.add(lot.get("unused").decimalValue())).isEqualByComparingTo("70");
        // set aside, nothing is planned with it
        post("{'act':'QUARANTINE','item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605'}");
        JsonNode aside = get("stella", "/api/stock/expiring?words=S-2605")
                .body()
                .get("rows")
                .get(0);
        assertThat(aside.get("unused").asInt()).isEqualTo(70);
        assertThat(aside.get("quarantined").asBoolean()).isTrue();
        assertThat(get("stella", "/api/stock/expiring/users?key=odd").status()).isEqualTo(404);
    }

    private static JsonNode named(JsonNode all, String name) {
        for (JsonNode one : all) {
            if (one.get("name").asText().equals(name)) {
                return one;
            }
        }
        return null;
    }

    private JsonNode differences(String by) throws Exception {
        return get("stella", "/api/stock/variances?by=" + by).body();
    }

    /**
     * Twelve sides are sawn in 50 minutes instead of (20 + 12 × 1.5) ÷ 0.95 = 40, at 34 an hour: 28.33 against 22.67. What
     * is joined is booked as planned.
     */
    @Test
    void workThatTookLongerIsToldByItsWorkCenter() throws Exception {
        assertThat(named(differences("center"), "Saw")).isNull();
        postAs("rufus", "{'act':'OUTPUT','number':'MO-301','line':'1','step':'10','quantity':12,'minutes':50}");
        postAs("rufus", "{'act':'OUTPUT','number':'MO-301','line':'1','quantity':12}");
        JsonNode saw = named(differences("center"), "Saw");
        assertThat(saw.get("value").decimalValue()).isEqualByComparingTo("5.66");
        JsonNode line = saw.get("first").get(0);
        assertThat(line.get("number").asText()).isEqualTo("MO-301");
        assertThat(line.get("item").asText()).isEqualTo("NUC-SIDE");
        // however many other orders put something out on that day
        UUID key = UUID.randomUUID();
        jdbc.update(
                "insert into postings (key, date, sentence, person, at) values (?, ?, 'Much', 'Rufus', now())",
                key,
                live.current().today());
        jdbc.update(
                "insert into movements (number, key, date, kind, item, site, quarantined, quantity, value, document,"
                        + " order_number, order_line, person, entered) select (select max(number) from movements) + i, ?, ?,"
                        + " 'output', 'NUC-SIDE', 'LARKMOOR', false, 1, 0, 'make', 'A-' || i, '1', 'Rufus', now() from"
                        + " generate_series(1, 2500) i",
                key,
                live.current().today());
        assertThat(named(differences("center"), "Saw").get("value").decimalValue())
                .isEqualByComparingTo("5.66");
    }

    @Test
    void whatDiffersIsToldByItemAndMonth() throws Exception {
        post("{'act':'RECEIVE','number':'PO-2041','line':'1'}");
        post("{'act':'ADJUST','item':'MOTOR-180','site':'LARKMOOR','quantity':2,'price':68}");
        JsonNode item = named(differences("item"), live.current().directory().itemName("MOTOR-180"));
        assertThat(item.get("code").asText()).isEqualTo("MOTOR-180");
        assertThat(item.get("value").decimalValue()).isEqualByComparingTo("136");
        assertThat(item.get("first").get(0).get("cause").asText()).isEqualTo("adjustment");
        assertThat(differences("month").get(0).get("code").asText())
                .isEqualTo(live.current().today().toString().substring(0, 7));
        assertThat(get("stella", "/api/stock/variances?by=colour").status()).isEqualTo(400);
    }
}
