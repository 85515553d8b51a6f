package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import rescient.core.snapshot.Signal;

/** What is late stays late: possible dates where an order is decided or released, and what is said of it before. */
class PossibleDateTest extends ServerTest {
    private static final String ROD = "ROD-12~LARKMOOR~2026-12-07~126~0";
    private static final String NAILS = "NAIL-20~LARKMOOR~2026-11-27~6000~0";

    @Test
    void anOrderThatGoesOutForItsPossibleDateLeavesCustomerOrdersAsLateAsTheyAre() throws Exception {
        String late = lateKey();
        JsonNode asked =
                preview(false, late).get("documents").get(0).get("lines").get(0);
        assertThat(asked.get("due").asText()).isEqualTo(asked.get("asked").asText());
        assertThat(asked.get("daysLate").asInt()).isPositive();
        JsonNode offered =
                preview(true, late).get("documents").get(0).get("lines").get(0);
        assertThat(offered.get("due").asText()).isEqualTo(asked.get("possible").asText());

        List<Signal> before = lateOrders();
        Reply released = post(
                "ida",
                "/api/releases",
                UUID.randomUUID(),
                "{'seen':" + live.current().number() + ",'orders':['" + late
                        + "'],'leaveOut':false,'asPossible':true}");
        assertThat(released.status()).isEqualTo(201);
        knowing();
        assertThat(lateOrders()).isEqualTo(before);
        String number = released.body().get("orders").get(0).get("number").asText();
        assertThat(get("ida", "/api/orders/one?number=" + number)
                        .body()
                        .get("lines")
                        .get(0)
                        .get("due")
                        .asText())
                .isEqualTo(asked.get("possible").asText());
    }

    @Test
    void firmingWhatCannotBeThereInTimeSaysWhenItCan() throws Exception {
        JsonNode after = consequence("{'kind':'FIRM','orders':['" + lateKey() + "']}")
                .get("orders")
                .get(0)
                .get("after");
        assertThat(after.get("daysLate").asInt()).isPositive();
        assertThat(after.get("possible").asText())
                .isGreaterThan(after.get("due").asText());
    }

    @Test
    void aLaterOrderThatCountsForAnEarlierNeedSaysSo() throws Exception {
        JsonNode earlier = null;
        String key = null;
        for (JsonNode order : get("ida", "/api/plan/orders").body().get("orders")) {
            if (earlier == null && !order.has("obstacle")) {
                key = order.get("key").asText();
                JsonNode said = preview(false, key).get("earlier").path(0);
                earlier = said.has("instead") ? said : null;
            }
        }
        assertThat(earlier).isNotNull();
        assertThat(earlier.get("days").asInt()).isPositive();
        // the earlier one is of the same stock point, and nothing is said of it
        String instead = earlier.path("instead").asText();
        assertThat(instead.split("~")[0]).isEqualTo(key.split("~")[0]);
        assertThat(instead.split("~")[2]).isLessThan(key.split("~")[2]);
        assertThat(preview(false, instead, key).get("earlier")).isEmpty();
    }

    /** 5 December 2026 is a Saturday. */
    @Test
    void aDayOffIsSaidAndMovedToTheWorkingDayBefore() throws Exception {
        JsonNode seen = consequence("{'kind':'CHANGE','orders':['" + ROD + "'],'due':'2026-12-05'}");
        assertThat(seen.get("remarks").get(0).asText())
                .contains("Sat 2026-12-05 is a day off")
                .contains("moved to Fri 2026-12-04");
        assertThat(seen.get("orders").get(0).get("after").get("due").asText()).isEqualTo("2026-12-04");
    }

    @Test
    void aDayThatIsPastOrAfterTheEndOfThePlanIsSaid() throws Exception {
        JsonNode past = consequence("{'kind':'CHANGE','orders':['" + ROD + "'],'due':'2026-11-20'}");
        assertThat(past.get("refusals").get(0).asText()).contains("2026-11-20").contains("past");
        JsonNode far = consequence("{'kind':'CHANGE','orders':['" + ROD + "'],'due':'2031-03-05'}");
        assertThat(far.get("remarks").get(0).asText()).contains("after the end of the plan");
    }

