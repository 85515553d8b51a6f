package rescient.core.stock;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** What postings report as made. */
public final class Outputs {
    private Outputs() {}

    /**
     * What was put out of orders beyond what was still to come of them: that may be, and somebody wants to know.
     *
     * @param movements of one posting; what takes another back is no output
     * @param open what was to come of a line before it, in the item's unit; null: nobody knows the line
     * @return in the item's unit, above 0, by line, in the order of the movements
     */
    public static Map<Movement.Document, BigDecimal> beyond(
            List<Movement> movements, Function<Movement.Document, BigDecimal> open) {
        Map<Movement.Document, BigDecimal> out = new LinkedHashMap<>();
        for (Movement movement : movements) {
            if (movement.kind() == Movement.Kind.OUTPUT && movement.reverses() == null) {
                out.merge(movement.document(), movement.quantity(), BigDecimal::add);
            }
        }
        Map<Movement.Document, BigDecimal> beyond = new LinkedHashMap<>();
        out.forEach((line, good) -> {
            BigDecimal before = open.apply(line);
            if (before != null && good.compareTo(before) > 0) {
                beyond.put(line, good.subtract(before));
            }
        });
        return beyond;
    }
}
