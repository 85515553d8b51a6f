package rescient.core.forecast;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.StockFacts;

/**
 * Several series as one: those of an item at all sites, of a group, a site, or what a customer takes. Of one unit they are
 * added as they are, of several in money.
 *
 * @param members one at least
 * @param weights what one unit of each counts for
 * @param inMoney at the item's price, or else its standard cost
 */
public record Together(List<DemandSeries> members, double[] weights, SalesHistory history, boolean inMoney) {
    /** What they have in common. */
    public enum By {
        ITEM,
        GROUP,
        SITE,
        CUSTOMER
    }

    /**
     * The series that have something in common.
     *
     * @return null if nothing was ever shipped of them, or if they are of several units and nothing is known of their value
     */
    public static Together of(CompanyFacts company, By by, String code, Buckets buckets, LocalDate today) {
        Map<DemandSeries.Place, List<SalesHistory.Sold>> sold = new LinkedHashMap<>();
        shipments(company, by, code)
                .forEach(row -> sold.computeIfAbsent(
                                new DemandSeries.Place(row.item(), row.site()), place -> new ArrayList<>())
                        .add(new SalesHistory.Sold(row.date(), row.quantity())));
        List<DemandSeries> members = new ArrayList<>();
        sold.forEach((place, rows) -> {
            SalesHistory shipped = SalesHistory.of(buckets, rows, today);
            DemandSeries series = by == By.CUSTOMER
                    ? alone(place, shipped)
                    : DemandSeries.of(company, place, shipped, DemandSeries.Draft.NOTHING);
            if (series.counts().values().length > 0) {
                members.add(series);
            }
        });
        return of(company, members);
    }

    /** What one customer takes is not corrected: corrections are of all customers together. */
    private static DemandSeries alone(DemandSeries.Place place, SalesHistory shipped) {
        return new DemandSeries(place, shipped, shipped, shipped, null, List.of());
    }

    private static Together of(CompanyFacts company, List<DemandSeries> members) {
        long units = members.stream()
                .map(one -> item(company, one).unit())
                .distinct()
                .count();
        boolean inMoney = units > 1;
        List<DemandSeries> counted = inMoney
                ? members.stream().filter(one -> worth(company, one) > 0).toList()
                : members;
        if (counted.isEmpty()) {
            return null;
        }
        double[] weights = counted.stream()
                .mapToDouble(one -> inMoney ? worth(company, one) : 1)
                .toArray();
        return new Together(
                List.copyOf(counted),
                weights,
                SalesHistory.sum(counted.stream().map(DemandSeries::counts).toList(), weights),
                inMoney);
    }

    private static ItemFacts.Item item(CompanyFacts company, DemandSeries series) {
        return company.known(ItemFacts.Item.class, series.place().item(), "item");
    }

    private static double worth(CompanyFacts company, DemandSeries series) {
        ItemFacts.Item item = item(company, series);
        BigDecimal each = item.price() == null ? item.standardCost() : item.price();
        return each == null ? 0 : each.doubleValue();
    }

    private static Collection<StockFacts.Shipment> shipments(CompanyFacts company, By by, String code) {
        return switch (by) {
            case ITEM -> company.where(StockFacts.Shipment.class, "item", code);
            case SITE -> company.where(StockFacts.Shipment.class, "site", code);
            case CUSTOMER -> company.where(StockFacts.Shipment.class, "customer", code);
            case GROUP ->
                company.where(ItemFacts.Item.class, "group", code).stream()
                        .flatMap(item -> company.where(StockFacts.Shipment.class, "item", item.code()).stream())
                        .toList();
        };
    }

    /** Everything of a kind that something was shipped of, in the order of their codes. */
    public static List<String> codes(CompanyFacts company, By by) {
        Stream<String> codes = switch (by) {
            case ITEM -> company.texts(StockFacts.Shipment.class, "item");
            case SITE -> company.texts(StockFacts.Shipment.class, "site");
            case CUSTOMER -> company.texts(StockFacts.Shipment.class, "customer");
            case GROUP ->
                company.texts(StockFacts.Shipment.class, "item")
                        .distinct()
                        .map(item -> company.one(ItemFacts.Item.class, item)
                                .map(ItemFacts.Item::group)
                                .orElse(null));
        };
        return codes.filter(Objects::nonNull)
                .filter(code -> !code.isEmpty())
                .distinct()
                .sorted()
                .toList();
    }

    /** What is forecast of all as one. */
    public Forecast forecast(int periods, Choice choice, DemandSeries.Maker maker) {
        return maker.of(
                history.values(), history.buckets().season(), periods, choice == null ? Choice.AUTOMATIC : choice);
    }

    /** What is forecast of each by itself, added up. */
    public double[] bottomUp(int periods, DemandSeries.Maker maker) {
        double[] sum = new double[periods];
        for (int i = 0; i < weights.length; i++) {
            double[] one = members.get(i)
                    .adjusted(members.get(i).forecast(periods, null, maker).mean());
            for (int h = 0; h < periods; h++) {
                sum[h] += weights[i] * one[h];
            }
        }
        return sum;
    }

    /** The share of each member: see {@link Shares#of}. */
    public double[] shares() {
        return Shares.of(members.stream().map(DemandSeries::counts).toList(), weights);
    }
}
