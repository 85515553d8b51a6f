package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;

/** What the desk reads: the plan, one stock point, every Why, orders and items. */
class PlanApiTest extends ServerTest {
    @Test
    void theLivePlanEqualsThePlanOfTheDatasetItself() {
        LocalDate today = LocalDate.of(2026, 11, 23);
        Plan headless = new Planner()
                .plan(Company.snapshot(DatasetReader.read(DEMO), today, today.plusDays(270)), PlanOptions.ALL);
        Plan ours = live.current().plan();
        assertThat(ours.plannedOrders()).isEqualTo(headless.plannedOrders());
        assertThat(ours.signals()).isEqualTo(headless.signals());
    }

    @Test
    void nothingIsToldToThoseWhoAreNotSignedIn() throws Exception {
        for (String path :
                new String[] {"/api/plan", "/api/plan/orders", "/api/orders", "/api/items", "/api/session"}) {
            assertThat(get(null, path).status()).as(path).isEqualTo(401);
        }
        assertThat(get(null, "/api/start").body().get("demo").asBoolean()).isTrue();
    }

    @Test
    void theListSaysWhatEachOrderAsksForAndWhomItServes() throws Exception {
        JsonNode all = get("ida", "/api/plan/orders").body();
        JsonNode bearing = all.get("orders").get(0);
        assertThat(bearing.get("item").asText()).isEqualTo("BRG-6202");
        assertThat(bearing.get("group").asText()).isEqualTo("START_OVERDUE");
        // four levels up stands the extractor of SO-790, which will be late
        assertThat(bearing.get("forLate").asBoolean()).isTrue();
        assertThat(bearing.get("end").get("item").asText()).isEqualTo("EXTR-4");
        assertThat(all.get("orders"))
                .filteredOn(o -> o.hasNonNull("number"))
                .extracting(o -> o.get("number").asText())
                .containsExactlyInAnyOrder("MO-303", "MO-306", "MO-309", "MO-312", "MO-320");
        assertThat(all.get("choices").get("suppliers"))
                .extracting(c -> c.get("code").asText())
                .contains("HOLLIN");
    }

    @Test
    void signalsStandInTheListByWhatTheyAskFor() throws Exception {
        JsonNode signals = get("ida", "/api/plan/orders").body().get("signals");
        assertThat(signals)
                .filteredOn(s -> s.get("group").asText().equals("CANNOT_PLAN"))
                .extracting(s -> s.get("signal").get("item").asText())
                .containsExactly("ENTR-R");
        assertThat(signals)
                .filteredOn(s -> s.get("group").asText().equals("CHANGE_ORDER"))
                .allSatisfy(
                        s -> assertThat(s.get("signal").get("order").asText()).contains("~"));
    }

    @Test
    void aLineLeftOutChangesATrialAndNotThePlan() throws Exception {
        JsonNode trial = reply(
                        "ida",
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get("/api/plan")
                                .header("Plan-Without", "SO-790~1"))
                .body();
        assertThat(trial.get("lateOrders").asInt()).isZero();
        assertThat(get("ida", "/api/plan").body().get("lateOrders").asInt()).isEqualTo(1);
    }

    @Test
    void aPlannedOrderExplainsItselfUpAndDown() throws Exception {
        JsonNode bearing = get("ida", "/api/plan/order?key=BRG-6202~LARKMOOR~2026-11-27~50~0")
                .body()
                .get("detail");
        JsonNode lines = bearing.get("quantity").get("lines");
        assertThat(lines.get(0).get("text").asText()).isEqualTo("On hand today");
        assertThat(lines.get(0).get("quantity").asInt()).isEqualTo(12);
        // the terms add up to the subtotal, and the last line is the order
        int sum = 12;
        int left = Integer.MIN_VALUE;
        for (JsonNode line : lines) {
            sum += line.get("adds").asBoolean() ? line.get("quantity").asInt() : 0;
            left = line.get("weight").asText().equals("SUBTOTAL")
                    ? line.get("quantity").asInt()
                    : left;
        }
        assertThat(left).isEqualTo(sum);
        assertThat(lines.get(lines.size() - 1).get("quantity").asInt()).isEqualTo(50);
        assertThat(bearing.get("serves").findValuesAsText("text")).contains("SO-790 Aldery Bees");
        JsonNode drum = get("ida", "/api/plan/order?key=" + keys("DRM-380").get(0))
                .body()
                .get("detail");
        assertThat(drum.get("needs").findValuesAsText("item")).contains("SHEET-08", "WELD-1");
    }

    @Test
    void aStockPointHasItsLineAndItsSignals() throws Exception {
        JsonNode point =
                get("ida", "/api/plan/stock-point?item=SYRUP-5&site=LARKMOOR").body();
        assertThat(point.get("onHand").asInt()).isEqualTo(160);
        assertThat(point.get("line").get(0).get("date").asText()).isEqualTo("2026-11-23");
        assertThat(point.get("signals").findValuesAsText("sentence"))
                .anyMatch(s -> s.contains("of lot S-2605 expire unused"));
    }

    @Test
    void everyBalanceOnTheLineExplainsItself() throws Exception {
        JsonNode point =
                get("ida", "/api/plan/stock-point?item=CED-2400&site=LARKMOOR").body();
        JsonNode level = point.get("line").get(3);
        JsonNode slip = get(
                        "ida",
                        "/api/plan/balance?item=CED-2400&site=LARKMOOR&date="
                                + level.get("date").asText())
                .body();
        JsonNode last = slip.get("lines").get(slip.get("lines").size() - 1);
        assertThat(last.get("quantity").decimalValue())
                .isEqualByComparingTo(level.get("balance").decimalValue());
    }

