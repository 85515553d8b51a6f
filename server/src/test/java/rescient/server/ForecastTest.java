package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Forecasts: all series in a list, one with its methods, and what is kept of it. */
class ForecastTest extends ServerTest {
    private static final String HIVE = "key=HIVE-10N~LARKMOOR";

    private JsonNode one(String query) throws Exception {
        Reply reply = get("ida", "/api/forecasts/one?" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static List<Double> numbers(JsonNode rows, String field) {
        List<Double> numbers = new ArrayList<>();
        rows.forEach(row -> numbers.add(row.get(field).asDouble()));
        return numbers;
    }

    /** One row for each item and site of which something was shipped, what is worth most first. */
    @Test
    void everySeriesIsListed() throws Exception {
        JsonNode all = get("ida", "/api/forecasts").body();
        assertThat(all.get("total").asInt())
                .isEqualTo(jdbc.queryForObject(
                        "select count(*) from (select item, site from shipments union select item, site from customer_orders"
                                + " union select item, site from forecasts) s",
                        Integer.class));
        assertThat(numbers(all.get("rows"), "value")).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        JsonNode found = get("ida", "/api/forecasts?words=smoker&sort=mase").body();
        assertThat(found.get("rows"))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.get("itemName").asText()).containsIgnoringCase("smoker"));
        String last =
                all.get("rows").get(all.get("total").asInt() - 1).get("key").asText();
        assertThat(get("ida", "/api/forecasts?limit=0&place=" + last)
                        .body()
                        .get("place")
                        .asInt())
                .isEqualTo(all.get("total").asInt() - 1);
    }

    /** The history is what was shipped in whole months; what was held out begins in it; the methods stand by their error. */
    @Test
    void aSeriesIsItsHistoryAndItsMethods() throws Exception {
        JsonNode series = one(HIVE);
        BigDecimal october = jdbc.queryForObject(
                "select sum(quantity) from shipments where item = 'HIVE-10N' and site = 'LARKMOOR'"
                        + " and date between '2026-10-01' and '2026-10-31'",
                BigDecimal.class);
        JsonNode history = series.get("history");
        JsonNode last = history.get(history.size() - 1);
        assertThat(last.get("from").asText()).isEqualTo("2026-10-01");
        assertThat(last.get("quantity").decimalValue()).isEqualByComparingTo(october);
        assertThat(series.get("ahead").get(0).get("from").asText()).isEqualTo("2026-11-01");
        assertThat(series.get("ahead")).hasSize(12);
        assertThat(series.get("season").asInt()).isEqualTo(12);
        assertThat(numbers(series.get("methods"), "mase")).isSorted();
        assertThat(series.get("heldOut").asInt()).isLessThan(history.size());
        JsonNode other = one(HIVE + "&method=THETA");
        assertThat(other.get("method").asText()).isEqualTo("THETA");
        assertThat(other.get("automatic").asBoolean()).isFalse();
        assertThat(one(HIVE + "&bucket=WEEK&periods=26").get("ahead")).hasSize(26);
        assertThat(get("ida", "/api/forecasts/one?key=NAIL-20~LARKMOOR").status())
                .isEqualTo(404);
    }

    /** Kept into a new set it stands there and changes nothing; kept into the set in use it is planned with; and taken back. */
    @Test
    void aForecastIsKeptInASetAndTakenBack() throws Exception {
        JsonNode ahead = one(HIVE).get("ahead");
        int before = live.current().plan().plannedOrderCount();
        String wish = "{'kind':'FORECAST','item':'HIVE-10N','site':'LARKMOOR','bucket':'MONTH','set':'";
        Reply mine = decide("ida", wish + "Mine'}");
        assertThat(mine.status()).as(String.valueOf(mine.body())).isEqualTo(201);
        knowing();
        assertThat(count("forecasts where set = 'Mine'")).isEqualTo(12);
        assertThat(jdbc.queryForObject(
                        "select quantity from forecasts where set = 'Mine' and from_date = '2027-03-01'",
                        BigDecimal.class))
                .isEqualByComparingTo(ahead.get(4).get("quantity").decimalValue());
        assertThat(live.current().plan().plannedOrderCount()).isEqualTo(before);

        // what lies there goes sooner: less lies in stock in the mean
        assertThat(consequence(wish + "Base'}").get("stock").decimalValue()).isNegative();
        assertThat(consequence(wish + "Mine'}").get("stock").decimalValue()).isZero();
        Reply used = decide("ida", wish + "Base'}");
        assertThat(used.status()).as(String.valueOf(used.body())).isEqualTo(201);
        knowing();
        assertThat(one(HIVE).get("ahead").get(4).get("kept").decimalValue())
                .isEqualByComparingTo(ahead.get(4).get("quantity").decimalValue());
        assertThat(live.current()
                        .plan()
                        .point("HIVE-10N", "LARKMOOR")
                        .orElseThrow()
                        .demands())
                .anyMatch(demand -> demand.number().equals("Base"));
        undo("ida", used);
        knowing();
        assertThat(count("forecasts where set = 'Base' and item = 'HIVE-10N'")).isZero();
        assertThat(live.current().plan().plannedOrderCount()).isEqualTo(before);

        assertThat(decide("ida", wish + " '}").body().get("field").asText()).isEqualTo("set");
        assertThat(decide("sven", wish + "Mine'}").status()).isEqualTo(403);
    }

