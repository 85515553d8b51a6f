package rescient.server.purchasing;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What suppliers wrote: read, and said to be done; what is made of it is decided and posted as everything else. */
@RestController
@RequestMapping("/api/letters")
class LetterController {
    private final LivePlan live;
    private final Letters letters;

    LetterController(LivePlan live, Letters letters) {
        this.live = live;
        this.letters = letters;
    }

    /**
     * A letter.
     *
     * @param kind answer, dispatch, invoice or other
     * @param about the number of the order
     * @param state waiting, done or put_aside
     * @param document something came with it
     */
    record LetterRow(
            long id,
            String kind,
            String sender,
            @Nullable String supplier,
            @Nullable String supplierName,
            String subject,
            @Nullable String about,
            Instant receivedAt,
            String state,
            @Nullable String doneBy,
            boolean document) {}

    /** @param waiting of all letters */
    record LetterRows(List<LetterRow> rows, int waiting) {}

    /**
     * A line that it speaks of, beside the line of the order.
     *
     * @param item null: the line is not open any more, as the others
     * @param open in the item's unit
     * @param wanted the day it was to come so far
     * @param said how much, in {@code orderUnit}; {@code quantity} the same in the item's unit
     * @param sentence what is otherwise; null: nothing
     * @param serials of single pieces that a delivery names
     */
    record LetterLine(
            String line,
            @Nullable String item,
            @Nullable String itemName,
            @Nullable String unit,
            @Nullable String orderUnit,
            @Nullable BigDecimal open,
            @Nullable LocalDate wanted,
            BigDecimal said,
            @Nullable BigDecimal quantity,
            @Nullable LocalDate date,
            @Nullable String lot,
            @Nullable LocalDate expiry,
            @Nullable String tracking,
            @Nullable String sentence,
            List<String> serials) {}

    /** @param key what is made of it bears this key, so that it is made once, and once more when that was taken back */
    record LetterView(LetterRow letter, UUID key, List<LetterLine> lines) {}

    /** The latest first. */
    @GetMapping
    LetterRows letters(@RequestParam(required = false) @Size(max = 20) String state) {
        return letters.list(live.current(), state);
    }

    @GetMapping("/{id}")
    LetterView letter(@PathVariable long id) {
        return letters.one(live.current(), id);
    }

    /** What came with it, as it came. */
    @GetMapping("/{id}/document")
    ResponseEntity<byte[]> document(@PathVariable long id) {
        // what somebody else wrote is never shown as a page of ours
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("letter-" + id + ".xml")
                                .build()
                                .toString())
                .body(letters.document(id));
    }

    /** Says that it is done, put aside, or waits again. */
    @PostMapping("/{id}/state")
    LetterRow become(
            @AuthenticationPrincipal SignedIn user, @PathVariable long id, @RequestParam @Size(max = 20) String to) {
        Rights rights = user.role().rights();
        if (!rights.mayRelease("buy") && !rights.stock()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN, "What suppliers write is dealt with by buyers, stores and planners");
        }
        return letters.become(live.current(), user, id, to);
    }
}
