package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** Forecasts, and what people decided about them. */
public sealed interface ForecastFacts extends Fact {
    /** What is expected to be asked for in a day, a week or a month, in a named set. */
    record Forecast(String set, String item, String site, LocalDate fromDate, PeriodUnit bucket, BigDecimal quantity)
            implements ForecastFacts {
        public Forecast withQuantity(BigDecimal other) {
            return new Forecast(set, item, site, fromDate, bucket, other);
        }
    }

    /** Why what was asked for in a bucket is taken to be something else than what was shipped. */
    enum CorrectionKind {
        /** It happens once and says nothing of what comes. */
        OUTLIER,
        /** There was a promotion. */
        PROMOTION,
        /** Nobody worked. */
        CLOSURE,
        /** There was nothing to ship, so that more was asked for. */
        OUT_OF_STOCK
    }

    /**
     * What a bucket of the history counts for when something is concluded from it; what was shipped stays as it was.
     *
     * @param fromDate a day of the bucket
     */
    record HistoryCorrection(
            String item,
            String site,
            LocalDate fromDate,
            PeriodUnit bucket,
            BigDecimal quantity,
            CorrectionKind kind,
            String reason)
            implements ForecastFacts {}

    /**
     * How the forecast of an item at a site is made, where it is not left to itself.
     *
     * @param bucket of which buckets it is made
     * @param method null: the one with the least error
     * @param parameters of the method, {@code alpha=0.2 beta=0.1}; null: they are fitted
     * @param fromDate before it the history does not count, nor behind {@code toDate}; null: all of it does
     * @param likeItem whose history stands for what it does not have yet, at {@code likeSite} (null: at its own)
     * @param likePercent of that history; null: 100
     */
    record ForecastChoice(
            String item,
            String site,
            PeriodUnit bucket,
            ForecastMethod method,
            String parameters,
            LocalDate fromDate,
            LocalDate toDate,
            String likeItem,
            String likeSite,
            BigDecimal likePercent,
            String reason)
            implements ForecastFacts {}

    /** What a change of a forecast by hand comes from. */
    enum AdjustmentKind {
        PROMOTION,
        CLOSURE,
        EVENT,
        JUDGEMENT
    }

    /**
     * What somebody knows of a bucket to come that its history does not: stands on top of whatever is forecast.
     *
     * @param amount is added, in the item's unit; {@code percent} of what is forecast too; null: nothing
     */
    record ForecastAdjustment(
            String item,
            String site,
            LocalDate fromDate,
            PeriodUnit bucket,
            BigDecimal amount,
            BigDecimal percent,
            AdjustmentKind kind,
            String reason)
            implements ForecastFacts {}

    /**
     * What was forecast of a bucket, and when.
     *
     * @param made the day on which it was kept
     * @param quantity as the method said, {@code adjusted} as it was kept, {@code naive} what came a season before
     */
    record ForecastVersion(
            String set,
            String item,
            String site,
            PeriodUnit bucket,
            LocalDate made,
            LocalDate fromDate,
            BigDecimal quantity,
            BigDecimal adjusted,
            BigDecimal naive,
            ForecastMethod method)
            implements ForecastFacts {}
}
