package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.PeriodUnit;
import rescient.core.company.UnfitException;

/** What becomes of a forecast set when a forecast is kept in it. */
class ForecastKeepingTest {
    private static final LocalDate MAY = LocalDate.of(2026, 5, 1);
    private static final Buckets MONTHS = new Buckets(PeriodUnit.MONTH);

    private static Fact.Forecast row(String set, String site, LocalDate from, PeriodUnit bucket, String quantity) {
        return new Fact.Forecast(set, "CHAIR", site, from, bucket, new BigDecimal(quantity));
    }

    private static ForecastKeeping keeping(String set, Fact.Forecast... rows) {
        Fact[] facts = new Fact[rows.length + 4];
        facts[0] = new Fact.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null);
        facts[1] = new Fact.Site("W", null, null, null);
        facts[2] = new Fact.Site("D", null, null, null);
        facts[3] = new Fact.Unit("pcs", null, 0);
        System.arraycopy(rows, 0, facts, 4, rows.length);
        return new ForecastKeeping(FewFacts.of(facts), set, "CHAIR", "W");
    }

    private static List<String> said(List<FactEdit<?>> edits) {
        return edits.stream()
                .map(edit -> said(edit.before()) + " > " + said(edit.after()))
                .toList();
    }

    private static String said(Fact fact) {
        return fact instanceof Fact.Forecast row
                ? row.fromDate() + " " + row.quantity().toPlainString()
                : "none";
    }

    /** April and June of another site or set stay; May is otherwise, June is new, half a chair is a whole one. */
    @Test
    void whatStandsForTheSameBucketsIsReplaced() {
        ForecastKeeping keeping = keeping(
                " Base ",
                row("Base", "W", MAY.minusMonths(1), PeriodUnit.MONTH, "7"),
                row("Base", "W", MAY, PeriodUnit.MONTH, "8"),
                row("Base", "D", MAY, PeriodUnit.MONTH, "9"),
                row("Other", "W", MAY, PeriodUnit.MONTH, "10"),
                row("Base", "W", MAY.plusMonths(2), PeriodUnit.MONTH, "11"));
        assertThat(said(keeping.edits(MONTHS, MAY, new double[] {12.4, 3.5})))
                .containsExactly("2026-05-01 8 > 2026-05-01 12", "none > 2026-06-01 4");
    }

    /** Weeks that lie in what is kept go; what is the same is not written again. */
    @Test
    void otherBucketsInItGo() {
        ForecastKeeping keeping = keeping(
                "Base",
                row("Base", "W", LocalDate.of(2026, 5, 11), PeriodUnit.WEEK, "8"),
                row("Base", "W", MAY.plusMonths(1), PeriodUnit.MONTH, "5"));
        assertThat(said(keeping.edits(MONTHS, MAY, new double[] {12, 5})))
                .containsExactlyInAnyOrder("none > 2026-05-01 12", "2026-05-11 8 > none");
    }

    @Test
    void aBucketThatReachesInIsRefused() {
        ForecastKeeping keeping = keeping("Base", row("Base", "W", LocalDate.of(2026, 4, 27), PeriodUnit.WEEK, "8"));
        assertThatThrownBy(() -> keeping.edits(MONTHS, MAY, new double[] {12}))
                .isInstanceOf(UnfitException.class)
                .hasMessageContaining("2026-04-27");
        assertThatThrownBy(() -> keeping(" ")).hasMessageContaining("which forecast set");
    }
}
