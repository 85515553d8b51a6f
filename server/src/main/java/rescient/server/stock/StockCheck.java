package rescient.server.stock;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import rescient.server.platform.SharedWork;

/**
 * Whether the stock record agrees with itself and with what lies there: every night, and for {@code ./rescient verify}. What it
 * finds is no doubt about the data but a fault, for nothing that people do can bring it about.
 */
@Component
public class StockCheck implements SharedWork {
    private static final Logger LOG = LoggerFactory.getLogger(StockCheck.class);
    private static final int MOST = 200;

    /** Of all bins: what lies there, and what its movements come to. */
    private static final String BINS = """
            with lying as (
                select item, site, coalesce(lot, '') lot, coalesce(serial, '') serial, coalesce(quarantined, false) aside,
                       sum(quantity) quantity
                from stock group by 1, 2, 3, 4, 5),
            moved as (
                select item, site, coalesce(lot, '') lot, coalesce(serial, '') serial, quarantined aside, sum(quantity) quantity
                from movements group by 1, 2, 3, 4, 5)
            """;

    /**
     * @param says with a place for each column of a row
     * @param sql gives a row for each fault
     */
    private record Rule(String says, String sql) {}

    private static final List<Rule> RULES = List.of(
            new Rule(
                    "Movements are numbered with gaps: %s of them, the last is %s",
                    "select count(*), max(number) from movements having count(*) <> coalesce(max(number), 0)"),
            new Rule(
                    "%s at %s lot \"%s\" serial \"%s\": %s moved in since the record began, %s lie there",
                    BINS + "select m.item, m.site, m.lot, m.serial, m.quantity, coalesce(l.quantity, 0) from moved m"
                            + " left join lying l using (item, site, lot, serial, aside)"
                            + " where m.quantity > coalesce(l.quantity, 0)"),
            new Rule(
                    "Movement %s does not take back movement %s: another quantity, item, lot or place",
                    "select r.number, m.number from movements r join movements m on m.number = r.reverses where r.quantity <>"
                            + " -m.quantity or (r.item, r.site, coalesce(r.lot, ''), coalesce(r.serial, ''), r.quarantined)"
                            + " <> (m.item, m.site, coalesce(m.lot, ''), coalesce(m.serial, ''), m.quarantined)"),
            new Rule(
                    "Movement %s was taken back %s times",
                    "select reverses, count(*) from movements where reverses is not null group by reverses"
                            + " having count(*) > 1"),
            new Rule(
                    "%s at %s: layers of %s worth %s, but %s lie there, worth %s",
                    "select v.item, v.site, sum(l.quantity), sum(l.value), s.quantity, v.value from stock_values v join"
                            + " stock_layers l using (item, site) cross join lateral (select coalesce(sum(quantity), 0)"
                            + " quantity from stock where item = v.item and site = v.site) s"
                            + " group by v.item, v.site, v.value, s.quantity"
                            + " having sum(l.quantity) <> s.quantity or sum(l.value) <> v.value"),
            new Rule(
                    "%s at %s: nothing lies there, and it is worth %s",
                    "select v.item, v.site, v.value from stock_values v where v.value <> 0 and not exists (select 1 from stock"
                            + " where item = v.item and site = v.site and quantity > 0)"),
            new Rule(
                    "%s line %s: %s received by its movements, but only %s of what was ordered are no longer open",
                    "select o.order_number, o.line, m.quantity, o.ordered - o.quantity from supply_order_lines o join"
                            + " (select order_number, order_line, sum(quantity) quantity from movements where kind ="
                            + " 'receipt' group by 1, 2) m on (m.order_number, m.order_line) = (o.order_number, o.line)"
                            + " where o.quantity > 0 and m.quantity > o.ordered - o.quantity"));

    private final JdbcTemplate database;

    StockCheck(JdbcTemplate database) {
        this.database = database;
    }

    @Override
    public String name() {
        return "stock-check";
    }

    @Override
    public Duration every() {
        return Duration.ofDays(1);
    }

    @Override
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public void run() {
        find().forEach(fault -> LOG.error("The stock record does not agree: {}", fault));
    }

    /** How many movements there are. */
    public long movements() {
        Long count = database.queryForObject("select count(*) from movements", Long.class);
        return count == null ? 0 : count;
    }

    /** What does not agree, in sentences; the first of each kind. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public List<String> find() {
        List<String> faults = new ArrayList<>();
        for (Rule rule : RULES) {
            faults.addAll(database.query(rule.sql + " limit " + MOST, (row, i) -> {
                Object[] cells = new Object[row.getMetaData().getColumnCount()];
                for (int c = 0; c < cells.length; c++) {
                    cells[c] = row.getString(c + 1);
                }
                return String.format(rule.says, cells);
            }));
        }
        return faults;
    }
}
