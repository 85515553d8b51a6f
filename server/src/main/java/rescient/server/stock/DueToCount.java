package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.company.ItemFacts;
import rescient.core.stock.CountCycle;
import rescient.core.trace.KitParts;
import rescient.dataset.Facts;
import rescient.server.planning.PlanVersion;

/** What is due to be counted at a site: the more value moves, the more often. */
@Component
class DueToCount {
    /** What moved out in the last year, in pieces. */
    private static final String MOVED =
            "select item, sum(quantity) as quantity from (select item, quantity from shipments where"
                    + " site = ? and date > ? union all select item, quantity from usage where site = ? and date > ?) as went group by item";
    /** The last day on which each item was counted, on a list or by itself. */
    private static final String COUNTED =
            "select item, max(day) as day from (select l.item, l.counted_at::date as day from"
                    + " count_lines l join count_lists c on c.id = l.list where c.site = ? and c.state = 'posted' and l.counted is not"
                    + " null union all select item, date from movements where site = ? and kind = 'count') as went group by item";

    private final JdbcTemplate database;
    private final OnHandList onHand;

    DueToCount(JdbcTemplate database, OnHandList onHand) {
        this.database = database;
        this.onHand = onHand;
    }

    /** By what moved in a year at what it is worth, and when it was counted last. */
    Set<String> at(PlanVersion version, String site) {
        LocalDate from = version.today().minusYears(1);
        Map<String, BigDecimal> yearly = new HashMap<>();
        onHand.all(version).stream()
                .filter(row -> row.site().equals(site))
                .forEach(row -> yearly.put(row.item(), BigDecimal.ZERO));
        Facts facts = version.directory().facts();
        Map<String, BigDecimal> moved = new HashMap<>();
        database.query(
                MOVED,
                row -> {
                    moved.put(row.getString("item"), row.getBigDecimal("quantity"));
                },
                site,
                from,
                site,
                from);
        CountCycle.throughKits(moved, kit -> KitParts.of(facts, facts.units(), kit, version.today()))
                .forEach((code, quantity) -> {
                    ItemFacts.Item item = version.directory().item(code);
                    BigDecimal cost =
                            item == null || item.standardCost() == null ? BigDecimal.ZERO : item.standardCost();
                    yearly.computeIfPresent(code, (there, none) -> quantity.multiply(cost));
                });
        Map<String, LocalDate> counted = new HashMap<>();
        database.query(
                COUNTED,
                row -> {
                    counted.put(row.getString("item"), row.getObject("day", LocalDate.class));
                },
                site,
                site);
        Set<String> due = new LinkedHashSet<>();
        CountCycle.classes(yearly).forEach((item, of) -> {
            if (CountCycle.isDue(of, counted.get(item), version.today())) {
                due.add(item);
            }
        });
        return due;
    }
}
