package rescient.server.platform;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.DecimalNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/**
 * The one text for a content, whatever server writes it: names in order, numbers without zeros at their end, nothing that
 * is null. By it a repeated command is known to be the same one.
 */
@Component
public class Canonical {
    private final ObjectMapper json;

    public Canonical(ObjectMapper json) {
        this.json = json;
    }

    /** The text of a value. */
    public String text(Object value) {
        return write(ordered(json.valueToTree(value)));
    }

    /** Whether a text that was kept, perhaps in another order, means the same value. */
    public boolean same(String kept, Object value) {
        try {
            return write(ordered(json.readTree(kept))).equals(text(value));
        } catch (JsonProcessingException e) {
            return false;
        }
    }

    private String write(JsonNode node) {
        try {
            return json.writeValueAsString(node);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static JsonNode ordered(JsonNode node) {
        if (node.isObject()) {
            Map<String, JsonNode> fields = new TreeMap<>();
            for (Map.Entry<String, JsonNode> field : node.properties()) {
                if (!field.getValue().isNull()) {
                    fields.put(field.getKey(), ordered(field.getValue()));
                }
            }
            return new ObjectNode(JsonNodeFactory.instance, fields);
        }
        if (node.isArray()) {
            ArrayNode array = JsonNodeFactory.instance.arrayNode();
            node.forEach(element -> array.add(ordered(element)));
            return array;
        }
        if (node.isNumber()) {
            BigDecimal number = node.decimalValue().stripTrailingZeros();
            return DecimalNode.valueOf(number.scale() < 0 ? number.setScale(0) : number);
        }
        return node;
    }
}
