package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.w3c.dom.Document;
import rescient.core.company.OrderFacts;
import rescient.core.plan.Supply;

/** A purchase order on its way to its supplier and back: held, approved in turn, sent, confirmed for other days. */
class PurchasingTest extends ServerTest {
    /** On order with its supplier since before. */
    private static final String OUT = "PO-2041";

    /** Released by Ida, who plans it. */
    private String released() throws Exception {
        String key = bought();
        Reply reply = release("ida", UUID.randomUUID(), false, key);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply.body().get("orders").get(0).get("number").asText();
    }

    private String bought() throws Exception {
        for (JsonNode row : get("ida", "/api/plan/orders?source=buy").body().get("orders")) {
            if (!row.hasNonNull("number")
                    && !row.hasNonNull("obstacle")
                    && row.get("value").asDouble() > 50) {
                return row.get("key").asText();
            }
        }
        throw new AssertionError("Nothing is to be bought");
    }

    private void limit(int from, String role) throws Exception {
        Reply reply = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'approval_limits','key':{'document':'purchase_order','from_value':'"
                        + from + "'},'fields':{'role':'" + role + "'},'fresh':true}]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
    }

    private Reply step(String login, String number, String step) throws Exception {
        return decide(
                login, "{'kind':'PURCHASE','numbers':['" + number + "'],'step':'" + step + "','reason':'too dear'}");
    }

    private Reply send(String login, UUID key, String number) throws Exception {
        Reply reply = reply(
                login,
                MockMvcRequestBuilders.post("/api/purchases/sent?number=" + number)
                        .with(csrf())
                        .header("Idempotency-Key", key));
        knowing();
        return reply;
    }

    private JsonNode way(String number) throws Exception {
        return get("bram", "/api/purchases?number=" + number).body();
    }

    private List<String> listed(String way) throws Exception {
        return get("bram", "/api/orders?way=" + way).body().get("rows").findValuesAsText("number");
    }

    private String state(String number) throws Exception {
        return way(number).get("state").asText();
    }

    private List<OrderFacts.OpenOrder> lines(String number) {
        return live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", number);
    }

    private void ready() throws Exception {
        decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'sites','key':{'code':'LARKMOOR'},'fields':{'purchase_release':'ready'}}]}");
    }

    /** Two limits: each asks its role, the lowest first; nobody approves their own; a rejection goes back to be changed. */
    @Test
    void anOrderIsHeldAndApprovedInTurn() throws Exception {
        limit(10, "planner");
        limit(20, "approver");
        String number = released();
        assertThat(state(number)).isEqualTo("held");
        // the buyer's lists
        assertThat(listed("to_send")).containsExactly(number);
        assertThat(listed("held")).containsExactly(number);
        assertThat(listed("sent")).contains(OUT).doesNotContain(number);
        // held, it may become another one
        OrderFacts.OpenOrder line = lines(number).get(0);
        Reply more = decide(
                "bram",
                "{'kind':'CHANGE','orders':['" + number + "~1'],'quantity':"
                        + line.quantity().add(line.quantity()).toPlainString() + "}");
        assertThat(more.status()).as(String.valueOf(more.body())).isEqualTo(201);
        assertThat(lines(number).get(0).quantity()).isGreaterThan(line.quantity());
        assertThat(lines(number).get(0).stage().name()).isEqualTo("RELEASED");
        assertThat(state(number)).isEqualTo("held");
        undo("bram", more);

        assertThat(send("bram", UUID.randomUUID(), number).status()).isEqualTo(422);
        assertThat(step("stella", number, "END_HOLD").status()).isEqualTo(403);
        assertThat(step("bram", number, "END_HOLD").status()).isEqualTo(201);
        assertThat(state(number)).isEqualTo("awaiting_approval");
        assertThat(way(number).get("asks").asText()).isEqualTo("planner");
        // whoever made it, and whoever is not asked, does not approve it
        Reply own = step("ida", number, "APPROVE");
        assertThat(own.status()).isEqualTo(422);
        assertThat(own.body().get("detail").asText()).contains("was made by you");
        assertThat(step("aino", number, "APPROVE").body().get("detail").asText())
                .contains("approval of a planner");
        assertThat(step("tom", number, "APPROVE").status()).isEqualTo(201);
        assertThat(way(number).get("asks").asText()).isEqualTo("approver");
        Reply rejected = step("aino", number, "REJECT");
        assertThat(rejected.status()).isEqualTo(201);
        assertThat(state(number)).isEqualTo("held");
        assertThat(way(number).get("approved")).isEmpty();
        // taken back, the approvals of before are there again
        undo("aino", rejected);
        assertThat(state(number)).isEqualTo("awaiting_approval");
        assertThat(way(number).get("approved").toString()).contains("Tom Ferris");
        assertThat(step("aino", number, "APPROVE").status()).isEqualTo(201);
        assertThat(state(number)).isEqualTo("ready");
    }

    /** What the buyer sends back is the planner's again, firmed, with the reason; and taken back it is held as before. */
    @Test
    void whatIsHeldGoesBackToThePlanner() throws Exception {
        String number = released();
        OrderFacts.OpenOrder line = lines(number).get(0);
        assertThat(decide("bram", "{'kind':'PURCHASE','numbers':['" + number + "'],'step':'SEND_BACK'}")
                        .status())
                .isEqualTo(422);
        assertThat(step("stella", number, "SEND_BACK").status()).isEqualTo(403);
        Reply back = step("bram", number, "SEND_BACK");
        assertThat(back.status()).as(String.valueOf(back.body())).isEqualTo(201);
        knowing();
        assertThat(lines(number)).isEmpty();
        String firmed = back.body().get("orders").get(0).asText().replaceAll("~.*", "");
        assertThat(lines(firmed)).singleElement().satisfies(one -> {
            assertThat(one.stage().name()).isEqualTo("FIRMED");
            assertThat(one.item()).isEqualTo(line.item());
            assertThat(one.quantity()).isEqualByComparingTo(line.quantity());
            assertThat(one.dueDate()).isEqualTo(line.dueDate());
            assertThat(one.supplier()).isEqualTo(line.supplier());
        });
        assertThat(get("ida", "/api/orders/one?number=" + firmed)
                        .body()
                        .get("note")
                        .asText())
                .isEqualTo("Sent back by Bram Tolk: too dear");
        assertThat(undo("bram", back).status()).isEqualTo(200);
        assertThat(lines(firmed)).isEmpty();
        assertThat(state(number)).isEqualTo("held");
        // what is ready is not sent back, but held first
        step("bram", number, "END_HOLD");
        assertThat(step("bram", number, "SEND_BACK").status()).isEqualTo(422);
    }

    /** Held by a buyer, an order becomes two of which the second is held under a number of its own; together they are one again. */
    @Test
    void whatIsHeldIsSplitAndCombined() throws Exception {
        String number = released();
        OrderFacts.OpenOrder line = lines(number).get(0);
        String key = number + "~" + line.line();
        Reply split = decide("bram", "{'kind':'SPLIT','orders':['" + key + "'],'parts':[{'quantity':1}]}");
        assertThat(split.status()).as(String.valueOf(split.body())).isEqualTo(201);
        knowing();
        String other = null;
        for (JsonNode one : split.body().get("orders")) {
            String of = one.asText().replaceAll("~.*", "");
            other = of.equals(number) ? other : of;
        }
        assertThat(other).startsWith("PO-");
        assertThat(state(other)).isEqualTo("held");
        assertThat(state(number)).isEqualTo("held");
        assertThat(lines(other).get(0).supplier()).isEqualTo(line.supplier());
        BigDecimal together =
                lines(number).get(0).quantity().add(lines(other).get(0).quantity());
        assertThat(together).isGreaterThanOrEqualTo(line.quantity());

        String second = other + "~1";
        Reply merged = decide(
                "bram",
                "{'kind':'MERGE','orders':['" + key + "','" + second + "'],'quantity':" + line.quantity() + "}");
        assertThat(merged.status()).as(String.valueOf(merged.body())).isEqualTo(201);
        knowing();
        assertThat(lines(other)).isEmpty();
        assertThat(lines(number))
                .singleElement()
                .satisfies(one -> assertThat(one.quantity()).isEqualByComparingTo(line.quantity()));
        assertThat(state(number)).isEqualTo("held");
        assertThat(undo("bram", merged).status()).isEqualTo(200);
        assertThat(undo("bram", split).status()).isEqualTo(200);
        knowing();
        assertThat(lines(other)).isEmpty();
        assertThat(lines(number)).containsExactly(line);
        // once it is ready it is one order
        step("bram", number, "END_HOLD");
        assertThat(decide("bram", "{'kind':'SPLIT','orders':['" + key + "'],'into':2}")
                        .status())
                .isEqualTo(422);
    }

    private String held(String supplier, String item, int quantity) throws Exception {
        Reply kept = decide(
                "bram",
                "{'kind':'BUY','supplier':'" + supplier + "','site':'LARKMOOR','due':'2027-01-15','lines':[{'item':'"
                        + item + "','quantity':" + quantity + "}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        return kept.body().get("orders").get(0).asText().replaceAll("~.*", "");
    }

    /** Two held orders to one supplier become one of two lines; another supplier's stays what it is. */
    @Test
    void heldOrdersToOneSupplierAreCombined() throws Exception {
        String first = held("FENWICKE", "SCR-525", 2);
        String second = held("FENWICKE", "BOLT-M6", 2);
        OrderFacts.OpenOrder bolts = lines(second).get(0);
        String others = held("HOLLIN", "CED-2400", 3);
        Reply apart = decide("bram", "{'kind':'COMBINE','numbers':['" + first + "','" + others + "']}");
        assertThat(apart.status()).isEqualTo(422);
        assertThat(apart.body().toString()).contains("another supplier or site");
        assertThat(decide("stella", "{'kind':'COMBINE','numbers':['" + first + "','" + second + "']}")
                        .status())
                .isEqualTo(403);
        Reply one = decide("bram", "{'kind':'COMBINE','numbers':['" + first + "','" + second + "']}");
        assertThat(one.status()).as(String.valueOf(one.body())).isEqualTo(201);
        knowing();
        assertThat(lines(second)).isEmpty();
        assertThat(lines(first)).hasSize(2).last().satisfies(line -> {
            assertThat(line.item()).isEqualTo("BOLT-M6");
            assertThat(line.quantity()).isEqualByComparingTo(bolts.quantity());
            assertThat(line.dueDate()).isEqualTo(bolts.dueDate());
        });
        assertThat(state(first)).isEqualTo("held");
        assertThat(undo("bram", one).status()).isEqualTo(200);
        knowing();
        assertThat(lines(second)).containsExactly(bolts);
        step("bram", second, "END_HOLD");
        assertThat(decide("bram", "{'kind':'COMBINE','numbers':['" + first + "','" + second + "']}")
                        .body()
                        .toString())
                .contains("only held orders are combined");
    }

    /** Ready, it may still become another one, and is looked at again; moved to another day it stays what it is. */
    @Test
    void whatIsReadyIsHeldAgainWhenItBecomesAnother() throws Exception {
        limit(0, "planner");
        String number = released();
        OrderFacts.OpenOrder line = lines(number).get(0);
        String key = number + "~" + line.line();
        step("bram", number, "END_HOLD");
        step("tom", number, "APPROVE");
        knowing();
        assertThat(state(number)).isEqualTo("ready");
        Reply moved = decide(
                "bram",
                "{'kind':'CHANGE','orders':['" + key + "'],'due':'"
                        + line.dueDate().plusDays(7) + "'}");
        assertThat(moved.status()).as(String.valueOf(moved.body())).isEqualTo(201);
        knowing();
        assertThat(state(number)).isEqualTo("ready");
        Reply more = decide(
                "bram",
                "{'kind':'CHANGE','orders':['" + key + "'],'quantity':"
                        + line.quantity().multiply(BigDecimal.valueOf(3)) + "}");
        assertThat(more.status()).as(String.valueOf(more.body())).isEqualTo(201);
        knowing();
        assertThat(state(number)).isEqualTo("held");
        assertThat(count("approvals where order_number = '" + number + "'")).isZero();
        assertThat(undo("bram", more).status()).isEqualTo(200);
        knowing();
        assertThat(state(number)).isEqualTo("ready");
        assertThat(count("approvals where order_number = '" + number + "'")).isOne();
    }

    /** Ready at once where the site says so; sent as a document for people and one for machines, and only once. */
    @Test
    void anOrderIsSent() throws Exception {
        ready();
        String number = released();
        assertThat(state(number)).isEqualTo("ready");
        OrderFacts.OpenOrder line = lines(number).get(0);
        decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'suppliers','key':{'code':'" + line.supplier()
                        + "'},'fields':{'email':'orders@supplier.example','contact':'Mr Ash'}}]}");
        UUID key = UUID.randomUUID();
        Reply sent = send("bram", key, number);
        assertThat(sent.status()).as(String.valueOf(sent.body())).isEqualTo(200);
        assertThat(sent.body().get("recipient").asText()).isEqualTo("orders@supplier.example");
        assertThat(state(number)).isEqualTo("sent");
        assertThat(send("bram", key, number).body().get("id"))
                .isEqualTo(sent.body().get("id"));
        assertThat(jdbc.queryForObject("select count(*) from mails where about = ?", Integer.class, number))
                .isEqualTo(1);
        byte[] pdf = jdbc.queryForObject("select attachment from mails where about = ?", byte[].class, number);
        assertThat(new String(pdf, 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        byte[] data = jdbc.queryForObject("select data from mails where about = ?", byte[].class, number);
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        Document order = factory.newDocumentBuilder().parse(new ByteArrayInputStream(data));
        String cbc = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";
        assertThat(order.getDocumentElement().getNamespaceURI())
                .isEqualTo("urn:oasis:names:specification:ubl:schema:xsd:Order-2");
        assertThat(order.getElementsByTagNameNS(cbc, "ID").item(0).getTextContent())
                .isEqualTo(number);
        assertThat(order.getElementsByTagNameNS(cbc, "EndDate").item(0).getTextContent())
                .isEqualTo(line.dueDate().toString());
        // sent again it is a reminder, and nothing becomes otherwise
        assertThat(send("bram", UUID.randomUUID(), number).body().get("subject").asText())
                .startsWith("Reminder");
        assertThat(state(number)).isEqualTo("sent");
    }

    private void receive(String line) throws Exception {
        Reply reply = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'RECEIVE','number':'" + OUT + "','line':'" + line + "'}]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
    }

    /** An order that was firmed under a number of its own, when it is given out, has not gone to its supplier by that. */
    @Test
    void whatIsGivenOutUnderItsOwnNumberIsHeldToo() throws Exception {
        jdbc.update("update supply_order_lines set stage = 'firmed' where order_number = ?", OUT);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        Reply reply = release("ida", UUID.randomUUID(), false, OUT + "~1");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        assertThat(lines(OUT)).hasSize(1);
        assertThat(state(OUT)).isEqualTo("held");
    }

    private LocalDate comes(String number, String line) {
        OrderFacts.OpenOrder order = lines(number).stream()
                .filter(one -> one.line().equals(line))
                .findFirst()
                .orElseThrow();
        return live.current().plan().point(order.item(), order.site()).orElseThrow().supplies().stream()
                .filter(supply -> supply.kind() == Supply.Kind.OPEN
                        && supply.number().equals(number)
                        && supply.line().equals(line))
                .map(supply -> LocalDate.ofEpochDay(supply.day()))
                .findFirst()
                .orElseThrow();
    }

    /** The plan counts on the day that the supplier confirms; part of it later is a line of its own; taken back, all is as before. */
    @Test
    void theSupplierConfirmsOtherDays() throws Exception {
        LocalDate before = comes(OUT, "1");
        Reply week = decide(
                "bram", "{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-12-08'}]}");
        assertThat(week.status()).as(String.valueOf(week.body())).isEqualTo(201);
        assertThat(state(OUT)).isEqualTo("confirmed");
        assertThat(comes(OUT, "1")).isEqualTo(LocalDate.of(2026, 12, 8));
        assertThat(lines(OUT).get(0).dueDate()).isEqualTo(before);
        undo("bram", week);
        assertThat(comes(OUT, "1")).isEqualTo(before);

        // 10 motors: 4 in time, 6 in the new year
        Reply parts = decide(
                "bram",
                "{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-12-01','quantity':4},"
                        + "{'line':'1','date':'2027-01-12'}]}");
        assertThat(parts.status()).as(String.valueOf(parts.body())).isEqualTo(201);
        assertThat(lines(OUT))
                .hasSize(2)
                .extracting(OrderFacts.OpenOrder::splitOf)
                .containsExactlyInAnyOrder(null, "1");
        assertThat(lines(OUT).stream().map(OrderFacts.OpenOrder::quantity).map(q -> q.intValueExact()))
                .containsExactlyInAnyOrder(4, 6);
        assertThat(comes(OUT, "2")).isEqualTo(LocalDate.of(2027, 1, 12));
        receive("2");
        assertThat(lines(OUT)).extracting(OrderFacts.OpenOrder::line).containsExactly("1");
        // a further part gets a number that no line ever had, those that are done included
        Reply again = decide(
                "bram",
                "{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-12-01','quantity':1},"
                        + "{'line':'1','date':'2026-12-08','quantity':3}]}");
        assertThat(again.status()).as(String.valueOf(again.body())).isEqualTo(201);
        assertThat(lines(OUT)).extracting(OrderFacts.OpenOrder::line).containsExactlyInAnyOrder("1", "3");
        receive("1");
        assertThat(state(OUT)).isEqualTo("confirmed");
        receive("3");
        assertThat(state(OUT)).isEqualTo("closed");
    }

    /** What a supplier cannot have said is refused with the reason; what he says is looked at before it is kept. */
    @Test
    void whatCannotBeConfirmedIsSaid() throws Exception {
        String held = released();
        assertThat(decide("bram", "{'kind':'CONFIRMED','number':'" + held + "','lines':[]}")
                        .body()
                        .get("detail")
                        .asText())
                .contains("held");
        assertThat(decide(
                                "bram",
                                "{'kind':'CONFIRMED','number':'" + OUT
                                        + "','lines':[{'line':'7','date':'2026-12-08'}]}")
                        .status())
                .isEqualTo(422);
        JsonNode past =
                consequence("{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-11-01'}]}");
        assertThat(past.get("refusals").toString()).contains("which is past");
        JsonNode more = consequence(
                "{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-12-08','quantity':99}]}");
        assertThat(more.get("refusals").toString()).contains("no more can be confirmed");
        JsonNode less = consequence(
                "{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2026-12-08','quantity':4}]}");
        assertThat(less.get("refusals").toString()).contains("6 are left; say when they come");
        // far too late, some customer's order suffers, and is named
        JsonNode late =
                consequence("{'kind':'CONFIRMED','number':'" + OUT + "','lines':[{'line':'1','date':'2027-06-01'}]}");
        assertThat(late.get("late")).isNotEmpty();
        assertThat(late.get("orders").get(0).get("after").get("due").asText()).isEqualTo("2027-06-01");
    }
}
