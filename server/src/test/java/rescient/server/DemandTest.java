package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import rescient.core.promise.Promise;

/** Customer orders: their list, one order, and what is changed of them. */
class DemandTest extends ServerTest {
    private JsonNode lines(String query) throws Exception {
        Reply reply = get("sven", "/api/demand/lines?" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private JsonNode order(String number) throws Exception {
        return get("sven", "/api/demand/order?number=" + number).body();
    }

    private Reply amend(String keys, String what) throws Exception {
        Reply reply = decide("sven", "{'kind':'AMEND','orders':[" + keys + "]," + what + "}");
        knowing();
        return reply;
    }

    private static List<String> texts(JsonNode rows, String field) {
        List<String> texts = new ArrayList<>();
        rows.forEach(row -> texts.add(row.get(field).asText()));
        return texts;
    }

    /** Every open line, as the plan has it, by the day on which it is due; windows of the list fit together. */
    @Test
    void theListHasEveryLineInTurn() throws Exception {
        JsonNode all = lines("limit=1000");
        List<Promise> plan = Promise.of(live.current().plan());
        assertThat(all.get("total").asInt()).isEqualTo(plan.size());
        assertThat(all.get("late").asInt())
                .isEqualTo((int) plan.stream().filter(Promise::late).count());
        assertThat(texts(all.get("rows"), "due")).isSorted();
        List<String> windowed = new ArrayList<>();
        for (int offset = 0; offset < plan.size(); offset += 50) {
            windowed.addAll(texts(lines("limit=50&offset=" + offset).get("rows"), "key"));
        }
        assertThat(windowed).isEqualTo(texts(all.get("rows"), "key"));
        String last = windowed.get(windowed.size() - 1);
        assertThat(lines("limit=0&place=" + last).get("place").asInt()).isEqualTo(plan.size() - 1);
        assertThat(lines("limit=0&place=SO-0~1").hasNonNull("place")).isFalse();
    }

    @Test
    void linesAreFilteredAndSorted() throws Exception {
        JsonNode late = lines("late=true");
        assertThat(late.get("total").asInt()).isPositive();
        assertThat(late.get("rows"))
                .allSatisfy(row -> assertThat(row.get("late").asBoolean()).isTrue());
        JsonNode first = late.get("rows").get(0);
        String customer = first.get("customer").asText();
        assertThat(texts(lines("customer=" + customer).get("rows"), "customer"))
                .isNotEmpty()
                .containsOnly(customer);
        String day = first.get("due").asText();
        assertThat(texts(lines("from=" + day + "&to=" + day).get("rows"), "due"))
                .containsOnly(day);
        // without a word of wanted days all are wanted when they are due
        assertThat(texts(lines("day=wanted&from=" + day + "&to=" + day).get("rows"), "wanted"))
                .isNotEmpty()
                .containsOnly(day);
        JsonNode told = lines("promised=true&limit=1000");
        assertThat(told.get("rows"))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.hasNonNull("promised")).isTrue());
        assertThat(lines("promised=false").get("total").asInt())
                .isEqualTo(lines("").get("total").asInt() - told.get("total").asInt());
        String promised = told.get("rows").get(0).get("promised").asText();
        assertThat(texts(
                        lines("day=promised&from=" + promised + "&to=" + promised)
                                .get("rows"),
                        "promised"))
                .isNotEmpty()
                .containsOnly(promised);
        assertThat(texts(lines("words=" + first.get("number").asText()).get("rows"), "number"))
                .contains(first.get("number").asText());
        assertThat(texts(lines("kit=true").get("rows"), "kit")).isNotEmpty().containsOnly("true");
        assertThat(texts(lines("sort=item&limit=1000").get("rows"), "itemName")).isSorted();
        List<Double> values = new ArrayList<>();
        lines("sort=value&desc=true&limit=1000")
                .get("rows")
                .forEach(row -> values.add(row.path("value").asDouble()));
        assertThat(values).isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(lines("state=quote").get("total").asInt()).isZero();
    }

    /** What is late can be promised for the day on which it can go: then it is no longer late, and the promise is known. */
    @Test
    void aLineIsMovedToWhatCanBeAndTakenBack() throws Exception {
        JsonNode late = null;
        for (JsonNode row : lines("late=true").get("rows")) {
            late = late == null && row.hasNonNull("possible") ? row : late;
        }
        String key = "'" + late.get("key").asText() + "'";
        String possible = late.get("possible").asText();
        JsonNode looked = consequence("{'kind':'AMEND','orders':[" + key + "],'promised':'" + possible + "'}");
        assertThat(looked.get("sentence").asText()).contains("promised " + possible);
        Reply kept = amend(key, "'promised':'" + possible + "','note':'told on the phone'");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        JsonNode line = line(late);
        assertThat(line.get("promised").asText()).isEqualTo(possible);
        assertThat(line.get("due").asText()).isEqualTo(possible);
        assertThat(line.get("late").asBoolean()).isFalse();
        assertThat(get(
                                "sven",
                                "/api/data/history?table=customer_orders&row="
                                        + late.get("number").asText() + " "
                                        + late.get("line").asText())
                        .body()
                        .get(0)
                        .get("sentence")
                        .asText())
                .contains("told on the phone");
        undo("sven", kept);
        knowing();
        assertThat(line(late).get("due")).isEqualTo(late.get("due"));
        assertThat(line(late).get("promised")).isEqualTo(late.get("promised"));
    }

