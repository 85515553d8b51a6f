package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.stock.ValueHistory;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What stock was worth at the end of a day, and what moved it since. */
@Component
class StockWorth {
    static final int LONGEST = 3660;
    /** Days before the chosen one that are drawn. */
    static final int DRAWN = 91;

    private static final String SINCE =
            "select item, site, sum(quantity) as quantity, sum(value) as value from movements where"
                    + " date > ? group by item, site";
    private static final String BY_DAY = "select date, sum(value) as value from movements where date > ? group by date";
    private static final String BY_KIND =
            "select kind, sum(value) as value, count(*) as movements from movements where date > ?"
                    + " and date <= ? group by kind order by abs(sum(value)) desc, kind";
    private final JdbcTemplate database;
    private final OnHandList onHand;

    StockWorth(JdbcTemplate database, OnHandList onHand) {
        this.database = database;
        this.onHand = onHand;
    }

    /**
     * What an item, a group or a site was worth, and is.
     *
     * @param quantity of an item, in its unit; null of others
     */
    record WorthRow(
            String code,
            String name,
            @Nullable BigDecimal quantity,
            @Nullable String unit,
            BigDecimal value,
            BigDecimal now) {}

    record WorthDay(LocalDate day, BigDecimal value) {}

    /** What moved the value between the day and now, by kind of movement. */
    record WorthMoved(String kind, int movements, BigDecimal value) {}

    /**
     * What stock was worth.
     *
     * @param day at whose end
     * @param days before it and until now
     * @param moved from the day until now
     */
    record WorthView(
            LocalDate day,
            BigDecimal value,
            BigDecimal now,
            List<WorthRow> rows,
            List<WorthDay> days,
            List<WorthMoved> moved) {}

    private static final class Sum {
        private BigDecimal quantity = BigDecimal.ZERO;
        private BigDecimal value = BigDecimal.ZERO;
        private BigDecimal now = BigDecimal.ZERO;
        private String unit;
        private String name;
    }

    /** @param by item, group or site */
    WorthView of(PlanVersion version, @Nullable LocalDate asked, String by) {
        LocalDate today = version.today();
        LocalDate day = asked == null ? today : asked;
        if (day.isAfter(today) || day.isBefore(today.minusDays(LONGEST))) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            day.isAfter(today)
                                    ? "What stock will be worth is in the plan; here it is a day that was"
                                    : "The record is not looked back so far")
                    .field("day");
        }
        Map<String, BigDecimal[]> since = new HashMap<>();
        database.query(
                SINCE,
                row -> {
                    since.put(
                            row.getString("item") + '\0' + row.getString("site"),
                            new BigDecimal[] {row.getBigDecimal("quantity"), row.getBigDecimal("value")});
                },
                day);
        Directory directory = version.directory();
        Map<String, Sum> sums = new TreeMap<>(DocumentOrder.INSTANCE);
        Map<String, OnHandList.OnHand> there = new HashMap<>();
        onHand.all(version).forEach(row -> there.put(row.item() + '\0' + row.site(), row));
        since.keySet().forEach(key -> there.putIfAbsent(key, null));
        BigDecimal now = BigDecimal.ZERO;
        BigDecimal then = BigDecimal.ZERO;
        for (Map.Entry<String, OnHandList.OnHand> one : there.entrySet()) {
            String item = one.getKey().substring(0, one.getKey().indexOf('\0'));
            String site = one.getKey().substring(item.length() + 1);
            OnHandList.OnHand row = one.getValue();
            BigDecimal value = row == null || row.value() == null ? BigDecimal.ZERO : row.value();
            BigDecimal[] moved = since.getOrDefault(one.getKey(), new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO});
            Sum sum = sums.computeIfAbsent(code(directory, by, item, site), code -> named(directory, by, code));
            sum.quantity =
                    sum.quantity.add(row == null ? BigDecimal.ZERO : row.all()).subtract(moved[0]);
            sum.value = sum.value.add(value).subtract(moved[1]);
            sum.now = sum.now.add(value);
            now = now.add(value);
            then = then.add(value).subtract(moved[1]);
        }
        Map<LocalDate, BigDecimal> days = new HashMap<>();
        LocalDate from = day.minusDays(DRAWN);
        database.query(
                BY_DAY,
                row -> {
                    days.put(row.getObject("date", LocalDate.class), row.getBigDecimal("value"));
                },
                from);
        return new WorthView(
                day,
                then,
                now,
                sums.entrySet().stream()
                        .filter(one -> one.getValue().value.signum() != 0
                                || one.getValue().now.signum() != 0
                                || one.getValue().quantity.signum() != 0)
                        .map(one -> row(by, one.getKey(), one.getValue()))
                        .sorted(Comparator.comparing(WorthRow::value).reversed())
                        .toList(),
                ValueHistory.of(now, days, from, today).stream()
                        .map(one -> new WorthDay(one.day(), one.value()))
                        .toList(),
                database.query(
                        BY_KIND,
                        (row, i) -> new WorthMoved(row.getString(1), row.getInt(3), row.getBigDecimal(2)),
                        day,
                        today));
    }

    private static String code(Directory directory, String by, String item, String site) {
        return switch (by) {
            case "item" -> item;
            case "site" -> site;
            case "group" ->
                Objects.requireNonNullElse(
                        directory.item(item) == null
                                ? null
                                : directory.item(item).group(),
                        "");
            default ->
                throw new JobProblem(
                        HttpStatus.UNPROCESSABLE_ENTITY,
                        "Values are summed by item, group or site, and " + by + " is none");
        };
    }

    private static Sum named(Directory directory, String by, String code) {
        Sum sum = new Sum();
        sum.name = switch (by) {
            case "item" -> directory.itemName(code);
            case "site" -> directory.siteName(code);
            default -> {
                var row = directory.facts().row("item_groups", code);
                yield row == null ? code : row.text("name", code);
            }
        };
        sum.unit = by.equals("item") ? directory.unit(code) : null;
        return sum;
    }

    private static WorthRow row(String by, String code, Sum sum) {
        return new WorthRow(
                code, sum.name, by.equals("item") ? StockDesk.plain(sum.quantity) : null, sum.unit, sum.value, sum.now);
    }
}
