package rescient.dataset;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The description of a dataset in the open Data Package and Table Schema standards, from the table definitions. */
final class DataPackage {
    private static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private DataPackage() {}

    /** The {@code datapackage.json} of a dataset that has these tables. */
    static String describe(List<Table> tables) {
        Map<String, Object> about = new LinkedHashMap<>();
        about.put("profile", "tabular-data-package");
        about.put("name", "rescient-dataset");
        about.put("title", "A company to be planned");
        about.put("resources", tables.stream().map(DataPackage::resource).toList());
        try {
            return JSON.writeValueAsString(about).replace("\r\n", "\n") + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, Object> resource(Table table) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("fields", table.columns().stream().map(c -> field(table, c)).toList());
        schema.put("missingValues", List.of(""));
        // a key column that may be empty cannot be part of a primary key there
        if (table.columns().stream().noneMatch(c -> c.key() && !c.required())) {
            schema.put(
                    "primaryKey",
                    table.columns().stream()
                            .filter(Column::key)
                            .map(Column::name)
                            .toList());
        }
        List<Map<String, Object>> references = table.columns().stream()
                .filter(c -> c.references() != null)
                .map(DataPackage::reference)
                .toList();
        if (!references.isEmpty()) {
            schema.put("foreignKeys", references);
        }
        Map<String, Object> resource = new LinkedHashMap<>();
        resource.put("name", table.name());
        resource.put("path", table.name() + ".csv");
        resource.put("profile", "tabular-data-resource");
        resource.put("encoding", "utf-8");
        resource.put("schema", schema);
        return resource;
    }

    private static Map<String, Object> reference(Column column) {
        Map<String, Object> to = new LinkedHashMap<>();
        to.put("resource", column.references());
        to.put(
                "fields",
                List.of(Table.named(column.references()).columns().get(0).name()));
        Map<String, Object> reference = new LinkedHashMap<>();
        reference.put("fields", List.of(column.name()));
        reference.put("reference", to);
        return reference;
    }

    private static Map<String, Object> field(Table table, Column column) {
        Map<String, Object> constraints = new LinkedHashMap<>();
        if (column.required()) {
            constraints.put("required", true);
        }
        String type = column.type().describe(constraints);
        Map<String, Object> field = new LinkedHashMap<>();
        field.put("name", column.name());
        field.put("type", type);
        field.put("description", Meanings.of(table, column));
        if (!constraints.isEmpty()) {
            field.put("constraints", constraints);
        }
        return field;
    }
}
