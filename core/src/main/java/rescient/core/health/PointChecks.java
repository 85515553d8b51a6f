package rescient.core.health;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.function.Consumer;
import rescient.core.base.Quantity;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.plan.Demand;
import rescient.core.plan.PointView;
import rescient.core.trace.BillTree;

/** What is doubtful in how one stock point is planned. */
final class PointChecks {
    private static final int YEAR = 365;

    private final CompanyFacts company;
    private final PointView point;
    private final ItemFacts.Item item;
    private final ItemFacts.Planning row;
    private final ItemFacts.Planned planned;
    private final Consumer<Finding> found;
    /** Of all that is asked for in the horizon, in millionths; asked for when it is needed. */
    private long demand = -1;

    /** @param row null: no row plans it */
    PointChecks(
            CompanyFacts company,
            PointView point,
            ItemFacts.Item item,
            ItemFacts.Planning row,
            ItemFacts.Planned group,
            Consumer<Finding> found) {
        this.company = company;
        this.point = point;
        this.item = item;
        this.row = row;
        this.planned = row == null ? null : row.planned().or(group);
        this.found = found;
    }

    void look() {
        if (point.passedThrough()) {
            return;
        }
        if (!point.planned()) {
            List<String> loop = point.loop().stream().map(PointView::item).toList();
            if (!loop.isEmpty()) {
                tell(Finding.Kind.LOOP, null, null, null, loop);
            }
            return;
        }
        if (row == null) {
            if (demand() > 0) {
                tell(Finding.Kind.NOBODY_SUPPLIES, "source", null, null, List.of());
            }
            return;
        }
        source();
        leadTime();
        reorderPoint();
        sizes();
        if (item.isRetired() && demand() > 0) {
            tell(Finding.Kind.RETIRED_IN_USE, null, null, null, List.of());
        }
    }

    private void source() {
        if (point.source() == Source.NONE && demand() > 0) {
            tell(Finding.Kind.NO_SOURCE, "source", null, null, List.of());
        }
        if (point.source() == Source.BUY && point.supplier() == null) {
            tell(Finding.Kind.NO_SUPPLIER, "supplier", null, null, List.of());
        }
        if (point.source().fromComponents()
                && new BillTree(company).lines(item.code()).isEmpty()) {
            found.accept(new Finding(
                    Finding.Kind.NO_COMPONENTS,
                    "bom_lines",
                    List.of(item.code()),
                    item.code(),
                    point.site(),
                    null,
                    null,
                    null,
                    List.of(),
                    weight()));
        }
    }

    private void leadTime() {
        boolean none = point.source() == Source.NONE || point.routed() || point.leadTimeDays() > 0;
        boolean perUnit = planned.leadTimePerUnitDays() != null
                && planned.leadTimePerUnitDays().signum() > 0;
        if (none || perUnit) {
            return;
        }
        if (planned.leadTimeDays() == null) {
            tell(Finding.Kind.LEAD_TIME_NEVER_SET, "lead_time_days", null, null, List.of());
        } else {
            tell(Finding.Kind.LEAD_TIME_ZERO, "lead_time_days", BigDecimal.ZERO, null, List.of());
        }
    }

    private void reorderPoint() {
        point.reorderNeed()
                .filter(need -> need.needed() > point.reorderPoint())
                .ifPresent(need -> tell(
                        Finding.Kind.REORDER_POINT_LOW,
                        "reorder_point",
                        Quantity.decimal(point.reorderPoint()),
                        Quantity.decimal(need.needed()),
                        List.of()));
    }

    private void sizes() {
        BigDecimal multiple = planned.multiple();
        BigDecimal fixed = planned.fixedQuantity();
        if (point.rule() == PlanningRule.FIXED_QUANTITY
                && multiple != null
                && multiple.signum() > 0
                && fixed.remainder(multiple).signum() != 0) {
            BigDecimal would = fixed.divide(multiple, 0, RoundingMode.CEILING).multiply(multiple);
            tell(Finding.Kind.NOT_A_MULTIPLE, "fixed_quantity", fixed, would, List.of());
        }
        if (planned.minQuantity() != null && demand() > 0) {
            long days = point.plan().snapshot().horizonEnd()
                    - point.plan().snapshot().today()
                    + 1L;
            BigDecimal year = Quantity.decimal(demand())
                    .multiply(BigDecimal.valueOf(YEAR))
                    .divide(BigDecimal.valueOf(days), 0, RoundingMode.CEILING);
            if (planned.minQuantity().compareTo(year) > 0) {
                tell(Finding.Kind.MINIMUM_LARGE, "min_quantity", planned.minQuantity(), year, List.of());
            }
        }
    }

    private void tell(Finding.Kind kind, String column, BigDecimal value, BigDecimal would, List<String> others) {
        found.accept(new Finding(
                kind,
                "planning",
                List.of(item.code(), point.site()),
                item.code(),
                point.site(),
                column,
                value,
                would,
                others,
                weight()));
    }

    private long demand() {
        if (demand < 0) {
            demand = point.demands().stream().mapToLong(Demand::quantity).sum();
        }
        return demand;
    }

    private BigDecimal weight() {
        return point.planned() && item.standardCost() != null
                ? Quantity.decimal(demand()).multiply(item.standardCost())
                : BigDecimal.ZERO;
    }
}
