package rescient.server.decisions;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rescient.dataset.Column;
import rescient.dataset.FactChange;
import rescient.dataset.Renaming;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.platform.ToldChanges;

/** Changes of the company's data in words. */
public final class DataSentence {
    private static final int SAID = 3;

    /** What one row of a table is. */
    private static final Map<String, String> ONE = Map.ofEntries(
            Map.entry("bom_lines", "bill of materials line"),
            Map.entry("planning", "stock point"),
            Map.entry("supplier_items", "supplier's price"),
            Map.entry("operations", "operation"),
            Map.entry("item_groups", "item group"),
            Map.entry("calendar_exceptions", "day of a calendar"),
            Map.entry("unit_conversions", "unit conversion"),
            Map.entry("alternative_items", "alternative"),
            Map.entry("customer_orders", "customer order line"),
            Map.entry("customer_order_parts", "part of a kit that was ordered"),
            Map.entry("open_order_components", "component of an order"),
            Map.entry("work_centers", "work center"),
            Map.entry("approval_limits", "limit of approval"),
            Map.entry("lots", "lot"),
            Map.entry("lot_tests", "test of a lot"),
            Map.entry("invoice_lines", "line of an invoice"),
            Map.entry("stock", "lot in stock"),
            Map.entry("settings", "setting"),
            Map.entry("history_corrections", "bucket of the history"),
            Map.entry("forecast_choices", "choice of a method"),
            Map.entry("forecast_adjustments", "adjustment of a forecast"),
            Map.entry("forecast_versions", "bucket as it was forecast"),
            Map.entry("forecasts", "forecast bucket"));

    private DataSentence() {}

    /** What one row of a table is called. */
    public static String one(String table) {
        return ONE.getOrDefault(table, words(table).replaceFirst("s$", ""));
    }

    /** What rows of a table are called. */
    public static String many(String table, int rows) {
        String one = one(table);
        String noun = rows == 1
                ? one
                : one.equals("lot in stock")
                        ? "lots in stock"
                        : one.equals("day of a calendar")
                                ? "days of calendars"
                                : one.equals("component of an order") ? "components of orders" : one + "s";
        return rows + " " + noun;
    }

    static String words(String name) {
        return name.replace('_', ' ');
    }

    static String start(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** What was done, in the past tense. */
    public static String of(Directory directory, List<FactChange> changes) {
        if (changes.isEmpty()) {
            return "Changed nothing";
        }
        if (changes.size() == 1) {
            return single(directory, changes.get(0));
        }
        return Renaming.of(changes)
                .map(renaming ->
                        "Renamed " + one(renaming.table().name()) + " " + renaming.from() + " to " + renaming.to())
                .orElseGet(() -> several(changes));
    }

    private static String several(List<FactChange> changes) {
        Set<String> fields = changes.stream()
                .filter(change -> !change.before().isEmpty() && !change.after().isEmpty())
                .flatMap(change -> differing(change).stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        List<String> parts = new ArrayList<>();
        for (String table :
                changes.stream().map(change -> change.table().name()).distinct().toList()) {
            long added = count(changes, table, true, false);
            long gone = count(changes, table, false, true);
            long other = count(changes, table, false, false);
            if (added > 0) {
                parts.add("added " + many(table, (int) added));
            }
            if (gone > 0) {
                parts.add("took away " + many(table, (int) gone));
            }
            if (other > 0) {
                parts.add("changed "
                        + (fields.size() == 1 ? words(fields.iterator().next()) + " of " : "")
                        + many(table, (int) other));
            }
        }
        return start(String.join(", ", parts));
    }

    private static long count(List<FactChange> changes, String table, boolean added, boolean gone) {
        return changes.stream()
                .filter(change -> change.table().name().equals(table))
                .filter(change ->
                        change.before().isEmpty() == added && change.after().isEmpty() == gone)
                .count();
    }

    private static String single(Directory directory, FactChange change) {
        String table = change.table().name();
        if (change.before().isEmpty()) {
            return "Added " + one(table) + " " + name(directory, change.after().get(0));
        }
        if (change.after().isEmpty()) {
            return "Took away " + one(table) + " "
                    + name(directory, change.before().get(0));
        }
        Row before = change.before().get(0);
        Row after = change.after().get(0);
        List<String> fields = differing(change);
        String said = fields.stream()
                .limit(SAID)
                .map(field -> words(field) + " " + value(before, field) + " → " + value(after, field))
                .collect(Collectors.joining(", "));
        return "Changed " + name(directory, after) + ": " + said
                + (fields.size() > SAID ? " and " + (fields.size() - SAID) + " more" : "");
    }

    private static String value(Row row, String field) {
        return row.text(field, "none");
    }

    private static String name(Directory directory, Row row) {
        return switch (row.table().name()) {
            case "planning" -> row.text("item") + " at " + directory.siteName(row.text("site"));
            case "bom_lines" -> row.text("component") + " in " + row.text("parent");
            case "supplier_items" -> row.text("item") + " from " + directory.supplierName(row.text("supplier"));
            default -> ToldChanges.key(row);
        };
    }

    /** The columns in which a row is otherwise. */
    public static List<String> differing(FactChange change) {
        Row before = change.before().get(0);
        Row after = change.after().get(0);
        return change.table().columns().stream()
                .map(Column::name)
                .filter(name -> !before.with(name, after.text(name)).sameAs(before))
                .toList();
    }
}
