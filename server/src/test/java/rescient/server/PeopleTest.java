package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** What people keep between visits, and who is at which stock point. */
class PeopleTest extends ServerTest {

    @BeforeEach
    void nothingIsKept() {
        jdbc.update("delete from preferences");
    }

    private int put(String login, String path, String content) throws Exception {
        return reply(
                        login,
                        MockMvcRequestBuilders.put(path)
                                .with(csrf())
                                .contentType("application/json")
                                .content(content.replace('\'', '"')))
                .status();
    }

    @Test
    void aViewIsKeptForItsPersonAndReplacedByTheNext() throws Exception {
        assertThat(put("ida", "/api/preferences/plan.last", "{'value':'by=supplier'}"))
                .isEqualTo(204);
        put("ida", "/api/preferences/plan.last", "{'value':'late=yes'}");
        assertThat(get("ida", "/api/preferences").body().get("plan.last").asText())
                .isEqualTo("late=yes");
        assertThat(get("tom", "/api/preferences").body()).isEmpty();
    }

    @Test
    void whatIsTooLongIsRefusedAndNothingIsLost() throws Exception {
        put("ida", "/api/preferences/plan.views", "{'value':'[]'}");
        String long20k = "x".repeat(20_001);
        assertThat(put("ida", "/api/preferences/plan.views", "{'value':'" + long20k + "'}"))
                .isEqualTo(400);
        assertThat(get("ida", "/api/preferences").body().get("plan.views").asText())
                .isEqualTo("[]");
    }

    @Test
    void othersSeeWhereSomebodyIs() throws Exception {
        put("ida", "/api/plan/people", "{'item':'ROD-12','site':'LARKMOOR'}");
        put("tom", "/api/plan/people", "{}");
        assertThat(get("tom", "/api/plan/people").body())
                .filteredOn(p -> p.get("login").asText().equals("ida"))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.get("name").asText()).isEqualTo("Ida Holm");
                    assertThat(p.get("item").asText()).isEqualTo("ROD-12");
                });
        assertThat(get("tom", "/api/plan/people").body())
                .filteredOn(p -> p.get("login").asText().equals("tom"))
                .allMatch(p -> !p.hasNonNull("item"));
    }
}
