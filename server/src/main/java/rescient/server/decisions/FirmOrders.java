package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.server.platform.Nullable;

/** Planned orders become firmed as they are. */
record FirmOrders(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        desk.note(note);
        for (Target target : chosen) {
            if (target instanceof Target.Planned planned) {
                desk.firm(planned, desk.drafter().as(planned.point(), planned.as()));
            } else if (target instanceof Target.Open open && open.firmed()) {
                desk.refuse(target, "is firmed already");
            } else {
                desk.refuse(target, ChangeOrders.RELEASED);
            }
        }
        desk.say("Firmed " + Proposing.named(chosen));
    }
}
