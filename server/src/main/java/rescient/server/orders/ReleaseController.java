package rescient.server.orders;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.platform.Nullable;

/** Releasing planned orders: first what would come out, then the press. */
@RestController
@RequestMapping("/api/releases")
class ReleaseController {
    private static final int LONGEST_NOTE = 1000;
    private static final int LONGEST_KEY = 300;
    private static final int MOST = 2000;
    /** So far is looked ahead if nothing else is said. */
    private static final int WEEKS = 4;

    private final Releasing releasing;

    ReleaseController(Releasing releasing) {
        this.releasing = releasing;
    }

    /**
     * @param seen the plan in which they were chosen; null: the present one
     * @param asPossible whether those that cannot be there in time are dated with the day on which they can; else they keep their
     *     dates
     * @param weeks how far is looked ahead for what else could go out on the purchase orders; null: 4
     */
    record Chosen(
            @Nullable Long seen,
            @NotEmpty @Size(max = MOST) List<@NotNull @Size(max = LONGEST_KEY) String> orders,
            @Nullable Boolean asPossible,
            @Nullable @Min(1) @Max(104) Integer weeks) {}

    /**
     * @param gone planned orders that the plan no longer asks for
     * @param since what happened at their stock points after the plan that was seen, each in a sentence
     * @param earlier orders that the plan will count for an earlier need than the one they are planned for
     * @param brought keys of transfers that go too, for they bring parts to a subcontractor whose order goes
     * @param more what else could go out on the purchase orders
     */
    record ReleasePreview(
            long version,
            List<ReleaseDocument> documents,
            List<Release.Obstacle> obstacles,
            List<String> gone,
            List<String> since,
            List<Release.Earlier> earlier,
            List<String> brought,
            List<AlsoFrom> more) {}

    /**
     * @param asPossible whether those that cannot be there in time are dated with the day on which they can; else they keep their
     *     dates
     * @param seen the plan in which they were last looked at: what happened since at their stock points has to be looked at first
     * @param note on every document that has none of its own
     * @param notes by the key of a document's first line
     */
    record ReleaseRequest(
            @NotNull Long seen,
            @NotEmpty @Size(max = MOST) List<@NotNull @Size(max = LONGEST_KEY) String> orders,
            boolean leaveOut,
            @Nullable Boolean asPossible,
            @Nullable @Size(max = LONGEST_NOTE) String note,
            @Nullable @Size(max = MOST) Map<String, @Size(max = LONGEST_NOTE) String> notes) {}

    @PostMapping("/preview")
    ReleasePreview preview(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody Chosen chosen) {
        Release release = releasing.preview(user, chosen.orders, Boolean.TRUE.equals(chosen.asPossible));
        List<ReleaseDocument> documents = release.drafts();
        int weeks = chosen.weeks == null ? WEEKS : chosen.weeks;
        return new ReleasePreview(
                release.version.number(),
                documents,
                release.obstacles,
                release.gone.stream().map(Release.Missing::key).toList(),
                chosen.seen == null ? List.of() : releasing.since(release, chosen.seen),
                release.earlier(),
                List.copyOf(release.brought),
                releasing.more(release, documents, chosen.orders, weeks * 7));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Releasing.Answer release(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @Valid @RequestBody ReleaseRequest request) {
        return releasing.release(
                user,
                key,
                request.seen,
                request.orders,
                request.leaveOut,
                Boolean.TRUE.equals(request.asPossible),
                request.note,
                request.notes == null ? Map.of() : request.notes);
    }
}
