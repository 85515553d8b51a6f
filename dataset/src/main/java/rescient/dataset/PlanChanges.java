package rescient.dataset;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Change;
import rescient.core.company.StockLot;

/**
 * What a plan has to know of changed rows. Much of a row may change that no plan depends on, a name or a price; and some
 * rows say something about many stock points, a group or a calendar.
 */
public final class PlanChanges {
    /** With more than this a plan is made anew sooner than it follows. */
    public static final int MOST = 300;

    private final Facts before;
    private final Facts after;
    private final int today;
    private final RowFacts facts;
    /** By what they are about: the last one says all. */
    private final Map<List<String>, Change> changes = new LinkedHashMap<>();

    private boolean anew;

    private PlanChanges(Facts before, Facts after, int today) {
        this.before = before;
        this.after = after;
        this.today = today;
        this.facts = new RowFacts(after.units(), this::unitOf, this::yieldOf);
    }

    /**
     * The changes for a plan that knows the rows before.
     *
     * @param after the company with these changes
     * @param today for calendars
     * @return empty if the plan has to be made anew from all rows
     */
    public static Optional<List<Change>> of(Facts before, Facts after, List<FactChange> rows, int today) {
        PlanChanges all = new PlanChanges(before, after, today);
        for (FactChange row : rows) {
            all.add(row);
            if (all.anew || all.changes.size() > MOST) {
                return Optional.empty();
            }
        }
        return Optional.of(List.copyOf(all.changes.values()));
    }

    private String unitOf(String item) {
        return after.row("items", item).text("unit");
    }

    private Ratio yieldOf(String item, String site) {
        Row planning = after.row("planning", item, site);
        return planning == null ? Ratio.ONE : Planning.of(after, planning).data().yield;
    }

    private void add(FactChange change) {
        Row row = change.any();
        switch (change.table().name()) {
            case "customer_orders", "customer_order_parts" -> customerOrder(row.text("number"), row.text("line"));
            case "stock" -> stock(row);
            case "forecasts" -> forecast(change, row);
            case "shipments" -> shipment(change);
            case "open_orders", "open_order_components" -> openOrder(row.text("number"), row.text("line"));
            case "planning" -> planning(row.text("item"), row.text("site"));
            case "item_groups" -> group(row.text("code"));
            case "items" -> item(change, row);
            case "bom_lines" -> billOfMaterials(row.text("parent"));
            case "supplier_items" -> terms(row.text("item"));
            case "operations" -> operations(row.text("item"));
            case "work_centers" -> workCenter(change, row);
            case "calendars" -> calendar(row.text("code"));
            case "calendar_exceptions" -> calendar(row.text("calendar"));
            case "sites" -> site(change, row);
            case "suppliers" -> supplier(change, row);
            case "settings" -> setting(row.text("key"));
            case "units", "unit_conversions" -> anew |= differ(change, "decimals", "factor");
            default -> {
                // customers, alternatives: names for those who read the plan
            }
        }
    }

    private void put(Change change, String... about) {
        List<String> key =
                new ArrayList<>(List.of(change.getClass().getSimpleName().replaceFirst("^No", "")));
        for (String text : about) {
            key.add(text == null ? "" : text);
        }
        changes.remove(key);
        changes.put(key, change);
    }

    /** Whether a row is new or gone, or one of these columns is otherwise. */
    private static boolean differ(FactChange change, String... columns) {
        if (change.before().isEmpty() || change.after().isEmpty()) {
            return true;
        }
        for (String column : columns) {
            if (change.table().indexOf(column) >= 0
                    && !Objects.equals(
                            change.before().get(0).text(column), change.row().text(column))) {
                return true;
            }
        }
        return false;
    }

    private void customerOrder(String number, String line) {
        Row row = after.row("customer_orders", number, line);
        put(
                row == null || !RowFacts.counts(row)
                        ? new Change.NoCustomerOrder(number, line)
                        : new Change.CustomerOrder(RowFacts.customerOrder(row, after.parts(number, line))),
                number,
                line);
    }

    /** Of a lot one part may be quarantined: the part that counts is all that a plan knows. */
    private void stock(Row row) {
        String item = RowFacts.itemOf(row);
        List<String> lot = List.of(row.text("lot", ""), row.text("serial", ""));
        Optional<Row> there = after.rows("stock", "item", row.text("item")).stream()
                .filter(one -> one.text("site").equals(row.text("site"))
                        && RowFacts.itemOf(one).equals(item)
                        && List.of(one.text("lot", ""), one.text("serial", "")).equals(lot)
                        && StockLot.counts(one.flag("quarantined", false)))
                .findFirst();
        put(
                there.isPresent()
                        ? new Change.Stock(RowFacts.lot(there.get()))
                        : new Change.NoStock(item, row.text("site"), row.text("lot"), row.text("serial")),
                item,
                row.text("site"),
                row.text("lot"),
                row.text("serial"));
    }

