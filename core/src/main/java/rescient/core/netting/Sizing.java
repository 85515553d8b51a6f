package rescient.core.netting;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.PlanningRule;
import rescient.core.snapshot.StockPoint;

/** Section 6 of the planning rules: from the good quantity wanted to the orders that supply it. */
public final class Sizing {
    private static final int MOST_PARTS = 100_000;

    /**
     * One order.
     *
     * @param started quantity before yield, millionths of the item's unit
     * @param good quantity after yield
     */
    public record Part(long started, long good) {}

    /**
     * How the modifiers act on one quantity, in order units.
     *
     * @param raised by the minimum
     * @param rounded up to the multiple
     * @param split at the maximum
     * @param whole the quantity before it is split
     */
    public record Steps(boolean raised, boolean rounded, boolean split, long whole) {}

    private final StockPoint point;

    public Sizing(StockPoint point) {
        this.point = point;
    }

    /** The one order that reaches {@code wanted}, or null if it takes several. */
    public Part whole(long wanted) {
        long atLeast = inOrderUnits(toStart(wanted));
        if (point.minQuantity != Quantity.NOT_SET) {
            atLeast = Math.max(atLeast, point.minQuantity);
        }
        long whole = Quantity.roundUp(atLeast, point.multiple);
        if (point.maxQuantity != Quantity.NOT_SET && whole > point.maxQuantity) {
            return null;
        }
        Part part = part(whole);
        return part.good >= wanted ? part : null;
    }

    /** The orders whose good quantities together reach {@code wanted}, full ones first. */
    List<Part> orders(long wanted) {
        long asked = wanted;
        while (true) {
            List<Part> parts = parts(inOrderUnits(toStart(asked)));
            long missing = wanted - good(parts);
            if (missing <= 0) {
                return parts;
            }
            asked = Quantity.plus(asked, missing);
        }
    }

    /** As many orders of the fixed quantity as it takes to reach {@code wanted}. */
    List<Part> fixed(long wanted) {
        List<Part> group = parts(inOrderUnits(point.fixedQuantity));
        long good = good(group);
        if (good <= 0) {
            throw new PlanningException("The fixed quantity of " + point.itemCode + " at " + point.siteCode
                    + " leaves nothing after yield");
        }
        List<Part> orders = new ArrayList<>();
        for (long left = wanted; left > 0; left -= good) {
            orders.addAll(group);
            refuseTooMany(orders.size());
        }
        return orders;
    }

    /** How the modifiers act on what was wanted, or on the fixed quantity. */
    public Steps stepsFor(long wanted) {
        return point.rule == PlanningRule.FIXED_QUANTITY
                ? steps(inOrderUnits(point.fixedQuantity))
                : steps(inOrderUnits(toStart(wanted)));
    }

    private long toStart(long good) {
        return point.yield == Ratio.ONE ? good : point.perGood.up(good, point.step);
    }

    private long inOrderUnits(long quantity) {
        return point.orderUnit == Ratio.ONE ? quantity : point.toOrderUnit.up(quantity, point.orderStep);
    }

    /** Raised to the minimum, rounded up to the multiple, split at the maximum; {@code quantity} in order units. */
    private List<Part> parts(long quantity) {
        Steps steps = steps(quantity);
        long whole = steps.whole;
        if (!steps.split) {
            return List.of(part(whole));
        }
        long full = Quantity.roundDown(point.maxQuantity, point.multiple);
        if (full <= 0) {
            throw new PlanningException("The maximum quantity of " + point.itemCode + " at " + point.siteCode
                    + " is smaller than its multiple");
        }
        refuseTooMany(whole / full);
        List<Part> parts = new ArrayList<>();
        long left = whole;
        while (left >= full) {
            parts.add(part(full));
            left -= full;
        }
        if (left > 0) {
            parts.add(part(raised(left)));
        }
        return parts;
    }

    private long raised(long quantity) {
        return steps(quantity).whole;
    }

    private Steps steps(long quantity) {
        long atLeast = point.minQuantity == Quantity.NOT_SET ? quantity : Math.max(quantity, point.minQuantity);
        long whole = Quantity.roundUp(atLeast, point.multiple);
        boolean split = point.maxQuantity != Quantity.NOT_SET && whole > point.maxQuantity;
        return new Steps(atLeast > quantity, whole > atLeast, split, whole);
    }

    private Part part(long orderUnits) {
        long started = point.orderUnit.up(orderUnits, point.step);
        return new Part(started, point.yield == Ratio.ONE ? started : point.yield.down(started, point.step));
    }

    private static long good(List<Part> parts) {
        long sum = 0;
        for (Part part : parts) {
            sum = Quantity.plus(sum, part.good());
        }
        return sum;
    }

    private void refuseTooMany(long orders) {
        if (orders > MOST_PARTS) {
            throw new PlanningException("One need of " + point.itemCode + " at " + point.siteCode + " would take "
                    + orders + " orders; check its maximum or fixed quantity");
        }
    }
}
