package rescient.server.planning;

import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Periods;
import rescient.core.plan.PointView;
import rescient.server.platform.JobProblem;

/** The plan in periods: balances of all stock points, each opened, each figure explained, and as a sheet. */
@RestController
@RequestMapping("/api/plan/periods")
class PeriodController {
    private static final String SHEET = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    private final VersionInView versions;

    PeriodController(VersionInView versions) {
        this.versions = versions;
    }

    /**
     * The balances at the end of each period, what nothing else needs first.
     *
     * @param scale days, weeks, months or mixed
     * @param words parts of item, name or site
     * @param onlyShort only stock points that fall short in some period
     * @param goodsLast what nothing else needs comes last
     */
    @GetMapping
    PeriodGrid periods(
            @RequestParam(defaultValue = "mixed") String scale,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "false") boolean onlyShort,
            @RequestParam(defaultValue = "false") boolean goodsLast) {
        PlanVersion version = versions.inView();
        return PeriodGrid.of(version, periods(version, scale), new PeriodGrid.Wanted(words, onlyShort, goodsLast));
    }

    @GetMapping("/stock-point")
    PeriodDetail stockPoint(
            @RequestParam String item, @RequestParam String site, @RequestParam(defaultValue = "mixed") String scale) {
        PlanVersion version = versions.inView();
        return PeriodDetail.of(version, point(version, item, site), periods(version, scale));
    }

    /** The slip of a cell, by any day of its period. */
    @GetMapping("/cell")
    Slip cell(
            @RequestParam String item,
            @RequestParam String site,
            @RequestParam LocalDate date,
            @RequestParam PeriodDetail.Kind kind,
            @RequestParam(defaultValue = "mixed") String scale) {
        PlanVersion version = versions.inView();
        Periods periods = periods(version, scale);
        int period = periods.at((int) date.toEpochDay());
        return PeriodSlip.of(version, point(version, item, site), periods, period, kind);
    }

    private Periods periods(PlanVersion version, String scale) {
        return PeriodGrid.periods(version, scale(scale), versions.weekStart());
    }

    /** A row of the sheet; open with all its flows. */
    record SheetRow(String item, String site, boolean open) {}

    /** The rows of the sheet in their order. */
    record SheetWanted(String scale, List<SheetRow> rows) {}

    /** The rows as an .xlsx file. */
    @PostMapping("/sheet")
    ResponseEntity<byte[]> sheet(@RequestBody SheetWanted wanted) {
        PlanVersion version = versions.inView();
        List<SheetRow> known = wanted.rows().stream()
                .filter(r -> version.plan()
                        .point(r.item(), r.site())
                        .filter(PointView::planned)
                        .isPresent())
                .limit(PeriodGrid.MOST)
                .toList();
        byte[] book = PeriodBook.of(
                version,
                periods(version, wanted.scale()),
                known.stream().map(r -> point(version, r.item(), r.site())).toList(),
                known.stream().map(SheetRow::open).toList());
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, SHEET)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=periods.xlsx")
                .body(book);
    }

    private static Periods.Scale scale(String word) {
        try {
            return PeriodGrid.scale(word);
        } catch (IllegalArgumentException e) {
            throw new JobProblem(
                            HttpStatus.BAD_REQUEST, "Periods are days, weeks, months or mixed, not \"" + word + "\"")
                    .field("scale");
        }
    }

    private static PointView point(PlanVersion version, String item, String site) {
        return version.plan()
                .point(item, site)
                .filter(PointView::planned)
                .orElseThrow(() ->
                        JobProblem.notFound("There is no stock point " + item + " at " + site + " that is planned"));
    }
}
