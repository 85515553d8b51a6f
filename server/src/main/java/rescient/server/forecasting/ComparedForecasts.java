package rescient.server.forecasting;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.DemandSeries;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.SeriesKey;

/** Two forecast sets side by side. */
final class ComparedForecasts {
    private static final int LISTED = 500;
    private static final int MONEY = 2;

    /** What both say in all. */
    private static final class Both {
        private BigDecimal first;
        private BigDecimal second;

        void add(boolean isFirst, BigDecimal quantity) {
            if (isFirst) {
                first = first == null ? quantity : first.add(quantity);
            } else {
                second = second == null ? quantity : second.add(quantity);
            }
        }

        BigDecimal difference() {
            return (second == null ? BigDecimal.ZERO : second).subtract(first == null ? BigDecimal.ZERO : first);
        }
    }

    /** With what it is worth, for the order. */
    private record Worth(ForecastSetController.ComparedSeries row, BigDecimal money) {}

    private ComparedForecasts() {}

    static ForecastSetController.ComparedSets of(PlanVersion version, String first, String second) {
        Directory directory = version.directory();
        LocalDate month = new Buckets(PeriodUnit.MONTH).start(version.today());
        Map<DemandSeries.Place, Both> sums =
                new TreeMap<>(Comparator.comparing(DemandSeries.Place::item).thenComparing(DemandSeries.Place::site));
        directory.facts().all(ForecastFacts.Forecast.class).forEach(row -> {
            boolean isFirst = row.set().equals(first);
            if ((isFirst || row.set().equals(second)) && !row.fromDate().isBefore(month)) {
                sums.computeIfAbsent(new DemandSeries.Place(row.item(), row.site()), place -> new Both())
                        .add(isFirst, row.quantity());
            }
        });
        List<Worth> rows = new ArrayList<>();
        sums.forEach((place, both) -> {
            if (both.difference().signum() != 0) {
                rows.add(worth(directory, place, both));
            }
        });
        rows.sort(Comparator.comparing((Worth one) -> one.money.abs()).reversed());
        return new ForecastSetController.ComparedSets(
                rows.stream().limit(LISTED).map(Worth::row).toList(),
                rows.stream()
                        .map(Worth::money)
                        .reduce(BigDecimal.ZERO, BigDecimal::add)
                        .setScale(MONEY, RoundingMode.HALF_UP),
                Math.max(0, rows.size() - LISTED));
    }

    private static Worth worth(Directory directory, DemandSeries.Place place, Both both) {
        ItemFacts.Item item = directory.item(place.item());
        BigDecimal each = item == null ? null : item.price() == null ? item.standardCost() : item.price();
        return new Worth(
                new ForecastSetController.ComparedSeries(
                        SeriesKey.of(place).text(),
                        place.item(),
                        directory.itemName(place.item()),
                        directory.siteName(place.site()),
                        directory.unit(place.item()),
                        both.first,
                        both.second,
                        both.difference()),
                each == null ? BigDecimal.ZERO : each.multiply(both.difference()));
    }
}
