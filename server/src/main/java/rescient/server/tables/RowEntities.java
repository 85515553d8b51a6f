package rescient.server.tables;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.cfg.MapperConfig;
import com.fasterxml.jackson.databind.introspect.AnnotatedField;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import jakarta.persistence.Column;
import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import jakarta.persistence.FlushModeType;
import jakarta.persistence.Query;
import jakarta.persistence.Table;
import jakarta.persistence.metamodel.Attribute;
import jakarta.persistence.metamodel.EntityType;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Field;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Keeps rows through Hibernate: a row of a table becomes the entity of that table and back, column by column, as the entity
 * maps them.
 */
@Component
class RowEntities {
    private final EntityManager entities;
    private final ObjectMapper rows;
    /** Of the tables whose entity stands for itself. */
    private final Map<String, EntityType<?>> byTable = new HashMap<>();

    RowEntities(EntityManager entities, EntityManagerFactory factory) {
        this.entities = entities;
        this.rows = JsonMapper.builder()
                .addModule(new JavaTimeModule())
                .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
                .visibility(PropertyAccessor.ALL, JsonAutoDetect.Visibility.NONE)
                .visibility(PropertyAccessor.FIELD, JsonAutoDetect.Visibility.ANY)
                .propertyNamingStrategy(new Columns())
                .build();
        for (EntityType<?> type : factory.getMetamodel().getEntities()) {
            Table table = type.getJavaType().getAnnotation(Table.class);
            if (table != null && type.getAttributes().stream().noneMatch(Attribute::isAssociation)) {
                byTable.put(table.name(), type);
            }
        }
    }

    /** A column is named as the entity says, or else like the field. */
    private static final class Columns extends PropertyNamingStrategies.SnakeCaseStrategy {
        @Override
        public String nameForField(MapperConfig<?> config, AnnotatedField field, String name) {
            Column column = field.getAnnotation(Column.class);
            return column == null || column.name().isEmpty()
                    ? super.nameForField(config, field, name)
                    : column.name().replace("`", "");
        }
    }

    /** Whether rows of a table are kept so. */
    boolean keep(String table) {
        return byTable.containsKey(table);
    }

    /** The columns that the entity of a table maps, without the number that the database gives. */
    List<String> columns(String table) {
        List<String> columns = new ArrayList<>();
        for (Class<?> type = byTable.get(table).getJavaType(); type != Object.class; type = type.getSuperclass()) {
            for (Field field : type.getDeclaredFields()) {
                if (!field.isSynthetic() && !field.getName().equals("id")) {
                    columns.add(columnOf(field));
                }
            }
        }
        return columns;
    }

    private static String columnOf(Field field) {
        Column column = field.getAnnotation(Column.class);
        return column == null || column.name().isEmpty()
                ? PropertyNamingStrategies.SnakeCaseStrategy.INSTANCE.translate(field.getName())
                : column.name().replace("`", "");
    }

    /** So many keys stand in one question at most. */
    private static final int AT_ONCE = 100;

    /** Puts rows in the places of those that have their keys, or adds them; {@link #flush} writes them. */
    void put(String table, List<Map<String, String>> keys, List<JsonNode> become) {
        EntityType<?> type = byTable.get(table);
        for (int from = 0; from < keys.size(); from += AT_ONCE) {
            int to = Math.min(keys.size(), from + AT_ONCE);
            Map<List<String>, Object> present = present(type, keys.subList(from, to));
            for (int i = from; i < to; i++) {
                put(table, type, present.get(named(keys.get(i))), become.get(i));
            }
        }
    }

    private void put(String table, EntityType<?> type, Object present, JsonNode row) {
        try {
            if (present == null) {
                entities.persist(rows.treeToValue(row, type.getJavaType()));
            } else {
                rows.readerForUpdating(present).readValue(row);
            }
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A row of " + table + " does not fit its entity", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What stands under the keys: one question for all whose keys are texts, for they are known again by these. */
    private Map<List<String>, Object> present(EntityType<?> type, List<Map<String, String>> keys) {
        Map<List<String>, Object> present = new HashMap<>();
        List<Field> fields =
                keys.get(0).keySet().stream().map(column -> field(type, column)).toList();
        boolean texts = keys.size() > 1 && fields.stream().allMatch(field -> field.getType() == String.class);
        for (List<Map<String, String>> some :
                texts ? List.of(keys) : keys.stream().map(List::of).toList()) {
            for (Object entity : query("select e", type, some)
                    .setFlushMode(FlushModeType.COMMIT)
                    .getResultList()) {
                present.put(texts ? named(fields, entity) : named(some.get(0)), entity);
            }
        }
        return present;
    }

    private static List<String> named(Map<String, String> key) {
        return new ArrayList<>(key.values());
    }

    private static List<String> named(List<Field> fields, Object entity) {
        List<String> name = new ArrayList<>();
        for (Field field : fields) {
            try {
                name.add((String) field.get(entity));
            } catch (IllegalAccessException e) {
                throw new IllegalStateException(e);
            }
        }
        return name;
    }

    /** Takes away what has a key, at once. */
    void delete(String table, Map<String, String> key) {
        query("delete", byTable.get(table), List.of(key)).executeUpdate();
    }

    void flush() {
        entities.flush();
    }

    /** Of what has one of the keys, which have the same columns. */
    private Query query(String what, EntityType<?> type, List<Map<String, String>> keys) {
        List<String> either = new ArrayList<>();
        Map<String, Object> values = new HashMap<>();
        for (Map<String, String> key : keys) {
            List<String> conditions = new ArrayList<>();
            key.forEach((column, value) -> {
                Field field = field(type, column);
                String name = "k" + values.size();
                conditions.add("e." + field.getName() + (value == null ? " is null" : " = :" + name));
                if (value != null) {
                    values.put(name, rows.convertValue(value, field.getType()));
                }
            });
            either.add(String.join(" and ", conditions));
        }
        Query query = entities.createQuery(
                what + " from " + type.getName() + " e where (" + String.join(") or (", either) + ")");
        values.forEach(query::setParameter);
        return query;
    }

    private static Field field(EntityType<?> type, String column) {
        for (Class<?> of = type.getJavaType(); of != Object.class; of = of.getSuperclass()) {
            for (Field field : of.getDeclaredFields()) {
                if (columnOf(field).equals(column)) {
                    field.setAccessible(true);
                    return field;
                }
            }
        }
        throw new IllegalArgumentException(type.getName() + " has no column " + column);
    }
}
