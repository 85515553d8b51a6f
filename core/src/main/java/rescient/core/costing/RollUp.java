package rescient.core.costing;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rescient.core.costing.CostPoint.Place;

/** Costs through all levels, from the last bought part up; exact, so that nothing is lost by rounding on the way. */
public final class RollUp {
    private static final Exact HOUR = Exact.of(BigDecimal.valueOf(60));

    private final Map<Place, CostPoint> points = new LinkedHashMap<>();
    private final Function<String, BigDecimal> standard;
    private final Map<Place, Optional<UnitCost>> known = new HashMap<>();
    private final Set<Place> underWay = new HashSet<>();

    private RollUp(Collection<CostPoint> points, Function<String, BigDecimal> standard) {
        points.forEach(point -> this.points.put(point.place(), point));
        this.standard = standard;
    }

    /**
     * The cost of each; empty of those on a loop and all above them.
     *
     * @param standard the standard cost of an item: what it costs where it is no point
     */
    public static Map<Place, Optional<UnitCost>> of(
            Collection<CostPoint> points, Function<String, BigDecimal> standard) {
        RollUp rollUp = new RollUp(points, standard);
        Map<Place, Optional<UnitCost>> costs = new LinkedHashMap<>();
        rollUp.points.keySet().forEach(place -> costs.put(place, rollUp.cost(place)));
        return costs;
    }

    private Optional<UnitCost> cost(Place place) {
        CostPoint point = points.get(place);
        if (point == null) {
            return Optional.of(UnitCost.ofMaterial(Exact.of(standard.apply(place.item()))));
        }
        Optional<UnitCost> before = known.get(place);
        if (before != null) {
            return before;
        }
        if (!underWay.add(place)) {
            return Optional.empty();
        }
        Optional<UnitCost> cost = cost(point);
        underWay.remove(place);
        known.put(place, cost);
        return cost;
    }

    private Optional<UnitCost> cost(CostPoint point) {
        return switch (point.way()) {
            case STANDARD -> Optional.of(UnitCost.ofMaterial(Exact.of(point.standard())));
            case BOUGHT ->
                Optional.of(UnitCost.ofMaterial(point.price() == null ? Exact.of(point.standard()) : point.price()));
            case TRANSFERRED -> cost(new Place(point.place().item(), point.fromSite()));
            case PARTS -> parts(point, point.place().site());
            case MADE ->
                parts(point, point.place().site())
                        .map(parts -> parts.plus(work(point)).times(Exact.ONE.over(Exact.of(point.yield()))));
            case SUBCONTRACTED ->
                parts(point, point.fromSite())
                        .map(parts -> parts.times(Exact.ONE.over(Exact.of(point.yield())))
                                .plus(new UnitCost(
                                        Exact.ZERO, Exact.ZERO, point.price() == null ? Exact.ZERO : point.price())));
        };
    }

    private Optional<UnitCost> parts(CostPoint point, String site) {
        UnitCost sum = UnitCost.NOTHING;
        boolean loop = false;
        for (CostPoint.Part part : point.parts()) {
            Optional<UnitCost> one = cost(new Place(part.item(), site));
            loop |= one.isEmpty();
            Exact quantity = part.perOrder() ? part.quantity().over(Exact.of(point.lot())) : part.quantity();
            sum = one.isEmpty() ? sum : sum.plus(one.get().times(quantity));
        }
        return loop ? Optional.empty() : Optional.of(sum);
    }

    private static UnitCost work(CostPoint point) {
        Exact sum = Exact.ZERO;
        for (CostPoint.Work work : point.works()) {
            Exact minutes = Exact.of(work.setup()).over(Exact.of(point.lot())).plus(Exact.of(work.run()));
            sum = sum.plus(minutes.times(Exact.of(work.costPerHour())).over(HOUR.times(Exact.of(work.efficiency()))));
        }
        return new UnitCost(Exact.ZERO, sum, Exact.ZERO);
    }
}
