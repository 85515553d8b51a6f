package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.Demand;
import rescient.core.DemandKind;
import rescient.core.Peg;
import rescient.core.PointView;
import rescient.core.Quantity;
import rescient.dataset.Row;

/**
 * A demand that a supply serves, or one that is served through that, up to the customer orders.
 *
 * @param depth 0: served directly
 */
public record Served(int depth, String text, BigDecimal quantity, String unit, LocalDate date, Slip.Link link) {
    private static final int DEEPEST = 8;
    private static final int LONGEST = 40;

    /** What these pegs serve, each followed by what stands above it; at most {@value #LONGEST} lines. */
    public static List<Served> upFrom(PlanVersion version, List<Peg> pegs) {
        List<Served> served = new ArrayList<>();
        climb(version, pegs, 0, served, new HashSet<>());
        return served;
    }

    private static void climb(
            PlanVersion version, List<Peg> pegs, int depth, List<Served> into, Set<Demand.OrderRef> seen) {
        for (Peg peg : pegs) {
            if (into.size() >= LONGEST) {
                return;
            }
            Demand demand = peg.demand();
            into.add(new Served(
                    depth,
                    text(version, demand),
                    Quantity.decimal(peg.quantity()),
                    version.directory().unit(demand.item()),
                    Words.date(demand.dueDay()),
                    Slip.link(version, demand)));
            Demand.OrderRef above = demand.ofPlannedOrder();
            if (above != null && depth < DEEPEST && seen.add(above)) {
                PointView point =
                        version.plan().point(above.item(), above.site()).orElseThrow();
                climb(version, point.serves(above.sequence()), depth + 1, into, seen);
            }
        }
    }

    private static String text(PlanVersion version, Demand demand) {
        if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
            Row row = version.directory().customerOrder(demand.number(), demand.line());
            String customer = version.directory().customerName(row.text("customer"));
            return customer == null ? demand.number() : demand.number() + " " + customer;
        }
        return Slip.name(demand);
    }
}
