package rescient.server.stock;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.stock.Books;
import rescient.core.stock.DocumentStep;
import rescient.core.stock.EarlierPosting;
import rescient.core.stock.Movement;
import rescient.core.stock.SupplyLine;
import rescient.dataset.KeptRecord;
import rescient.dataset.Postings;
import rescient.dataset.Row;
import rescient.server.commands.Turn;
import rescient.server.platform.RowCells;

/** The stock record in the database, as postings are carried out on it: movements, what stock is worth, what orders cost. */
@Component
class KeptMovements implements KeptRecord {
    private static final String MOVEMENTS =
            "select number as movement, key, date, kind, item, site, lot, serial, quarantined,"
                    + " quantity, value, document, order_number as number, order_line as line, reverses, reason, person, entered"
                    + " from movements ";
    private static final String ORDERS =
            "select o.number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier,"
                    + " l.quantity, l.due_date, l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line,"
                    + " l.unit, l.unit_price as price, l.scrapped, l.confirmed_date, l.split_of, l.state, l.purchase_state, l.sent_date,"
                    + " l.first_confirmed_date%s"
                    + " from supply_order_lines l join supply_orders o on o.number = l.order_number"
                    + " where o.number = any (?) and l.closed_date is %s null order by l.id";
    private static final String COMPONENTS =
            "select c.order_number as number, c.line, c.component, c.quantity, c.needed_date, c.step, c.planned, c.issued,"
                    + " c.used, c.value, c.per, c.issue%s from supply_order_components c join supply_order_lines l on"
                    + " l.order_number = c.order_number and l.line = c.line where c.order_number = any (?) and"
                    + " l.closed_date is %s null order by c.id";

    private static final List<String> PARTS = List.of(
            "component", "quantity", "needed_date", "step", "planned", "issued", "used", "value", "per", "issue");
    private static final List<String> COSTS = List.of("material", "work", "outside", "put_out", "variance");
    private static final List<String> STEPS = List.of("step", "reported", "scrapped", "booked", "minutes");
    private static final Map<String, List<String>> HISTORY = Map.of(
            "usage", List.of("item", "site", "date", "quantity"),
            "receipts",
                    List.of(
                            "received_date",
                            "supplier",
                            "item",
                            "site",
                            "ordered_date",
                            "first_confirmed_date",
                            "quantity"));
    private static final List<String> TRANSIT = List.of("lot", "serial", "quantity", "value", "expiry");
    /** Of columns that hold no numbers. */
    private static final Map<String, String> TYPES = Map.ofEntries(
            Map.entry("component", "text"),
            Map.entry("step", "text"),
            Map.entry("per", "text"),
            Map.entry("issue", "text"),
            Map.entry("lot", "text"),
            Map.entry("serial", "text"),
            Map.entry("needed_date", "date"),
            Map.entry("expiry", "date"),
            Map.entry("item", "text"),
            Map.entry("site", "text"),
            Map.entry("supplier", "text"),
            Map.entry("date", "date"),
            Map.entry("received_date", "date"),
            Map.entry("ordered_date", "date"),
            Map.entry("first_confirmed_date", "date"));
    /** Empty where nothing is said. */
    private static final Set<String> TEXTS = Set.of("step", "lot", "serial", "supplier");

    private final JdbcTemplate database;
    private final EntityManager entities;
    private final OrderPostings orders;
    private final ObjectMapper json;

