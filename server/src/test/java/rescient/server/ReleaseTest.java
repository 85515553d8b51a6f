package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/** From planned to released: what comes out, never twice, never half. */
class ReleaseTest extends ServerTest {
    private static final String ROD = "ROD-12~LARKMOOR~2026-12-07~126~0";
    private static final String EYELETS = "EYELET-3~LARKMOOR~2026-11-27~6000~0";
    private static final String NAILS = "NAIL-20~LARKMOOR~2026-11-27~6000~0";
    private static final String ROOF = "ROF-10W~LARKMOOR~2026-11-24~4~0";

    @Test
    void whatOneSupplierDeliversToOneSiteBecomesOnePurchaseOrder() throws Exception {
        Reply reply = release("ida", UUID.randomUUID(), false, NAILS, EYELETS, ROD);
        assertThat(reply.status()).isEqualTo(201);
        assertThat(reply.body().get("orders").findValuesAsText("number")).containsExactly("PO-2045", "PO-2046");
        Reply order = get("ida", "/api/orders/one?number=PO-2045");
        // 6 000 nails in boxes of 1 000 at 9.80: 6 boxes, 58.80
        var line = order.body().get("lines").get(0);
        assertThat(line.get("ordered").asInt()).isEqualTo(6000);
        assertThat(line.get("unitQuantity").asInt()).isEqualTo(6);
        assertThat(line.get("purchaseUnit").asText()).isEqualTo("box");
        assertThat(line.get("value").asDouble()).isEqualTo(58.80);
        assertThat(order.body().get("createdBy").asText()).isEqualTo("Ida Holm");
    }

    @Test
    void aProductionOrderKeepsWhatItWillIssue() throws Exception {
        release("ida", UUID.randomUUID(), false, ROOF);
        // 4 roofs: 4 bodies and 4 × 0.25 l of the white paint that is valid in November
        assertThat(jdbc.queryForList(
                        "select component || ' ' || trim_scale(quantity) from supply_order_components"
                                + " where order_number = 'MO-321' order by component",
                        String.class))
                .containsExactly("PAINT-W 1", "ROF-10 4");
    }

    @Test
    void thePlanCalculatesAroundReleasedOrders() throws Exception {
        int before = live.current().plan().plannedOrders().size();
        release("ida", UUID.randomUUID(), false, NAILS, ROOF);
        knowing();
        assertThat(live.current().plan().plannedOrders()).hasSize(before - 2);
        assertThat(keys("NAIL-20")).doesNotContain(NAILS);
        Reply point = get("ida", "/api/plan/stock-point?item=NAIL-20&site=LARKMOOR");
        assertThat(point.body().get("onOrder").asInt()).isEqualTo(6000);
    }

    @Test
    void theSameCommandAgainAnswersTheSameAndDoesNothing() throws Exception {
        UUID key = UUID.randomUUID();
        Reply first = release("ida", key, false, NAILS);
        int orders = count("supply_orders");
        Reply again = release("ida", key, false, NAILS);
        assertThat(again.status()).isEqualTo(201);
        assertThat(again.body()).isEqualTo(first.body());
        assertThat(count("supply_orders")).isEqualTo(orders);
    }

    private Set<String> more(int weeks, String... going) throws Exception {
        JsonNode preview = post(
                        "ida",
                        "/api/releases/preview",
                        null,
                        "{'weeks':" + weeks + ",'orders':['" + String.join("','", going) + "']}")
                .body();
        Set<String> keys = new TreeSet<>();
        preview.get("more")
                .forEach(m -> m.get("orders").forEach(o -> keys.add(o.get("key").asText())));
        return keys;
    }

    /** What the list shows of the same supplier and site, due in time, and not held or chosen already. */
    @Test
    void whatElseTheSameSupplierBringsIsOffered() throws Exception {
        JsonNode list = get("ida", "/api/plan/orders").body().get("orders");
        JsonNode nails = null;
        for (JsonNode order : list) {
            nails = order.get("key").asText().equals(NAILS) ? order : nails;
        }
        for (int weeks : List.of(4, 26)) {
            LocalDate until = LocalDate.of(2026, 11, 23).plusWeeks(weeks);
            Set<String> expected = new TreeSet<>();
            for (JsonNode order : list) {
                if (order.path("supplier").asText().equals(nails.get("supplier").asText())
                        && order.get("site").equals(nails.get("site"))
                        && order.get("source").asText().equals("buy")
                        && !LocalDate.parse(order.get("due").asText()).isAfter(until)
                        && !order.get("key").asText().equals(NAILS)) {
                    expected.add(order.get("key").asText());
                }
            }
            assertThat(more(weeks, NAILS)).as("%d weeks", weeks).isEqualTo(expected);
        }
        String other = more(26, NAILS).iterator().next();
        assertThat(more(26, NAILS, other)).doesNotContain(other).isNotEmpty();
        decide("ida", "{'kind':'HOLD','orders':['" + other + "'],'until':'2026-12-24'}");
        knowing();
        assertThat(more(26, NAILS)).doesNotContain(other).isNotEmpty();
    }

    @Test
    void aCommandKeyIsNotTakenForAnotherCommand() throws Exception {
        UUID key = UUID.randomUUID();
        release("ida", key, false, NAILS);
        assertThat(release("ida", key, false, EYELETS).status()).isEqualTo(409);
    }

