package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.UUID;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Brings files and cells in, as the screen does. */
abstract class ImportingTest extends ServerTest {
    JsonNode bring(String name, byte[] content) throws Exception {
        Reply reply = reply(
                "ida",
                MockMvcRequestBuilders.post("/api/imports")
                        .param("name", name)
                        .with(csrf())
                        .contentType("application/octet-stream")
                        .content(content));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body();
    }

    JsonNode paste(String text) throws Exception {
        Reply reply = reply(
                "ida",
                MockMvcRequestBuilders.post("/api/imports/pasted")
                        .with(csrf())
                        .contentType("application/json")
                        .content(json.createObjectNode().put("text", text).toString()));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body();
    }

    /** The wish that the first sheet is understood as it was proposed. */
    ObjectNode wish(JsonNode brought) {
        return wish(brought, 0);
    }

    ObjectNode wish(JsonNode brought, int place) {
        JsonNode sheet = brought.get("sheets").get(place);
        ObjectNode wish = json.createObjectNode();
        wish.put("sheet", place);
        wish.set("table", sheet.get("table"));
        wish.set("columns", sheet.get("columns"));
        wish.set("dates", sheet.get("dates"));
        wish.set("decimal", sheet.get("decimal"));
        wish.put("withoutFaulty", false);
        return wish;
    }

    Reply send(JsonNode brought, String what, UUID key, JsonNode... wishes) throws Exception {
        ObjectNode all = json.createObjectNode();
        all.putArray("sheets").addAll(List.of(wishes));
        var request = MockMvcRequestBuilders.post(
                        "/api/imports/" + brought.get("id").asText() + what)
                .with(csrf())
                .contentType("application/json")
                .content(all.toString());
        return reply("ida", key == null ? request : request.header("Idempotency-Key", key));
    }

    /** What would become of it, of one sheet. */
    JsonNode looked(JsonNode brought, JsonNode wish) throws Exception {
        return send(brought, "/preview", null, wish).body().get("sheets").get(0);
    }
}