    private void forecast(FactChange change, Row row) {
        if (row.text("set").equals(after.setting("forecast_set"))) {
            String[] key = {row.text("set"), row.text("item"), row.text("site")};
            int from = row.day("from_date", 0);
            put(
                    change.row() == null
                            ? new Change.NoForecast(key[0], key[1], key[2], from)
                            : new Change.Forecast(RowFacts.bucket(change.row())),
                    key[0],
                    key[1],
                    key[2],
                    Integer.toString(from));
        }
    }

    private void shipment(FactChange change) {
        if (change.row() == null) {
            anew = true;
        } else {
            Row row = change.row();
            put(
                    new Change.Shipped(RowFacts.shipment(row)),
                    row.text("item"),
                    row.text("site"),
                    row.text("date"),
                    row.text("number"),
                    row.text("line", ""));
        }
    }

    private void openOrder(String number, String line) {
        Row order = after.row("open_orders", number, line);
        put(
                order == null
                        ? new Change.NoOrder(number, line)
                        : new Change.Order(
                                facts.openOrder(order),
                                after.components(number, line).stream()
                                        .map(RowFacts::component)
                                        .toList()),
                number,
                line);
    }

    private void planning(String item, String site) {
        Row row = after.row("planning", item, site);
        put(
                row == null
                        ? new Change.NoPlanning(item, site)
                        : new Change.Planning(Planning.of(after, row).data()),
                item,
                site);
        // what was started of an order that does not say so follows from the yield
        for (Row order : after.rows("open_orders", "item", item)) {
            if (site.equals(order.text("site")) && order.text("start_quantity") == null) {
                openOrder(order.text("number"), order.text("line"));
            }
        }
    }

    private void planningOf(String item) {
        after.rows("planning", "item", item).forEach(row -> planning(item, row.text("site")));
    }

    private void group(String code) {
        after.rows("items", "group", code).forEach(item -> planningOf(item.text("code")));
    }

    private void item(FactChange change, Row row) {
        if (change.row() == null || (!change.before().isEmpty() && differ(change, "unit"))) {
            anew = true;
            return;
        }
        if (differ(change, "kind")) {
            put(new Change.NewItem(facts.item(change.row())), row.text("code"));
        }
        if (differ(change, "group")) {
            planningOf(row.text("code"));
        }
    }

    private void billOfMaterials(String parent) {
        put(
                new Change.BillOfMaterials(
                        parent,
                        after.rows("bom_lines", "parent", parent).stream()
                                .map(facts::bomLine)
                                .toList()),
                parent);
    }

    private void terms(String item) {
        put(
                new Change.Terms(
                        item,
                        after.rows("supplier_items", "item", item).stream()
                                .filter(Company::isBase)
                                .map(facts::terms)
                                .toList()),
                item);
    }

    private void operations(String item) {
        put(
                new Change.Operations(
                        item,
                        after.rows("operations", "item", item).stream()
                                .map(RowFacts::operation)
                                .toList()),
                item);
    }

    private void workCenter(FactChange change, Row row) {
        if (change.row() == null) {
            anew = true;
        } else if (differ(change, "site", "calendar", "minutes_per_day", "efficiency")) {
            put(new Change.Center(RowFacts.workCenter(row, calendarOf(row))), row.text("code"));
        }
    }

    private void calendar(String code) {
        after.rows("sites", "calendar", code)
                .forEach(row -> put(new Change.Site(row.text("code"), calendarOf(row)), row.text("code")));
        after.rows("suppliers", "calendar", code)
                .forEach(row -> put(new Change.Supplier(row.text("code"), calendarOf(row)), row.text("code")));
        after.rows("work_centers", "calendar", code)
                .forEach(row -> put(new Change.Center(RowFacts.workCenter(row, calendarOf(row))), row.text("code")));
    }

    private WorkCalendar calendarOf(Row row) {
        Row calendar = row.text("calendar") == null ? null : after.row("calendars", row.text("calendar"));
        if (calendar == null) {
            return null;
        }
        Map<Integer, Boolean> exceptions = new HashMap<>();
        after.rows("calendar_exceptions", "calendar", calendar.text("code"))
                .forEach(e -> exceptions.put(e.day("date", 0), e.flag("working", false)));
        return RowFacts.calendar(calendar, exceptions, today);
    }

    private void site(FactChange change, Row row) {
        if (change.row() == null) {
            anew = true;
        } else if (differ(change, "calendar")) {
            put(new Change.Site(row.text("code"), calendarOf(row)), row.text("code"));
        }
    }

    private void supplier(FactChange change, Row row) {
        if (change.row() == null) {
            anew = true;
        } else if (differ(change, "calendar")) {
            put(new Change.Supplier(row.text("code"), calendarOf(row)), row.text("code"));
        }
    }

    private void setting(String key) {
        boolean other = !Objects.equals(before.setting(key), after.setting(key));
        if (other && key.equals("forecast_set")) {
            anew = true;
        } else if (other) {
            String ahead = after.setting("release_ahead_days");
            put(new Change.Settings(
                    !"false".equals(after.setting("forecast_consumption")),
                    ahead == null ? 0 : Integer.parseInt(ahead)));
        }
    }
}
