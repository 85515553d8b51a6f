package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.dataset.DatasetReader;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Another item used in the place of one that comes too late. */
class AlternativesTest extends ServerTest {
    /** 50 bearings: 8 for the carriers of 1 December, which wait for them until 14 December; the rest from January on. */
    private static final String BEARINGS = "BRG-6202~LARKMOOR~2026-11-27~50~0";

    private static final String INSTEAD = "{'kind':'SUBSTITUTE','orders':['" + BEARINGS + "'],'item':'BRG-6202-SS'}";

    private List<String> toIssue(String number) {
        return jdbc.queryForList(
                "select component || ' ' || trim_scale(quantity) || ' ' || needed_date from open_order_components"
                        + " where number = ? and component like 'BRG%' order by 1",
                String.class, number);
    }

    private String everything() {
        return jdbc.queryForList("select o::text from open_orders o order by number, line", String.class)
                + jdbc.queryForList("select number, line, component, trim_scale(quantity), needed_date"
                                + " from open_order_components order by 1, 2, 3, 5")
                        .toString();
    }

    @Test
    void theConsequenceIsSeenBeforeItIsKept() throws Exception {
        JsonNode seen = consequence(INSTEAD);
        assertThat(seen.get("sentence").asText()).isEqualTo("Used 8 BRG-6202-SS instead of 8 BRG-6202 in 1 order");
        // the carriers take 12 from stock as before, and 8 of the others
        assertThat(seen.get("orders")).singleElement().satisfies(order -> {
            assertThat(order.get("item").asText()).isEqualTo("CARR-62");
            assertThat(order.get("after").get("due").asText()).isEqualTo("2026-12-01");
            assertThat(order.get("parts"))
                    .extracting(p -> p.get("item").asText() + " "
                            + p.get("before").asInt() + " > " + p.get("after").asInt())
                    .containsExactly("BRG-6202 20 > 12", "BRG-6202-SS 0 > 8");
        });
        // the customer order that waited for the bearings until 11 January is better off
        assertThat(seen.get("late")).singleElement().satisfies(late -> {
            assertThat(late.get("number").asText()).isEqualTo("SO-790");
            assertThat(late.get("better").asBoolean()).isTrue();
        });
        assertThat(count("decisions")).isZero();
        assertThat(count("open_orders")).isEqualTo(61);
    }

    @Test
    void theOrdersThatWaitedAreFirmedWithItAndTakenBack() throws Exception {
        String before = everything();
        Reply kept = decide("ida", INSTEAD);
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(toIssue("FO-1")).containsExactly("BRG-6202 12 2026-11-27", "BRG-6202-SS 8 2026-11-27");
        knowing();
        // nothing asks for the 50 in November any more
        assertThat(get("ida", "/api/plan/order?key=" + BEARINGS).body().hasNonNull("gone"))
                .isTrue();

        undo("ida", kept);
        assertThat(everything()).isEqualTo(before);
    }

    @Test
    void anotherQuantityOfTheFirmedOrderKeepsThePartAndItIsSplitWithIt() throws Exception {
        decide("ida", INSTEAD);
        // 15 carriers instead of 10 take 30 bearings, 8 of 20 of them the other ones: 12
        Reply more = decide("ida", "{'kind':'CHANGE','orders':['FO-1~1'],'quantity':15}");
        assertThat(more.status()).as(String.valueOf(more.body())).isEqualTo(201);
        assertThat(toIssue("FO-1")).containsExactly("BRG-6202 18 2026-11-27", "BRG-6202-SS 12 2026-11-27");

        // 10 and 5 of the 15
        decide("ida", "{'kind':'SPLIT','orders':['FO-1~1'],'parts':[{'quantity':10}]}");
        assertThat(toIssue("FO-1")).isEmpty();
        assertThat(jdbc.queryForList(
                        "select trim_scale(quantity)::text from open_order_components where component = 'BRG-6202-SS'"
                                + " order by quantity",
                        String.class))
                .containsExactly("4", "8");
    }

    @Test
    void anOrderWithAnAlternativeIsNotMerged() throws Exception {
        decide("ida", INSTEAD);
        knowing();
        String next = get("ida", "/api/plan/orders").body().get("orders").findParents("forLate").stream()
                .filter(o -> o.get("item").asText().equals("CARR-62") && !o.hasNonNull("number"))
                .findFirst()
                .orElseThrow()
                .get("key")
                .asText();
        Reply refused = decide("ida", "{'kind':'MERGE','orders':['FO-1~1','" + next + "']}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText())
                .contains("FO-1 (10 CARR-62) uses an alternative item and stays an order of its own");
    }

    @Test
    void whatAnOpenOrderStillHasToIssueIsTakenInstead() throws Exception {
        decide("ida", "{'kind':'FIRM','orders':['CARR-62~LARKMOOR~2026-12-01~10~0']}");
        knowing();
        assertThat(toIssue("FO-1")).containsExactly("BRG-6202 20 2026-11-27");
        Reply kept = decide("ida", INSTEAD);
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(toIssue("FO-1")).containsExactly("BRG-6202 12 2026-11-27", "BRG-6202-SS 8 2026-11-27");
        assertThat(count("open_orders")).isEqualTo(62);
        undo("ida", kept);
        assertThat(toIssue("FO-1")).containsExactly("BRG-6202 20 2026-11-27");
    }

    @Test
    void onlyAnAlternativeOfTheTableIsTakenAndOnlyWhereItIsAllowed() throws Exception {
        Reply other = decide("ida", "{'kind':'SUBSTITUTE','orders':['" + BEARINGS + "'],'item':'SEAL-15'}");
        assertThat(other.status()).isEqualTo(422);
        assertThat(other.body().get("detail").asText())
                .contains("50 BRG-6202 cannot be replaced: SEAL-15 is no alternative of it");
        assertThat(decide("ida", "{'kind':'SUBSTITUTE','orders':['" + BEARINGS + "']}")
                        .body()
                        .get("field")
                        .asText())
                .isEqualTo("item");

        // in smokers only
        Row inSmokers = Row.of(
                Table.named("alternative_items"),
                Map.of("item", "BRG-6202", "alternative", "BRG-6202-SS", "parent", "SMOKER-L"));
        store.replace(DatasetReader.read(DEMO).with("alternative_items", List.of(inSmokers)), "Larkmoor Hives", true);
        knowing();
        Reply elsewhere = decide("ida", INSTEAD);
        assertThat(elsewhere.status()).isEqualTo(422);
        assertThat(elsewhere.body().get("detail").asText())
                .contains("No production order that may use BRG-6202-SS waits for 50 BRG-6202");
        assertThat(get("ida", "/api/decisions/offers?key=" + BEARINGS).body().findValuesAsText("item"))
                .doesNotContain("BRG-6202-SS");
    }

    @Test
    void aBuyerDoesNotChangeWhatIsMade() throws Exception {
        Reply refused = decide("bram", INSTEAD);
        assertThat(refused.status()).isEqualTo(403);
        assertThat(count("decisions")).isZero();
    }
}
