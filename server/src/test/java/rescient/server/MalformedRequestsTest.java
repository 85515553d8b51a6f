package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** No request, however malformed, is an error of the server, or changes what it does not say. */
class MalformedRequestsTest extends ServerTest {
    private static final int OF_EACH = Integer.getInteger("rescient.malformed", 12);
    private static final List<String> ABSURD = List.of(
            "null",
            "\"\"",
            "\"\\u0000\"",
            "\"a\\u0000b\"",
            "1e10000000",
            "-1e10000000",
            "\"1e10000000\"",
            "99999999999999999999999999999999999999",
            "9000000000000",
            "0",
            "-5",
            "0.0000000000000000000000001",
            "\"abc\"",
            "\"50 pcs\"",
            "\"9999-12-31\"",
            "\"+999999999-12-31\"",
            "\"2026-02-30\"",
            "\"0000-00-00\"",
            "true",
            "[]",
            "[null]",
            "{}",
            "{\"a\":{\"b\":[1,2,{}]}}",
            "\"" + "x".repeat(5_000) + "\"",
            "[" + "\"a~b~c~2026-01-01~1~0\",".repeat(3_000) + "\"z\"]");
    private static final List<String> QUERY = List.of(
            "",
            "%00",
            "%zz",
            "%",
            "..%2f..",
            "1e10000000",
            "9999-12-31",
            "-1",
            "NaN",
            "%F0%9F%90%9D",
            "'; drop table items",
            "~~~~~",
            "a~b~c~d~e~f~g",
            "x".repeat(3_000),
            "2026-99-99",
            "99999999999999999999");
    private static final List<String> BODIES = List.of(
            "",
            "{",
            "{}",
            "[]",
            "null",
            "42",
            "{} trailing",
            "{\"kind\":}",
            "\"x\"",
            "{\"kind\":\"FIRM\"} {}",
            "[".repeat(5_000),
            "{\"a\":" + "9".repeat(5_000) + "}");

    private final Random random = new Random(20261128);

    private record Operation(HttpMethod method, String path, JsonNode about) {}

