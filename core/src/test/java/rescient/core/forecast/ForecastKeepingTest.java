package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.StockFacts;
import rescient.core.company.UnfitException;

/** What becomes of a forecast set when a forecast is kept in it. */
class ForecastKeepingTest {
    private static final LocalDate MAY = LocalDate.of(2026, 5, 1);
    private static final Buckets MONTHS = new Buckets(PeriodUnit.MONTH);

    private static ForecastFacts.Forecast row(
            String set, String site, LocalDate from, PeriodUnit bucket, String quantity) {
        return new ForecastFacts.Forecast(set, "CHAIR", site, from, bucket, new BigDecimal(quantity));
    }

    private static ForecastKeeping keeping(String set, ForecastFacts.Forecast... rows) {
        Fact[] facts = new Fact[rows.length + 4];
        facts[0] = new ItemFacts.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null);
        facts[1] = new BasicFacts.Site("W", null, null, null);
        facts[2] = new BasicFacts.Site("D", null, null, null);
        facts[3] = new BasicFacts.Unit("pcs", null, 0);
        System.arraycopy(rows, 0, facts, 4, rows.length);
        return new ForecastKeeping(FewFacts.of(facts), set, "CHAIR", "W");
    }

    private static List<String> said(List<FactEdit<?>> edits) {
        return edits.stream()
                .map(edit -> said(edit.before()) + " > " + said(edit.after()))
                .toList();
    }

    private static String said(Fact fact) {
        return fact instanceof ForecastFacts.Forecast row
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

    /** 40 by the method, 44 with a tenth more, stands in the set; both are kept under the day. Another tenth makes 48 of 40. */
    @Test
    void whatWasForecastIsKeptWithTheDay() {
        ForecastFacts.ForecastAdjustment tenth = new ForecastFacts.ForecastAdjustment(
                "CHAIR", "W", MAY, PeriodUnit.MONTH, null, BigDecimal.TEN, ForecastFacts.AdjustmentKind.EVENT, null);
        List<Fact> facts = new ArrayList<>(List.of(
                new ItemFacts.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null),
                new BasicFacts.Site("W", null, null, null),
                new BasicFacts.Unit("pcs", null, 0),
                tenth,
                new StockFacts.Shipment("CHAIR", "W", MAY.minusDays(3), "S1", null, null, new BigDecimal("40"))));
        CompanyFacts before = FewFacts.of(facts.toArray(Fact[]::new));
        LocalDate today = MAY.plusDays(9);
        DemandSeries series = DemandSeries.of(before, new DemandSeries.Place("CHAIR", "W"), MONTHS, today);
        List<FactEdit<?>> edits = new ForecastKeeping(before, "Base", "CHAIR", "W")
                .edits(series, series.forecast(1, null, Forecaster::of).mean(), ForecastMethod.MOVING_AVERAGE, today);
        assertThat(edits.stream().<Fact>map(FactEdit::after).toList())
                .containsExactly(
                        new ForecastFacts.Forecast("Base", "CHAIR", "W", MAY, PeriodUnit.MONTH, new BigDecimal("44")),
                        new ForecastFacts.ForecastVersion(
                                "Base",
                                "CHAIR",
                                "W",
                                PeriodUnit.MONTH,
                                today,
                                MAY,
                                new BigDecimal("40"),
                                new BigDecimal("44"),
                                null,
                                ForecastMethod.MOVING_AVERAGE));
        edits.forEach(edit -> facts.add(edit.after()));
        ForecastFacts.ForecastAdjustment fifth = new ForecastFacts.ForecastAdjustment(
                "CHAIR", "W", MAY, PeriodUnit.MONTH, null, new BigDecimal("20"), null, null);
        ForecastKeeping keeping = new ForecastKeeping(FewFacts.of(facts.toArray(Fact[]::new)), "Base", "CHAIR", "W");
        assertThat(said(keeping.adjusted(tenth, fifth))).containsExactly("2026-05-01 44 > 2026-05-01 48");
        assertThat(said(keeping.adjusted(tenth, null))).containsExactly("2026-05-01 44 > 2026-05-01 40");
    }
}
