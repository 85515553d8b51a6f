package rescient.core.trace;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.DemandKind;

/**
 * How an order comes to one of its parts, by the plan's pegs: no order that comes before goes without.
 *
 * @param site where the part is used: at the subcontractor's premises for what is made there
 * @param wanted millionths, still to be issued
 * @param needed the day on which it is
 * @param there so much of it lies there for this order
 * @param coming what is on order or planned for the rest
 */
public record PartSupply(String component, String site, long wanted, int needed, long there, List<Coming> coming) {
    /**
     * A part of an order that is open or planned.
     *
     * @param supply open or planned
     * @param quantity of it for this part, millionths
     */
    public record Coming(Supply supply, long quantity) {}

    /** What nothing brings. */
    public long missing() {
        return wanted - there - coming.stream().mapToLong(Coming::quantity).sum();
    }

    /**
     * The parts of an open order, in the order of its components.
     *
     * @param components that it still takes, as they are kept in stock
     */
    public static List<PartSupply> of(Plan plan, OpenOrder order, Collection<String> components) {
        String site = order.kind() == Source.SUBCONTRACT ? order.fromSite() : order.site();
        List<PartSupply> parts = new ArrayList<>();
        for (String component : components) {
            plan.point(component, site)
                    .ifPresent(point -> parts.addAll(of(
                            point,
                            demand -> demand.kind() == DemandKind.COMPONENT
                                    && demand.ofPlannedOrder() == null
                                    && order.number().equals(demand.number())
                                    && order.line().equals(demand.line()))));
        }
        return parts;
    }

    /** The parts of a planned order. */
    public static List<PartSupply> of(Plan plan, PointView point, int sequence) {
        List<PartSupply> parts = new ArrayList<>();
        for (Demand need : point.needs(sequence)) {
            plan.point(need.item(), need.site()).ifPresent(below -> parts.addAll(of(below, need::equals)));
        }
        return parts;
    }

    private static List<PartSupply> of(PointView point, Predicate<Demand> mine) {
        Map<Demand, Long> there = new LinkedHashMap<>();
        Map<Demand, List<Coming>> coming = new LinkedHashMap<>();
        point.demands().stream().filter(mine).forEach(demand -> {
            there.put(demand, 0L);
            coming.put(demand, new ArrayList<>());
        });
        for (Peg peg : there.isEmpty() ? List.<Peg>of() : point.pegs()) {
            if (!there.containsKey(peg.demand())) {
                continue;
            }
            if (peg.supply().kind() == Supply.Kind.STOCK) {
                there.merge(peg.demand(), peg.quantity(), Long::sum);
            } else {
                coming.get(peg.demand()).add(new Coming(peg.supply(), peg.quantity()));
            }
        }
        return there.keySet().stream()
                .map(demand -> new PartSupply(
                        demand.item(),
                        demand.site(),
                        demand.quantity(),
                        demand.dueDay(),
                        there.get(demand),
                        coming.get(demand)))
                .toList();
    }

    /**
     * Whether something of it was sent to where the order is made: it lies there for the order, or is on its way to it.
     *
     * @param begun whether goods have left for an open order's place
     */
    public boolean sent(Predicate<Supply> begun) {
        return there > 0
                || coming.stream()
                        .map(Coming::supply)
                        .anyMatch(supply -> supply.kind() == Supply.Kind.OPEN && begun.test(supply));
    }

    /** The planned transfers that bring parts of an order to where it is made. */
    public static List<PlannedOrder> transfers(Plan plan, List<PartSupply> parts) {
        Map<String, PlannedOrder> transfers = new LinkedHashMap<>();
        for (PartSupply part : parts) {
            PointView at = plan.point(part.component, part.site).orElseThrow();
            for (Coming one : part.coming) {
                if (one.supply.kind() == Supply.Kind.PLANNED) {
                    PlannedOrder order = at.plannedOrder(one.supply.sequence());
                    if (order.source() == Source.TRANSFER) {
                        transfers.putIfAbsent(part.component + ' ' + order.sequence(), order);
                    }
                }
            }
        }
        return List.copyOf(transfers.values());
    }
}
