package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.server.platform.Nullable;

/**
 * Several orders of one stock point become one.
 *
 * @param quantity null: what they are together
 * @param due null: the earliest of theirs
 */
record MergeOrders(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        desk.note(note);
        desk.say("Merged " + Proposing.named(chosen));
        if (chosen.size() < 2) {
            desk.proposal().refusals.add("Choose at least two orders of one stock point to make one of them.");
            return;
        }
        Drafter.Way way = Drafter.Way.of(chosen.get(0).as());
        for (Target target : chosen) {
            String why = whyNot(desk, target, way, chosen.get(0));
            if (why != null) {
                desk.refuse(target, why);
                return;
            }
        }
        BigDecimal sum = chosen.stream().map(Target::quantity).reduce(BigDecimal.ZERO, BigDecimal::add);
        LocalDate day = due != null
                ? desk.working(way, due)
                : chosen.stream().map(Target::due).min(LocalDate::compareTo).orElseThrow();
        Drafter.Drafted drafted = desk.drafter().draft(way, quantity == null ? sum : quantity, null, day, day);
        if (chosen.get(0) instanceof Target.Open first && first.held()) {
            desk.redraw(first, drafted);
            desk.takeAway(chosen.subList(1, chosen.size()));
        } else {
            desk.takeAway(chosen);
            desk.firmNew(drafted);
        }
        desk.say("Merged " + chosen.size() + " orders of " + way.item() + " into "
                + Quantity.text(drafted.order().quantity()) + " for " + day);
    }

    private static String whyNot(Proposing desk, Target target, Drafter.Way way, Target first) {
        if (target instanceof Target.Open open && !open.firmed() && !open.held()) {
            return "has been released and cannot be merged";
        }
        boolean ofBuyer = isHeld(target);
        if (ofBuyer != isHeld(first)) {
            return "cannot be merged with " + first.label() + ": one of them is held by a buyer already";
        }
        if (ofBuyer && target != first && ((Target.Open) target).number().equals(((Target.Open) first).number())) {
            return "stands on the same order as " + first.label();
        }
        if (target instanceof Target.Open open && desk.usesAlternatives(open)) {
            return "uses an alternative item and stays an order of its own";
        }
        return Drafter.Way.of(target.as()).equals(way)
                ? null
                : "cannot be merged with " + first.label() + ": item, site, source and supplier have to be the same";
    }

    private static boolean isHeld(Target target) {
        return target instanceof Target.Open open && open.held();
    }
}
