package rescient.server.whatif;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.FactChange;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.decisions.Decision;
import rescient.server.decisions.Decisions;
import rescient.server.decisions.FactsCommand;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What-ifs: private until their address is passed on; everybody who has it may look, only their owner changes them. */
@RestController
@RequestMapping("/api/what-ifs")
class WhatIfController {
    private static final int MOST_COMPARED = 20;

    private final WhatIfStore store;
    private final WhatIfs whatIfs;
    private final LivePlan live;
    private final Decisions decisions;

    WhatIfController(WhatIfStore store, WhatIfs whatIfs, LivePlan live, Decisions decisions) {
        this.store = store;
        this.whatIfs = whatIfs;
        this.live = live;
        this.decisions = decisions;
    }

    /** A what-if in the list. */
    record WhatIfRow(long id, String name, String owner, boolean mine, Instant changedAt, List<String> sentences) {}

    /** What is kept of a what-if. */
    record WhatIfDraft(
            @NotBlank @Size(max = 120) String name,
            @NotNull @Size(max = 100) List<@Valid @NotNull Assumption> assumptions) {}

    /** @param name null: one that is not used yet */
    record NewWhatIf(
            @Nullable @Size(max = 120) @Pattern(regexp = ".*\\S.*", message = "must not be blank")
            String name,

            @NotNull @Size(max = 100) List<@Valid @NotNull Assumption> assumptions) {}

    /**
     * A column of a comparison.
     *
     * @param id null: the live plan
     */
    record ComparedPlan(
            @Nullable Long id, String name, @Nullable String owner, List<String> sentences, Figures figures) {}

    /**
     * @param places of the assumptions that are taken over
     * @param revision of the what-if that was looked at
     */
    record TakenOver(@NotNull @Size(min = 1, max = 100) List<Integer> places, long revision) {}

