package rescient.server.decisions;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.UnfitException;
import rescient.dataset.Column;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Fault;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Planning data of one stock point, otherwise. */
public final class PlanningRows {
    private static final Table PLANNING = Table.named("planning");

    private PlanningRows() {}

    /**
     * What becomes of the planning data of one stock point.
     *
     * @param fields by column; an empty text takes one out
     * @throws UnfitException with the field and what would be right
     */
    public static FactChange change(Facts facts, String item, String site, Map<String, String> fields) {
        return FactChange.of(facts.row(PLANNING.name(), item, site), row(facts, item, site, fields));
    }

    /** The planning row of a stock point with other data; see {@link #change}. */
    static Row row(Facts facts, String item, String site, Map<String, String> fields) {
        facts.known(ItemFacts.Item.class, item, "item");
        facts.known(BasicFacts.Site.class, site, "site");
        Row row = facts.row(PLANNING.name(), item, site);
        if (row == null) {
            row = Row.of(PLANNING, Map.of("item", item, "site", site));
        }
        for (Map.Entry<String, String> field : fields.entrySet()) {
            row = row.with(field.getKey(), checked(facts, field.getKey(), field.getValue()));
        }
        Row planning = row;
        return told(() -> DatasetReader.checked(facts, planning), item + " cannot be planned so");
    }

    /**
     * Changes after which the company keeps all rules of the dataset.
     *
     * @param sentence what is said first if it does not
     * @throws UnfitException with the field and what would be right
     */
    public static List<FactChange> checked(Facts facts, List<FactChange> changes, String sentence) {
        return told(() -> DatasetReader.checked(facts, changes), sentence);
    }

    private static <T> T told(Supplier<T> check, String sentence) {
        try {
            return check.get();
        } catch (FaultyDatasetException e) {
            Fault fault = e.faults().get(0);
            throw new UnfitException(
                    sentence + ": " + fault.wrong() + "; right would be: " + fault.right(), fault.column());
        }
    }

    private static String checked(Facts facts, String name, String value) {
        Column column = PLANNING.columns().stream()
                .filter(c -> c.name().equals(name) && !name.equals("item") && !name.equals("site"))
                .findFirst()
                .orElseThrow(() -> new UnfitException("\"" + name + "\" is no planning data", name));
        String text = value == null ? "" : value.strip();
        if (column.references() != null && !text.isEmpty() && facts.row(column.references(), text) == null) {
            throw new UnfitException("There is no " + (name.equals("supplier") ? "supplier " : "site ") + text, name);
        }
        Fault.Finding wrong = text.isEmpty() ? null : column.type().check(text);
        if (wrong != null) {
            throw new UnfitException(
                    "\"" + text + "\" is not right: " + wrong.wrong() + "; right would be: " + wrong.right(), name);
        }
        return text;
    }
}
