package rescient.core.forecast;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.UnfitException;

/** A forecast goes into a forecast set: what stands there for its buckets is replaced, everything else stays. */
public final class ForecastKeeping {
    private final CompanyFacts company;
    private final String set;
    private final Fact.Item item;
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
        this.item = company.known(Fact.Item.class, item, "item");
        this.site = company.known(Fact.Site.class, site, "site").code();
    }

    /**
     * What becomes of the set.
     *
     * @param from the first day of the first bucket, {@code quantities} one a bucket, in the item's unit
     * @throws UnfitException if a bucket of the set lies in these only in part
     */
    public List<FactEdit<?>> edits(Buckets buckets, LocalDate from, double[] quantities) {
        LocalDate end = buckets.after(from, quantities.length);
        Map<LocalDate, Fact.Forecast> before = new HashMap<>();
        for (Fact.Forecast row : company.where(Fact.Forecast.class, "item", item.code())) {
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
            Fact.Forecast row = new Fact.Forecast(set, item.code(), site, day, buckets.unit(), rounded(quantities[h]));
            Fact.Forecast was = before.remove(day);
            if (was == null || was.bucket() != row.bucket() || was.quantity().compareTo(row.quantity()) != 0) {
                edits.add(new FactEdit<>(was, row));
            }
        }
        before.values().forEach(row -> edits.add(FactEdit.gone(row)));
        return edits;
    }

    /** Half up, to the decimals of the unit. */
    private BigDecimal rounded(double quantity) {
        int decimals = company.one(Fact.Unit.class, item.unit())
                .map(Fact.Unit::decimals)
                .orElse(0);
        return BigDecimal.valueOf(Math.max(0, quantity)).setScale(decimals, RoundingMode.HALF_UP);
    }
}
