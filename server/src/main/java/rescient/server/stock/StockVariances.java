package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.costing.Variances;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What differed from what was expected: by cause, item, work center or month. */
@Component
class StockVariances {
    /** Of each group, so many orders or movements are told. */
    private static final int TOLD = 200;

    /** What orders left over, on the day of their last movement. */
    private static final String OF_ORDERS =
            "select c.number, c.line, l.item, o.kind, c.variance as value, max(m.date) as day"
                    + " from order_costs c join supply_order_lines l on l.order_number = c.number and l.line = c.line join"
                    + " supply_orders o on o.number = c.number join movements m on m.order_number = c.number and m.order_line ="
                    + " c.line where c.variance <> 0 group by 1, 2, 3, 4, 5 having max(m.date) > ? and max(m.date) <= ?"
                    + " order by abs(c.variance) desc, 1, 2";

    private static final String OF_MOVEMENTS =
            "select m.order_number as number, m.order_line as line, m.item, m.kind, m.value,"
                    + " m.date as day from movements m where m.kind in ('count', 'adjustment', 'revaluation') and m.value <> 0 and"
                    + " m.date > ? and m.date <= ? order by abs(m.value) desc, m.number";
    /** What suppliers charged otherwise than agreed, of invoices that may be paid. */
    private static final String OF_INVOICES =
            "select i.order_number as number, i.order_line as line, l.item, 'invoice' as kind,"
                    + " (i.price - l.unit_price) * i.quantity as value, h.date as day from invoice_lines i join invoices h on"
                    + " h.supplier = i.supplier and h.number = i.number join supply_order_lines l on l.order_number = i.order_number"
                    + " and l.line = i.order_line where h.state = 'approved' and l.unit_price is not null and i.price <> l.unit_price"
                    + " and h.date > ? and h.date <= ? order by abs((i.price - l.unit_price) * i.quantity) desc, 1, 2";

    private static final String REPORTED =
            "select order_number, max(date) as day from movements where kind = 'output' and date > ? and date <= ?"
                    + " group by order_number";

    private final JdbcTemplate database;
    private final OrderCosts costs;

    StockVariances(JdbcTemplate database, OrderCosts costs) {
        this.database = database;
        this.costs = costs;
    }

    /** A difference: of an order, a movement or an invoice. */
    record VarianceLine(
            String cause,
            @Nullable String number,
            @Nullable String line,
            String item,
            LocalDate day,
            BigDecimal value) {}

    /**
     * All differences that have something in common.
     *
     * @param code cause (buy, make, assemble, subcontract, transfer, invoice, count, adjustment or revaluation), item, work
     *     center, or month as 2026-11
     * @param value above 0: it cost more, or more is there than was known
     * @param first those that differ most
     */
    record VarianceGroup(String code, String name, int lines, BigDecimal value, List<VarianceLine> first) {}

    /** What differed on days after {@code from}, until {@code to}; the most first, or the last month. */
    List<VarianceGroup> of(PlanVersion version, @Nullable LocalDate asked, @Nullable LocalDate until, Variances.By by) {
        LocalDate to = until == null ? version.today() : until;
        LocalDate from = asked == null ? to.minusDays(StockWorth.DRAWN) : asked;
        if (from.isAfter(to) || ChronoUnit.DAYS.between(from, to) > StockWorth.LONGEST) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY, "The first day lies before the last, at most ten years")
                    .field("from");
        }
        Directory directory = version.directory();
        List<Variances.Variance> all = by == Variances.By.CENTER ? ofWork(version, from, to) : ofRecord(from, to);
        return Variances.by(by, all).stream()
                .map(group -> new VarianceGroup(
                        group.code(),
                        switch (by) {
                            case ITEM -> directory.itemName(group.code());
                            case CENTER -> directory.workCenterName(group.code());
                            default -> group.code();
                        },
                        group.variances().size(),
                        group.value(),
                        group.variances().stream()
                                .limit(TOLD)
                                .map(one -> new VarianceLine(
                                        one.cause(), one.number(), one.line(), one.item(), one.day(), one.value()))
                                .toList()))
                .toList();
    }

    private List<Variances.Variance> ofRecord(LocalDate from, LocalDate to) {
        List<Variances.Variance> all = new ArrayList<>();
        for (String sql : List.of(OF_ORDERS, OF_INVOICES, OF_MOVEMENTS)) {
            database.query(
                    sql,
                    row -> {
                        all.add(new Variances.Variance(
                                row.getString("kind"),
                                row.getString("item"),
                                null,
                                row.getString("number"),
                                row.getString("line"),
                                row.getObject("day", LocalDate.class),
                                row.getBigDecimal("value")));
                    },
                    from,
                    to);
        }
        return all;
    }

    /** Work that took longer or cost more than expected, of what was put out on these days. */
    private List<Variances.Variance> ofWork(PlanVersion version, LocalDate from, LocalDate to) {
        Map<String, LocalDate> days = new TreeMap<>();
        database.query(
                REPORTED,
                row -> {
                    days.put(row.getString(1), row.getObject(2, LocalDate.class));
                },
                from,
                to);
        List<Variances.Variance> all = new ArrayList<>();
        costs.each(
                version,
                List.copyOf(days.keySet()),
                (number, statement) -> statement.lines().stream()
                        .filter(line -> line.center() != null)
                        .map(line -> new Variances.Variance(
                                "make",
                                statement.item(),
                                line.center(),
                                number,
                                statement.line(),
                                days.get(number),
                                line.actual().subtract(line.expected())))
                        .filter(variance -> variance.value().signum() != 0)
                        .forEach(all::add));
        return all;
    }
}
