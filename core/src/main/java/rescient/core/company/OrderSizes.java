package rescient.core.company;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/**
 * The minimum, the multiple and the maximum of an order as they count (section 6): those of the supplier's base row before
 * the stock point's, in the unit that is ordered. Sizes in millionths of the order unit.
 *
 * @param orderUnit item units in one order unit
 * @param step smallest part of an order unit
 * @param minQuantity {@link Quantity#NOT_SET} if there is none; so is {@code maxQuantity}
 * @param multiple the step at least
 */
public record OrderSizes(Ratio orderUnit, long step, long minQuantity, long maxQuantity, long multiple) {
    /** What cannot be held beside the maximum. */
    public enum Conflict {
        MINIMUM,
        MULTIPLE
    }

    /**
     * The sizes of a stock point.
     *
     * @param terms the chosen supplier's base row, or null
     * @param itemStep smallest part of the item's unit, in millionths
     */
    public static OrderSizes of(PlanningData data, SupplierTerms terms, long itemStep) {
        boolean otherUnit = terms != null && terms.purchaseUnit() != null;
        Ratio unit = otherUnit ? terms.purchaseUnit() : Ratio.ONE;
        long step = otherUnit ? terms.step() : itemStep;
        Ratio toUnit = unit.inverse();
        long least = terms == null ? Quantity.NOT_SET : terms.minQuantity();
        long most = terms == null ? Quantity.NOT_SET : terms.maxQuantity();
        long multiple = terms == null ? Quantity.NOT_SET : terms.multiple();
        if (least == Quantity.NOT_SET && data.minQuantity != Quantity.NOT_SET) {
            least = toUnit.up(data.minQuantity, step);
        }
        if (most == Quantity.NOT_SET && data.maxQuantity != Quantity.NOT_SET) {
            most = toUnit.down(data.maxQuantity, step);
        }
        if (multiple == Quantity.NOT_SET) {
            multiple = otherUnit || data.multiple == Quantity.NOT_SET ? step : data.multiple;
        }
        return new OrderSizes(unit, step, least, most, multiple);
    }

    /** The largest order: the maximum rounded down to the multiple; only where there is one. */
    public long largest() {
        return Quantity.roundDown(maxQuantity, multiple);
    }

    /** The smallest order: the minimum rounded up to the multiple, which is the smallest itself without one. */
    public long smallest() {
        return minQuantity == Quantity.NOT_SET ? multiple : Quantity.roundUp(minQuantity, multiple);
    }

    /** What is over the maximum, so that no order can be made; empty if there is none. */
    public List<Conflict> conflicts() {
        List<Conflict> conflicts = new ArrayList<>();
        if (maxQuantity != Quantity.NOT_SET && minQuantity != Quantity.NOT_SET && smallest() > largest()) {
            conflicts.add(Conflict.MINIMUM);
        }
        if (maxQuantity != Quantity.NOT_SET && largest() <= 0) {
            conflicts.add(Conflict.MULTIPLE);
        }
        return conflicts;
    }
}