    KeptMovements(JdbcTemplate database, EntityManager entities, OrderPostings orders, ObjectMapper json) {
        this.orders = orders;
        this.json = json.copy().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS);
        this.database = database;
        this.entities = entities;
    }

    @Override
    public long last() {
        return Objects.requireNonNull(
                database.queryForObject("select coalesce(max(number), 0) from movements", Long.class));
    }

    @Override
    public List<Row> movementsOf(Collection<String> keys) {
        UUID[] all = keys.stream().map(UUID::fromString).toArray(UUID[]::new);
        return all.length == 0
                ? List.of()
                : rows("movements", MOVEMENTS + "where key = any (?) order by number", (Object) all);
    }

    @Override
    public List<Row> movementsOn(Collection<String> numbers) {
        return numbers.isEmpty()
                ? List.of()
                : rows("movements", MOVEMENTS + "where order_number = any (?) order by number", texts(numbers));
    }

    @Override
    public List<Row> movementsAfter(Collection<String> items, LocalDate day) {
        return items.isEmpty()
                ? List.of()
                : rows("movements", MOVEMENTS + "where item = any (?) and date > ? order by number", texts(items), day);
    }

    @Override
    public List<Row> ofItems(String table, Collection<String> items) {
        String columns = table.equals("stock_values")
                ? "item, site, value"
                : "item, site, lot, serial, date, number, quantity, value";
        return rows(table, "select " + columns + " from " + table + " where item = any (?)", texts(items));
    }

    @Override
    public List<Row> ofOrders(String table, Collection<String> numbers) {
        if (numbers.isEmpty()) {
            return List.of();
        }
        String sql = switch (table) {
            case "open_orders" -> String.format(ORDERS, "", "");
            case "closed_orders" -> String.format(ORDERS, ", l.closed_date", "not");
            case "open_order_components" -> String.format(COMPONENTS, "", "");
            case "closed_order_components" -> String.format(COMPONENTS, ", l.closed_date", "not");
            case "order_steps" ->
                "select number, line, step, reported, scrapped, booked, minutes from order_steps where number = any (?)";
            case "in_transit" ->
                "select number, line, lot, serial, quantity, value, expiry from in_transit where number = any (?)";
            case "usage" -> "select item, site, date, number, line, quantity from usage where number = any (?)";
            case "receipts" ->
                "select number, line, received_date, supplier, item, site, ordered_date, first_confirmed_date, quantity"
                        + " from receipts where number = any (?)";
            default ->
                "select number, line, material, work, outside, put_out, variance from order_costs where number = any (?)";
        };
        return rows(table, sql, texts(numbers));
    }

    @Override
    public List<EarlierPosting> did(Collection<String> keys) {
        return keys.isEmpty()
                ? List.of()
                : database.query(
                        "select p.key, p.date, p.reverses is not null, exists (select from postings r where r.reverses = p.key),"
                                + " p.steps from postings p where p.key = any (?::uuid[])",
                        (row, i) -> new EarlierPosting(
                                row.getString(1),
                                row.getDate(2).toLocalDate(),
                                row.getBoolean(3),
                                row.getBoolean(4),
                                steps(row.getString(5))),
                        texts(keys));
    }

    private List<DocumentStep> steps(String text) {
        try {
            return text == null ? null : json.readValue(text, new TypeReference<List<DocumentStep>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public List<String> hangingOn(Collection<String> customerOrders) {
        return customerOrders.isEmpty()
                ? List.of()
                : database.queryForList(
                        "select distinct l.order_number from supply_order_lines l join supply_orders o on o.number ="
                                + " l.order_number where l.for_order = any (?) and o.kind = 'assemble'",
                        String.class,
                        texts(customerOrders));
    }

    private static Object texts(Collection<String> texts) {
        return texts.toArray(String[]::new);
    }

    private List<Row> rows(String table, String sql, Object... arguments) {
        return database.query(sql, (row, i) -> KeptRecord.row(table, RowCells.of(row)), arguments);
    }

    /** When orders were given out; of some nobody knows. */
    Map<String, Instant> released(Collection<String> numbers) {
        Map<String, Instant> released = new HashMap<>();
        database.query(
                "select number, created_at from supply_orders where number = any (?) and created_at is not null",
                row -> {
                    released.put(row.getString(1), row.getTimestamp(2).toInstant());
                },
                texts(numbers));
        return released;
    }

    Optional<PostingRecord> posting(UUID key) {
        return key == null ? Optional.empty() : Optional.ofNullable(entities.find(PostingRecord.class, key));
    }

    /** Keeps what a posting did, but for the rows of stock. */
    void keep(Turn turn, Postings postings, PostingRecord posting) {
        entities.persist(posting);
        postings.movements().forEach(movement -> entities.persist(record(turn, posting, movement)));
        entities.flush();
        orders.keep(postings, posting);
        values(postings);
        for (SupplyLine line : postings.lines()) {
            String number = line.order().number();
            String name = line.order().line();
            database.update(
                    "update supply_order_lines set quantity = ?, closed_date = ?, scrapped = ?, start_quantity = ? where"
                            + " order_number = ? and line = ?",
                    line.open(),
                    line.ended(),
                    line.scrapped(),
                    line.order().started(),
                    number,
                    name);
            String components = line.ended() == null ? "open_order_components" : "closed_order_components";
            replace("supply_order_components", "order_number", PARTS, number, name, postings.record(components, line));
            replace("order_steps", "number", STEPS, number, name, postings.record("order_steps", line));
            replace("in_transit", "number", TRANSIT, number, name, postings.record("in_transit", line));
            replace("order_costs", "number", COSTS, number, name, postings.record("order_costs", line));
        }
        history(postings);
    }

    private void history(Postings postings) {
        HISTORY.forEach((table, columns) -> postings.history(table)
                .forEach((line, rows) -> replace(table, "number", columns, line.get(0), line.get(1), rows)));
    }

    /** Puts the rows of a line in the place of those that it had. */
    private void replace(
            String table, String numbered, List<String> columns, String number, String line, List<Row> rows) {
        database.update("delete from " + table + " where " + numbered + " = ? and line = ?", number, line);
        String values = columns.stream()
                .map(column -> "?::" + TYPES.getOrDefault(column, "numeric"))
                .collect(Collectors.joining(", "));
        database.batchUpdate(
                "insert into " + table + " (" + numbered + ", line, " + String.join(", ", columns) + ") values (?, ?, "
                        + values + ")",
                rows.stream()
                        .map(row -> Stream.concat(
                                        Stream.of(number, line),
                                        columns.stream()
                                                .map(column -> TEXTS.contains(column)
                                                        ? row.text(column, "")
                                                        : row.text(column)))
                                .toArray())
                        .toList());
    }

    private static MovementRecord record(Turn turn, PostingRecord posting, Movement movement) {
        MovementRecord record = new MovementRecord();
        record.number = movement.number();
        record.key = posting.key;
        record.date = movement.date();
        record.kind = movement.kind().code();
        record.item = movement.bin().item();
        record.site = movement.bin().site();
        record.lot = movement.bin().lot().isEmpty() ? null : movement.bin().lot();
        record.serial =
                movement.bin().serial().isEmpty() ? null : movement.bin().serial();
        record.quarantined = movement.bin().quarantined();
        record.quantity = movement.quantity();
        record.value = movement.value();
        if (movement.document() != null) {
            record.document = movement.document().kind();
            record.orderNumber = movement.document().number();
            record.orderLine = movement.document().line();
        }
        record.reverses = movement.reverses();
        record.reason = movement.reason();
        record.person = posting.person;
        record.entered = turn.now();
        return record;
    }

    /** What the stock points that it touched are worth then, with their layers. */
    private void values(Postings postings) {
        Collection<Books.Point> points = postings.points();
        List<Object[]> values = new ArrayList<>();
        List<Object[]> layers = new ArrayList<>();
        for (Books.Point point : points) {
            values.add(new Object[] {
                point.item(), point.site(), postings.amount(point).value()
            });
            postings.layers(point).forEach((place, some) -> {
                int zero = place.indexOf('\0');
                some.forEach(layer -> layers.add(new Object[] {
                    point.item(),
                    point.site(),
                    place.substring(0, zero),
                    place.substring(zero + 1),
                    layer.date(),
                    layer.number(),
                    layer.quantity(),
                    layer.value()
                }));
            });
        }
        database.batchUpdate(
                "insert into stock_values (item, site, value) values (?, ?, ?) on conflict (item, site) do update set"
                        + " value = excluded.value",
                values);
        database.update(
                "delete from stock_layers l using unnest(?::text[], ?::text[]) as p (item, site) where l.item = p.item and"
                        + " l.site = p.site",
                points.stream().map(Books.Point::item).toArray(String[]::new),
                points.stream().map(Books.Point::site).toArray(String[]::new));
        database.batchUpdate(
                "insert into stock_layers (item, site, lot, serial, date, number, quantity, value)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?)",
                layers);
    }
}
