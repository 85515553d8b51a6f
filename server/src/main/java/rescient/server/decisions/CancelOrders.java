package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.core.company.Change;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/** Open orders are not needed; a supplier is asked to cancel his. */
record CancelOrders(@Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        for (Target target : chosen) {
            if (target instanceof Target.Open open) {
                cancel(desk, open);
            } else {
                desk.refuse(target, "is only planned: it goes when nothing needs it; leave its demand out, or hold it");
            }
        }
        desk.say((desk.asksOnly() ? "Asked to cancel " : "Cancelled ") + Proposing.named(chosen));
    }

    private static void cancel(Proposing desk, Target.Open open) {
        Proposal proposal = desk.proposal();
        proposal.lines.add(new Proposal.Line(open.key(), open.number(), open.as(), null, open.outside()));
        if (open.outside()) {
            desk.ask(open, "cancel", null);
            proposal.asked.add(new Change.NoOrder(open.number(), open.line()));
        } else {
            OrderImage image = open.image().copy();
            image.remove(open.line());
            proposal.changes.addAll(image.from(open.image()));
        }
    }
}