    /** Weeks that are in the set already make room for months where they lie in them as a whole. */
    @Test
    void weeksMakeRoomForMonths() throws Exception {
        assertThat(count("forecasts where set = 'Base' and item = 'NUC-5N' and bucket = 'week'"))
                .isPositive();
        Reply kept =
                decide("ida", "{'kind':'FORECAST','item':'NUC-5N','site':'LARKMOOR','bucket':'MONTH','set':'Base'}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        assertThat(count("forecasts where set = 'Base' and item = 'NUC-5N' and bucket = 'week'"))
                .isZero();
        assertThat(count("forecasts where set = 'Base' and item = 'NUC-5N'")).isEqualTo(12);
    }

    private static JsonNode month(JsonNode series, String from) {
        for (JsonNode was : series.get("history")) {
            if (was.get("from").asText().equals(from)) {
                return was;
            }
        }
        throw new AssertionError("There is no month " + from);
    }

    /** March is taken for 50: tried first, then kept with its reason, and taken back; what was shipped never changes. */
    @Test
    void aMonthCountsForSomethingElse() throws Exception {
        JsonNode before = one(HIVE);
        BigDecimal shipped = month(before, "2026-03-01").get("quantity").decimalValue();
        assertThat(shipped).isNotEqualByComparingTo("50");
        JsonNode tried = post(
                        "ida",
                        "/api/forecasts/draft",
                        null,
                        "{'key':'HIVE-10N~LARKMOOR','corrections':[{'from':'2026-03-01','quantity':50}]}")
                .body();
        assertThat(month(tried, "2026-03-01").get("counts").asInt()).isEqualTo(50);
        assertThat(month(one(HIVE), "2026-03-01").get("counts").decimalValue()).isEqualByComparingTo(shipped);

        Reply kept = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'history_corrections','key':{'item':'HIVE-10N','site':'LARKMOOR',"
                        + "'from_date':'2026-03-01','bucket':'month'},'fields':{'quantity':'50','kind':'promotion',"
                        + "'reason':'spring fair'}}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        JsonNode after = one(HIVE);
        JsonNode march = month(after, "2026-03-01");
        assertThat(march.get("counts").asInt()).isEqualTo(50);
        assertThat(march.get("quantity").decimalValue()).isEqualByComparingTo(shipped);
        assertThat(march.get("kind").asText()).isEqualTo("promotion");
        assertThat(march.get("reason").asText()).isEqualTo("spring fair");
        assertThat(numbers(after.get("ahead"), "quantity")).isEqualTo(numbers(tried.get("ahead"), "quantity"));
        // weeks are not months
        one(HIVE + "&bucket=WEEK")
                .get("history")
                .forEach(week -> assertThat(week.get("corrected").asBoolean()).isFalse());
        assertThat(undo("ida", kept).status()).isEqualTo(200);
        knowing();
        assertThat(month(one(HIVE), "2026-03-01").get("corrected").asBoolean()).isFalse();
        assertThat(numbers(one(HIVE).get("ahead"), "quantity")).isEqualTo(numbers(before.get("ahead"), "quantity"));
    }

    /** Several series go into a set together, and out of it together. */
    @Test
    void severalAreKeptAtOnce() throws Exception {
        Reply kept = decide(
                "ida",
                "{'kind':'FORECAST','set':'Mine','series':['HIVE-10N~LARKMOOR','EXTR-4~LARKMOOR','NAIL-20~LARKMOOR']}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(kept.body().get("sentence").asText()).isEqualTo("Forecast 2 series in Mine");
        knowing();
        assertThat(count("forecasts where set = 'Mine'")).isEqualTo(24);
        undo("ida", kept);
        knowing();
        assertThat(count("forecasts where set = 'Mine'")).isZero();
        // of two, one was never shipped: the other is named
        assertThat(decide("ida", "{'kind':'FORECAST','set':'Mine','series':['NAIL-20~LARKMOOR','EXTR-4~LARKMOOR']}")
                        .body()
                        .get("sentence")
                        .asText())
                .startsWith("Forecast EXTR-4 by");
        assertThat(decide("ida", "{'kind':'FORECAST','set':'Mine','series':['HIVE-10N']}")
                        .status())
                .isEqualTo(422);
    }

    /** What the curve would be for any value of a bucket is what it is when that very value is tried. */
    @Test
    void theCurveIsKnownBeforeABucketIsMoved() throws Exception {
        JsonNode curves = post(
                        "ida",
                        "/api/forecasts/moved",
                        null,
                        "{'key':'HIVE-10N~LARKMOOR','from':'2026-03-01','most':160}")
                .body()
                .get("curves");
        assertThat(curves).hasSize(33);
        assertThat(curves.get(10).get("value").asInt()).isEqualTo(50);
        JsonNode tried = post(
                        "ida",
                        "/api/forecasts/draft",
                        null,
                        "{'key':'HIVE-10N~LARKMOOR','corrections':[{'from':'2026-03-01','quantity':50}]}")
                .body();
        for (int h = 0; h < 12; h++) {
            JsonNode ahead = tried.get("ahead").get(h);
            assertThat(curves.get(10).get("low80").get(h).decimalValue())
                    .isEqualByComparingTo(ahead.get("low80").decimalValue());
            assertThat(curves.get(10).get("expected").get(h).asDouble())
                    .isCloseTo(ahead.get("expected").asDouble(), org.assertj.core.api.Assertions.within(0.5));
        }
    }
}
