package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.dataset.DatasetReader;
import rescient.server.exchange.CompanyExchange;
import rescient.server.stock.StockCheck;

/** The stock record: what is posted on it, what the plan makes of it, and how it is taken back. */
class StockTest extends ServerTest {
    /** Released: 96 planks are still to come, at 6.40 each. */
    private static final String PURCHASE = "PO-2031";

    @Autowired
    private StockCheck check;

    @Autowired
    private CompanyExchange exchange;

    @TempDir
    private Path folder;

    private Reply postStock(String login, UUID key, String wish) throws Exception {
        return post(login, "/api/stock/postings", key, wish);
    }

    private JsonNode posted(String wish) throws Exception {
        Reply reply = postStock("stella", UUID.randomUUID(), wish);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body();
    }

    private static String line(String act, String rest) {
        return "{'lines':[{'act':'" + act + "'," + rest + "}]}";
    }

    private JsonNode ledger(String item) throws Exception {
        Reply reply = get("stella", "/api/stock/ledger?site=LARKMOOR&item=" + item);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private BigDecimal inPlan(String item) {
        return live.current().directory().facts().where(StockFacts.Stock.class, "item", item).stream()
                .filter(stock -> stock.site().equals("LARKMOOR"))
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private List<OrderFacts.OpenOrder> open(String number) {
        return live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", number);
    }

    /** A window of the ledger: what was there after its movements is the same wherever it begins. */
    @Test
    void aLedgerIsReadInWindows() throws Exception {
        posted(line("ADJUST", "'item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605','quantity':5"));
        posted(line("ADJUST", "'item':'SYRUP-5','site':'LARKMOOR','lot':'S-2605','quantity':-3"));
        JsonNode whole = ledger("SYRUP-5").get("entries");
        Reply later = get("stella", "/api/stock/ledger?site=LARKMOOR&item=SYRUP-5&offset=1&limit=1");
        assertThat(later.status()).as(String.valueOf(later.body())).isEqualTo(200);
        assertThat(later.body().get("entries")).hasSize(1);
        assertThat(later.body().get("entries").get(0).get("onHand").decimalValue())
                .isEqualByComparingTo(whole.get(1).get("onHand").decimalValue());
    }

    /** In two parts: the plan counts on what is left, the line stays on the order when all of it has come, and comes back when that is taken back. */
    @Test
    void aPurchaseIsReceivedInPartsAndTheRestIsTakenBack() throws Exception {
        OrderFacts.OpenOrder order = open(PURCHASE).get(0);
        BigDecimal before = inPlan(order.item());
        JsonNode first = posted(line("RECEIVE", "'number':'" + PURCHASE + "','line':'1','quantity':40"));
        assertThat(first.get("posting").get("movements")).hasSize(1);
        assertThat(first.get("posting").get("orders").get(0).get("open").decimalValue())
                .isEqualByComparingTo(order.quantity().subtract(new BigDecimal(40)));
        assertThat(inPlan(order.item())).isEqualByComparingTo(before.add(new BigDecimal(40)));
        assertThat(open(PURCHASE).get(0).quantity())
                .isEqualByComparingTo(order.quantity().subtract(new BigDecimal(40)));
        assertThat(open(PURCHASE).get(0).ordered()).isEqualByComparingTo(order.quantity());

        JsonNode rest = posted(line("RECEIVE", "'number':'" + PURCHASE + "'"));
        assertThat(rest.get("posting").get("orders").get(0).get("done").asBoolean())
                .isTrue();
        assertThat(open(PURCHASE)).isEmpty();
        JsonNode page = get("bram", "/api/orders/one?number=" + PURCHASE).body();
        assertThat(page.get("order").get("stage").asText()).isEqualTo("done");
        assertThat(page.get("lines").get(0).get("open").decimalValue()).isZero();
        Reply more =
                postStock("stella", UUID.randomUUID(), line("RECEIVE", "'number':'" + PURCHASE + "','quantity':1"));
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.body().get("refused").get(0).get("code").asText()).isEqualTo("closed");

        String back = "'reverses':'" + rest.get("key").asText() + "'";
        posted("{'reason':'wrong pallet','lines':[{'act':'REVERSE'," + back + "}]}");
        assertThat(open(PURCHASE).get(0).quantity())
                .isEqualByComparingTo(order.quantity().subtract(new BigDecimal(40)));
        assertThat(open(PURCHASE).get(0).dueDate()).isEqualTo(order.dueDate());
        assertThat(inPlan(order.item())).isEqualByComparingTo(before.add(new BigDecimal(40)));
        Reply twice = postStock("stella", UUID.randomUUID(), line("REVERSE", back));
        assertThat(twice.status()).isEqualTo(422);
        JsonNode ledger = ledger(order.item());
        assertThat(ledger.get("total").asInt()).isEqualTo(3);
        assertThat(ledger.get("opening").decimalValue()).isEqualByComparingTo(before);
        assertThat(ledger.get("entries").get(1).get("takenBack").asBoolean()).isTrue();
        assertThat(ledger.get("entries").get(0).get("onHand").decimalValue())
                .isEqualByComparingTo(before.add(new BigDecimal(40)));
        // what is read anew is what was followed
        assertThat(store.read().dataset().rows("stock").stream()
                        .filter(row -> row.text("item").equals(order.item())
                                && row.text("site").equals("LARKMOOR"))
                        .map(row -> row.decimal("quantity"))
                        .reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(before.add(new BigDecimal(40)));
    }

    /** The same key posts once; the plan's Changes name it; the value follows; planners and stores may, others not. */
    @Test
    void anAdjustmentIsPostedOnce() throws Exception {
        BigDecimal before = inPlan("SEAL-15");
        BigDecimal worth = ledger("SEAL-15").get("value").decimalValue();
        BigDecimal cost = ledger("SEAL-15").get("standardCost").decimalValue();
        String wish = "{'reason':'rusty','lines':[{'act':'ADJUST','item':'SEAL-15','site':'LARKMOOR','quantity':-4}]}";
        assertThat(postStock("sven", UUID.randomUUID(), wish).status()).isEqualTo(403);
        UUID key = UUID.randomUUID();
        Reply once = postStock("stella", key, wish);
        assertThat(once.status()).as(String.valueOf(once.body())).isEqualTo(201);
        assertThat(postStock("stella", key, wish).body()).isEqualTo(once.body());
        assertThat(inPlan("SEAL-15")).isEqualByComparingTo(before.subtract(new BigDecimal(4)));
        assertThat(count(moved())).isEqualTo(1);
        assertThat(ledger("SEAL-15").get("value").decimalValue())
                .isEqualByComparingTo(worth.subtract(cost.multiply(new BigDecimal(4))));
        assertThat(get("ida", "/api/plan/changes").body().toString()).contains("Adjusted -4 SEAL-15: rusty");
    }

    /** More than there is: nothing moves, and each line says what is there and what brings more. */
    @Test
    void whatIsNotThereIsRefusedWhole() throws Exception {
        String wish = "{'lines':[{'act':'ADJUST','item':'ROD-12','site':'LARKMOOR','quantity':-1},"
                + "{'act':'ADJUST','item':'SEAL-15','site':'LARKMOOR','quantity':-99999},"
                + "{'act':'ADJUST','item':'CARTON-H','site':'LARKMOOR','quantity':-99999}]}";
        int postings = count("postings");
        JsonNode preview = post("stella", "/api/stock/preview", null, wish).body();
        assertThat(preview.get("movements")).isEmpty();
        assertThat(preview.get("refused")).hasSize(2);
        assertThat(preview.get("refused")
                        .get(1)
                        .get("cures")
                        .get(0)
                        .get("sentence")
                        .asText())
                .contains("PO-2038 brings 150");
        Reply refused = postStock("stella", UUID.randomUUID(), wish);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("refused")).hasSize(2);
        assertThat(count(moved())).isZero();
        assertThat(count("postings")).isEqualTo(postings);
    }

    /** What is short is told with the orders that bring enough, the first first, and with what lies at another site. */
    @Test
    void whatWouldHelpIsNamed() throws Exception {
        String wish = "{'lines':[{'act':'ADJUST','item':'HIVE-10W','site':'LARKMOOR','quantity':-13}]}";
        JsonNode cures = post("stella", "/api/stock/preview", null, wish)
                .body()
                .get("refused")
                .get(0)
                .get("cures");
        JsonNode elsewhere = cures.get(cures.size() - 1);
        assertThat(elsewhere.get("site").asText()).isEqualTo("QUAYSIDE");
        assertThat(elsewhere.get("sentence").asText()).isEqualTo("6 lie at Quayside depot");
        JsonNode planned = cures.get(0);
        assertThat(planned.get("source").asText()).isEqualTo("assemble");
        String key = planned.get("key").asText();
        Reply released = release("ida", UUID.randomUUID(), false, key);
        assertThat(released.status()).as(String.valueOf(released.body())).isEqualTo(201);
        knowing();
        JsonNode then = post("stella", "/api/stock/preview", null, wish)
                .body()
                .get("refused")
                .get(0)
                .get("cures")
                .get(0);
        assertThat(then.get("number").asText())
                .isEqualTo(released.body().get("orders").get(0).get("number").asText());
    }

    /** A count says what is there; a part set aside is not planned with, and is free again. */
    @Test
    void aCountAndAQuarantine() throws Exception {
        BigDecimal before = inPlan("ROD-12");
        JsonNode same = posted(line("COUNT", "'item':'ROD-12','site':'LARKMOOR','quantity':" + before));
        assertThat(same.hasNonNull("key")).isFalse();
        assertThat(count(moved())).isZero();
        posted(line("COUNT", "'item':'ROD-12','site':'LARKMOOR','quantity':50"));
        assertThat(inPlan("ROD-12")).isEqualByComparingTo("50");
        posted("{'reason':'bent','lines':[{'act':'QUARANTINE','item':'ROD-12','site':'LARKMOOR','quantity':20}]}");
        JsonNode ledger = ledger("ROD-12");
        assertThat(ledger.get("bins")).hasSize(2);
        assertThat(ledger.get("quarantined").decimalValue()).isEqualByComparingTo("20");
        assertThat(ledger.get("onHand").decimalValue()).isEqualByComparingTo("50");
        Reply tooMuch = postStock(
                "stella", UUID.randomUUID(), line("QUARANTINE", "'item':'ROD-12','site':'LARKMOOR','quantity':31"));
        assertThat(tooMuch.status()).isEqualTo(422);
        posted(line("FREE", "'item':'ROD-12','site':'LARKMOOR'"));
        assertThat(ledger("ROD-12").get("bins")).hasSize(1);
        assertThat(inPlan("ROD-12")).isEqualByComparingTo("50");
    }

    /** Changed as data, each piece stays worth what it was: three planks at ten are five at ten, and three again when it is taken back. */
    @Test
    void valuesFollowWhatIsChangedAsData() throws Exception {
        BigDecimal there = inPlan("ROD-12");
        posted("{'lines':[{'act':'ADJUST','item':'ROD-12','site':'LARKMOOR','quantity':-" + there
                + "},{'act':'ADJUST','item':'ROD-12','site':'LARKMOOR','quantity':3,'price':10}]}");
        assertThat(ledger("ROD-12").get("value").decimalValue()).isEqualByComparingTo("30");
        Reply more = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'stock','key':{'item':'ROD-12','site':'LARKMOOR'},"
                        + "'fields':{'quantity':'5'}}]}");
        assertThat(more.status()).as(String.valueOf(more.body())).isEqualTo(201);
        assertThat(ledger("ROD-12").get("onHand").decimalValue()).isEqualByComparingTo("5");
        assertThat(ledger("ROD-12").get("value").decimalValue()).isEqualByComparingTo("50");
        undo("ida", more);
        knowing();
        assertThat(ledger("ROD-12").get("value").decimalValue()).isEqualByComparingTo("30");
    }

