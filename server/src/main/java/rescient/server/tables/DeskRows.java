package rescient.server.tables;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.Column;
import rescient.dataset.DeskTables;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.FactCodec;
import rescient.server.platform.Nullable;
import rescient.server.platform.RowCells;

/** Reads what the application keeps beside the company: {@link DeskTables}. */
@Component
public class DeskRows {
    private static final Table OPEN_ORDERS = Table.named("open_orders");

    private final KeptRows kept;
    private final JdbcTemplate database;

    DeskRows(KeptRows kept, JdbcTemplate database) {
        this.kept = kept;
        this.database = database;
    }

    /** The row of a key, by the key's columns in their order, or null. */
    public Row row(Table table, String... key) {
        Map<String, String> columns = new LinkedHashMap<>();
        List<Column> ofKey = table.columns().stream().filter(Column::key).toList();
        for (int i = 0; i < key.length; i++) {
            columns.put(ofKey.get(i).name(), key[i]);
        }
        for (JsonNode cells : kept.read(table.name(), columns)) {
            return inOneForm(FactCodec.row(table, cells));
        }
        return null;
    }

    /** The row that has the key of another now, or null. */
    Row present(Row like) {
        return row(
                like.table(),
                like.table().columns().stream()
                        .filter(Column::key)
                        .map(column -> like.text(column.name()))
                        .toArray(String[]::new));
    }

    /** A moment has one form, whoever wrote it. */
    private static Row inOneForm(Row row) {
        Row formed = row;
        for (Column column : row.table().columns()) {
            String text = row.text(column.name());
            if (column.name().endsWith("_at") && text != null) {
                formed = formed.with(
                        column.name(), moment(OffsetDateTime.parse(text).toInstant()));
            }
        }
        return formed;
    }

    /** A moment as rows hold it, as exactly as the database does. */
    public static String moment(java.time.Instant moment) {
        return moment.truncatedTo(ChronoUnit.MICROS).toString();
    }

    /** The rows of a table with a value in a column. */
    public List<Row> rows(Table table, String column, String value) {
        List<Row> rows = new ArrayList<>();
        for (JsonNode cells : kept.read(table.name(), Map.of(column, value))) {
            rows.add(inOneForm(FactCodec.row(table, cells)));
        }
        return rows;
    }

    /** What is kept with the number of an order, or null if there is no such order or nothing is. */
    Row head(String number) {
        return row(DeskTables.ORDER_HEADS, number);
    }

    /**
     * What came of a supplier and stayed, by line of his orders, done ones among them, also if all of it went back: rows of open orders
     * whose quantity is what was received less what went back, in the item's unit.
     */
    public List<Row> received(String supplier) {
        return database.query("""
                select o.number, l.line, o.kind, l.stage, l.item, o.site, o.supplier, m.received::text as quantity,
                       l.due_date::text, coalesce(l.ordered, m.received)::text as ordered, l.unit, l.unit_price::text as price
                from (select order_number, order_line, sum(quantity) as received
                      from movements
                      where order_number in (select number from supply_orders where supplier = ?)
                        and document in ('buy', 'subcontract')
                        and kind in ('receipt', 'supplier_return')
                      group by order_number, order_line) m
                    join supply_orders o on o.number = m.order_number
                    join supply_order_lines l on l.order_number = m.order_number and l.line = m.order_line
                where m.received >= 0
                order by o.number, l.line
                """, (row, at) -> Row.of(OPEN_ORDERS, RowCells.of(row)), supplier);
    }

    /** The supplier of an order, done or not; null: it has none, or there is no such order. */
    @Nullable
    public String supplier(String number) {
        return database
                .queryForList("select supplier from supply_orders where number = ?", String.class, number)
                .stream()
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /**
     * What was shipped of a line of a customer order, less what came back, by the stock record. Of a kit in kits, whatever
     * {@linkplain #partsBack came back} of its parts.
     */
    public record Shipped(String number, String line, BigDecimal quantity) {}

    /** @param numbers of customer orders; null: of all */
    public List<Shipped> shipped(@Nullable Collection<String> numbers) {
        String[] asked = numbers == null ? null : numbers.toArray(String[]::new);
        return database.query(
                """
                with moved as (
                    select m.order_number, m.order_line, m.item, -sum(m.quantity) as quantity, min(m.date) as since
                    from movements m
                    where m.kind in ('shipment', 'customer_return') and m.document = 'customer_order'
                        and (?::text[] is null or m.order_number = any (?))
                    group by 1, 2, 3)
                select c.number, c.line,
                       case when bool_or(m.item <> c.item)
                            then (select coalesce(sum(s.quantity), 0) from shipments s
                                  where s.number = c.number and s.line = c.line and s.date >= min(m.since))
                            else sum(m.quantity) end as quantity
                from customer_orders c join moved m on m.order_number = c.number and m.order_line = c.line
                group by c.number, c.line, c.item
                order by c.number, c.line
                """, (row, at) -> new Shipped(row.getString(1), row.getString(2), row.getBigDecimal(3)), asked, asked);
    }

    /** A part of a kit that came back: the kit was shipped and is charged whole. */
    public record PartBack(String number, String line, String item, BigDecimal quantity) {}

    /** @param numbers of customer orders */
    public List<PartBack> partsBack(Collection<String> numbers) {
        return database.query(
                """
                select c.number, c.line, m.item, sum(m.quantity) as quantity
                from movements m join customer_orders c on c.number = m.order_number and c.line = m.order_line
                where m.kind = 'customer_return' and m.document = 'customer_order' and m.order_number = any (?)
                    and m.item <> c.item
                group by 1, 2, 3
                having sum(m.quantity) > 0
                order by 1, 2, 3
                """,
                (row, at) -> new PartBack(row.getString(1), row.getString(2), row.getString(3), row.getBigDecimal(4)),
                (Object) numbers.toArray(String[]::new));
    }

    /** Numbers of orders of which something is to be asked of the supplier that he was not asked yet. */
    public Set<String> toAsk() {
        return Set.copyOf(database.queryForList(
                "select distinct r.order_number from change_requests r join supply_order_lines l on l.order_number ="
                        + " r.order_number and l.line = r.line where r.sent_at is null and l.closed_date is null",
                String.class));
    }

    /** The site of an order, done or not. */
    public Optional<String> site(String number) {
        return database.queryForList("select site from supply_orders where number = ?", String.class, number).stream()
                .findFirst();
    }

    /** The names of an order's lines that are done, and stay. */
    List<String> doneLines(String number) {
        return database.queryForList(
                "select line from supply_order_lines where order_number = ? and closed_date is not null",
                String.class,
                number);
    }
}
