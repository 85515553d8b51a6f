package rescient.server.decisions;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.company.ComponentReplacement;
import rescient.core.company.FactEdit;
import rescient.core.trace.BillTree;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.Nullable;

/**
 * One component takes the place of another in bills of materials.
 *
 * @param component that goes
 * @param by that comes
 * @param factor units of the one that comes for each of the one that goes; null: one
 * @param parents in whose bills of materials; null: in all
 */
record ReplaceComponent(
        @Nullable @Size(max = LONGEST) String component,
        @Nullable @Size(max = LONGEST) String by,
        @Nullable BigDecimal factor,
        @Nullable @Size(max = ChangeData.MOST) Set<@Size(max = LONGEST) String> parents)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        ComponentReplacement replacement = new ComponentReplacement(facts, component, by, factor);
        List<FactEdit<?>> edits = replacement.in(parent -> parents == null || parents.contains(parent));
        Proposal proposal = desk.proposal();
        if (edits.isEmpty()) {
            proposal.refusals.add(component + " is used in none of these bills of materials.");
            return;
        }
        Set<String> below = new HashSet<>(Set.of(by));
        new BillTree(facts).below(by).forEach(line -> below.add(line.line().component()));
        List<FactChange> changes = FactChange.of(edits);
        List<String> loops = changes.stream()
                .map(change -> change.any().text("parent"))
                .filter(below::contains)
                .distinct()
                .toList();
        if (!loops.isEmpty()) {
            proposal.refusals.add(by + " is made of " + loops.get(0) + ", and would be a component of it"
                    + (loops.size() > 1 ? "; so it is with " + (loops.size() - 1) + " more" : "") + ".");
            return;
        }
        proposal.changes.addAll(PlanningRows.checked(facts, changes, by + " cannot take its place"));
        for (String item : List.of(component, by)) {
            facts.rows("planning", "item", item).stream()
                    .limit(1)
                    .forEach(row -> proposal.point(item, row.text("site")));
        }
        desk.say("Replaced " + component + " by "
                + (factor == null || factor.compareTo(BigDecimal.ONE) == 0
                        ? ""
                        : Quantity.text(Quantity.of(factor)) + " ")
                + by + " in " + edits.size() + (edits.size() == 1 ? " bill" : " bills") + " of materials");
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.materials();
    }
}
