package rescient.server.orders;

import java.util.List;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.trace.PartSupply;
import rescient.dataset.Row;
import rescient.server.decisions.OrderRows;
import rescient.server.planning.OrderKey;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;

/**
 * An order that is to go out.
 *
 * @param firmed the line it is firmed as, or null if it is only planned
 * @param asked the day for which the plan asks for it, days from 1970
 * @param possible the day on which the plan says that it can be there, or null if it never can
 */
record ReleaseLine(String key, OrderDraft order, OrderValue worth, Row firmed, int asked, Integer possible) {
    static ReleaseLine planned(PlanVersion version, String key, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return new ReleaseLine(
                key,
                Drafting.of(point).planned(order.sequence()),
                OrderValue.of(version.directory(), point, order),
                null,
                order.dueDay(),
                order.possibleDay());
    }

    /** Dated with the day on which it can be there, if that is later; a number that others know keeps its date. */
    ReleaseLine dated(PlanVersion version) {
        if (possible == null || possible <= order.dueDay() || numbered()) {
            return this;
        }
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return new ReleaseLine(
                key, Drafting.of(point).moved(order, point.workingDay(possible)), worth, firmed, asked, possible);
    }

    /** @param line as the company knows it */
    static ReleaseLine firmed(PlanVersion version, String key, Row line, List<Row> issues) {
        OrderDraft draft = OrderRows.draft(line, issues);
        Integer possible = version.plan()
                .point(draft.item(), draft.site())
                .map(p -> p.possibleDay(line.text("number"), line.text("line")))
                .orElse(null);
        return new ReleaseLine(key, draft, OrderValue.of(version.directory(), line), line, draft.dueDay(), possible);
    }

    /** What it is made of, and where that comes from. */
    List<PartSupply> parts(PlanVersion version) {
        if (firmed == null) {
            return OrderKey.parse(key)
                    .in(version.plan())
                    .map(planned -> PartSupply.of(
                            version.plan(),
                            version.plan().point(planned.item(), planned.site()).orElseThrow(),
                            planned.sequence()))
                    .orElse(List.of());
        }
        String number = firmed.text("number");
        String line = firmed.text("line");
        return version.plan().snapshot().openOrders().stream()
                .filter(open -> open.number().equals(number) && open.line().equals(line))
                .findFirst()
                .map(open -> PartSupply.of(
                        version.plan(),
                        open,
                        version.directory().facts().components(number, line).stream()
                                .map(row -> row.text("component"))
                                .distinct()
                                .toList()))
                .orElse(List.of());
    }

    /** It has a number that those who carry it out know. */
    boolean numbered() {
        return firmed != null && !firmed.text("number").startsWith("FO-");
    }
}
