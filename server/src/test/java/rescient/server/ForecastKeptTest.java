package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.awaitility.Awaitility.await;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import rescient.server.platform.SharedTask;
import rescient.server.platform.SharedWork;

/** What is kept of forecasts: how they are made, what is known on top, sets as wholes, several as one, what became of them. */
class ForecastKeptTest extends ServerTest {
    private static final String HIVE = "HIVE-10N~LARKMOOR";

    private JsonNode good(Reply reply, int status) {
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(status);
        return reply.body();
    }

    private JsonNode one(String key) throws Exception {
        return good(get("ida", "/api/forecasts/one?key=" + key), 200);
    }

    private JsonNode row(String key) throws Exception {
        JsonNode rows = good(get("ida", "/api/forecasts?words=HIVE-10N"), 200).get("rows");
        for (JsonNode row : rows) {
            if (row.get("key").asText().equals(key)) {
                return row;
            }
        }
        throw new AssertionError("no " + key);
    }

    private void takeBack(JsonNode decision) throws Exception {
        assertThat(post("ida", "/api/decisions/" + decision.get("id").asLong() + "/undo", null, "{}")
                        .status())
                .isEqualTo(200);
    }

    private BigDecimal inSet(String set, String from) {
        return jdbc.queryForObject(
                "select quantity from forecasts where \"set\" = ? and item = 'HIVE-10N' and site = 'LARKMOOR'"
                        + " and from_date = ?::date",
                BigDecimal.class,
                set,
                from);
    }

