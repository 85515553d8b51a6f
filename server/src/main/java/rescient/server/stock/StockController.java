package rescient.server.stock;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.stock.Movement;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Served;
import rescient.server.platform.JobProblem;
import rescient.server.tables.FactRows;

/** The stock record: what lies where, what moved it, and what is posted on it. */
@RestController
@RequestMapping("/api/stock")
class StockController {
    /** Of a file, in characters. */
    private static final int LONGEST = 5_000_000;

    private final LivePlan live;
    private final OnHandList list;
    private final DueList due;
    private final Ledger ledger;
    private final StockDesk desk;
    private final PostingFileDesk files;
    private final TracedMovements traced;
    private final ExpiringLots expiring;
    private final Scans scans;
    private final LotNumbers numbers;
    private final KeptMovements kept;
    private final FactRows rows;
    private final CommandPipeline pipeline;
    private final ObjectMapper json;

    StockController(
            LivePlan live,
            OnHandList list,
            DueList due,
            Ledger ledger,
            StockDesk desk,
            PostingFileDesk files,
            TracedMovements traced,
            ExpiringLots expiring,
            Scans scans,
            LotNumbers numbers,
            KeptMovements kept,
            FactRows rows,
            CommandPipeline pipeline,
            ObjectMapper json) {
        this.live = live;
        this.list = list;
        this.due = due;
        this.ledger = ledger;
        this.desk = desk;
        this.files = files;
        this.traced = traced;
        this.expiring = expiring;
        this.scans = scans;
        this.numbers = numbers;
        this.kept = kept;
        this.rows = rows;
        this.pipeline = pipeline;
        this.json = json;
    }

    /** What lies where, in windows. */
    @GetMapping
    OnHandList.OnHandRows onHand(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 300) String site,
            @RequestParam(required = false) @Size(max = 20) String only,
            @RequestParam(required = false) @Size(max = 20) String sort,
            @RequestParam(defaultValue = "false") boolean desc,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return list.list(live.current(), new OnHandList.Asked(words, site, only, sort, desc, place, offset, limit));
    }

    /** What suppliers are to bring. */
    @GetMapping("/due")
    DueList.DueLines due(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 300) String supplier,
            @RequestParam(required = false) LocalDate before) {
        return due.list(live.current(), words, supplier, before);
    }

    /** One item at a site with its lots and movements. */
    @GetMapping("/ledger")
    Ledger.LedgerView ledger(
            @RequestParam @Size(max = 300) String item,
            @RequestParam @Size(max = 300) String site,
            @RequestParam(defaultValue = "0") @Min(0) @Max(10_000_000) int offset,
            @RequestParam(defaultValue = "200") @Min(0) @Max(500) int limit) {
        return ledger.of(live.current(), item, site, offset, limit);
    }

    /** One lot or serial number with its trace both ways. */
    @GetMapping("/lot")
    LotView lot(
            @RequestParam @Size(max = 300) String item,
            @RequestParam(defaultValue = "") @Size(max = 300) String lot,
            @RequestParam(defaultValue = "") @Size(max = 300) String serial) {
        return LotView.of(live.current(), traced.record(), new Movement.Lot(item, lot, serial), traced::supplier);
    }

    /** Lots that expire before they are used, the soonest first. */
    @GetMapping("/expiring")
    ExpiringLots.ExpiringRows expiring(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(defaultValue = "false") boolean everything) {
        return expiring.list(live.current(), words, everything);
    }

    /** What would use one of them. */
    @GetMapping("/expiring/users")
    List<Served> expiringUsers(@RequestParam @Size(max = 2000) String key) {
        return expiring.users(live.current(), key);
    }

    /** What a scanned code means, what is most likely first. */
    @GetMapping("/scan")
    List<Scans.ScanView> scan(@RequestParam @Size(min = 1, max = 300) String code) {
        return scans.read(live.current(), code);
    }

    /** Takes the next lot or serial numbers of an item, as its pattern makes them up. */
    @PostMapping("/numbers")
    LotNumbers.LotNumbersTaken numbers(
            @AuthenticationPrincipal SignedIn user,
            @RequestParam @Size(max = 300) String item,
            @RequestParam(defaultValue = "1") @Min(1) @Max(1000) int many) {
        if (!user.role().rights().stock() && !user.role().rights().production()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN, "Numbers are given by who receives or reports: stores, foreman, planners");
        }
        return numbers.take(live.current(), item, many);
    }

    /** What a posting would do; nothing is kept. */
    @PostMapping("/preview")
    StockDesk.PostingView previewPosting(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody PostingWish wish) {
        PlanVersion version = live.current();
        StockDesk.dated(wish, version.today());
        return desk.preview(version, user, wish);
    }

    /** What a file of postings would come to, each after those before it; nothing is kept. */
    @PostMapping(path = "/file/preview", consumes = "text/csv")
    PostingFileDesk.FilePostings previewFile(@RequestBody @Size(max = LONGEST) String file) {
        return files.preview(live.current(), files.read(file));
    }

    /** Posts a file, posting by posting; what cannot be is left out, and posted already is not posted again. */
    @PostMapping(path = "/file", consumes = "text/csv")
    PostingFileDesk.FilePostings postFile(
            @AuthenticationPrincipal SignedIn user, @RequestBody @Size(max = LONGEST) String file) {
        return files.post(
                user,
                live.current(),
                files.read(file),
                (who, key, wish) -> pipeline.carryOut(who, key, new PostStock(desk, kept, rows, json, wish)));
    }

    /** Posts it, all or nothing. */
    @PostMapping("/postings")
    @ResponseStatus(HttpStatus.CREATED)
    PostStock.Posted post(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @Valid @RequestBody PostingWish wish) {
        return pipeline.carryOut(user, key, new PostStock(desk, kept, rows, json, wish));
    }
}
