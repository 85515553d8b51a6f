package rescient.server.health;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** The health of the company's data. */
@RestController
@RequestMapping("/api/data/health")
class HealthController {
    private final LivePlan live;
    private final Health health;
    private final int most;

    HealthController(LivePlan live, Health health, @Value("${rescient.list-most:1000}") int most) {
        this.live = live;
        this.health = health;
        this.most = most;
    }

    /** @param since when it was found first */
    record KnownFinding(
            FindingView finding, Instant since, @Nullable Health.Waiver waiver) {}

    /**
     * What is found.
     *
     * @param rows the first that fit
     * @param total how many fit
     * @param open how many of all nobody waived
     * @param newest when the last of those was found, null if there is none
     * @param kinds how many of all that nobody waived there are of each kind
     */
    record HealthView(
            List<KnownFinding> rows,
            int total,
            int open,
            @Nullable Instant newest,
            Map<String, Integer> kinds) {}

    record Waive(
            @NotBlank @Size(max = 600) String id,
            @Nullable @Size(max = 300) String reason) {}

    /** @param waived true: those that somebody lives with; otherwise the others */
    @GetMapping
    HealthView findings(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 60) String kind,
            @RequestParam(defaultValue = "false") boolean waived) {
        PlanVersion version = live.current();
        List<Health.Known> all = health.known(version);
        Sought sought = new Sought(words);
        List<Health.Known> fitting = all.stream()
                .filter(known -> (known.waiver() != null) == waived)
                .filter(known ->
                        kind == null || kind.equals(Words.word(known.finding().kind())))
                .filter(known -> sought.nothing() || fits(version, sought, known))
                .toList();
        Map<String, Integer> kinds = new LinkedHashMap<>();
        List<Health.Known> open =
                all.stream().filter(known -> known.waiver() == null).toList();
        open.forEach(known -> kinds.merge(Words.word(known.finding().kind()), 1, Integer::sum));
        return new HealthView(
                fitting.stream()
                        .limit(most)
                        .map(known -> new KnownFinding(
                                FindingView.of(version.directory(), known.finding()), known.since(), known.waiver()))
                        .toList(),
                fitting.size(),
                open.size(),
                open.stream().map(Health.Known::since).max(Instant::compareTo).orElse(null),
                kinds);
    }

    private static boolean fits(PlanVersion version, Sought sought, Health.Known known) {
        String item = known.finding().item();
        return sought.in(
                String.join(" ", known.finding().key()),
                item == null ? null : version.directory().itemName(item),
                Words.word(known.finding().kind()).replace('_', ' '));
    }

    /**
     * What came since somebody looked.
     *
     * @param fresh how many of those that nobody waived were found since
     * @param newest when the last of them was found, null if there is none
     */
    record Mark(int fresh, @Nullable Instant newest) {}

    /** @param since when somebody looked; nothing: never */
    @GetMapping("/mark")
    Mark mark(@RequestParam(required = false) @Nullable Instant since) {
        List<Instant> open = health.lately(live.current()).stream()
                .filter(known -> known.waiver() == null)
                .map(Health.Known::since)
                .toList();
        return new Mark(
                (int) open.stream()
                        .filter(found -> since == null || found.isAfter(since))
                        .count(),
                open.stream().max(Instant::compareTo).orElse(null));
    }

    /** Somebody lives with it as it is, for a reason; it is told again when it is otherwise. Without a reason: no longer. */
    @PostMapping("/waivers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void waive(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody Waive wish) {
        if (user.role().rights().tables().isEmpty()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "This is for those who keep the data");
        }
        if (wish.reason == null || wish.reason.isBlank()) {
            health.unwaive(wish.id);
            return;
        }
        health.findings(live.current()).stream()
                .filter(finding -> finding.id().equals(wish.id))
                .findFirst()
                .ifPresentOrElse(finding -> health.waive(finding, wish.reason.strip(), user.name()), () -> {
                    throw JobProblem.notFound("It is no longer found; nothing is left to live with");
                });
    }
}
