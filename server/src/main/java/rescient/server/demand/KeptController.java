package rescient.server.demand;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** What customers were promised against what was shipped. */
@RestController
@RequestMapping("/api/demand/kept")
class KeptController {
    private final LivePlan live;
    private final KeptPromises kept;

    KeptController(LivePlan live, KeptPromises kept) {
        this.live = live;
        this.kept = kept;
    }

    /**
     * A line that was promised, and what became of it.
     *
     * @param ordered in all; {@code inTime} shipped by the promised day, {@code shipped} in all, {@code left} not
     * @param last the day on which the last of it went; null: nothing did
     * @param turned kept, late, short or overdue
     * @param days after the promised day; 0 or less: not after it
     * @param value of all that was ordered; null: no price is known
     */
    record KeptRow(
            String key,
            String number,
            String line,
            @Nullable String customer,
            @Nullable String customerName,
            String item,
            String itemName,
            String siteName,
            String unit,
            BigDecimal ordered,
            BigDecimal inTime,
            BigDecimal shipped,
            BigDecimal left,
            LocalDate wanted,
            LocalDate promised,
            @Nullable LocalDate last,
            String turned,
            int days,
            @Nullable BigDecimal value) {}

    /**
     * All promises of a month, a customer or a group.
     *
     * @param code year and month, customer or group; empty: all that fit
     * @param percent so many of a hundred lines were kept; null: there are none
     * @param medianDays of those late or overdue; null: none is
     * @param value of what was promised, {@code inTime} of what of it went by then
     */
    record KeptSum(
            String code,
            String name,
            int lines,
            int kept,
            int late,
            int cut,
            int overdue,
            @Nullable Integer percent,
            @Nullable Integer medianDays,
            BigDecimal value,
            BigDecimal inTime,
            BigDecimal notInTime) {}

    /**
     * @param sum of all that fit
     * @param months of what fits in every month, the first first; likewise customers and groups, those with the most that was
     *     not kept first
     * @param place of the line that was asked for, from 0 on; null: it is none of those that fit
     */
    record KeptRows(
            List<KeptRow> rows,
            int total,
            KeptSum sum,
            List<KeptSum> months,
            List<KeptSum> customers,
            List<KeptSum> groups,
            @Nullable Integer place) {}

    /** Promises whose day is over, or that were kept already, the latest first. */
    @GetMapping
    KeptRows kept(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @DateTimeFormat(pattern = "uuuu-MM") YearMonth month,
            @RequestParam(required = false) @Size(max = 300) String customer,
            @RequestParam(required = false) @Size(max = 300) String group,
            @RequestParam(required = false) Boolean broken,
            @RequestParam(required = false) @Size(max = 20) String sort,
            @RequestParam(required = false) Boolean desc,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return kept.list(
                live.current(),
                new KeptPromises.Asked(
                        words, month, customer, group, Boolean.TRUE.equals(broken), sort, Boolean.TRUE.equals(desc)),
                place,
                offset,
                limit);
    }
}
