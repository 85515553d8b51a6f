package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;

/** The list of items, one item on one sheet, and what bills of materials say. */
class ItemsApiTest extends ServerTest {
    private JsonNode items(String query) throws Exception {
        Reply reply = get("ida", "/api/items?" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static List<String> codes(JsonNode list) {
        return StreamSupport.stream(list.get("rows").spliterator(), false)
                .map(row -> row.get("code").asText())
                .toList();
    }

    private List<String> expected(String query) {
        return jdbc.queryForList(query, String.class);
    }

    @Test
    void theListComesInWindows() throws Exception {
        List<String> all = expected("select code from items order by code collate \"C\"");
        assertThat(codes(items(""))).isEqualTo(all);
        JsonNode window = items("offset=10&limit=5");
        assertThat(codes(window)).isEqualTo(all.subList(10, 15));
        assertThat(window.get("total").asInt()).isEqualTo(all.size());
        assertThat(codes(items("offset=100000"))).isEmpty();
    }

    @Test
    void itIsFilteredByWhatIsKnownOfTheItems() throws Exception {
        assertThat(codes(items("group=HIVE")))
                .isEqualTo(expected("select code from items where \"group\" = 'HIVE' order by code collate \"C\""));
        assertThat(codes(items("tracking=lot")))
                .isEqualTo(expected("select code from items where tracking = 'lot' order by code collate \"C\""));
        assertThat(codes(items("supplier=HOLLIN"))).contains("CED-2400").doesNotContain("HIVE-10N");
        assertThat(codes(items("source=assemble"))).contains("HIVE-10N").doesNotContain("CED-2400");
        assertThat(codes(items("without=cost")))
                .isEqualTo(expected(
                        "select code from items where coalesce(standard_cost, 0) = 0 order by code collate \"C\""));
        assertThat(codes(items("moved=false")))
                .isEqualTo(
                        expected("select code from items i where not exists (select from stock s where s.item = i.code)"
                                + " and not exists (select from shipments s where s.item = i.code)"
                                + " and not exists (select from open_orders s where s.item = i.code)"
                                + " and not exists (select from customer_orders s where s.item = i.code)"
                                + " order by code collate \"C\""));
    }

    @Test
    void itIsSortedByAnyColumn() throws Exception {
        assertThat(codes(items("sort=cost&desc=true&limit=5")))
                .isEqualTo(expected("select code from items where standard_cost is not null"
                        + " order by standard_cost desc, code collate \"C\" limit 5"));
        assertThat(codes(items("sort=on_hand&desc=true&limit=1")))
                .isEqualTo(expected("select item from stock where coalesce(quarantined, false) = false"
                        + " and (expiry is null or expiry > date '2026-11-23')"
                        + " group by item order by sum(quantity) desc limit 1"));
    }

    @Test
    void whatChangedSinceIsFound() throws Exception {
        assertThat(codes(items("since=2026-01-01"))).isEmpty();
        decide("ida", "{'kind':'DATA','rows':[{'table':'items','key':{'code':'ROD-12'},'fields':{'retired':'true'}}]}");
        knowing();
        assertThat(codes(items("since=2026-01-01"))).containsExactly("ROD-12");
        assertThat(codes(items("retired=true"))).containsExactly("ROD-12");
    }

    @Test
    void everyValueSaysWhereItComesFrom() throws Exception {
        JsonNode sheet = get("ida", "/api/items/sheet?code=CED-2400").body();
        JsonNode point = sheet.get("points").get(0);
        assertThat(origin(point, "safety_stock")).isEqualTo("own 96");
        assertThat(origin(point, "source")).isEqualTo("group buy");
        // Hollin's lead time stands before any other
        assertThat(origin(point, "lead_time_days")).isEqualTo("supplier 12");
        assertThat(origin(point, "frozen_days")).isEqualTo("default ");
        assertThat(sheet.get("rows").get("supplier_items").get(0).get("price").asText())
                .isEqualTo("376.8");
        assertThat(sheet.get("names").get("suppliers").has("HOLLIN")).isTrue();
        assertThat(get("ida", "/api/items/sheet?code=NOBODY").status()).isEqualTo(404);
    }

    private static String origin(JsonNode point, String column) {
        return StreamSupport.stream(point.get("values").spliterator(), false)
                .filter(value -> value.get("column").asText().equals(column))
                .map(value ->
                        value.get("origin").asText() + " " + value.path("value").asText(""))
                .findFirst()
                .orElseThrow();
    }

    /** One handle and 24 screws: what is there of each says how many. */
    @Test
    void howManyCouldBeBuilt() throws Exception {
        jdbc.update("delete from stock where item in ('SCR-440', 'GRIP-B')");
        jdbc.update(
                "insert into stock (item, site, quantity) values ('SCR-440', 'LARKMOOR', 100), ('GRIP-B', 'LARKMOOR', 50)");
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        assertThat(expected("select component || ' ' || quantity::int from bom_lines where parent = 'HW-BOX'"))
                .contains("SCR-440 24", "GRIP-B 2");
        JsonNode built = get("ida", "/api/bills/buildable?item=HW-BOX&site=LARKMOOR")
                .body()
                .get("direct");
        assertThat(built.get("quantity").asInt()).isEqualTo(4);
        JsonNode limit = built.get("limits").get(0);
        assertThat(limit.get("item").asText()).isEqualTo("SCR-440");
        assertThat(limit.get("missing").asInt()).isEqualTo(20);
    }

    @Test
    void whereAnItemIsUsedUpToWhatIsSold() throws Exception {
        JsonNode direct = get("ida", "/api/bills/where-used?item=BRG-6202").body();
        assertThat(direct.get("direct").asInt()).isEqualTo(count("bom_lines where component = 'BRG-6202'"));
        JsonNode all =
                get("ida", "/api/bills/where-used?item=BRG-6202&all=true").body();
        assertThat(all.get("rows").size()).isGreaterThan(direct.get("rows").size());
        assertThat(StreamSupport.stream(all.get("rows").spliterator(), false)
                        .map(row -> row.get("parent").asText()))
                .contains("CARR-62", "GBX-410");
    }

    @Test
    void twoBillsSideBySide() throws Exception {
        JsonNode pairs =
                get("ida", "/api/bills/compare?left=HIVE-10N&right=HIVE-10W").body();
        assertThat(pairs.size()).isPositive();
        assertThat(StreamSupport.stream(pairs.spliterator(), false)
                        .filter(pair -> !pair.get("same").asBoolean()))
                .isNotEmpty();
    }
}
