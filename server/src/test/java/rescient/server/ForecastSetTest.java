package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.core.plan.Demand;
import rescient.core.snapshot.DemandKind;

/** Which forecast the plan uses is a setting, and the plan follows it. */
class ForecastSetTest extends ServerTest {
    private Reply use(String login, String body) throws Exception {
        return reply(
                login,
                MockMvcRequestBuilders.put("/api/forecast-sets/used")
                        .with(csrf())
                        .contentType("application/json")
                        .content(body));
    }

    private List<String> setsAskedFor() {
        return live.current().plan().points().stream()
                .flatMap(point -> point.demands().stream())
                .filter(demand -> demand.kind() == DemandKind.FORECAST)
                .map(Demand::number)
                .distinct()
                .toList();
    }

    @Test
    void thePlanUsesTheSetThatIsChosen() throws Exception {
        Reply sets = get("ida", "/api/forecast-sets");
        assertThat(sets.body().get("used").asText()).isEqualTo("Base");
        assertThat(sets.body().get("names").toString()).isEqualTo("[\"Base\",\"Strong spring\"]");
        assertThat(setsAskedFor()).containsExactly("Base");
        assertThat(use("ida", "{\"name\":\"Strong spring\"}").status()).isEqualTo(200);
        knowing();
        assertThat(setsAskedFor()).containsExactly("Strong spring");
        assertThat(use("ida", "{\"none\":true}").body().has("used")).isFalse();
        knowing();
        assertThat(setsAskedFor()).isEmpty();
    }

    @Test
    void choosingWhatIsUsedAlreadyChangesNothing() throws Exception {
        long revision = live.current().revision();
        assertThat(use("ida", "{\"name\":\"Base\"}").status()).isEqualTo(200);
        assertThat(store.read().revision()).isEqualTo(revision);
    }

    @Test
    void onlyPlannersChooseAndOnlyASetThatIsThere() throws Exception {
        assertThat(use("bram", "{\"name\":\"Strong spring\"}").status()).isEqualTo(403);
        Reply refused = use("ida", "{\"name\":\"Weak spring\"}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).isEqualTo("There is no forecast set Weak spring");
        assertThat(setsAskedFor()).containsExactly("Base");
    }
}
