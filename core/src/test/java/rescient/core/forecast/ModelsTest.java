package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Each method by its formula, worked out by hand. */
class ModelsTest {
    private static double[] ahead(Model model, int buckets) {
        double[] into = new double[buckets];
        model.ahead(into);
        return into;
    }

    private static Model seeing(Model model, double... values) {
        for (double value : values) {
            model.see(value);
        }
        return model;
    }

    private static Smoothing.Parameters parameters(double alpha, double beta, double phi, double level, double trend) {
        return new Smoothing.Parameters(alpha, beta, 0, phi, level, trend);
    }

    @Test
    void whatWasASeasonAgo() {
        double[] y = {1, 2, 3, 4, 5, 6, 7};
        assertThat(ahead(new SeasonalNaive(y, 7, 4), 5)).containsExactly(4, 5, 6, 7, 4);
        assertThat(ahead(new SeasonalNaive(y, 7, 1), 2)).containsExactly(7, 7);
        // less than a season is known: what is known comes again
        assertThat(ahead(new SeasonalNaive(new double[] {8, 9}, 2, 12), 3)).containsExactly(8, 9, 8);
        assertThat(ahead(seeing(new SeasonalNaive(y, 7, 4), 50), 4)).containsExactly(5, 6, 7, 50);
    }

    /** 10 and 20 take turns: the mean of two is right every time; after 10, 20, 30 the mean of two is 25. */
    @Test
    void theMeanOfAsManyAsFitBest() {
        double[] turns = {10, 20, 10, 20, 10, 20, 10, 20};
        MovingAverage average = new MovingAverage(turns, 8);
        assertThat(average.parameters().get("n") % 2).isZero();
        assertThat(ahead(average, 2)).containsExactly(15, 15);
        assertThat(ahead(new MovingAverage(new double[] {10, 20, 30}, 3, 2), 1)).containsExactly(25);
    }

    /** Level 10, α 1/2: after 14 it is 12, after 10 it is 11. */
    @Test
    void simpleSmoothing() {
        Model model = new Smoothing(Smoothing.Kind.LEVEL, parameters(0.5, 0, 1, 10, 0), Season.NONE);
        assertThat(ahead(seeing(model, 14, 10), 2)).containsExactly(11, 11);
    }

    /**
     * Level 10, trend 2, α 1/2, β 1/4: 12 is said and 16 comes, so the level is 14 and the trend 3; ahead are 17 and 20.
     */
    @Test
    void holtsSmoothing() {
        Model model = new Smoothing(Smoothing.Kind.TREND, parameters(0.5, 0.25, 1, 10, 2), Season.NONE);
        assertThat(ahead(seeing(model, 16), 2)).containsExactly(17, 20);
    }

    /** With φ 1/2: 11 is said and 15 comes; level 13, trend 1 + 1 = 2; ahead are 13 + 1 and 13 + 1.5. */
    @Test
    void aTrendThatFades() {
        Model model = new Smoothing(Smoothing.Kind.DAMPED, parameters(0.5, 0.25, 0.5, 10, 2), Season.NONE);
        assertThat(ahead(seeing(model, 15), 2)).containsExactly(14, 14.5);
    }

    /**
     * Two places, +5 and −5, level 10, no trend, α 1/2, γ 1/5: 15 is said and 25 comes. The level is 15, the place's index 7;
     * ahead are 15 − 5, 15 + 7.
     */
    @Test
    void anAdditiveSeason() {
        Season season = new Season(2, false, new double[] {5, -5});
        Model model = new Smoothing(Smoothing.Kind.SEASON, new Smoothing.Parameters(0.5, 0, 0.2, 1, 10, 0), season);
        assertThat(ahead(seeing(model, 25), 2)).containsExactly(10, 22);
    }

