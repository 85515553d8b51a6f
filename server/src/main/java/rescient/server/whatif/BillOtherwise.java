package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;
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
    private static final String TABLE = "bom_lines";

    @Override
    public Dataset apply(Assumed company) {
        company.known("items", item, "item");
        List<Row> rows = new ArrayList<>(company.dataset().rows(TABLE));
        if (component != null) {
            company.known("items", component, "component");
            rows.add(Row.of(
                    Table.named(TABLE),
                    Map.of("parent", item, "line", nextLine(rows), "component", component, "quantity", each())));
        } else if (quantity == null || quantity.signum() == 0) {
            rows.remove(place(rows));
        } else {
            int at = place(rows);
            rows.set(at, rows.get(at).with("quantity", each()));
        }
        return PlanningRows.checked(
                company.dataset().with(TABLE, rows), "The bill of materials of " + item + " cannot be so");
    }

    private String each() {
        return quantity == null ? "1" : quantity.stripTrailingZeros().toPlainString();
    }

    private int place(List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            if (item.equals(rows.get(i).text("parent"))
                    && rows.get(i).text("line").equals(line)) {
                return i;
            }
        }
        throw Assumed.wrong("The bill of materials of " + item + " has no line " + line, "line");
    }

    private String nextLine(List<Row> rows) {
        int highest = rows.stream()
                .filter(row -> item.equals(row.text("parent")))
                .filter(row -> row.text("line").matches("\\d{1,8}"))
                .mapToInt(row -> row.whole("line", 0))
                .max()
                .orElse(0);
        return Integer.toString(highest + 10);
    }

    @Override
    public String sentence(Directory directory) {
        if (component != null) {
            return "Each " + item + " takes " + each() + " " + component + " more";
        }
        String named = directory.bomLines(item).stream()
                .filter(row -> row.text("line").equals(line))
                .map(row -> row.text("component"))
                .findFirst()
                .orElse("line " + line);
        return quantity == null || quantity.signum() == 0
                ? item + " is made without " + named
                : "Each " + item + " takes " + each() + " " + named;
    }
}
