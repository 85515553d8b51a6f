package rescient.server.decisions;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Validator;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.WarmUp;
import rescient.server.tables.DeskRows;

/** Looks at the consequences of some decisions, which nobody asked for and which are thrown away. */
@Component
class DecisionWarmUp implements WarmUp {
    private static final int TIMES = 30;

    private final DeskRows desk;
    private final ObjectMapper json;
    private final Validator validator;

    DecisionWarmUp(DeskRows desk, ObjectMapper json, Validator validator) {
        this.desk = desk;
        this.json = json;
        this.validator = validator;
    }

    @Override
    public void warmUp(PlanVersion version) throws JsonProcessingException {
        for (String order : OrderKey.some(version.plan(), TIMES)) {
            consequence(version, Map.of("kind", "SPLIT", "orders", List.of(order), "into", 2));
        }
    }

    /** All that a request does between coming in and going out. */
    private byte[] consequence(PlanVersion version, Map<String, Object> request) throws JsonProcessingException {
        PlanCommand command = json.convertValue(request, PlanCommand.class);
        validator.validate(command);
        return json.writeValueAsBytes(Consequence.of(Proposing.look(desk, version, command)));
    }
}
