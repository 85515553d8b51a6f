package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** The foreman's list, and what an order cost. */
class BenchTest extends ServerTest {
    /** Of at least two operations, with all its parts there. */
    private String order;

    private int open;

    private JsonNode bench(String more) throws Exception {
        Reply reply = get("rufus", "/api/bench?" + more);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static List<JsonNode> jobs(JsonNode view) {
        List<JsonNode> jobs = new ArrayList<>();
        view.get("benches").forEach(bench -> bench.get("jobs").forEach(jobs::add));
        return jobs;
    }

    private JsonNode job() throws Exception {
        return jobs(bench("words=" + order)).stream()
                .filter(job -> job.get("number").asText().equals(order))
                .findFirst()
                .orElseThrow();
    }

    private void choose() throws Exception {
        order = jdbc.queryForObject(
                "select max(number) from open_orders o where kind = 'make' and stage = 'released' and quantity >= 4 and (select"
                        + " count(distinct step) from operations p where p.item = o.item) > 1 and not exists (select from"
                        + " open_order_components c join items i on i.code = c.component where c.number = o.number and"
                        + " coalesce(i.tracking, 'none') <> 'none') and not exists (select from movements m where"
                        + " m.order_number = o.number)",
                String.class);
        jdbc.update(
                "delete from stock where item in (select component from open_order_components where number = ?)",
                order);
        jdbc.update(
                "insert into stock (item, site, quantity) select distinct component, 'LARKMOOR', 10000 from"
                        + " open_order_components where number = ?",
                order);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        open = job().get("open").asInt();
    }

    private JsonNode posted(String line) throws Exception {
        Reply reply = post("ida", "/api/stock/postings", UUID.randomUUID(), "{'reason':'so','lines':[" + line + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply.body();
    }

    private JsonNode posted(String act, String more) throws Exception {
        return posted("{'act':'" + act + "','number':'" + order + "','line':'1'" + more + "}");
    }

    /** What can start has all its parts; what waits says for which, and until when. */
    @Test
    void whatCanStartAndWhatWaits() throws Exception {
        JsonNode all = bench("");
        List<JsonNode> jobs = jobs(all);
        assertThat(jobs)
                .hasSize(all.get("canStart").asInt()
                        + all.get("waits").asInt()
                        + all.get("runs").asInt());
        for (JsonNode job : jobs) {
            boolean there = true;
            for (JsonNode part : job.get("parts")) {
                there &= part.get("there").asDouble() >= part.get("wanted").asDouble();
            }
            String state = job.get("state").asText();
            boolean begun =
                    count("movements where order_number = '" + job.get("number").asText() + "'") > 0;
            assertThat(state).as(job.toString()).isEqualTo(begun ? "runs" : there ? "can_start" : "waits");
            assertThat(job.hasNonNull("waitsFor")).isEqualTo(!there);
        }
        assertThat(jobs(bench("state=waits"))).hasSize(all.get("waits").asInt());
        for (JsonNode job : jobs(bench("state=late"))) {
            assertThat(job.get("late").asBoolean()).isTrue();
        }
        assertThat(bench("words=nothing").get("benches")).isEmpty();
    }

    /** Two in one work center: the later is moved before the earlier, its turn comes first; taken back it is as before. */
    @Test
    void theSequenceIsChangedAndKept() throws Exception {
        JsonNode bench = null;
        for (JsonNode one : bench("").get("benches")) {
            bench = one.hasNonNull("code") && one.get("jobs").size() > 2 ? one : bench;
        }
        assertThat(bench).isNotNull();
        String center = bench.get("code").asText();
        JsonNode first = bench.get("jobs").get(0);
        JsonNode last = bench.get("jobs").get(bench.get("jobs").size() - 1);
        assertThat(LocalDate.parse(first.get("begins").asText()))
                .isBeforeOrEqualTo(LocalDate.parse(last.get("begins").asText()));
        String wish = "{'kind':'SEQUENCE','order':'" + last.get("key").asText() + "','ahead':"
                + first.get("place").asText() + "}";
        assertThat(decide("sven", wish).status()).isEqualTo(403);
        Reply moved = decide("rufus", wish);
        assertThat(moved.status()).as(String.valueOf(moved.body())).isEqualTo(201);
        knowing();
        JsonNode now =
                bench("center=" + center).get("benches").get(0).get("jobs").get(0);
        assertThat(now.get("number").asText()).isEqualTo(last.get("number").asText());
        // between the two that come first now
        JsonNode second =
                bench("center=" + center).get("benches").get(0).get("jobs").get(2);
        assertThat(decide(
                                "rufus",
                                "{'kind':'SEQUENCE','order':'"
                                        + second.get("key").asText() + "','behind':"
                                        + now.get("place").asText() + ",'ahead':"
                                        + first.get("place").asText() + "}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(bench("center=" + center)
                        .get("benches")
                        .get(0)
                        .get("jobs")
                        .get(1)
                        .get("number")
                        .asText())
                .isEqualTo(second.get("number").asText());
        assertThat(undo("rufus", moved).status()).isEqualTo(200);
        knowing();
        assertThat(bench("center=" + center)
                        .get("benches")
                        .get(0)
                        .get("jobs")
                        .get(0)
                        .get("number")
                        .asText())
                .isNotEqualTo(last.get("number").asText());
        assertThat(decide("rufus", "{'kind':'SEQUENCE','order':'PO-2041~1'}").status())
                .isEqualTo(422);
    }

    /** Begun, it runs; reported at its first step, it stands at the next. */
    @Test
    void anOrderGoesOnFromStepToStep() throws Exception {
        choose();
        JsonNode before = job();
        assertThat(before.get("state").asText()).isNotEqualTo("runs");
        String step = before.get("step").asText();
        posted("OUTPUT", ",'quantity':" + open + ",'step':'" + step + "'");
        JsonNode after = job();
        assertThat(after.get("state").asText()).isEqualTo("runs");
        assertThat(after.get("step").asText()).isGreaterThan(step);
    }

    private void changed(String table, String key, String field, String value) throws Exception {
        Reply reply = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'" + table + "','key':" + key + ",'fields':{'" + field + "':'" + value
                        + "'}}]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
    }

    private JsonNode statement() throws Exception {
        return get("rufus", "/api/orders/costs?number=" + order).body().get(0);
    }

    /** What was expected is of the day on which the order was given out: dearer parts, a longer step and a dearer saw since are none of it. */
    @Test
    void whatWasExpectedStays() throws Exception {
        jdbc.update("delete from stock where item in (select component from bom_lines where parent = 'TRAP-1')");
        jdbc.update("insert into stock (item, site, quantity) select component, 'LARKMOOR', 10000 from bom_lines"
                + " where parent = 'TRAP-1'");
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        changed("items", "{'code':'PLY-9'}", "standard_cost", "11");
        Reply out = release("ida", UUID.randomUUID(), false, keys("TRAP-1").get(0));
        order = out.body().get("orders").get(0).get("number").asText();
        knowing();
        posted("ISSUE", "");
        posted("OUTPUT", ",'quantity':2,'step':'40'");
        JsonNode before = statement();
        assertThat(before.get("lines").findValuesAsText("name")).contains("PLY-9", "10");
        for (JsonNode line : before.get("lines")) {
            if (line.get("name").asText().equals("PLY-9")) {
                assertThat(line.get("price").asDouble()).isEqualTo(11);
            }
        }
        changed("items", "{'code':'PLY-9'}", "standard_cost", "99");
        changed("operations", "{'item':'TRAP-1','step':'10','site':''}", "run_minutes_per_unit", "40");
        changed("work_centers", "{'code':'SAW'}", "cost_per_hour", "340");
        assertThat(statement()).isEqualTo(before);
    }

    /** Some are spoiled: expected for all that was reported, and what came in, lies there and is left adds up. */
    @Test
    void whatAnOrderCostIsToldApart() throws Exception {
        choose();
        assertThat(get("rufus", "/api/orders/costs?number=" + order).body()).isEmpty();
        posted("ISSUE", "");
        posted(
                "OUTPUT",
                ",'quantity':200,'scrapped':10,'minutes':600,'step':'"
                        + job().get("step").asText() + "'");
        JsonNode statement =
                get("rufus", "/api/orders/costs?number=" + order).body().get(0);
        double expected = 0;
        double actual = 0;
        double work = 0;
        for (JsonNode line : statement.get("lines")) {
            expected += line.get("expected").asDouble();
            actual += line.get("actual").asDouble();
            assertThat(line.get("actual").asDouble() - line.get("expected").asDouble())
                    .as(line.toString())
                    .isEqualTo(
                            line.get("quantityVariance").asDouble()
                                    + line.get("priceVariance").asDouble(),
                            org.assertj.core.data.Offset.offset(0.001));
            work += line.get("kind").asText().equals("work")
                            && line.get("actualQuantity").asDouble() == 600
                    ? 1
                    : 0;
        }
        assertThat(work).as("the minutes that were said").isEqualTo(1);
        assertThat(statement.get("expected").asDouble())
                .isEqualTo(expected, org.assertj.core.data.Offset.offset(0.001));
        assertThat(statement.get("actual").asDouble()).isEqualTo(actual, org.assertj.core.data.Offset.offset(0.001));
        // all of it is in the order or came in
        assertThat(statement.get("putOut").asDouble()
                        + statement.get("inProcess").asDouble()
                        + statement.get("variance").asDouble())
                .isEqualTo(actual, org.assertj.core.data.Offset.offset(0.02));
    }
}
