package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.company.OrderFacts;
import rescient.server.mail.SentMails;
import rescient.server.purchasing.ReadingInbox;
import rescient.server.standin.Answering;

/** What suppliers write, by the simulated ones: ten motors at 68.00 are on order with PO-2041, and not sent yet. */
class LettersTest extends ServerTest {
    private static final String ORDER = "PO-2041";

    @Autowired
    private SentMails mails;

    @Autowired
    private Answering suppliers;

    @Autowired
    private ReadingInbox inbox;

    @BeforeEach
    void notSentYet() {
        jdbc.update("update supply_order_lines set state = 'ready' where order_number = ?", ORDER);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
    }

    @AfterEach
    void suppliersBehaveAgain() {
        jdbc.update("update simulated_suppliers set enabled = null");
    }

    /** @param late, parts and dearer of a hundred lines */
    private void behave(int late, int parts, int dearer) throws Exception {
        Reply reply = reply(
                "bram",
                MockMvcRequestBuilders.put("/api/stand-ins/suppliers")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(("{'on':false,'answerSeconds':0,'deliverySeconds':0,'invoiceSeconds':0,'latePercent':"
                                        + late + ",'shortPercent':" + parts + ",'pricePercent':" + dearer
                                        + ",'seed':7}")
                                .replace('\'', '"')));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
    }

    private Reply send() throws Exception {
        Reply reply = reply(
                "bram",
                MockMvcRequestBuilders.post("/api/purchases/sent?number=" + ORDER)
                        .with(csrf())
                        .header("Idempotency-Key", UUID.randomUUID()));
        knowing();
        return reply;
    }

    /** Sent, read, answered, and read again: the letters by kind. */
    private Map<String, JsonNode> letters() throws Exception {
        assertThat(send().status()).isEqualTo(200);
        mails.after();
        suppliers.now();
        inbox.now();
        Map<String, JsonNode> byKind = new HashMap<>();
        for (JsonNode row : get("bram", "/api/letters?state=waiting").body().get("rows")) {
            if (row.path("about").asText().equals(ORDER)) {
                byKind.putIfAbsent(row.get("kind").asText(), row);
            }
        }
        return byKind;
    }

    private UUID key(JsonNode letter) throws Exception {
        return UUID.fromString(get("bram", "/api/letters/" + letter.get("id").asLong())
                .body()
                .get("key")
                .asText());
    }

    private JsonNode lines(JsonNode letter) throws Exception {
        return get("bram", "/api/letters/" + letter.get("id").asLong()).body().get("lines");
    }

    private int become(String login, JsonNode letter, String state) throws Exception {
        return reply(
                        login,
                        MockMvcRequestBuilders.post(
                                        "/api/letters/" + letter.get("id").asLong() + "/state?to=" + state)
                                .with(csrf()))
                .status();
    }

    /** What another company wrote is answered by nobody: its orders are gone, and their numbers are given anew. */
    @Test
    void theCompanyBeforeIsAnsweredByNobody() throws Exception {
        behave(0, 0, 0);
        assertThat(send().status()).isEqualTo(200);
        assertThat(mails.after()).hasSize(1);
        store.replace(store.read().dataset(), "Another", true);
        knowing();
        assertThat(mails.after()).isEmpty();
        suppliers.now();
        inbox.now();
        assertThat(get("bram", "/api/letters").body().get("rows")).isEmpty();
    }

    /** He answers later than wanted; taken over, the plan counts on his day, and the letter waits no more. */
    @Test
    void anAnswerIsTakenOver() throws Exception {
        behave(100, 0, 0);
        LocalDate wanted = live.current()
                .directory()
                .facts()
                .where(OrderFacts.OpenOrder.class, "number", ORDER)
                .get(0)
                .dueDate();
        JsonNode answer = letters().get("answer");
        assertThat(answer.get("supplier").asText()).isEqualTo("TANDEM");
        JsonNode line = lines(answer).get(0);
        LocalDate promised = LocalDate.parse(line.get("date").asText());
        assertThat(promised).isAfter(wanted);
        assertThat(line.get("wanted").asText()).isEqualTo(wanted.toString());
        assertThat(line.get("quantity").asInt()).isEqualTo(10);
        assertThat(line.get("sentence").asText()).endsWith("later");

        Reply taken = decide(
                "bram",
                "{'kind':'CONFIRMED','number':'" + ORDER + "','lines':[{'line':'1','date':'" + promised
                        + "','quantity':10}]}");
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        assertThat(become("bram", answer, "done")).isEqualTo(200);
        assertThat(live.current()
                        .directory()
                        .facts()
                        .where(OrderFacts.OpenOrder.class, "number", ORDER)
                        .get(0)
                        .comesOn())
                .isEqualTo(promised);
        assertThat(get("bram", "/api/letters?state=waiting").body().get("rows").findValuesAsText("kind"))
                .doesNotContain("answer");
        assertThat(get("bram", "/api/letters?state=done")
                        .body()
                        .get("rows")
                        .get(0)
                        .get("doneBy")
                        .asText())
                .isNotBlank();
    }

