package rescient.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.server.exchange.CompanyStore;
import rescient.server.planning.LivePlan;
import rescient.server.testing.TestDatabase;

/** The whole server on a real database with the demo company, fresh before each test. Today is Monday 23 Nov 2026. */
@SpringBootTest
@AutoConfigureMockMvc
@Import(Statements.Listening.class)
abstract class ServerTest {
    static final Path DEMO = Path.of("../demo/dataset");
    private static final Dataset LARKMOOR = DatasetReader.read(DEMO);
    private static final String DATABASE = TestDatabase.create();

    @Autowired
    MockMvc mvc;

    @Autowired
    ObjectMapper json;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    CompanyStore store;

    @Autowired
    LivePlan live;

    @Autowired
    UserDetailsService users;

    @DynamicPropertySource
    static void properties(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> DATABASE);
        registry.add("spring.datasource.username", TestDatabase::user);
        registry.add("spring.datasource.password", TestDatabase::password);
        registry.add("rescient.today", () -> "2026-11-23");
        registry.add("rescient.demo", DEMO::toString);
        registry.add("rescient.simulated-suppliers", () -> "off");
    }

    @BeforeEach
    void freshCompany() {
        store.replace(LARKMOOR, "Larkmoor Hives", true);
        knowing();
        recorded = count("movements");
    }

    /** Movements of the fortnight before the test. */
    private int recorded;

    /** Where what the test moved stands. */
    String moved() {
        return "movements where number > " + recorded;
    }

    /** The number of the first movement of the test. */
    int firstMovement() {
        return recorded + 1;
    }

    /** Waits until the plan knows all that is committed. */
    void knowing() {
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
    }

    record Reply(int status, JsonNode body) {}

    /** The command that enters an order of one line at the works, without a promise. */
    static String ordering(String item, String quantity, String wanted) {
        return ordering("", item, quantity, wanted);
    }

    /** @param head what else is said of the order, each with a comma after it */
    static String ordering(String head, String item, String quantity, String wanted) {
        return "{'kind':'ENTER'," + head + "'lines':[{'item':'" + item + "','site':'LARKMOOR','quantity':" + quantity
                + ",'wanted':'" + wanted + "'}]}";
    }

    Reply get(String login, String path) throws Exception {
        return reply(login, MockMvcRequestBuilders.get(path));
    }

    Reply release(String login, UUID key, boolean leaveOut, String... orders) throws Exception {
        return release(login, key, live.current().number(), leaveOut, orders);
    }

    /** @param seen the plan in which the orders were chosen */
    Reply release(String login, UUID key, long seen, boolean leaveOut, String... orders) throws Exception {
        return reply(
                login,
                MockMvcRequestBuilders.post("/api/releases")
                        .with(csrf())
                        .header("Idempotency-Key", key)
                        .contentType("application/json")
                        .content(json.writeValueAsString(
                                Map.of("seen", seen, "orders", List.of(orders), "leaveOut", leaveOut))));
    }

    /** What a wish would do; the wish as JSON with single quotes. */
    JsonNode consequence(String wish) throws Exception {
        Reply reply = post("ida", "/api/decisions/preview", null, wish);
        org.assertj.core.api.Assertions.assertThat(reply.status())
                .as(String.valueOf(reply.body()))
                .isEqualTo(200);
        return reply.body();
    }

    Reply decide(String login, String wish) throws Exception {
        return decide(login, UUID.randomUUID(), wish);
    }

    Reply decide(String login, UUID key, String wish) throws Exception {
        return post(login, "/api/decisions", key, wish);
    }

    Reply undo(String login, Reply decision) throws Exception {
        return post(login, "/api/decisions/" + decision.body().get("id").asLong() + "/undo", null, "{}");
    }

    /** Waits for the plan that knows what was taken, as the one who reads next would not. */
    Reply post(String login, String path, UUID key, String content) throws Exception {
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path)
                .with(csrf())
                .contentType("application/json")
                .content(content.replace('\'', '"'));
        Reply reply = reply(login, key == null ? request : request.header("Idempotency-Key", key));
        if (reply.status() < 300) {
            knowing();
        }
        return reply;
    }

    Reply reply(String login, MockHttpServletRequestBuilder request) throws Exception {
        if (login != null) {
            request.with(SecurityMockMvcRequestPostProcessors.user(users.loadUserByUsername(login)));
        }
        MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
        String text = response.getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        return new Reply(response.getStatus(), text.isEmpty() ? null : json.readTree(text));
    }

    /** Keys of planned orders in the list, those of one item only. */
    List<String> keys(String item) throws Exception {
        return get("ida", "/api/plan/orders").body().get("orders").findParents("key").stream()
                .filter(o -> o.get("item").asText().equals(item))
                .map(o -> o.get("key").asText())
                .toList();
    }

    int count(String table) {
        return jdbc.queryForObject("select count(*) from " + table, Integer.class);
    }
}
