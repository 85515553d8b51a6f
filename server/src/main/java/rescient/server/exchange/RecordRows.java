package rescient.server.exchange;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.Dataset;
import rescient.dataset.RecordTables;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.RowCells;
import rescient.server.platform.Today;

/** The stock record as rows of a dataset: out of the database, and into it when a company is loaded. */
@Component
public class RecordRows {
    /** Of each table, the rows with the names of its columns. */
    private static final Map<String, String> READ = Map.ofEntries(
            Map.entry(
                    "closed_orders",
                    "select o.number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity,"
                            + " l.due_date, l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line,"
                            + " l.unit, l.unit_price as price, l.scrapped, l.confirmed_date, l.split_of, l.state,"
                            + " l.purchase_state, l.sent_date, l.first_confirmed_date, l.closed_date from supply_order_lines l join supply_orders o on o.number ="
                            + " l.order_number where l.closed_date is not null order by o.number, l.line"),
            Map.entry(
                    "closed_order_components",
                    "select c.order_number as number, c.line, c.component, c.quantity, c.needed_date, c.step, c.planned,"
                            + " c.issued, c.used, c.value, c.per, c.issue, l.closed_date from supply_order_components c join"
                            + " supply_order_lines l on l.order_number = c.order_number and l.line = c.line where"
                            + " l.closed_date is not null order by 1, 2, c.id"),
            Map.entry(
                    "postings",
                    "select key, date, reverses, sentence, person, to_char(at at time zone 'UTC',"
                            + " 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') as entered from postings order by at, key"),
            Map.entry(
                    "posting_steps",
                    "select p.key, s.place, lower(s.step ->> 'kind') as kind, s.step ->> 'number' as number, s.step ->>"
                            + " 'line' as line, s.step ->> 'what' as what, s.step ->> 'item' as item, s.step ->> 'lot' as"
                            + " lot, s.step ->> 'serial' as serial, s.step ->> 'site' as site, (s.step ->> 'step')::int as"
                            + " step, (s.step ->> 'a')::numeric as a, (s.step ->> 'b')::numeric as b, (s.step ->>"
                            + " 'c')::numeric as c from postings p, jsonb_array_elements(p.steps::jsonb) with ordinality as"
                            + " s (step, place) where p.steps is not null order by p.at, p.key, s.place"),
            Map.entry(
                    "movements",
                    "select number as movement, key, date, kind, item, site, lot, serial, quarantined, quantity, value,"
                            + " document, order_number as number, order_line as line, reverses, reason, person,"
                            + " to_char(entered at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') as entered from"
                            + " movements order by 1"),
            Map.entry("stock_values", "select item, site, value from stock_values order by 1, 2"),
            Map.entry(
                    "stock_layers",
                    "select item, site, lot, serial, date, number, quantity, value from stock_layers order by 1, 2, 3, 4, 5,"
                            + " 6"),
            Map.entry(
                    "order_costs",
                    "select number, line, material, work, outside, put_out, variance from order_costs order by 1, 2"),
            Map.entry(
                    "order_steps",
                    "select number, line, step, reported, scrapped, booked, minutes from order_steps order by 1, 2, 3"),
            Map.entry(
                    "in_transit",
                    "select number, line, lot, serial, quantity, value, expiry from in_transit order by 1, 2, 3, 4"),
            Map.entry("usage", "select item, site, date, number, line, quantity from usage order by 1, 2, 3, 4, 5"),
            Map.entry(
                    "receipts",
                    "select number, line, received_date, supplier, item, site, ordered_date, first_confirmed_date, quantity"
                            + " from receipts order by 1, 2, 3"));

    /** Of each table, the columns that hold an empty text where nothing is said. */
    private static final Map<String, String> NEVER_NULL =
            Map.of("stock_layers", "lot, serial", "order_steps", "step", "in_transit", "lot, serial", "usage", "line");

    private final JdbcTemplate database;
    private final Today today;

    RecordRows(JdbcTemplate database, Today today) {
        this.database = database;
        this.today = today;
    }

