package rescient.server.decisions;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.order.Obstacle;
import rescient.core.order.OrderDraft;
import rescient.core.order.Substitution;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlannedOrders;
import rescient.server.platform.JobProblem;

/** An alternative item in the production orders that wait for what some orders bring too late. */
record Substituting(Proposal proposal, Wish wish, Alternatives alternatives, Drafter drafter, Firming firming) {

    /** Makes a planned order a firmed one. */
    interface Firming {
        void firm(String key, OrderDraft before, Drafter.Drafted drafted);
    }

    void use(List<Target> chosen) {
        if (wish.item() == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which item is used instead").field("item");
        }
        for (Target target : chosen) {
            if (!alternatives.of(target.as().item()).contains(wish.item())) {
                proposal.refusals.add(
                        target.label() + " cannot be replaced: " + wish.item() + " is no alternative of it.");
                return;
            }
        }
        if (chosen.isEmpty()) {
            return;
        }
        Substitution substitution = alternatives.instead(chosen, wish.item());
        String item = chosen.get(0).as().item();
        proposal.point(wish.item(), chosen.get(0).as().site());
        if (substitution.changed().isEmpty()) {
            proposal.refusals.add("No production order that may use " + wish.item() + " waits for "
                    + chosen.get(0).label() + "; what comes in time, and what customers and other sites ask for, stays "
                    + item + ".");
            return;
        }
        proposal.substitution = substitution;
        substitution.changed().stream()
                .filter(changed -> changed.user().planned() != null)
                .forEach(this::firm);
        openOrders(substitution.changed().stream()
                .filter(changed -> changed.user().planned() == null)
                .toList());
        int orders = substitution.changed().size();
        proposal.sentence = "Used " + Quantity.text(substitution.used()) + " " + wish.item() + " instead of "
                + Quantity.text(substitution.instead()) + " " + item + " in " + orders
                + (orders == 1 ? " order" : " orders");
    }

    private void firm(Substitution.Changed changed) {
        PointView point = proposal.version
                .plan()
                .point(changed.user().planned().item(), changed.user().planned().site())
                .orElseThrow();
        PlannedOrder order = point.plannedOrder(changed.user().planned().sequence());
        String obstacle = PlannedOrders.words(Obstacle.of(changed.before()));
        if (obstacle != null) {
            proposal.refusals.add(Quantity.text(order.quantity()) + " " + order.item() + " has " + obstacle + ".");
            return;
        }
        firming.firm(OrderKey.of(point, order).text(), changed.before(), drafter.as(point, changed.after()));
    }

    /** What they still have to issue; lines of one order are changed together. */
    private void openOrders(List<Substitution.Changed> changes) {
        Map<String, OrderImage> before = new LinkedHashMap<>();
        Map<String, OrderImage> after = new LinkedHashMap<>();
        for (Substitution.Changed changed : changes) {
            Target.Open open = alternatives.standing(
                    changed.user().number(), changed.user().line());
            before.putIfAbsent(open.number(), open.image());
            OrderImage image =
                    after.computeIfAbsent(open.number(), n -> open.image().copy());
            OrderRows.issueInstead(
                    image, open.number(), open.line(), changed.after().needs());
            proposal.lines.add(new Proposal.Line(open.key(), open.number(), changed.before(), changed.after(), false));
        }
        after.forEach((number, image) -> proposal.edits.addAll(image.from(before.get(number), number)));
    }
}
