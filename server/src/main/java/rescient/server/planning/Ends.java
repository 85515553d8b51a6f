package rescient.server.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.Demand;
import rescient.core.DemandKind;
import rescient.core.Peg;
import rescient.core.PointView;
import rescient.core.Supply;
import rescient.dataset.Row;
import rescient.server.platform.Nullable;

/** The customer orders that each order of a plan serves in the end, through all that stands above it. */
final class Ends {
    /** A line of a customer order. */
    record End(String number, String line, @Nullable String customer, String item, LocalDate due) {}

    /**
     * What one order serves.
     *
     * @param first the earliest line, or null
     * @param lines how many
     * @param late whether one of them is late
     */
    record Served(@Nullable End first, int lines, boolean late) {}

    private record Order(String item, String site, Supply.Kind kind, String number, String line, int sequence) {}

    private static final Comparator<End> EARLIEST =
            Comparator.comparing(End::due).thenComparing(End::number).thenComparing(End::line);

    private final PlanVersion version;
    private final Map<Order, List<Peg>> pegs = new HashMap<>();
    private final Map<Order, Set<End>> known = new HashMap<>();
    private final Set<End> late = new HashSet<>();
    private final Set<List<String>> read = new HashSet<>();

    Ends(PlanVersion version) {
        this.version = version;
    }

    Served ofPlanned(String item, String site, int sequence) {
        return served(new Order(item, site, Supply.Kind.PLANNED, "", "", sequence));
    }

    Served ofOpen(String item, String site, String number, String line) {
        return served(new Order(item, site, Supply.Kind.OPEN, number, line, -1));
    }

    /** All lines that a planned order serves, the earliest first. */
    List<End> allOfPlanned(String item, String site, int sequence) {
        return of(new Order(item, site, Supply.Kind.PLANNED, "", "", sequence)).stream()
                .sorted(EARLIEST)
                .toList();
    }

    /** The same of a line of an open order. */
    List<End> allOfOpen(String item, String site, String number, String line) {
        return of(new Order(item, site, Supply.Kind.OPEN, number, line, -1)).stream()
                .sorted(EARLIEST)
                .toList();
    }

    private Served served(Order order) {
        Set<End> ends = of(order);
        return new Served(
                ends.stream().min(EARLIEST).orElse(null),
                ends.size(),
                ends.stream().anyMatch(late::contains));
    }

    private Set<End> of(Order order) {
        Set<End> found = known.get(order);
        if (found != null) {
            return found;
        }
        Set<End> ends = new HashSet<>();
        // open orders may wait for each other in a circle: met again, it adds nothing
        known.put(order, ends);
        readPegs(order.item, order.site);
        for (Peg peg : pegs.getOrDefault(order, List.of())) {
            Demand demand = peg.demand();
            if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
                ends.add(end(demand));
            } else if (demand.ofPlannedOrder() != null) {
                Demand.OrderRef above = demand.ofPlannedOrder();
                ends.addAll(of(new Order(above.item(), above.site(), Supply.Kind.PLANNED, "", "", above.sequence())));
            } else if (demand.kind() != DemandKind.FORECAST) {
                Row row = version.directory().openOrder(demand.number(), demand.line());
                if (row != null) {
                    ends.addAll(of(new Order(
                            row.text("item"), row.text("site"), Supply.Kind.OPEN, demand.number(), demand.line(), -1)));
                }
            }
        }
        return ends;
    }

    private void readPegs(String item, String site) {
        if (!read.add(List.of(item, site))) {
            return;
        }
        for (Peg peg : version.plan().point(item, site).map(PointView::pegs).orElse(List.of())) {
            Supply supply = peg.supply();
            Order order = supply.kind() == Supply.Kind.PLANNED
                    ? new Order(item, site, Supply.Kind.PLANNED, "", "", supply.sequence())
                    : new Order(item, site, supply.kind(), supply.number(), supply.line(), -1);
            pegs.computeIfAbsent(order, o -> new ArrayList<>()).add(peg);
        }
    }

    private End end(Demand demand) {
        Row row = version.directory().customerOrder(demand.number(), demand.line());
        End end = new End(
                demand.number(),
                demand.line(),
                row == null ? null : version.directory().customerName(row.text("customer")),
                row == null ? demand.item() : row.text("item"),
                Words.date(demand.dueDay()));
        String site = row == null ? demand.site() : row.text("site");
        if (version.plan().isLate(end.number, end.line, end.item, site)) {
            late.add(end);
        }
        return end;
    }
}