    /** The same company with its record, as it is now. */
    public Dataset with(Dataset dataset) {
        Dataset whole = dataset;
        for (Table table : RecordTables.ALL) {
            // lines of customer orders that are done stand with the others here
            if (!READ.containsKey(table.name())) {
                continue;
            }
            whole = whole.with(
                    table.name(), database.query(READ.get(table.name()), (row, i) -> Row.of(table, RowCells.of(row))));
        }
        return whole;
    }

    /** Puts the record of a dataset into the tables, which are empty; the company is there already. */
    void fill(Connection connection, Dataset dataset) throws SQLException {
        List<Row> movements = dataset.rows("movements");
        KeptPostings postings = new KeptPostings(dataset, today.now());
        copy(connection, "postings (key, date, sentence, person, at, reverses, steps)", postings.rows());
        copy(connection, "posting_orders (number, key)", postings.orders());
        copy(
                connection,
                "movements (number, key, date, kind, item, site, lot, serial, quarantined, quantity, value, document,"
                        + " order_number, order_line, reverses, reason, person, entered)",
                movements.stream().map(this::movement));
        copy(connection, "stock_values (item, site, value)", texts(dataset, "stock_values", "item", "site", "value"));
        copy(
                connection,
                "stock_layers (item, site, lot, serial, date, number, quantity, value)",
                texts(dataset, "stock_layers", "item", "site", "lot", "serial", "date", "number", "quantity", "value"));
        copy(
                connection,
                "order_costs (number, line, material, work, outside, put_out, variance)",
                dataset.rows("order_costs").stream()
                        .map(row -> Stream.of("number", "line", "material", "work", "outside", "put_out", "variance")
                                .map(column -> row.text(column, "0"))
                                .toList()));
        copy(
                connection,
                "order_steps (number, line, step, reported, scrapped, booked, minutes)",
                texts(dataset, "order_steps", "number", "line", "step", "reported", "scrapped", "booked", "minutes"));
        copy(
                connection,
                "in_transit (number, line, lot, serial, quantity, value, expiry)",
                texts(dataset, "in_transit", "number", "line", "lot", "serial", "quantity", "value", "expiry"));
        copy(
                connection,
                "usage (item, site, date, number, line, quantity)",
                texts(dataset, "usage", "item", "site", "date", "number", "line", "quantity"));
        copy(
                connection,
                "receipts (number, line, received_date, supplier, item, site, ordered_date, first_confirmed_date, quantity)",
                texts(
                        dataset,
                        "receipts",
                        "number",
                        "line",
                        "received_date",
                        "supplier",
                        "item",
                        "site",
                        "ordered_date",
                        "first_confirmed_date",
                        "quantity"));
    }

    private static Stream<List<String>> texts(Dataset dataset, String table, String... columns) {
        return dataset.rows(table).stream()
                .map(row ->
                        Stream.of(columns).map(column -> row.text(column, "")).toList());
    }

    private List<String> movement(Row row) {
        return List.of(
                row.text("movement"),
                KeptPostings.key(row.text("key")),
                row.text("date"),
                row.text("kind"),
                row.text("item"),
                row.text("site"),
                row.text("lot", ""),
                row.text("serial", ""),
                row.text("quarantined", "false"),
                row.text("quantity"),
                row.text("value"),
                row.text("document", ""),
                row.text("number", ""),
                row.text("line", ""),
                row.text("reverses", ""),
                row.text("reason", ""),
                row.text("person", "unknown"),
                KeptPostings.entered(row, today.now()));
    }

    /** What is empty is not set, but for the parts of the key of a layer. */
    private static void copy(Connection connection, String into, Stream<List<String>> rows) throws SQLException {
        String texts = NEVER_NULL.get(into.substring(0, into.indexOf(' ')));
        String never = texts == null ? "" : ", force_not_null (" + texts + ")";
        String command = "copy " + into + " from stdin (format csv" + never + ")";
        try (CsvWriter csv = CsvWriter.builder()
                .build(new OutputStreamWriter(
                        new PGCopyOutputStream(connection.unwrap(PGConnection.class), command),
                        StandardCharsets.UTF_8))) {
            rows.forEach(csv::writeRecord);
        } catch (IOException e) {
            throw new SQLException(e);
        }
    }
}
