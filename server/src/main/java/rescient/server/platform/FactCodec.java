package rescient.server.platform;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.dataset.Column;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Changed rows as JSON and back, for every table by its definition: columns by name, those that are empty left out. */
@Component
public class FactCodec {
    private final ObjectMapper json;

    FactCodec(ObjectMapper json) {
        this.json = json;
    }

    /** Rows of one table as a text. */
    String text(List<Row> rows) {
        try {
            return json.writeValueAsString(rows.stream().map(FactCodec::written).toList());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Rows of a table from their text. */
    List<Row> rows(Table table, String text) {
        try {
            return json.readValue(text, new TypeReference<List<Map<String, String>>>() {}).stream()
                    .map(cells -> Row.of(table, cells))
                    .toList();
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, String> written(Row row) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (Column column : row.table().columns()) {
            String value = row.text(column.name());
            if (value != null) {
                cells.put(column.name(), value);
            }
        }
        return cells;
    }

    /** A row of a table from what the database says of it; columns that a dataset does not know are left out. */
    public static Row row(Table table, JsonNode cells) {
        Map<String, String> values = new HashMap<>();
        for (Column column : table.columns()) {
            JsonNode value = cells.path(column.name());
            if (!value.isMissingNode() && !value.isNull()) {
                values.put(
                        column.name(),
                        value.isNumber()
                                ? value.decimalValue().stripTrailingZeros().toPlainString()
                                : value.asText());
            }
        }
        return Row.of(table, values);
    }
}
