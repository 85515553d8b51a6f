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
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hibernate.Session;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Keeps rows through Hibernate: a row of a table becomes the entity of that table and back, column by column, as the entity
 * maps them.
 */
@Component
class RowEntities {
    private final EntityManager entities;
    private final JdbcTemplate database;
    private final ObjectMapper rows;
    /** Of the tables whose entity stands for itself. */
    private final Map<String, EntityType<?>> byTable = new HashMap<>();

    RowEntities(EntityManager entities, EntityManagerFactory factory, JdbcTemplate database) {
        this.entities = entities;
        this.database = database;
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

    /** Puts rows in the places of those that have their keys, or adds them; {@link #flush} writes them. */
    void put(String table, List<Map<String, String>> keys, List<JsonNode> become) {
        EntityType<?> type = byTable.get(table);
        List<?> present = present(table, type, keys);
        for (int i = 0; i < keys.size(); i++) {
            put(table, type, present.get(i), become.get(i));
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

    /** What stands under each key, null where nothing does; two questions for all of them, however many. */
    private List<?> present(String table, EntityType<?> type, List<Map<String, String>> keys) {
        if (!numbered(type)) {
            List<Object> present = new ArrayList<>();
            for (Map<String, String> key : keys) {
                List<?> one = query("select e", type, key)
                        .setFlushMode(FlushModeType.COMMIT)
                        .getResultList();
                present.add(one.isEmpty() ? null : one.get(0));
            }
            return present;
        }
        Map<Integer, Long> ids = ids(table, keys);
        List<Integer> places = List.copyOf(ids.keySet());
        List<?> found = entities.unwrap(Session.class)
                .byMultipleIds(type.getJavaType())
                .multiLoad(places.stream().map(ids::get).toList());
        Object[] present = new Object[keys.size()];
        for (int i = 0; i < places.size(); i++) {
            present[places.get(i)] = found.get(i);
        }
        return Arrays.asList(present);
    }

    /** Takes away what has one of these keys, at once. */
    void delete(String table, List<Map<String, String>> keys) {
        EntityType<?> type = byTable.get(table);
        if (!numbered(type)) {
            keys.forEach(key -> query("delete", type, key).executeUpdate());
            return;
        }
        Map<Integer, Long> ids = ids(table, keys);
        if (!ids.isEmpty()) {
            entities.createQuery("delete from " + type.getName() + " e where e.id in (:ids)")
                    .setParameter("ids", ids.values())
                    .executeUpdate();
        }
    }

    /** Whether the database numbers the rows, so that they are found by what it gave. */
    private static boolean numbered(EntityType<?> type) {
        return type.hasSingleIdAttribute()
                && type.getIdType().getJavaType() == Long.class
                && type.getId(Long.class).getName().equals("id");
    }

    /** What texts are told as, of columns that are none; moments have several forms and are told as they are kept. */
    private static final Map<Class<?>, String> TOLD = Map.of(
            BigDecimal.class, "numeric", LocalDate.class, "date", Integer.class, "integer", Long.class, "bigint");

    /** When a column has the value that a key tells; nothing and no are the same. */
    private static String same(String column, String told, Class<?> type, boolean always) {
        if (type == Boolean.class) {
            return "(" + column + " is true) = (" + told + " is not null)";
        }
        String value = TOLD.containsKey(type) ? told + "::" + TOLD.get(type) : told;
        String kept = TOLD.containsKey(type) ? column : column + "::text";
        return kept + (always ? " = " : " is not distinct from ") + value;
    }

    /** The numbers of the rows under the keys, which have the same columns, by the place of the key. */
    private Map<Integer, Long> ids(String table, List<Map<String, String>> keys) {
        List<String> columns = List.copyOf(keys.get(0).keySet());
        List<String> same = new ArrayList<>();
        List<Object> values = new ArrayList<>();
        for (int c = 0; c < columns.size(); c++) {
            String column = columns.get(c);
            String[] texts = keys.stream().map(key -> key.get(column)).toArray(String[]::new);
            values.add(texts);
            boolean all = Stream.of(texts).noneMatch(Objects::isNull);
            same.add(same(
                    "t.\"" + column + "\"",
                    "k.c" + c,
                    field(byTable.get(table), column).getType(),
                    all));
        }
        String named = IntStream.range(0, columns.size()).mapToObj(c -> "c" + c).collect(Collectors.joining(", "));
        String sql = "select k.n - 1, t.id from unnest("
                + columns.stream().map(column -> "?::text[]").collect(Collectors.joining(", "))
                + ") with ordinality as k (" + named + ", n) join " + table + " t on " + String.join(" and ", same);
        Map<Integer, Long> ids = new LinkedHashMap<>();
        database.query(
                sql,
                row -> {
                    ids.put(row.getInt(1), row.getLong(2));
                },
                values.toArray());
        return ids;
    }

    void flush() {
        entities.flush();
    }

    private Query query(String what, EntityType<?> type, Map<String, String> key) {
        List<String> conditions = new ArrayList<>();
        Map<String, Object> values = new HashMap<>();
        key.forEach((column, value) -> {
            Field field = field(type, column);
            String name = "k" + values.size();
            conditions.add("e." + field.getName() + (value == null ? " is null" : " = :" + name));
            if (value != null) {
                values.put(name, rows.convertValue(value, field.getType()));
            }
        });
        Query query =
                entities.createQuery(what + " from " + type.getName() + " e where " + String.join(" and ", conditions));
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
