package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Row;
import rescient.server.planning.PlanVersion;

/** The company's data changed row by row: looked at first, kept whole, told for ever, taken back. */
class MasterDataTest extends ServerTest {
    private static final String LEAD_TIME = "{'kind':'DATA','rows':[{'table':'planning','key':{'item':'GBX-410',"
            + "'site':'LARKMOOR'},'fields':{'lead_time_days':'%s'},'seen':{'lead_time_days':'%s'}}]}";

    private Row row(String table, String... key) {
        return live.current().directory().facts().row(table, key);
    }

    private Reply keep(String wish) throws Exception {
        Reply kept = decide("ida", wish);
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        return kept;
    }

    private static List<String> texts(JsonNode rows, String field) {
        return StreamSupport.stream(rows.spliterator(), false)
                .map(row -> row.get(field).asText())
                .toList();
    }

    /** What is followed is what would be read and calculated anew. */
    private void sameAsReadAgain() {
        PlanVersion version = live.current();
        Plan again = new Planner()
                .plan(Company.snapshot(store.read().dataset(), version.today(), version.horizonEnd()), PlanOptions.ALL);
        assertThat(version.plan().plannedOrders()).isEqualTo(again.plannedOrders());
        assertThat(version.signals()).isEqualTo(again.allSignals());
    }

    @Test
    void aLeadTimeIsLookedAtKeptToldAndTakenBack() throws Exception {
        String before = row("planning", "GBX-410", "LARKMOOR").text("lead_time_days", "");
        JsonNode consequence = consequence(LEAD_TIME.formatted("40", before));
        assertThat(consequence.get("refusals")).isEmpty();
        assertThat(consequence.get("points").get(0).get("after").get("item").asText())
                .isEqualTo("GBX-410");
        assertThat(consequence.get("vanish").size() + consequence.get("appear").size())
                .isPositive();
        assertThat(row("planning", "GBX-410", "LARKMOOR").text("lead_time_days", ""))
                .isEqualTo(before);

        Plan plan = live.current().plan();
        Reply kept = keep(LEAD_TIME.formatted("40", before));
        assertThat(kept.body().get("sentence").asText()).contains("GBX-410").contains("→ 40");
        assertThat(live.current().plan().plannedOrders()).isNotEqualTo(plan.plannedOrders());
        sameAsReadAgain();

        JsonNode told = get("ida", "/api/data/history?item=GBX-410").body().get(0);
        assertThat(told.get("name").asText()).isEqualTo("Ida Holm");
        assertThat(told.get("table").asText()).isEqualTo("planning");
        assertThat(told.get("fields").get(0).get("after").asText()).isEqualTo("40");
        assertThat(told.get("fields").get(0).path("before").asText("")).isEqualTo(before);

        assertThat(undo("ida", kept).status()).isEqualTo(200);
        knowing();
        assertThat(row("planning", "GBX-410", "LARKMOOR").text("lead_time_days", ""))
                .isEqualTo(before);
        assertThat(live.current().plan().plannedOrders()).isEqualTo(plan.plannedOrders());
        sameAsReadAgain();
    }

    /** Two people at the same field: the second is shown both values, and nothing is lost. */
    @Test
    void whoeverComesSecondSeesWhatTheFirstChanged() throws Exception {
        String seen = row("planning", "GBX-410", "LARKMOOR").text("lead_time_days", "");
        keep(LEAD_TIME.formatted("21", seen));
        Reply second = decide("ida", LEAD_TIME.formatted("30", seen));
        assertThat(second.status()).isEqualTo(409);
        JsonNode conflict = second.body().get("conflicts").get(0);
        assertThat(conflict.get("now").asText()).isEqualTo("21");
        assertThat(conflict.get("mine").asText()).isEqualTo("30");
        assertThat(conflict.get("seen").asText()).isEqualTo(seen);
        // who wants the same has no quarrel, and who has seen it decides
        assertThat(consequence(LEAD_TIME.formatted("21", seen)).get("conflicts"))
                .isEmpty();
        keep(LEAD_TIME.formatted("30", "21"));
    }