    /** @param words of the name, or of what is otherwise */
    @GetMapping
    List<WhatIfRow> all(@AuthenticationPrincipal SignedIn user, @RequestParam(defaultValue = "") String words) {
        Sought sought = new Sought(words);
        return store.of(user.getUsername()).stream()
                .map(w -> row(user, w))
                .filter(row -> sought.in(row.name, String.join("\n", row.sentences)))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    WhatIfRow add(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody NewWhatIf draft) {
        fit(draft.assumptions);
        String name = draft.name == null ? unusedName(user) : draft.name.strip();
        return row(user, store.get(store.add(user, name, draft.assumptions)));
    }

    /** "What-if 3", if there are two. */
    private String unusedName(SignedIn user) {
        List<String> used =
                store.of(user.getUsername()).stream().map(WhatIf::name).toList();
        return IntStream.iterate(used.size() + 1, n -> n + 1)
                .mapToObj(n -> "What-if " + n)
                .filter(name -> !used.contains(name))
                .findFirst()
                .orElseThrow();
    }

    /** @param only places of the assumptions to count; all if it is not said */
    @GetMapping("/{id}")
    WhatIfView one(
            @AuthenticationPrincipal SignedIn user,
            @PathVariable long id,
            @RequestParam(required = false) @Nullable List<Integer> only) {
        WhatIf whatIf = store.get(id);
        List<Integer> counted = IntStream.range(0, whatIf.assumptions().size())
                .boxed()
                .filter(i -> only == null || only.contains(i))
                .toList();
        WhatIfs.Copy copy =
                whatIfs.of(counted.stream().map(whatIf.assumptions()::get).toList());
        return WhatIfView.of(whatIf, whatIf.belongsTo(user.getUsername()), counted, copy, whatIfs.figures(copy.live()));
    }

    /**
     * Keeps a what-if otherwise.
     *
     * @throws JobProblem 409 if it was changed meanwhile, 422 if an assumption that is new does not fit
     */
    @PutMapping("/{id}")
    WhatIfRow change(
            @AuthenticationPrincipal SignedIn user,
            @PathVariable long id,
            @RequestParam long revision,
            @Valid @RequestBody WhatIfDraft draft) {
        WhatIf before = own(user, id);
        fit(draft.assumptions.stream()
                .filter(a -> !before.assumptions().contains(a))
                .toList());
        changed(store.change(id, revision, draft.name.strip(), draft.assumptions));
        return row(user, store.get(id));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        own(user, id);
        store.remove(id);
    }

    /** The live plan and several what-ifs side by side. */
    @GetMapping("/compared")
    List<ComparedPlan> compared(@RequestParam @Size(max = MOST_COMPARED) List<Long> ids) {
        List<ComparedPlan> columns = new ArrayList<>();
        columns.add(new ComparedPlan(null, "Live", null, List.of(), Figures.of(whatIfs.figures(live.current()))));
        for (Long id : ids) {
            WhatIf whatIf = store.get(id);
            columns.add(new ComparedPlan(
                    id,
                    whatIf.name(),
                    whatIf.owner(),
                    sentences(whatIf),
                    Figures.of(whatIfs.of(whatIf.assumptions()).figures())));
        }
        return columns;
    }

    /**
     * Makes assumptions true in the live data, as one decision that can be taken back; they are assumed no longer.
     *
     * @throws JobProblem 409 if the what-if was changed meanwhile, 422 if one does not fit, 403 for all but planners
     */
    @PostMapping("/{id}/taken-over")
    @ResponseStatus(HttpStatus.CREATED)
    Decision takeOver(
            @AuthenticationPrincipal SignedIn user,
            @PathVariable long id,
            @RequestHeader("Idempotency-Key") UUID command,
            @Valid @RequestBody TakenOver taken) {
        WhatIf whatIf = own(user, id);
        List<Assumption> gone = new ArrayList<>();
        List<Assumption> left = new ArrayList<>();
        for (int i = 0; i < whatIf.assumptions().size(); i++) {
            (taken.places.contains(i) ? gone : left).add(whatIf.assumptions().get(i));
        }
        String sentences = String.join("; ", gone.stream().map(this::sentence).toList());
        return decisions.change(user, command, new FactsCommand() {
            @Override
            public String kind() {
                return "TAKE_OVER";
            }

            @Override
            public Object content() {
                return Map.of("whatIf", id, "taken", taken);
            }

            @Override
            public String sentence() {
                return "Took over from the what-if " + whatIf.name() + ": " + sentences;
            }

            @Override
            public Cause.Kind from() {
                return Cause.Kind.WHAT_IF;
            }

            @Override
            public boolean permitted(Rights rights) {
                return rights.takeOver();
            }

            @Override
            public List<FactChange> otherwise(PlanVersion present) {
                return WhatIfs.all(present, gone);
            }

            @Override
            public List<FactChange> besides() {
                changed(store.change(id, taken.revision, whatIf.name(), left));
                return List.of(store.change(whatIf, left));
            }
        });
    }

    private static void changed(boolean done) {
        if (!done) {
            throw new JobProblem(HttpStatus.CONFLICT, "The what-if was changed meanwhile; look at it again");
        }
    }

    /** @throws JobProblem 422 with the first that does not fit the live data */
    private void fit(List<Assumption> assumptions) {
        assumptions.forEach(assumption -> WhatIfs.all(live.current(), List.of(assumption)));
    }

    private WhatIf own(SignedIn user, long id) {
        WhatIf whatIf = store.get(id);
        if (!whatIf.belongsTo(user.getUsername())) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN, "This what-if is " + whatIf.owner() + "'s; make a copy to change it");
        }
        return whatIf;
    }

    private WhatIfRow row(SignedIn user, WhatIf whatIf) {
        return new WhatIfRow(
                whatIf.id(),
                whatIf.name(),
                whatIf.owner(),
                whatIf.belongsTo(user.getUsername()),
                whatIf.changedAt(),
                sentences(whatIf));
    }

    private List<String> sentences(WhatIf whatIf) {
        return whatIf.assumptions().stream().map(this::sentence).toList();
    }

    private String sentence(Assumption assumption) {
        return assumption.sentence(live.current().directory());
    }
}
