package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import rescient.core.company.OrderFacts;
import rescient.core.company.Stage;
import rescient.core.company.StockFacts;
import rescient.dataset.Row;

/** A line of a customer order that is bought for alone, from the sheet to the purchase order that names it. */
class BoughtForLineTest extends ServerTest {
    private static String line(String wanted, String more) {
        return "{'item':'BRG-6202','site':'LARKMOOR','quantity':7,'wanted':'" + wanted + "'" + more + "}";
    }

    private JsonNode promise(String line) throws Exception {
        Reply reply = post("sven", "/api/promise", null, "{'lines':[" + line + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body().get(0);
    }

    private Reply enter(String number, String line) throws Exception {
        Reply reply = decide("sven", "{'kind':'ENTER','number':'" + number + "','lines':[" + line + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply;
    }

    /** Widdow needs four working days and sells 20 at least: from Monday 23 November it is there on Friday. */
    @Test
    void itIsPromisedBySupplierAndWhatHeAsksIsSaid() throws Exception {
        JsonNode own = promise(line("2026-11-24", ",'supply':'OWN','supplier':'WIDDOW'"));
        assertThat(own.get("promised").asText()).isEqualTo("2026-11-27");
        assertThat(own.get("available").asInt()).isZero();
        assertThat(own.get("causeItem").asText()).isEqualTo("BRG-6202");
        assertThat(own.get("bought").get("supplier").asText()).isEqualTo("WIDDOW");
        assertThat(own.get("bought").get("least").asInt()).isEqualTo(20);
        assertThat(own.get("bought").hasNonNull("multiple")).isFalse();
        assertThat(own.get("bought").get("suppliers")).hasSize(3);
        JsonNode preferred = promise(line("2027-03-01", ",'supply':'DIRECT'"));
        assertThat(preferred.get("asWanted").asBoolean()).isTrue();
        assertThat(preferred.get("bought").get("supplier").asText()).isEqualTo("BROOKMILL");
        assertThat(preferred.get("bought").get("multiple").asInt()).isEqualTo(10);
    }

    @Test
    void whatCannotBeBoughtIsSaidAtItsField() throws Exception {
        assertThat(promise(line("2026-12-30", ",'supply':'OWN','supplier':'NOBODY'"))
                        .get("field")
                        .asText())
                .isEqualTo("supplier");
        String kit = "{'item':'KIT-BEGIN','site':'LARKMOOR','quantity':1,'wanted':'2026-12-30','supply':'OWN'}";
        assertThat(promise(kit).get("fault").asText()).contains("never bought itself");
    }

    /** Seven, though the supplier sells twenty: released, the purchase names the line, and nothing is planned for it any more. */
    @Test
    void itsPurchaseNamesIt() throws Exception {
        List<String> others = keys("BRG-6202");
        enter("SO-990", line("2026-12-30", ",'supply':'OWN','supplier':'WIDDOW'"));
        String code = "BRG-6202 → SO-990 / 1";
        assertThat(keys("BRG-6202")).containsExactlyElementsOf(others);
        List<String> planned = keys(code);
        assertThat(planned).hasSize(1);
        assertThat(live.current()
                        .plan()
                        .point(code, "LARKMOOR")
                        .orElseThrow()
                        .plannedOrder(0)
                        .quantity())
                .isEqualTo(7_000_000L);

        Reply released = release("bram", UUID.randomUUID(), false, planned.get(0));
        assertThat(released.status()).as(String.valueOf(released.body())).isEqualTo(201);
        knowing();
        Map<String, Object> row = jdbc.queryForMap("select number, item, supplier, quantity, for_order, for_line"
                + " from open_orders where for_order = 'SO-990'");
        assertThat(row).containsEntry("item", "BRG-6202").containsEntry("supplier", "WIDDOW");
        assertThat(row).containsEntry("for_line", "1");
        assertThat(keys(code)).isEmpty();
        assertThat(keys("BRG-6202")).containsExactlyElementsOf(others);
        assertThat(get("ida", "/api/demand/order?number=SO-990")
                        .body()
                        .get("lines")
                        .get(0)
                        .get("supply")
                        .asText())
                .isEqualTo("own");
        String number = (String) row.get("number");
        assertThat(get("ida", "/api/plan/why?key=" + number).status()).isNotEqualTo(500);
    }

    /** What goes straight to the customer is received and shipped at once, by the buyer too, and is never on hand. */
    @Test
    void whatGoesStraightIsReceivedAndShippedInOnePosting() throws Exception {
        enter("SO-990", line("2026-12-30", ",'supply':'DIRECT','supplier':'WIDDOW'"));
        assertThat(release(
                                "bram",
                                UUID.randomUUID(),
                                false,
                                keys("BRG-6202 → SO-990 / 1").get(0))
                        .status())
                .isEqualTo(201);
        knowing();
        String number = jdbc.queryForObject("select number from open_orders where for_order = 'SO-990'", String.class);
        BigDecimal before = onHand();
        assertThat(get("bram", "/api/orders/one?number=" + number)
                        .body()
                        .get("lines")
                        .get(0)
                        .get("straightTo")
                        .asText())
                .isNotBlank();
        // what comes to a site is not the buyer's to post
        assertThat(receive("bram", "PO-2041").status()).isEqualTo(403);
        Reply posted = post(
                "bram",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'RECEIVE','number':'" + number + "','line':'1','lot':'BK-1'}]}");
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        knowing();
        assertThat(jdbc.queryForList(
                        "select kind || ' ' || order_number || ' ' || quantity::int from " + moved()
                                + " order by number",
                        String.class))
                .containsExactly("receipt " + number + " 7", "shipment SO-990 -7");
        assertThat(onHand()).isEqualByComparingTo(before);
        assertThat(wanted()).isZero();
        assertThat(count("open_orders where number = '" + number + "'")).isZero();

        String back = "{'reason':'not yet','lines':[{'act':'REVERSE','reverses':'"
                + posted.body().get("key").asText() + "'}]}";
        assertThat(post("bram", "/api/stock/postings", UUID.randomUUID(), back).status())
                .isEqualTo(201);
        knowing();
        assertThat(wanted()).isEqualByComparingTo("7");
        assertThat(count("open_orders where number = '" + number + "'")).isOne();
        assertThat(onHand()).isEqualByComparingTo(before);
    }