    /** What came is received under the letter's own key: pressed twice it comes once. Its invoice is read as it came. */
    @Test
    void aDeliveryIsReceivedOnceAndItsInvoiceRead() throws Exception {
        behave(0, 0, 100);
        Map<String, JsonNode> letters = letters();
        JsonNode dispatch = letters.get("dispatch");
        JsonNode line = lines(dispatch).get(0);
        assertThat(line.get("tracking").asText()).isEqualTo("none");
        String receive = "{'lines':[{'act':'RECEIVE','number':'" + ORDER + "','line':'1','quantity':"
                + line.get("quantity").asText() + "}]}";
        UUID key = key(dispatch);
        for (int time = 0; time < 2; time++) {
            assertThat(post("stella", "/api/stock/postings", key, receive).status())
                    .isEqualTo(201);
        }
        knowing();
        assertThat(jdbc.queryForObject(
                        "select sum(quantity) from movements where order_number = ?", Double.class, ORDER))
                .isEqualTo(10);

        long id = letters.get("invoice").get("id").asLong();
        // what somebody else wrote is never shown as a page of ours
        assertThat(mvc.perform(MockMvcRequestBuilders.get("/api/letters/" + id + "/document")
                                .with(user(users.loadUserByUsername("bram"))))
                        .andReturn()
                        .getResponse()
                        .getHeader("Content-Disposition"))
                .startsWith("attachment");
        byte[] document = jdbc.queryForObject("select document from letters where id = ?", byte[].class, id);
        Reply read = reply(
                "bram",
                MockMvcRequestBuilders.post("/api/invoices/read")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .content(document));
        assertThat(read.status()).as(String.valueOf(read.body())).isEqualTo(200);
        assertThat(read.body().get("supplier").asText()).isEqualTo("TANDEM");
        JsonNode charged = read.body().get("lines").get(0);
        assertThat(charged.get("quantity").asDouble()).isEqualTo(10);
        assertThat(charged.get("price").asDouble()).isGreaterThan(68);
    }

    /** Taken back, a delivery is received again under another key; a second press does nothing, before and after. */
    @Test
    void whatWasTakenBackIsReceivedAgainOnce() throws Exception {
        behave(0, 0, 0);
        JsonNode dispatch = letters().get("dispatch");
        String receive = "{'lines':[{'act':'RECEIVE','number':'" + ORDER + "','line':'1','quantity':10}]}";
        UUID first = key(dispatch);
        assertThat(post("stella", "/api/stock/postings", first, receive).status())
                .isEqualTo(201);
        knowing();
        assertThat(become("stella", dispatch, "waiting")).isEqualTo(200);
        assertThat(key(dispatch)).isEqualTo(first);
        String back = "{'reason':'wrong','lines':[{'act':'REVERSE','reverses':'" + first + "'}]}";
        assertThat(post("stella", "/api/stock/postings", UUID.randomUUID(), back)
                        .status())
                .isEqualTo(201);
        knowing();
        UUID second = key(dispatch);
        assertThat(second).isNotEqualTo(first).isEqualTo(key(dispatch));
        for (int time = 0; time < 2; time++) {
            assertThat(post("stella", "/api/stock/postings", second, receive).status())
                    .isEqualTo(201);
            knowing();
        }
        assertThat(jdbc.queryForObject(
                        "select sum(quantity) from movements where order_number = ?", Double.class, ORDER))
                .isEqualTo(10);
    }

    /** The order says that each piece is to be named, and his delivery names each once. */
    @Test
    void serialNumbersComeWithTheDelivery() throws Exception {
        jdbc.update("delete from stock where item = 'MOTOR-180'");
        jdbc.update("update items set tracking = 'serial' where code = 'MOTOR-180'");
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        behave(0, 100, 0);
        letters();
        List<String> serials = new ArrayList<>();
        for (JsonNode row : get("bram", "/api/letters?state=waiting").body().get("rows")) {
            if (row.get("kind").asText().equals("dispatch")) {
                lines(row).get(0).get("serials").forEach(one -> serials.add(one.asText()));
            }
        }
        assertThat(serials).hasSize(10).doesNotHaveDuplicates();
    }

