package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Threads, and the customer orders that one starts from. */
class ThreadsTest extends ServerTest {
    private JsonNode line(JsonNode all, String key) {
        for (JsonNode row : all) {
            if (row.get("key").asText().equals(key)) {
                return row;
            }
        }
        throw new AssertionError("no line " + key);
    }

    @Test
    void everyOpenLineSaysWhenItCanBeMetAndWhoIsToBlame() throws Exception {
        JsonNode list = get("ida", "/api/plan/threads/customer-orders").body();
        JsonNode all = list.get("rows");
        JsonNode late = line(all, "SO-790~1");
        assertThat(late.get("customer").asText()).isEqualTo("Aldery Bees");
        assertThat(late.get("culprit").asText()).isEqualTo("BRG-6202");
        // extractor, gearbox, shaft unit, bearing carrier, bearing: four levels below the extractor
        assertThat(late.get("levels").asInt()).isEqualTo(4);
        assertThat(all).filteredOn(r -> r.get("late").asBoolean()).hasSize(1);
        assertThat(all).allSatisfy(r -> assertThat(r.get("days").asInt()).isNotNegative());
    }

    @Test
    void linesAreFoundByTheirWordsAndThoseOfWhatMakesThemLate() throws Exception {
        String lines = "/api/plan/threads/customer-orders";
        assertThat(get("ida", lines + "?words=6202 aldery").body().get("rows"))
                .singleElement()
                .satisfies(row -> assertThat(row.get("key").asText()).isEqualTo("SO-790~1"));
        assertThat(get("ida", lines + "?onlyLate=true").body().get("rows"))
                .singleElement()
                .satisfies(row -> assertThat(row.get("key").asText()).isEqualTo("SO-790~1"));
        JsonNode extractors = get("ida", lines + "?words=EXTR-4").body();
        assertThat(extractors.get("total").asInt())
                .isEqualTo(extractors.get("rows").size());
        assertThat(extractors.get("late").asInt()).isEqualTo(1);
        assertThat(extractors.get("rows"))
                .hasSizeGreaterThan(1)
                .allSatisfy(row -> assertThat(row.get("item").asText()).isEqualTo("EXTR-4"));
        assertThat(get("ida", lines + "?words=EXTR-4&onlyLate=true")
                        .body()
                        .get("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void theThreadOfALateOrderAddsUpToItsLateness() throws Exception {
        JsonNode late =
                line(get("ida", "/api/plan/threads/customer-orders").body().get("rows"), "SO-790~1");
        JsonNode bars = get("ida", "/api/plan/threads/customer-order?number=SO-790")
                .body()
                .get("bars");
        List<String> chain = new ArrayList<>();
        int days = 0;
        for (JsonNode bar : bars) {
            if (bar.get("deciding").asBoolean()) {
                chain.add(bar.get("item").asText());
                days += bar.get("adds").asInt();
            }
        }
        assertThat(chain).containsExactly("EXTR-4", "EXTR-4", "GBX-410", "SHF-410", "CARR-62", "BRG-6202");
        assertThat(days).isEqualTo(late.get("days").asInt()).isPositive();
    }

    private static JsonNode bar(JsonNode thread, String key) {
        for (JsonNode bar : thread.get("bars")) {
            if (bar.path("key").asText().equals(key)) {
                return bar;
            }
        }
        throw new AssertionError("no bar " + key + " in " + thread);
    }

    @Test
    void plannedOrdersOpenOrdersAndStockPointsHaveThreads() throws Exception {
        JsonNode first = get("ida", "/api/plan/orders").body().get("orders").get(0);
        String key = first.get("key").asText();
        JsonNode planned = get("ida", "/api/plan/threads/order?key=" + key).body();
        assertThat(bar(planned, key).get("stage").asText()).isEqualTo("planned");

        // the bearing serves the extractors of SO-790 first: order, extractor, gearbox, shaft and carrier stand above
        // it
        String late = keys("BRG-6202").get(0);
        JsonNode bearing = get("ida", "/api/plan/threads/order?key=" + late).body();
        assertThat(bearing.get("bars").get(0).get("number").asText()).isEqualTo("SO-790");
        assertThat(bar(bearing, late).get("depth").asInt()).isEqualTo(5);
        assertThat(bar(bearing, late).get("deciding").asBoolean()).isTrue();
        assertThat(bearing.get("serves").get(0).get("number").asText()).isEqualTo("SO-790");
        assertThat(bearing.get("serves").get(0).get("item").asText()).isEqualTo("EXTR-4");

        JsonNode open = get("ida", "/api/plan/threads/order?key=MO-303~1").body();
        assertThat(bar(open, "MO-303~1").get("stage").asText()).isEqualTo("firmed");
        assertThat(bar(open, "MO-303~1").get("link").get("kind").asText()).isEqualTo("order");

        JsonNode point = get("ida", "/api/plan/threads/stock-point?item=EXTR-4&site=LARKMOOR")
                .body();
        assertThat(point.get("title").asText()).startsWith("Honey extractor");
        assertThat(point.get("bars")).isNotEmpty();
    }

    @Test
    void whatIsGoneIsSaid() throws Exception {
        assertThat(get("ida", "/api/plan/threads/customer-order?number=SO-1")
                        .body()
                        .get("gone")
                        .asText())
                .isEqualTo("The plan has no open line of the customer order SO-1.");
        assertThat(get("ida", "/api/plan/threads/order?key=BRG-6202~LARKMOOR~2031-01-01~7~0")
                        .body()
                        .get("gone")
                        .asText())
                .isEqualTo("The plan no longer asks for 7 BRG-6202 on 2031-01-01.");
        assertThat(get("ida", "/api/plan/threads/order?key=PO-9~1")
                        .body()
                        .get("gone")
                        .asText())
                .contains("PO-9");
        assertThat(get(null, "/api/plan/threads/customer-orders").status()).isEqualTo(401);
    }
}