    @Test
    void twoBrowsersAtTheSameTimeCreateOneOrderAndTheLoserIsToldWhatHappened() throws Exception {
        int before = count("supply_orders");
        ExecutorService browsers = Executors.newFixedThreadPool(6);
        CyclicBarrier together = new CyclicBarrier(6);
        List<Callable<Reply>> presses = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            String who = i % 2 == 0 ? "ida" : "tom";
            presses.add(() -> {
                together.await();
                return release(who, UUID.randomUUID(), false, NAILS, ROOF);
            });
        }
        List<Reply> replies = new ArrayList<>();
        for (Future<Reply> press : browsers.invokeAll(presses)) {
            replies.add(press.get());
        }
        browsers.shutdown();
        assertThat(replies).filteredOn(r -> r.status() == 201).hasSize(1);
        assertThat(count("supply_orders")).isEqualTo(before + 2);
        assertThat(replies).filteredOn(r -> r.status() == 409).hasSize(5).allSatisfy(r -> {
            assertThat(r.body().get("detail").asText()).contains("6000 NAIL-20 for 2026-11-27 was released by");
            assertThat(r.body().get("detail").asText()).contains("as PO-2045");
        });
    }

    /** In lots of 2 000 at most there are several alike; when one is released, one of the same name stands there again. */
    @Test
    void theSamePlannedOrderIsReleasedOnceEvenIfOneLikeItStandsThereAgain() throws Exception {
        assertThat(decide(
                                "ida",
                                "{'kind':'PLANNING','item':'NAIL-20','site':'LARKMOOR','fields':{'max_quantity':'2000'}}")
                        .status())
                .isEqualTo(201);
        knowing();
        // until there is a day that wants many of them
        release("ida", UUID.randomUUID(), false, keys("NAIL-20").get(0));
        knowing();
        release("ida", UUID.randomUUID(), false, keys("NAIL-20").get(0));
        knowing();
        String first = keys("NAIL-20").get(0);
        long seen = live.current().number();
        assertThat(release("ida", UUID.randomUUID(), seen, false, first).status())
                .isEqualTo(201);
        knowing();
        assertThat(keys("NAIL-20")).contains(first);

        Reply refused = release("tom", UUID.randomUUID(), seen, false, first);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().get("changes").get(0).asText())
                .startsWith("PO-2047, 2000 NAIL-20, was released by Ida Holm at ");
        JsonNode preview = post(
                        "tom", "/api/releases/preview", null, "{'seen':" + seen + ",'orders':['" + first + "']}")
                .body();
        assertThat(preview.get("since")).hasSize(1);

        // looked at again, it may still be wanted
        assertThat(release("tom", UUID.randomUUID(), preview.get("version").asLong(), false, first)
                        .status())
                .isEqualTo(201);
    }

    @Test
    void whatHappenedElsewhereHoldsUpNoRelease() throws Exception {
        long seen = live.current().number();
        release("ida", UUID.randomUUID(), false, NAILS);
        knowing();
        assertThat(release("tom", UUID.randomUUID(), seen, false, EYELETS).status())
                .isEqualTo(201);
    }

    @Test
    void aStaleChoiceReleasesNothingAtAll() throws Exception {
        release("ida", UUID.randomUUID(), false, NAILS);
        int before = count("supply_orders");
        Reply refused = release("tom", UUID.randomUUID(), false, EYELETS, NAILS);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().get("keys").get(0).asText()).isEqualTo(NAILS);
        assertThat(count("supply_orders")).isEqualTo(before);
    }

    @Test
    void withoutSupplierNothingGoesUnlessThePlannerLeavesItOut() throws Exception {
        String noSupplier = keys("ENTR-R").get(0);
        Reply refused = release("ida", UUID.randomUUID(), false, noSupplier, NAILS);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("obstacles").get(0).get("sentence").asText())
                .contains("ENTR-R")
                .contains("no supplier");
        assertThat(keys("NAIL-20")).contains(NAILS);
        Reply done = release("ida", UUID.randomUUID(), true, noSupplier, NAILS);
        assertThat(done.status()).isEqualTo(201);
        assertThat(done.body().get("orders")).hasSize(1);
        assertThat(done.body().get("leftOut").get(0).get("item").asText()).isEqualTo("ENTR-R");
    }

    @Test
    void numbersHaveNoGapsEvenAfterARefusal() throws Exception {
        release("ida", UUID.randomUUID(), false, NAILS);
        release("ida", UUID.randomUUID(), false, keys("ENTR-R").get(0), EYELETS);
        Reply next = release("ida", UUID.randomUUID(), false, EYELETS);
        assertThat(next.body().get("orders").get(0).get("number").asText()).isEqualTo("PO-2046");
    }

    @Test
    void onlyPlannersReleaseAndBuyersWhatIsBought() throws Exception {
        assertThat(release("stella", UUID.randomUUID(), false, NAILS).status()).isEqualTo(403);
        assertThat(release("bram", UUID.randomUUID(), false, ROOF).status()).isEqualTo(403);
        assertThat(release("bram", UUID.randomUUID(), false, NAILS).status()).isEqualTo(201);
    }

    @Test
    void aTransferTakesTheItemFromTheSendingSite() throws Exception {
        String key = "HIVE-10W~QUAYSIDE~2026-12-01~6~0";
        Reply reply = release("ida", UUID.randomUUID(), false, key);
        assertThat(reply.status()).isEqualTo(201);
        knowing();
        assertThat(live.current()
                        .plan()
                        .point("HIVE-10W", "LARKMOOR")
                        .orElseThrow()
                        .demands())
                .anySatisfy(d -> assertThat(d.number()).isEqualTo("TO-59"));
    }

    @Test
    void whatCannotBeReadIsRefusedInWords() throws Exception {
        Reply reply = release("ida", UUID.randomUUID(), false, "nonsense");
        assertThat(reply.status()).isEqualTo(400);
        assertThat(reply.body().get("detail").asText()).contains("names no planned order");
        assertThat(release("ida", UUID.randomUUID(), false).status()).isEqualTo(400);
    }
}
