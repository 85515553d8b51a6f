package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

class SessionTest extends ServerTest {

    private Reply signIn(String login, String password) throws Exception {
        return reply(
                null,
                MockMvcRequestBuilders.post("/api/session")
                        .with(csrf())
                        .contentType("application/json")
                        .content(json.writeValueAsString(Map.of("login", login, "password", password))));
    }

    @Test
    void everyRoleHasADemoSignIn() throws Exception {
        Map<String, String> roles = Map.of(
                "ida",
                "PLANNER",
                "bram",
                "BUYER",
                "stella",
                "STORES",
                "rufus",
                "FOREMAN",
                "sven",
                "SALES",
                "aino",
                "APPROVER",
                "emil",
                "ENGINEER");
        for (var person : roles.entrySet()) {
            Reply reply = signIn(person.getKey(), "clover");
            assertThat(reply.status()).isEqualTo(200);
            assertThat(reply.body().get("role").asText()).isEqualTo(person.getValue());
        }
    }

    @Test
    void thePageOfSignInListsAllDemoPeople() throws Exception {
        assertThat(get(null, "/api/session/demo").body())
                .extracting(p -> p.get("login").asText() + " " + p.get("role").asText())
                .containsExactly(
                        "ida PLANNER",
                        "tom PLANNER",
                        "bram BUYER",
                        "stella STORES",
                        "rufus FOREMAN",
                        "sven SALES",
                        "aino APPROVER",
                        "emil ENGINEER");
    }

    /** What a role may do comes with the person, so that nothing else is offered. */
    @Test
    void whoSignsInLearnsWhatTheyMayDo() throws Exception {
        assertThat(signIn("bram", "clover").body().get("may").get("decide"))
                .extracting(com.fasterxml.jackson.databind.JsonNode::asText)
                .containsExactly("buy");
        assertThat(signIn("sven", "clover")
                        .body()
                        .get("may")
                        .get("customerOrders")
                        .asBoolean())
                .isTrue();
        assertThat(signIn("stella", "clover").body().get("may").get("release")).isEmpty();
        assertThat(signIn("emil", "clover").body().get("may").get("materials").asBoolean())
                .isTrue();
    }

    @Test
    void aWrongPasswordIsRefusedBesideItsField() throws Exception {
        Reply reply = signIn("ida", "nettle");
        assertThat(reply.status()).isEqualTo(401);
        assertThat(reply.body().get("field").asText()).isEqualTo("password");
        assertThat(signIn("nobody", "clover").body().get("detail"))
                .isEqualTo(reply.body().get("detail"));
    }

    @Test
    void anEmptyFieldIsNamed() throws Exception {
        Reply reply = signIn("", "clover");
        assertThat(reply.status()).isEqualTo(400);
        assertThat(reply.body().get("field").asText()).isEqualTo("login");
    }

    @Test
    void aChangeWithoutTheTokenIsRefused() throws Exception {
        Reply reply = reply(
                "ida",
                MockMvcRequestBuilders.post("/api/releases/preview")
                        .contentType("application/json")
                        .content("{\"orders\":[\"a\"]}"));
        assertThat(reply.status()).isEqualTo(403);
    }
}
