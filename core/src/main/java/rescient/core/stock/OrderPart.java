package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** A component of an order's line, or of a transfer the item itself. */
public final class OrderPart {
    /** Decimals with which what was put out is known here; it is kept with {@link #KEPT}. */
    static final int DECIMALS = 30;

    private static final int KEPT = 12;

    private final String component;
    private final Integer step;
    private final boolean perOrder;
    private final boolean backflush;
    private final BigDecimal planned;
    private BigDecimal issued;
    private BigDecimal used;
    private BigDecimal value;

    /**
     * @param planned in all; of what was not planned 0
     * @param used put out already, up to 12 decimals
     * @param value of what is issued and not put out
     */
    public OrderPart(
            String component,
            Integer step,
            boolean perOrder,
            boolean backflush,
            BigDecimal planned,
            BigDecimal issued,
            BigDecimal used,
            BigDecimal value) {
        this.component = component;
        this.step = step;
        this.perOrder = perOrder;
        this.backflush = backflush;
        this.planned = planned;
        this.issued = issued;
        this.used = used;
        this.value = value;
    }

    public String component() {
        return component;
    }

    public Integer step() {
        return step;
    }

    public boolean perOrder() {
        return perOrder;
    }

    public boolean backflush() {
        return backflush;
    }

    public BigDecimal planned() {
        return planned;
    }

    public BigDecimal issued() {
        return issued;
    }

    /** Put out already, as it is kept. */
    public BigDecimal used() {
        return kept(used);
    }

    static BigDecimal kept(BigDecimal used) {
        return used.scale() > KEPT ? used.setScale(KEPT, RoundingMode.HALF_UP) : used;
    }

    public BigDecimal value() {
        return value;
    }

    /** What is still to issue. */
    public BigDecimal open() {
        return planned.subtract(issued).max(BigDecimal.ZERO);
    }

    /** Issued and not put out yet. */
    BigDecimal inside() {
        return issued.subtract(used);
    }

    /** How much the planned quantity is more than what was put out. */
    BigDecimal beyondUsed(BigDecimal planned) {
        return planned.subtract(used);
    }

    /** Of something inside what is whole in a unit. */
    static BigDecimal whole(BigDecimal inside, int decimals) {
        return kept(inside).setScale(decimals, RoundingMode.DOWN);
    }

    void add(BigDecimal more, BigDecimal put, BigDecimal worth) {
        issued = issued.add(more);
        used = used.add(put);
        value = value.add(worth);
    }
}
