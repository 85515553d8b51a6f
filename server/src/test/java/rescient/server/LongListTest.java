package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;
import rescient.core.plan.PlannedOrder;
import rescient.server.planning.Words;

/** A list that is too long to be sent whole: the most urgent of what fits, and how much more there is. */
@TestPropertySource(properties = {"rescient.list-whole=30", "rescient.list-most=30"})
class LongListTest extends ServerTest {
    private static final int MOST = 30;
    private List<PlannedOrder> planned;

    @BeforeEach
    void thePlan() {
        planned = live.current().plan().plannedOrders();
    }

    private JsonNode list(String query) throws Exception {
        Reply reply = get("ida", "/api/plan/orders" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        assertThat(reply.body().get("whole").asBoolean()).isFalse();
        return reply.body();
    }

    /** The demo has one firmed order, of GBX-410, and firmed production orders; they are counted apart. */
    private static List<JsonNode> plannedRows(JsonNode list) {
        List<JsonNode> rows = new ArrayList<>();
        list.get("orders").forEach(row -> {
            if (!row.hasNonNull("number")) {
                rows.add(row);
            }
        });
        return rows;
    }

    private int count(Predicate<PlannedOrder> which) {
        return (int) planned.stream().filter(which).count();
    }

    @Test
    void theMostUrgentComeAndTheOthersAreCounted() throws Exception {
        JsonNode list = list("");
        int firmed = jdbc.queryForObject(
                "select count(*) from supply_order_lines where stage = 'firmed' and quantity > 0", Integer.class);

        assertThat(list.get("orders")).hasSize(MOST);
        assertThat(list.get("more").asInt()).isEqualTo(planned.size() + firmed - MOST);
        String last = list.get("orders").get(MOST - 1).get("start").asText();
        long earlier = count(o -> Words.date(o.startDay()).toString().compareTo(last) < 0);
        assertThat((long) plannedRows(list).size()).isGreaterThanOrEqualTo(earlier);
        assertThat(list.get("orders").findValuesAsText("start")).isSorted();
    }

    @Test
    void theFirstCustomerOrdersComeAndAllAreCounted() throws Exception {
        int lines = jdbc.queryForObject(
                "select count(*) from customer_orders where state is distinct from 'done'", Integer.class);
        JsonNode list = get("ida", "/api/plan/threads/customer-orders").body();
        assertThat(list.get("rows")).hasSize(MOST);
        assertThat(list.get("rows").findValuesAsText("wanted")).isSorted();
        assertThat(list.get("total").asInt()).isEqualTo(lines);
        assertThat(list.get("late").asInt()).isEqualTo(1);
        // what is looked for is looked for in all
        JsonNode late =
                get("ida", "/api/plan/threads/customer-orders?words=so-790").body();
        assertThat(late.get("rows")).hasSize(1);
    }

    @Test
    void theFirstItemsAndOrdersComeAndAllAreCounted() throws Exception {
        for (String list : List.of("items", "orders")) {
            String table = list.equals("items") ? "items" : "supply_orders";
            JsonNode all = get("ida", "/api/" + list).body();
            assertThat(all.get("rows")).hasSize(MOST);
            assertThat(all.get("total").asInt())
                    .isEqualTo(jdbc.queryForObject("select count(*) from " + table, Integer.class));
        }
        // what is looked for is looked for in all
        JsonNode wire = get("ida", "/api/items?words=WIRE").body();
        assertThat(wire.get("rows")).isNotEmpty().hasSize(wire.get("total").asInt());
        JsonNode one = get("ida", "/api/orders?words=mo-320").body();
        assertThat(one.get("rows"))
                .singleElement()
                .satisfies(row -> assertThat(row.get("number").asText()).isEqualTo("MO-320"));
    }

    @Test
    void filtersAreAskedOfAll() throws Exception {
        assertThat(plannedRows(list("?site=QUAYSIDE")))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.get("site").asText()).isEqualTo("QUAYSIDE"));
        JsonNode hollin = list("?supplier=HOLLIN");
        assertThat(hollin.get("orders").size() + hollin.get("more").asInt())
                .isEqualTo(count(o -> "HOLLIN".equals(o.supplier())));
        assertThat(plannedRows(list("?words=bearing 6202&source=buy")))
                .hasSize(Math.min(MOST, count(o -> o.item().equals("BRG-6202"))));
        assertThat(list("?from=BRG-6202&to=BRG-6202&until=2026-11-30").get("orders"))
                .isNotEmpty()
                .extracting(row -> row.get("item").asText())
                .containsOnly("BRG-6202");
        assertThat(list("?planner=nobody").get("orders")).isEmpty();
    }

    @Test
    void whatOnlyARowSaysIsAskedToo() throws Exception {
        assertThat(list("?late=true").get("orders"))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.get("forLate").asBoolean()).isTrue());
        assertThat(list("?worth=1000").get("orders"))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.get("value").decimalValue())
                        .isGreaterThanOrEqualTo(new java.math.BigDecimal(1000)));
        assertThat(list("?held=only").get("orders")).isEmpty();
        decide(
                "ida",
                "{'kind':'HOLD','orders':['"
                        + list("").get("orders").get(0).get("key").asText() + "'],'until':'2026-12-15'}");
        assertThat(list("?held=only").get("orders")).hasSize(1);
    }

    @Test
    void signalsAreFilteredTheSameWay() throws Exception {
        JsonNode all = list("");
        assertThat(all.get("signals").size()).isLessThanOrEqualTo(MOST);
        assertThat(list("?words=SO-790").get("signals"))
                .singleElement()
                .satisfies(row ->
                        assertThat(row.get("signal").get("kind").asText()).isEqualTo("demand_late"));
        assertThat(all.get("choices").get("suppliers").size())
                .isEqualTo(all.get("choices").get("allSuppliers").size());
    }

    /** A column is asked for: what stands first by it comes, of all there are and not of the most urgent. */
    @Test
    void theFirstByAColumnCome() throws Exception {
        List<String> dues = planned.stream()
                .map(o -> Words.date(o.dueDay()).toString())
                .sorted(Comparator.reverseOrder())
                .limit(MOST)
                .toList();
        JsonNode last = list("?sort=-due");
        // the firmed ones of the demo are due sooner
        assertThat(texts(last, "due")).isEqualTo(dues);
        assertThat(last.get("orders").size() + last.get("more").asInt())
                .isEqualTo(list("").get("orders").size() + list("").get("more").asInt());

        List<Double> values = numbers(list("?sort=-value"));
        assertThat(values).hasSize(MOST).isSortedAccordingTo(Comparator.reverseOrder());
        // worth at least as much as the thirtieth are these thirty, and nothing else
        assertThat(numbers(list("?sort=value&worth=" + (values.get(MOST - 1) + 0.01))))
                .hasSizeLessThan(MOST)
                .isSorted()
                .allSatisfy(value -> assertThat(values).contains(value));
        assertThat(texts(list("?sort=item&site=QUAYSIDE"), "item")).isSorted();
        // what cannot be sorted by is no order: the most urgent come
        assertThat(list("?sort=colour").get("orders")).isEqualTo(list("").get("orders"));
    }

    private static List<String> texts(JsonNode list, String column) {
        List<String> texts = new ArrayList<>();
        list.get("orders").forEach(row -> texts.add(row.get(column).asText()));
        return texts;
    }

    private static List<Double> numbers(JsonNode list) {
        List<Double> values = new ArrayList<>();
        list.get("orders").forEach(row -> values.add(row.get("value").asDouble()));
        return values;
    }
}