    @Test
    void everyFieldSaysWhatIsWrongWithIt() throws Exception {
        JsonNode consequence = consequence("{'kind':'DATA','rows':[{'table':'planning','key':{'item':'GBX-410',"
                + "'site':'LARKMOOR'},'fields':{'lead_time_days':'soon','supplier':'NOBODY'}},{'table':'bom_lines',"
                + "'key':{'parent':'GBX-410','line':'990'},'fields':{'quantity':'-1'},'fresh':true}]}");
        assertThat(StreamSupport.stream(consequence.get("faults").spliterator(), false)
                        .map(f -> f.get("row").asInt() + " " + f.get("column").asText()))
                .containsExactlyInAnyOrder("0 lead_time_days", "0 supplier", "1 quantity", "1 component");
        assertThat(consequence.get("refusals")).isNotEmpty();
    }

    /** The rules of the company are asked before anything is kept: the maximum must not be below the minimum. */
    @Test
    void whatCannotBePlannedIsToldAtItsField() throws Exception {
        JsonNode consequence = consequence("{'kind':'DATA','rows':[{'table':'planning','key':{'item':'GBX-410',"
                + "'site':'LARKMOOR'},'fields':{'min_quantity':'50','max_quantity':'20'}}]}");
        assertThat(consequence.get("faults").get(0).get("row").asInt()).isZero();
        assertThat(consequence.get("faults").get(0).get("column").asText()).isEqualTo("min_quantity");
    }

    @Test
    void aLoopIsRefusedWithItsWay() throws Exception {
        JsonNode consequence = consequence("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'CARR-62',"
                + "'line':'990'},'fields':{'component':'GBX-410','quantity':'1'},'fresh':true}]}");
        assertThat(consequence.get("faults").get(0).get("column").asText()).isEqualTo("component");
        assertThat(consequence.get("faults").get(0).get("sentence").asText())
                .contains("CARR-62 → GBX-410")
                .endsWith("→ CARR-62.");
    }

    @Test
    void aLineIsAddedMovedAndTakenOut() throws Exception {
        keep("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'GBX-410','line':'990'},"
                + "'fields':{'component':'ROD-12','quantity':'0.5'},'fresh':true}]}");
        assertThat(row("bom_lines", "GBX-410", "990").text("component")).isEqualTo("ROD-12");
        sameAsReadAgain();
        keep("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'GBX-410','line':'990'},"
                + "'fields':{'line':'5'}}]}");
        assertThat(row("bom_lines", "GBX-410", "990")).isNull();
        assertThat(row("bom_lines", "GBX-410", "5").text("quantity")).isEqualTo("0.5");
        keep("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'GBX-410','line':'5'},'gone':true}]}");
        assertThat(row("bom_lines", "GBX-410", "5")).isNull();
        sameAsReadAgain();
    }

    /** Two lines exchange their places: neither key is free, but for the other. */
    @Test
    void twoLinesExchangeTheirPlaces() throws Exception {
        String ten = row("bom_lines", "HW-BOX", "10").text("component");
        String twenty = row("bom_lines", "HW-BOX", "20").text("component");
        Reply kept = keep("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'HW-BOX','line':'10'},"
                + "'fields':{'line':'20'}},{'table':'bom_lines','key':{'parent':'HW-BOX','line':'20'},"
                + "'fields':{'line':'10'}}]}");
        assertThat(row("bom_lines", "HW-BOX", "10").text("component")).isEqualTo(twenty);
        assertThat(jdbc.queryForObject(
                        "select component from bom_lines where parent = 'HW-BOX' and line = '20'", String.class))
                .isEqualTo(ten);
        sameAsReadAgain();
        undo("ida", kept);
        knowing();
        assertThat(row("bom_lines", "HW-BOX", "10").text("component")).isEqualTo(ten);
        sameAsReadAgain();
        JsonNode taken =
                consequence("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'HW-BOX','line':'10'},"
                        + "'fields':{'line':'20'}}]}");
        assertThat(taken.get("faults").get(0).get("sentence").asText()).contains("is there already");
    }

    /** Nothing that is changed with a code could get lost: it is changed by itself. */
    @Test
    void aCodeIsChangedByItself() throws Exception {
        JsonNode both = consequence(
                "{'kind':'DATA','rows':[{'table':'items','key':{'code':'ROD-12'},"
                        + "'fields':{'code':'ROD-12-S'}},{'table':'items','key':{'code':'NAIL-20'},'fields':{'name':'Nail'}}]}");
        assertThat(both.get("faults").get(0).get("sentence").asText()).contains("by itself");
    }

