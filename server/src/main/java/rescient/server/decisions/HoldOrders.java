package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Planned orders are kept out of release until a day. */
record HoldOrders(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable LocalDate until,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        if (until == null || !desk.isAhead(until)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "A hold needs a day after today").field("until");
        }
        chosen.forEach(target -> desk.hold(target, until, note));
        desk.say("Held " + Proposing.named(chosen) + " until " + until);
    }
}
