package rescient.dataset;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.base.Quantity;

/** A planning row with the defaults of its item's group behind it. */
public final class Planning {
    private final Row own;
    private final Row group;

    private Planning(Row own, Row group) {
        this.own = own;
        this.group = group;
    }

    /** All planning rows of a dataset, in its order. */
    public static List<Planning> of(Dataset dataset) {
        Map<String, Row> groups = new HashMap<>();
        dataset.rows("item_groups").forEach(g -> groups.put(g.text("code"), g));
        Map<String, Row> groupOfItem = new HashMap<>();
        if (!groups.isEmpty()) {
            dataset.rows("items").forEach(i -> groupOfItem.put(i.text("code"), groups.get(i.text("group", ""))));
        }
        return dataset.rows("planning").stream()
                .map(row -> new Planning(row, groupOfItem.get(row.text("item"))))
                .toList();
    }

    /** A planning row with what the company says of its item's group. */
    static Planning of(Facts facts, Row row) {
        String group = facts.row("items", row.text("item")).text("group");
        return new Planning(row, group == null ? null : facts.row("item_groups", group));
    }

    Row row() {
        return own;
    }

    public String item() {
        return own.text("item");
    }

    public String site() {
        return own.text("site");
    }

    /** The row's own text, else the group's, else null. */
    public String text(String column) {
        String value = own.text(column);
        return value != null || group == null ? value : group.text(column);
    }

    public BigDecimal decimal(String column) {
        String value = text(column);
        return value == null ? null : new BigDecimal(value);
    }

    /** The quantity in millionths, or the default if it is not set. */
    long quantity(String column, long otherwise) {
        String value = text(column);
        return value == null ? otherwise : Quantity.of(value);
    }

    public int whole(String column, int otherwise) {
        String value = text(column);
        return value == null ? otherwise : Integer.parseInt(value);
    }
}
