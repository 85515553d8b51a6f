package rescient.core.trace;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;

/**
 * What a supply serves, each demand followed by what is served through it, up to customer orders and forecasts. An order
 * above is there as a whole, when all that it needs is: so each demand that it serves has its share of the supply.
 */
public final class ServedDemands {
    private static final int DEEPEST = 8;

    /**
     * A demand that is served.
     *
     * @param depth 0: by the supply itself
     * @param quantity what of the supply serves it, in the unit of the supply; not rounded
     */
    public record Served(int depth, Demand demand, BigDecimal quantity) {}

    private final Plan plan;
    private final int most;
    private final List<Served> served = new ArrayList<>();
    private final Set<Demand.OrderRef> seen = new HashSet<>();

    private ServedDemands(Plan plan, int most) {
        this.plan = plan;
        this.most = most;
    }

    /**
     * What pegs of one supply come to.
     *
     * @param most demands that are told
     */
    public static List<Served> of(Plan plan, List<Peg> pegs, int most) {
        ServedDemands demands = new ServedDemands(plan, most);
        demands.up(pegs, BigDecimal.ONE, 0);
        return demands.served;
    }

    /** @param share what of the supply is in one unit of what the pegs bring */
    private void up(List<Peg> pegs, BigDecimal share, int depth) {
        for (Peg peg : pegs) {
            if (served.size() >= most) {
                return;
            }
            BigDecimal quantity = Quantity.decimal(peg.quantity()).multiply(share);
            served.add(new Served(depth, peg.demand(), quantity));
            Demand.OrderRef above = peg.demand().ofPlannedOrder();
            if (above != null && depth < DEEPEST && seen.add(above)) {
                PointView point = plan.point(above.item(), above.site()).orElseThrow();
                BigDecimal whole =
                        Quantity.decimal(point.plannedOrder(above.sequence()).quantity());
                up(point.serves(above.sequence()), quantity.divide(whole, MathContext.DECIMAL64), depth + 1);
            }
        }
    }
}