    /** What people do agrees with itself; what is changed behind their backs does not, and is told. */
    @Test
    void theRecordAgreesWithWhatLiesThere() throws Exception {
        posted(line("RECEIVE", "'number':'" + PURCHASE + "','quantity':40"));
        JsonNode rod = posted(line("ADJUST", "'item':'ROD-12','site':'LARKMOOR','quantity':5,'price':2"));
        posted(line("REVERSE", "'reverses':'" + rod.get("key").asText() + "'"));
        posted(line("COUNT", "'item':'SEAL-15','site':'LARKMOOR','quantity':3"));
        posted(line("QUARANTINE", "'item':'SEAL-15','site':'LARKMOOR','quantity':1"));
        decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'stock','key':{'item':'ROD-12','site':'LARKMOOR'},"
                        + "'fields':{'quantity':'5'}}]}");
        assertThat(check.find()).isEmpty();
        assertThat(check.movements()).isGreaterThan(5);
        jdbc.update("update stock set quantity = 0.5 where item = 'SEAL-15' and quarantined");
        jdbc.update("update supply_order_lines set quantity = ordered - 1 where order_number = ?", PURCHASE);
        jdbc.update("update movements set quantity = quantity + 1 where reverses is not null and item = 'ROD-12'");
        assertThat(check.find())
                .hasSize(3)
                .anyMatch(fault -> fault.contains("SEAL-15 at LARKMOOR"))
                .anyMatch(fault -> fault.contains(PURCHASE + " line 1: 40"))
                .anyMatch(fault -> fault.contains("does not take back"));
    }

    /** A line that the second receipt ended is open again, in the plan too, when the first is taken back. */
    @Test
    void anEarlierReceiptOfALineThatIsDoneIsTakenBack() throws Exception {
        BigDecimal ordered = open(PURCHASE).get(0).quantity();
        JsonNode first = posted(line("RECEIVE", "'number':'" + PURCHASE + "','quantity':1"));
        posted(line("RECEIVE", "'number':'" + PURCHASE + "'"));
        assertThat(open(PURCHASE)).isEmpty();
        posted(line("REVERSE", "'reverses':'" + first.get("key").asText() + "'"));
        assertThat(open(PURCHASE)).hasSize(1);
        assertThat(open(PURCHASE).get(0).ordered()).isEqualByComparingTo(ordered);
        assertThat(open(PURCHASE).get(0).quantity()).isLessThan(ordered).isPositive();
        assertThat(check.find()).isEmpty();
    }

    /** A company with its history goes out and in again: ledgers, values, the closed order; what was posted before is taken back after. */
    @Test
    void theRecordGoesOutAndComesInAgain() throws Exception {
        String item = open(PURCHASE).get(0).item();
        JsonNode all = posted(line("RECEIVE", "'number':'" + PURCHASE + "'"));
        posted(line("ADJUST", "'item':'ROD-12','site':'LARKMOOR','quantity':5,'price':20"));
        posted("{'reason':'seal broken','lines':[{'act':'QUARANTINE','item':'SYRUP-5','site':'LARKMOOR',"
                + "'lot':'S-2605','quantity':3}]}");
        JsonNode rod = ledger("ROD-12");
        JsonNode syrup = ledger("SYRUP-5");
        JsonNode order = get("bram", "/api/orders/one?number=" + PURCHASE).body();
        Path out = folder.resolve("company");
        exchange.dump(out);
        store.replace(DatasetReader.read(out), "Larkmoor Hives", true);
        knowing();
        assertThat(ledger("ROD-12")).isEqualTo(rod);
        assertThat(ledger("SYRUP-5")).isEqualTo(syrup);
        JsonNode again = get("bram", "/api/orders/one?number=" + PURCHASE).body();
        assertThat(again.get("order").get("stage").asText()).isEqualTo("done");
        assertThat(again.get("lines").get(0).get("ordered"))
                .isEqualTo(order.get("lines").get(0).get("ordered"));
        assertThat(check.find()).isEmpty();
        BigDecimal there = inPlan(item);
        posted(line("REVERSE", "'reverses':'" + all.get("key").asText() + "'"));
        assertThat(inPlan(item)).isLessThan(there);
        assertThat(open(PURCHASE)).hasSize(1);
        // the next movement has the next number
        assertThat(jdbc.queryForObject("select max(number) - count(*) from movements", Integer.class))
                .isZero();
    }

    /** What ever moved stays: it is renamed with its ledger, and retired, but not taken away. */
    @Test
    void whatMovedIsRenamedAndNotTakenAway() throws Exception {
        decide("ida", "{'kind':'DATA','rows':[{'table':'items','key':{'code':'JIG-1'},'fields':{'unit':'pcs'}}]}");
        posted(line("ADJUST", "'item':'JIG-1','site':'LARKMOOR','quantity':2,'price':7"));
        posted(line("ADJUST", "'item':'JIG-1','site':'LARKMOOR','quantity':-2"));
        Reply gone = decide("ida", "{'kind':'DATA','rows':[{'table':'items','key':{'code':'JIG-1'},'gone':true}]}");
        assertThat(gone.status()).isEqualTo(409);
        assertThat(gone.body().get("detail").asText()).contains("a movement of stock");
        Reply renamed = decide(
                "ida", "{'kind':'DATA','rows':[{'table':'items','key':{'code':'JIG-1'},'fields':{'code':'JIG-2'}}]}");
        assertThat(renamed.status()).as(String.valueOf(renamed.body())).isEqualTo(201);
        assertThat(ledger("JIG-2").get("total").asInt()).isEqualTo(2);
        assertThat(check.find()).isEmpty();
    }

    /** The list: what lies where with its value; found by words, sorted by value. */
    @Test
    void whatLiesWhere() throws Exception {
        JsonNode all = get("stella", "/api/stock?sort=value&desc=true&limit=5").body();
        assertThat(all.get("rows")).hasSize(5);
        assertThat(all.get("total").asInt()).isGreaterThan(50);
        assertThat(all.get("rows").get(0).get("value").decimalValue())
                .isGreaterThanOrEqualTo(all.get("rows").get(1).get("value").decimalValue());
        posted(line("ADJUST", "'item':'ROD-12','site':'LARKMOOR','quantity':-1"));
        JsonNode rod =
                get("stella", "/api/stock?words=rod-12").body().get("rows").get(0);
        assertThat(rod.get("last").asText()).isEqualTo("2026-11-23");
        assertThat(rod.get("free").decimalValue()).isEqualByComparingTo(inPlan("ROD-12"));
    }

    /** All that is due of one supplier in one posting; one line that cannot be keeps all of them out. */
    @Test
    void manyAreReceivedTogether() throws Exception {
        JsonNode all = get("stella", "/api/stock/due").body();
        assertThat(all.get("total").asInt()).isEqualTo(all.get("rows").size());
        List<String> due = all.get("rows").findValuesAsText("due");
        assertThat(due).isSorted();
        assertThat(all.get("rows").get(0).get("late").asInt()).isPositive();
        List<String> lines = new ArrayList<>();
        for (JsonNode row : all.get("rows")) {
            if (row.get("tracking").asText().equals("none")) {
                lines.add("{'act':'RECEIVE','number':'" + row.get("number").asText() + "','line':'"
                        + row.get("line").asText() + "'}");
            }
        }
        assertThat(lines).hasSizeGreaterThan(20);
        String without = "{'act':'RECEIVE','number':'PO-2044'}";
        Reply refused =
                postStock("stella", UUID.randomUUID(), "{'lines':[" + String.join(",", lines) + "," + without + "]}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("refused").get(0).get("code").asText()).isEqualTo("tracking");
        assertThat(count(moved())).isZero();
        JsonNode together = posted("{'lines':[" + String.join(",", lines) + "]}");
        // of several orders none is named
        assertThat(together.get("posting").get("sentence").asText()).isEqualTo("Received " + lines.size() + " lines");
        assertThat(count(moved())).isEqualTo(lines.size());
        assertThat(get("stella", "/api/stock/due").body().get("total").asInt())
                .isEqualTo(all.get("total").asInt() - lines.size());
        // numbered without gaps, in the order in which they were posted
        assertThat(jdbc.queryForObject("select max(number) from movements", Integer.class))
                .isEqualTo(firstMovement() + lines.size() - 1);
    }

    /** Stock for one line stays its own. */
    @Test
    void whatIsBoughtForALineIsReceivedForIt() throws Exception {
        decide(
                "sven",
                "{'kind':'ENTER','number':'SO-9001','lines':[{'item':'SEAL-15','site':'LARKMOOR','quantity':20,"
                        + "'wanted':'2026-12-01','supply':'OWN','supplier':'WIDDOW'}]}");
        String planned = live.current().plan().points().stream()
                .filter(point -> point.item().contains("SO-9001"))
                .flatMap(point -> point.plannedOrders().stream()
                        .map(order -> rescient.server.planning.OrderKey.of(point, order)
                                .text()))
                .findFirst()
                .orElseThrow();
        Reply released = release("ida", UUID.randomUUID(), false, planned);
        assertThat(released.status()).as(String.valueOf(released.body())).isEqualTo(201);
        knowing();
        OrderFacts.OpenOrder order = live.current()
                .directory()
                .facts()
                .all(OrderFacts.OpenOrder.class)
                .filter(one -> "SO-9001".equals(one.forOrder()))
                .findFirst()
                .orElseThrow();
        posted(line("RECEIVE", "'number':'" + order.number() + "'"));
        StockFacts.Stock own =
                live.current().directory().facts().where(StockFacts.Stock.class, "item", "SEAL-15").stream()
                        .filter(stock -> "SO-9001".equals(stock.forOrder()))
                        .findFirst()
                        .orElseThrow();
        assertThat(own.quantity()).isEqualByComparingTo("20");
        posted(line("QUARANTINE", "'item':'SEAL-15','site':'LARKMOOR'"));
        assertThat(live.current().directory().facts().where(StockFacts.Stock.class, "item", "SEAL-15").stream()
                        .filter(stock -> "SO-9001".equals(stock.forOrder()) && Boolean.TRUE.equals(stock.quarantined()))
                        .map(StockFacts.Stock::quantity))
                .usingElementComparator(BigDecimal::compareTo)
                .containsExactly(new BigDecimal(20));
    }
}