    @Test
    void whatHasNoComponentsAndWhatHasNoTermsIsSaid() throws Exception {
        String add = "{'kind':'ADD','item':'NAIL-20','site':'LARKMOOR','quantity':1000,'due':'2027-01-15',";
        assertThat(remarks(consequence(add + "'source':'make'}")))
                .singleElement()
                .asString()
                .contains("has no components");
        assertThat(remarks(consequence(add + "'source':'buy','supplier':'BROOKMILL'}")))
                .singleElement()
                .asString()
                .contains("has no terms for NAIL-20");
    }

    @Test
    void aQuantityFarFromWhatIsUsualIsSaid() throws Exception {
        JsonNode seen = consequence("{'kind':'CHANGE','orders':['" + NAILS + "'],'quantity':6000000}");
        assertThat(remarks(seen)).singleElement().asString().contains("1000 times");
        assertThat(consequence("{'kind':'CHANGE','orders':['" + NAILS + "'],'quantity':12000}")
                        .get("remarks"))
                .isEmpty();
    }

    @Test
    void planningDataFarFromWhatIsUsualAreSaid() throws Exception {
        String nails = "{'kind':'PLANNING','item':'NAIL-20','site':'LARKMOOR','fields':{";
        assertThat(remarks(consequence(nails + "'safety_stock':'90000000'}}")))
                .singleElement()
                .asString()
                .contains("A safety stock of 90000000 NAIL-20 is")
                .contains("times what is usual here");
        assertThat(remarks(consequence(nails + "'lead_time_days':'300'}}")))
                .singleElement()
                .asString()
                .contains("300 working days is more than a year");
        assertThat(consequence(nails + "'lead_time_days':'12'}}").get("remarks"))
                .isEmpty();
    }

    @Test
    void aCustomerOrderFarFromWhatIsUsualIsSaid() throws Exception {
        assertThat(remarks(consequence(ordering("EXTR-4", "50000", "2027-01-15"))))
                .singleElement()
                .asString()
                .contains("times what is usual here");
        assertThat(consequence(ordering("EXTR-4", "20", "2027-01-15")).get("remarks"))
                .isEmpty();
    }

    @Test
    void aPossibleDateHasItsSlipAlsoOfFirmedOrders() throws Exception {
        String key = lateKey();
        JsonNode slip = get("ida", "/api/plan/possible?key=" + key).body().get("slip");
        assertThat(slip.get("question").asText()).startsWith("Why possible on ");
        String number = decide("ida", "{'kind':'FIRM','orders':['" + key + "']}")
                .body()
                .get("orders")
                .get(0)
                .asText();
        knowing();
        assertThat(get("ida", "/api/plan/possible?key=" + number).body().at("/slip/question"))
                .isEqualTo(slip.get("question"));
        assertThat(get("ida", "/api/plan/possible?key=FO-999~1").body().has("slip"))
                .isFalse();
    }

    @Test
    void whoReleasedAFirmedOrderIsNamed() throws Exception {
        String firmed = decide("ida", "{'kind':'FIRM','orders':['" + ROD + "']}")
                .body()
                .get("orders")
                .get(0)
                .asText();
        release("ida", UUID.randomUUID(), false, firmed);
        Reply refused = release("tom", UUID.randomUUID(), false, firmed);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().get("detail").asText())
                .contains("was released by Ida Holm at")
                .contains("as PO-2045");
    }

    private String lateKey() throws Exception {
        for (JsonNode order : get("ida", "/api/plan/orders").body().get("orders")) {
            if (order.get("source").asText().equals("buy")
                    && order.path("daysLate").asInt() > 0
                    && !order.has("obstacle")
                    && order.get("forLate").asBoolean()) {
                return order.get("key").asText();
            }
        }
        throw new AssertionError("No purchase is late for a customer order");
    }

    private List<Signal> lateOrders() {
        return live.current().plan().allSignals().stream()
                .filter(s -> s.kind() == Signal.Kind.DEMAND_LATE)
                .toList();
    }

    private JsonNode preview(boolean asPossible, String... keys) throws Exception {
        String orders = String.join("','", keys);
        return post(
                        "ida",
                        "/api/releases/preview",
                        null,
                        "{'orders':['" + orders + "'],'asPossible':" + asPossible + "}")
                .body();
    }

    private static List<String> remarks(JsonNode consequence) {
        List<String> remarks = new ArrayList<>();
        consequence.get("remarks").forEach(remark -> remarks.add(remark.asText()));
        return remarks;
    }
}
