package rescient.core.company;

import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import rescient.core.base.Quantity;

/** Where each value that a stock point is planned by comes from (planning rules, sections 6 and 7). */
public final class PlanningOrigins {
    private PlanningOrigins() {}

    /** Whose value counts. */
    public enum Origin {
        /** The stock point's own. */
        OWN,
        /** Of the item's group. */
        GROUP,
        /** Of the base row of the supplier it is bought from. */
        SUPPLIER,
        /** The routing says how long it takes. */
        ROUTING,
        /** Nobody says anything. */
        DEFAULT
    }

    /**
     * A value that counts.
     *
     * @param value null if it is not among the stock point's and the group's: see the supplier's terms or the routing
     * @param group what the item's group says, null if nothing
     * @param matters the source and the rule make something of it
     */
    public record Value(Origin origin, Object value, Object group, boolean matters) {}

    /**
     * By column of the dataset, in its order.
     *
     * @param group null if the item has none
     * @param terms by which it is bought, null if it is not
     * @param routed a routing says how long it takes
     */
    public static Map<String, Value> of(
            ItemFacts.Planned own, ItemFacts.Planned group, SupplierTerms terms, boolean routed) {
        Map<String, Value> values = new LinkedHashMap<>();
        ItemFacts.Planned planned = own.or(group);
        for (RecordComponent component : ItemFacts.Planned.class.getRecordComponents()) {
            String column = component.getName().replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
            Object mine = get(component, own);
            Object theirs = group == null ? null : get(component, group);
            boolean matters = matters(column, planned.source(), planned.rule());
            Origin origin = mine != null ? Origin.OWN : theirs != null ? Origin.GROUP : Origin.DEFAULT;
            if (terms != null && supplied(column, terms)) {
                values.put(column, new Value(Origin.SUPPLIER, null, theirs, matters));
            } else if (routed && column.startsWith("lead_time")) {
                values.put(column, new Value(Origin.ROUTING, null, theirs, matters));
            } else {
                values.put(column, new Value(origin, mine != null ? mine : theirs, theirs, matters));
            }
        }
        return values;
    }

    /** Whether a source and a rule make something of a value; of a rule that is not set, lot-for-lot does. */
    private static boolean matters(String column, Source source, PlanningRule rule) {
        if (source == null || source == Source.NONE) {
            return column.equals("source");
        }
        return switch (column) {
            case "supplier" -> source == Source.BUY;
            case "from_site" -> source == Source.TRANSFER || source == Source.SUBCONTRACT;
            case "reorder_point" -> rule == PlanningRule.FIXED_QUANTITY || rule == PlanningRule.MIN_MAX;
            case "order_up_to" -> rule == PlanningRule.MIN_MAX;
            case "fixed_quantity" -> rule == PlanningRule.FIXED_QUANTITY;
            case "period_count", "period_unit" -> rule == PlanningRule.PERIOD;
            case "yield" -> source.fromComponents();
            case "lead_time_per_unit_days" -> source != Source.BUY;
            default -> true;
        };
    }

    /** Whether the supplier's terms stand before what the stock point says. */
    private static boolean supplied(String column, SupplierTerms terms) {
        return switch (column) {
            case "lead_time_days" -> terms.leadTimeDays() >= 0;
            case "min_quantity" -> terms.minQuantity() != Quantity.NOT_SET;
            case "max_quantity" -> terms.maxQuantity() != Quantity.NOT_SET;
            case "multiple" -> terms.multiple() != Quantity.NOT_SET || terms.purchaseUnit() != null;
            default -> false;
        };
    }

    private static Object get(RecordComponent component, ItemFacts.Planned planned) {
        try {
            return component.getAccessor().invoke(planned);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
