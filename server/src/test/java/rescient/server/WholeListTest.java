package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Locale;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What of the demo company's list fits, when it is sent whole: the very rows of all of it that are asked for. */
class WholeListTest extends ServerTest {
    private JsonNode list(String query) throws Exception {
        return get("ida", "/api/plan/orders" + query).body();
    }

    private void fits(String query, Predicate<JsonNode> asked) throws Exception {
        JsonNode all = list("").get("orders");
        JsonNode some = list(query).get("orders");
        long expected = 0;
        for (JsonNode row : all) {
            expected += asked.test(row) ? 1 : 0;
        }
        assertThat(expected).as(query).isPositive().isLessThan(all.size());
        assertThat(some).as(query).hasSize((int) expected).allMatch(asked);
    }

    private static String text(JsonNode row, String name) {
        return row.path(name).asText("");
    }

    @Test
    void everyFilterLeavesTheRowsThatAreAskedFor() throws Exception {
        fits("?site=QUAYSIDE", row -> text(row, "site").equals("QUAYSIDE"));
        fits("?source=buy", row -> text(row, "source").equals("buy"));
        fits("?worth=500", row -> row.path("value").asDouble(0) >= 500);
        fits("?late=true", row -> row.get("forLate").asBoolean());
        fits(
                "?from=HIVE&to=NAIL",
                row -> text(row, "item").compareTo("HIVE") >= 0
                        && (text(row, "item").compareTo("NAIL") <= 0
                                || text(row, "item").startsWith("NAIL")));
        String supplier = text(list("?source=buy").get("orders").get(0), "supplier");
        fits("?supplier=" + supplier, row -> text(row, "supplier").equals(supplier));
        String until = text(list("").get("orders").get(20), "start");
        fits("?until=" + until, row -> text(row, "start").compareTo(until) <= 0);
        fits("?due=" + until, row -> text(row, "due").compareTo(until) <= 0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"bearing", "BRG", "quayside", "so-7"})
    void wordsAreFoundInWhatTheRowSays(String words) throws Exception {
        fits(
                "?words=" + words,
                row -> (text(row, "item") + " " + text(row, "itemName") + " " + text(row, "siteName") + " "
                                + text(row, "partner") + " " + text(row, "obstacle") + " " + text(row, "number") + " "
                                + text(row.path("end"), "number") + " " + text(row.path("end"), "customer"))
                        .toLowerCase(Locale.ROOT)
                        .contains(words.toLowerCase(Locale.ROOT)));
    }

    @Test
    void signalsStayOutWhereTheyDoNotKnowWhatIsAsked() throws Exception {
        assertThat(list("?source=buy").get("signals")).isEmpty();
        assertThat(list("?held=only").get("signals")).isEmpty();
        assertThat(list("?late=true").get("signals"))
                .isNotEmpty()
                .allMatch(row -> row.get("signal").get("kind").asText().equals("demand_late"));
        assertThat(list("?words=push back").get("signals"))
                .isNotEmpty()
                .allMatch(row -> row.get("signal").get("kind").asText().equals("push_back"));
    }

    @Test
    void heldOnesAreShownAloneOrLeftOut() throws Exception {
        String key = text(list("").get("orders").get(3), "key");
        int all = list("").get("orders").size();
        assertThat(decide("ida", "{'kind':'HOLD','orders':['" + key + "'],'until':'2027-01-04'}")
                        .status())
                .isEqualTo(201);
        assertThat(list("?held=only").get("orders"))
                .singleElement()
                .matches(row -> text(row, "key").equals(key));
        assertThat(list("?held=none").get("orders")).hasSize(all - 1);
    }

    @Test
    void onlyWhatIsNotAsItWasAtTheLastVisit() throws Exception {
        assertThat(list("?changed=true").get("orders")).isEmpty();
        assertThat(decide("tom", "{'kind':'PLANNING','item':'ROD-12','site':'LARKMOOR','fields':{'multiple':'7'}}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(list("?changed=true").get("orders"))
                .isNotEmpty()
                .anyMatch(row -> text(row, "item").equals("ROD-12"))
                .noneMatch(row -> text(row, "item").equals("GLOVE-M"));
    }

    @Test
    void whatCanBeChosenIsThatOfTheWholeList() throws Exception {
        assertThat(list("?site=QUAYSIDE").get("choices")).isEqualTo(list("").get("choices"));
    }
}
