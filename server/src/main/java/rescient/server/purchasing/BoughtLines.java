package rescient.server.purchasing;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.order.DeliveredLine;
import rescient.core.order.DeliveredLine.Bought;
import rescient.core.order.DeliveredLine.Came;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderValue;
import rescient.server.platform.RowCells;

/** Lines of purchase orders with what came of them, from the record: orders that are done, movements, and receipts before it. */
@Component
class BoughtLines {
    private static final String LINES =
            "select o.number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,"
                    + " l.start_date, l.ordered, l.start_quantity, l.unit, l.unit_price as price, l.sent_date,"
                    + " l.first_confirmed_date, l.closed_date from supply_order_lines l join supply_orders o on o.number ="
                    + " l.order_number where o.supplier is not null and l.stage = 'released' and"
                    + " (coalesce(l.first_confirmed_date, l.due_date) between ? and ? or l.closed_date between ? and ?)";
    /** What came on a day, what was taken back aside; the receipts before the record began as they were brought in. */
    private static final String CAME =
            "select m.order_number as number, m.order_line as line, m.date as came, sum(m.quantity) as quantity, null as sent"
                    + " from movements m where m.kind = 'receipt' and m.document in ('buy', 'subcontract') and m.reverses is"
                    + " null and m.date >= ? and not exists (select from movements r where r.reverses = m.number)"
                    + " group by 1, 2, 3"
                    + " union all select r.number, r.line, r.received_date, r.quantity, r.ordered_date from receipts r where"
                    + " r.received_date >= ? and not exists (select from movements m where m.order_number = r.number and"
                    + " m.order_line = r.line and m.kind = 'receipt')";
    /** What went back, and what was put aside: at the door, or of its lots later. */
    private static final String BACK =
            "select m.order_number as number, m.order_line as line, -sum(m.quantity) as quantity from movements m where m.kind ="
                    + " 'supplier_return' and m.date >= ? and m.reverses is null and not exists (select from movements r"
                    + " where r.reverses = m.number) group by 1, 2";

    private static final String DOUBTFUL = """
            with aside as (
              select s.item, s.site, coalesce(s.lot, '') as lot, coalesce(s.serial, '') as serial, sum(s.quantity) as quantity
              from movements s
              where s.kind = 'state' and s.quarantined and s.quantity > 0 and (s.lot is not null or s.serial is not null)
                and s.reverses is null and not exists (select from movements r where r.reverses = s.number)
              group by 1, 2, 3, 4)
            select m.order_number as number, m.order_line as line,
              sum(case when m.quarantined then m.quantity else least(m.quantity, a.quantity) end) as quantity
            from movements m
              left join aside a on a.item = m.item and a.site = m.site and a.lot = coalesce(m.lot, '')
                and a.serial = coalesce(m.serial, '')
            where m.kind = 'receipt' and m.document in ('buy', 'subcontract') and m.date >= ? and m.reverses is null
              and (m.quarantined or a.quantity is not null)
              and not exists (select from movements r where r.reverses = m.number)
            group by 1, 2""";

    /** Receipts of orders that nobody knows any more. */
    private static final String ALONE =
            "select r.* from receipts r where r.received_date between ? and ? and r.supplier <> '' and not exists (select from"
                    + " supply_order_lines l where l.order_number = r.number and l.line = r.line) order by r.received_date";

    private static final Table ORDERS = Table.named("open_orders");
    /** So long before its day, something may have come of a line. */
    private static final int EARLY = 730;

    private final JdbcTemplate database;

    BoughtLines(JdbcTemplate database) {
        this.database = database;
    }

    private record Key(String number, String line) {}

    private record Receipt(LocalDate on, BigDecimal quantity, LocalDate sent) {}

