package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.order.Obstacle;
import rescient.core.order.Substitution;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlannedOrders;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * The production orders that wait for what some orders bring too late take another item instead.
 *
 * @param item the alternative
 */
record UseAlternative(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        desk.note(note);
        if (item == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which item is used instead").field("item");
        }
        Proposal proposal = desk.proposal();
        for (Target target : chosen) {
            if (!desk.alternatives().of(target.as().item()).contains(item)) {
                proposal.refusals.add(target.label() + " cannot be replaced: " + item + " is no alternative of it.");
                return;
            }
        }
        if (chosen.isEmpty()) {
            return;
        }
        Substitution substitution = desk.alternatives().instead(chosen, item);
        String instead = chosen.get(0).as().item();
        proposal.point(item, chosen.get(0).as().site());
        if (substitution.changed().isEmpty()) {
            proposal.refusals.add("No production order that may use " + item + " waits for "
                    + chosen.get(0).label() + "; what comes in time, and what customers and other sites ask for, stays "
                    + instead + ".");
            return;
        }
        proposal.substitution = substitution;
        substitution.changed().stream()
                .filter(changed -> changed.user().planned() != null)
                .forEach(changed -> firm(desk, changed));
        openOrders(
                desk,
                substitution.changed().stream()
                        .filter(changed -> changed.user().planned() == null)
                        .toList());
        int users = substitution.changed().size();
        desk.say("Used " + Quantity.text(substitution.used()) + " " + item + " instead of "
                + Quantity.text(substitution.instead()) + " " + instead + " in " + users
                + (users == 1 ? " order" : " orders"));
    }

    private static void firm(Proposing desk, Substitution.Changed changed) {
        PointView point = desk.version()
                .plan()
                .point(changed.user().planned().item(), changed.user().planned().site())
                .orElseThrow();
        PlannedOrder order = point.plannedOrder(changed.user().planned().sequence());
        String obstacle = PlannedOrders.words(Obstacle.of(changed.before()));
        if (obstacle != null) {
            desk.proposal()
                    .refusals
                    .add(Quantity.text(order.quantity()) + " " + order.item() + " has " + obstacle + ".");
            return;
        }
        desk.firm(
                OrderKey.of(point, order).text(),
                changed.before(),
                desk.drafter().as(point, changed.after()));
    }

    /** What they still have to issue; lines of one order are changed together. */
    private static void openOrders(Proposing desk, List<Substitution.Changed> changes) {
        Map<String, OrderImage> before = new LinkedHashMap<>();
        Map<String, OrderImage> after = new LinkedHashMap<>();
        for (Substitution.Changed changed : changes) {
            Target.Open open = desk.alternatives()
                    .standing(changed.user().number(), changed.user().line());
            before.putIfAbsent(open.number(), open.image());
            OrderImage image =
                    after.computeIfAbsent(open.number(), n -> open.image().copy());
            image.put(
                    image.line(open.line()),
                    OrderRows.issuesInstead(
                            image.issues(open.line()),
                            open.number(),
                            open.line(),
                            changed.after().needs()));
            desk.proposal()
                    .lines
                    .add(new Proposal.Line(open.key(), open.number(), changed.before(), changed.after(), false));
        }
        after.forEach((number, image) -> desk.proposal().changes.addAll(image.from(before.get(number))));
    }
}
