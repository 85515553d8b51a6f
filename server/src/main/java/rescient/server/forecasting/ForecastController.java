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
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.company.Consistency;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Choice;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Together;
import rescient.server.planning.LivePlan;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What is expected to be asked for: all series in a list, and one as a picture. Looking keeps nothing. */
@RestController
@RequestMapping("/api/forecasts")
class ForecastController {
    private static final int USUAL = 12;

    private final LivePlan live;
    private final ForecastSeriesList list;
    private final SeriesPicture picture;
    private final MovedPoint moved;

    ForecastController(LivePlan live, ForecastSeriesList list, SeriesPicture picture, MovedPoint moved) {
        this.moved = moved;
        this.live = live;
        this.list = list;
        this.picture = picture;
    }

    /** What a bucket of the history would count for. */
    record DraftCorrection(
            @NotNull LocalDate from,

            @NotNull @PositiveOrZero @DecimalMax("1000000000000")
            BigDecimal quantity) {}

    /** How it would be made: see {@link ForecastFacts.ForecastChoice}. */
    record DraftChoice(
            @Nullable ForecastMethod method,
            @Nullable @Size(max = 300) String parameters,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            @Nullable @Size(max = 300) String likeItem,
            @Nullable @Size(max = 300) String likeSite,

            @Nullable @PositiveOrZero @DecimalMax("1000000") BigDecimal likePercent) {
        ForecastFacts.ForecastChoice of(SeriesKey key, PeriodUnit bucket) {
            return new ForecastFacts.ForecastChoice(
                    key.code(),
                    key.site(),
                    bucket,
                    method,
                    text(parameters),
                    from,
                    to,
                    text(likeItem),
                    text(likeSite),
                    text(likeItem) == null ? null : likePercent,
                    null);
        }

        private static String text(String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    /** A series as it would be with other corrections or made otherwise, beside what is kept. */
    record ForecastDraft(
            @NotNull @Size(max = 700) String key,
            @Nullable PeriodUnit bucket,
            @Nullable ForecastMethod method,
            @NotNull @Size(max = 1000) List<@Valid @NotNull DraftCorrection> corrections,
            @Nullable @Valid DraftChoice choice) {}

    /** @param most up to which value the bucket may be moved */
    record MoveWish(
            @NotNull @Size(max = 700) String key,
            @Nullable PeriodUnit bucket,
            @Nullable ForecastMethod method,
            @NotNull LocalDate from,

            @NotNull @PositiveOrZero @DecimalMax("1000000000000")
            BigDecimal most) {}

    /** All series, what is worth most first. */
    @GetMapping
    ForecastSeriesList.SeriesRows forecastSeries(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) Together.By by,
            @RequestParam(required = false) @Size(max = 20) String only,
            @RequestParam(required = false) @Size(max = 20) String sort,
            @RequestParam(required = false) Boolean desc,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return list.list(
                live.current(), new ForecastSeriesList.Asked(words, by, only, sort, desc, place, offset, limit));
    }

    /** One series with its forecast, by a method or as it is chosen. */
    @GetMapping("/one")
    SeriesView forecastOf(
            @RequestParam @Size(max = 700) String key,
            @RequestParam(defaultValue = "MONTH") PeriodUnit bucket,
            @RequestParam(defaultValue = "12") @Min(1) @Max(400) int periods,
            @RequestParam(required = false) ForecastMethod method) {
        return known(new SeriesPicture.Asked(SeriesKey.of(key), bucket, periods, method, DemandSeries.Draft.NOTHING));
    }

    /** The same while a point of the history is moved, or with another way to make it: nothing is kept. */
    @PostMapping("/draft")
    SeriesView draft(@Valid @RequestBody ForecastDraft draft) {
        PeriodUnit bucket = draft.bucket == null ? PeriodUnit.MONTH : draft.bucket;
        SeriesKey key = SeriesKey.of(draft.key);
        ForecastFacts.ForecastChoice choice = draft.choice == null ? null : draft.choice.of(key, bucket);
        if (choice != null) {
            List<Consistency.Flaw> flaws = Choice.flaws(choice);
            if (!flaws.isEmpty()) {
                Consistency.Flaw flaw = flaws.get(0);
                throw new JobProblem(
                                HttpStatus.UNPROCESSABLE_ENTITY,
                                flaw.value() + " " + flaw.wrong() + "; right would be: " + flaw.right())
                        .field(flaw.column());
            }
        }
        return known(new SeriesPicture.Asked(
                key,
                bucket,
                USUAL,
                draft.method,
                new DemandSeries.Draft(
                        draft.corrections.stream()
                                .map(one -> new ForecastFacts.HistoryCorrection(
                                        key.code(), key.site(), one.from, bucket, one.quantity, null, null))
                                .toList(),
                        choice)));
    }

    /** What the curve would be for any value of a bucket, so that it follows while the bucket is moved. */
    @PostMapping("/moved")
    MovedPoint.MovedCurves moved(@Valid @RequestBody MoveWish wish) {
        PeriodUnit bucket = wish.bucket == null ? PeriodUnit.MONTH : wish.bucket;
        MovedPoint.MovedCurves curves = moved.of(
                live.current(),
                new SeriesPicture.Asked(SeriesKey.of(wish.key), bucket, USUAL, wish.method, DemandSeries.Draft.NOTHING),
                wish.from,
                wish.most.doubleValue());
        if (curves == null) {
            throw JobProblem.notFound("There is nothing to forecast from");
        }
        return curves;
    }

    private SeriesView known(SeriesPicture.Asked asked) {
        SeriesView view = picture.of(live.current(), asked);
        if (view == null) {
            throw JobProblem.notFound(
                    asked.key().by() == null
                            ? "Nothing of " + asked.key().code() + " was ever asked for there"
                            : "Nothing was ever shipped of " + asked.key().code());
        }
        return view;
    }
}
