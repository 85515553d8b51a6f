package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.LongConsumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.decisions.Decisions;
import rescient.server.decisions.FactsCommand;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/** Tables in from files and spreadsheets, whole or not at all; and out again. */
class ImportTest extends ImportingTest {
    @TempDir
    private Path folder;

    @Autowired
    private Decisions decisions;

    @Test
    void pastedCellsAreUnderstoodLookedAtTakenInAndTakenBack() throws Exception {
        JsonNode brought = paste(
                "Part no\tDescription\tUnit\tCost\nROD-12\tSteel rod 12 mm\tm\t3,45\nROD-16\tSteel rod 16 mm\tm\t4,20\n");
        JsonNode sheet = brought.get("sheets").get(0);
        assertThat(sheet.get("table").asText()).isEqualTo("items");
        assertThat(sheet.get("decimal").asText()).isEqualTo(",");
        ObjectNode wish = wish(brought);
        JsonNode preview = looked(brought, wish);
        assertThat(preview.get("added").asInt()).isEqualTo(1);
        assertThat(preview.get("changed").asInt()).isEqualTo(1);
        assertThat(preview.get("rows").get(0).get("fields").get(0).get("column").asText())
                .isEqualTo("standard_cost");
        assertThat(count("items where code = 'ROD-16'")).isZero();

        UUID key = UUID.randomUUID();
        Reply taken = send(brought, "", key, wish);
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        assertThat(send(brought, "", key, wish).body().get("id"))
                .isEqualTo(taken.body().get("id"));
        // the same on a server that does not know what was brought
        reply(
                "ida",
                MockMvcRequestBuilders.delete(
                                "/api/imports/" + brought.get("id").asText())
                        .with(csrf()));
        assertThat(send(brought, "", key, wish).body().get("id"))
                .isEqualTo(taken.body().get("id"));
        assertThat(send(brought, "", UUID.randomUUID(), wish).status()).isEqualTo(404);
        knowing();
        assertThat(jdbc.queryForObject("select standard_cost from items where code = 'ROD-12'", String.class))
                .startsWith("3.45");
        assertThat(count("items where code = 'ROD-16'")).isEqualTo(1);
        assertThat(get("ida", "/api/data/history?item=ROD-16")
                        .body()
                        .get(0)
                        .get("kind")
                        .asText())
                .isEqualTo("import");

        undo("ida", taken);
        knowing();
        assertThat(count("items where code = 'ROD-16'")).isZero();
        // the next sheet of this kind is understood so at once
        assertThat(paste("Part no\tDescription\tUnit\tCost\nX\tX\tm\t1,00\n")
                        .get("sheets")
                        .get(0)
                        .get("remembered")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void faultyRowsAreCorrectedOrLeftOutAndUntilThenNothingComesIn() throws Exception {
        JsonNode brought = bring(
                "stock.csv",
                "item,site,lot,quantity\nROD-12,LARKMOOR,,many\nBRG-6202,NOWHERE,,5\nSCR-440,LARKMOOR,,70\n"
                        .getBytes(StandardCharsets.UTF_8));
        ObjectNode wish = wish(brought);
        JsonNode preview = looked(brought, wish);
        assertThat(preview.get("faulty").asInt()).isEqualTo(2);
        assertThat(preview.get("faults").get(0).get("row").asInt()).isEqualTo(2);
        int before = count("stock");
        assertThat(send(brought, "", UUID.randomUUID(), wish).status()).isEqualTo(422);
        assertThat(count("stock")).isEqualTo(before);

        wish.putObject("corrections").putObject("2").put("quantity", "66");
        wish.putArray("leftOut").add(3);
        assertThat(looked(brought, wish).get("faulty").asInt()).isZero();
        assertThat(send(brought, "", UUID.randomUUID(), wish).status()).isEqualTo(201);
        assertThat(count("stock where item = 'ROD-12' and site = 'LARKMOOR' and quantity = 66"))
                .isEqualTo(1);
    }

    /** Ten thousand at once: all in one go, and back in one go. */
    @Test
    void manyRowsComeInTogether() throws Exception {
        StringBuilder csv = new StringBuilder("code,name,unit\n");
        for (int i = 0; i < 10_000; i++) {
            csv.append("NEW-").append(i).append(",New ").append(i).append(",pcs\n");
        }
        JsonNode brought = bring("items.csv", csv.toString().getBytes(StandardCharsets.UTF_8));
        Reply taken = send(brought, "", UUID.randomUUID(), wish(brought));
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        knowing();
        assertThat(count("items where code like 'NEW-%'")).isEqualTo(10_000);
        assertThat(live.current().directory().facts().row("items", "NEW-9999").text("name"))
                .isEqualTo("New 9999");
        undo("ida", taken);
        knowing();
        assertThat(count("items where code like 'NEW-%'")).isZero();
    }

    /** Ended while its rows are put into the tables already, it leaves nothing behind, and can be brought in again. */
    @Test
    void whatIsEndedHalfwayLeavesNothing() {
        SignedIn ida = (SignedIn) users.loadUserByUsername("ida");
        long before = count("fact_changes");
        List<FactChange> items = IntStream.range(0, 12_000)
                .mapToObj(i -> Row.of(Table.named("items"), Map.of("code", "HALF-" + i, "unit", "pcs")))
                .map(row -> FactChange.of(null, row))
                .toList();
        UUID key = UUID.randomUUID();
        assertThatThrownBy(() -> decisions.change(ida, key, new Bringing(items, rows -> {
                    if (rows >= 10_000) {
                        throw new JobProblem(HttpStatus.CONFLICT, "You ended it");
                    }
                })))
                .hasMessageContaining("You ended it");
        assertThat(count("items where code like 'HALF-%'")).isZero();
        assertThat(count("fact_changes")).isEqualTo(before);
        List<Long> told = new ArrayList<>();
        decisions.change(ida, key, new Bringing(items, told::add));
        knowing();
        assertThat(count("items where code like 'HALF-%'")).isEqualTo(12_000);
        assertThat(told).contains(5_000L, 10_000L);
    }

    /** Rows that come in, told of as they are kept. */
    private record Bringing(List<FactChange> items, LongConsumer progress) implements FactsCommand {
        @Override
        public String kind() {
            return "IMPORT";
        }

        @Override
        public Object content() {
            return "many";
        }

        @Override
        public String sentence() {
            return "Brought in many items";
        }

        @Override
        public Cause.Kind from() {
            return Cause.Kind.IMPORT;
        }

        @Override
        public boolean permitted(Rights rights) {
            return true;
        }

        @Override
        public List<FactChange> otherwise(PlanVersion present) {
            return items;
        }
    }

    /** Next year's price list of one supplier, and the same again with other prices: rows are known by their first day too. */
    @Test
    void aPriceListComesInTwice() throws Exception {
        String head = "supplier,item,from_quantity,valid_from,price\n";
        List<String> items = jdbc.queryForList("select code from items order by code limit 60", String.class);
        for (String price : List.of("3", "4")) {
            StringBuilder csv = new StringBuilder(head);
            for (String item : items) {
                csv.append("BROOKMILL,")
                        .append(item)
                        .append(",0,2031-01-01,")
                        .append(price)
                        .append('\n');
                csv.append("BROOKMILL,")
                        .append(item)
                        .append(",0,2032-01-01,")
                        .append(price)
                        .append('\n');
            }
            JsonNode brought = bring("supplier_items.csv", csv.toString().getBytes(StandardCharsets.UTF_8));
            Reply taken = send(brought, "", UUID.randomUUID(), wish(brought));
            assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
            knowing();
            assertThat(count("supplier_items where valid_from >= date '2031-01-01' and price = " + price))
                    .isEqualTo(2 * items.size());
            if (price.equals("4")) {
                undo("ida", taken);
                knowing();
            }
        }
        assertThat(count("supplier_items where valid_from >= date '2031-01-01' and price = 3"))
                .isEqualTo(2 * items.size());
        assertThat(count("supplier_items where price = 4 and valid_from is not null"))
                .isZero();
    }

    @Test
    void whatIsNoTableIsRefusedWithTheReason() throws Exception {
        Reply reply = reply(
                "ida",
                MockMvcRequestBuilders.post("/api/imports")
                        .param("name", "order.pdf")
                        .with(csrf())
                        .contentType("application/octet-stream")
                        .content("%PDF-1.7".getBytes(StandardCharsets.US_ASCII)));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.body().get("detail").asText()).contains("is a PDF");
        JsonNode brought = paste("item\tsite\tquantity\nROD-12\tLARKMOOR\t5\n");
        Reply others = reply(
                "aino",
                MockMvcRequestBuilders.get("/api/imports/" + brought.get("id").asText() + "/progress"));
        assertThat(others.status()).isEqualTo(404);
    }

    /** The whole company as a dataset gives the same plan again, value by value. */
    @Test
    void theCompanyGoesOutAndGivesTheSamePlan() throws Exception {
        decide("ida", "{'kind':'FIRM','orders':['" + keys("ROD-12").get(0) + "']}");
        decide("ida", "{'kind':'COPY','item':'GBX-410','code':'GBX-411','name':'Gearbox, long'}");
        knowing();
        for (String ending : new String[] {"zip", "xlsx"}) {
            MockHttpServletResponse response = mvc.perform(MockMvcRequestBuilders.get("/api/exports/company." + ending)
                            .with(SecurityMockMvcRequestPostProcessors.user(users.loadUserByUsername("ida"))))
                    .andReturn()
                    .getResponse();
            assertThat(response.getStatus()).isEqualTo(200);
            Path file = folder.resolve("company." + ending);
            Files.copy(new ByteArrayInputStream(response.getContentAsByteArray()), file);
            PlanVersion version = live.current();
            var again = new Planner()
                    .plan(
                            Company.snapshot(DatasetReader.read(file), version.today(), version.horizonEnd()),
                            PlanOptions.ALL);
            assertThat(again.plannedOrders()).isEqualTo(version.plan().plannedOrders());
            assertThat(again.allSignals()).isEqualTo(version.plan().allSignals());
        }
    }

    /** An order of our own numbers, a changed day and a second line: in whole, and numbers go on behind; taken back, all is as before. */
    @Test
    void openOrdersAreTakenInAndTakenBack() throws Exception {
        Map<String, Object> known =
                jdbc.queryForMap("select number, item, site, supplier, quantity::int as quantity from open_orders"
                        + " where kind = 'buy' and stage = 'released' order by number limit 1");
        String same = String.join(",", "buy", "released", "" + known.get("item"), "" + known.get("site"));
        String csv = "number,line,kind,stage,item,site,supplier,quantity,due_date\n"
                + known.get("number") + ",1," + same + "," + known.get("supplier") + "," + known.get("quantity")
                + ",2027-01-15\n"
                + "PO-9000,1,buy,released,BRG-6202,LARKMOOR,WIDDOW,40,2027-01-20\n"
                + "PO-9000,2,buy,released,NAIL-20,LARKMOOR,WIDDOW,6000,2027-01-20\n";
        int before = count("open_orders");
        JsonNode brought = bring("open_orders.csv", csv.getBytes(StandardCharsets.UTF_8));
        assertThat(brought.get("sheets").get(0).get("table").asText()).isEqualTo("open_orders");
        Reply taken = send(brought, "", UUID.randomUUID(), wish(brought));
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        knowing();
        assertThat(count("open_orders")).isEqualTo(before + 2);
        assertThat(count("open_orders where number = '" + known.get("number") + "' and due_date = '2027-01-15'"))
                .isOne();
        assertThat(live.current().plan().snapshot().openOrders())
                .anyMatch(order ->
                        order.number().equals("PO-9000") && order.line().equals("2"));
        assertThat(jdbc.queryForObject("select next from number_ranges where prefix = 'PO-'", Long.class))
                .isEqualTo(9001);

        // one order goes to one supplier
        JsonNode other = bring(
                "open_orders.csv",
                "number,line,kind,stage,item,site,supplier,quantity,due_date\nPO-9000,3,buy,released,BRG-6202,LARKMOOR,TANDEM,40,2027-01-20\n"
                        .getBytes(StandardCharsets.UTF_8));
        Reply refused = send(other, "", UUID.randomUUID(), wish(other));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("in common");

        assertThat(undo("ida", taken).status()).isEqualTo(200);
        knowing();
        assertThat(count("open_orders")).isEqualTo(before);
        assertThat(count("supply_orders where number = 'PO-9000'")).isZero();
        assertThat(count("open_orders where number = '" + known.get("number") + "' and due_date = '2027-01-15'"))
                .isZero();
    }

    /** Settings come in like any table; the day is none of them, and a forecast set has to be there. */
    @Test
    void settingsAreTakenInAndTakenBack() throws Exception {
        JsonNode brought = bring(
                "settings.csv",
                "key,value\nrelease_ahead_days,9\ntoday,2026-01-05\nforecast_set,Nothing of the kind\n"
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(brought.get("sheets").get(0).get("table").asText()).isEqualTo("settings");
        ObjectNode wish = wish(brought);
        JsonNode faults = looked(brought, wish).get("faults");
        assertThat(faults).hasSize(2);
        assertThat(faults.get(0).get("sentence").asText()).contains("present day");
        assertThat(faults.get(1).get("sentence").asText()).contains("no forecast set");

        String before = jdbc.queryForObject(
                "select coalesce(max(value), '') from settings where key = 'release_ahead_days'", String.class);
        int due = due();
        wish.put("withoutFaulty", true);
        Reply taken = send(brought, "", UUID.randomUUID(), wish);
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        knowing();
        assertThat(count("settings where key = 'release_ahead_days' and value = '9'"))
                .isOne();
        assertThat(due()).isGreaterThan(due);
        assertThat(undo("ida", taken).status()).isEqualTo(200);
        knowing();
        assertThat(count("settings where key = 'release_ahead_days' and value = '" + before + "'"))
                .isEqualTo(before.isEmpty() ? 0 : 1);
        assertThat(due()).isEqualTo(due);
    }

    private int due() {
        return (int) live.current().plan().signals().stream()
                .filter(signal -> signal.kind() == Signal.Kind.RELEASE_DUE)
                .count();
    }
}
