package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/** What is counted how often: the few things that move most of the value more often than the many that move little. */
public final class CountCycle {
    private static final BigDecimal MOST = new BigDecimal("0.80");
    private static final BigDecimal NEARLY_ALL = new BigDecimal("0.95");

    private CountCycle() {}

    /** A class of items, with how often it is counted. */
    public enum Class {
        A(30),
        B(90),
        C(365);

        private final int days;

        Class(int days) {
            this.days = days;
        }

        /** Calendar days from one count to the next. */
        public int days() {
            return days;
        }
    }

    /**
     * By the value that moved out in a year: those that together make four fifths of it are A, up to 95 % B, the rest C.
     *
     * @param yearly by what is to be counted; not below 0
     */
    public static <K extends Comparable<K>> Map<K, Class> classes(Map<K, BigDecimal> yearly) {
        BigDecimal all = yearly.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        List<Map.Entry<K, BigDecimal>> inTurn = yearly.entrySet().stream()
                .sorted(Map.Entry.<K, BigDecimal>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry.comparingByKey()))
                .toList();
        Map<K, Class> classes = new LinkedHashMap<>();
        BigDecimal before = BigDecimal.ZERO;
        for (Map.Entry<K, BigDecimal> one : inTurn) {
            classes.put(
                    one.getKey(),
                    one.getValue().signum() == 0
                            ? Class.C
                            : before.compareTo(all.multiply(MOST)) < 0
                                    ? Class.A
                                    : before.compareTo(all.multiply(NEARLY_ALL)) < 0 ? Class.B : Class.C);
            before = before.add(one.getValue());
        }
        return classes;
    }

    /**
     * What moved, in what is kept in stock: a kit that left took its parts with it, and kits within kits theirs.
     *
     * @param moved by item, in its unit
     * @param parts of one kit, in their units; empty for what is no kit
     * @return by item; no kits
     */
    public static Map<String, BigDecimal> throughKits(
            Map<String, BigDecimal> moved, Function<String, Map<String, BigDecimal>> parts) {
        Map<String, BigDecimal> pieces = new TreeMap<>();
        moved.forEach((item, quantity) -> taken(item, quantity, parts, Set.of(), pieces));
        return pieces;
    }

    /** @param inside the kits that it lies in; one that holds itself is passed over */
    private static void taken(
            String item,
            BigDecimal quantity,
            Function<String, Map<String, BigDecimal>> parts,
            Set<String> inside,
            Map<String, BigDecimal> pieces) {
        Map<String, BigDecimal> of = parts.apply(item);
        if (of.isEmpty()) {
            pieces.merge(item, quantity, BigDecimal::add);
            return;
        }
        if (inside.contains(item)) {
            return;
        }
        Set<String> within = new HashSet<>(inside);
        within.add(item);
        of.forEach((part, each) -> taken(part, quantity.multiply(each), parts, within, pieces));
    }

    /** @param last null: it never was */
    public static boolean isDue(Class of, LocalDate last, LocalDate today) {
        return last == null || !last.plusDays(of.days).isAfter(today);
    }

    /**
     * What is to be posted as counted now: what was counted, and what moved since.
     *
     * @param counted and {@code book} at the moment of the count, {@code now} the book's quantity at present
     */
    public static BigDecimal countedNow(BigDecimal counted, BigDecimal book, BigDecimal now) {
        return now.add(counted.subtract(book));
    }
}
