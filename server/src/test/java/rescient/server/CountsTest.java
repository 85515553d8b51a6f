package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.company.StockFacts;

/** Lists of what is to be counted: two lots of syrup lie at the works, 70 and 90 pieces at 5.60. */
class CountsTest extends ServerTest {
    private Reply send(String login, String method, String path, String body) throws Exception {
        Reply reply = reply(
                login,
                MockMvcRequestBuilders.request(
                                org.springframework.http.HttpMethod.valueOf(method), "/api/counts" + path)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body.replace('\'', '"')));
        knowing();
        return reply;
    }

    private JsonNode feed(boolean blind) throws Exception {
        Reply made = send("stella", "POST", "", "{'site':'LARKMOOR','group':'FEED','due':false,'blind':" + blind + "}");
        assertThat(made.status()).as(String.valueOf(made.body())).isEqualTo(201);
        return made.body();
    }

    private long id(JsonNode view) {
        return view.get("list").get("id").asLong();
    }

    private JsonNode line(JsonNode view, String lot) {
        for (JsonNode line : view.get("lines")) {
            if (line.path("lot").asText().equals(lot)) {
                return line;
            }
        }
        throw new AssertionError(lot);
    }

    private JsonNode count(JsonNode view, String lot, String counted) throws Exception {
        Reply reply = send(
                "stella",
                "PUT",
                "/" + id(view) + "/lines",
                "[{'place':" + line(view, lot).get("place").asInt() + ",'counted':" + counted + "}]");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private BigDecimal lying(String lot) {
        return live.current().directory().facts().where(StockFacts.Stock.class, "item", "SYRUP-5").stream()
                .filter(bin -> lot.equals(bin.lot()))
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** Blind, nobody sees the book before all of it is counted; two cans less are 11.20 less, posted as a count. */
    @Test
    void whatDiffersIsPosted() throws Exception {
        JsonNode list = feed(true);
        assertThat(list.get("lines")).hasSize(2);
        JsonNode half = count(list, "S-2605", "68");
        assertThat(line(half, "S-2605").hasNonNull("book")).isFalse();
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(422);
        JsonNode all = count(list, "S-2611", "90");
        assertThat(line(all, "S-2605").get("book").asInt()).isEqualTo(70);
        assertThat(line(all, "S-2605").get("differs").asInt()).isEqualTo(-2);
        assertThat(all.get("less").decimalValue()).isEqualByComparingTo("-11.20");
        assertThat(all.get("more").decimalValue()).isZero();

        Reply posted = send("stella", "POST", "/" + id(list) + "/posting", "");
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(200);
        assertThat(posted.body().get("list").get("state").asText()).isEqualTo("posted");
        assertThat(lying("S-2605")).isEqualByComparingTo("68");
        assertThat(lying("S-2611")).isEqualByComparingTo("90");
        assertThat(jdbc.queryForList("select kind from " + moved(), String.class))
                .containsExactly("count");
        // once is once
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(409);
        assertThat(lying("S-2605")).isEqualByComparingTo("68");
    }

    /** What is sold between the count and its posting is no difference. */
    @Test
    void whatMovesMeanwhileIsNoDifference() throws Exception {
        JsonNode list = feed(false);
        assertThat(line(list, "S-2605").get("book").asInt()).isEqualTo(70);
        count(list, "S-2605", "68");
        count(list, "S-2611", "90");
        Reply out = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'broken','lines':[{'act':'ADJUST','item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605','quantity':-10}]}");
        assertThat(out.status()).isEqualTo(201);
        knowing();
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(200);
        assertThat(lying("S-2605")).isEqualByComparingTo("58");
    }

    /** From a value on another role is asked, who did not count. */
    @Test
    void aLargeDifferenceIsApproved() throws Exception {
        limit("100", "approver");
        JsonNode list = feed(true);
        count(list, "S-2605", "50");
        JsonNode all = count(list, "S-2611", "91");
        assertThat(all.get("asks").asText()).isEqualTo("approver");
        Reply asked = send("stella", "POST", "/" + id(list) + "/posting", "");
        assertThat(asked.status()).as(String.valueOf(asked.body())).isEqualTo(200);
        assertThat(asked.body().get("list").get("state").asText()).isEqualTo("asked");
        assertThat(lying("S-2605")).isEqualByComparingTo("70");
        // asked once is enough, and nothing is counted meanwhile
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(409);
        assertThat(send("stella", "PUT", "/" + id(list) + "/lines", "[{'place':1,'counted':60}]")
                        .status())
                .isEqualTo(409);
        // three are sold meanwhile: they are no difference
        Reply out = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'broken','lines':[{'act':'ADJUST','item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605','quantity':-3}]}");
        assertThat(out.status()).isEqualTo(201);
        knowing();
        long waiting = asked.body().get("waiting").get("row").get("id").asLong();
        assertThat(approve("bram", waiting).status()).isEqualTo(403);
        Reply approved = approve("aino", waiting);
        assertThat(approved.status()).as(String.valueOf(approved.body())).isEqualTo(200);
        assertThat(lying("S-2605")).isEqualByComparingTo("47");
        assertThat(lying("S-2611")).isEqualByComparingTo("91");
        assertThat(get("stella", "/api/counts/" + id(list))
                        .body()
                        .get("list")
                        .get("state")
                        .asText())
                .isEqualTo("posted");
    }

    private Reply approve(String login, long waiting) throws Exception {
        Reply reply = reply(
                login,
                MockMvcRequestBuilders.post("/api/stock/waiting/" + waiting + "/approval")
                        .with(csrf()));
        knowing();
        return reply;
    }

    /** Sent back, it is counted again; whoever counted does not approve it, whatever the role. */
    @Test
    void whatIsSentBackIsCountedAgain() throws Exception {
        limit("100", "planner");
        JsonNode list = feed(false);
        count(list, "S-2605", "50");
        Reply counted = send(
                "ida",
                "PUT",
                "/" + id(list) + "/lines",
                "[{'place':" + line(list, "S-2611").get("place").asInt() + ",'counted':90}]");
        assertThat(counted.body().get("asks").asText()).isEqualTo("planner");
        JsonNode asked =
                send("stella", "POST", "/" + id(list) + "/posting", "").body().get("waiting");
        long waiting = asked.get("row").get("id").asLong();
        Reply own = approve("ida", waiting);
        assertThat(own.status()).isEqualTo(403);
        assertThat(own.body().get("detail").asText()).contains("Who counted");
        Reply back = reply(
                "ida",
                MockMvcRequestBuilders.post("/api/stock/waiting/" + waiting + "/rejection")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"reason\":\"look behind the door\"}"));
        assertThat(back.status()).as(String.valueOf(back.body())).isEqualTo(200);
        assertThat(back.body().get("why").asText()).isEqualTo("look behind the door");
        JsonNode again = count(list, "S-2605", "70");
        assertThat(again.get("list").get("state").asText()).isEqualTo("open");
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(200);
        assertThat(lying("S-2605")).isEqualByComparingTo("70");
        assertThat(approve("ida", waiting).status()).isEqualTo(409);
    }

    private void limit(String from, String role) throws Exception {
        assertThat(decide(
                                "ida",
                                "{'kind':'DATA','rows':[{'table':'approval_limits','key':{'document':'adjustment','from_value':'"
                                        + from + "'},'fields':{'role':'" + role + "'},'fresh':true}]}")
                        .status())
                .isEqualTo(201);
        knowing();
    }

    private static String less(String quantity) {
        return "{'reason':'broken','lines':[{'act':'ADJUST','item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605','quantity':-"
                + quantity + "}]}";
    }

    /** A correction beside count lists asks the same: first the planner, then the approver, nobody twice; posted once. */
    @Test
    void aLargeCorrectionIsApprovedInTurn() throws Exception {
        limit("50", "planner");
        limit("100", "approver");
        // ten at 5.60 are 56.00, twenty 112.00
        assertThat(post("stella", "/api/stock/postings", UUID.randomUUID(), less("8"))
                        .status())
                .isEqualTo(201);
        knowing();
        Reply refused = post("stella", "/api/stock/postings", UUID.randomUUID(), less("20"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("112.00").contains("planner");
        UUID key = UUID.randomUUID();
        Reply asked = post("stella", "/api/stock/waiting", key, less("20"));
        assertThat(asked.status()).as(String.valueOf(asked.body())).isEqualTo(201);
        assertThat(post("stella", "/api/stock/waiting", key, less("20"))
                        .body()
                        .get("id")
                        .asLong())
                .isEqualTo(asked.body().get("id").asLong());
        assertThat(post("stella", "/api/stock/waiting", UUID.randomUUID(), less("2"))
                        .status())
                .isEqualTo(422);
        assertThat(post("bram", "/api/stock/waiting", UUID.randomUUID(), less("20"))
                        .status())
                .isEqualTo(403);
        long waiting = asked.body().get("id").asLong();
        assertThat(approve("aino", waiting).status()).isEqualTo(403);
        Reply first = approve("ida", waiting);
        assertThat(first.body().get("asks").asText()).isEqualTo("approver");
        assertThat(lying("S-2605")).isEqualByComparingTo("62");
        assertThat(approve("ida", waiting).status()).isEqualTo(403);
        Reply last = approve("aino", waiting);
        assertThat(last.body().get("row").get("state").asText()).isEqualTo("posted");
        assertThat(last.body().get("approved")).hasSize(2);
        assertThat(lying("S-2605")).isEqualByComparingTo("42");
        assertThat(approve("aino", waiting).status()).isEqualTo(409);
        assertThat(lying("S-2605")).isEqualByComparingTo("42");
        assertThat(jdbc.queryForList("select person from movements where key = ?", String.class, key))
                .containsExactly("Stella Quist, approved by Ida Holm and Aino Berg");
    }

    /** What is due comes from what moved; counted and posted, it is not due again. */
    @Test
    void whatWasCountedIsNotDueAgain() throws Exception {
        String wish = "{'site':'LARKMOOR','group':'FEED','due':true,'blind':false}";
        Reply made = send("stella", "POST", "", wish);
        assertThat(made.status()).as(String.valueOf(made.body())).isEqualTo(201);
        JsonNode list = made.body();
        assertThat(list.get("lines")).hasSize(2);
        count(list, "S-2605", "70");
        count(list, "S-2611", "90");
        assertThat(send("stella", "POST", "/" + id(list) + "/posting", "").status())
                .isEqualTo(200);
        Reply again = send("stella", "POST", "", wish);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.body().get("detail").asText()).contains("Nothing there is due");
        assertThat(send("bram", "POST", "", wish).status()).isEqualTo(403);
        assertThat(send("stella", "POST", "", wish.replace("LARKMOOR", "NOWHERE"))
                        .status())
                .isEqualTo(422);
        JsonNode other = feed(false);
        assertThat(send("stella", "POST", "/" + id(other) + "/drop", "").status())
                .isEqualTo(200);
        assertThat(get("stella", "/api/counts").body().get(0).get("state").asText())
                .isEqualTo("dropped");
        byte[] paper = mvc.perform(MockMvcRequestBuilders.get("/api/counts/" + id(other) + "/paper")
                        .with(user(users.loadUserByUsername("stella"))))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(new String(paper, 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
    }
}
