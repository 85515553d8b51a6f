package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** The front end's types are made from web/openapi.json; it must say what the server does. */
class OpenApiTest extends ServerTest {
    private static final Path COMMITTED = Path.of("../web/openapi.json");

    @Test
    void theCommittedDescriptionIsTheServers() throws Exception {
        ObjectNode now = (ObjectNode) get("ida", "/v3/api-docs").body();
        if (Boolean.getBoolean("rescient.openapi.write")) {
            Files.writeString(
                    COMMITTED,
                    json.copy()
                                    .configure(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS, true)
                                    .writerWithDefaultPrettyPrinter()
                                    .writeValueAsString(now)
                            + "\n");
        }
        assertThat(json.readTree(Files.readString(COMMITTED)))
                .as("run the tests once with -Drescient.openapi.write=true to take over the change")
                .isEqualTo(now);
    }
}