    /**
     * Ratios 2 and 1/2, level 10: 20 is said and 30 comes. The level takes half of 10 ÷ 2, is 12.5; the index 2 + 1/5 · 10 ÷ 10
     * = 2.2; ahead are 12.5 ÷ 2 and 12.5 · 2.2.
     */
    @Test
    void aMultiplicativeSeason() {
        Season season = new Season(2, true, new double[] {2, 0.5});
        Model model = new Smoothing(Smoothing.Kind.SEASON, new Smoothing.Parameters(0.5, 0, 0.2, 1, 10, 0), season);
        assertThat(ahead(seeing(model, 30), 2)).containsExactly(new double[] {6.25, 27.5}, within(1e-9));
    }

    /** On a straight line of slope 2 the drift is 1, half of it, and the level lags behind as smoothing does. */
    @Test
    void thetaDriftsByHalfTheSlope() {
        double[] y = new double[30];
        for (int t = 0; t < 30; t++) {
            y[t] = 100 + 2 * t;
        }
        Theta theta = new Theta(y, 30, Map.of());
        double[] said = ahead(theta, 3);
        assertThat(theta.parameters().get("drift")).isCloseTo(1, within(1e-9));
        assertThat(said[1] - said[0]).isCloseTo(1, within(1e-9));
        assertThat(said[2] - said[1]).isCloseTo(1, within(1e-9));
    }

    /** 100, 102, 104: the line is at 104; beyond it rises by 2 · 0.9, then by 2 · 0.81. */
    @Test
    void aLineWhoseSlopeFades() {
        double[] said = ahead(new Trend(new double[] {100, 102, 104}, 3, Map.of()), 2);
        assertThat(said[0]).isCloseTo(105.8, within(1e-9));
        assertThat(said[1]).isCloseTo(107.42, within(1e-9));
    }

    /** Ten every fourth bucket: 2.5 a bucket by all three, less half of a share by Syntetos and Boylan. */
    @Test
    void demandsNowAndThen() {
        double[] y = new double[40];
        for (int t = 3; t < 40; t += 4) {
            y[t] = 10;
        }
        assertThat(Intermittent.is(y, 40)).isTrue();
        assertThat(ahead(Intermittent.of(Intermittent.Kind.CROSTON, y, 40, Map.of()), 2))
                .containsExactly(2.5, 2.5);
        Model sba = Intermittent.of(Intermittent.Kind.SBA, y, 40, Map.of());
        double beta = sba.parameters().get("beta");
        assertThat(ahead(sba, 1)[0]).isCloseTo((1 - beta / 2) * 2.5, within(1e-9));
        assertThat(ahead(Intermittent.of(Intermittent.Kind.TSB, y, 40, Map.of()), 1)[0])
                .isCloseTo(2.5, within(0.4));
    }

    /** What is asked for no more fades with Teunter's method, and stays with Croston's. */
    @Test
    void whatIsOverFades() {
        double[] y = new double[60];
        for (int t = 0; t < 30; t += 2) {
            y[t] = 10;
        }
        double croston = ahead(Intermittent.of(Intermittent.Kind.CROSTON, y, 60, Map.of()), 1)[0];
        double tsb = ahead(Intermittent.of(Intermittent.Kind.TSB, y, 60, Map.of()), 1)[0];
        assertThat(tsb).isLessThan(croston / 2);
    }

    @Test
    void theMedianOfWhatOthersSay() {
        Model low = new MovingAverage(new double[] {1}, 1, 1);
        Model middle = new MovingAverage(new double[] {4}, 1, 1);
        Model high = new MovingAverage(new double[] {100}, 1, 1);
        assertThat(ahead(new Combined(List.of(high, low, middle)), 2)).containsExactly(4, 4);
        assertThat(ahead(new Combined(List.of(low, middle)), 1)).containsExactly(2.5);
    }

    /** What is fitted finds the shares that made a series: a level that is all noise follows nothing. */
    @Test
    void whatIsFittedDoesNotFollowNoise() {
        double[] y = new double[60];
        for (int t = 0; t < 60; t++) {
            y[t] = 100 + (t % 2 == 0 ? 5 : -5);
        }
        Model model = SmoothingFit.of(Smoothing.Kind.LEVEL, y, 60, Season.NONE, Map.of());
        assertThat(model.parameters().get("alpha")).isLessThan(0.1);
        assertThat(ahead(model, 1)[0]).isCloseTo(100, within(1.0));
    }
}
