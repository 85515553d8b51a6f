package rescient.server.forecasting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Together;
import rescient.server.platform.Nullable;

/**
 * One series.
 *
 * @param by what several have in common that are looked at as one; null: it is one item at one site
 * @param item its code, or the code of what they have in common
 * @param unit of quantities; the currency where several units are added in money
 * @param method by which it is forecast; null: there is nothing to forecast from
 * @param heldOut the place in the history of the first bucket that methods did not know in their test
 * @param covered80 what share of the test's errors lies within the interval; so is {@code covered95}
 * @param automatic the method is the one with the least error
 * @param taken the names of the parameters that can be given to the method
 * @param set the forecast set that the plan uses
 * @param windowFrom the first day of what is forecast from, {@code windowTo} the day behind it; null: nothing is
 * @param chosen how it is made, as it is kept; null: as the calculation finds best
 * @param before what was forecast earlier, the last first
 * @param members what it consists of, the greatest first; none if it is one
 * @param fit what the method said of each bucket from {@code heldOut} on when it knew all before it
 * @param bottomUp what the forecasts of its members add up to; none if it is one
 */
record SeriesView(
        @Nullable Together.By by,
        String item,
        String itemName,
        String site,
        String siteName,
        String unit,
        PeriodUnit bucket,
        List<Was> history,
        List<Ahead> ahead,
        @Nullable ForecastMethod method,
        String methodTitle,
        boolean automatic,
        int season,
        List<MethodParameter> parameters,
        List<String> taken,
        List<MethodRow> methods,
        int heldOut,
        double covered80,
        double covered95,
        @Nullable String set,
        @Nullable LocalDate windowFrom,
        @Nullable LocalDate windowTo,
        @Nullable ChosenWay chosen,
        List<EarlierForecast> before,
        List<SeriesMember> members,
        List<BigDecimal> bottomUp,
        List<BigDecimal> fit) {

    /**
     * A bucket that has been.
     *
     * @param quantity what was shipped in it
     * @param counts what it counts for
     * @param usual what would have been usual, if it lies far from all around; null: it is usual itself
     * @param model what would have been usual, whether it is or not
     * @param kind why it counts for something else; null: it does not, or nobody said why; so is {@code reason}
     */
    record Was(
            LocalDate from,
            BigDecimal quantity,
            BigDecimal counts,
            boolean corrected,
            @Nullable BigDecimal usual,
            BigDecimal model,
            @Nullable String kind,
            @Nullable String reason) {}

    /**
     * A bucket to come.
     *
     * @param low80 the interval that holds 80 % of what comes, with {@code high80}; 95 % the others
     * @param kept what the forecast set in use says of it; null: nothing
     * @param expected with what is known on top of it
     * @param known what that is; null: nothing
     */
    record Ahead(
            LocalDate from,
            BigDecimal quantity,
            BigDecimal low80,
            BigDecimal high80,
            BigDecimal low95,
            BigDecimal high95,
            @Nullable BigDecimal kept,
            BigDecimal expected,
            @Nullable KnownAhead known) {}

    /**
     * What is known of a bucket on top of its forecast.
     *
     * @param change {@code +20} or {@code −10 %}
     */
    record KnownAhead(
            String change,
            @Nullable ForecastFacts.AdjustmentKind kind,
            @Nullable String reason) {}

    /**
     * A method as it was tested.
     *
     * @param mase mean absolute error in parts of the mean difference to a season before
     * @param bias above 0: too little was said
     * @param said what it would have said of the buckets that were held out
     */
    record MethodRow(ForecastMethod method, String title, double mase, double bias, List<BigDecimal> said) {}

    /** @param name of a parameter, with its value */
    record MethodParameter(String name, double value) {}

    /** How it is made: see {@link ForecastFacts.ForecastChoice}. */
    record ChosenWay(
            @Nullable ForecastMethod method,
            @Nullable String parameters,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            @Nullable String likeItem,
            @Nullable String likeSite,
            @Nullable BigDecimal likePercent,
            @Nullable String reason) {}

    /** What was forecast on a day, of the buckets from {@code from} on. */
    record EarlierForecast(LocalDate made, LocalDate from, List<BigDecimal> quantities) {}

    /**
     * One of several.
     *
     * @param share in what was asked for of all in the last season
     * @param quantity what it gets of the forecast of all, over all buckets, in its own unit
     */
    record SeriesMember(
            String key,
            String item,
            String itemName,
            String siteName,
            String unit,
            double share,
            BigDecimal quantity) {}
}
