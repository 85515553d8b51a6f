package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The plan in periods, its slips and its sheet. */
class PeriodsApiTest extends ServerTest {
    private JsonNode detail(String scale) throws Exception {
        return get("ida", "/api/plan/periods/stock-point?item=EXTR-4&site=LARKMOOR&scale=" + scale)
                .body();
    }

    private static BigDecimal sum(JsonNode detail, String kind) {
        BigDecimal sum = BigDecimal.ZERO;
        for (JsonNode flow : detail.get("flows")) {
            if (flow.get("kind").asText().equals(kind)) {
                for (JsonNode cell : flow.get("cells")) {
                    sum = sum.add(cell.decimalValue());
                }
            }
        }
        return sum;
    }

    @Test
    void finishedGoodsComeFirstAndEachRowHasACellForEachPeriod() throws Exception {
        JsonNode grid = get("ida", "/api/plan/periods?scale=weeks").body();
        int periods = grid.get("periods").size();
        assertThat(grid.get("periods").get(0).get("start").asText()).isEqualTo("2026-11-23");
        assertThat(grid.get("periods").get(1).get("start").asText()).isEqualTo("2026-11-30");
        assertThat(grid.get("rows")).allSatisfy(row -> {
            assertThat(row.get("balances")).hasSize(periods);
            assertThat(row.get("marks").asText()).hasSize(periods).matches("[.sz]+");
        });
        List<Integer> levels = new ArrayList<>();
        grid.get("rows").forEach(row -> levels.add(row.get("level").asInt()));
        assertThat(levels).isSorted();
        assertThat(grid.get("total").asInt()).isEqualTo(levels.size());
    }

    private List<String> items(String asked) throws Exception {
        List<String> items = new ArrayList<>();
        get("ida", "/api/plan/periods?scale=weeks" + asked)
                .body()
                .get("rows")
                .forEach(row -> items.add(
                        row.get("item").asText() + " " + row.get("site").asText()));
        return items;
    }

    @Test
    void onlyWhatFallsShortOrWaitsIsShownIfThatIsAskedFor() throws Exception {
        List<String> fallShort = new ArrayList<>();
        for (JsonNode row : get("ida", "/api/plan/periods?scale=weeks").body().get("rows")) {
            if ((row.get("marks").asText() + row.get("late").asText()).matches(".*[szl].*")) {
                fallShort.add(row.get("item").asText() + " " + row.get("site").asText());
            }
        }
        assertThat(items("&onlyShort=true")).isEqualTo(fallShort).contains("BRG-6202 LARKMOOR");
        assertThat(items("")).hasSizeGreaterThan(fallShort.size());
    }

    @Test
    void whatOthersNeedComesFirstIfThatIsAskedFor() throws Exception {
        List<Integer> levels = new ArrayList<>();
        get("ida", "/api/plan/periods?goodsLast=true")
                .body()
                .get("rows")
                .forEach(row -> levels.add(-row.get("level").asInt()));
        assertThat(levels).isSorted().contains(0);
        assertThat(items("&goodsLast=true")).containsExactlyInAnyOrderElementsOf(items(""));
    }

    @Test
    void wordsChooseTheRows() throws Exception {
        JsonNode grid =
                get("ida", "/api/plan/periods?words=bearing 6202, sealed").body();
        assertThat(grid.get("rows")).extracting(r -> r.get("item").asText()).containsExactly("BRG-6202");
    }

    @Test
    void whateverThePeriodsTheSumsAreTheSame() throws Exception {
        JsonNode weeks = detail("weeks");
        JsonNode months = detail("months");
        for (String kind : List.of("CUSTOMER_ORDERS", "PLANNED_RECEIPTS", "PLANNED_STARTS")) {
            assertThat(sum(weeks, kind))
                    .as(kind)
                    .isEqualByComparingTo(sum(months, kind))
                    .isPositive();
        }
        assertThat(weeks.get("components"))
                .extracting(c -> c.get("item").asText())
                .contains("GBX-410");
        // six gearboxes are firmed for 2 December, in the week of 30 November, which is the second
        JsonNode gearbox = get("ida", "/api/plan/periods/stock-point?item=GBX-410&site=LARKMOOR&scale=weeks")
                .body();
        assertThat(gearbox.get("openOrders").get(1).get(0).asText()).isEqualTo("MO-320~1");
        int orders = 0;
        for (JsonNode period : weeks.get("orders")) {
            orders += period.size();
        }
        assertThat(orders)
                .isEqualTo(live.current()
                        .plan()
                        .point("EXTR-4", "LARKMOOR")
                        .orElseThrow()
                        .plannedOrders()
                        .size());
    }

    @Test
    void theSlipOfACellNamesEveryDocumentBehindIt() throws Exception {
        // 24 extractors for SO-790 are wanted on 17 December, in the week of the 14th
        JsonNode slip = get(
                        "ida",
                        "/api/plan/periods/cell?item=EXTR-4&site=LARKMOOR&scale=weeks&date=2026-12-14&kind=CUSTOMER_ORDERS")
                .body();
        assertThat(slip.get("lines"))
                .extracting(
                        l -> l.get("text").asText() + " " + l.get("quantity").asInt())
                .contains("SO-790 24")
                .last()
                .asString()
                .startsWith("Together");
        JsonNode balance = get(
                        "ida",
                        "/api/plan/periods/cell?item=EXTR-4&site=LARKMOOR&scale=weeks&date=2026-12-14&kind=BALANCE")
                .body();
        BigDecimal sum = BigDecimal.ZERO;
        List<JsonNode> lines = new ArrayList<>();
        balance.get("lines").forEach(lines::add);
        for (JsonNode line : lines.subList(0, lines.size() - 1)) {
            sum = sum.add(line.get("quantity").decimalValue());
        }
        assertThat(sum)
                .isEqualByComparingTo(
                        lines.get(lines.size() - 1).get("quantity").decimalValue());
    }

    @Test
    void theSheetHoldsWhatTheScreenShows() throws Exception {
        byte[] file = mvc.perform(MockMvcRequestBuilders.post("/api/plan/periods/sheet")
                        .with(csrf())
                        .with(user(users.loadUserByUsername("ida")))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("""
                                {"scale":"weeks","rows":[
                                {"item":"EXTR-4","site":"LARKMOOR","open":true},
                                {"item":"BRG-6202","site":"LARKMOOR","open":false},
                                {"item":"NONE","site":"LARKMOOR","open":false}]}"""))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        JsonNode detail = detail("weeks");
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(file))) {
            List<Row> rows = book.getFirstSheet().read();
            // the head, the balance, each flow, and the bearing's balance
            assertThat(rows).hasSize(1 + 1 + detail.get("flows").size() + 1);
            assertThat(rows.get(1).getCellText(0)).isEqualTo("EXTR-4");
            assertThat(rows.get(rows.size() - 1).getCellText(0)).isEqualTo("BRG-6202");
            JsonNode balances = detail.get("row").get("balances");
            for (int p = 0; p < balances.size(); p++) {
                assertThat(rows.get(1).getCellAsNumber(5 + p).orElseThrow())
                        .isEqualByComparingTo(balances.get(p).decimalValue());
            }
        }
    }

    @Test
    void whatMakesNoSenseIsSaid() throws Exception {
        assertThat(get("ida", "/api/plan/periods?scale=years").status()).isEqualTo(400);
        assertThat(get("ida", "/api/plan/periods/stock-point?item=NONE&site=LARKMOOR")
                        .status())
                .isEqualTo(404);
        assertThat(get(null, "/api/plan/periods").status()).isEqualTo(401);
    }
}
