package rescient.server.planning;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.snapshot.DemandKind;
import rescient.core.trace.ServedDemands;

/**
 * A demand that a supply serves, or one that is served through that, up to the customer orders.
 *
 * @param depth 0: served directly
 * @param quantity what of the order that is asked about serves this one, in that order's unit
 */
public record Served(int depth, String text, BigDecimal quantity, String unit, LocalDate date, Slip.Link link) {
    private static final int MOST = 40;
    private static final int DECIMALS = 2;

    /** What these pegs of one order serve, each followed by what stands above it; at most {@value #MOST} lines. */
    public static List<Served> upFrom(PlanVersion version, List<Peg> pegs) {
        String unit = pegs.isEmpty()
                ? ""
                : version.directory().unit(pegs.get(0).demand().item());
        return ServedDemands.of(version.plan(), pegs, MOST).stream()
                .map(one -> new Served(
                        one.depth(),
                        text(version, one.demand()),
                        shown(one.quantity()),
                        unit,
                        Words.date(one.demand().dueDay()),
                        Slip.link(version, one.demand())))
                .toList();
    }

    private static BigDecimal shown(BigDecimal exact) {
        BigDecimal rounded = exact.setScale(DECIMALS, RoundingMode.HALF_UP).stripTrailingZeros();
        return rounded.scale() < 0 ? rounded.setScale(0) : rounded;
    }

    private static String text(PlanVersion version, Demand demand) {
        if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
            String customer = version.directory().customerOf(demand.number(), demand.line());
            return customer == null ? demand.number() : demand.number() + " " + customer;
        }
        return Slip.name(demand);
    }
}
