package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What the stock record tells whoever looks: what stock is worth, when it last moved, and its ledger. */
@Component
class RecordedStock {
    private final JdbcTemplate database;

    RecordedStock(JdbcTemplate database) {
        this.database = database;
    }

    /** What stock is worth, where something moved since the record began; by item and site with a zero character between. */
    Map<String, BigDecimal> values() {
        Map<String, BigDecimal> values = new HashMap<>();
        database.query("select item, site, value from stock_values", row -> {
            values.put(row.getString(1) + '\0' + row.getString(2), row.getBigDecimal(3));
        });
        return values;
    }

    /** The same of these items. */
    Map<String, BigDecimal> values(Collection<String> items) {
        Map<String, BigDecimal> values = new HashMap<>();
        database.query(
                "select item, site, value from stock_values where item = any (?)",
                row -> {
                    values.put(row.getString(1) + '\0' + row.getString(2), row.getBigDecimal(3));
                },
                (Object) items.toArray(String[]::new));
        return values;
    }

    /** An item at a site. */
    record Point(String item, String site) {}

    /** The day of the last movement of each; looked up point by point, however many movements there are. */
    Map<Point, LocalDate> lastMoved(Collection<Point> points) {
        Map<Point, LocalDate> last = new HashMap<>();
        if (!points.isEmpty()) {
            database.query(
                    "select p.item, p.site, (select max(m.date) from movements m where m.item = p.item and m.site = p.site)"
                            + " from unnest(?::text[], ?::text[]) as p (item, site)",
                    row -> {
                        last.put(new Point(row.getString(1), row.getString(2)), row.getObject(3, LocalDate.class));
                    },
                    points.stream().map(Point::item).toArray(String[]::new),
                    points.stream().map(Point::site).toArray(String[]::new));
        }
        return last;
    }

    /** Movements added up. */
    record Sum(int count, BigDecimal quantity, BigDecimal value) {
        static final Sum NONE = new Sum(0, BigDecimal.ZERO, BigDecimal.ZERO);
    }

    private static final String SUM = "select count(*), coalesce(sum(quantity), 0), coalesce(sum(value), 0) from ";

    Sum sum(String item, String site) {
        return sum(SUM + "movements where item = ? and site = ?", item, site);
    }

    /** Of the last so many. */
    Sum sumOfLast(String item, String site, int count) {
        return sum(
                SUM
                        + "(select quantity, value from movements where item = ? and site = ? order by date desc, number desc"
                        + " limit ?) as went",
                item,
                site,
                count);
    }

    private Sum sum(String sql, Object... arguments) {
        return database.queryForObject(
                sql, (row, i) -> new Sum(row.getInt(1), row.getBigDecimal(2), row.getBigDecimal(3)), arguments);
    }

    /**
     * Movements of an item at a site, the last first.
     *
     * @param onHand what is there after the first of them, with its {@code worth}
     */
    List<Ledger.LedgerEntry> entries(
            String item, String site, int offset, int limit, BigDecimal onHand, BigDecimal worth) {
        List<Ledger.LedgerEntry> entries = new ArrayList<>();
        BigDecimal[] then = {onHand, worth};
        database.query(
                "select m.*, exists (select 1 from movements r where r.reverses = m.number) as taken_back from movements m"
                        + " where item = ? and site = ? order by date desc, number desc offset ? limit ?",
                row -> {
                    BigDecimal quantity = row.getBigDecimal("quantity");
                    BigDecimal value = row.getBigDecimal("value");
                    entries.add(new Ledger.LedgerEntry(
                            row.getLong("number"),
                            row.getObject("key", UUID.class),
                            row.getObject("date", LocalDate.class),
                            row.getString("kind"),
                            row.getString("lot"),
                            row.getString("serial"),
                            row.getBoolean("quarantined"),
                            StockDesk.plain(quantity),
                            value,
                            StockDesk.plain(then[0]),
                            then[1],
                            row.getString("document"),
                            row.getString("order_number"),
                            row.getString("order_line"),
                            row.getObject("reverses", Long.class),
                            row.getBoolean("taken_back"),
                            row.getString("reason"),
                            row.getString("person"),
                            row.getTimestamp("entered").toInstant()));
                    then[0] = then[0].subtract(quantity);
                    then[1] = then[1].subtract(value);
                },
                item,
                site,
                offset,
                limit);
        return entries;
    }

    /** A lot or serial number of an item. */
    record Numbered(String item, String lot, String serial) {}

    /** All lots and serial numbers of that name that ever moved. */
    List<Numbered> numbered(String name) {
        return database.query(
                "select distinct item, lot, serial from movements where lot = ? or serial = ? order by 1, 2, 3 limit 20",
                (row, i) -> new Numbered(row.getString(1), row.getString(2), row.getString(3)),
                name,
                name);
    }
}
