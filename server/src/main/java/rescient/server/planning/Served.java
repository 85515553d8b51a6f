package rescient.server.planning;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
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
 * @param quantity what of the order that is asked about serves this one, in that order's unit
 */
public record Served(int depth, String text, BigDecimal quantity, String unit, LocalDate date, Slip.Link link) {
    private static final int DEEPEST = 8;
    private static final int LONGEST = 40;
    private static final int DECIMALS = 2;

    /**
     * How far up one is.
     *
     * @param share how much of the first order is in one unit of what stands here
     * @param unit of the first order
     */
    private record Level(int depth, BigDecimal share, String unit) {
        /** What of the first order is in a quantity of what stands here. */
        BigDecimal ofTheFirst(long quantity) {
            BigDecimal exact = Quantity.decimal(quantity).multiply(share);
            BigDecimal shown = exact.setScale(DECIMALS, RoundingMode.HALF_UP).stripTrailingZeros();
            return shown.scale() < 0 ? shown.setScale(0) : shown;
        }

        /** That of an order above, of which {@code part} goes into {@code whole}. */
        Level above(long part, long whole) {
            BigDecimal each =
                    share.multiply(BigDecimal.valueOf(part)).divide(BigDecimal.valueOf(whole), MathContext.DECIMAL64);
            return new Level(depth + 1, each, unit);
        }
    }

    /** What these pegs serve, each followed by what stands above it; at most {@value #LONGEST} lines. */
    public static List<Served> upFrom(PlanVersion version, List<Peg> pegs) {
        List<Served> served = new ArrayList<>();
        if (!pegs.isEmpty()) {
            String unit = version.directory().unit(pegs.get(0).demand().item());
            climb(version, pegs, new Level(0, BigDecimal.ONE, unit), served, new HashSet<>());
        }
        return served;
    }

    private static void climb(
            PlanVersion version, List<Peg> pegs, Level level, List<Served> into, Set<Demand.OrderRef> seen) {
        for (Peg peg : pegs) {
            if (into.size() >= LONGEST) {
                return;
            }
            Demand demand = peg.demand();
            into.add(new Served(
                    level.depth,
                    text(version, demand),
                    level.ofTheFirst(peg.quantity()),
                    level.unit,
                    Words.date(demand.dueDay()),
                    Slip.link(version, demand)));
            Demand.OrderRef above = demand.ofPlannedOrder();
            if (above != null && level.depth < DEEPEST && seen.add(above)) {
                PointView point =
                        version.plan().point(above.item(), above.site()).orElseThrow();
                long whole = point.plannedOrder(above.sequence()).quantity();
                climb(version, point.serves(above.sequence()), level.above(peg.quantity(), whole), into, seen);
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
