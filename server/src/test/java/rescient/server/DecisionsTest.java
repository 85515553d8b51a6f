package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;

/** Decisions: the consequence before they are kept, the keeping, and the taking back. */
class DecisionsTest extends ServerTest {
    private static final Cause OUTSIDE = new Cause(Cause.Kind.SETTING, null, "Something was set");

    private static final String BEARINGS = "BRG-6202~LARKMOOR~2026-11-27~50~0";
    private static final String ROD = "ROD-12~LARKMOOR~2026-12-07~126~0";

    @Autowired
    private Companies companies;

    @Autowired
    private TransactionTemplate transaction;

    private List<JsonNode> rows(String item) throws Exception {
        knowing();
        return get("ida", "/api/plan/orders").body().get("orders").findParents("forLate").stream()
                .filter(o -> o.get("item").asText().equals(item))
                .toList();
    }

    private List<String> signals(String item) throws Exception {
        knowing();
        return get("ida", "/api/plan/orders").body().get("signals").findParents("signal").stream()
                .filter(s -> s.get("signal").get("item").asText().equals(item))
                .map(s -> s.get("signal").get("kind").asText())
                .toList();
    }

    /** All that decisions may change, to see that taking back leaves nothing. */
    private List<String> everything() {
        return jdbc.queryForList(
                "select row_to_json(x)::text from (select number, line, kind, stage, item, site, from_site, supplier,"
                        + " trim_scale(quantity), due_date, start_date from open_orders union all"
                        + " select number, line, component, '', '', '', '', '', trim_scale(quantity), needed_date, null"
                        + " from open_order_components union all"
                        + " select item, site, source, supplier, rule, '', '', '', reorder_point, null, null from planning"
                        + " order by 1, 2, 3, 10) x",
                String.class);
    }

