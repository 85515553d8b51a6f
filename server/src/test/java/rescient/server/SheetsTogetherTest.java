package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.plan.Plan;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Row;

/** Several sheets of one file come in as one. */
class SheetsTogetherTest extends ImportingTest {
    /**
     * A workbook with all tables, into an empty company that looks as far ahead, in one go: the same plan, value by value; taken
     * back, nothing is left.
     */
    @Test
    void aWholeWorkbookComesInTogether() throws Exception {
        MockHttpServletResponse response = mvc.perform(MockMvcRequestBuilders.get("/api/exports/company.xlsx")
                        .with(SecurityMockMvcRequestPostProcessors.user(users.loadUserByUsername("ida"))))
                .andReturn()
                .getResponse();
        Plan plan = live.current().plan();
        List<Row> ahead = DatasetReader.read(DEMO).rows("settings").stream()
                .filter(row -> Set.of("today", "horizon_end").contains(row.text("key")))
                .toList();
        store.replace(new Dataset(Map.of("settings", ahead)), "New company", false);
        knowing();
        JsonNode brought = bring("company.xlsx", response.getContentAsByteArray());
        List<ObjectNode> wishes = new ArrayList<>();
        for (int place = 0; place < brought.get("sheets").size(); place++) {
            // orders that are done and what came of them belong to the record, which comes in with a whole company
            JsonNode sheet = brought.get("sheets").get(place);
            if (sheet.get("rows").asInt() > 0 && sheet.hasNonNull("table")) {
                wishes.add(wish(brought, place));
            }
        }
        // in whatever order they are ticked
        Collections.reverse(wishes);
        JsonNode[] all = wishes.toArray(JsonNode[]::new);
        JsonNode preview = send(brought, "/preview", null, all).body().get("sheets");
        assertThat(preview)
                .hasSize(all.length)
                .allSatisfy(sheet -> assertThat(sheet.get("faulty").asInt())
                        .as(String.valueOf(sheet.get("faults")))
                        .isZero());
        assertThat(preview.get(0).get("sheet")).isEqualTo(all[0].get("sheet"));
        Reply taken = send(brought, "", UUID.randomUUID(), all);
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        knowing();
        assertThat(live.current().plan().plannedOrders()).isEqualTo(plan.plannedOrders());
        assertThat(live.current().plan().allSignals()).isEqualTo(plan.allSignals());
        undo("ida", taken);
        assertThat(List.of("items", "planning", "customer_orders", "supply_orders", "forecasts"))
                .allSatisfy(table -> assertThat(count(table)).as(table).isZero());
    }

    /** What a row names may come with another sheet; a fault in one keeps all out; a table comes from one sheet. */
    @Test
    void sheetsOfOneFileStandTogether() throws Exception {
        JsonNode brought = bring(
                "new.zip",
                zip(Map.of(
                        "stock.csv", "item,site,quantity\nNEW-1,LARKMOOR,7\nNEW-2,LARKMOOR,x\n",
                        "items.csv", "code,name,unit\nNEW-1,New,pcs\nNEW-2,New too,pcs\n",
                        "more.csv", "code,name,unit\nNEW-3,New as well,pcs\n")));
        Map<String, ObjectNode> wishes = new HashMap<>();
        for (int place = 0; place < 3; place++) {
            wishes.put(
                    brought.get("sheets").get(place).get("name").asText().replaceFirst("\\..*", ""),
                    wish(brought, place));
        }
        assertThat(send(brought, "", UUID.randomUUID(), wishes.get("items"), wishes.get("more"))
                        .body()
                        .get("detail")
                        .asText())
                .contains("Two sheets");
        assertThat(looked(brought, wishes.get("stock")).get("faulty").asInt()).isEqualTo(2);
        Reply refused = send(brought, "", UUID.randomUUID(), wishes.get("stock"), wishes.get("items"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("1 row has a fault in stock");
        assertThat(count("items where code like 'NEW-%'")).isZero();
        wishes.get("stock").putObject("corrections").putObject("3").put("quantity", "9");
        Reply taken = send(brought, "", UUID.randomUUID(), wishes.get("stock"), wishes.get("items"));
        assertThat(taken.status()).as(String.valueOf(taken.body())).isEqualTo(201);
        assertThat(jdbc.queryForList(
                        "select quantity::int from stock where item like 'NEW-%' order by item", Integer.class))
                .containsExactly(7, 9);
        undo("ida", taken);
        assertThat(count("items where code like 'NEW-%'") + count("stock where item like 'NEW-%'"))
                .isZero();
    }

    private static byte[] zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue().getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }
}
