package rescient.server.forecasting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.StockFacts;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.SalesHistory;
import rescient.core.forecast.Together;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.Nullable;

/** Where something is asked for, and what the company knows of it. */
final class Places {
    private Places() {}

    /** Items at sites of which something was shipped, is ordered, forecast, or chosen to be. */
    static Collection<DemandSeries.Place> all(Facts facts) {
        Set<DemandSeries.Place> places = new LinkedHashSet<>();
        for (String table : List.of("shipments", "customer_orders", "forecasts", "forecast_choices")) {
            for (Row row : facts.rows(table)) {
                places.add(new DemandSeries.Place(row.text("item"), row.text("site")));
            }
        }
        return places;
    }

    /** Whether something is asked for of an item at a site, though it has no history. */
    static boolean asked(Facts facts, DemandSeries.Place place) {
        return List.of(
                        StockFacts.Shipment.class,
                        OrderFacts.CustomerOrder.class,
                        ForecastFacts.Forecast.class,
                        ForecastFacts.ForecastChoice.class)
                .stream()
                .flatMap(kind -> facts.where(kind, "item", place.item()).stream())
                .anyMatch(fact -> place.site().equals(site(fact)));
    }

    private static String site(Fact fact) {
        if (fact instanceof StockFacts.Shipment row) {
            return row.site();
        }
        if (fact instanceof OrderFacts.CustomerOrder row) {
            return row.site();
        }
        return fact instanceof ForecastFacts.Forecast row ? row.site() : ((ForecastFacts.ForecastChoice) fact).site();
    }

    /** The forecast set that the plan uses, or null. */
    @Nullable
    static String set(Facts facts) {
        return facts.setting(ForecastSettings.KEY);
    }

    static String currency(Directory directory) {
        return Optional.ofNullable(directory.facts().setting("currency")).orElse("EUR");
    }

    static int decimals(Directory directory, String item) {
        return directory
                .facts()
                .one(BasicFacts.Unit.class, directory.unit(item))
                .map(BasicFacts.Unit::decimals)
                .orElse(0);
    }

    /** What several series have in common, by its name. */
    static String name(Directory directory, SeriesKey key) {
        Facts facts = directory.facts();
        Together.By by = key.by();
        String name = by == Together.By.ITEM
                ? directory.itemName(key.code())
                : by == Together.By.SITE
                        ? directory.siteName(key.code())
                        : by == Together.By.GROUP
                                ? facts.one(ItemFacts.ItemGroup.class, key.code())
                                        .map(ItemFacts.ItemGroup::name)
                                        .orElse(null)
                                : facts.one(PartnerFacts.Customer.class, key.code())
                                        .map(PartnerFacts.Customer::name)
                                        .orElse(null);
        return name == null ? key.code() : name;
    }

    /** The rows of the set in use. */
    static List<ForecastFacts.Forecast> kept(Facts facts, DemandSeries.Place place) {
        String set = set(facts);
        return facts.where(ForecastFacts.Forecast.class, "item", place.item()).stream()
                .filter(row -> row.set().equals(set) && row.site().equals(place.site()))
                .toList();
    }

    /** What the set in use says of a bucket to come: of its own buckets those that begin in it and are no longer; null: nothing. */
    @Nullable
    static BigDecimal kept(SalesHistory history, int h, List<ForecastFacts.Forecast> kept) {
        LocalDate from = history.ahead(h);
        LocalDate next = history.ahead(h + 1);
        return kept.stream()
                .filter(row -> row.bucket().compareTo(history.buckets().unit()) <= 0)
                .filter(row -> !row.fromDate().isBefore(from) && row.fromDate().isBefore(next))
                .map(ForecastFacts.Forecast::quantity)
                .reduce(BigDecimal::add)
                .orElse(null);
    }

    /** What was forecast when of an item at a site, in the set in use. */
    static List<ForecastFacts.ForecastVersion> versions(Facts facts, DemandSeries.Place place, PeriodUnit bucket) {
        String set = set(facts);
        return facts.where(ForecastFacts.ForecastVersion.class, "item", place.item()).stream()
                .filter(row -> row.set().equals(set) && row.site().equals(place.site()) && row.bucket() == bucket)
                .toList();
    }

    /** What a unit of an item is worth: its price, or else its standard cost; null: neither is known. */
    @Nullable
    static BigDecimal each(Directory directory, String code) {
        ItemFacts.Item item = directory.item(code);
        return item == null ? null : item.price() != null ? item.price() : item.standardCost();
    }
}
