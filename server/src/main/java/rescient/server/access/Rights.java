package rescient.server.access;

import java.util.List;
import java.util.stream.Stream;

/**
 * What a role may do at first.
 *
 * @param decide the sources whose planned and firmed orders it may firm, change, hold, merge, split and cancel
 * @param release the sources whose orders it may give to those who carry them out
 * @param planningData how stock points are planned
 * @param materials bills of materials and routings
 * @param customerOrders entering customer orders
 * @param forecastSets which forecast is planned with
 * @param takeOver making a what-if the plan that holds
 * @param undoOthers taking back what others decided
 * @param stock receiving, shipping, moving and counting
 * @param production reporting what was made, and finishing its orders
 * @param tables whose rows it may change, by the dataset's names
 */
public record Rights(
        List<String> decide,
        List<String> release,
        boolean planningData,
        boolean materials,
        boolean customerOrders,
        boolean forecastSets,
        boolean takeOver,
        boolean undoOthers,
        boolean stock,
        boolean production,
        List<String> tables) {
    private static final List<String> ALL = List.of("make", "assemble", "buy", "transfer", "subcontract");
    private static final List<String> BOUGHT = List.of("buy");
    private static final List<String> NONE = List.of();
    private static final List<String> ENGINEERING = List.of(
            "units", "unit_conversions", "items", "bom_lines", "alternative_items", "operations", "work_centers");
    private static final List<String> SUPPLY = List.of("suppliers", "supplier_items");
    private static final List<String> SALES = List.of("customers");
    private static final List<String> STORES = List.of("lots", "lot_tests");
    private static final List<String> EVERYTHING = Stream.of(
                    ENGINEERING,
                    SUPPLY,
                    SALES,
                    List.of(
                            "settings",
                            "calendars",
                            "calendar_exceptions",
                            "sites",
                            "item_groups",
                            "planning",
                            "stock",
                            "customer_orders",
                            "customer_order_parts",
                            "forecasts",
                            "history_corrections",
                            "forecast_choices",
                            "forecast_adjustments",
                            "forecast_versions",
                            "approval_limits",
                            "lots",
                            "lot_tests",
                            "invoices",
                            "invoice_lines",
                            "shipments",
                            "open_orders",
                            "open_order_components"))
            .flatMap(List::stream)
            .toList();

    static Rights of(Role role) {
        return switch (role) {
            case PLANNER -> new Rights(ALL, ALL, true, true, true, true, true, true, true, true, EVERYTHING);
            case BUYER -> new Rights(BOUGHT, BOUGHT, false, false, false, false, false, false, false, false, SUPPLY);
            case SALES -> new Rights(NONE, NONE, false, false, true, false, false, false, false, false, SALES);
            case ENGINEER -> new Rights(NONE, NONE, false, true, false, false, false, false, false, false, ENGINEERING);
            case STORES -> new Rights(NONE, NONE, false, false, false, false, false, false, true, false, STORES);
            case FOREMAN -> new Rights(NONE, NONE, false, false, false, false, false, false, false, true, NONE);
            case APPROVER -> new Rights(NONE, NONE, false, false, false, false, false, false, false, false, NONE);
        };
    }

    /** Whether it may decide on orders of these sources, and on any at all. */
    public boolean mayDecide(List<String> sources) {
        return !decide.isEmpty() && decide.containsAll(sources);
    }

    public boolean mayRelease(String source) {
        return release.contains(source);
    }
}
