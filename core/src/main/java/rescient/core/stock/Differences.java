package rescient.core.stock;

import java.math.BigDecimal;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What counts and corrections come to, in the company's currency.
 *
 * @param more value of what is there beyond the book, 0 or above
 * @param less value of what is missing, 0 or below
 */
public record Differences(BigDecimal more, BigDecimal less) {
    private static final Set<Movement.Kind> KINDS = EnumSet.of(Movement.Kind.ADJUSTMENT, Movement.Kind.COUNT);

    /** @param values of each difference; null: nobody knows what it is worth */
    public static Differences of(Stream<BigDecimal> values) {
        return values.filter(Objects::nonNull)
                .map(value -> new Differences(value.max(BigDecimal.ZERO), value.min(BigDecimal.ZERO)))
                .reduce(new Differences(BigDecimal.ZERO, BigDecimal.ZERO), Differences::and);
    }

    /** Of what a posting corrects; what else it moves is no difference. */
    public static Differences in(List<Movement> movements) {
        return of(movements.stream()
                .filter(movement -> KINDS.contains(movement.kind()))
                .map(Movement::value));
    }

    private Differences and(Differences other) {
        return new Differences(more.add(other.more), less.add(other.less));
    }

    /** What limits of approval are held against: too much and too little do not make up for each other. */
    public BigDecimal size() {
        return more.subtract(less);
    }
}
