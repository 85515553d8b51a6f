package rescient.core.company;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import rescient.core.base.Limits;

/** One component takes the place of another wherever that is used. */
public final class ComponentReplacement {
    private static final int DECIMALS = 6;

    private final CompanyFacts company;
    private final ItemFacts.Item before;
    private final ItemFacts.Item after;
    private final BigDecimal factor;

    /**
     * @param factor how many units of the new component do what one unit of the old one did, above 0
     * @throws UnfitException if one of them is unknown, both are the same, or the factor is none
     */
    public ComponentReplacement(CompanyFacts company, String component, String by, BigDecimal factor) {
        this.company = company;
        this.before = company.known(ItemFacts.Item.class, component, "component");
        this.after = company.known(ItemFacts.Item.class, by, "by");
        this.factor = factor == null ? BigDecimal.ONE : factor;
        if (before.code().equals(after.code())) {
            throw new UnfitException("It is replaced by itself", "by");
        }
        if (this.factor.signum() <= 0 || this.factor.compareTo(Limits.MOST) > 0) {
            throw new UnfitException("The factor must be more than 0", "factor");
        }
    }

    /**
     * The lines that become otherwise.
     *
     * @param parents in which it is replaced
     */
    public List<FactEdit<?>> in(Predicate<String> parents) {
        List<FactEdit<?>> edits = new ArrayList<>();
        for (MakingFacts.BomLine line : company.where(MakingFacts.BomLine.class, "component", before.code())) {
            if (parents.test(line.parent())) {
                edits.add(new FactEdit<>(line, replaced(line)));
            }
        }
        return edits;
    }

    /** In the unit of the line; where it has none and the items have different ones, the factor is from the one to the other. */
    private MakingFacts.BomLine replaced(MakingFacts.BomLine line) {
        return line.withComponent(
                after.code(),
                line.quantity()
                        .multiply(factor)
                        .setScale(DECIMALS, RoundingMode.HALF_UP)
                        .stripTrailingZeros(),
                line.unit());
    }
}