    /** As many as the list shows, and one less when it is promised for the day that can be. */
    @Test
    void promisesThatThePlanDoesNotKeepAreCounted() throws Exception {
        JsonNode broken = lines("broken=true");
        assertThat(broken.get("total").asInt()).isPositive();
        assertThat(atRisk()).isEqualTo(broken.get("total").asInt());
        JsonNode first = broken.get("rows").get(0);
        Reply kept = amend(
                "'" + first.get("key").asText() + "'",
                "'promised':'" + first.get("possible").asText() + "'");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(atRisk()).isEqualTo(broken.get("total").asInt() - 1);
    }

    private int atRisk() throws Exception {
        return get("sven", "/api/demand/at-risk").body().get("broken").asInt();
    }

    private JsonNode line(JsonNode of) throws Exception {
        for (JsonNode line : order(of.get("number").asText()).get("lines")) {
            if (line.get("key").equals(of.get("key"))) {
                return line;
            }
        }
        throw new AssertionError("The line is gone");
    }

    /** What is cancelled is planned for no more, stays in its list, and can be taken up again. */
    @Test
    void cancelledLinesStayAndComeBack() throws Exception {
        JsonNode first = lines("limit=2").get("rows");
        String keys = "'" + first.get(0).get("key").asText() + "','"
                + first.get(1).get("key").asText() + "'";
        int open = lines("limit=0").get("total").asInt();
        assertThat(amend(keys, "'state':'cancelled'").status()).isEqualTo(201);
        assertThat(lines("limit=0").get("total").asInt()).isEqualTo(open - 2);
        assertThat(Promise.of(live.current().plan())).hasSize(open - 2);
        assertThat(lines("state=cancelled").get("total").asInt()).isEqualTo(2);
        assertThat(amend(keys, "'state':'open'").status()).isEqualTo(201);
        assertThat(lines("limit=0").get("total").asInt()).isEqualTo(open);
        assertThat(Promise.of(live.current().plan())).hasSize(open);
    }

    @Test
    void whatCannotBeChangedSoIsRefused() throws Exception {
        String key = "'" + lines("limit=1").get("rows").get(0).get("key").asText() + "'";
        assertThat(amend(key, "'due':'2026-11-01'").body().get("field").asText())
                .isEqualTo("due");
        assertThat(amend(key, "'item':'NOTHING'").body().get("field").asText()).isEqualTo("item");
        assertThat(amend("'SO-0~1'", "'quantity':4").status()).isEqualTo(409);
        assertThat(amend(key, "'quantity':0").status()).isEqualTo(400);
        assertThat(amend(key, "'note':'nothing else'").status()).isEqualTo(422);
        Reply buyer = decide("emil", "{'kind':'AMEND','orders':[" + key + "],'quantity':4}");
        assertThat(buyer.status()).isEqualTo(403);
    }