    private Reply receive(String login, String number) throws Exception {
        return post(
                login,
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'RECEIVE','number':'" + number + "','line':'1'}]}");
    }

    /** By the customer, still. */
    private BigDecimal wanted() {
        return live.current().directory().facts().where(OrderFacts.CustomerOrder.class, "number", "SO-990").stream()
                .filter(OrderFacts.CustomerOrder::counts)
                .map(OrderFacts.CustomerOrder::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private BigDecimal onHand() {
        return live.current().directory().facts().where(StockFacts.Stock.class, "item", "BRG-6202").stream()
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** A line that is taken from stock after all needs no purchase, and taken back it has its own again. */
    @Test
    void theWayOfALineIsUndoneAsAWhole() throws Exception {
        Reply kept = enter("SO-990", line("2026-12-30", ",'supply':'DIRECT'"));
        assertThat(keys("BRG-6202 → SO-990 / 1")).hasSize(1);
        assertThat(undo("sven", kept).status()).isEqualTo(200);
        knowing();
        assertThat(keys("BRG-6202 → SO-990 / 1")).isEmpty();
        assertThat(count("customer_orders where number = 'SO-990'")).isZero();
    }

    private static final String KIT = "'item':'KIT-BEGIN','site':'LARKMOOR','quantity':2,'wanted':'2027-03-01'";

    /** A kit of a smoker alone, for one order: it asks for two smokers more and for no gloves. */
    @Test
    void aKitMayHaveOtherPartsForOneOrder() throws Exception {
        JsonNode usual = promise("{" + KIT + "}");
        String component = usual.get("parts").get(0).get("item").asText();
        assertThat(usual.get("parts").size()).isGreaterThan(1);
        String other = "{" + KIT + ",'parts':[{'component':'" + component + "','quantity':3}]}";
        JsonNode promise = promise(other);
        assertThat(promise.get("parts")).hasSize(1);
        assertThat(promise.get("parts").get(0).get("each").asInt()).isEqualTo(3);

        Reply kept = enter("SO-990", other);
        assertThat(count("customer_order_parts where number = 'SO-990'")).isOne();
        assertThat(demanded(component)).isEqualTo(6);
        Reply amended = decide("sven", "{'kind':'AMEND','orders':['SO-990~1'],'kitParts':[]}");
        assertThat(amended.status()).as(String.valueOf(amended.body())).isEqualTo(201);
        knowing();
        assertThat(count("customer_order_parts where number = 'SO-990'")).isZero();
        assertThat(demanded(component))
                .isEqualTo(2 * usual.get("parts").get(0).get("each").asInt());
        assertThat(undo("sven", amended).status()).isEqualTo(200);
        knowing();
        assertThat(demanded(component)).isEqualTo(6);
        assertThat(undo("sven", kept).status()).isEqualTo(200);
        knowing();
        assertThat(count("customer_order_parts where number = 'SO-990'")).isZero();
    }

    /** Of two parts one goes, one is otherwise and a third comes; then all go: each for itself, in the plan and in the tables. */
    @Test
    void partsOfAnOrderAreChangedOneByOne() throws Exception {
        String parts = "'parts':[{'component':'SMOKER-S','quantity':1},{'component':'TOOL-J','quantity':2}]";
        enter("SO-990", "{" + KIT + "," + parts + "}");
        Reply amended = decide(
                "sven",
                "{'kind':'AMEND','orders':['SO-990~1'],'kitParts':[{'component':'TOOL-J','quantity':3},"
                        + "{'component':'GLOVE-M','quantity':1}]}");
        assertThat(amended.status()).as(String.valueOf(amended.body())).isEqualTo(201);
        knowing();
        assertThat(partsOf("SO-990")).containsExactlyInAnyOrder("TOOL-J 3", "GLOVE-M 1");
        assertThat(List.of(demanded("SMOKER-S"), demanded("TOOL-J"), demanded("GLOVE-M")))
                .containsExactly(0L, 6L, 2L);
        assertThat(undo("sven", amended).status()).isEqualTo(200);
        knowing();
        assertThat(partsOf("SO-990")).containsExactlyInAnyOrder("SMOKER-S 1", "TOOL-J 2");
        assertThat(decide("sven", "{'kind':'AMEND','orders':['SO-990~1'],'kitParts':[]}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(partsOf("SO-990")).isEmpty();
    }

    /** As the tables have them, and as everybody sees them. */
    private List<String> partsOf(String number) throws Exception {
        List<String> kept = jdbc.queryForList(
                "select component || ' ' || quantity::int from customer_order_parts where number = ?",
                String.class,
                number);
        assertThat(live.current().directory().facts().rows("customer_order_parts", "number", number).stream()
                        .map(row -> row.text("component")
                                + ' '
                                + row.decimal("quantity").intValueExact()))
                .containsExactlyInAnyOrderElementsOf(kept);
        return kept;
    }

    /** What SO-990 asks for of a component. */
    private long demanded(String component) {
        return live.current().plan().point(component, "LARKMOOR").orElseThrow().demands().stream()
                .filter(demand -> demand.number().equals("SO-990"))
                .mapToLong(demand -> demand.quantity() / 1_000_000)
                .sum();
    }

    @Test
    void partsThatCannotBeAreSaid() throws Exception {
        assertThat(promise("{" + KIT + ",'parts':[]}").get("fault").asText()).contains("one part at least");
        assertThat(promise("{" + KIT + ",'parts':[{'component':'KIT-BEGIN','quantity':1}]}")
                        .get("fault")
                        .asText())
                .contains("part of itself");
        assertThat(promise(line("2027-03-01", ",'parts':[{'component':'NAIL-20','quantity':1}]"))
                        .get("fault")
                        .asText())
                .contains("is no kit");
    }

    /** Made to order: firmed, changed and released it hangs on the line, in the database and in what goes out; it is planned as ever. */
    @Test
    void whatIsMadeForALineHangsOnIt() throws Exception {
        String planned = keys("OBS-HIVE").get(0);
        Reply firmed = decide("ida", "{'kind':'FIRM','orders':['" + planned + "']}");
        assertThat(firmed.status()).as(String.valueOf(firmed.body())).isEqualTo(201);
        OrderFacts.OpenOrder open = hanging();
        OrderFacts.CustomerOrder line = live.current()
                .directory()
                .facts()
                .one(OrderFacts.CustomerOrder.class, open.forOrder(), open.forLine())
                .orElseThrow();
        assertThat(line.item()).isEqualTo("OBS-HIVE");
        assertThat(open.quantity()).isLessThanOrEqualTo(line.quantity());
        String key = open.number() + "~" + open.line();
        Reply fewer = decide(
                "ida",
                "{'kind':'CHANGE','orders':['" + key + "'],'quantity':"
                        + open.quantity().subtract(BigDecimal.ONE) + "}");
        assertThat(fewer.status()).as(String.valueOf(fewer.body())).isEqualTo(201);
        assertThat(hanging().quantity()).isEqualByComparingTo(open.quantity().subtract(BigDecimal.ONE));
        Reply released = release("ida", UUID.randomUUID(), false, key);
        assertThat(released.status()).as(String.valueOf(released.body())).isEqualTo(201);
        knowing();
        OrderFacts.OpenOrder out = hanging();
        assertThat(out.stage()).isEqualTo(Stage.RELEASED);
        assertThat(out.item()).isEqualTo("OBS-HIVE");
        assertThat(jdbc.queryForObject(
                        "select for_order || ' ' || for_line from supply_order_lines where order_number = ?",
                        String.class,
                        out.number()))
                .isEqualTo(line.number() + " " + line.line());
        // what is read anew is what was followed
        Row read = store.read().dataset().rows("open_orders").stream()
                .filter(row -> row.text("number").equals(out.number()))
                .findFirst()
                .orElseThrow();
        assertThat(read.text("for_order") + " " + read.text("for_line")).isEqualTo(line.number() + " " + line.line());
    }

    /** The one order that hangs on a line. */
    private OrderFacts.OpenOrder hanging() {
        List<OrderFacts.OpenOrder> hanging = live.current()
                .directory()
                .facts()
                .all(OrderFacts.OpenOrder.class)
                .filter(order -> order.forOrder() != null)
                .toList();
        assertThat(hanging).hasSize(1);
        return hanging.get(0);
    }
}
