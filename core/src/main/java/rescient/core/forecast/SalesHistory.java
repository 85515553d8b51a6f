package rescient.core.forecast;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;

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
                company.where(Fact.Shipment.class, "item", item).stream()
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
    public SalesHistory corrected(Collection<Fact.HistoryCorrection> corrections) {
        double[] instead = values.clone();
        for (Fact.HistoryCorrection one : corrections) {
            int at = one.bucket() == buckets.unit() ? buckets.between(first, buckets.start(one.fromDate())) : -1;
            if (at >= 0 && at < instead.length) {
                instead[at] = one.quantity().doubleValue();
            }
        }
        return new SalesHistory(buckets, first, next, instead);
    }

    /** What was corrected of an item at a site. */
    public static List<Fact.HistoryCorrection> corrections(CompanyFacts company, String item, String site) {
        return company.where(Fact.HistoryCorrection.class, "item", item).stream()
                .filter(row -> row.site().equals(site))
                .toList();
    }

    /** The first day of the bucket that is forecast {@code h} buckets ahead, 0 for today's. */
    public LocalDate ahead(int h) {
        return buckets.after(next, h);
    }
}
