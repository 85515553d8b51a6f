package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.FactEdit;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.scenario.BillChange;
import rescient.dataset.FactChange;
import rescient.server.decisions.PlanningRows;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * An item is made of something else.
 *
 * @param item the parent
 * @param component a new one; else a {@code line} gets another quantity
 * @param quantity for each; null: 1 of a new component; null or 0: the line goes
 */
record BillOtherwise(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String component,
        @Nullable @Size(max = LONGEST) String line,
        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal quantity)
        implements Assumption {
    @Override
    public List<FactChange> apply(Assumed company) {
        company.facts().known(ItemFacts.Item.class, item, "item");
        return PlanningRows.checked(
                company.facts(),
                FactChange.of(List.<FactEdit<?>>of(edit(company))),
                "The bill of materials of " + item + " cannot be so");
    }

    private FactEdit<?> edit(Assumed company) {
        BillChange bill = new BillChange(company.facts(), item);
        if (component != null) {
            company.facts().known(ItemFacts.Item.class, component, "component");
            return bill.with(component, quantity == null ? BigDecimal.ONE : quantity);
        }
        return goes() ? bill.without(line) : bill.quantity(line, quantity);
    }

    private boolean goes() {
        return quantity == null || quantity.signum() == 0;
    }

    private String each() {
        return quantity == null ? "1" : quantity.stripTrailingZeros().toPlainString();
    }

    @Override
    public String sentence(Directory directory) {
        if (component != null) {
            return "Each " + item + " takes " + each() + " " + component + " more";
        }
        String named = directory.bills().lines(item).stream()
                .filter(bomLine -> bomLine.line().equals(line))
                .map(MakingFacts.BomLine::component)
                .findFirst()
                .orElse("line " + line);
        return goes() ? item + " is made without " + named : "Each " + item + " takes " + each() + " " + named;
    }
}