    /** What was ordered in all shrinks with what is open; the plan asks for what is open. */
    @Test
    void aQuantityIsChangedWithWhatWasOrdered() throws Exception {
        assertThat(decide("sven", ordering("'number':'SO-991','reference':'P 17',", "EXTR-4", "12", "2027-03-15"))
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(amend("'SO-991~1'", "'quantity':9").status()).isEqualTo(201);
        JsonNode order = order("SO-991");
        assertThat(order.get("reference").asText()).isEqualTo("P 17");
        assertThat(order.get("entered").asText()).isEqualTo("2026-11-23");
        JsonNode line = order.get("lines").get(0);
        assertThat(line.get("ordered").asInt()).isEqualTo(9);
        assertThat(line.get("wanted").asText()).isEqualTo("2027-03-15");
        assertThat(Promise.of(live.current().plan()))
                .filteredOn(p -> p.line().number().equals("SO-991"))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.line().quantity()).isEqualTo(9_000_000);
                    assertThat(LocalDate.ofEpochDay(p.line().dueDay())).isEqualTo("2027-03-15");
                });
    }

    /** It comes in with 12, then 9 are enough, then it is wanted later: three versions, each with who made it so. */
    @Test
    void everyChangeIsAVersion() throws Exception {
        assertThat(decide("sven", ordering("'number':'SO-991',", "EXTR-4", "12", "2027-03-15"))
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(amend("'SO-991~1'", "'quantity':9,'note':'by phone'").status())
                .isEqualTo(201);
        assertThat(decide("ida", "{'kind':'AMEND','orders':['SO-991~1'],'wanted':'2027-03-22'}")
                        .status())
                .isEqualTo(201);
        knowing();
        JsonNode versions = get("sven", "/api/demand/versions?number=SO-991").body();
        List<String> said = new ArrayList<>();
        for (JsonNode version : versions) {
            JsonNode line = version.get("lines").get(0);
            said.add(version.get("name").asText() + ": " + line.get("quantity").asInt() + " for "
                    + line.get("wanted").asText() + (line.get("changed").asBoolean() ? " changed" : ""));
        }
        assertThat(said)
                .containsExactly(
                        name("sven") + ": 12 for 2027-03-15",
                        name("sven") + ": 9 for 2027-03-15 changed",
                        name("ida") + ": 9 for 2027-03-22 changed");
        assertThat(versions.get(1).get("sentence").asText()).contains("by phone");
    }

    private String name(String user) {
        return jdbc.queryForObject("select name from users where login = ?", String.class, user);
    }

    /** What was there from the beginning is one version that nobody made. */
    @Test
    void anOrderThatNobodyChangedHasOneVersion() throws Exception {
        JsonNode first = lines("limit=1").get("rows").get(0);
        JsonNode versions = get(
                        "sven",
                        "/api/demand/versions?number=" + first.get("number").asText())
                .body();
        assertThat(versions).hasSize(1);
        assertThat(versions.get(0).hasNonNull("name")).isFalse();
    }

    @Test
    void whatACustomerUsuallyBuysIsKnown() throws Exception {
        JsonNode first = lines("limit=1").get("rows").get(0);
        String customer = first.get("customer").asText();
        JsonNode usual = get("sven", "/api/demand/usual?customer=" + customer).body();
        Set<String> ordered =
                new TreeSet<>(texts(lines("limit=1000&customer=" + customer).get("rows"), "item"));
        ordered.addAll(jdbc.queryForList("select item from shipments where customer = ?", String.class, customer));
        assertThat(ordered).containsAll(texts(usual, "item"));
        List<Integer> times = new ArrayList<>();
        usual.forEach(one -> times.add(one.get("times").asInt()));
        assertThat(times).isNotEmpty().isSortedAccordingTo(Comparator.reverseOrder());
    }

    /** All that comes and goes of an item: who is served from what adds up, and what is left is said. */
    @Test
    void whoGetsWhatAddsUp() throws Exception {
        JsonNode all =
                get("sven", "/api/plan/allocation?item=EXTR-4&site=LARKMOOR").body();
        assertThat(texts(all.get("sites"), "site")).contains("LARKMOOR");
        double comes = sum(all.get("comes"), "quantity");
        double left = sum(all.get("comes"), "left");
        double served = 0;
        for (JsonNode goes : all.get("goes")) {
            double from = sum(goes.get("from"), "quantity");
            assertThat(from).isLessThanOrEqualTo(goes.get("quantity").asDouble());
            served += from;
        }
        assertThat(served + left).isEqualTo(comes);
        JsonNode late = null;
        for (JsonNode goes : all.get("goes")) {
            late = goes.get("name").asText().equals("SO-790") ? goes : late;
        }
        assertThat(late.get("late").asBoolean()).isTrue();
        assertThat(late.get("priority").asInt()).isEqualTo(2);
        assertThat(late.get("customer").asText()).isEqualTo("Aldery Bees");
        assertThat(get("sven", "/api/plan/allocation?item=EXTR-4").body()).isEqualTo(all);
        assertThat(get("sven", "/api/plan/allocation?item=EXTR-4&site=SILVERLEAF")
                        .status())
                .isEqualTo(404);
        assertThat(get("sven", "/api/plan/allocation?item=NOTHING").status()).isEqualTo(404);
    }

    private static double sum(JsonNode rows, String field) {
        double sum = 0;
        for (JsonNode row : rows) {
            sum += row.get(field).asDouble();
        }
        return sum;
    }

    /** What orders and shipments took of a bucket and what is left are its forecast. */
    @Test
    void whatIsTakenOfTheForecastAddsUp() throws Exception {
        JsonNode buckets = get("sven", "/api/plan/allocation?item=NUC-5N&site=LARKMOOR")
                .body()
                .get("forecast");
        assertThat(buckets).isNotEmpty();
        assertThat(buckets)
                .allSatisfy(bucket -> assertThat(sum(bucket.get("taken"), "quantity")
                                + bucket.get("left").asDouble())
                        .isEqualTo(bucket.get("quantity").asDouble()));
        assertThat(buckets).anySatisfy(bucket -> assertThat(bucket.get("taken")).isNotEmpty());
    }

    @Test
    void anUnknownOrderIsNotFound() throws Exception {
        assertThat(get("sven", "/api/demand/order?number=SO-0").status()).isEqualTo(404);
    }
}