    private List<Operation> operations() throws Exception {
        JsonNode paths =
                json.readTree(Files.readString(Path.of("../web/openapi.json"))).get("paths");
        List<Operation> operations = new ArrayList<>();
        paths.properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(method -> operations.add(new Operation(
                                HttpMethod.valueOf(method.getKey().toUpperCase(java.util.Locale.ROOT)),
                                path.getKey(),
                                method.getValue()))));
        return operations;
    }

    private String any(List<String> values) {
        return values.get(random.nextInt(values.size()));
    }

    private MockHttpServletRequestBuilder request(Operation operation) {
        String path = operation.path;
        StringBuilder query = new StringBuilder();
        boolean keyed = false;
        for (JsonNode parameter : operation.about.path("parameters")) {
            String name = parameter.get("name").asText();
            switch (parameter.get("in").asText()) {
                case "path" -> {
                    String value = any(QUERY);
                    // what is no part of a path would be another path
                    path = path.replace(
                            "{" + name + "}", value.isEmpty() || value.contains("/") ? "0" : encoded(value));
                }
                case "query" -> {
                    if (random.nextInt(4) > 0) {
                        query.append(query.isEmpty() ? "?" : "&")
                                .append(name)
                                .append('=')
                                .append(encoded(any(QUERY)));
                    }
                }
                default -> keyed = true;
            }
        }
        MockHttpServletRequestBuilder request =
                MockMvcRequestBuilders.request(operation.method, URI.create(path + query));
        if (keyed && random.nextInt(3) > 0) {
            request.header(
                    "Idempotency-Key",
                    random.nextBoolean()
                            ? UUID.randomUUID().toString()
                            : any(QUERY).strip());
        }
        JsonNode schema = operation
                .about
                .path("requestBody")
                .path("content")
                .path("application/json")
                .path("schema");
        if (!schema.isMissingNode()) {
            request.contentType("application/json").content(random.nextInt(4) == 0 ? any(BODIES) : body(schema));
        }
        return request.with(csrf());
    }

    /** What cannot stand in an address as it is, but for the wrong escapes that are to be tried. */
    private static String encoded(String value) {
        return value.matches("%[0-9a-zA-Z]{0,2}|.*%2f.*|%F0%9F%90%9D")
                ? value.equals("%") || value.equals("%zz") ? "%25" : value
                : java.net.URLEncoder.encode(value, java.nio.charset.StandardCharsets.UTF_8);
    }

    /** An object with the fields of a schema, each of which may be absurd. */
    private String body(JsonNode reference) {
        String name = reference.path("$ref").asText("").replaceAll(".*/", "");
        JsonNode schema = schemas.path(name);
        List<String> fields = new ArrayList<>();
        schema.path("properties").properties().forEach(field -> {
            if (random.nextInt(3) > 0) {
                fields.add("\"" + field.getKey() + "\":" + value(field.getValue()));
            }
        });
        return "{" + String.join(",", fields) + "}";
    }

    private String value(JsonNode field) {
        if (random.nextInt(2) == 0) {
            return any(ABSURD);
        }
        if (field.has("enum")) {
            List<String> words = new ArrayList<>();
            field.get("enum").forEach(word -> words.add("\"" + word.asText() + "\""));
            return any(words);
        }
        if (field.has("$ref")) {
            return body(field);
        }
        return switch (field.path("type").asText()) {
            case "array" -> "[" + (field.path("items").has("$ref") ? body(field.get("items")) : "\"HIVE-10N\"") + "]";
            case "integer", "number" -> "3";
            case "boolean" -> "true";
            case "object" -> "{\"lead_time_days\":" + any(ABSURD) + "}";
            default -> field.path("format").asText().equals("date") ? "\"2026-12-09\"" : "\"LARKMOOR\"";
        };
    }

    private JsonNode schemas;

    @Test
    void noneEndsInAnErrorOfTheServerAndTheCompanyStays() throws Exception {
        schemas = json.readTree(Files.readString(Path.of("../web/openapi.json")))
                .path("components")
                .path("schemas");
        Map<String, Integer> before = counts();
        List<String> errors = new ArrayList<>();
        for (Operation operation : operations()) {
            // news goes on for ever, and signing out ends nothing here
            for (int i = 0; i < OF_EACH && !operation.path.endsWith("/news"); i++) {
                MockHttpServletRequestBuilder request = request(operation);
                String login = any(List.of("ida", "stella", "aino"));
                MockHttpServletResponse reply = mvc.perform(request.with(
                                SecurityMockMvcRequestPostProcessors.user(users.loadUserByUsername(login))))
                        .andReturn()
                        .getResponse();
                if (reply.getStatus() >= 500) {
                    errors.add(operation.method + " " + operation.path + ": " + reply.getContentAsString());
                }
                if (reply.getStatus() >= 400 && reply.getStatus() != 404) {
                    assertThat(reply.getContentAsString())
                            .as("%s", operation)
                            .doesNotContain("Exception")
                            .doesNotContain("rescient.");
                }
            }
        }
        assertThat(errors).isEmpty();
        assertThat(counts()).isEqualTo(before);
        assertThat(live.failure()).isNull();
    }

    /** Nothing that was sent was a command that could be meant. */
    private Map<String, Integer> counts() {
        return Map.of(
                "items", count("items"),
                "planning", count("planning"),
                "customer_orders", count("customer_orders"),
                "supply_orders", count("supply_orders"),
                "forecasts", count("settings where key = 'forecast_set'"));
    }

    private Reply sent(String login, HttpMethod method, String path, String content) throws Exception {
        return reply(
                login,
                MockMvcRequestBuilders.request(method, URI.create(path))
                        .with(csrf())
                        .header("Idempotency-Key", UUID.randomUUID())
                        .contentType("application/json")
                        .content(content));
    }

    @Test
    void anEmptyRequestSwitchesNoForecastOff() throws Exception {
        Reply refused = sent("ida", HttpMethod.PUT, "/api/forecast-sets/used", "{}");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.body().get("detail").asText())
                .isEqualTo("Say which forecast set the plan is to use, or none");
        assertThat(get("ida", "/api/forecast-sets").body().get("used").asText()).isEqualTo("Base");
        assertThat(sent("ida", HttpMethod.PUT, "/api/forecast-sets/used", "{\"none\":true}")
                        .status())
                .isEqualTo(200);
        assertThat(get("ida", "/api/forecast-sets").body().has("used")).isFalse();
    }

    @Test
    void whatIsWrongIsSaidInTheWordsOfTheJobBesideItsField() throws Exception {
        Reply number =
                sent("ida", HttpMethod.POST, "/api/decisions/preview", "{\"kind\":\"ADD\",\"quantity\":1e10000000}");
        assertThat(number.status()).isEqualTo(400);
        assertThat(number.body().get("field").asText()).isEqualTo("quantity");
        assertThat(number.body().get("detail").asText()).isEqualTo("Quantity is a number with too many digits");
        Reply day = sent(
                "ida", HttpMethod.POST, "/api/decisions/preview", "{\"kind\":\"ADD\",\"due\":\"+999999999-01-01\"}");
        assertThat(day.body().get("detail").asText()).isEqualTo("Due lies outside the years 1900 to 2199");
        Reply part = sent(
                "ida",
                HttpMethod.POST,
                "/api/decisions/preview",
                "{\"kind\":\"SPLIT\",\"orders\":[\"x\"],\"parts\":[{\"quantity\":\"many\"}]}");
        assertThat(part.body().get("detail").asText()).isEqualTo("Quantity is not a number");
        Reply text = sent("ida", HttpMethod.POST, "/api/decisions/preview", "{\"kind\":\"ADD\",\"item\":\"a\\u0000\"}");
        assertThat(text.body().get("detail").asText()).isEqualTo("Item holds a character that no text has");
        assertThat(sent("ida", HttpMethod.POST, "/api/decisions/preview", "{\"kind\":\"FIRM\"} {}")
                        .status())
                .isEqualTo(400);
    }

    /** More than any command holds is refused before it is read. */
    @Test
    void whatIsTooLargeIsRefusedUnread() throws Exception {
        String name = "x".repeat(8_000_000);
        assertThat(sent("ida", HttpMethod.POST, "/api/what-ifs", "{\"name\":\"" + name + "\",\"assumptions\":[]}")
                        .status())
                .isEqualTo(413);
        String keys = "\"K\",".repeat(20_000);
        assertThat(sent("ida", HttpMethod.POST, "/api/releases/preview", "{\"orders\":[" + keys + "\"K\"]}")
                        .status())
                .isEqualTo(400);
    }

    /** Who may not decide is told so, whatever the request would come to. */
    @Test
    void rightsComeBeforeEverythingElse() throws Exception {
        Reply refused = sent(
                "stella",
                HttpMethod.POST,
                "/api/decisions",
                "{\"kind\":\"CHANGE\",\"orders\":[\"NOTHING~X~2026-01-01~1~0\"],\"quantity\":5}");
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.body().get("detail").asText())
                .contains("for planners")
                .contains("stores");
    }
}
