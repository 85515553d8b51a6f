package rescient.core.forecast;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ForecastFacts;
import rescient.core.company.StockFacts;

/**
 * What was asked for, bucket by bucket: zeros where nothing was, from the first bucket with anything to the last whole one
 * before today. The bucket that contains today is left out; it is the first that is forecast (demand rules, section 2).
 *
 * @param first the first day of the first bucket
 * @param next the first day of the bucket that contains today
 * @param values one a bucket, in the item's unit; none if nothing was asked for before
 */
public record SalesHistory(Buckets buckets, LocalDate first, LocalDate next, double[] values) {
    /** What was asked for on a day. */
    public record Sold(LocalDate day, BigDecimal quantity) {}

    /** What was shipped of an item from a site. */
    public static SalesHistory shipped(
            CompanyFacts company, String item, String site, Buckets buckets, LocalDate today) {
        return of(
                buckets,
                company.where(StockFacts.Shipment.class, "item", item).stream()
                        .filter(row -> row.site().equals(site))
                        .map(row -> new Sold(row.date(), row.quantity()))
                        .toList(),
                today);
    }

    /** @param sold in any order; what lies in today's bucket or behind it is left out */
    public static SalesHistory of(Buckets buckets, Collection<Sold> sold, LocalDate today) {
        LocalDate next = buckets.start(today);
        LocalDate first = sold.stream()
                .map(Sold::day)
                .filter(day -> day.isBefore(next))
                .min(LocalDate::compareTo)
                .map(buckets::start)
                .orElse(next);
        BigDecimal[] sums = new BigDecimal[buckets.between(first, next)];
        for (Sold one : sold) {
            if (one.day.isBefore(next)) {
                int at = buckets.between(first, buckets.start(one.day));
                sums[at] = sums[at] == null ? one.quantity : sums[at].add(one.quantity);
            }
        }
        double[] values = new double[sums.length];
        for (int i = 0; i < sums.length; i++) {
            values[i] = sums[i] == null ? 0 : sums[i].doubleValue();
        }
        return new SalesHistory(buckets, first, next, values);
    }

    /**
     * The same as it was corrected: what a bucket counts for takes the place of what was shipped in it. Corrections of other
     * buckets than these, and of buckets that are not in it, change nothing.
     */
    public SalesHistory corrected(Collection<ForecastFacts.HistoryCorrection> corrections) {
        double[] instead = values.clone();
        for (ForecastFacts.HistoryCorrection one : corrections) {
            int at = one.bucket() == buckets.unit() ? buckets.between(first, buckets.start(one.fromDate())) : -1;
            if (at >= 0 && at < instead.length) {
                instead[at] = one.quantity().doubleValue();
            }
        }
        return new SalesHistory(buckets, first, next, instead);
    }

    /**
     * The same as far as it lies in a window.
     *
     * @param from what begins before it is left out, {@code to} what begins behind it; null: nothing is. Where nothing
     *     would be left, all stays.
     */
    public SalesHistory within(LocalDate from, LocalDate to) {
        int begin = from == null ? 0 : Math.max(0, buckets.between(first, buckets.start(from)));
        int end = to == null ? values.length : Math.min(values.length, buckets.between(first, buckets.start(to)) + 1);
        if (begin >= end || (begin == 0 && end == values.length)) {
            return this;
        }
        return new SalesHistory(
                buckets,
                buckets.after(first, begin),
                buckets.after(first, end),
                Arrays.copyOfRange(values, begin, end));
    }

    /**
     * The same with the history of something like it in front, as long as it has less than a season of its own.
     *
     * @param factor what is asked for of it in parts of what was of the other
     */
    public SalesHistory after(SalesHistory like, double factor) {
        int missing = values.length >= buckets.season() ? 0 : buckets.between(like.first, first);
        if (missing <= 0) {
            return this;
        }
        double[] longer = new double[missing + values.length];
        for (int t = 0; t < Math.min(missing, like.values.length); t++) {
            longer[t] = like.values[t] * factor;
        }
        System.arraycopy(values, 0, longer, missing, values.length);
        return new SalesHistory(buckets, like.first, next, longer);
    }

    /**
     * Several as one.
     *
     * @param all in the same buckets and up to the same day, one at least
     * @param weights what one unit of each counts for
     */
    public static SalesHistory sum(List<SalesHistory> all, double[] weights) {
        SalesHistory any = all.get(0);
        LocalDate first =
                all.stream().map(SalesHistory::first).min(LocalDate::compareTo).orElseThrow();
        double[] sums = new double[any.buckets.between(first, any.next)];
        for (int i = 0; i < weights.length; i++) {
            SalesHistory one = all.get(i);
            int begin = any.buckets.between(first, one.first);
            for (int t = 0; t < one.values.length; t++) {
                sums[begin + t] += weights[i] * one.values[t];
            }
        }
        return new SalesHistory(any.buckets, first, any.next, sums);
    }

    /** What was asked for in the last season, or as much of it as there is. */
    public double lastSeason() {
        double sum = 0;
        for (int t = Math.max(0, values.length - buckets.season()); t < values.length; t++) {
            sum += values[t];
        }
        return sum;
    }

    /** What came a season before the bucket that is forecast {@code h} buckets ahead; NaN: it is not known. */
    public double seasonBefore(int h) {
        int at = values.length + h;
        while (at >= values.length) {
            at -= buckets.season();
        }
        return at < 0 ? Double.NaN : values[at];
    }

    /** What came in the bucket that begins on a day; NaN where the history does not reach. */
    public double at(LocalDate from) {
        int at = buckets.between(first, from);
        return at < 0 || at >= values.length ? Double.NaN : values[at];
    }

    /** What was corrected of an item at a site. */
    public static List<ForecastFacts.HistoryCorrection> corrections(CompanyFacts company, String item, String site) {
        return company.where(ForecastFacts.HistoryCorrection.class, "item", item).stream()
                .filter(row -> row.site().equals(site))
                .toList();
    }

    /** The first day of the bucket that is forecast {@code h} buckets ahead, 0 for today's. */
    public LocalDate ahead(int h) {
        return buckets.after(next, h);
    }
}
