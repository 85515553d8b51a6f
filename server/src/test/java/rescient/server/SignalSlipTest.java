package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/** Why a signal is raised, and a loop cured where it is seen. */
class SignalSlipTest extends ServerTest {
    private JsonNode slip(JsonNode signal) throws Exception {
        StringBuilder path = new StringBuilder("/api/plan/signal?kind=" + text(signal, "kind"));
        path.append("&item=").append(text(signal, "item")).append("&site=").append(text(signal, "site"));
        if (signal.hasNonNull("orderNumber")) {
            path.append("&number=").append(text(signal, "orderNumber"));
        }
        if (signal.hasNonNull("date")) {
            path.append("&date=").append(text(signal, "date"));
        }
        Reply reply = get("ida", path.toString());
        assertThat(reply.status()).as(path.toString()).isEqualTo(200);
        return reply.body();
    }

    private static String text(JsonNode signal, String field) {
        return URLEncoder.encode(signal.get(field).asText(), StandardCharsets.UTF_8);
    }

    private static JsonNode last(JsonNode slip) {
        return slip.get("lines").get(slip.get("lines").size() - 1);
    }

    @Test
    void everySignalHasASlipThatEndsInItsResult() throws Exception {
        JsonNode signals = get("ida", "/api/plan/signals").body();
        assertThat(signals).isNotEmpty();
        for (JsonNode signal : signals) {
            JsonNode slip = slip(signal);
            assertThat(slip.get("sentence").asText())
                    .isEqualTo(signal.get("sentence").asText());
            assertThat(last(slip).get("weight").asText()).isEqualTo("RESULT");
        }
    }

    @Test
    void theSlipOfALateOrderAddsUpToItsDays() throws Exception {
        for (JsonNode signal : get("ida", "/api/plan/signals").body()) {
            if (signal.get("kind").asText().equals("demand_late")) {
                JsonNode slip = slip(signal);
                BigDecimal sum = BigDecimal.ZERO;
                for (JsonNode line : slip.get("lines")) {
                    sum = line.get("adds").asBoolean()
                            ? sum.add(line.get("quantity").decimalValue())
                            : sum;
                }
                assertThat(sum).isEqualByComparingTo(last(slip).get("quantity").decimalValue());
                assertThat(sum.intValue()).isEqualTo(signal.get("days").asInt()).isPositive();
                return;
            }
        }
        throw new AssertionError("no customer order is late");
    }

    @Test
    void aSignalThatIsGoneIsSaid() throws Exception {
        assertThat(get("ida", "/api/plan/signal?kind=loop&item=EXTR-4&site=LARKMOOR")
                        .status())
                .isEqualTo(404);
    }

    private JsonNode loop() throws Exception {
        for (JsonNode signal : get("ida", "/api/plan/signals").body()) {
            if (signal.get("kind").asText().equals("loop")
                    && signal.get("item").asText().equals("CARR-62")) {
                return signal;
            }
        }
        return null;
    }

    @Test
    void aLoopIsCuredByTakingALineOutAndComesBackWhenThatIsTakenBack() throws Exception {
        // the gearbox holds the shaft unit, the shaft unit the bearing carrier; the carrier must not hold the gearbox
        jdbc.update("insert into bom_lines (parent, line, component, quantity) values ('CARR-62', '99', 'GBX-410', 1)");
        jdbc.update("update company set revision = revision + 1");
        knowing();
        JsonNode loop = loop();
        assertThat(loop.get("loop"))
                .extracting(
                        l -> l.get("parent").asText() + " " + l.get("component").asText())
                .containsExactly("CARR-62 GBX-410", "GBX-410 SHF-410", "SHF-410 CARR-62");
        assertThat(slip(loop).get("lines").get(0).get("text").asText()).isEqualTo("CARR-62 needs GBX-410");

        String wish = "{'kind':'BILL','item':'CARR-62','site':'LARKMOOR','line':'99'}";
        assertThat(consequence(wish).get("silenced"))
                .extracting(s -> s.get("kind").asText())
                .contains("loop");
        assertThat(decide("aino", wish).status()).isEqualTo(403);
        Reply kept = decide("ida", wish);
        assertThat(kept.body().get("sentence").asText())
                .isEqualTo("Took GBX-410 out of the bill of materials of CARR-62");
        knowing();
        assertThat(loop()).isNull();
        assertThat(decide("ida", wish).status()).isEqualTo(409);

        assertThat(undo("ida", kept).status()).isEqualTo(200);
        knowing();
        assertThat(loop()).isNotNull();
    }
}