    private String firm(String key) throws Exception {
        Reply kept = decide("ida", "{'kind':'FIRM','orders':['" + key + "']}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        return kept.body().get("orders").get(0).asText();
    }

    @Test
    void aPlannedOrderIsFirmedAsItIsAndTakenBack() throws Exception {
        List<String> before = everything();
        Reply kept = decide("ida", "{'kind':'FIRM','orders':['" + ROD + "']}");
        assertThat(kept.status()).isEqualTo(201);
        assertThat(kept.body().get("sentence").asText()).isEqualTo("Firmed 126 ROD-12");
        assertThat(kept.body().get("about").get(0).asText()).isEqualTo(ROD);

        JsonNode firmed = rows("ROD-12").get(0);
        assertThat(firmed.get("number").asText()).isEqualTo("FO-1");
        assertThat(firmed.get("quantity").asInt()).isEqualTo(126);
        assertThat(firmed.get("start").asText()).isEqualTo("2026-11-23");

        assertThat(undo("ida", kept).body().get("undoneBy").asText()).isEqualTo("Ida Holm");
        assertThat(everything()).isEqualTo(before);
        assertThat(rows("ROD-12").get(0).get("key").asText()).isEqualTo(ROD);
    }

    @Test
    void aFasterSupplierIsSeenBeforeItIsKept() throws Exception {
        // Widdow takes 4 working days: due Fri 27 November, start Mon 23 November; 60 at 6.35 = 381.00
        String wish = "{'kind':'CHANGE','orders':['" + BEARINGS + "'],'quantity':60,'supplier':'WIDDOW'}";
        JsonNode seen = consequence(wish);
        JsonNode after = seen.get("orders").get(0).get("after");
        assertThat(after.get("start").asText()).isEqualTo("2026-11-23");
        assertThat(after.get("value").asDouble()).isEqualTo(381.00);
        assertThat(seen.get("orders").get(0).get("before").get("value").asDouble())
                .isEqualTo(205.00);
        // SO-790 waited for the bearings until 11 January; it is the one customer order that becomes better
        assertThat(seen.get("late")).singleElement().satisfies(late -> {
            assertThat(late.get("number").asText()).isEqualTo("SO-790");
            assertThat(late.get("before").asText()).isEqualTo("2027-01-11");
            assertThat(late.get("better").asBoolean()).isTrue();
        });
        assertThat(count("decisions")).isZero();

        assertThat(decide("ida", wish).status()).isEqualTo(201);
        JsonNode row = rows("BRG-6202").get(0);
        assertThat(row.get("supplier").asText()).isEqualTo("WIDDOW");
        assertThat(row.get("quantity").asInt()).isEqualTo(60);
    }

    @Test
    void nothingIsOfferedForAnOrderThatWentWhileSomebodyLookedAtIt() throws Exception {
        assertThat(decide("ida", "{'kind':'FIRM','orders':['" + BEARINGS + "']}")
                        .status())
                .isEqualTo(201);
        knowing();
        Reply offers = get("ida", "/api/decisions/offers?key=" + BEARINGS);
        assertThat(offers.status()).isEqualTo(200);
        assertThat(offers.body()).isEmpty();
    }

    @Test
    void suppliersThatAreNotLateAreOfferedWithDatesAndPriceDifference() throws Exception {
        JsonNode offers = get("ida", "/api/decisions/offers?key=" + BEARINGS).body();
        // 50 at 6.35 = 317.50 against 50 at 4.10 = 205.00: 112.50 dearer, and there on time
        assertThat(offers.get(0).get("supplier").asText()).isEqualTo("WIDDOW");
        assertThat(offers.get(0).get("late").asBoolean()).isFalse();
        assertThat(offers.get(0).get("dearer").asDouble()).isEqualTo(112.50);
        // 8 of the carriers' 20 wait, the other 12 lie in stock: 8 stainless ones at 7.90 lie there, too;
        // 63.20 against 8 at 4.10 = 32.80
        JsonNode stainless = offers.get(1);
        assertThat(stainless.get("item").asText()).isEqualTo("BRG-6202-SS");
        assertThat(stainless.get("quantity").asInt()).isEqualTo(8);
        assertThat(stainless.get("orders").asInt()).isEqualTo(1);
        assertThat(stainless.get("late").asBoolean()).isFalse();
        assertThat(stainless.get("dearer").asDouble()).isEqualTo(30.40);
        // Tandem: 9 working days from 23 November: 4 December
        assertThat(offers.get(2).get("supplier").asText()).isEqualTo("TANDEM");
        assertThat(offers.get(2).get("possible").asText()).isEqualTo("2026-12-04");
        assertThat(offers.get(2).get("late").asBoolean()).isTrue();
    }

    private String planned(String item) throws Exception {
        return keys(item).stream()
                .filter(key -> key.startsWith(item))
                .findFirst()
                .orElseThrow();
    }

    /**
     * Planned to be bought, the gearbox still has its bill of materials: making it is offered beside its suppliers, for the
     * day on which its late bearing lets it be there, not just by its own lead time.
     */
    @Test
    void whatIsBoughtButHasABillOfMaterialsIsOfferedToBeMade() throws Exception {
        String gearbox = planned("GBX-410");
        JsonNode made = get("ida", "/api/plan/order?key=" + gearbox).body().get("detail");
        decide(
                "ida",
                "{'kind':'PLANNING','item':'GBX-410','site':'LARKMOOR','fields':{'source':'buy','supplier':'TANDEM'}}");
        knowing();
        JsonNode offers = get("ida", "/api/decisions/offers?key=" + gearbox).body();
        assertThat(offers.findValuesAsText("source")).contains("make");
        for (JsonNode offer : offers) {
            if (offer.get("source").asText().equals("make")) {
                assertThat(offer.hasNonNull("supplier")).isFalse();
                assertThat(offer.get("possible").asText())
                        .isEqualTo(made.get("order").get("possible").asText());
            }
        }
    }

    @Test
    void anOrderIsSplitInEqualPartsAndByQuantityAndDate() throws Exception {
        JsonNode two = consequence("{'kind':'SPLIT','orders':['" + ROD + "'],'into':2}");
        assertThat(two.get("orders").findParents("after"))
                .filteredOn(o -> !o.get("after").isNull())
                .extracting(o -> o.get("after").get("quantity").asInt())
                .containsExactly(63, 63);

        decide(
                "ida",
                "{'kind':'SPLIT','orders':['" + ROD
                        + "'],'parts':[{'quantity':84},{'quantity':42,'due':'2026-12-14'}]}");
        assertThat(rows("ROD-12"))
                .filteredOn(o -> o.hasNonNull("number"))
                .extracting(o -> o.get("quantity").asInt() + " " + o.get("due").asText())
                .containsExactly("84 2026-12-07", "42 2026-12-14");
    }

    @Test
    void ordersOfOneStockPointAreMergedForTheEarliestDate() throws Exception {
        List<JsonNode> rods = rows("ROD-12");
        String second = rods.get(1).get("key").asText();
        int sum = 126 + rods.get(1).get("quantity").asInt();
        List<String> before = everything();

        Reply kept = decide("ida", "{'kind':'MERGE','orders':['" + ROD + "','" + second + "']}");
        JsonNode merged = rows("ROD-12").get(0);
        assertThat(merged.get("quantity").asInt()).isEqualTo(sum);
        assertThat(merged.get("due").asText()).isEqualTo("2026-12-07");
        undo("ida", kept);
        assertThat(everything()).isEqualTo(before);
    }

    @Test
    void ordersOfDifferentThingsAreNotMerged() throws Exception {
        Reply refused = decide("ida", "{'kind':'MERGE','orders':['" + ROD + "','" + BEARINGS + "']}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("cannot be merged");
    }

    @Test
    void aHoldOutlivesAnotherQuantityAndKeepsTheOrderFromRelease() throws Exception {
        Reply held = decide("ida", "{'kind':'HOLD','orders':['" + BEARINGS + "'],'until':'2026-12-03'}");
        assertThat(held.status()).isEqualTo(201);
        assertThat(rows("BRG-6202").get(0).get("hold").get("until").asText()).isEqualTo("2026-12-03");
        Reply refused = release("ida", UUID.randomUUID(), false, BEARINGS);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("is held until 2026-12-03 by Ida Holm");

        // 30 more extractors need 60 more bearings
        transaction.executeWithoutResult(s -> {
            jdbc.update("update customer_orders set quantity = quantity + 30 where number = 'SO-790'");
            companies.changed(OUTSIDE, null);
        });
        JsonNode grown = rows("BRG-6202").get(0);
        assertThat(grown.get("quantity").asInt()).isGreaterThan(50);
        assertThat(grown.get("hold").get("until").asText()).isEqualTo("2026-12-03");

        undo("ida", held);
        assertThat(rows("BRG-6202").get(0).hasNonNull("hold")).isFalse();
    }

    @Test
    void aHoldOutlivesAChangedForecast() throws Exception {
        // a planned order whose first peg is a forecast of the workshop's goods
        JsonNode order = null;
        for (JsonNode o : get("ida", "/api/plan/orders").body().get("orders")) {
            var point = live.current()
                    .plan()
                    .point(o.get("item").asText(), o.get("site").asText());
            if (order == null && !o.hasNonNull("number") && point.isPresent()) {
                var first = point.get().plannedOrders().get(0);
                var pegs = point.get().serves(first.sequence());
                boolean forecast = !pegs.isEmpty()
                        && pegs.get(0).demand().kind() == rescient.core.snapshot.DemandKind.FORECAST
                        && o.get("due")
                                .asText()
                                .equals(java.time.LocalDate.ofEpochDay(first.dueDay())
                                        .toString());
                order = forecast ? o : null;
            }
        }
        assertThat(order).isNotNull();
        String item = order.get("item").asText();
        decide("ida", "{'kind':'HOLD','orders':['" + order.get("key").asText() + "'],'until':'2027-01-15'}");
        transaction.executeWithoutResult(s -> {
            jdbc.update("update forecasts set quantity = quantity + 3 where item = ?", item);
            companies.changed(OUTSIDE, null);
        });
        assertThat(rows(item))
                .extracting(o -> o.path("hold").path("until").asText())
                .containsOnlyOnce("2027-01-15");
        String key = order.get("key").asText();
        assertThat(rows(item)).extracting(o -> o.get("key").asText()).doesNotContain(key);
    }

    @Test
    void aSupplierIsAskedAndTheOrderStays() throws Exception {
        JsonNode seen = consequence("{'kind':'CHANGE','orders':['PO-2038~1'],'due':'2026-11-24'}");
        assertThat(seen.get("orders").get(0).get("asked").asBoolean()).isTrue();
        assertThat(seen.get("silenced")).isNotEmpty();

        Reply kept = decide("ida", "{'kind':'CHANGE','orders':['PO-2038~1'],'due':'2026-11-24'}");
        assertThat(kept.body().get("sentence").asText()).startsWith("Asked for PO-2038");
        assertThat(jdbc.queryForObject("select due_date::text from open_orders where number = 'PO-2038'", String.class))
                .isEqualTo("2026-11-26");
        JsonNode row = get("ida", "/api/plan/orders").body().get("signals").findParents("asked").stream()
                .filter(s -> s.get("signal").get("item").asText().equals("CARTON-H"))
                .findFirst()
                .orElseThrow();
        assertThat(row.get("asked").get("due").asText()).isEqualTo("2026-11-24");
        undo("ida", kept);
        assertThat(count("change_requests")).isZero();
    }

    @Test
    void anOrderOfOurOwnIsPushedBackAtOnceWithItsComponents() throws Exception {
        List<String> before = everything();
        assertThat(signals("BOX-B10")).containsExactly("push_back");
        Reply kept = decide("ida", "{'kind':'CHANGE','orders':['MO-318~1'],'due':'2027-01-06'}");
        assertThat(kept.status()).isEqualTo(201);
        assertThat(signals("BOX-B10")).isEmpty();
        undo("ida", kept);
        assertThat(signals("BOX-B10")).containsExactly("push_back");
        assertThat(everything()).isEqualTo(before);
    }

    @Test
    void anOrderNobodyNeedsIsCancelledOrTheSupplierAsked() throws Exception {
        decide("ida", "{'kind':'CANCEL','orders':['PO-2002~1']}");
        assertThat(jdbc.queryForObject("select kind from change_requests", String.class))
                .isEqualTo("cancel");
        decide("ida", "{'kind':'CANCEL','orders':['MO-318~1']}");
        assertThat(jdbc.queryForList("select 1 from open_orders where number = 'MO-318'"))
                .isEmpty();
    }

    @Test
    void aMissingSupplierIsRepairedForGoodOrForOneOrder() throws Exception {
        assertThat(signals("ENTR-R")).containsExactly("no_supplier");
        Reply kept =
                decide("ida", "{'kind':'PLANNING','item':'ENTR-R','site':'LARKMOOR','fields':{'supplier':'EMBERLY'}}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(signals("ENTR-R")).isEmpty();
        undo("ida", kept);
        assertThat(signals("ENTR-R")).containsExactly("no_supplier");

        String entrance = rows("ENTR-R").get(0).get("key").asText();
        decide("ida", "{'kind':'CHANGE','orders':['" + entrance + "'],'supplier':'EMBERLY'}");
        assertThat(rows("ENTR-R").get(0).get("supplier").asText()).isEqualTo("EMBERLY");
    }

    @Test
    void planningDataThatCannotBeAreRefusedAtTheirField() throws Exception {
        Reply letters =
                decide("ida", "{'kind':'PLANNING','item':'ROD-12','site':'LARKMOOR','fields':{'safety_stock':'many'}}");
        assertThat(letters.status()).isEqualTo(422);
        assertThat(letters.body().get("field").asText()).isEqualTo("safety_stock");
        Reply stranger =
                decide("ida", "{'kind':'PLANNING','item':'ROD-12','site':'LARKMOOR','fields':{'supplier':'NOBODY'}}");
        assertThat(stranger.status()).isEqualTo(422);
        Reply nowhere =
                decide("ida", "{'kind':'PLANNING','item':'ROD-12','site':'NOWHERE','fields':{'safety_stock':'5'}}");
        assertThat(nowhere.status()).isEqualTo(422);
        assertThat(nowhere.body().get("field").asText()).isEqualTo("site");
        assertThat(count("decisions")).isZero();
    }

    @Test
    void theSameDecisionAgainAnswersTheSameAndDoesNothing() throws Exception {
        UUID key = UUID.randomUUID();
        String wish = "{'kind':'FIRM','orders':['" + ROD + "']}";
        Reply first = decide("ida", key, wish);
        int orders = count("supply_orders");
        assertThat(decide("ida", key, wish).body()).isEqualTo(first.body());
        assertThat(count("supply_orders")).isEqualTo(orders);
    }

    @Test
    void aCommandKeyIsNotTakenForAnotherDecision() throws Exception {
        UUID key = UUID.randomUUID();
        decide("ida", key, "{'kind':'FIRM','orders':['" + ROD + "']}");
        assertThat(decide("ida", key, "{'kind':'FIRM','orders':['" + BEARINGS + "']}")
                        .status())
                .isEqualTo(409);
        assertThat(decide("tom", key, "{'kind':'FIRM','orders':['" + ROD + "']}")
                        .status())
                .isEqualTo(409);
        assertThat(count("decisions")).isEqualTo(1);
    }

    @Test
    void aHoldWithoutADayIsRefusedEvenIfItsOrderIsGone() throws Exception {
        Reply refused = decide("ida", "{'kind':'HOLD','orders':['ROD-12~LARKMOOR~2026-12-07~1~0']}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("field").asText()).isEqualTo("until");
    }

    @Test
    void whoComesSecondIsToldWhatChangedAndWhatIsThereInstead() throws Exception {
        decide("ida", "{'kind':'CHANGE','orders':['" + ROD + "'],'quantity':60}");
        Reply late = decide("tom", "{'kind':'CHANGE','orders':['" + ROD + "'],'quantity':90}");
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.body().get("detail").asText())
                .contains("126 ROD-12 for 2026-12-07 is no longer there (Ida Holm: ");
        knowing();
        String instead = late.body().get("instead").get(0).asText();
        assertThat(rows("ROD-12")).extracting(o -> o.get("key").asText()).contains(instead);
        assertThat(decide("tom", "{'kind':'FIRM','orders':['" + instead + "']}").status())
                .isEqualTo(201);
    }

    @Test
    void firmedOrdersAreReleasedTogetherWithPlannedOnesAndCannotBeTakenBackThen() throws Exception {
        Reply kept = decide("ida", "{'kind':'FIRM','orders':['NAIL-20~LARKMOOR~2026-11-27~6000~0']}");
        String firmed = kept.body().get("orders").get(0).asText();
        knowing();
        Reply released = release("ida", UUID.randomUUID(), false, firmed, "EYELET-3~LARKMOOR~2026-11-27~6000~0");
        assertThat(released.status()).as(String.valueOf(released.body())).isEqualTo(201);
        assertThat(released.body().get("orders").findValuesAsText("number")).containsExactly("PO-2045");
        assertThat(jdbc.queryForList("select 1 from supply_orders where number like 'FO-%'"))
                .isEmpty();
        assertThat(jdbc.queryForObject(
                        "select count(*) from open_orders where number = 'PO-2045' and stage = 'released'",
                        Integer.class))
                .isEqualTo(2);

        Reply late = undo("ida", kept);
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.body().get("detail").asText()).contains("cannot be taken back");
    }

    @Test
    void aFirmedOrderThatHasANumberKeepsItWhenReleased() throws Exception {
        Reply released = release("ida", UUID.randomUUID(), false, "MO-320~1");
        assertThat(released.body().get("orders").findValuesAsText("number")).containsExactly("MO-320");
        assertThat(jdbc.queryForObject("select stage from open_orders where number = 'MO-320'", String.class))
                .isEqualTo("released");
    }

    @Test
    void aFirmedOrderIsChangedAgainAndItsComponentsFollow() throws Exception {
        String roof = firm("ROF-10W~LARKMOOR~2026-11-24~4~0");
        // 6 roofs: 6 bodies and 6 × 0.25 = 1.5 l of paint
        Reply kept = decide("ida", "{'kind':'CHANGE','orders':['" + roof + "'],'quantity':6}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(jdbc.queryForList(
                        "select component || ' ' || trim_scale(quantity) from open_order_components"
                                + " where number = 'FO-1' order by component",
                        String.class))
                .containsExactly("PAINT-W 1.5", "ROF-10 6");
    }

    @Test
    void whoMayNotDecideIsToldSo() throws Exception {
        Reply stores = decide("stella", "{'kind':'FIRM','orders':['" + ROD + "']}");
        assertThat(stores.status()).isEqualTo(403);
        // a buyer decides on what is bought, not on what is made
        assertThat(decide("bram", "{'kind':'FIRM','orders':['ROF-10W~LARKMOOR~2026-11-24~4~0']}")
                        .status())
                .isEqualTo(403);
        assertThat(decide("bram", "{'kind':'FIRM','orders':['" + ROD + "']}").status())
                .isEqualTo(201);
    }

    @Test
    void theDatabaseHoldsWhatTheLivePlanCountsOn() throws Exception {
        firm(ROD);
        decide("ida", "{'kind':'CHANGE','orders':['MO-318~1'],'due':'2027-01-06'}");
        decide("ida", "{'kind':'SPLIT','orders':['" + BEARINGS + "'],'into':3}");
        knowing();
        var incremental = live.current().plan();
        transaction.executeWithoutResult(s -> companies.changed(OUTSIDE, null));
        knowing();
        assertThat(live.current().plan().plannedOrders()).isEqualTo(incremental.plannedOrders());
        assertThat(live.current().plan().signals()).isEqualTo(incremental.signals());
    }
}
