package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.dataset.DatasetReader;
import rescient.server.planning.PlanFollower;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.SharedWork;

/** What changed, since when, and who or what caused it. */
class ChangesApiTest extends ServerTest {
    @Autowired
    private List<SharedWork> shared;

    @Autowired
    PlanFollower journal;

    private JsonNode changes(String since) throws Exception {
        knowing();
        Reply reply = get("ida", "/api/plan/changes?since=" + since);
        assertThat(reply.status()).isEqualTo(200);
        return reply.body();
    }

    private static List<JsonNode> of(JsonNode rows, String field, String value) {
        List<JsonNode> found = new ArrayList<>();
        rows.forEach(row -> {
            if (row.path(field).asText().equals(value)) {
                found.add(row);
            }
        });
        return found;
    }

    private void signIn(String login) throws Exception {
        Reply reply = reply(
                null,
                MockMvcRequestBuilders.post("/api/session")
                        .with(csrf())
                        .contentType("application/json")
                        .content("{\"login\":\"" + login + "\",\"password\":\"clover\"}"));
        assertThat(reply.status()).isEqualTo(200);
    }

    private void signOut(String login) throws Exception {
        Reply reply = reply(login, MockMvcRequestBuilders.delete("/api/session").with(csrf()));
        assertThat(reply.status()).isEqualTo(204);
    }

    @Test
    void aLoadedCompanyIsTheBeginning() throws Exception {
        JsonNode changes = changes("morning");

        assertThat(changes.get("orders")).isEmpty();
        assertThat(changes.get("causes"))
                .singleElement()
                .satisfies(cause -> assertThat(cause.get("sentence").asText()).isEqualTo("Larkmoor Hives was loaded"));
    }

    @Test
    void aRushOrderIsTheCauseOfWhatItChanged() throws Exception {
        Reply entered = decide("ida", ordering("'customer':'C110',", "EXTR-4", "10", "2026-11-30"));
        assertThat(entered.status()).as(String.valueOf(entered.body())).isEqualTo(201);
        JsonNode changes = changes("morning");

        JsonNode cause = changes.get("causes").get(0);
        assertThat(cause.get("name").asText()).isEqualTo("Ida Holm");
        assertThat(cause.get("sentence").asText())
                .isEqualTo(entered.body().get("sentence").asText())
                .startsWith("Entered SO-792: 10 EXTR-4 for ");
        assertThat(cause.get("orders").asInt())
                .isEqualTo(changes.get("orders").size())
                .isPositive();
        assertThat(changes.get("orders"))
                .allSatisfy(order -> assertThat(order.get("causes"))
                        .singleElement()
                        .satisfies(id ->
                                assertThat(id.asInt()).isEqualTo(cause.get("id").asInt())));
        assertThat(of(changes.get("orders"), "item", "EXTR-4")).isNotEmpty();
        // their bearings alone take 15 working days
        assertThat(of(changes.get("customerOrders"), "number", "SO-792"))
                .singleElement()
                .satisfies(late -> {
                    assertThat(late.get("better").asBoolean()).isFalse();
                    assertThat(late.hasNonNull("before")).isFalse();
                });

        assertThat(undo("ida", entered).status()).isEqualTo(200);
        JsonNode after = changes("morning");
        assertThat(after.get("orders")).isEmpty();
        assertThat(after.get("customerOrders")).isEmpty();
        assertThat(after.get("causes").get(0).get("sentence").asText()).startsWith("Took back: Entered SO-792");
        assertThat(count("customer_orders where number = 'SO-792'")).isZero();
    }

    @Test
    void aCustomerOrderThatCannotBeIsRefusedBesideItsField() throws Exception {
        assertThat(decide("ida", ordering("NONE", "4", "2026-12-01"))
                        .body()
                        .get("field")
                        .asText())
                .isEqualTo("lines.0.item");
        assertThat(decide("ida", ordering("NUC-5N", "4", "2026-11-20"))
                        .body()
                        .get("field")
                        .asText())
                .isEqualTo("lines.0.wanted");
        Reply half = decide("ida", ordering("NUC-5N", "4.5", "2026-12-01"));
        assertThat(half.status()).isEqualTo(422);
        assertThat(half.body().get("detail").asText()).contains("cannot be a customer order");
        assertThat(decide("emil", ordering("NUC-5N", "4", "2026-12-01")).status())
                .isEqualTo(403);
        assertThat(decide("sven", ordering("NUC-5N", "4", "2026-12-01")).status())
                .isEqualTo(201);
    }

    @Test
    void causesAreFoundByWhoAndWhat() throws Exception {
        decide("ida", "{'kind':'FIRM','orders':['" + keys("ROD-12").get(0) + "']}");
        knowing();
        JsonNode found =
                get("ida", "/api/plan/changes?since=morning&words=rod-12 holm").body();
        // what is not found is named all the same by what it changed
        assertThat(found.get("causes")).hasSize(2);
        assertThat(found.get("found"))
                .singleElement()
                .isEqualTo(found.get("causes").get(0).get("id"));
        assertThat(get("ida", "/api/plan/changes?since=morning&words=emil")
                        .body()
                        .get("found"))
                .isEmpty();
    }

    @Test
    void whatIsFirmedIsNotGone() throws Exception {
        String key = keys("ROD-12").get(0);
        Reply firmed = decide("ida", "{'kind':'FIRM','orders':['" + key + "']}");
        JsonNode row = of(changes("morning").get("orders"), "item", "ROD-12").get(0);

        assertThat(row.get("kind").asText()).isEqualTo("firmed");
        assertThat(row.get("number").asText()).startsWith("FO-");
        assertThat(row.get("key").asText())
                .isEqualTo(firmed.body().get("orders").get(0).asText());
    }

