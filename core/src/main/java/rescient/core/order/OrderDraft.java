package rescient.core.order;

import java.util.List;
import java.util.Set;
import rescient.core.company.Change;
import rescient.core.company.MadeFor;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/**
 * An order as it would be given out: a planned order, or one a planner wants instead of it.
 *
 * @param supplier null unless bought from a known supplier
 * @param fromSite sending site or subcontractor's premises, null otherwise
 * @param quantity good quantity, millionths
 * @param startQuantity quantity started, before yield
 * @param startDay may lie before today: then it should have started
 * @param needs what it needs, in the order of the bill of materials
 * @param breaks the modifiers that its quantity does not keep
 * @param madeFor the customer order line on which it hangs, or null
 */
public record OrderDraft(
        String item,
        String site,
        Source source,
        String supplier,
        String fromSite,
        long quantity,
        long startQuantity,
        int startDay,
        int dueDay,
        List<Need> needs,
        Set<Modifier> breaks,
        MadeFor madeFor) {
    /** A modifier of the order quantity. */
    public enum Modifier {
        MINIMUM,
        MULTIPLE,
        MAXIMUM
    }

    /**
     * A component, or what a transfer takes.
     *
     * @param site where it is taken from stock
     * @param quantity millionths
     */
    public record Need(String item, String site, long quantity, int day) {}

    /** An order that hangs on no line. */
    public OrderDraft(
            String item,
            String site,
            Source source,
            String supplier,
            String fromSite,
            long quantity,
            long startQuantity,
            int startDay,
            int dueDay,
            List<Need> needs,
            Set<Modifier> breaks) {
        this(item, site, source, supplier, fromSite, quantity, startQuantity, startDay, dueDay, needs, breaks, null);
    }

    public OrderDraft {
        needs = List.copyOf(needs);
        breaks = Set.copyOf(breaks);
    }

    /** The same order with other dates, and what it needs as much later or earlier. */
    OrderDraft moved(int start, int due, java.util.function.IntUnaryOperator to) {
        List<Need> moved = needs.stream()
                .map(n -> new Need(n.item, n.site, n.quantity, to.applyAsInt(n.day)))
                .toList();
        return new OrderDraft(
                item, site, source, supplier, fromSite, quantity, startQuantity, start, due, moved, breaks, madeFor);
    }

    /** The same order with other needs. */
    OrderDraft with(List<Need> others) {
        return new OrderDraft(
                item,
                site,
                source,
                supplier,
                fromSite,
                quantity,
                startQuantity,
                startDay,
                dueDay,
                others,
                breaks,
                madeFor);
    }

    /** The same order on the line that another hangs on, as far as orders of its kind do. */
    public OrderDraft hangingLike(MadeFor line) {
        return new OrderDraft(
                item,
                site,
                source,
                supplier,
                fromSite,
                quantity,
                startQuantity,
                startDay,
                dueDay,
                needs,
                breaks,
                MadeFor.hangs(source) ? line : null);
    }

    /** The order under a number, as a fact that a plan counts on. */
    public Change.Order as(String number, String line, Stage stage) {
        return new Change.Order(
                new OpenOrder(
                        number,
                        line,
                        source,
                        stage,
                        item,
                        site,
                        fromSite,
                        supplier,
                        quantity,
                        dueDay,
                        startDay,
                        false,
                        startQuantity,
                        madeFor),
                needs.stream()
                        .map(n -> new OpenOrderComponent(number, line, n.item, n.quantity, n.day))
                        .toList());
    }
}
