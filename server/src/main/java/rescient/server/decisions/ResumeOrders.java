package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.server.platform.Nullable;

/** Planned orders that were held may be released again. */
record ResumeOrders(@Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        chosen.forEach(target -> desk.hold(target, null, null));
        desk.say("Let go " + Proposing.named(chosen));
    }
}
