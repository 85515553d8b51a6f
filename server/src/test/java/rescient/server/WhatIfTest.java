package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.plan.PlannedOrder;

/** What-ifs: calculated, compared, taken over, shared and refused. */
class WhatIfTest extends ServerTest {
    private static final String UP = "{'kind':'DEMAND','percent':20}";
    private static final String SLOWER = "{'kind':'SUPPLIER_SLOWER','supplier':'BROOKMILL','days':5}";

    @BeforeEach
    void noWhatIfs() {
        jdbc.update("delete from what_ifs");
    }

    private static String draft(String name, String... assumptions) {
        return "{'name':'" + name + "','assumptions':[" + String.join(",", assumptions) + "]}";
    }

    private long add(String name, String... assumptions) throws Exception {
        Reply reply = post("ida", "/api/what-ifs", null, draft(name, assumptions));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body().get("id").asLong();
    }

    private JsonNode view(long id) throws Exception {
        return get("ida", "/api/what-ifs/" + id).body();
    }

    private Reply put(String login, long id, long revision, String content) throws Exception {
        return reply(
                login,
                MockMvcRequestBuilders.put("/api/what-ifs/" + id + "?revision=" + revision)
                        .with(csrf())
                        .contentType("application/json")
                        .content(content.replace('\'', '"')));
    }

    private Reply takeOver(long id, UUID command, long revision, int... places) throws Exception {
        return post(
                "ida",
                "/api/what-ifs/" + id + "/taken-over",
                command,
                "{'places':" + json.writeValueAsString(places) + ",'revision':" + revision + "}");
    }

    private JsonNode in(long id, String path) throws Exception {
        return reply("ida", MockMvcRequestBuilders.get(path).header("Plan-What-If", id))
                .body();
    }

    private static JsonNode find(JsonNode rows, String field, String value) {
        for (JsonNode row : rows) {
            if (row.path(field).asText().equals(value)) {
                return row;
            }
        }
        throw new AssertionError("no " + value);
    }

    private static JsonNode figure(JsonNode view, String code) {
        return find(view.get("figures"), "code", code);
    }

    private List<PlannedOrder> planned() {
        knowing();
        return live.current().plan().plannedOrders();
    }

