package rescient.core.forecast;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ForecastFacts;

/**
 * What is asked for of an item at a site: its history, how its forecast is made, and what is known on top of it.
 *
 * @param shipped as it was, {@code counts} with its corrections and what a like item adds in front
 * @param window of {@code counts} what the forecast is made from
 * @param chosen how it is made; null: as the calculation finds best
 * @param adjustments of buckets like these, those that have been too
 */
public record DemandSeries(
        Place place,
        SalesHistory shipped,
        SalesHistory counts,
        SalesHistory window,
        ForecastFacts.ForecastChoice chosen,
        List<ForecastFacts.ForecastAdjustment> adjustments) {
    private static final double HUNDRED = 100;

    /** An item at a site. */
    public record Place(String item, String site) {}

    /** Makes forecasts of numbers: {@link Forecaster}, or what keeps those that were made. */
    @FunctionalInterface
    public interface Maker {
        /** See {@link Forecaster#of(double[], int, int, Choice)}. */
        Forecast of(double[] history, int length, int horizon, Choice choice);
    }

    /**
     * What is tried in the place of what is kept.
     *
     * @param corrections beside those that are kept
     * @param choice in the place of the kept one; null: that one
     */
    public record Draft(List<ForecastFacts.HistoryCorrection> corrections, ForecastFacts.ForecastChoice choice) {
        public static final Draft NOTHING = new Draft(List.of(), null);
    }

    /** The series of a company as it is kept. */
    public static DemandSeries of(CompanyFacts company, Place place, Buckets buckets, LocalDate today) {
        return of(company, place, buckets, today, Draft.NOTHING);
    }

    /** The series with what is tried. */
    public static DemandSeries of(CompanyFacts company, Place place, Buckets buckets, LocalDate today, Draft draft) {
        return of(company, place, SalesHistory.shipped(company, place.item, place.site, buckets, today), draft);
    }

    /**
     * The series of a history that was put together elsewhere.
     *
     * @param shipped as it was
     */
    public static DemandSeries of(CompanyFacts company, Place place, SalesHistory shipped, Draft draft) {
        Buckets buckets = shipped.buckets();
        List<ForecastFacts.HistoryCorrection> corrections =
                new ArrayList<>(SalesHistory.corrections(company, place.item, place.site));
        corrections.addAll(draft.corrections);
        ForecastFacts.ForecastChoice chosen = draft.choice != null ? draft.choice : choice(company, place, buckets);
        SalesHistory counts = shipped.corrected(corrections);
        if (chosen != null && chosen.likeItem() != null) {
            String site = chosen.likeSite() == null ? place.site : chosen.likeSite();
            SalesHistory like = SalesHistory.shipped(company, chosen.likeItem(), site, buckets, shipped.next())
                    .corrected(SalesHistory.corrections(company, chosen.likeItem(), site));
            BigDecimal percent = chosen.likePercent();
            counts = counts.after(like, percent == null ? 1 : percent.doubleValue() / HUNDRED);
        }
        return new DemandSeries(
                place,
                shipped,
                counts,
                chosen == null ? counts : counts.within(chosen.fromDate(), chosen.toDate()),
                chosen,
                company.where(ForecastFacts.ForecastAdjustment.class, "item", place.item).stream()
                        .filter(row -> row.site().equals(place.site) && row.bucket() == buckets.unit())
                        .toList());
    }

    private static ForecastFacts.ForecastChoice choice(CompanyFacts company, Place place, Buckets buckets) {
        return company.where(ForecastFacts.ForecastChoice.class, "item", place.item).stream()
                .filter(row -> row.site().equals(place.site) && row.bucket() == buckets.unit())
                .findFirst()
                .orElse(null);
    }

    /** Whether there is anything to forecast from. */
    public boolean hasHistory() {
        return window.values().length > 0;
    }

    /** As it is chosen to be made. */
    public Choice choice() {
        return Choice.of(chosen);
    }

    /**
     * What is forecast, before what is known on top of it.
     *
     * @param choice in the place of the kept one; null: that one
     */
    public Forecast forecast(int periods, Choice choice, Maker maker) {
        int gap = counts.buckets().between(window.next(), counts.next());
        return maker.of(window.values(), counts.buckets().season(), gap + periods, choice == null ? choice() : choice)
                .later(gap);
    }

    /** What is forecast with what is known on top of it: percents first, then amounts; never below 0. */
    public double[] adjusted(double[] forecast) {
        double[] adjusted = forecast.clone();
        for (ForecastFacts.ForecastAdjustment one : adjustments) {
            int h = counts.buckets().between(counts.next(), counts.buckets().start(one.fromDate()));
            if (h >= 0 && h < adjusted.length) {
                adjusted[h] = adjusted(adjusted[h], one);
            }
        }
        return adjusted;
    }

    /** A quantity with what is known of its bucket. */
    static double adjusted(double quantity, ForecastFacts.ForecastAdjustment known) {
        double percent = known.percent() == null ? 0 : known.percent().doubleValue();
        double amount = known.amount() == null ? 0 : known.amount().doubleValue();
        return Math.max(0, quantity * (1 + percent / HUNDRED) + amount);
    }

    /** A quantity without what was known of its bucket; where all of it was taken off, what is left. */
    static double without(double adjusted, ForecastFacts.ForecastAdjustment known) {
        double percent = known.percent() == null ? 0 : known.percent().doubleValue();
        double amount = known.amount() == null ? 0 : known.amount().doubleValue();
        return percent <= -HUNDRED ? adjusted : Math.max(0, (adjusted - amount) / (1 + percent / HUNDRED));
    }

    /** What is known of the bucket that begins on a day; null: nothing. */
    public ForecastFacts.ForecastAdjustment adjustment(LocalDate from) {
        return adjustments.stream()
                .filter(one -> counts.buckets().start(one.fromDate()).equals(from))
                .findFirst()
                .orElse(null);
    }
}
