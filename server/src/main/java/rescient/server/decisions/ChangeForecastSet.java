package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.FactEdit;
import rescient.core.company.UnfitException;
import rescient.core.forecast.ForecastSets;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.Nullable;

/**
 * A forecast set is copied, scaled or taken away.
 *
 * @param from the set
 * @param set into which it goes, the same one to scale it; null: it is taken away
 * @param percent of its quantities; null: 100
 */
record ChangeForecastSet(
        @Nullable @Size(max = LONGEST) String from,
        @Nullable @Size(max = LONGEST) String set,

        @Nullable @PositiveOrZero @DecimalMax("10000") BigDecimal percent)
        implements PlanCommand {
    private static final BigDecimal ALL = BigDecimal.valueOf(100);

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        boolean gone = set == null || set.isBlank();
        BigDecimal share = percent == null ? ALL : percent;
        List<FactEdit<?>> edits = gone ? ForecastSets.gone(facts, from) : ForecastSets.copied(facts, from, set, share);
        if (edits.isEmpty()) {
            throw new UnfitException(set + " is the same already", "set");
        }
        desk.proposal()
                .changes
                .addAll(PlanningRows.checked(facts, FactChange.of(edits), "This cannot be the forecast"));
        String scaled = share.compareTo(ALL) == 0 ? "" : " at " + share.toPlainString() + " %";
        desk.say(
                gone
                        ? "Took the forecast set " + from + " away"
                        : from.equals(set.strip())
                                ? "Scaled the forecast set " + from + scaled
                                : "Copied the forecast set " + from + " to " + set.strip() + scaled);
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.forecastSets();
    }
}
