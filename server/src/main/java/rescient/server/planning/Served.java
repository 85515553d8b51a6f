package rescient.server.planning;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.PointView;
import rescient.core.snapshot.DemandKind;

/**
 * A demand that a supply serves, or one that is served through that, up to the customer orders.
 *
 * @param depth 0: served directly
 * @param quantity what of the order that is asked about serves this one, in that order's unit
 */
public record Served(int depth, String text, BigDecimal quantity, String unit, LocalDate date, Slip.Link link) {
    private static final int DEEPEST = 8;
    private static final int LONGEST = 40;
    private static final int DECIMALS = 2;

    /** What these pegs of one order serve, each followed by what stands above it; at most {@value #LONGEST} lines. */
    public static List<Served> upFrom(PlanVersion version, List<Peg> pegs) {
        List<Served> served = new ArrayList<>();
        if (!pegs.isEmpty()) {
            String unit = version.directory().unit(pegs.get(0).demand().item());
            new Climb(version, unit, served, new HashSet<>()).up(pegs, BigDecimal.ONE, 0);
        }
        return served;
    }

    /**
     * Follows pegs up. An order above is there as a whole, when all that it needs is: so each that it serves has its share
     * of the first order.
     *
     * @param unit of the first order
     */
    private record Climb(PlanVersion version, String unit, List<Served> into, Set<Demand.OrderRef> seen) {

        /** @param share what of the first order is in one unit of what the pegs bring */
        void up(List<Peg> pegs, BigDecimal share, int depth) {
            for (Peg peg : pegs) {
                if (into.size() >= LONGEST) {
                    return;
                }
                Demand demand = peg.demand();
                BigDecimal ofTheFirst = Quantity.decimal(peg.quantity()).multiply(share);
                into.add(new Served(
                        depth,
                        text(version, demand),
                        shown(ofTheFirst),
                        unit,
                        Words.date(demand.dueDay()),
                        Slip.link(version, demand)));
                Demand.OrderRef above = demand.ofPlannedOrder();
                if (above != null && depth < DEEPEST && seen.add(above)) {
                    PointView point =
                            version.plan().point(above.item(), above.site()).orElseThrow();
                    BigDecimal whole = Quantity.decimal(
                            point.plannedOrder(above.sequence()).quantity());
                    up(point.serves(above.sequence()), ofTheFirst.divide(whole, MathContext.DECIMAL64), depth + 1);
                }
            }
        }

        private static BigDecimal shown(BigDecimal exact) {
            BigDecimal rounded = exact.setScale(DECIMALS, RoundingMode.HALF_UP).stripTrailingZeros();
            return rounded.scale() < 0 ? rounded.setScale(0) : rounded;
        }
    }

    private static String text(PlanVersion version, Demand demand) {
        if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
            String customer = version.directory().customerOf(demand.number(), demand.line());
            return customer == null ? demand.number() : demand.number() + " " + customer;
        }
        return Slip.name(demand);
    }
}
