package rescient.server.forecasting;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import rescient.core.company.ForecastFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.FollowUp;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.planning.MoreSignals;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.SignalView;
import rescient.server.planning.Slip;

/** Forecasts in the set in use that run away to one side, among the planner's signals. */
@Component
class RunawayForecasts implements MoreSignals {
    static final String KIND = "forecast_off";

    private final OnceForPlan<List<Runaway>> found = new OnceForPlan<>();

    private record Runaway(DemandSeries.Place place, PeriodUnit bucket, FollowUp follow) {}

    private record Kept(DemandSeries.Place place, PeriodUnit bucket) {}

    @Override
    public List<SignalView> of(PlanVersion version) {
        return all(version).stream().map(RunawayForecasts::signal).toList();
    }

    private List<Runaway> all(PlanVersion version) {
        return found.of(version.plan(), () -> find(version));
    }

    private static List<Runaway> find(PlanVersion version) {
        Facts facts = version.directory().facts();
        String set = Places.set(facts);
        Map<Kept, List<ForecastFacts.ForecastVersion>> kept = facts.all(ForecastFacts.ForecastVersion.class)
                .filter(row -> row.set().equals(set))
                .collect(Collectors.groupingBy(
                        row -> new Kept(new DemandSeries.Place(row.item(), row.site()), row.bucket())));
        return kept.entrySet().parallelStream()
                .map(one -> {
                    Kept of = one.getKey();
                    DemandSeries series = DemandSeries.of(facts, of.place, new Buckets(of.bucket), version.today());
                    return new Runaway(of.place, of.bucket, FollowUp.of(one.getValue(), series.counts(), null));
                })
                .filter(one -> one.follow.wantsALook())
                .sorted(Comparator.comparingDouble((Runaway one) -> -Math.abs(one.follow.signal()))
                        .thenComparing(one -> one.place.item())
                        .thenComparing(one -> one.place.site()))
                .toList();
    }

    private static SignalView signal(Runaway one) {
        return new SignalView(
                KIND,
                one.place.item(),
                one.place.site(),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                false,
                sentence(one),
                List.of());
    }

    private static String sentence(Runaway one) {
        int buckets = one.follow.lines().size();
        return "Too " + (one.follow.bias() > 0 ? "little" : "much") + " was forecast over " + buckets + " "
                + bucket(one) + (buckets == 1 ? "" : "s") + ": what it was off by adds up to "
                + tenths(Math.abs(one.follow.signal())) + " times the usual error.";
    }

    private static String bucket(Runaway one) {
        return one.bucket.name().toLowerCase(Locale.ROOT);
    }

    private static String tenths(double number) {
        return BigDecimal.valueOf(number).setScale(1, RoundingMode.HALF_UP).toPlainString();
    }

    @Override
    public Optional<Slip> why(PlanVersion version, String kind, String item, String site) {
        return all(version).stream()
                .filter(one -> kind.equals(KIND)
                        && one.place.item().equals(item)
                        && one.place.site().equals(site))
                .findFirst()
                .map(one -> slip(version.directory(), one));
    }

    private static Slip slip(Directory directory, Runaway one) {
        int decimals = Places.decimals(directory, one.place.item());
        List<Slip.SlipLine> lines = new ArrayList<>();
        BigDecimal sum = BigDecimal.ZERO;
        for (FollowUp.Line line : one.follow.lines()) {
            BigDecimal off = SeriesPicture.rounded(line.came() - line.expected(), decimals);
            sum = sum.add(off);
            lines.add(new Slip.SlipLine("Came less expected", line.from(), off, null, true, Slip.Weight.TERM, null));
        }
        lines.add(new Slip.SlipLine("Adds up to", null, sum, null, false, Slip.Weight.SUBTOTAL, null));
        lines.add(new Slip.SlipLine(
                "Usual error of a " + bucket(one),
                null,
                SeriesPicture.rounded(one.follow.error(), decimals + 1),
                null,
                false,
                Slip.Weight.TERM,
                null));
        lines.add(new Slip.SlipLine(
                "Times the usual error; beyond " + (int) FollowUp.LOOK + " it is no chance",
                null,
                SeriesPicture.rounded(one.follow.signal(), 1),
                null,
                false,
                Slip.Weight.RESULT,
                null));
        return new Slip(
                "Why does the forecast of " + one.place.item() + " want a look?",
                sentence(one),
                directory.unit(one.place.item()),
                lines);
    }
}
