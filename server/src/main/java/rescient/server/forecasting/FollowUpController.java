package rescient.server.forecasting;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.company.PeriodUnit;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** What was forecast against what came: of all series month by month, and of each. */
@RestController
@RequestMapping("/api/forecasts/follow-up")
class FollowUpController {
    private final LivePlan live;
    private final FollowUps follow;

    FollowUpController(LivePlan live, FollowUps follow) {
        this.live = live;
        this.follow = follow;
    }

    /**
     * A bucket of one series.
     *
     * @param lag how many buckets before it was forecast
     * @param forecast by the method, {@code expected} with what was changed by hand, {@code naive} what came a season before
     *     (null: not known)
     */
    record FollowedLine(
            LocalDate from,
            int lag,
            BigDecimal came,
            BigDecimal forecast,
            BigDecimal expected,
            @Nullable BigDecimal naive) {}

    /**
     * How the forecasts of a series did.
     *
     * @param bias mean of what came less what was expected: above 0 too little was
     * @param error mean absolute error
     * @param mase the same in parts of the mean difference to a season before
     * @param byHand by how much changes by hand made the error smaller, below 0: greater
     * @param byMethod by how much the method did better than a season before; null: that is not known
     * @param signal the tracking signal; beyond 4 or −4 it wants a look
     * @param missed the error in money; null: nothing is known of the item's value
     * @param lines one for each bucket, the oldest first
     */
    record FollowedSeries(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            double bias,
            double error,
            double mase,
            double byHand,
            @Nullable Double byMethod,
            double signal,
            boolean look,
            @Nullable BigDecimal missed,
            List<FollowedLine> lines) {}

    /**
     * A month of all series in money.
     *
     * @param bias what came less what was expected
     * @param missed the sum of absolute errors; {@code byMethod} of what the methods said, {@code byNaive} of a season before
     */
    record FollowedMonth(
            LocalDate from,
            int series,
            BigDecimal came,
            BigDecimal expected,
            BigDecimal bias,
            BigDecimal missed,
            BigDecimal byMethod,
            BigDecimal byNaive) {}

    /**
     * @param total how many fit, {@code off} how many of them want a look
     * @param place of the series that was asked for, from 0 on; null: it is none of those that fit
     * @param lags at which something was forecast
     */
    record FollowedRows(
            List<FollowedSeries> rows,
            int total,
            int off,
            List<FollowedMonth> months,
            List<Integer> lags,
            @Nullable String set,
            @Nullable Integer place) {}

    /** All series of which something that was forecast has come, by what they missed in money. */
    @GetMapping
    FollowedRows followUp(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(defaultValue = "MONTH") PeriodUnit bucket,
            @RequestParam(required = false) @Min(0) @Max(400) Integer lag,
            @RequestParam(required = false) Boolean off,
            @RequestParam(required = false) @Size(max = 20) String sort,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return follow.list(
                live.current(),
                new FollowUps.Asked(words, bucket, lag, Boolean.TRUE.equals(off), sort, place, offset, limit));
    }
}
