package rescient.core.snapshot;

import java.util.Set;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.company.Stage;

/**
 * What one calculation leaves out.
 *
 * @param without kinds of demand and supply that do not count
 * @param withoutLines customer order lines that do not count ("what if this order were not there")
 */
public record PlanOptions(Set<Kind> without, Set<Line> withoutLines) {
    /** Nothing is left out. */
    public static final PlanOptions ALL = new PlanOptions(Set.of(), Set.of());

    /** A kind that can be left out; purchase, transfer, make and firmed with what they still have to issue. */
    public enum Kind {
        STOCK,
        CUSTOMER_ORDERS,
        FORECAST,
        PURCHASE,
        TRANSFER,
        /** Make, assemble and subcontract. */
        MAKE,
        FIRMED,
        SAFETY_STOCK
    }

    /** A line of a customer order. */
    public record Line(String number, String line) {}

    public PlanOptions {
        without = Set.copyOf(without);
        withoutLines = Set.copyOf(withoutLines);
    }

    /** Everything counts but these kinds. */
    public static PlanOptions without(Kind... kinds) {
        return new PlanOptions(Set.of(kinds), Set.of());
    }

    /** Whether nothing is left out. */
    public boolean countsAll() {
        return without.isEmpty() && withoutLines.isEmpty();
    }

    public boolean counts(OpenOrder order) {
        return without.isEmpty() || !leavesOut(order);
    }

    private boolean leavesOut(OpenOrder order) {
        Kind kind = switch (order.kind()) {
            case BUY -> Kind.PURCHASE;
            case TRANSFER -> Kind.TRANSFER;
            default -> Kind.MAKE;
        };
        return without.contains(kind) || (order.stage() == Stage.FIRMED && without.contains(Kind.FIRMED));
    }

    public boolean counts(CustomerOrderLine line) {
        return counts(Kind.CUSTOMER_ORDERS)
                && (withoutLines.isEmpty() || !withoutLines.contains(new Line(line.number(), line.line())));
    }

    public boolean counts(Kind kind) {
        return without.isEmpty() || !without.contains(kind);
    }
}