    @Test
    void anotherDayAndAReceiptThatDidNotComeAreCausesOfTheirOwn() throws Exception {
        // PO-2042, 50 paint due on 24 November, has not come when the 25th dawns; the server was not running meanwhile
        journal.follow(null, live.current().on(LocalDate.of(2026, 11, 25)));
        JsonNode causes = changes("morning").get("causes");

        assertThat(of(causes, "kind", "day"))
                .singleElement()
                .satisfies(day -> assertThat(day.get("sentence").asText()).isEqualTo("It became 2026-11-25"));
        assertThat(of(causes, "number", "PO-2042"))
                .singleElement()
                .satisfies(receipt -> assertThat(receipt.get("sentence").asText())
                        .startsWith("PO-2042 from ")
                        .endsWith(", due on 2026-11-24, did not come"));
    }

    @Test
    void sinceTheLastVisitIsSinceOnesOwn() throws Exception {
        signIn("aino");
        signOut("aino");
        decide("ida", "{'kind':'FIRM','orders':['" + keys("ROD-12").get(0) + "']}");
        knowing();
        signIn("aino");
        decide("ida", "{'kind':'FIRM','orders':['" + keys("TAP-40").get(0) + "']}");
        knowing();
        JsonNode since = get("aino", "/api/plan/changes").body();
        // both came after aino's visit before this one
        assertThat(since.get("causes")).hasSize(2);

        // who comes in by another browser meanwhile is on the same visit
        signIn("aino");
        assertThat(get("aino", "/api/plan/changes").body().get("causes")).hasSize(2);

        signOut("aino");
        decide("ida", "{'kind':'FIRM','orders':['" + keys("NAIL-20").get(0) + "']}");
        knowing();
        signIn("aino");
        JsonNode later = get("aino", "/api/plan/changes").body();
        assertThat(later.get("causes"))
                .singleElement()
                .satisfies(cause -> assertThat(cause.get("sentence").asText()).contains("NAIL-20"));
    }

    @Test
    void whatIsOlderThanSixtyDaysIsNotKept() throws Exception {
        told();
        jdbc.update("update plan_journal set made_at = made_at - interval '61 days'");
        jdbc.update("update plan_causes set made_at = made_at - interval '61 days'");
        decide("ida", "{'kind':'FIRM','orders':['" + keys("ROD-12").get(0) + "']}");
        knowing();
        told();
        int causes = count("plan_causes");
        shared.stream().filter(work -> work.name().equals("journal-forgotten")).forEach(SharedWork::run);

        assertThat(count("plan_journal")).isEqualTo(1);
        // who changed which fact is kept for ever
        assertThat(count("plan_causes")).isEqualTo(causes);
    }

    private void firm(String item) throws Exception {
        decide("ida", "{'kind':'FIRM','orders':['" + keys(item).get(0) + "']}");
        knowing();
        told();
    }

    /** What changed is kept beside the calculation; whoever asks for it waits until it is. */
    private void told() throws Exception {
        get("ida", "/api/plan/changes?since=morning");
    }

    @Test
    void aServerThatIsBehindTellsNothingOfACompanyThatIsGone() throws Exception {
        PlanVersion before = live.current();
        firm("ROD-12");
        PlanVersion next = live.current();
        store.replace(DatasetReader.read(DEMO), "Larkmoor Hives", true);
        knowing();
        told();
        jdbc.update("delete from plan_journal");
        journal.follow(before, next);
        told();
        assertThat(jdbc.queryForObject(
                        "select count(*) from plan_journal where revision = ?", Integer.class, next.revision()))
                .isZero();
    }

    @Test
    void aServerThatIsBehindTellsNothingTwice() throws Exception {
        PlanVersion before = live.current();
        firm("ROD-12");
        firm("NAIL-20");
        // not told yet, and this server does not know the plan between
        jdbc.update(
                "delete from plan_journal where revision = ?", live.current().revision());
        journal.follow(before, live.current());
        told();
        assertThat(jdbc.queryForObject(
                        "select count(*) from plan_journal where changes::text like '%Firmed 126 ROD-12%'",
                        Integer.class))
                .isEqualTo(1);
    }

    @Test
    void aMomentThatIsNoneIsRefused() throws Exception {
        assertThat(get("ida", "/api/plan/changes?since=yesterday").status()).isEqualTo(400);
        assertThat(changes("2100-01-01T00:00:00Z").get("causes")).isEmpty();
    }

    /** Of very many the first are sent; one cause has its own. */
    @Test
    void theFirstOfManyAreSent() throws Exception {
        decide("ida", ordering("'customer':'C110',", "EXTR-4", "10", "2026-11-30"));
        JsonNode all = changes("morning");
        int count = all.get("orders").size();
        assertThat(count).isGreaterThan(3);
        assertThat(all.get("orderCount").asInt()).isEqualTo(count);
        JsonNode few = changes("morning&most=2");
        assertThat(few.get("orderCount").asInt()).isEqualTo(count);
        assertThat(few.get("orders")).hasSize(2);
        assertThat(few.get("orders").get(0)).isEqualTo(all.get("orders").get(0));
        assertThat(few.get("causes")).isEqualTo(all.get("causes"));
        int rush = all.get("causes").get(0).get("id").asInt();
        assertThat(changes("morning&cause=" + rush).get("orders")).isEqualTo(all.get("orders"));
        assertThat(changes("morning&cause=" + (rush + 1)).get("orders")).isEmpty();
    }
}
