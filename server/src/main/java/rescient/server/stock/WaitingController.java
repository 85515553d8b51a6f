package rescient.server.stock;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;
import rescient.server.tables.FactRows;

/** Corrections of stock that wait for approval. */
@RestController
@RequestMapping("/api/stock/waiting")
class WaitingController {
    private final LivePlan live;
    private final WaitingPostings waiting;
    private final StockDesk desk;
    private final KeptMovements kept;
    private final FactRows rows;
    private final CommandPipeline pipeline;
    private final ObjectMapper json;

    WaitingController(
            LivePlan live,
            WaitingPostings waiting,
            StockDesk desk,
            KeptMovements kept,
            FactRows rows,
            CommandPipeline pipeline,
            ObjectMapper json) {
        this.live = live;
        this.waiting = waiting;
        this.desk = desk;
        this.kept = kept;
        this.rows = rows;
        this.pipeline = pipeline;
        this.json = json;
    }

    /**
     * A correction.
     *
     * @param sentence what was done, once it is posted
     * @param state waiting, posted or rejected
     * @param why it was rejected
     * @param countList that it comes from
     */
    record WaitingRow(
            long id,
            String sentence,
            String madeBy,
            Instant madeAt,
            String state,
            @Nullable String doneBy,
            @Nullable String why,
            @Nullable Long countList) {}

    /**
     * @param approved by whom so far
     * @param asks the role that is asked next
     * @param posting what it would do; null: it waits no more
     */
    record WaitingView(
            WaitingRow row,
            List<String> approved,
            @Nullable String asks,
            @Nullable StockDesk.PostingView posting) {}

    /** @param reason it will not be posted */
    record Rejection(@NotBlank @Size(max = 300) String reason) {}

    /** The latest first. */
    @GetMapping
    List<WaitingRow> waiting() {
        return waiting.all();
    }

    @GetMapping("/{id}")
    WaitingView waitingPosting(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        return waiting.one(live.current(), user, id);
    }

    /** Asks for a correction that is worth so much that somebody else approves it. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    WaitingRow ask(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @Valid @RequestBody PostingWish wish) {
        new PostStock(desk, kept, rows, json, wish).permit(user);
        return waiting.ask(live.current(), user, key, wish, null);
    }

    /** Approves it; the last who is asked posts it with that. */
    @PostMapping("/{id}/approval")
    WaitingView approvePosting(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        UUID key = waiting.key(id);
        // it may have been posted and not said so
        if (kept.posting(key).isEmpty()) {
            PostingWish wish = waiting.approve(live.current(), user, id);
            if (wish == null) {
                return waiting.one(live.current(), user, id);
            }
            pipeline.carryOut(user, key, new PostStock(desk, kept, rows, json, wish, waiting.people(id)));
        }
        waiting.become(live.current(), user, id, null);
        return waiting.one(live.current(), user, id);
    }

    /** Sends it back. */
    @PostMapping("/{id}/rejection")
    WaitingRow rejectPosting(
            @AuthenticationPrincipal SignedIn user, @PathVariable long id, @Valid @RequestBody Rejection rejection) {
        return waiting.become(live.current(), user, id, rejection.reason().strip());
    }
}
