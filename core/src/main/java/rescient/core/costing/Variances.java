package rescient.core.costing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Differences from what was expected, added up by what they have in common. */
public final class Variances {
    private Variances() {}

    /** What they can have in common. */
    public enum By {
        CAUSE,
        ITEM,
        CENTER,
        MONTH
    }

    /**
     * A difference of an order's line, a movement or an invoice.
     *
     * @param cause in the job's words: buy, make, count …
     * @param center work center, if it is one of work; else null
     * @param number of the document, null if there is none; so is {@code line}
     * @param value above 0: it cost more, or more is there than was known
     */
    public record Variance(
            String cause, String item, String center, String number, String line, LocalDate day, BigDecimal value) {}

    /**
     * Those that have something in common.
     *
     * @param code cause, item, work center, or month as 2026-11
     * @param variances those that differ most first
     */
    public record Group(String code, BigDecimal value, List<Variance> variances) {}

    /** Groups, those that differ most first; months from the last on. What has no work center is in no group of one. */
    public static List<Group> by(By by, Collection<Variance> all) {
        Map<String, List<Variance>> byCode = new TreeMap<>();
        for (Variance one : all) {
            String code = code(by, one);
            if (code != null) {
                byCode.computeIfAbsent(code, c -> new ArrayList<>()).add(one);
            }
        }
        Comparator<Group> order = by == By.MONTH
                ? Comparator.comparing(Group::code).reversed()
                : Comparator.comparing((Group group) -> group.value.abs()).reversed();
        return byCode.entrySet().stream()
                .map(one -> group(one.getKey(), one.getValue()))
                .sorted(order)
                .toList();
    }

    private static String code(By by, Variance one) {
        return switch (by) {
            case CAUSE -> one.cause;
            case ITEM -> one.item;
            case CENTER -> one.center;
            case MONTH -> YearMonth.from(one.day).toString();
        };
    }

    private static Group group(String code, List<Variance> variances) {
        return new Group(
                code,
                variances.stream().map(Variance::value).reduce(BigDecimal.ZERO, BigDecimal::add),
                variances.stream()
                        .sorted(Comparator.comparing((Variance one) -> one.value.abs())
                                .reversed())
                        .toList());
    }
}
