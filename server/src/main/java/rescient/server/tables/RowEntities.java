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

    /** Puts a row in the place of the one that has a key, or adds it; {@link #flush} writes it. */
    void put(String table, Map<String, String> key, JsonNode row) {
        EntityType<?> type = byTable.get(table);
        List<?> present =
                query("select e", type, key).setFlushMode(FlushModeType.COMMIT).getResultList();
        try {
            if (present.isEmpty()) {
                entities.persist(rows.treeToValue(row, type.getJavaType()));
            } else {
                rows.readerForUpdating(present.get(0)).readValue(row);
            }
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A row of " + table + " does not fit its entity", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Takes away what has a key, at once. */
    void delete(String table, Map<String, String> key) {
        query("delete", byTable.get(table), key).executeUpdate();
    }

    void flush() {
        entities.flush();
    }

    private Query query(String what, EntityType<?> type, Map<String, String> key) {
        List<String> conditions = new ArrayList<>();
        Map<String, Object> values = new HashMap<>();
        for (Map.Entry<String, String> one : key.entrySet()) {
            String name = "k" + conditions.size();
            conditions.add(
                    "e." + attribute(type, one.getKey()) + (one.getValue() == null ? " is null" : " = :" + name));
            if (one.getValue() != null) {
                Class<?> kind = type.getAttribute(attribute(type, one.getKey())).getJavaType();
                values.put(name, rows.convertValue(one.getValue(), kind));
            }
        }
        Query query =
                entities.createQuery(what + " from " + type.getName() + " e where " + String.join(" and ", conditions));
        values.forEach(query::setParameter);
        return query;
    }

    private static String attribute(EntityType<?> type, String column) {
        for (Class<?> of = type.getJavaType(); of != Object.class; of = of.getSuperclass()) {
            for (Field field : of.getDeclaredFields()) {
                if (columnOf(field).equals(column)) {
                    return field.getName();
                }
            }
        }
        throw new IllegalArgumentException(type.getName() + " has no column " + column);
    }
}
