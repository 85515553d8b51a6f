package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import rescient.core.plan.Plan;
import rescient.core.promise.Promise;

/** What is promised while an order is typed, and that the plan keeps it. */
class PromiseTest extends ServerTest {
    private JsonNode promise(String item, int quantity, String wanted) throws Exception {
        return promises(line(item, quantity, wanted)).get(0);
    }

    /** The promises of the lines of one order. */
    private JsonNode promises(String... lines) throws Exception {
        Reply reply = post("ida", "/api/promise", null, "{'lines':[" + String.join(",", lines) + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static String line(String item, int quantity, String wanted) {
        return "{'item':'" + item + "','site':'LARKMOOR','quantity':" + quantity + ",'wanted':'" + wanted + "'}";
    }

    private static String promised(String line, String day) {
        return line.replace("}", ",'promised':'" + day + "'}");
    }

    private static LocalDate possible(Plan plan, String number) {
        return Promise.of(plan).stream()
                .filter(p -> p.line().number().equals(number))
                .map(p -> LocalDate.ofEpochDay(p.possibleDay()))
                .findFirst()
                .orElseThrow();
    }

    /** Far more than there is, for tomorrow: promised later, and once it is entered for that day the plan keeps it. */
    @Test
    void whatIsPromisedIsKeptByThePlan() throws Exception {
        JsonNode promise = promise("EXTR-4", 60, "2026-11-24");
        assertThat(promise.get("asWanted").asBoolean()).isFalse();
        assertThat(promise.get("available").asInt()).isLessThan(60);
        assertThat(promise.get("causeItem").asText()).isNotEmpty();
        LocalDate promised = LocalDate.parse(promise.get("promised").asText());
        assertThat(promised).isAfter(LocalDate.of(2026, 11, 24));

        var before = Promise.of(live.current().plan());
        Reply entered = decide(
                "ida",
                "{'kind':'ENTER','number':'SO-990','lines':["
                        + promised(line("EXTR-4", 60, "2026-11-24"), promised.toString()) + "]}");
        assertThat(entered.status()).as(String.valueOf(entered.body())).isEqualTo(201);
        knowing();
        Plan after = live.current().plan();
        assertThat(possible(after, "SO-990")).isEqualTo(promised);
        // nobody who was there before gets it later
        for (Promise was : before) {
            Promise is = Promise.of(after).stream()
                    .filter(p -> p.line().equals(was.line()))
                    .findFirst()
                    .orElseThrow();
            if (was.possibleDay() != null) {
                assertThat(is.possibleDay()).as(was.line().number()).isLessThanOrEqualTo(was.possibleDay());
            }
        }
    }

    @Test
    void whatIsFreeIsPromisedAsItIsWanted() throws Exception {
        int far = 200;
        JsonNode promise =
                promise("EXTR-4", 1, live.current().today().plusDays(far).toString());
        assertThat(promise.get("asWanted").asBoolean()).isTrue();
        assertThat(promise.get("available").asInt()).isEqualTo(1);
        assertThat(promise.hasNonNull("causeItem")).isFalse();
        // 6 are there, none are on order, and SO-790 alone takes 24
        assertThat(promise("EXTR-4", 1, "2026-11-24").get("freeNow").asInt()).isZero();
    }

    @Test
    void whatIsUnknownIsSaidAtItsLine() throws Exception {
        JsonNode all = promises(
                line("EXTR-4", 1, "2027-06-01"), line("NOTHING", 1, "2026-12-01"), line("EXTR-4", 1, "2027-06-01"));
        assertThat(all.get(0).get("asWanted").asBoolean()).isTrue();
        assertThat(all.get(1).get("field").asText()).isEqualTo("item");
        assertThat(all.get(1).get("fault").asText()).contains("no item NOTHING");
        assertThat(all.get(2).get("asWanted").asBoolean()).isTrue();
        // what is not typed to its end yet is no fault
        JsonNode begun = promises("{'item':'EXTR-4','site':'LARKMOOR'}").get(0);
        assertThat(begun.hasNonNull("fault")).isFalse();
        assertThat(begun.get("itemName").asText()).isNotEmpty();
        assertThat(post("ida", "/api/promise", null, "{'lines':[" + line("EXTR-4", 0, "2026-12-01") + "]}")
                        .status())
                .isBetween(400, 422);
    }

    /** Each line that is promised is in the way of the next: what is there is there once. */
    @Test
    void linesArePromisedInTurn() throws Exception {
        JsonNode one = promise("EXTR-4", 30, "2027-01-15");
        JsonNode both = promises(line("EXTR-4", 30, "2027-01-15"), line("EXTR-4", 200, "2027-01-15"));
        assertThat(both.get(0)).isEqualTo(one);
        JsonNode alone = promise("EXTR-4", 200, "2027-01-15");
        assertThat(both.get(1).get("freeNow")).isEqualTo(alone.get("freeNow"));
        assertThat(both.get(1).get("promised").asText())
                .isGreaterThanOrEqualTo(alone.get("promised").asText());
    }

    /** Two desks are told the same day for the same pieces; the first keeps it, the second is told so and what is so now. */
    @Test
    void ofTwoDesksAtTheLastPiecesOneGetsThem() throws Exception {
        String wanted = "2026-11-25";
        String item = null;
        int all = 0;
        for (Promise some : Promise.of(live.current().plan())) {
            JsonNode answer = all > 0 ? null : promise(some.line().item(), 100_000, wanted);
            if (answer != null && answer.get("available").asInt() > 0) {
                item = some.line().item();
                all = answer.get("available").asInt();
            }
        }
        assertThat(all).isPositive();
        String lines = "'lines':[" + promised(line(item, all, wanted), wanted) + "]}";
        Reply first = decide("sven", "{'kind':'ENTER'," + lines);
        assertThat(first.status()).as(String.valueOf(first.body())).isEqualTo(201);
        knowing();
        Reply second = decide("ida", "{'kind':'ENTER'," + lines);
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.body().get("detail").asText())
                .contains("can no longer be promised for 2026-11-25")
                .contains("now");
        // as a quote it may stand
        assertThat(decide("ida", "{'kind':'ENTER','quote':true," + lines).status())
                .isEqualTo(201);
        knowing();
        assertThat(count("customer_orders where state = 'quote'")).isEqualTo(1);
        assertThat(Promise.of(live.current().plan()))
                .noneMatch(p -> live.current()
                        .directory()
                        .customerOrder(p.line().number(), p.line().line())
                        .state()
                        .name()
                        .equals("QUOTE"));
    }

    /** Before everybody else it goes as it is wanted, and those who wait for it are named. */
    @Test
    void waysSayWhatPrecedenceCosts() throws Exception {
        String body = "{'lines':[" + line("HIVE-10N", 40, "2026-11-27") + "]}";
        JsonNode answer = post("ida", "/api/promise", null, body).body().get(0);
        assertThat(answer.get("asWanted").asBoolean()).isFalse();
        JsonNode ways = post("ida", "/api/promise/ways?at=0", null, body).body();
        JsonNode precedence = ways.get("precedence");
        assertThat(precedence.get("onTime").isBoolean()).isTrue();
        for (JsonNode delayed : precedence.get("delayed")) {
            assertThat(delayed.get("line").get("number").asText()).startsWith("SO-");
        }
        assertThat(post("ida", "/api/promise/ways?at=3", null, body).status()).isEqualTo(422);
    }
}
