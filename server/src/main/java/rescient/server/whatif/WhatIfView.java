package rescient.server.whatif;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import rescient.core.compare.MonthDifference;
import rescient.core.compare.OrderChange;
import rescient.core.compare.PlanDifference;
import rescient.core.compare.PlanFigures;
import rescient.server.changes.ChangeRows;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * A what-if beside the live plan.
 *
 * @param mine whether who looks may change it
 * @param madeUpon the number of the live plan; {@code madeAt}: when that was made
 * @param stock value at the end of each week
 * @param spend by month and supplier; {@code hours} by month and work center
 * @param orders planned orders that differ, at most {@value #MOST}; {@code left}: how many more
 */
record WhatIfView(
        long id,
        long revision,
        String name,
        String owner,
        boolean mine,
        Instant changedAt,
        List<AssumptionRow> assumptions,
        long madeUpon,
        Instant madeAt,
        long tookMillis,
        String currency,
        List<FigureRow> figures,
        int unpriced,
        List<StockRow> stock,
        List<MonthRow> spend,
        List<MonthRow> hours,
        List<ChangeRows.PromiseChangeRow> customerOrders,
        List<ChangeRows.OrderChangeRow> orders,
        int left) {
    private static final int MOST = 5_000;

    /**
     * @param problem why it does not fit and is left out, else null
     * @param counted whether the figures are with it
     */
    record AssumptionRow(
            Assumption assumption,
            String sentence,
            @Nullable String problem,
            boolean counted) {}

    /** @param week its last day */
    record StockRow(LocalDate week, BigDecimal live, BigDecimal other) {}

    /**
     * @param month its first day
     * @param code null: all of the month
     * @param difference the what-if's less the live plan's
     */
    record MonthRow(
            LocalDate month,
            @Nullable String code,
            @Nullable String name,
            BigDecimal live,
            BigDecimal other,
            BigDecimal difference) {}

    /**
     * @param code late_lines, days_late, never_met, planned_orders, changes_asked, stock_now, stock_mean, stock_end, spend,
     *     hours
     */
    record FigureRow(String code, BigDecimal live, BigDecimal other, BigDecimal difference) {}

    /**
     * @param counted places of the assumptions that the copy is made with
     */
    static WhatIfView of(WhatIf whatIf, boolean mine, List<Integer> counted, WhatIfs.Copy copy, PlanFigures live) {
        PlanVersion before = copy.live();
        PlanVersion after = copy.plan();
        PlanDifference difference = PlanDifference.between(before.plan(), after.plan());
        List<OrderChange> changes = OrderChange.of(difference, before.plan(), after.plan());
        Directory directory = after.directory();
        return new WhatIfView(
                whatIf.id(),
                whatIf.revision(),
                whatIf.name(),
                whatIf.owner(),
                mine,
                whatIf.changedAt(),
                assumptions(whatIf, counted, copy),
                before.number(),
                before.madeAt(),
                copy.tookMillis(),
                directory.currency(),
                figures(Figures.of(live), Figures.of(copy.figures())),
                copy.figures().unpriced(),
                stock(before, live, copy.figures()),
                months(live.spend(), copy.figures().spend(), 2, code -> supplier(directory, code)),
                months(live.hours(), copy.figures().hours(), 1, directory::workCenterName),
                difference.lateness().stream()
                        .map(l -> ChangeRows.of(after, l, List.of()))
                        .toList(),
                changes.stream()
                        .limit(MOST)
                        .map(c -> ChangeRows.of(after, c, List.of()))
                        .sorted(ChangeRows.BY_START)
                        .toList(),
                Math.max(0, changes.size() - MOST));
    }

    private static String supplier(Directory directory, String code) {
        return code.isEmpty() ? "no supplier" : directory.supplierName(code);
    }

    private static List<AssumptionRow> assumptions(WhatIf whatIf, List<Integer> counted, WhatIfs.Copy copy) {
        List<AssumptionRow> rows = new ArrayList<>();
        for (int i = 0; i < whatIf.assumptions().size(); i++) {
            Assumption assumption = whatIf.assumptions().get(i);
            int at = counted.indexOf(i);
            rows.add(new AssumptionRow(
                    assumption,
                    assumption.sentence(copy.live().directory()),
                    at < 0 ? null : copy.problems().get(at),
                    at >= 0));
        }
        return rows;
    }

    private static List<StockRow> stock(PlanVersion version, PlanFigures live, PlanFigures other) {
        var weeks = WhatIfs.weeks(version);
        List<StockRow> rows = new ArrayList<>();
        for (int i = 0; i < weeks.starts().size(); i++) {
            int last = i + 1 < weeks.starts().size() ? weeks.starts().get(i + 1) - 1 : weeks.end();
            rows.add(new StockRow(
                    Words.date(last),
                    Figures.cents(live.stockValue().get(i)),
                    Figures.cents(other.stockValue().get(i))));
        }
        return rows;
    }

    private static List<MonthRow> months(
            Map<YearMonth, Map<String, BigDecimal>> live,
            Map<YearMonth, Map<String, BigDecimal>> other,
            int decimals,
            UnaryOperator<String> name) {
        return MonthDifference.between(live, other, decimals).stream()
                .map(one -> new MonthRow(
                        one.month().atDay(1),
                        one.code(),
                        one.code() == null ? null : name.apply(one.code()),
                        one.before(),
                        one.after(),
                        one.more()))
                .toList();
    }

    private static List<FigureRow> figures(Figures live, Figures other) {
        return List.of(
                figure("late_lines", live.lateLines(), other.lateLines()),
                figure("days_late", live.daysLate(), other.daysLate()),
                figure("never_met", live.neverMet(), other.neverMet()),
                figure("planned_orders", live.plannedOrders(), other.plannedOrders()),
                figure("changes_asked", live.changesAsked(), other.changesAsked()),
                figure("stock_now", live.stockNow(), other.stockNow()),
                figure("stock_mean", live.stockMean(), other.stockMean()),
                figure("stock_end", live.stockEnd(), other.stockEnd()),
                figure("spend", live.spend(), other.spend()),
                figure("hours", live.hours(), other.hours()));
    }

    private static FigureRow figure(String code, int live, int other) {
        return figure(code, BigDecimal.valueOf(live), BigDecimal.valueOf(other));
    }

    private static FigureRow figure(String code, BigDecimal live, BigDecimal other) {
        return new FigureRow(code, live, other, other.subtract(live));
    }
}
