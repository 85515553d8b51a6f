package rescient.server.stock;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;

/** The stores' papers, to be printed. */
@RestController
@RequestMapping("/api/stock/papers")
class PaperController {
    private final LivePlan live;
    private final PickList picks;
    private final PostingNote notes;
    private final Labels labels;

    PaperController(LivePlan live, PickList picks, PostingNote notes, Labels labels) {
        this.live = live;
        this.picks = picks;
        this.notes = notes;
        this.labels = labels;
    }

    /** What is to be fetched for orders, one or many together. */
    @GetMapping("/pick-list")
    ResponseEntity<byte[]> pickList(
            @RequestParam @Size(min = 1, max = 100) List<@NotNull @Size(max = 300) String> number) {
        return paper("pick-list", picks.pdf(live.current(), number));
    }

    /** The same to be ticked off on a screen. */
    @GetMapping("/pick-list/lines")
    PickList.Picks picks(@RequestParam @Size(min = 1, max = 100) List<@NotNull @Size(max = 300) String> number) {
        return picks.of(live.current(), number);
    }

    /** The shipping or receipt note of a posting. */
    @GetMapping("/note")
    ResponseEntity<byte[]> note(@RequestParam UUID key) {
        return paper("note-" + key, notes.pdf(live.current(), key));
    }

    /** Labels of what a posting brought, or of what lies at a stock point; a sheet of codes to try where neither is said. */
    @GetMapping("/labels")
    ResponseEntity<byte[]> labels(
            @RequestParam(required = false) UUID key,
            @RequestParam(required = false) @Size(max = 300) String item,
            @RequestParam(required = false) @Size(max = 300) String site) {
        if (key != null) {
            return paper("labels-" + key, labels.ofPosting(live.current(), key));
        }
        return item != null && site != null
                ? paper("labels", labels.ofPoint(live.current(), item, site))
                : paper("codes", labels.toTry(live.current()));
    }

    private static ResponseEntity<byte[]> paper(String name, byte[] pdf) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(name + ".pdf")
                                .build()
                                .toString())
                .body(pdf);
    }
}
