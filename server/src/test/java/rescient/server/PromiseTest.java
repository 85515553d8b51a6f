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
        Reply reply =
                get("ida", "/api/promise?site=LARKMOOR&item=" + item + "&quantity=" + quantity + "&wanted=" + wanted);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
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
                "{'kind':'ENTER','item':'EXTR-4','site':'LARKMOOR','quantity':60,'due':'" + promised
                        + "','number':'SO-990'}");
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
    void whatIsUnknownIsSaidAtItsField() throws Exception {
        Reply reply = get("ida", "/api/promise?site=LARKMOOR&item=NOTHING&quantity=1&wanted=2026-12-01");
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.body().get("field").asText()).isEqualTo("item");
        assertThat(get("ida", "/api/promise?site=LARKMOOR&item=EXTR-4&quantity=0&wanted=2026-12-01")
                        .status())
                .isBetween(400, 422);
    }
}
