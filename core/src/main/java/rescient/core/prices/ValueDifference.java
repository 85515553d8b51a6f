package rescient.core.prices;

import java.math.BigDecimal;

/** What comes less what goes, in the company's currency; not known as soon as one of the values is not. */
public final class ValueDifference {
    private BigDecimal sum = BigDecimal.ZERO;

    /** Nothing has come or gone yet. */
    public ValueDifference() {}

    /** @param value null if a price is not known */
    public void comes(BigDecimal value) {
        sum = sum == null || value == null ? null : sum.add(value);
    }

    /** @param value as of {@link #comes} */
    public void goes(BigDecimal value) {
        comes(value == null ? null : value.negate());
    }

    /** Null if it is not known. */
    public BigDecimal sum() {
        return sum;
    }
}