    private JsonNode way() throws Exception {
        return get("bram", "/api/purchases?number=" + ORDER).body();
    }

    private Reply passOn(String login, UUID key) throws Exception {
        Reply reply = reply(
                login,
                MockMvcRequestBuilders.post("/api/purchases/requests?number=" + ORDER)
                        .with(csrf())
                        .header("Idempotency-Key", key));
        knowing();
        return reply;
    }

    private List<String> toAsk() throws Exception {
        return get("bram", "/api/orders?way=to_ask").body().get("rows").findValuesAsText("number");
    }

    /** What he answers to what he was asked; nothing comes by itself before. */
    private JsonNode asked() throws Exception {
        mails.after();
        suppliers.now();
        inbox.now();
        JsonNode found = null;
        for (JsonNode row : get("bram", "/api/letters?state=waiting").body().get("rows")) {
            if (row.get("subject").asText().startsWith("What you asked")) {
                found = row;
            }
        }
        return found;
    }

    private OrderFacts.OpenOrder order() {
        return live.current()
                .directory()
                .facts()
                .where(OrderFacts.OpenOrder.class, "number", ORDER)
                .get(0);
    }

    /** The plan wants it later: he is asked once, agrees, and the plan counts on the later day; what was asked is over. */
    @Test
    void aRequestIsPassedOnAndAnswered() throws Exception {
        behave(0, 0, 0);
        jdbc.update("update simulated_suppliers set delivery_seconds = 80000, invoice_seconds = 80000");
        letters();
        LocalDate wanted = order().comesOn().plusDays(14);
        assertThat(decide("ida", "{'kind':'CHANGE','orders':['" + ORDER + "~1'],'due':'" + wanted + "'}")
                        .status())
                .isEqualTo(201);
        knowing();
        LocalDate day = LocalDate.parse(way().get("requests").get(0).get("due").asText());
        assertThat(day).isAfter(order().comesOn());
        assertThat(toAsk()).containsExactly(ORDER);
        assertThat(passOn("stella", UUID.randomUUID()).status()).isEqualTo(403);
        UUID key = UUID.randomUUID();
        for (int time = 0; time < 2; time++) {
            Reply passed = passOn("bram", key);
            assertThat(passed.status()).as(String.valueOf(passed.body())).isEqualTo(200);
        }
        assertThat(jdbc.queryForObject("select count(*) from mails where kind = 'change_request'", Integer.class))
                .isOne();
        assertThat(toAsk()).isEmpty();
        assertThat(way().get("requests").get(0).get("sent").asBoolean()).isTrue();

        JsonNode line = lines(asked()).get(0);
        assertThat(line.get("date").asText()).isEqualTo(day.toString());
        assertThat(decide(
                                "bram",
                                "{'kind':'CONFIRMED','number':'" + ORDER + "','lines':[{'line':'1','date':'" + day
                                        + "','quantity':10}]}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(order().comesOn()).isEqualTo(day);
        assertThat(way().get("requests")).isEmpty();
    }

    /** He does not agree: it comes as it was promised. */
    @Test
    void heNeedNotAgree() throws Exception {
        behave(100, 0, 0);
        letters();
        LocalDate before = order().comesOn();
        assertThat(decide("ida", "{'kind':'CHANGE','orders':['" + ORDER + "~1'],'due':'" + before.plusDays(14) + "'}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(passOn("bram", UUID.randomUUID()).status()).isEqualTo(200);
        assertThat(lines(asked()).get(0).get("date").asText()).isEqualTo(before.toString());
    }

    /** Cancelled before anything was on its way, it neither comes nor is charged; taken over, nothing of it is open. */
    @Test
    void whatIsCancelledDoesNotCome() throws Exception {
        behave(0, 0, 0);
        jdbc.update("update simulated_suppliers set delivery_seconds = 80000, invoice_seconds = 80000");
        letters();
        assertThat(decide("ida", "{'kind':'CANCEL','orders':['" + ORDER + "~1']}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(passOn("bram", UUID.randomUUID()).status()).isEqualTo(200);
        JsonNode line = lines(asked()).get(0);
        assertThat(line.get("quantity").decimalValue()).isZero();
        assertThat(line.get("sentence").asText()).isEqualTo("it does not come any more");
        assertThat(jdbc.queryForObject(
                        "select count(*) from supplier_acts where about = ? and done_at is null", Integer.class, ORDER))
                .isZero();
        Reply taken = decide(
                "bram",
                "{'kind':'CONFIRMED','number':'" + ORDER + "','lines':[{'line':'1','date':'"
                        + line.get("date").asText() + "','quantity':0}]}");
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        knowing();
        assertThat(live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", ORDER))
                .isEmpty();
        assertThat(undo("bram", taken).status()).isEqualTo(200);
        knowing();
        assertThat(way().get("requests")).hasSize(1);
    }

    /** On his way already, it cannot be cancelled any more. */
    @Test
    void whatIsOnItsWayComes() throws Exception {
        behave(0, 0, 0);
        letters();
        LocalDate before = order().comesOn();
        assertThat(decide("ida", "{'kind':'CANCEL','orders':['" + ORDER + "~1']}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(passOn("bram", UUID.randomUUID()).status()).isEqualTo(200);
        JsonNode line = lines(asked()).get(0);
        assertThat(line.get("quantity").asInt()).isEqualTo(10);
        assertThat(line.get("date").asText()).isEqualTo(before.toString());
    }

    /** What he sends in two parts is confirmed in two, and each delivery finds the part that it brings. */
    @Test
    void partsFindTheirLines() throws Exception {
        behave(0, 100, 0);
        Map<String, JsonNode> letters = letters();
        JsonNode parts = lines(letters.get("answer"));
        assertThat(parts).hasSize(2);
        StringBuilder said = new StringBuilder();
        for (JsonNode part : parts) {
            said.append(said.length() == 0 ? "" : ",")
                    .append("{'line':'1','date':'" + part.get("date").asText() + "','quantity':"
                            + part.get("quantity").asText() + "}");
        }
        assertThat(decide("bram", "{'kind':'CONFIRMED','number':'" + ORDER + "','lines':[" + said + "]}")
                        .status())
                .isEqualTo(201);
        knowing();
        List<JsonNode> dispatches = new ArrayList<>();
        for (JsonNode row : get("bram", "/api/letters?state=waiting").body().get("rows")) {
            if (row.get("kind").asText().equals("dispatch")) {
                dispatches.add(0, row);
            }
        }
        List<String> came = new ArrayList<>();
        for (JsonNode dispatch : dispatches) {
            JsonNode line = lines(dispatch).get(0);
            came.add(line.get("line").asText() + " " + line.get("quantity").asText());
            Reply received = post(
                    "stella",
                    "/api/stock/postings",
                    key(dispatch),
                    "{'lines':[{'act':'RECEIVE','number':'" + ORDER + "','line':'"
                            + line.get("line").asText() + "','quantity':"
                            + line.get("quantity").asText() + "}]}");
            assertThat(received.status()).as(String.valueOf(received.body())).isEqualTo(201);
            knowing();
        }
        assertThat(came)
                .containsExactly(
                        "1 " + parts.get(0).get("quantity").asText(),
                        "2 " + parts.get(1).get("quantity").asText());
        assertThat(live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", ORDER))
                .isEmpty();
    }

    /** A second mail about the same order is a reminder: nothing is made twice. */
    @Test
    void aReminderOrdersNothingAgain() throws Exception {
        behave(0, 0, 0);
        letters();
        letters();
        int dispatches = 0;
        for (JsonNode row : get("bram", "/api/letters").body().get("rows")) {
            dispatches += row.get("kind").asText().equals("dispatch") ? 1 : 0;
        }
        assertThat(dispatches).isEqualTo(1);
    }

    @Test
    void whoMayAndWhatCannotBe() throws Exception {
        behave(0, 0, 0);
        JsonNode answer = letters().get("answer");
        assertThat(become("sven", answer, "done")).isEqualTo(403);
        assertThat(become("bram", answer, "odd")).isEqualTo(422);
        assertThat(become("stella", answer, "put_aside")).isEqualTo(200);
        assertThat(become("stella", answer, "waiting")).isEqualTo(200);
        assertThat(get("bram", "/api/letters?state=odd").status()).isEqualTo(422);
        assertThat(get("bram", "/api/letters/999999").status()).isEqualTo(404);
        assertThat(get("bram", "/api/stand-ins/suppliers")
                        .body()
                        .get("habits")
                        .get("on")
                        .asBoolean())
                .isFalse();
    }
}