    /** A row whose key has an empty part, in the table and in the database. */
    @Test
    void anOperationOfEverySiteIsChanged() throws Exception {
        Row operation = row("operations", "NUC-SIDE", "10", "");
        assertThat(operation.text("setup_minutes")).isEqualTo("20");
        Reply kept = keep("{'kind':'DATA','rows':[{'table':'operations','key':{'item':'NUC-SIDE','step':'10'},"
                + "'fields':{'setup_minutes':'35'}}]}");
        assertThat(jdbc.queryForObject(
                        "select setup_minutes from operations where item = 'NUC-SIDE' and step = '10'", String.class))
                .startsWith("35");
        undo("ida", kept);
        knowing();
        assertThat(row("operations", "NUC-SIDE", "10", "").text("setup_minutes"))
                .isEqualTo("20");
        sameAsReadAgain();
    }

    @Test
    void onlyWhatWasNeverUsedIsTakenAway() throws Exception {
        JsonNode used = consequence("{'kind':'DATA','rows':[{'table':'items','key':{'code':'ROD-12'},'gone':true}]}");
        assertThat(used.get("refusals").get(0).asText()).contains("is used by").contains("Retire it");

        keep("{'kind':'COPY','item':'GBX-410','code':'GBX-411','name':'Gearbox, long'}");
        Reply gone = keep("{'kind':'DATA','rows':[{'table':'items','key':{'code':'GBX-411'},'gone':true}]}");
        assertThat(row("items", "GBX-411")).isNull();
        assertThat(count("bom_lines where parent = 'GBX-411'")).isZero();
        undo("ida", gone);
        knowing();
        assertThat(row("items", "GBX-411").text("name")).isEqualTo("Gearbox, long");
        sameAsReadAgain();
    }