    /** The mean of the last two months of a window that ends in June; wrong parameters are told by their names. */
    @Test
    void howAForecastIsMadeIsKept() throws Exception {
        String choice = "{'kind':'DATA','rows':[{'table':'forecast_choices','key':{'item':'HIVE-10N','site':'LARKMOOR',"
                + "'bucket':'month'},'fields':{'method':'moving_average','parameters':'%s','to_date':'2026-06-30'}}]}";
        assertThat(decide("ida", String.format(choice, "m=2")).body().toString())
                .contains("does not have");
        JsonNode before = one(HIVE);
        JsonNode decision = good(decide("ida", String.format(choice, "n=2")), 201);
        JsonNode series = one(HIVE);
        JsonNode history = series.get("history");
        BigDecimal mean = BigDecimal.ZERO;
        for (JsonNode was : history) {
            String from = was.get("from").asText();
            if (from.equals("2026-05-01") || from.equals("2026-06-01")) {
                mean = mean.add(was.get("counts").decimalValue());
            }
        }
        assertThat(series.get("method").asText()).isEqualTo("MOVING_AVERAGE");
        assertThat(series.get("windowTo").asText()).isEqualTo("2026-07-01");
        assertThat(series.get("chosen").get("parameters").asText()).isEqualTo("n=2");
        if (series.get("season").asInt() == 1) {
            assertThat(series.get("ahead").get(0).get("quantity").decimalValue())
                    .isCloseTo(mean.divide(BigDecimal.valueOf(2)), within(BigDecimal.ONE));
        }
        assertThat(row(HIVE).get("chosen").asBoolean()).isTrue();
        takeBack(decision);
        assertThat(one(HIVE).get("ahead")).isEqualTo(before.get("ahead"));
        assertThat(good(get("ida", "/api/forecasts?only=odd"), 200).get("rows"))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.get("odd").asInt()).isPositive())
                .anySatisfy(row -> assertThat(row.get("item").asText()).isEqualTo("BRUSH-H"));
    }

    /** The same is tried before it is kept. */
    @Test
    void howItWouldBeMadeIsTried() throws Exception {
        String draft = "{'key':'" + HIVE + "','corrections':[],'choice':{'method':'SIMPLE','parameters':'%s'}}";
        JsonNode series = good(post("ida", "/api/forecasts/draft", null, String.format(draft, "alpha=1")), 200);
        assertThat(series.get("method").asText()).isEqualTo("SIMPLE");
        assertThat(series.get("parameters").get(0).get("value").asDouble()).isEqualTo(1);
        Reply wrong = post("ida", "/api/forecasts/draft", null, String.format(draft, "alpha=2"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.body().toString()).contains("parameters").contains("0.0001 to 1");
    }

    /** What is kept is 10 more in December; it goes with the adjustment, which survives another forecast. */
    @Test
    void whatIsKnownStandsOnTopOfEveryForecast() throws Exception {
        JsonNode first =
                good(decide("ida", "{'kind':'FORECAST','item':'HIVE-10N','site':'LARKMOOR','set':'Kept'}"), 201);
        BigDecimal december = inSet("Kept", "2026-12-01");
        String wish =
                "{'kind':'ADJUST','set':'Kept','item':'HIVE-10N','site':'LARKMOOR','from':'2026-12-09','change':'%s',"
                        + "'event':'PROMOTION','reason':'winter fair'}";
        assertThat(decide("ida", String.format(wish, "a lot")).body().toString())
                .contains("Say by how much");
        JsonNode adjusted = good(decide("ida", String.format(wish, "+10")), 201);
        assertThat(inSet("Kept", "2026-12-01")).isEqualByComparingTo(december.add(BigDecimal.TEN));
        JsonNode bucket = one(HIVE).get("ahead").get(1);
        assertThat(bucket.get("known").get("change").asText()).isEqualTo("+10");
        assertThat(bucket.get("expected").decimalValue())
                .isEqualByComparingTo(bucket.get("quantity").decimalValue().add(BigDecimal.TEN));
        JsonNode again = good(
                decide(
                        "ida",
                        "{'kind':'FORECAST','item':'HIVE-10N','site':'LARKMOOR','set':'Kept','method':'SEASONAL_NAIVE'}"),
                201);
        assertThat(inSet("Kept", "2026-12-01"))
                .isEqualByComparingTo(one(HIVE + "&method=SEASONAL_NAIVE")
                        .get("ahead")
                        .get(1)
                        .get("expected")
                        .decimalValue());
        assertThat(jdbc.queryForObject(
                        "select method from forecast_versions where \"set\" = 'Kept' and from_date = '2026-12-01'",
                        String.class))
                .isEqualTo("seasonal_naive");
        takeBack(again);
        takeBack(adjusted);
        assertThat(inSet("Kept", "2026-12-01")).isEqualByComparingTo(december);
        takeBack(first);
    }

    @Test
    void whatHasBeenIsNotAdjusted() throws Exception {
        Reply past = decide(
                "ida", "{'kind':'ADJUST','item':'HIVE-10N','site':'LARKMOOR','from':'2026-10-09','change':'+1'}");
        assertThat(past.status()).isEqualTo(422);
        assertThat(past.body().toString()).contains("correct the history");
        assertThat(decide("sven", "{'kind':'ADJUST','item':'HIVE-10N','site':'LARKMOOR','change':'+1'}")
                        .status())
                .isEqualTo(403);
    }

    /** A group's forecast is split over its items: what they get adds up to it, but for what rounding adds. */
    @Test
    void severalAreForecastAsOneAndSplit() throws Exception {
        JsonNode groups = good(get("ida", "/api/forecasts?by=GROUP"), 200).get("rows");
        assertThat(groups).isNotEmpty();
        String key = groups.get(0).get("key").asText();
        JsonNode group = one(key);
        assertThat(group.get("members")).isNotEmpty();
        double shares = 0;
        for (JsonNode member : group.get("members")) {
            shares += member.get("share").asDouble();
        }
        assertThat(shares).isCloseTo(1, within(1e-9));
        JsonNode decision = good(decide("ida", "{'kind':'FORECAST','series':['" + key + "'],'set':'Down'}"), 201);
        for (JsonNode member : group.get("members")) {
            BigDecimal kept = jdbc.queryForObject(
                    "select sum(quantity) from forecasts where \"set\" = 'Down' and item = ?",
                    BigDecimal.class,
                    member.get("item").asText());
            assertThat(kept.doubleValue()).isCloseTo(member.get("quantity").asDouble(), within(12.0));
        }
        takeBack(decision);
        for (String by : List.of("ITEM", "SITE", "CUSTOMER")) {
            JsonNode rows = good(get("ida", "/api/forecasts?by=" + by), 200).get("rows");
            assertThat(one(rows.get(0).get("key").asText()).get("history")).isNotEmpty();
        }
        String customer = good(get("ida", "/api/forecasts?by=CUSTOMER"), 200)
                .get("rows")
                .get(0)
                .get("key")
                .asText();
        assertThat(decide("ida", "{'kind':'FORECAST','series':['" + customer + "'],'set':'Down'}")
                        .body()
                        .toString())
                .contains("not of customers");
    }

    @Test
    void setsAreCopiedScaledComparedAndTakenAway() throws Exception {
        int rows = jdbc.queryForObject("select count(*) from forecasts where \"set\" = 'Base'", Integer.class);
        JsonNode copied = good(decide("ida", "{'kind':'SETS','from':'Base','set':'High','percent':120}"), 201);
        assertThat(copied.get("sentence").asText()).isEqualTo("Copied the forecast set Base to High at 120 %");
        assertThat(jdbc.queryForObject("select count(*) from forecasts where \"set\" = 'High'", Integer.class))
                .isEqualTo(rows);
        JsonNode compared = good(get("ida", "/api/forecast-sets/compared?first=Base&second=High"), 200);
        assertThat(compared.get("rows"))
                .isNotEmpty()
                .allSatisfy(
                        row -> assertThat(row.get("difference").decimalValue()).isPositive());
        JsonNode gone = good(decide("ida", "{'kind':'SETS','from':'High'}"), 201);
        assertThat(jdbc.queryForObject("select count(*) from forecasts where \"set\" = 'High'", Integer.class))
                .isZero();
        takeBack(gone);
        takeBack(copied);
        assertThat(decide("ida", "{'kind':'SETS','from':'Nowhere','set':'High'}")
                        .status())
                .isEqualTo(422);
    }

    /** What was forecast in the spring is held against what came: the sum of the errors is the bias. */
    @Test
    void whatWasForecastIsFollowed() throws Exception {
        List<String> rows = new ArrayList<>();
        for (int month = 5; month <= 10; month++) {
            rows.add(String.format(
                    "{'table':'forecast_versions','key':{'set':'Base','item':'TOOL-J','site':'LARKMOOR','bucket':'month',"
                            + "'made':'2026-%02d-03','from_date':'2026-%02d-01'},'fields':{'quantity':'1','adjusted':'2',"
                            + "'naive':'0','method':'simple'}}",
                    month - 1, month));
        }
        JsonNode decision = good(decide("ida", "{'kind':'DATA','rows':[" + String.join(",", rows) + "]}"), 201);
        JsonNode followed = good(get("ida", "/api/forecasts/follow-up?words=TOOL-J"), 200);
        JsonNode hive = followed.get("rows").get(0);
        assertThat(hive.get("lines")).hasSize(6);
        BigDecimal came = jdbc.queryForObject(
                "select sum(quantity) from shipments where item = 'TOOL-J' and site = 'LARKMOOR'"
                        + " and date between '2026-05-01' and '2026-10-31'",
                BigDecimal.class);
        assertThat(hive.get("bias").asDouble()).isCloseTo((came.doubleValue() - 12) / 6, within(1e-6));
        assertThat(hive.get("signal").asDouble()).isEqualTo(6);
        assertThat(hive.get("look").asBoolean()).isTrue();
        assertThat(hive.get("byHand").asDouble()).isEqualTo(1);
        // what was forecast then is drawn with what is forecast now
        assertThat(one("TOOL-J~LARKMOOR").get("before")).hasSize(6);
        assertThat(followed.get("months")).hasSize(6);
        assertThat(good(get("ida", "/api/plan/signals"), 200).findParents("kind").stream()
                        .filter(signal -> signal.get("kind").asText().equals("forecast_off"))
                        .map(signal -> signal.get("item").asText()))
                .contains("TOOL-J");
        JsonNode why = good(get("ida", "/api/plan/signal?kind=forecast_off&item=TOOL-J&site=LARKMOOR"), 200);
        assertThat(why.get("lines")).hasSize(9);
        assertThat(why.get("lines").get(8).get("quantity").decimalValue()).isEqualByComparingTo("6");
        assertThat(good(get("ida", "/api/plan/orders?words=TOOL-J"), 200).toString())
                .contains("forecast_off");
        assertThat(good(get("ida", "/api/forecasts?only=off&words=TOOL-J"), 200)
                        .get("total")
                        .asInt())
                .isEqualTo(1);
        assertThat(good(get("ida", "/api/forecasts/follow-up?lag=2&words=TOOL-J"), 200)
                        .get("rows"))
                .isEmpty();
        takeBack(decision);
    }

    /** All series in the background: what differs from the set in use, with why; nobody begins a second one meanwhile. */
    @Test
    void allAreForecastInTheBackground() throws Exception {
        assertThat(post("sven", "/api/forecast-runs", null, "{}").status()).isEqualTo(403);
        long id = good(post("ida", "/api/forecast-runs", null, "{}"), 201)
                .get("id")
                .asLong();
        await().atMost(Duration.ofSeconds(30))
                .until(() -> get("ida", "/api/forecast-runs")
                        .body()
                        .get("runs")
                        .get(0)
                        .get("state")
                        .asText()
                        .equals("done"));
        JsonNode changes = good(get("ida", "/api/forecast-runs/" + id + "/changes"), 200);
        assertThat(changes.get("total").asInt()).isPositive();
        assertThat(changes.get("rows"))
                .hasSize(changes.get("total").asInt())
                .allSatisfy(row -> assertThat(row.get("why").asText()).isNotEmpty());
        List<Double> money = new ArrayList<>();
        changes.get("rows")
                .forEach(row ->
                        money.add(row.has("money") ? Math.abs(row.get("money").asDouble()) : 0));
        assertThat(money).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    /**
     * All that counts is an October without demand, so nothing is expected: what is kept of it is too much, and its money says how much too
     * much, price times quantity, so that it stands among what changed most.
     */
    @Test
    void whatFallsToNothingIsWorthWhatIsKeptOfIt() throws Exception {
        String none = "{'kind':'DATA','rows':[{'table':'forecast_choices','key':{'item':'TRAP-1','site':'LARKMOOR',"
                + "'bucket':'month'},'fields':{'from_date':'2026-10-01'}},"
                + "{'table':'history_corrections','key':{'item':'TRAP-1',"
                + "'site':'LARKMOOR','from_date':'2026-10-01','bucket':'month'},'fields':{'quantity':'0'}}]}";
        JsonNode nothing = good(decide("ida", none), 201);
        JsonNode listed =
                good(get("ida", "/api/forecasts?words=TRAP-1"), 200).get("rows").get(0);
        assertThat(listed.get("nextYear").decimalValue()).isZero();
        long id = jdbc.queryForObject(
                "insert into forecast_runs (begun_by, begun_at, state) values ('Ida', now(), 'waiting') returning id",
                Long.class);
        forecastAll.run(id);
        BigDecimal price = jdbc.queryForObject(
                "select coalesce(price, standard_cost) from items where code = 'TRAP-1'", BigDecimal.class);
        BigDecimal kept = listed.get("kept").decimalValue();
        assertThat(kept).isPositive();
        JsonNode rows =
                good(get("ida", "/api/forecast-runs/" + id + "/changes"), 200).get("rows");
        JsonNode found = null;
        for (JsonNode one : rows) {
            found = one.get("key").asText().equals("TRAP-1~LARKMOOR") ? one : found;
        }
        assertThat(found).isNotNull();
        assertThat(found.get("money").decimalValue())
                .isEqualByComparingTo(price.multiply(kept).negate());
        takeBack(nothing);
    }

    /** Daily is once a day, however often the calendar is looked at and however many were begun by hand meanwhile. */
    @Test
    void theScheduleBeginsOneADay() throws Exception {
        JsonNode daily = good(
                decide(
                        "ida",
                        "{'kind':'DATA','rows':[{'table':'settings','key':{'key':'forecast_run'},'fields':{'value':'daily'}}]}"),
                201);
        await().atMost(Duration.ofSeconds(30))
                .until(() -> get("ida", "/api/forecast-runs")
                        .body()
                        .path("schedule")
                        .asText()
                        .equals("daily"));
        forecastSchedule.run();
        assertThat(scheduled()).isEqualTo(1);
        await().atMost(Duration.ofSeconds(30))
                .until(() ->
                        jdbc.queryForObject("select count(*) from forecast_runs where ended_at is null", Integer.class)
                                == 0);
        for (int hand = 0; hand < 12; hand++) {
            jdbc.update(
                    "insert into forecast_runs (begun_by, begun_at, ended_at, state) values ('Ida', now(), now(), 'done')");
        }
        long last = good(post("ida", "/api/forecast-runs", null, "{}"), 201)
                .get("id")
                .asLong();
        await().atMost(Duration.ofSeconds(30))
                .until(() ->
                        jdbc.queryForObject("select count(*) from forecast_runs where ended_at is null", Integer.class)
                                == 0);
        forecastSchedule.run();
        assertThat(scheduled()).isEqualTo(1);
        assertThat(jdbc.queryForObject("select max(id) from forecast_runs", Long.class))
                .isEqualTo(last);
        takeBack(daily);
    }

    private int scheduled() {
        return jdbc.queryForObject("select count(*) from forecast_runs where begun_by = 'the schedule'", Integer.class);
    }

    @Autowired
    @Qualifier("forecastSchedule")
    private SharedWork forecastSchedule;

    /** Whoever ends one that waits keeps nothing of it. */
    @Test
    void aRunIsEnded() throws Exception {
        long id = jdbc.queryForObject(
                "insert into forecast_runs (begun_by, begun_at, state) values ('Ida', now(), 'waiting') returning id",
                Long.class);
        assertThat(post("ida", "/api/forecast-runs", null, "{}").status()).isEqualTo(409);
        good(post("ida", "/api/forecast-runs/" + id + "/end", null, "{}"), 200);
        forecastAll.run(id);
        JsonNode run = good(get("ida", "/api/forecast-runs/" + id + "/changes"), 200);
        assertThat(run.get("run").get("state").asText()).isEqualTo("cancelled");
        assertThat(run.get("rows")).isEmpty();
    }

    @Autowired
    @Qualifier("forecastAll")
    private SharedTask forecastAll;
}
