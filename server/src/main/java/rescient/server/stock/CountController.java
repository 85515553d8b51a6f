package rescient.server.stock;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.FactRows;

/** Lists of what is to be counted; what differs is posted as any count. */
@RestController
@RequestMapping("/api/counts")
class CountController {
    private final LivePlan live;
    private final CountDesk counts;
    private final StockDesk desk;
    private final KeptMovements kept;
    private final FactRows rows;
    private final CommandPipeline pipeline;
    private final ObjectMapper json;

    CountController(
            LivePlan live,
            CountDesk counts,
            StockDesk desk,
            KeptMovements kept,
            FactRows rows,
            CommandPipeline pipeline,
            ObjectMapper json) {
        this.live = live;
        this.counts = counts;
        this.desk = desk;
        this.kept = kept;
        this.rows = rows;
        this.pipeline = pipeline;
        this.json = json;
    }

    /**
     * A list that is to be made.
     *
     * @param group only items of this group; null: all
     * @param due only what is due by its cycle
     * @param blind who counts does not see what should be there
     */
    record CountWish(
            @NotNull @Size(max = 300) String site,
            @Nullable @Size(max = 300) String group,
            boolean due,
            boolean blind) {}

    /** What was counted of a line; null: nothing after all. */
    record Counted(
            int place,

            @Nullable @PositiveOrZero @DecimalMax("1000000000000")
            BigDecimal counted) {}

    /** A list; {@code counted} of its {@code lines} are. */
    record CountRow(
            long id,
            String site,
            String siteName,
            String what,
            boolean blind,
            String state,
            String madeBy,
            Instant madeAt,
            @Nullable String doneBy,
            int lines,
            int counted) {}

    /**
     * A line of it.
     *
     * @param book what should be there; null: it is counted blind, as {@code differs} and its {@code value}
     */
    record CountLineRow(
            int place,
            String item,
            String itemName,
            @Nullable String lot,
            @Nullable String serial,
            boolean quarantined,
            String unit,
            @Nullable BigDecimal counted,
            @Nullable String countedBy,
            @Nullable BigDecimal book,
            @Nullable BigDecimal differs,
            @Nullable BigDecimal value) {}

    /**
     * @param more the value of what is there beyond the book, {@code less} of what is missing (below 0)
     * @param asks the role that would be asked to approve it; null: none
     * @param waiting for approval; null: it does not
     */
    record CountView(
            CountRow list,
            List<CountLineRow> lines,
            @Nullable BigDecimal more,
            @Nullable BigDecimal less,
            @Nullable String asks,
            @Nullable WaitingController.WaitingView waiting) {}

    @GetMapping
    List<CountRow> counts() {
        return counts.all(live.current());
    }

    @GetMapping("/{id}")
    CountView count(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        return counts.one(live.current(), user, id);
    }

    @GetMapping("/{id}/paper")
    ResponseEntity<byte[]> countPaper(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(counts.paper(live.current(), user, id));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    CountView makeCount(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody CountWish wish) {
        permit(user);
        return counts.make(live.current(), user, wish);
    }

    @PutMapping("/{id}/lines")
    CountView keepCounted(
            @AuthenticationPrincipal SignedIn user,
            @PathVariable long id,
            @RequestBody @Size(max = CountDesk.MOST_LINES) List<@Valid @NotNull Counted> lines) {
        permit(user);
        return counts.count(live.current(), user, id, lines);
    }

    /** Posts what differs, under the list's own key; or asks whoever has to approve so much. */
    @PostMapping("/{id}/posting")
    CountView postCount(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        permit(user);
        UUID key = counts.keyOf(id);
        // it may have been posted and not said so
        if (kept.posting(key).isEmpty()) {
            PostingWish wish = counts.wish(live.current(), id);
            boolean asks = !wish.lines().isEmpty()
                    && desk.preview(live.current(), user, wish).asks() != null;
            if (asks) {
                return counts.ask(live.current(), user, id, wish);
            }
            if (!wish.lines().isEmpty()) {
                pipeline.carryOut(user, key, new PostStock(desk, kept, rows, json, wish));
            }
        }
        return counts.done(live.current(), user, id, CountList.POSTED);
    }

    @PostMapping("/{id}/drop")
    CountView dropCount(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        permit(user);
        return counts.done(live.current(), user, id, "dropped");
    }

    private static void permit(SignedIn user) {
        if (!user.role().rights().stock()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Stock is counted by stores and planners");
        }
    }
}
