package rescient.server.decisions;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rescient.core.company.BasicFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.UnfitException;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.ForecastKeeping;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.Nullable;

/**
 * Something is known of a bucket to come that its history does not say: it stands on top of what is forecast, now and
 * later.
 *
 * @param set whose quantity changes with it; null: only what is forecast from now on
 * @param from a day of the bucket
 * @param bucket null: a month
 * @param change {@code +20} pieces or {@code -10 %}; empty: nothing is known any more
 */
record AdjustForecast(
        @Nullable @Size(max = LONGEST) String set,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable LocalDate from,
        @Nullable PeriodUnit bucket,
        @Nullable @Size(max = LONGEST) String change,
        @Nullable ForecastFacts.AdjustmentKind event,
        @Nullable @Size(max = LONGEST_NOTE) String reason)
        implements PlanCommand {
    private static final Pattern CHANGE = Pattern.compile("([+\u2212-]?)\\s*(\\d{1,13}(?:[.,]\\d{1,6})?)\\s*(%?)");

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        facts.known(ItemFacts.Item.class, item, "item");
        facts.known(BasicFacts.Site.class, site, "site");
        Buckets buckets = new Buckets(bucket == null ? PeriodUnit.MONTH : bucket);
        if (from == null) {
            throw new UnfitException("Say which bucket is to be otherwise", "from");
        }
        LocalDate start = buckets.start(from);
        if (start.isBefore(buckets.start(desk.version().today()))) {
            throw new UnfitException("That bucket has been; correct the history instead", "from");
        }
        ForecastFacts.ForecastAdjustment before =
                facts.where(ForecastFacts.ForecastAdjustment.class, "item", item).stream()
                        .filter(row -> row.site().equals(site) && row.bucket() == buckets.unit())
                        .filter(row -> buckets.start(row.fromDate()).equals(start))
                        .findFirst()
                        .orElse(null);
        ForecastFacts.ForecastAdjustment after = after(before == null ? start : before.fromDate(), buckets);
        if (before == null && after == null) {
            throw new UnfitException("Say what is to be changed: +20, -5 or +10 %", "change");
        }
        List<FactEdit<?>> edits = new ArrayList<>(List.of(new FactEdit<>(before, after)));
        boolean intoSet = set != null && !set.isBlank();
        List<FactEdit<?>> ofSet =
                intoSet ? new ForecastKeeping(facts, set, item, site).adjusted(before, after) : List.of();
        edits.addAll(ofSet);
        desk.proposal()
                .changes
                .addAll(PlanningRows.checked(facts, FactChange.of(edits), "The forecast cannot be changed so"));
        desk.proposal().point(item, site);
        desk.say(
                after == null
                        ? "Took back what was known of " + item + " from " + start
                        : "Changed the forecast of " + item + " from " + start + " by " + change.strip()
                                + (intoSet && ofSet.isEmpty()
                                        ? "; " + set.strip() + " does not hold this bucket and stays as it is"
                                        : ""));
    }

    private ForecastFacts.ForecastAdjustment after(LocalDate day, Buckets buckets) {
        if (change == null || change.isBlank()) {
            return null;
        }
        Matcher said = CHANGE.matcher(change.strip());
        if (!said.matches()) {
            throw new UnfitException("Say by how much: +20, -5 or +10 %, not \"" + change.strip() + "\"", "change");
        }
        BigDecimal number = new BigDecimal(said.group(2).replace(',', '.'));
        BigDecimal signed = said.group(1).isEmpty() || said.group(1).equals("+") ? number : number.negate();
        boolean percent = !said.group(3).isEmpty();
        return new ForecastFacts.ForecastAdjustment(
                item,
                site,
                day,
                buckets.unit(),
                percent ? null : signed,
                percent ? signed : null,
                event,
                reason == null || reason.isBlank() ? null : reason.strip());
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.forecastSets();
    }
}