    @Test
    void whatIsNotThereIsSaidInWords() throws Exception {
        Reply point = get("ida", "/api/plan/stock-point?item=NOTHING&site=LARKMOOR");
        assertThat(point.status()).isEqualTo(404);
        assertThat(point.body().get("detail").asText()).isEqualTo("There is no stock point NOTHING at LARKMOOR");
        assertThat(get("ida", "/api/orders/one?number=PO-1").status()).isEqualTo(404);
        assertThat(get("ida", "/api/items/one?code=NOTHING").status()).isEqualTo(404);
    }

    @Test
    void ordersAreListedByKindAndStage() throws Exception {
        JsonNode firmed = get("ida", "/api/orders?stage=firmed").body();
        assertThat(firmed.findValuesAsText("number")).contains("MO-320").doesNotContain("MO-318", "PO-2032");
        JsonNode bought = get("ida", "/api/orders?kind=buy").body();
        JsonNode first = bought.get("rows").get(0);
        assertThat(first.get("number").asText()).isEqualTo("PO-2032");
        assertThat(first.get("overdue").asBoolean()).isTrue();
        assertThat(bought.get("total").asInt()).isEqualTo(bought.get("rows").size());
        // what is done stands behind what is open, the last first
        List<String> open = new ArrayList<>();
        List<String> done = new ArrayList<>();
        for (JsonNode row : bought.get("rows")) {
            boolean isDone = row.get("stage").asText().equals("done");
            assertThat(isDone || done.isEmpty()).as(row.toString()).isTrue();
            (isDone ? done : open).add(row.get("due").asText());
        }
        assertThat(open).isNotEmpty().isSorted();
        assertThat(done).isNotEmpty().isSortedAccordingTo(Comparator.reverseOrder());
    }

    /** One for each row would be over twenty; nearly all of it comes from memory. */
    @Test
    void listsTakeAFewStatementsHoweverLongTheyAre() throws Exception {
        List<String> paths = List.of(
                "/api/orders",
                "/api/plan/orders",
                "/api/items",
                "/api/items?words=a&sort=on_hand",
                "/api/items?since=2026-01-01",
                "/api/items/one?code=EXTR-4",
                "/api/items/sheet?code=EXTR-4",
                "/api/bills/where-used?item=BRG-6202&all=true",
                "/api/data/rows?table=items",
                "/api/data/rows?table=bom_lines&words=bearing&sort=quantity",
                "/api/data/offered?table=items&words=b",
                "/api/demand/lines?words=a&sort=customer",
                "/api/demand/order?number=SO-790",
                "/api/demand/usual?customer=C110",
                "/api/plan/allocation?item=EXTR-4",
                "/api/data/history?item=EXTR-4",
                "/api/data/health",
                "/api/find?words=a");
        for (String path : paths) {
            get("ida", path);
            Statements.prepared();
            assertThat(get("ida", path).status()).as(path).isEqualTo(200);
            // beside the sign-in, which is the test's
            assertThat(Statements.prepared())
                    .as(path)
                    .filteredOn(sql -> !sql.contains("SPRING_SESSION"))
                    .hasSizeLessThanOrEqualTo(3);
        }
        // it counts indeed
        jdbc.queryForList("select 1");
        jdbc.queryForList("select code from items where code = ?", "EXTR-4");
        assertThat(Statements.prepared()).contains("select code from items where code = ?");
    }

    @Test
    void aBillOfMaterialsIsATreeDownToWhatIsBought() throws Exception {
        JsonNode extractor = get("ida", "/api/items/one?code=EXTR-4").body();
        JsonNode bearing = null;
        for (JsonNode row : extractor.get("components")) {
            bearing = row.get("item").asText().equals("BRG-6202") ? row : bearing;
        }
        // EXTR-4 > GBX-410 > SHF-410 > CARR-62 > BRG-6202
        assertThat(bearing.get("depth").asInt()).isEqualTo(3);
        assertThat(bearing.get("quantity").asInt()).isEqualTo(2);
        JsonNode used = get("ida", "/api/items/one?code=BRG-6202").body().get("usedIn");
        assertThat(used.findValuesAsText("parent")).containsExactly("CARR-62");
    }

    @Test
    void thingsAreFoundByCodeNameAndNumber() throws Exception {
        assertThat(get("ida", "/api/find?words=brg").body().get(0).get("code").asText())
                .isEqualTo("BRG-6202");
        assertThat(get("ida", "/api/find?words=queen").body().get(0).get("code").asText())
                .isEqualTo("QEX-10");
        assertThat(get("ida", "/api/find?words=po-2032")
                        .body()
                        .get(0)
                        .get("kind")
                        .asText())
                .isEqualTo("order");
    }

    @Test
    void aPathThatIsNoFileIsAPageOfTheFrontEnd() throws Exception {
        var page = mvc.perform(MockMvcRequestBuilders.get("/items/BRG.6202"))
                .andReturn()
                .getResponse();
        assertThat(page.getStatus()).isEqualTo(200);
        assertThat(page.getContentAsString()).contains("<!doctype html>");
        assertThat(mvc.perform(MockMvcRequestBuilders.get("/_app/nothing.js"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
    }

    @Test
    void anItemShowsItsOperationsAndWhichOfThemNeedsAComponent() throws Exception {
        JsonNode item = get("ida", "/api/items/one?code=NUC-5N").body();
        assertThat(item.get("operations").findValuesAsText("workCenter"))
                .containsExactly("Paint shop", "Assembly", "Packing");
        assertThat(item.get("operations").get(0).get("runPerUnit").asInt()).isEqualTo(6);
        assertThat(item.get("components").get(0).get("step").asText()).isEqualTo("10");
        assertThat(get("ida", "/api/items/one?code=BRG-6202").body().get("operations"))
                .isEmpty();
    }
}