    /** A variant: the copy has the same bill of materials, routing, planning data and suppliers, and is planned at once. */
    @Test
    void aVariantIsCopiedAndPlanned() throws Exception {
        int lines = count("bom_lines where parent = 'GBX-410'");
        keep("{'kind':'COPY','item':'GBX-410','code':'GBX-411','name':'Gearbox, long'}");
        assertThat(count("bom_lines where parent = 'GBX-411'")).isEqualTo(lines).isPositive();
        assertThat(row("planning", "GBX-411", "LARKMOOR").text("source", ""))
                .isEqualTo(row("planning", "GBX-410", "LARKMOOR").text("source", ""));
        keep(ordering("GBX-411", "5", "2027-02-26"));
        assertThat(keys("GBX-411")).hasSize(1);
        sameAsReadAgain();
        Reply again = decide("ida", "{'kind':'COPY','item':'GBX-410','code':'GBX-411'}");
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.body().get("field").asText()).isEqualTo("code");
    }

    /** All that names a code follows it: open orders and what they still need too. */
    @Test
    void aCodeIsChangedEverywhereAndBack() throws Exception {
        Plan plan = live.current().plan();
        int used = count("bom_lines where component = 'ROD-12'");
        Reply kept = keep(
                "{'kind':'DATA','rows':[{'table':'items','key':{'code':'ROD-12'}," + "'fields':{'code':'ROD-12-S'}}]}");
        assertThat(kept.body().get("sentence").asText()).isEqualTo("Renamed item ROD-12 to ROD-12-S");
        assertThat(count("bom_lines where component = 'ROD-12-S'"))
                .isEqualTo(used)
                .isPositive();
        assertThat(row("planning", "ROD-12-S", "LARKMOOR")).isNotNull();
        sameAsReadAgain();
        undo("ida", kept);
        knowing();
        assertThat(count("bom_lines where component = 'ROD-12'")).isEqualTo(used);
        assertThat(live.current().plan().plannedOrders()).isEqualTo(plan.plannedOrders());
        sameAsReadAgain();
    }

    @Test
    void aComponentIsReplacedEverywhereAndTakenBack() throws Exception {
        int used = count("bom_lines where component = 'SCR-440'");
        Plan plan = live.current().plan();
        JsonNode consequence = consequence("{'kind':'REPLACE','component':'SCR-440','by':'SCR-525'}");
        assertThat(consequence.get("sentence").asText()).contains("in " + used + " bill");
        Reply kept = keep("{'kind':'REPLACE','component':'SCR-440','by':'SCR-525'}");
        assertThat(count("bom_lines where component = 'SCR-440'")).isZero();
        sameAsReadAgain();
        undo("ida", kept);
        knowing();
        assertThat(count("bom_lines where component = 'SCR-440'"))
                .isEqualTo(used)
                .isPositive();
        assertThat(live.current().plan().plannedOrders()).isEqualTo(plan.plannedOrders());
        JsonNode loop = consequence("{'kind':'REPLACE','component':'CARR-62','by':'GBX-410'}");
        assertThat(loop.get("refusals").get(0).asText()).contains("GBX-410 is made of");
    }

    /** One field of very many rows at once goes in together, and comes back together. */
    @Test
    void oneFieldOfManyRows() throws Exception {
        StringBuilder rows = new StringBuilder();
        for (Row item : live.current().directory().facts().rows("items")) {
            rows.append(rows.isEmpty() ? "" : ",")
                    .append("{'table':'items','key':{'code':'")
                    .append(item.text("code"))
                    .append("'},'fields':{'planner':'Aino Laine'}}");
        }
        Reply kept = keep("{'kind':'DATA','rows':[" + rows + "]}");
        assertThat(kept.body().get("sentence").asText()).startsWith("Changed planner of ");
        assertThat(count("items where planner = 'Aino Laine'")).isEqualTo(count("items"));
        undo("ida", kept);
        knowing();
        assertThat(count("items where planner = 'Aino Laine'")).isLessThan(count("items"));
        sameAsReadAgain();
    }

    /** A group's value reaches all stock points that do not say their own. */
    @Test
    void aGroupSaysFirstWhatItChanges() throws Exception {
        String wish = "{'kind':'DATA','rows':[{'table':'item_groups','key':{'code':'HIVE'},"
                + "'fields':{'lead_time_days':'9'}}]}";
        JsonNode consequence = consequence(wish);
        assertThat(consequence.get("vanish").size() + consequence.get("appear").size())
                .isPositive();
        assertThat(texts(consequence.get("remarks"), "").toString()).isNotNull();
        keep(wish);
        JsonNode sheet = get("ida", "/api/items/sheet?code=HIVE-10N").body();
        JsonNode leadTime = StreamSupport.stream(
                        sheet.get("points").get(0).get("values").spliterator(), false)
                .filter(v -> v.get("column").asText().equals("lead_time_days"))
                .findFirst()
                .orElseThrow();
        assertThat(leadTime.get("origin").asText()).isEqualTo("group");
        assertThat(leadTime.get("value").asText()).isEqualTo("9");
        sameAsReadAgain();
    }

    @Test
    void everybodyChangesWhatIsTheirs() throws Exception {
        String planning =
                LEAD_TIME.formatted("21", row("planning", "GBX-410", "LARKMOOR").text("lead_time_days", ""));
        String price = "{'kind':'DATA','rows':[{'table':'supplier_items','key':{'supplier':'HOLLIN','item':'CED-2400',"
                + "'from_quantity':'0'},'fields':{'price':'380'}}]}";
        String line = "{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'HW-BOX','line':'10'},"
                + "'fields':{'quantity':'25'}}]}";
        for (String[] who : new String[][] {{"BUYER", price}, {"ENGINEER", line}}) {
            String login = jdbc.queryForObject("select login from users where role = ? limit 1", String.class, who[0]);
            assertThat(decide(login, planning).status()).isEqualTo(403);
            assertThat(decide(login, who[1].equals(price) ? line : price).status())
                    .isEqualTo(403);
            assertThat(decide(login, who[1]).status()).isEqualTo(201);
        }
    }

    /** What is retired is planned as before, and offered no more; who chooses it all the same is told. */
    @Test
    void whatIsRetiredIsNotOffered() throws Exception {
        keep("{'kind':'DATA','rows':[{'table':'items','key':{'code':'BRG-6202-SS'},'fields':{'retired':'true'}},"
                + "{'table':'suppliers','key':{'code':'TANDEM'},'fields':{'retired':'true'}}]}");
        assertThat(texts(
                        get("ida", "/api/data/offered?table=items&words=BRG-6202")
                                .body(),
                        "code"))
                .containsExactly("BRG-6202");
        JsonNode found = get("ida", "/api/find?words=BRG-6202").body();
        assertThat(found.get(0).get("retired").asBoolean()).isFalse();
        assertThat(texts(found, "code")).contains("BRG-6202-SS");
        PlanVersion version = live.current();
        assertThat(version.directory().suppliersOf("BRG-6202")).containsExactly("BROOKMILL", "WIDDOW");
        JsonNode chosen =
                consequence("{'kind':'DATA','rows':[{'table':'bom_lines','key':{'parent':'HW-BOX','line':'990'},"
                        + "'fields':{'component':'BRG-6202-SS','quantity':'1'},'fresh':true}]}");
        assertThat(chosen.get("remarks").toString()).contains("BRG-6202-SS is retired");
    }

    /** The next year's terms are typed in this year: they plan when their day has come, and go when they are taken back. */
    @Test
    void termsOfTomorrowDoNotCountToday() throws Exception {
        Plan before = live.current().plan();
        String terms =
                "{'kind':'DATA','rows':[{'table':'supplier_items','key':{'supplier':'BROOKMILL','item':'BRG-6202',"
                        + "'from_quantity':'0','valid_from':'%s'},'fields':{'price':'9','preference':'1','lead_time_days':'%s'},'fresh':true}]}";
        Reply later = keep(terms.formatted(live.current().today().plusDays(1), 50));
        assertThat(live.current().plan().plannedOrders()).isEqualTo(before.plannedOrders());
        sameAsReadAgain();
        Reply now = keep(terms.formatted(live.current().today(), 60));
        assertThat(live.current()
                        .plan()
                        .point("BRG-6202", "LARKMOOR")
                        .orElseThrow()
                        .leadTimeDays(Quantity.ONE))
                .isEqualTo(60);
        sameAsReadAgain();
        assertThat(jdbc.queryForList(
                        "select valid_from::text from supplier_items where supplier = 'BROOKMILL' and item = 'BRG-6202'"
                                + " and from_quantity = 0 order by valid_from nulls first",
                        String.class))
                .containsExactly(
                        null,
                        live.current().today().toString(),
                        live.current().today().plusDays(1).toString());
        assertThat(undo("ida", now).status()).isEqualTo(200);
        assertThat(undo("ida", later).status()).isEqualTo(200);
        knowing();
        assertThat(live.current().plan().plannedOrders()).isEqualTo(before.plannedOrders());
        assertThat(jdbc.queryForObject(
                        "select count(*) from supplier_items where valid_from is not null", Integer.class))
                .isZero();
        sameAsReadAgain();
    }

    @Test
    void tablesAreSearchedSortedAndSentInWindows() throws Exception {
        JsonNode tables = get("ida", "/api/data/tables").body();
        assertThat(texts(tables, "name")).contains("items", "planning", "bom_lines");
        JsonNode all = get("ida", "/api/data/rows?table=suppliers").body();
        assertThat(all.get("total").asInt()).isEqualTo(count("suppliers"));
        JsonNode window = get("ida", "/api/data/rows?table=suppliers&sort=name&desc=true&offset=2&limit=3")
                .body();
        List<String> names = jdbc.queryForList(
                "select name from suppliers order by name collate \"C\" desc offset 2 limit 3", String.class);
        assertThat(texts(window.get("rows"), "name")).isEqualTo(names);
        // by the name of what it names
        JsonNode found =
                get("ida", "/api/data/rows?table=supplier_items&words=sealed").body();
        assertThat(texts(found.get("rows"), "item")).isNotEmpty().containsOnly("BRG-6202");
        assertThat(get("ida", "/api/data/rows?table=nothing").status()).isEqualTo(404);
    }

    /** However a number of its key is written: the limit from 100 is changed, not doubled, and taken away. */
    @Test
    void aRowIsFoundByANumberInItsKey() throws Exception {
        String row =
                "{'kind':'DATA','rows':[{'table':'approval_limits','key':{'document':'adjustment','from_value':'100'},%s}]}";
        String roles = "select role from approval_limits where document = 'adjustment' and from_value = 100";
        keep(String.format(row, "'fields':{'role':'planner'},'fresh':true"));
        assertThat(jdbc.queryForList(roles, String.class)).containsExactly("planner");
        keep(String.format(row, "'fields':{'role':'approver'}"));
        assertThat(jdbc.queryForList(roles, String.class)).containsExactly("approver");
        keep(String.format(row, "'gone':true"));
        assertThat(jdbc.queryForList(roles, String.class)).isEmpty();
    }
}
