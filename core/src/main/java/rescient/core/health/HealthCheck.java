package rescient.core.health;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Earmark;
import rescient.core.company.ItemFacts;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;

/** Reads a whole company, and its plan, for what is wrong or doubtful in its data. */
public final class HealthCheck {
    private static final Comparator<Finding> WORST_FIRST = Comparator.comparing(
                    (Finding finding) -> finding.kind().consequence())
            .thenComparing(Finding::weight, Comparator.reverseOrder())
            .thenComparing(Finding::kind)
            .thenComparing(finding -> String.join(" ", finding.key()), DocumentOrder::byCodePoint);

    private HealthCheck() {}

    /** All that is found, worst consequence first. */
    public static List<Finding> of(CompanyFacts company, Plan plan) {
        List<Finding> found = Collections.synchronizedList(new ArrayList<>());
        Map<String, ItemFacts.Planned> groups = new HashMap<>();
        company.all(ItemFacts.ItemGroup.class).forEach(group -> groups.put(group.code(), group.planned()));
        ItemChecks items = new ItemChecks(company, plan, found::add);
        items.look();
        // what is bought for one line alone is planned by what is said of the item
        plan.points().parallelStream()
                .filter(point -> !Earmark.isCode(point.item()))
                .forEach(point -> {
                    point(company, groups, point, found);
                    items.price(point);
                });
        // what lies on a loop is no point that was planned
        plan.signalsOfThoseLeftOut().stream()
                .filter(signal -> signal.kind() == Signal.Kind.LOOP)
                .flatMap(signal -> plan.point(signal.item(), signal.site()).stream())
                .forEach(point -> point(company, groups, point, found));
        List<Finding> sorted = new ArrayList<>(found);
        sorted.sort(WORST_FIRST);
        return List.copyOf(sorted);
    }

    /** What is doubtful in how one stock point is planned, worst first. */
    public static List<Finding> of(CompanyFacts company, PointView point) {
        Map<String, ItemFacts.Planned> groups = new HashMap<>();
        company.all(ItemFacts.ItemGroup.class).forEach(group -> groups.put(group.code(), group.planned()));
        List<Finding> found = new ArrayList<>();
        point(company, groups, point, found);
        found.sort(WORST_FIRST);
        return found;
    }

    private static void point(
            CompanyFacts company, Map<String, ItemFacts.Planned> groups, PointView point, List<Finding> found) {
        ItemFacts.Item item = company.one(ItemFacts.Item.class, point.item()).orElseThrow();
        ItemFacts.Planning row = company.one(ItemFacts.Planning.class, point.item(), point.site())
                .orElse(null);
        ItemFacts.Planned group = item.group() == null ? null : groups.get(item.group());
        new PointChecks(company, point, item, row, group, found::add).look();
    }
}