    @Test
    void oneWithoutANameIsNamedByTheFirstNumberThatIsFree() throws Exception {
        add("What-if 2");
        Reply made = post("ida", "/api/what-ifs", null, "{'assumptions':[]}");
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.body().get("name").asText()).isEqualTo("What-if 3");
        Reply blank = post("ida", "/api/what-ifs", null, "{'name':'','assumptions':[]}");
        assertThat(blank.status()).isEqualTo(400);
    }

    @Test
    void theyAreFoundByNameAndByWhatIsOtherwise() throws Exception {
        add("Spring", UP);
        add("Bearings", SLOWER);
        assertThat(get("ida", "/api/what-ifs?words=brookmill LONGER").body())
                .singleElement()
                .satisfies(row -> assertThat(row.get("name").asText()).isEqualTo("Bearings"));
        assertThat(get("ida", "/api/what-ifs?words=spring").body()).hasSize(1);
        assertThat(get("ida", "/api/what-ifs").body()).hasSize(2);
    }

    @Test
    void withoutAssumptionsItIsTheLivePlan() throws Exception {
        JsonNode view = view(add("Nothing"));

        assertThat(view.get("figures")).isNotEmpty().allSatisfy(figure -> {
            assertThat(figure.get("other")).isEqualTo(figure.get("live"));
            assertThat(figure.get("difference").decimalValue()).isZero();
        });
        assertThat(view.get("orders")).isEmpty();
        assertThat(view.get("customerOrders")).isEmpty();
        assertThat(figure(view, "late_lines").get("live").asInt()).isEqualTo(1);
        assertThat(figure(view, "days_late").get("live").asInt()).isEqualTo(25);
    }

    @Test
    void demandUpByAFifthAsksForMoreOfEverything() throws Exception {
        long id = add("A fifth more", UP);
        JsonNode view = view(id);

        assertThat(view.get("assumptions").get(0).get("sentence").asText()).isEqualTo("Demand up by 20 %");
        assertThat(figure(view, "spend").get("difference").decimalValue()).isPositive();
        assertThat(figure(view, "hours").get("difference").decimalValue()).isPositive();
        // what the months come to is what all of it comes to
        BigDecimal months = BigDecimal.ZERO;
        for (JsonNode row : view.get("spend")) {
            months = row.hasNonNull("code")
                    ? months
                    : months.add(row.get("other").decimalValue());
        }
        assertThat(months)
                .isEqualByComparingTo(figure(view, "spend").get("other").decimalValue());
        assertThat(view.get("orders")).isNotEmpty();
        // 24 extractors and a fifth are 28.8: 29
        JsonNode line = find(in(id, "/api/plan/threads/customer-orders").get("rows"), "key", "SO-790~1");
        assertThat(line.get("quantity").asInt()).isEqualTo(29);
        assertThat(find(get("ida", "/api/plan/threads/customer-orders").body().get("rows"), "key", "SO-790~1")
                        .get("quantity")
                        .asInt())
                .isEqualTo(24);
    }

    @Test
    void aSlowerSupplierMakesWhatWaitsForHimLater() throws Exception {
        long id = add("Bearings late", SLOWER);
        // 20 working days from 23 November instead of 15: 21 December instead of 14
        JsonNode bearing = find(in(id, "/api/plan/orders").get("orders"), "item", "BRG-6202");
        assertThat(bearing.get("possible").asText()).isEqualTo("2026-12-21");
        JsonNode late = find(view(id).get("customerOrders"), "number", "SO-790");
        assertThat(late.get("better").asBoolean()).isFalse();
        assertThat(late.get("before").asText()).isEqualTo("2027-01-11");
    }

    @Test
    void aSupplierThatDeliversNothingMovesHisOrdersBehindTheTime() throws Exception {
        long id = add("Closed", "{'kind':'SUPPLIER_OUT','supplier':'GREYLING','from':'2026-11-23','to':'2026-12-06'}");
        // PO-2042 was due on 24 November; Monday 7 December is the first day after
        assertThat(paintComes(id)).isEqualTo("2026-12-07");
    }

    /**
     * GREYLING works Monday to Friday. Of the ten days from 23 November to 4 December he loses five, every other one from
     * the 24th on. PO-2042 was due on the 24th, his second day of that time; that is the 25th now.
     */
    @Test
    void aSupplierWhoIsSlowerForATimeLosesDaysOfIt() throws Exception {
        long id = add(
                "Slower",
                "{'kind':'SUPPLIER_SLOWER','supplier':'GREYLING','days':5,'from':'2026-11-23','to':'2026-12-06'}");
        assertThat(paintComes(id)).isEqualTo("2026-11-25");
        assertThat(view(id).get("assumptions").get(0).get("sentence").asText())
                .endsWith("takes 5 working days longer from 2026-11-23 to 2026-12-06");
    }

    /** When PO-2042 is due in a what-if, as the signal that asks for it earlier says. */
    private String paintComes(long id) throws Exception {
        JsonNode point = in(id, "/api/plan/stock-point?item=PAINT-W&site=LARKMOOR");
        return find(point.get("signals"), "orderNumber", "PO-2042").get("date").asText();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                UP,
                "{'kind':'DEMAND','percent':-50,'of':'orders','customer':'C110','from':'2026-12-01'}",
                "{'kind':'ORDER','item':'EXTR-4','site':'LARKMOOR','quantity':5,'due':'2027-02-01',"
                        + "'customer':'C110'}",
                SLOWER,
                "{'kind':'SUPPLIER_SLOWER','supplier':'BROOKMILL','days':5,'from':'2026-11-23','to':'2026-12-18'}",
                "{'kind':'SUPPLIER_OUT','supplier':'BROOKMILL','from':'2026-11-23','to':'2026-12-06'}",
                "{'kind':'STOCK_LOST','item':'BRG-6202','site':'LARKMOOR','quantity':7}",
                "{'kind':'PLANNING','item':'ROD-12','site':'LARKMOOR','fields':{'safety_stock':'90'}}",
                "{'kind':'BILL','item':'EXTR-4','line':'40','quantity':'2'}",
                "{'kind':'BILL','item':'EXTR-4','component':'ROD-12','quantity':'0.5'}",
                "{'kind':'BILL','item':'EXTR-4','line':'40'}",
                "{'kind':'CALENDAR','site':'LARKMOOR','from':'2026-12-07','to':'2026-12-11'}",
                "{'kind':'FORECAST_SET','set':'Strong spring'}"
            })
    void whatIsTakenOverIsWhatWasSeenAndCanBeTakenBack(String assumption) throws Exception {
        List<PlannedOrder> before = planned();
        long id = add("One thing", assumption);
        JsonNode seen = in(id, "/api/plan/orders").get("orders");
        assertThat(view(id).get("orders")).isNotEmpty();
        assertThat(planned()).isEqualTo(before);

        Reply taken = takeOver(id, UUID.randomUUID(), 1, 0);
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        assertThat(planned()).isNotEqualTo(before);
        assertThat(get("ida", "/api/plan/orders").body().get("orders")).isEqualTo(seen);
        JsonNode view = view(id);
        assertThat(view.get("assumptions")).isEmpty();
        assertThat(view.get("orders")).isEmpty();

        assertThat(undo("ida", taken).status()).isEqualTo(200);
        assertThat(planned()).isEqualTo(before);
        // and it is assumed again
        assertThat(view(id).get("assumptions")).hasSize(1);
        assertThat(in(id, "/api/plan/orders").get("orders")).isEqualTo(seen);
    }

    @Test
    void whatIsTakenBackIsAssumedAgainBesidesWhatWasAssumedSince() throws Exception {
        long id = add("Spring", UP, SLOWER);
        Reply taken = takeOver(id, UUID.randomUUID(), 1, 1);
        jdbc.update("update what_ifs set name = 'Late spring', revision = revision + 1 where id = ?", id);
        undo("ida", taken);
        assertThat(view(id).get("name").asText()).isEqualTo("Late spring");
        assertThat(view(id).get("assumptions")).hasSize(2);
    }

    @Test
    void aWhatIfThatWasThrownAwayStaysAwayWhenWhatCameOfItIsTakenBack() throws Exception {
        long id = add("Spring", UP);
        Reply taken = takeOver(id, UUID.randomUUID(), 1, 0);
        jdbc.update("delete from what_ifs where id = ?", id);
        assertThat(undo("ida", taken).status()).isEqualTo(200);
        assertThat(count("what_ifs")).isZero();
    }

    @Test
    void oneOfSeveralIsTakenOverOnceAndTheOthersStay() throws Exception {
        long id = add("Spring", UP, SLOWER);
        UUID command = UUID.randomUUID();
        Reply first = takeOver(id, command, 1, 1);
        Reply again = takeOver(id, command, 1, 1);

        assertThat(again.body().get("id")).isEqualTo(first.body().get("id"));
        assertThat(first.body().get("sentence").asText())
                .isEqualTo("Took over from the what-if Spring: Brookmill Bearings takes 5 working days longer");
        assertThat(view(id).get("assumptions"))
                .singleElement()
                .satisfies(left -> assertThat(left.get("sentence").asText()).isEqualTo("Demand up by 20 %"));
        assertThat(jdbc.queryForObject(
                        "select lead_time_days from supplier_items where supplier = 'BROOKMILL' and item = 'BRG-6202'",
                        Integer.class))
                .isEqualTo(20);
        // somebody who looked before that took it over too
        assertThat(takeOver(id, UUID.randomUUID(), 1, 0).status()).isEqualTo(409);
        assertThat(count("decisions")).isEqualTo(1);
    }

    @Test
    void eachAssumptionCanBeSeenAlone() throws Exception {
        long both = add("Both", UP, SLOWER);
        JsonNode alone = get("ida", "/api/what-ifs/" + both + "?only=1").body();

        assertThat(alone.get("figures")).isEqualTo(view(add("One", SLOWER)).get("figures"));
        assertThat(alone.get("assumptions").get(0).get("counted").asBoolean()).isFalse();
        assertThat(alone.get("assumptions").get(1).get("counted").asBoolean()).isTrue();
    }

    @Test
    void severalAreComparedWithTheLivePlan() throws Exception {
        long up = add("A fifth more", UP);
        long slower = add("Bearings late", SLOWER);
        JsonNode columns =
                get("ida", "/api/what-ifs/compared?ids=" + up + "," + slower).body();

        assertThat(columns).hasSize(3);
        assertThat(columns.get(0).get("name").asText()).isEqualTo("Live");
        JsonNode spend = figure(view(up), "spend");
        assertThat(columns.get(0).get("figures").get("spend")).isEqualTo(spend.get("live"));
        assertThat(columns.get(1).get("figures").get("spend")).isEqualTo(spend.get("other"));
        assertThat(columns.get(2).get("figures").get("daysLate").asInt()).isGreaterThan(25);
    }

    @Test
    void itFollowsTheLiveDataAndSaysWhatNoLongerFits() throws Exception {
        long id = add("Loss", "{'kind':'STOCK_LOST','item':'BRG-6202','site':'LARKMOOR','quantity':12}", SLOWER);
        long upon = view(id).get("madeUpon").asLong();
        long loss = add("Nothing left", "{'kind':'STOCK_LOST','item':'BRG-6202','site':'LARKMOOR'}");
        assertThat(takeOver(loss, UUID.randomUUID(), 1, 0).status()).isEqualTo(201);
        knowing();
        JsonNode view = view(id);

        assertThat(view.get("madeUpon").asLong()).isGreaterThan(upon);
        assertThat(view.get("assumptions").get(0).get("problem").asText())
                .isEqualTo("There are only 0 BRG-6202 in stock at Larkmoor works");
        assertThat(view.get("assumptions").get(1).hasNonNull("problem")).isFalse();
    }

    @Test
    void onlyItsOwnerChangesItEverybodyLooks() throws Exception {
        long id = add("Mine", UP);

        assertThat(get("emil", "/api/what-ifs").body()).isEmpty();
        assertThat(get("emil", "/api/what-ifs/" + id).body().get("mine").asBoolean())
                .isFalse();
        assertThat(put("emil", id, 1, draft("His", UP)).status()).isEqualTo(403);
        assertThat(put("ida", id, 1, draft("Spring", UP, SLOWER)).status()).isEqualTo(200);
        assertThat(put("ida", id, 1, draft("Late", UP)).status()).isEqualTo(409);
        assertThat(view(id).get("name").asText()).isEqualTo("Spring");
        assertThat(reply(
                                "emil",
                                MockMvcRequestBuilders.delete("/api/what-ifs/" + id)
                                        .with(csrf()))
                        .status())
                .isEqualTo(403);
        assertThat(reply(
                                "ida",
                                MockMvcRequestBuilders.delete("/api/what-ifs/" + id)
                                        .with(csrf()))
                        .status())
                .isEqualTo(204);
        assertThat(get("ida", "/api/what-ifs/" + id).status()).isEqualTo(404);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{'kind':'DEMAND'}|percent",
                "{'kind':'DEMAND','percent':5,'item':'NONE'}|item",
                "{'kind':'SUPPLIER_OUT','supplier':'GREYLING','from':'2026-12-06','to':'2026-11-23'}|to",
                "{'kind':'SUPPLIER_SLOWER','supplier':'NOBODY','days':3}|supplier",
                "{'kind':'SUPPLIER_SLOWER','supplier':'GREYLING','days':3,'from':'2026-11-23'}|to",
                "{'kind':'SUPPLIER_SLOWER','supplier':'GREYLING','days':6,'from':'2026-11-23','to':'2026-11-29'}|days",
                "{'kind':'STOCK_LOST','item':'BRG-6202','site':'LARKMOOR','quantity':13}|quantity",
                "{'kind':'BILL','item':'EXTR-4','line':'99'}|line",
                "{'kind':'PLANNING','item':'ROD-12','site':'LARKMOOR','fields':{'safety_stock':'many'}}|safety_stock",
                "{'kind':'FORECAST_SET','set':'Mild winter'}|set"
            })
    void whatDoesNotFitIsRefusedBesideItsField(String given) throws Exception {
        String[] parts = given.split("\\|");
        Reply reply = post("ida", "/api/what-ifs", null, draft("No", parts[0]));

        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.body().get("field").asText()).isEqualTo(parts[1]);
        assertThat(count("what_ifs")).isZero();
    }
}
