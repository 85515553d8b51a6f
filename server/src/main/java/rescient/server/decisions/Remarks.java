package rescient.server.decisions;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rescient.core.Demand;
import rescient.core.DemandKind;
import rescient.core.OrderDraft;
import rescient.core.PlannedOrder;
import rescient.core.PointView;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;

/** What is to be known of an order before it is kept, although nothing forbids it. */
final class Remarks {
    /** So many times what is usual is said. */
    private static final int FAR = 50;

    private Remarks() {}

    /** In sentences, each with what cures it. */
    static List<String> of(Proposal proposal) {
        Directory directory = proposal.version.directory();
        Set<String> remarks = new LinkedHashSet<>(proposal.remarks);
        for (Proposal.Line line : proposal.lines) {
            OrderDraft order = line.after();
            if (order == null || order.equals(line.before()) || remarks.size() > 20) {
                continue;
            }
            usual(proposal, line).ifPresent(remarks::add);
            boolean made = order.source() == Source.MAKE
                    || order.source() == Source.ASSEMBLE
                    || order.source() == Source.SUBCONTRACT;
            if (made && order.needs().isEmpty()) {
                remarks.add(order.item() + " has no components: nothing would be issued for it. "
                        + "Buy it instead, or give it a bill of materials first.");
            }
            if (order.source() == Source.BUY
                    && order.supplier() != null
                    && !directory.hasTerms(order.supplier(), order.item())) {
                remarks.add(directory.supplierName(order.supplier()) + " has no terms for " + order.item()
                        + ": its price is not known, and the lead time is the stock point's. "
                        + "Choose a supplier who has, or ask for the price.");
            }
        }
        return List.copyOf(remarks);
    }

    /** A customer order of many times what customers have ordered of this so far; nothing if they have not. */
    static Optional<String> usualOfCustomers(PlanVersion version, String item, String site, long quantity) {
        long usual = version.plan()
                .point(item, site)
                .map(point -> point.demands().stream()
                        .filter(d -> d.kind() == DemandKind.CUSTOMER_ORDER)
                        .mapToLong(Demand::quantity)
                        .max()
                        .orElse(0))
                .orElse(0L);
        return far(item, quantity, usual);
    }

    /** A quantity that is many times what is usual here. */
    private static Optional<String> usual(Proposal proposal, Proposal.Line line) {
        OrderDraft order = line.after();
        long usual = line.before() != null
                ? line.before().quantity()
                : proposal.version
                        .plan()
                        .point(order.item(), order.site())
                        .map(Remarks::largest)
                        .orElse(0L);
        return far(order.item(), order.quantity(), usual);
    }

    private static Optional<String> far(String item, long quantity, long usual) {
        if (usual <= 0 || quantity / FAR < usual) {
            return Optional.empty();
        }
        return Optional.of(Quantity.text(quantity) + " " + item + " are " + quantity / usual
                + " times what is usual here, " + Quantity.text(usual) + ".");
    }

    private static long largest(PointView point) {
        return point.planned()
                ? point.plannedOrders().stream()
                        .mapToLong(PlannedOrder::quantity)
                        .max()
                        .orElse(0)
                : 0;
    }
}
