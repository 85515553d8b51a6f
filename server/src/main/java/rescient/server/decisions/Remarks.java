package rescient.server.decisions;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToLongFunction;
import rescient.core.base.Quantity;
import rescient.core.order.Doubt;
import rescient.core.order.OrderDraft;
import rescient.core.order.Usual;
import rescient.core.plan.PointView;
import rescient.dataset.Column;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;

/** What is to be known of an order before it is kept, although nothing forbids it. */
final class Remarks {
    private static final Map<String, ToLongFunction<PointView>> QUANTITIES = Map.of(
            "safety_stock", PointView::safetyStock,
            "reorder_point", PointView::reorderPoint,
            "order_up_to", PointView::orderUpTo);

    private static final int MOST_RETIRED = 5;

    private Remarks() {}

    /** In sentences, each with what cures it. */
    static List<String> of(Proposal proposal) {
        Directory directory = proposal.version.directory();
        Set<String> remarks = new LinkedHashSet<>(proposal.remarks);
        for (Proposal.Line line : proposal.lines) {
            OrderDraft order = line.after();
            if (order == null || order.equals(line.before()) || remarks.size() > 20) {
                continue;
            }
            usual(proposal, line).ifPresent(remarks::add);
            for (Doubt doubt : Doubt.of(order, directory::hasTerms)) {
                remarks.add(words(directory, order, doubt));
            }
        }
        retired(proposal, remarks);
        if (proposal.planning != null) {
            proposal.version
                    .plan()
                    .point(proposal.planning.text("item"), proposal.planning.text("site"))
                    .ifPresent(point -> remarks.addAll(planning(point, proposal.planning)));
        }
        return List.copyOf(remarks);
    }

    /** What is offered no more, and is chosen all the same. */
    private static void retired(Proposal proposal, Set<String> remarks) {
        Directory directory = proposal.version.directory();
        Set<String> codes = new LinkedHashSet<>();
        for (Proposal.Line line : proposal.lines) {
            if (line.before() == null && line.after() != null) {
                add(directory, "items", line.after().item(), codes);
            }
        }
        for (FactChange change : proposal.changes) {
            if (change.after().isEmpty() || codes.size() > MOST_RETIRED) {
                continue;
            }
            Row after = change.after().get(0);
            Row before = change.before().isEmpty() ? null : change.before().get(0);
            for (Column column : after.table().columns()) {
                String code = after.text(column.name());
                if (column.references() != null
                        && code != null
                        && (before == null || !code.equals(before.text(column.name())))) {
                    add(directory, column.references(), code, codes);
                }
            }
        }
        codes.stream()
                .limit(MOST_RETIRED)
                .forEach(code ->
                        remarks.add(code + " is retired: it is planned as before, but should not be chosen anew."));
    }

    private static void add(Directory directory, String table, String code, Set<String> codes) {
        if (directory.isRetired(table, code)) {
            codes.add(code);
        }
    }

    private static String words(Directory directory, OrderDraft order, Doubt doubt) {
        return switch (doubt) {
            case NO_COMPONENTS ->
                order.item() + " has no components: nothing would be issued for it. "
                        + "Buy it instead, or give it a bill of materials first.";
            case NO_TERMS ->
                directory.supplierName(order.supplier()) + " has no terms for " + order.item()
                        + ": its price is not known, and the lead time is the stock point's. "
                        + "Choose a supplier who has, or ask for the price.";
        };
    }

    /** Planning data far from what they are now, or from what the stock point is asked for if they are nothing now. */
    private static List<String> planning(PointView point, Row planning) {
        long asked = Usual.demand(point);
        List<String> remarks = new ArrayList<>();
        for (String column : List.of("safety_stock", "reorder_point", "order_up_to")) {
            if (planning.decimal(column) != null) {
                long before = QUANTITIES.get(column).applyAsLong(point);
                far(
                                "A " + column.replace('_', ' ') + " of",
                                point.item(),
                                Quantity.of(planning.decimal(column)),
                                before > 0 ? before : asked)
                        .ifPresent(remarks::add);
            }
        }
        int days = planning.whole("lead_time_days", 0);
        if (Usual.isLong(days, point.leadTimeDays())) {
            remarks.add("A lead time of " + days + " working days is more than a year; now it is "
                    + point.leadTimeDays() + ".");
        }
        return remarks;
    }

    /** A customer order of many times what customers have ordered of this so far; nothing if they have not. */
    static Optional<String> usualOfCustomers(PlanVersion version, String item, String site, long quantity) {
        long usual = version.plan().point(item, site).map(Usual::customerOrder).orElse(0L);
        return far("", item, quantity, usual);
    }

    /** A quantity that is many times what is usual here. */
    private static Optional<String> usual(Proposal proposal, Proposal.Line line) {
        OrderDraft order = line.after();
        long usual = line.before() != null
                ? line.before().quantity()
                : proposal.version
                        .plan()
                        .point(order.item(), order.site())
                        .map(Usual::order)
                        .orElse(0L);
        return far("", order.item(), order.quantity(), usual);
    }

    private static Optional<String> far(String what, String item, long quantity, long usual) {
        long times = Usual.timesOver(quantity, usual);
        if (times == 0) {
            return Optional.empty();
        }
        String said = what.isEmpty() ? "" : what + " ";
        return Optional.of(said + Quantity.text(quantity) + " " + item + (what.isEmpty() ? " are " : " is ") + times
                + " times what is usual here, " + Quantity.text(usual) + ".");
    }
}
