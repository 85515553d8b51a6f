package rescient.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * What one month comes to in two plans.
 *
 * @param code of what it is split by, null: all of the month together
 */
public record MonthDifference(YearMonth month, String code, BigDecimal before, BigDecimal after) {
    /** What is more in the plan after. */
    public BigDecimal more() {
        return after.subtract(before);
    }

    /**
     * All months of two plans in order, each followed by its codes in order. Each figure is rounded, halves up, the sum of
     * a month from what is not rounded yet.
     *
     * @param decimals of the figures
     */
    public static List<MonthDifference> between(
            Map<YearMonth, Map<String, BigDecimal>> before,
            Map<YearMonth, Map<String, BigDecimal>> after,
            int decimals) {
        TreeSet<YearMonth> months = new TreeSet<>(before.keySet());
        months.addAll(after.keySet());
        List<MonthDifference> all = new ArrayList<>();
        for (YearMonth month : months) {
            Map<String, BigDecimal> was = before.getOrDefault(month, Map.of());
            Map<String, BigDecimal> is = after.getOrDefault(month, Map.of());
            all.add(new MonthDifference(month, null, rounded(sum(was), decimals), rounded(sum(is), decimals)));
            TreeSet<String> codes = new TreeSet<>(was.keySet());
            codes.addAll(is.keySet());
            for (String code : codes) {
                all.add(new MonthDifference(
                        month,
                        code,
                        rounded(was.getOrDefault(code, BigDecimal.ZERO), decimals),
                        rounded(is.getOrDefault(code, BigDecimal.ZERO), decimals)));
            }
        }
        return all;
    }

    private static BigDecimal sum(Map<String, BigDecimal> month) {
        return month.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static BigDecimal rounded(BigDecimal value, int decimals) {
        return value.setScale(decimals, RoundingMode.HALF_UP);
    }
}
