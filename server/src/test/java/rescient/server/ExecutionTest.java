package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.dataset.PostCommand;
import rescient.server.exchange.CompanyExchange;
import rescient.server.stock.StockCheck;

/** Making, moving and shipping: the application posts what the command on a dataset posts, and the plan follows. */
class ExecutionTest extends ServerTest {
    private static final String HEAD =
            "key,date,action,number,line,item,site,quantity,scrapped,minutes,price,reverses,reason\n";
    /** A day's work; some of it cannot be. */
    private static final String DAY = HEAD
            + "k1,2026-11-23,issue,MO-319,,,,,,,,,\n"
            + "k2,2026-11-23,output,MO-319,,,,200,10,,,,knots\n"
            + "k3,2026-11-23,output,MO-319,,,,50,,95,,,\n"
            + "k4,2026-11-23,issue,MO-319,,FR-TOP,,-20,,,,,left over\n"
            + "k5,2026-11-23,ship_transfer,TO-57,,,,100,,,,,\n"
            + "k6,2026-11-23,receive_transfer,TO-57,,,,60,4,,,,dropped\n"
            + "k7,2026-11-23,ship,SO-716,,,,4,,,,,\n"
            + "k8,2026-11-23,return_from_customer,SO-716,,,,1,,,,,scratched\n"
            + "k9,2026-11-23,issue,MO-318,,,,100000,,,,,\n"
            + "k10,2026-11-23,ship,SO-701,1,,,28,,,,,\n"
            + "k11,2026-11-23,finish,MO-319,,,,,,,,,\n"
            + "k12,2026-11-23,output,MO-319,,,,1,,,,,\n"
            + "k13,2026-11-23,reverse,,,,,,,,,k7,\n"
            + "k14,2026-11-23,ship,SO-716,,,,3,,,,,\n"
            + "k14,2026-11-23,adjust,,,ROD-12,LARKMOOR,-1,,,,,\n"
            + "k15,2026-11-23,receive,SC-21,,,,3,,,,,\n";

    @Autowired
    CompanyExchange exchange;

    @Autowired
    StockCheck check;

    @TempDir
    private Path folder;

    private Reply file(String path, String text) throws Exception {
        Reply reply = reply(
                "ida",
                MockMvcRequestBuilders.post(path)
                        .with(csrf())
                        .contentType("text/csv")
                        .content(text));
        knowing();
        return reply;
    }

    private static String plain(String cell) {
        try {
            BigDecimal number = new BigDecimal(cell);
            return number.signum() == 0 ? "" : number.stripTrailingZeros().toPlainString();
        } catch (NumberFormatException e) {
            return cell;
        }
    }

