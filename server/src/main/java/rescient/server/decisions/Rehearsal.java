package rescient.server.decisions;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.core.PointView;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Rehearsed;

/** Looks at the consequences of some decisions, which nobody asked for and which are thrown away. */
@Component
class Rehearsal implements Rehearsed {
    private static final int TIMES = 30;

    private final KeptRows rows;
    private final ObjectMapper json;
    private final Validator validator;

    Rehearsal(KeptRows rows, ObjectMapper json, Validator validator) {
        this.rows = rows;
        this.json = json;
        this.validator = validator;
    }

    @Override
    public void rehearse(PlanVersion version) throws JsonProcessingException {
        for (String order : some(version.plan().points())) {
            consequence(version, Map.of("kind", "SPLIT", "orders", List.of(order), "into", 2));
        }
    }

    /** Planned orders from all over the company. */
    private static List<String> some(List<PointView> points) {
        List<String> orders = new ArrayList<>();
        int apart = Math.max(1, points.size() / TIMES);
        for (int p = 0; p < points.size(); p += apart) {
            PointView point = points.get(p);
            if (point.plannedOrderCount() > 0) {
                orders.add(OrderKey.of(point, point.plannedOrder(0)).text());
            }
        }
        return orders;
    }

    /** All that a request does between coming in and going out. */
    private byte[] consequence(PlanVersion version, Map<String, Object> request) throws JsonProcessingException {
        Wish wish = json.convertValue(request, Wish.class);
        validator.validate(wish);
        Proposal proposal = new Proposing(rows, version, wish, "", () -> "new").work();
        return json.writeValueAsBytes(Consequence.of(proposal));
    }
}
