package rescient.core.forecast;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.UnfitException;

/** Forecast sets as wholes: copied, scaled, taken away. */
public final class ForecastSets {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private ForecastSets() {}

    private record Bucket(String item, String site, LocalDate from) {}

    /**
     * A set becomes what another is, each quantity so many percent of it.
     *
     * @param to a new one, one that there is (all of it is replaced), or the same
     * @param percent 100: as it is
     * @throws UnfitException if there is no such set, or none is named
     */
    public static List<FactEdit<?>> copied(CompanyFacts company, String from, String to, BigDecimal percent) {
        if (to == null || to.isBlank()) {
            throw new UnfitException("Say into which forecast set it goes", "set");
        }
        if (percent.signum() < 0) {
            throw new UnfitException("Say a percentage of 0 or more", "percent");
        }
        String into = to.strip();
        Map<Bucket, ForecastFacts.Forecast> before = new HashMap<>();
        rows(company, into).forEach(row -> before.put(bucket(row), row));
        List<FactEdit<?>> edits = new ArrayList<>();
        for (ForecastFacts.Forecast row : known(company, from)) {
            ForecastFacts.Forecast after = new ForecastFacts.Forecast(
                    into, row.item(), row.site(), row.fromDate(), row.bucket(), scaled(company, row, percent));
            ForecastFacts.Forecast was = before.remove(bucket(row));
            if (was == null || was.bucket() != after.bucket() || was.quantity().compareTo(after.quantity()) != 0) {
                edits.add(new FactEdit<>(was, after));
            }
        }
        before.values().forEach(row -> edits.add(FactEdit.gone(row)));
        return edits;
    }

    /** Nothing is left of a set. */
    public static List<FactEdit<?>> gone(CompanyFacts company, String set) {
        List<FactEdit<?>> edits = new ArrayList<>();
        known(company, set).forEach(row -> edits.add(FactEdit.gone(row)));
        return edits;
    }

    private static List<ForecastFacts.Forecast> known(CompanyFacts company, String set) {
        List<ForecastFacts.Forecast> rows = rows(company, set);
        if (rows.isEmpty()) {
            throw new UnfitException(
                    set == null ? "Say which forecast set" : "There is no forecast set " + set, "from");
        }
        return rows;
    }

    private static List<ForecastFacts.Forecast> rows(CompanyFacts company, String set) {
        return company.all(ForecastFacts.Forecast.class)
                .filter(row -> row.set().equals(set))
                .toList();
    }

    private static Bucket bucket(ForecastFacts.Forecast row) {
        return new Bucket(row.item(), row.site(), row.fromDate());
    }

    private static BigDecimal scaled(CompanyFacts company, ForecastFacts.Forecast row, BigDecimal percent) {
        int decimals = company.one(ItemFacts.Item.class, row.item())
                .flatMap(item -> company.one(BasicFacts.Unit.class, item.unit()))
                .map(BasicFacts.Unit::decimals)
                .orElse(0);
        return row.quantity().multiply(percent).divide(HUNDRED, decimals, RoundingMode.HALF_UP);
    }
}
