package rescient.core.forecast;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.ItemFacts;
import rescient.core.company.UnfitException;

/**
 * A forecast goes into a forecast set: what stands there for its buckets is replaced, everything else stays. What was
 * forecast is kept beside it under the day, so that it can be held against what comes.
 */
public final class ForecastKeeping {
    private final CompanyFacts company;
    private final String set;
    private final ItemFacts.Item item;
    private final String site;

    /**
     * @param set into which it goes; it may be a new one
     * @throws UnfitException if no set is named, or item or site are not known
     */
    public ForecastKeeping(CompanyFacts company, String set, String item, String site) {
        if (set == null || set.isBlank()) {
            throw new UnfitException("Say into which forecast set it goes", "set");
        }
        this.company = company;
        this.set = set.strip();
        this.item = company.known(ItemFacts.Item.class, item, "item");
        this.site = company.known(BasicFacts.Site.class, site, "site").code();
    }

    /**
     * What becomes of the set.
     *
     * @param from the first day of the first bucket, {@code quantities} one a bucket, in the item's unit
     * @throws UnfitException if a bucket of the set lies in these only in part
     */
    public List<FactEdit<?>> edits(Buckets buckets, LocalDate from, double[] quantities) {
        LocalDate end = buckets.after(from, quantities.length);
        Map<LocalDate, ForecastFacts.Forecast> before = new HashMap<>();
        for (ForecastFacts.Forecast row : company.where(ForecastFacts.Forecast.class, "item", item.code())) {
            LocalDate after = new Buckets(row.bucket()).after(row.fromDate(), 1);
            boolean concerned = row.set().equals(set)
                    && row.site().equals(site)
                    && after.isAfter(from)
                    && row.fromDate().isBefore(end);
            if (concerned && (row.fromDate().isBefore(from) || after.isAfter(end))) {
                throw new UnfitException(
                        set + " has a bucket from " + row.fromDate() + " to before " + after
                                + ", which lies only in part in what is kept; forecast in the same buckets",
                        "set");
            }
            if (concerned) {
                before.put(row.fromDate(), row);
            }
        }
        List<FactEdit<?>> edits = new ArrayList<>();
        for (int h = 0; h < quantities.length; h++) {
            LocalDate day = buckets.after(from, h);
            ForecastFacts.Forecast row =
                    new ForecastFacts.Forecast(set, item.code(), site, day, buckets.unit(), rounded(quantities[h]));
            ForecastFacts.Forecast was = before.remove(day);
            if (was == null || was.bucket() != row.bucket() || was.quantity().compareTo(row.quantity()) != 0) {
                edits.add(new FactEdit<>(was, row));
            }
        }
        before.values().forEach(row -> edits.add(FactEdit.gone(row)));
        return edits;
    }

    /**
     * What becomes of the set and of what was forecast when, if the forecast of a series is kept on a day.
     *
     * @param forecast one value a bucket, in the item's unit, before what is known on top of it
     * @param method by which it was made
     */
    public List<FactEdit<?>> edits(DemandSeries series, double[] forecast, ForecastMethod method, LocalDate today) {
        double[] adjusted = series.adjusted(forecast);
        Buckets buckets = series.counts().buckets();
        List<FactEdit<?>> edits = edits(buckets, series.counts().next(), adjusted);
        Map<LocalDate, ForecastFacts.ForecastVersion> before = new HashMap<>();
        for (ForecastFacts.ForecastVersion row :
                company.where(ForecastFacts.ForecastVersion.class, "item", item.code())) {
            if (row.set().equals(set)
                    && row.site().equals(site)
                    && row.bucket() == buckets.unit()
                    && row.made().equals(today)) {
                before.put(row.fromDate(), row);
            }
        }
        for (int h = 0; h < adjusted.length; h++) {
            double naive = series.counts().seasonBefore(h);
            ForecastFacts.ForecastVersion row = new ForecastFacts.ForecastVersion(
                    set,
                    item.code(),
                    site,
                    buckets.unit(),
                    today,
                    series.counts().ahead(h),
                    rounded(forecast[h]),
                    rounded(adjusted[h]),
                    Double.isNaN(naive) ? null : rounded(naive),
                    method);
            ForecastFacts.ForecastVersion was = before.remove(row.fromDate());
            if (!Objects.equals(was, row)) {
                edits.add(new FactEdit<>(was, row));
            }
        }
        before.values().forEach(row -> edits.add(FactEdit.gone(row)));
        return edits;
    }

    /**
     * What becomes of the set if something else is known of a bucket.
     *
     * @param before what was known; null: nothing. So is {@code after}
     * @return nothing if the set does not hold the bucket
     */
    public List<FactEdit<?>> adjusted(ForecastFacts.ForecastAdjustment before, ForecastFacts.ForecastAdjustment after) {
        ForecastFacts.ForecastAdjustment any = after == null ? before : after;
        LocalDate from = new Buckets(any.bucket()).start(any.fromDate());
        List<FactEdit<?>> edits = new ArrayList<>();
        company.where(ForecastFacts.Forecast.class, "item", item.code()).stream()
                .filter(row -> row.set().equals(set) && row.site().equals(site))
                .filter(row -> row.bucket() == any.bucket() && row.fromDate().equals(from))
                .forEach(row -> {
                    double base = base(row, before);
                    BigDecimal other = rounded(after == null ? base : DemandSeries.adjusted(base, after));
                    if (other.compareTo(row.quantity()) != 0) {
                        edits.add(new FactEdit<>(row, row.withQuantity(other)));
                    }
                });
        return edits;
    }

    /** What was forecast before it was changed by hand: as it was kept, or else with the change taken off again. */
    private double base(ForecastFacts.Forecast row, ForecastFacts.ForecastAdjustment before) {
        return company.where(ForecastFacts.ForecastVersion.class, "item", item.code()).stream()
                .filter(one -> one.set().equals(set) && one.site().equals(site) && one.bucket() == row.bucket())
                .filter(one -> one.fromDate().equals(row.fromDate()))
                .max((a, b) -> a.made().compareTo(b.made()))
                .map(one -> one.quantity().doubleValue())
                .orElseGet(() -> before == null
                        ? row.quantity().doubleValue()
                        : DemandSeries.without(row.quantity().doubleValue(), before));
    }

    /** Half up, to the decimals of the unit. */
    private BigDecimal rounded(double quantity) {
        int decimals = company.one(BasicFacts.Unit.class, item.unit())
                .map(BasicFacts.Unit::decimals)
                .orElse(0);
        return BigDecimal.valueOf(Math.max(0, quantity)).setScale(decimals, RoundingMode.HALF_UP);
    }
}
