package rescient.server.changes;

import jakarta.servlet.http.HttpSession;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.compare.ChangeLog;
import rescient.core.compare.OrderChange;
import rescient.server.access.SignedIn;
import rescient.server.access.Visits;
import rescient.server.planning.ChangeMarks;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.platform.Today;

/** What changed in the plan since somebody looked last. */
@RestController
@RequestMapping("/api/plan/changes")
class ChangesController implements ChangeMarks {
    private static final String VISIT = "visit";
    private static final String MORNING = "morning";
    private static final int MOST = 200_000;

    private final LivePlan live;
    private final Journal journal;
    private final Visits visits;
    private final Today today;

    ChangesController(LivePlan live, Journal journal, Visits visits, Today today) {
        this.live = live;
        this.journal = journal;
        this.visits = visits;
        this.today = today;
    }

    /**
     * What changed since a moment.
     *
     * @param since {@code visit}: since the end of this person's last visit, on the first one since all that is known;
     *     {@code morning}: since midnight; or a moment
     * @param words of the causes that are looked for
     * @param cause number of the cause whose planned orders are wanted; none: those of all
     * @param most planned orders that are sent, those that start first
     */
    @GetMapping
    ChangesView changes(
            @AuthenticationPrincipal SignedIn user,
            HttpSession session,
            @RequestParam(defaultValue = VISIT) String since,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable Integer cause,
            @RequestParam(defaultValue = "2000") @Min(1) @Max(MOST) int most) {
        Instant from = moment(user, session, since);
        ChangesView.Asked asked = new ChangesView.Asked(new Sought(words), cause, most);
        return journal.since(from, told -> ChangesView.of(live.current(), from, journal.beginning(), told, asked));
    }

    @Override
    public Set<String> sinceVisit(PlanVersion version, String login, HttpSession session) {
        Instant before = visits.before(login, session);
        Instant from = before == null ? Instant.EPOCH : before;
        return journal.since(
                from,
                told -> told.log().orders().stream()
                        .map(ChangeLog.Caused::change)
                        .filter(change -> change.kind() != OrderChange.Kind.RELEASED)
                        .map(change -> ChangeRows.key(version, change))
                        .filter(Objects::nonNull)
                        .collect(Collectors.toSet()));
    }

    private Instant moment(SignedIn user, HttpSession session, String since) {
        if (since.equals(MORNING)) {
            ZoneId zone = ZoneId.systemDefault();
            return LocalDate.ofInstant(today.now(), zone).atStartOfDay(zone).toInstant();
        }
        if (since.equals(VISIT)) {
            Instant before = visits.before(user.getUsername(), session);
            return before == null ? Instant.EPOCH : before;
        }
        try {
            return Instant.parse(since);
        } catch (DateTimeParseException e) {
            throw new JobProblem(
                            HttpStatus.BAD_REQUEST,
                            "\"" + since + "\" is no moment; right would be 2026-11-23T06:00:00Z")
                    .field("since");
        }
    }
}
