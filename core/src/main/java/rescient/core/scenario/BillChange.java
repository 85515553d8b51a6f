package rescient.core.scenario;

import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.MakingFacts;
import rescient.core.company.UnfitException;

/** An item is made of something else. */
public final class BillChange {
    private static final int STEP = 10;

    private final CompanyFacts company;
    private final String parent;

    public BillChange(CompanyFacts company, String parent) {
        this.company = company;
        this.parent = parent;
    }

    /** One more component, so many for each. */
    public FactEdit<?> with(String component, BigDecimal quantity) {
        return FactEdit.added(new MakingFacts.BomLine(parent, nextLine(), component, quantity));
    }

    /** @throws UnfitException if there is no such line */
    public FactEdit<?> quantity(String line, BigDecimal quantity) {
        MakingFacts.BomLine now = line(line);
        return new FactEdit<>(now, now.withQuantity(quantity));
    }

    /** @throws UnfitException if there is no such line */
    public FactEdit<?> without(String line) {
        return FactEdit.gone(line(line));
    }

    private MakingFacts.BomLine line(String line) {
        return lines().stream()
                .filter(l -> l.line().equals(line))
                .findFirst()
                .orElseThrow(() ->
                        new UnfitException("The bill of materials of " + parent + " has no line " + line, "line"));
    }

    private List<MakingFacts.BomLine> lines() {
        return company.where(MakingFacts.BomLine.class, "parent", parent);
    }

    /** Behind all that are numbered. */
    private String nextLine() {
        int highest = lines().stream()
                .map(MakingFacts.BomLine::line)
                .filter(line -> line.matches("\\d{1,8}"))
                .mapToInt(Integer::parseInt)
                .max()
                .orElse(0);
        return Integer.toString(highest + STEP);
    }
}