    /** What a file says in some columns, sorted; 0 and nothing are the same. */
    private static List<String> said(Path dataset, String table, String... columns) throws IOException {
        Path file = dataset.resolve(table + ".csv");
        if (!Files.exists(file)) {
            return List.of();
        }
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder().ofNamedCsvRecord(file)) {
            return csv.stream()
                    .map(row -> Arrays.stream(columns)
                            .map(column -> row.findField(column)
                                    .map(ExecutionTest::plain)
                                    .orElse(""))
                            .collect(Collectors.joining("|")))
                    .sorted()
                    .toList();
        }
    }

    private void sameBooks(Path expected, Path actual) throws IOException {
        for (List<String> table : List.of(
                List.of("stock", "item", "site", "lot", "serial", "quarantined", "quantity"),
                List.of("open_orders", "number", "line", "item", "quantity", "scrapped"),
                List.of("closed_orders", "number", "line", "item", "quantity", "scrapped", "closed_date"),
                List.of("order_costs", "number", "line", "material", "work", "outside", "put_out", "variance"),
                List.of("order_steps", "number", "line", "step", "reported", "scrapped", "booked", "minutes"),
                List.of("in_transit", "number", "line", "lot", "serial", "quantity", "value"),
                List.of("customer_orders", "number", "line", "quantity"),
                List.of("shipments", "item", "site", "date", "number", "line", "customer", "quantity"),
                List.of(
                        "movements",
                        "movement",
                        "date",
                        "kind",
                        "item",
                        "site",
                        "quantity",
                        "value",
                        "document",
                        "number",
                        "line",
                        "reverses",
                        "reason"))) {
            String[] columns = table.subList(1, table.size()).toArray(String[]::new);
            // a line of a customer order that is done stays in its order here
            Predicate<String> open = row -> !table.get(0).equals("customer_orders") || !row.endsWith("|");
            assertThat(said(actual, table.get(0), columns).stream().filter(open).toList())
                    .as(table.get(0))
                    .isEqualTo(said(expected, table.get(0), columns).stream()
                            .filter(open)
                            .toList());
        }
        // what an untouched order says of its components follows from the rest
        String[] columns = {"number", "line", "component", "quantity", "planned", "issued", "used", "value"};
        for (String table : List.of("open_order_components", "closed_order_components")) {
            assertThat(said(actual, table, columns).stream()
                            .filter(row -> row.matches("(MO-319|TO-57|SC-21).*"))
                            .toList())
                    .as(table)
                    .isEqualTo(said(expected, table, columns).stream()
                            .filter(row -> row.matches("(MO-319|TO-57|SC-21).*"))
                            .toList());
        }
    }

    /** The same file, by the command on the dataset and in the application: stock, values, orders and history are the same. */
    @Test
    void aFileMakesTheSameBooksHereAndThere() throws Exception {
        Path written = Files.writeString(folder.resolve("day.csv"), DAY);
        Path expected = folder.resolve("expected");
        PostCommand.post(DEMO, written, expected, "2026-11-23");

        JsonNode preview = file("/api/stock/file/preview", DAY).body();
        assertThat(count(moved())).isZero();
        Reply posted = file("/api/stock/file", DAY);
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(200);
        // what was looked at is what was done
        assertThat(refused(posted.body())).isEqualTo(refused(preview));
        assertThat(refused(preview))
                .isEqualTo(said(expected, "refused", "key").stream().distinct().toList());

        Path actual = folder.resolve("actual");
        exchange.dump(actual);
        sameBooks(expected, actual);
        assertThat(check.find()).isEmpty();

        // a day's scans sent again post nothing twice; what was refused could be by now, and is left out
        List<String> not = refused(preview);
        Reply again = file(
                "/api/stock/file",
                DAY.lines()
                        .filter(row -> !not.contains(row.substring(0, row.indexOf(','))))
                        .collect(Collectors.joining("\n")));
        assertThat(again.body().get("posted").asInt()).isZero();
        assertThat(again.body().get("before").asInt())
                .isEqualTo(posted.body().get("posted").asInt());
        exchange.dump(folder.resolve("again"));
        sameBooks(expected, folder.resolve("again"));
        // and it goes in again as it came out
        store.replace(rescient.dataset.DatasetReader.read(actual), "Larkmoor Hives", true);
        knowing();
        exchange.dump(folder.resolve("third"));
        sameBooks(expected, folder.resolve("third"));
    }

    private static List<String> refused(JsonNode postings) {
        return java.util.stream.StreamSupport.stream(postings.get("postings").spliterator(), false)
                .filter(one -> !one.get("refused").isEmpty())
                .map(one -> one.get("key").asText())
                .sorted()
                .toList();
    }

    private JsonNode posted(String wish) throws Exception {
        Reply reply = post("ida", "/api/stock/postings", UUID.randomUUID(), wish);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body();
    }

    private JsonNode preview(String wish) throws Exception {
        Reply reply = post("ida", "/api/stock/preview", null, wish);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private OrderFacts.OpenOrder open(String number) {
        return live.current().directory().facts().where(OrderFacts.OpenOrder.class, "number", number).stream()
                .findFirst()
                .orElse(null);
    }

    private BigDecimal lies(String item, String site) {
        return live.current().directory().facts().where(StockFacts.Stock.class, "item", item).stream()
                .filter(stock -> stock.site().equals(site))
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** Parts go out, frames come in, the order is finished; all of it taken back, everything is as before. */
    @Test
    void anOrderIsMadeAndAllOfItTakenBack() throws Exception {
        Path before = folder.resolve("before");
        exchange.dump(before);
        BigDecimal frames = lies("FRAME-B", "LARKMOOR");
        String half = "{'lines':[{'act':'OUTPUT','number':'MO-319','quantity':250}]}";
        assertThat(preview(half).get("remarks").toString())
                .contains("Nothing was issued yet of FR-BOT, FR-SIDE, FR-TOP");
        BigDecimal tops = lies("FR-TOP", "LARKMOOR");
        JsonNode issued = posted("{'lines':[{'act':'ISSUE','number':'MO-319'}]}");
        assertThat(issued.get("posting").get("sentence").asText()).isEqualTo("Issued FRAME-B on MO-319");
        assertThat(lies("FR-TOP", "LARKMOOR")).isEqualByComparingTo(tops.subtract(BigDecimal.valueOf(500)));
        assertThat(preview(half).get("remarks")).isEmpty();
        assertThat(preview("{'lines':[{'act':'OUTPUT','number':'MO-319','quantity':550}]}")
                        .get("remarks")
                        .toString())
                .contains("50 pcs more than were still to come on MO-319");
        JsonNode out =
                posted("{'reason':'knots','lines':[{'act':'OUTPUT','number':'MO-319','quantity':480,'scrapped':5}]}");
        assertThat(out.get("posting").get("sentence").asText()).isEqualTo("Reported 480 FRAME-B, 5 scrapped on MO-319");
        assertThat(open("MO-319").quantity()).isEqualByComparingTo("20");
        assertThat(lies("FRAME-B", "LARKMOOR")).isEqualByComparingTo(frames.add(BigDecimal.valueOf(480)));
        // what is still open stays in the plan
        assertThat(live.current()
                        .plan()
                        .point("FRAME-B", "LARKMOOR")
                        .orElseThrow()
                        .supplies())
                .anySatisfy(supply -> assertThat(supply.number()).isEqualTo("MO-319"));
        JsonNode finished = posted("{'lines':[{'act':'FINISH','number':'MO-319'}]}");
        assertThat(open("MO-319")).isNull();
        assertThat(get("ida", "/api/orders/one?number=MO-319")
                        .body()
                        .get("order")
                        .get("stage")
                        .asText())
                .isEqualTo("done");
        Reply late = post(
                "ida",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'OUTPUT','number':'MO-319','quantity':1}]}");
        assertThat(late.status()).isEqualTo(422);
        // all that was posted on it stands on its page, its end too, which moved nothing
        JsonNode posted = get("rufus", "/api/orders/postings?number=MO-319").body();
        assertThat(posted.findValuesAsText("sentence"))
                .containsExactly(
                        "Finished MO-319", "Reported 480 FRAME-B, 5 scrapped on MO-319", "Issued FRAME-B on MO-319");
        assertThat(posted.get(0).get("key").asText())
                .isEqualTo(finished.get("key").asText());
        for (JsonNode one : List.of(finished, out, issued)) {
            posted("{'reason':'a mistake','lines':[{'act':'REVERSE','reverses':'"
                    + one.get("key").asText() + "'}]}");
        }
        assertThat(get("rufus", "/api/orders/postings?number=MO-319").body().findValuesAsText("takenBack"))
                .containsExactly("false", "false", "false", "true", "true", "true");
        Path after = folder.resolve("after");
        exchange.dump(after);
        assertThat(said(after, "stock", "item", "site", "lot", "quantity"))
                .isEqualTo(said(before, "stock", "item", "site", "lot", "quantity"));
        assertThat(said(after, "open_orders", "number", "line", "quantity", "stage", "due_date"))
                .isEqualTo(said(before, "open_orders", "number", "line", "quantity", "stage", "due_date"));
        assertThat(said(after, "open_order_components", "number", "component", "quantity", "issued"))
                .isEqualTo(said(before, "open_order_components", "number", "component", "quantity", "issued"));
        assertThat(check.find()).isEmpty();
    }

    /** Time, scrap and the end of an order move nothing; they go out with the company, come in, and are taken back whole then. */
    @Test
    void whatMovedNothingIsTakenBackByTheCompanyThatCameInAgain() throws Exception {
        Path before = folder.resolve("before");
        exchange.dump(before);
        List<JsonNode> done = List.of(
                posted("{'lines':[{'act':'ISSUE','number':'MO-319'}]}"),
                posted("{'reason':'knots','lines':[{'act':'OUTPUT','number':'MO-319','quantity':300,'scrapped':5}]}"),
                posted("{'reason':'split','lines':[{'act':'OUTPUT','number':'MO-319','quantity':0,'scrapped':2}]}"),
                posted("{'lines':[{'act':'FINISH','number':'MO-319'}]}"));
        JsonNode told = get("rufus", "/api/orders/postings?number=MO-319").body();
        Path out = folder.resolve("out");
        exchange.dump(out);
        store.replace(rescient.dataset.DatasetReader.read(out), "Larkmoor Hives", true);
        knowing();
        assertThat(get("rufus", "/api/orders/postings?number=MO-319").body()).isEqualTo(told);
        for (int i = done.size() - 1; i >= 0; i--) {
            posted("{'reason':'a mistake','lines':[{'act':'REVERSE','reverses':'"
                    + done.get(i).get("key").asText() + "'}]}");
        }
        Path after = folder.resolve("after");
        exchange.dump(after);
        for (List<String> table : List.of(
                List.of("stock", "item", "site", "lot", "quantity"),
                List.of("open_orders", "number", "line", "quantity", "scrapped", "stage"),
                List.of("open_order_components", "number", "component", "quantity", "issued", "used", "value"),
                List.of("order_steps", "number", "step", "reported", "scrapped", "booked", "minutes"),
                List.of("order_costs", "number", "material", "work", "put_out", "variance"))) {
            String[] columns = table.subList(1, table.size()).toArray(String[]::new);
            assertThat(said(after, table.get(0), columns))
                    .as(table.get(0))
                    .isEqualTo(said(before, table.get(0), columns));
        }
        assertThat(check.find()).isEmpty();
    }

    /** A customer order line ships in parts, is done with the last, and open again when that is taken back. */
    @Test
    void aCustomerOrderShipsAndComesBack() throws Exception {
        posted("{'lines':[{'act':'ADJUST','item':'HIVE-10W','site':'QUAYSIDE','quantity':10,'price':90}]}");
        int shipments = count("shipments");
        posted("{'lines':[{'act':'SHIP','number':'SO-716','quantity':3}]}");
        assertThat(line("SO-716").quantity()).isEqualByComparingTo("5");
        JsonNode rest = posted("{'lines':[{'act':'SHIP','number':'SO-716'}]}");
        assertThat(line("SO-716").state()).isEqualTo(OrderFacts.OrderState.DONE);
        // of one day's shipments of a line the history has one row
        assertThat(count("shipments")).isEqualTo(shipments + 1);
        posted("{'lines':[{'act':'REVERSE','reverses':'" + rest.get("key").asText() + "'}]}");
        assertThat(line("SO-716").quantity()).isEqualByComparingTo("5");
        assertThat(line("SO-716").state()).isEqualTo(OrderFacts.OrderState.OPEN);
        assertThat(jdbc.queryForObject("select quantity from shipments where number = 'SO-716'", BigDecimal.class))
                .isEqualByComparingTo("3");
        assertThat(check.find()).isEmpty();
    }

    private OrderFacts.CustomerOrder line(String number) {
        return live.current()
                .directory()
                .facts()
                .one(OrderFacts.CustomerOrder.class, number, "1")
                .orElseThrow();
    }

    /** A file that cannot be read posts nothing, and says all that is wrong with it. */
    @Test
    void aFaultyFilePostsNothing() throws Exception {
        Reply reply = file(
                "/api/stock/file",
                "key,date,action,item,site,quantity\na,2026-11-23,adjust,ROD-12,LARKMOOR,1\nb,tomorrow,dance,ROD-12,,\n");
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.body().get("wrong")).hasSize(2);
        assertThat(count(moved())).isZero();
    }

    /** Stores move goods, the foreman reports what was made, and neither does the other's. */
    @Test
    void everyBodyPostsWhatIsTheirs() throws Exception {
        String output = "{'lines':[{'act':'OUTPUT','number':'MO-319','quantity':1}]}";
        assertThat(post("stella", "/api/stock/postings", UUID.randomUUID(), output)
                        .status())
                .isEqualTo(403);
        String ship = "{'lines':[{'act':'SHIP','number':'SO-716','quantity':1}]}";
        assertThat(post("bram", "/api/stock/postings", UUID.randomUUID(), ship).status())
                .isEqualTo(403);
        assertThat(post("stella", "/api/stock/postings", UUID.randomUUID(), ship)
                        .status())
                .isEqualTo(201);
        assertThat(post("ida", "/api/stock/postings", UUID.randomUUID(), output).status())
                .isEqualTo(201);
    }

    /** A lot of fondant received of a supplier goes to a customer: traced both ways, who would have to be told is named. */
    @Test
    void aLotIsTracedFromTheSupplierToTheCustomer() throws Exception {
        posted("{'lines':[{'act':'RECEIVE','number':'PO-2044','quantity':20,'lot':'F-90'}]}");
        String line = jdbc.queryForObject(
                "select number || '~' || line from customer_orders where item = 'FONDANT-2' and site = 'QUAYSIDE'"
                        + " and coalesce(state, 'open') = 'open' order by number limit 1",
                String.class);
        posted("{'lines':[{'act':'ADJUST','item':'FONDANT-2','site':'LARKMOOR','lot':'F-90','quantity':-5},"
                + "{'act':'ADJUST','item':'FONDANT-2','site':'QUAYSIDE','lot':'F-90','quantity':5}]}");
        posted("{'lines':[{'act':'SHIP','number':'" + line.split("~")[0] + "','line':'" + line.split("~")[1]
                + "','quantity':3,'lot':'F-90'}]}");
        JsonNode trace = get("ida", "/api/stock/lot?item=FONDANT-2&lot=F-90").body();
        assertThat(trace.get("back")).singleElement().satisfies(step -> {
            assertThat(step.get("number").asText()).isEqualTo("PO-2044");
            assertThat(step.get("partner").asText()).isEqualTo("Sweetmoss Feeds");
        });
        assertThat(trace.get("forward")).singleElement().satisfies(step -> {
            assertThat(step.get("kind").asText()).isEqualTo("shipment");
            assertThat(step.get("quantity").asInt()).isEqualTo(3);
            assertThat(step.get("partner").asText()).isNotEmpty();
        });
        assertThat(trace.get("here").findValuesAsText("quantity")).containsExactlyInAnyOrder("15", "2");
    }
}
