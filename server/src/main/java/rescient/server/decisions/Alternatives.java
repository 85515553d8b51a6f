package rescient.server.decisions;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Alternative;
import rescient.core.order.OrderDraft;
import rescient.core.order.Substitution;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;

/** What can be used in the place of an item, by the company's table of alternatives. */
final class Alternatives {
    private final PlanVersion version;
    private final Targets targets;
    /** Open orders that use a component, by key. */
    private final Map<String, Target.Open> open = new HashMap<>();

    Alternatives(PlanVersion version, Targets targets) {
        this.version = version;
        this.targets = targets;
    }

    /** The codes of the alternatives of an item, the first choice first. */
    List<String> of(String item) {
        return version.directory().alternatives(item).codes();
    }

    /** What production orders come to that take an alternative for what the chosen orders bring. */
    Substitution instead(List<Target> chosen, String alternative) {
        Substitution substitution = new Substitution(
                version.plan(), user -> standing(user.number(), user.line()).as());
        for (Target target : chosen) {
            OrderDraft order = target.as();
            PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
            substitution.use(point, isSupply(target), above -> choice(order.item(), alternative, above));
        }
        return substitution;
    }

    /** An open order that uses a component, as it stands. */
    Target.Open standing(String number, String line) {
        return open.computeIfAbsent(OrderKey.ofLine(number, line), key -> (Target.Open)
                targets.find(key).orElseThrow(() -> new IllegalStateException("The plan counts on " + key)));
    }

    private static Predicate<Supply> isSupply(Target target) {
        if (target instanceof Target.Planned planned) {
            return supply -> supply.sequence() == planned.order().sequence();
        }
        Target.Open order = (Target.Open) target;
        return supply -> supply.kind() == Supply.Kind.OPEN
                && supply.number().equals(order.number())
                && supply.line().equals(order.line());
    }

    /** @param above what the item is a part of, the nearest first */
    private Alternative choice(String item, String alternative, List<String> above) {
        return version.directory()
                .alternatives(item)
                .in(alternative, above)
                .map(row -> new Alternative(item, alternative, Ratio.of(row.units()), step(item), step(alternative)))
                .orElse(null);
    }

    private long step(String item) {
        return Quantity.step(version.directory().decimals(item));
    }

    /** The alternatives that a firmed order may use, of everything that it needs by its bill of materials. */
    private List<Alternative> usable(OrderDraft ordinary) {
        List<String> above = new ArrayList<>();
        // an alternative may be allowed in a phantom only
        ordinary.needs().forEach(need -> above.add(need.item()));
        above.add(ordinary.item());
        List<Alternative> usable = new ArrayList<>();
        for (OrderDraft.Need need :
                Substitution.expanded(version.plan(), ordinary).needs()) {
            for (String other : of(need.item())) {
                Alternative choice = choice(need.item(), other, above);
                if (choice != null && !usable.contains(choice)) {
                    usable.add(choice);
                }
            }
        }
        return usable;
    }

    /** What takes the place of a firmed order, with the alternatives that it uses. */
    OrderDraft carriedOver(OrderDraft ordinary, OrderDraft standing, OrderDraft next) {
        return Substitution.carriedOver(version.plan(), ordinary, standing, next, usable(ordinary));
    }
}
