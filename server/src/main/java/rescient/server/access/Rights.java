package rescient.server.access;

import java.util.List;

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
 */
public record Rights(
        List<String> decide,
        List<String> release,
        boolean planningData,
        boolean materials,
        boolean customerOrders,
        boolean forecastSets,
        boolean takeOver,
        boolean undoOthers) {
    private static final List<String> ALL = List.of("make", "assemble", "buy", "transfer", "subcontract");
    private static final List<String> BOUGHT = List.of("buy");
    private static final List<String> NONE = List.of();

    static Rights of(Role role) {
        return switch (role) {
            case PLANNER -> new Rights(ALL, ALL, true, true, true, true, true, true);
            case BUYER -> new Rights(BOUGHT, BOUGHT, false, false, false, false, false, false);
            case SALES -> new Rights(NONE, NONE, false, false, true, false, false, false);
            case ENGINEER -> new Rights(NONE, NONE, false, true, false, false, false, false);
            case STORES, FOREMAN, APPROVER -> new Rights(NONE, NONE, false, false, false, false, false, false);
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
