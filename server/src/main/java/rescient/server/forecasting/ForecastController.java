package rescient.server.forecasting;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.company.Fact;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Method;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What is expected to be asked for: all series in a list, and one as a picture. Looking keeps nothing. */
@RestController
@RequestMapping("/api/forecasts")
class ForecastController {
    private static final int USUAL = 12;

    private final LivePlan live;
    private final ForecastSeriesList list;

    ForecastController(LivePlan live, ForecastSeriesList list) {
        this.live = live;
        this.list = list;
    }

    /**
     * A series in the list.
     *
     * @param lastYear what was asked for in the last twelve months, {@code nextYear} what is forecast for the next
     * @param value of the next year at the item's price, or else its cost; null: neither is known
     * @param method by which it is forecast; null: there was too little to choose by
     * @param kept what the forecast set that the plan uses says of the next year; null: nothing
     * @param ahead what is forecast, month by month
     */
    record SeriesRow(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            BigDecimal lastYear,
            BigDecimal nextYear,
            @Nullable BigDecimal value,
            Method method,
            String methodTitle,
            @Nullable Double mase,
            @Nullable Double bias,
            boolean season,
            @Nullable BigDecimal kept,
            List<BigDecimal> ahead) {}

    /**
     * @param total how many fit
     * @param months the first days of those that are forecast
     * @param set the forecast set that the plan uses
     * @param place of the series that was asked for, from 0 on; null: it is none of those that fit
     */
    record SeriesRows(
            List<SeriesRow> rows,
            int total,
            List<LocalDate> months,
            @Nullable String set,
            @Nullable Integer place) {}

    /**
     * A bucket that has been.
     *
     * @param quantity what was shipped in it
     * @param counts what it counts for
     * @param usual what would have been usual, if it lies far from all around; null: it is usual itself
     * @param kind why it counts for something else; null: it does not, or nobody said why; so is {@code reason}
     */
    record Was(
            LocalDate from,
            BigDecimal quantity,
            BigDecimal counts,
            boolean corrected,
            @Nullable BigDecimal usual,
            @Nullable String kind,
            @Nullable String reason) {}

    /**
     * A bucket to come.
     *
     * @param low80 the interval that holds 80 % of what comes, with {@code high80}; 95 % the others
     * @param kept what the forecast set in use says of it; null: nothing
     */
    record Ahead(
            LocalDate from,
            BigDecimal quantity,
            BigDecimal low80,
            BigDecimal high80,
            BigDecimal low95,
            BigDecimal high95,
            @Nullable BigDecimal kept) {}

    /**
     * A method as it was tested.
     *
     * @param mase mean absolute error in parts of the mean difference to a season before
     * @param bias above 0: too little was said
     * @param said what it would have said of the buckets that were held out
     */
    record MethodRow(Method method, String title, double mase, double bias, List<BigDecimal> said) {}

    /** @param name of a parameter, with its value */
    record Parameter(String name, double value) {}

    /**
     * One series.
     *
     * @param heldOut the place of the first bucket that methods did not know in their test
     * @param covered80 what share of the test's errors lies within the interval; so is {@code covered95}
     * @param automatic the method is the one with the least error
     * @param set the forecast set that the plan uses
     */
    record SeriesView(
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            PeriodUnit bucket,
            List<Was> history,
            List<Ahead> ahead,
            Method method,
            String methodTitle,
            boolean automatic,
            int season,
            List<Parameter> parameters,
            List<MethodRow> methods,
            int heldOut,
            double covered80,
            double covered95,
            @Nullable String set) {}

    /** What a bucket of the history would count for. */
    record DraftCorrection(
            @NotNull LocalDate from,

            @NotNull @PositiveOrZero @DecimalMax("1000000000000")
            BigDecimal quantity) {}

    /** A series as it would be with other corrections, beside those that are kept. */
    record ForecastDraft(
            @NotNull @Size(max = 300) String item,
            @NotNull @Size(max = 300) String site,
            @Nullable PeriodUnit bucket,
            @Nullable Method method,
            @NotNull @Size(max = 1000) List<@Valid @NotNull DraftCorrection> corrections) {}

    /** All series, what is worth most first. */
    @GetMapping
    SeriesRows forecastSeries(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 20) String sort,
            @RequestParam(required = false) Boolean desc,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return list.list(live.current(), new ForecastSeriesList.Asked(words, sort, desc, place, offset, limit));
    }

    /** One series with its forecast, by a method or by the one with the least error. */
    @GetMapping("/one")
    SeriesView forecastOf(
            @RequestParam @Size(max = 300) String item,
            @RequestParam @Size(max = 300) String site,
            @RequestParam(defaultValue = "MONTH") PeriodUnit bucket,
            @RequestParam(defaultValue = "12") @Min(1) @Max(400) int periods,
            @RequestParam(required = false) Method method) {
        return known(list.one(live.current(), item, site, bucket, periods, method, List.of()), item);
    }

    /** The same while a point of the history is moved: nothing is kept. */
    @PostMapping("/draft")
    SeriesView draft(@Valid @RequestBody ForecastDraft draft) {
        PeriodUnit bucket = draft.bucket == null ? PeriodUnit.MONTH : draft.bucket;
        return known(
                list.one(
                        live.current(),
                        draft.item,
                        draft.site,
                        bucket,
                        USUAL,
                        draft.method,
                        draft.corrections.stream()
                                .map(one -> new Fact.HistoryCorrection(
                                        draft.item, draft.site, one.from, bucket, one.quantity, null, null))
                                .toList()),
                draft.item);
    }

    private static SeriesView known(SeriesView view, String item) {
        if (view == null) {
            throw JobProblem.notFound("Nothing of " + item + " was ever shipped from there");
        }
        return view;
    }
}
