package rescient.server.decisions;

import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.core.company.FactEdit;
import rescient.core.company.ItemCopy;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.Nullable;

/**
 * A new item like another one.
 *
 * @param item the other
 * @param code of the new one
 * @param without what is not copied: bill, routing, planning, suppliers
 */
record CopyItem(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String code,
        @Nullable @Size(max = LONGEST) String name,
        @Nullable @Size(max = 4) List<@Size(max = LONGEST) String> without)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        ItemCopy.Parts parts =
                new ItemCopy.Parts(copies("bill"), copies("routing"), copies("planning"), copies("suppliers"));
        List<FactEdit<?>> edits = new ItemCopy(facts, item).as(code, name, parts);
        desk.proposal().changes.addAll(PlanningRows.checked(facts, FactChange.of(edits), code + " cannot be so"));
        facts.rows("planning", "item", item).stream()
                .limit(1)
                .forEach(row -> desk.proposal().point(code.strip(), row.text("site")));
        desk.say("Added item " + code.strip() + " like " + item);
    }

    private boolean copies(String part) {
        return without == null || !without.contains(part);
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.tables().contains("items")
                && (!copies("planning") || rights.planningData())
                && (!copies("suppliers") || rights.tables().contains("supplier_items"));
    }
}