    /** All lines whose day lies between two days, both included, or that were done then, as they stand on the second. */
    List<DeliveredLine> since(Directory directory, LocalDate from, LocalDate today) {
        LocalDate early = from.minusDays(EARLY);
        Map<Key, List<Receipt>> came = new HashMap<>();
        database.query(
                CAME,
                row -> {
                    came.computeIfAbsent(key(row), k -> new ArrayList<>())
                            .add(new Receipt(
                                    row.getObject("came", LocalDate.class),
                                    row.getBigDecimal("quantity"),
                                    row.getObject("sent", LocalDate.class)));
                },
                early,
                early);
        Map<Key, BigDecimal> back = quantities(BACK, early);
        Map<Key, BigDecimal> doubtful = quantities(DOUBTFUL, early);
        List<DeliveredLine> lines = new ArrayList<>();
        database.query(
                LINES,
                row -> {
                    Key key = key(row);
                    lines.add(line(
                            directory,
                            row,
                            came.getOrDefault(key, List.of()),
                            back.getOrDefault(key, BigDecimal.ZERO),
                            doubtful.getOrDefault(key, BigDecimal.ZERO),
                            today));
                },
                from,
                today,
                from,
                today);
        lines.addAll(alone(from, today));
        return lines;
    }

    private static Key key(ResultSet row) throws SQLException {
        return new Key(row.getString("number"), row.getString("line"));
    }

    private Map<Key, BigDecimal> quantities(String sql, LocalDate from) {
        Map<Key, BigDecimal> quantities = new HashMap<>();
        database.query(
                sql,
                row -> {
                    quantities.put(key(row), row.getBigDecimal("quantity"));
                },
                from);
        return quantities;
    }

    private static DeliveredLine line(
            Directory directory,
            ResultSet row,
            List<Receipt> came,
            BigDecimal back,
            BigDecimal doubtful,
            LocalDate today)
            throws SQLException {
        Map<String, String> cells = RowCells.of(row);
        boolean done = cells.remove("closed_date") != null;
        Row order = Row.of(ORDERS, cells);
        BigDecimal ordered = order.decimal("ordered") == null ? order.decimal("quantity") : order.decimal("ordered");
        LocalDate sent = order.date("sent_date") == null ? order.date("start_date") : order.date("sent_date");
        Bought bought = new Bought(
                order.text("number"),
                order.text("line"),
                order.text("supplier"),
                order.text("item"),
                order.text("site"),
                ordered,
                order.date("due_date"),
                order.date("first_confirmed_date"),
                done,
                OrderValue.of(directory, order).value(),
                order.text("kind").equals("buy")
                        ? OrderValue.of(directory, order.with("price", null)).value()
                        : null,
                back,
                doubtful);
        return DeliveredLine.of(
                bought,
                came.stream()
                        .map(one -> {
                            LocalDate went = one.sent() == null ? sent : one.sent();
                            return new Came(
                                    went == null || went.isAfter(one.on()) ? one.on() : went, one.on(), one.quantity());
                        })
                        .toList(),
                today);
    }

    /** What is known of them is that they came, and when. */
    private List<DeliveredLine> alone(LocalDate from, LocalDate today) {
        Map<Key, List<Came>> came = new HashMap<>();
        Map<Key, Bought> lines = new HashMap<>();
        database.query(
                ALONE,
                row -> {
                    LocalDate on = row.getObject("received_date", LocalDate.class);
                    BigDecimal quantity = row.getBigDecimal("quantity");
                    came.computeIfAbsent(key(row), k -> new ArrayList<>())
                            .add(new Came(row.getObject("ordered_date", LocalDate.class), on, quantity));
                    Bought before = lines.get(key(row));
                    lines.put(
                            key(row),
                            new Bought(
                                    row.getString("number"),
                                    row.getString("line"),
                                    row.getString("supplier"),
                                    row.getString("item"),
                                    row.getString("site"),
                                    before == null ? quantity : before.ordered().add(quantity),
                                    null,
                                    row.getObject("first_confirmed_date", LocalDate.class),
                                    true,
                                    null,
                                    null,
                                    BigDecimal.ZERO,
                                    BigDecimal.ZERO));
                },
                from,
                today);
        return lines.entrySet().stream()
                .map(entry -> DeliveredLine.of(entry.getValue(), came.get(entry.getKey()), today))
                .toList();
    }
}
