package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.Fact;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.StockFacts;

/** What a forecast is made from, and what stands on top of it. */
class DemandSeriesTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 12);
    private static final Buckets MONTHS = new Buckets(PeriodUnit.MONTH);
    private static final DemandSeries.Place CHAIR = new DemandSeries.Place("CHAIR", "W");

    private final List<Fact> facts = new ArrayList<>();

    private void shipped(String item, String site, int month, String quantity) {
        facts.add(new StockFacts.Shipment(
                item, site, LocalDate.of(2026, month, 3), "S" + facts.size(), null, null, new BigDecimal(quantity)));
    }

    private void chosen(ForecastMethod method, LocalDate from, LocalDate to, String like, String percent) {
        facts.add(new ForecastFacts.ForecastChoice(
                "CHAIR",
                "W",
                PeriodUnit.MONTH,
                method,
                method == null ? null : "n=2",
                from,
                to,
                like,
                null,
                percent == null ? null : new BigDecimal(percent),
                null));
    }

    private DemandSeries series() {
        return DemandSeries.of(FewFacts.of(facts.toArray(Fact[]::new)), CHAIR, MONTHS, TODAY);
    }

    /** The window of January to March: of 10, 20, 30 the last two have the mean 25, and so has May, behind April that is left out. */
    @Test
    void aWindowIsForecastFrom() {
        shipped("CHAIR", "W", 1, "10");
        shipped("CHAIR", "W", 2, "20");
        shipped("CHAIR", "W", 3, "30");
        shipped("CHAIR", "W", 4, "400");
        chosen(ForecastMethod.MOVING_AVERAGE, null, LocalDate.of(2026, 3, 31), null, null);
        DemandSeries series = series();
        assertThat(series.counts().values()).containsExactly(10, 20, 30, 400);
        assertThat(series.window().values()).containsExactly(10, 20, 30);
        assertThat(series.choice()).isEqualTo(new Choice(ForecastMethod.MOVING_AVERAGE, Map.of("n", 2.0)));
        assertThat(series.forecast(2, null, Forecaster::of).mean()).containsExactly(25, 25);
    }

    @Test
    void aWindowBeginsInTheHistory() {
        shipped("CHAIR", "W", 1, "10");
        shipped("CHAIR", "W", 4, "40");
        chosen(null, LocalDate.of(2026, 3, 9), null, null, null);
        assertThat(series().window().values()).containsExactly(0, 40);
    }

    /** Stools were asked for since January; half of it stands for what the chair does not have before April. */
    @Test
    void aLikeItemStandsForWhatIsMissing() {
        shipped("STOOL", "W", 1, "10");
        shipped("STOOL", "W", 3, "30");
        shipped("STOOL", "W", 4, "50");
        shipped("CHAIR", "W", 4, "7");
        chosen(null, null, null, "STOOL", "50");
        DemandSeries series = series();
        assertThat(series.shipped().values()).containsExactly(7);
        assertThat(series.counts().values()).containsExactly(5, 0, 15, 7);
        assertThat(series.counts().first()).isEqualTo(LocalDate.of(2026, 1, 1));
    }

    /** What has nothing of its own yet has all of the like item's. */
    @Test
    void somethingNewIsForecastLikeAnother() {
        shipped("STOOL", "W", 3, "30");
        shipped("STOOL", "W", 4, "50");
        chosen(ForecastMethod.MOVING_AVERAGE, null, null, "STOOL", null);
        assertThat(series().forecast(1, null, Forecaster::of).mean()).containsExactly(40);
    }

    /** 100 with a tenth more and 5 more are 115; 200 less a quarter are 150; never below 0; other buckets stay. */
    @Test
    void whatIsKnownStandsOnTop() {
        shipped("CHAIR", "W", 4, "40");
        adjusted(5, "5", "10");
        adjusted(7, null, "-25");
        adjusted(8, "-1000", null);
        adjusted(4, "900", null);
        double[] on = series().adjusted(new double[] {100, 100, 200, 300});
        assertThat(on[0]).isCloseTo(115, within(1e-9));
        assertThat(on[1]).isEqualTo(100);
        assertThat(on[2]).isEqualTo(150);
        assertThat(on[3]).isZero();
    }

    private void adjusted(int month, String amount, String percent) {
        facts.add(new ForecastFacts.ForecastAdjustment(
                "CHAIR",
                "W",
                LocalDate.of(2026, month, 9),
                PeriodUnit.MONTH,
                amount == null ? null : new BigDecimal(amount),
                percent == null ? null : new BigDecimal(percent),
                ForecastFacts.AdjustmentKind.PROMOTION,
                null));
    }

    /** Chairs (weight 2) 10 and 20, stools (weight 1) 40 since April: together 20 and 80; of the last season half and half. */
    @Test
    void severalAreOneAndAreSplitAgain() {
        LocalDate may = LocalDate.of(2026, 5, 1);
        SalesHistory chairs = new SalesHistory(MONTHS, LocalDate.of(2026, 3, 1), may, new double[] {10, 20});
        SalesHistory stools = new SalesHistory(MONTHS, LocalDate.of(2026, 4, 1), may, new double[] {60});
        double[] weights = {2, 1};
        assertThat(SalesHistory.sum(List.of(chairs, stools), weights).values()).containsExactly(20, 100);
        double[] shares = Shares.of(List.of(chairs, stools), weights);
        assertThat(shares).containsExactly(0.5, 0.5);
        assertThat(Shares.part(new double[] {80, 40}, shares[0], weights[0])).containsExactly(20, 10);
        SalesHistory none = new SalesHistory(MONTHS, may, may, new double[0]);
        assertThat(Shares.of(List.of(none, none), weights)).containsExactly(0.5, 0.5);
    }

    /** Chairs are pieces at 3, rope is metres at 2: in money, 10 chairs and 20 metres are 30 + 40; a nail without a value is left out. */
    @Test
    void severalUnitsAreAddedInMoney() {
        facts.add(item("CHAIR", "pcs", "3"));
        facts.add(item("ROPE", "m", "2"));
        facts.add(item("NAIL", "kg", null));
        shipped("CHAIR", "W", 4, "10");
        shipped("ROPE", "W", 4, "20");
        shipped("NAIL", "W", 4, "9");
        Together together = Together.of(FewFacts.of(facts.toArray(Fact[]::new)), Together.By.SITE, "W", MONTHS, TODAY);
        assertThat(together.inMoney()).isTrue();
        assertThat(together.history().values()).containsExactly(70);
        assertThat(together.bottomUp(2, Forecaster::of)).containsExactly(70, 70);
        assertThat(Together.codes(FewFacts.of(facts.toArray(Fact[]::new)), Together.By.ITEM))
                .containsExactly("CHAIR", "NAIL", "ROPE");
    }

    private static ItemFacts.Item item(String code, String unit, String price) {
        return new ItemFacts.Item(
                code, null, null, unit, null, null, null, price == null ? null : new BigDecimal(price), null, null);
    }
}
