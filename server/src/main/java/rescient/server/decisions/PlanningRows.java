package rescient.server.decisions;

import java.util.Map;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import rescient.dataset.Column;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Facts;
import rescient.dataset.Fault;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.JobProblem;

/** Planning data of one stock point, otherwise. */
public final class PlanningRows {
    private static final Table PLANNING = Table.named("planning");

    private PlanningRows() {}

    /**
     * The company with other planning data of one stock point.
     *
     * @param fields by column; an empty text takes one out
     * @throws JobProblem 422 with the field and what would be right
     */
    public static Dataset with(Dataset dataset, String item, String site, Map<String, String> fields) {
        return dataset.with(row(Facts.of(dataset), item, site, fields));
    }

    /** The planning row of a stock point with other data; see {@link #with(Dataset, String, String, Map)}. */
    static Row row(Facts facts, String item, String site, Map<String, String> fields) {
        known(facts, "items", "item", item, "item");
        known(facts, "sites", "site", site, "site");
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

    private static void known(Facts facts, String table, String what, String code, String field) {
        if (facts.row(table, code) == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no " + what + " " + code).field(field);
        }
    }

    /**
     * A company that keeps all rules of the dataset.
     *
     * @param sentence what is said first if it does not
     * @throws JobProblem 422 with the field and what would be right
     */
    public static Dataset checked(Dataset dataset, String sentence) {
        return told(() -> DatasetReader.checked(dataset), sentence);
    }

    private static <T> T told(Supplier<T> check, String sentence) {
        try {
            return check.get();
        } catch (FaultyDatasetException e) {
            Fault fault = e.faults().get(0);
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            sentence + ": " + fault.wrong() + "; right would be: " + fault.right())
                    .field(fault.column());
        }
    }

    private static String checked(Facts facts, String name, String value) {
        Column column = PLANNING.columns().stream()
                .filter(c -> c.name().equals(name) && !name.equals("item") && !name.equals("site"))
                .findFirst()
                .orElseThrow(
                        () -> new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "\"" + name + "\" is no planning data")
                                .field(name));
        String text = value == null ? "" : value.strip();
        String table = name.equals("supplier") ? "suppliers" : name.equals("from_site") ? "sites" : null;
        if (table != null && !text.isEmpty()) {
            known(facts, table, name.equals("supplier") ? "supplier" : "site", text, name);
        }
        Fault.Finding wrong = text.isEmpty() ? null : column.type().check(text);
        if (wrong != null) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "\"" + text + "\" is not right: " + wrong.wrong() + "; right would be: " + wrong.right())
                    .field(name);
        }
        return text;
    }
}
