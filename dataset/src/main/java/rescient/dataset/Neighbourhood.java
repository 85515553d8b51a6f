package rescient.dataset;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Of a company so much as some rows have to do with: what they name, and what says something about them. Small enough to be
 * looked at as if it were all there is.
 */
final class Neighbourhood {
    private final Facts facts;
    private final Map<String, List<Row>> rows = new HashMap<>();
    private final Set<Row> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Deque<Row> waiting = new ArrayDeque<>();
    private final Faults faults = new Faults();

    private Neighbourhood(Facts facts) {
        this.facts = facts;
    }

    /**
     * What is wrong with rows of a company.
     *
     * @param facts the company, which has them
     * @param gone rows that it had before
     */
    static Faults faults(Facts facts, Collection<Row> rows, Collection<Row> gone) {
        Neighbourhood around = new Neighbourhood(facts);
        for (Row row : rows) {
            around.values(row);
            around.put(row);
        }
        if (!around.faults.none()) {
            return around.faults;
        }
        if (Stream.concat(rows.stream(), gone.stream())
                .anyMatch(row -> row.table().name().startsWith("unit"))) {
            // every quantity is in a unit
            return Checks.all(facts.dataset(), facts.today());
        }
        rows.forEach(around::upon);
        gone.forEach(around::withoutIt);
        while (!around.waiting.isEmpty()) {
            around.around(around.waiting.poll());
        }
        if (around.faults.none()) {
            around.faults.addAll(Checks.all(new Dataset(around.rows), facts.today()));
        }
        return around.faults;
    }

    /** What stands upon a row that changed, and may be wrong by it. */
    private void upon(Row row) {
        String name = row.table().name();
        if (name.equals("items")) {
            naming("items", row.text("code"));
        } else if (name.equals("item_groups")) {
            facts.rows("items", "group", row.text("code"))
                    .forEach(item -> putAll(facts.rows("planning", "item", item.text("code"))));
        } else if (name.equals("operations")) {
            putAll(facts.rows("bom_lines", "parent", row.text("item")));
        } else if (name.equals("settings")) {
            putAll(facts.rows("settings"));
        }
    }

    /** What a row that is gone leaves behind. */
    private void withoutIt(Row row) {
        upon(row);
        if (Renaming.renames(row.table())) {
            naming(row.table().name(), row.text("code"));
        }
    }

    /** All rows that name a code. */
    private void naming(String table, String code) {
        for (Table other : Table.ALL) {
            for (Column column : other.columns()) {
                if (table.equals(column.references())) {
                    putAll(facts.rows(other.name(), column.name(), code));
                }
            }
        }
    }

    private void put(Row row) {
        if (row != null && seen.add(row)) {
            rows.computeIfAbsent(row.table().name(), t -> new ArrayList<>()).add(row);
            waiting.add(row);
        }
    }

    private void putAll(List<Row> some) {
        some.forEach(this::put);
    }

    private void values(Row row) {
        for (Column column : row.table().columns()) {
            String text = row.text(column.name());
            if (text == null && column.required()) {
                fault(row, column, "", "is missing", column.type().words());
            } else if (text != null) {
                Fault.Finding finding = column.type().check(text);
                if (finding != null) {
                    fault(row, column, text, finding.wrong(), finding.right());
                }
            }
        }
    }

    private void fault(Row row, Column column, String value, String wrong, String right) {
        faults.add(row.table(), row.line(), column.name(), value, wrong, right);
    }

    private void around(Row row) {
        for (Column column : row.table().columns()) {
            String code = row.text(column.name());
            if (column.references() != null && code != null) {
                Row named = facts.row(column.references(), code);
                if (named == null) {
                    fault(row, column, code, "is not in " + column.references() + ".csv", "a code that stands there");
                }
                put(named);
            }
        }
        switch (row.table().name()) {
            case "items" -> putAll(facts.rows("unit_conversions", "item", row.text("code")));
            case "units" -> putAll(facts.rows("unit_conversions", "item", ""));
            // the smallest order must not be over the largest after the terms of the supplier
            case "planning" -> putAll(facts.rows("supplier_items", "item", row.text("item")));
            case "supplier_items" -> putAll(facts.rows("planning", "item", row.text("item")));
            case "bom_lines" -> putAll(facts.rows("operations", "item", row.text("parent")));
            case "forecasts", "history_corrections", "forecast_adjustments" ->
                putAll(facts.rows(row.table().name(), "item", row.text("item")));
            case "customer_orders" -> putAll(facts.parts(row.text("number"), row.text("line")));
            case "customer_order_parts" -> put(facts.row("customer_orders", row.text("number"), row.text("line")));
            case "open_order_components" -> put(facts.row("open_orders", row.text("number"), row.text("line")));
            default -> {
                // what it names is all that it has to do with
            }
        }
    }
}
