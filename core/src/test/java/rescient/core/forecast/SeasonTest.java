package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Seasons, worked out by hand. */
class SeasonTest {
    private static double[] repeated(int times, double... season) {
        double[] y = new double[times * season.length];
        for (int t = 0; t < y.length; t++) {
            y[t] = season[t % season.length];
        }
        return y;
    }

    /** Four quarters of 5, 15, 25 and 35 have the mean 20: ratios of 1/4, 3/4, 5/4 and 7/4, drawn a little towards 1. */
    @Test
    void ratiosWhereAllIsAboveNothing() {
        double[] y = repeated(6, 5, 15, 25, 35);
        Season season = Season.of(y, y.length, 4);
        assertThat(season.multiplicative()).isTrue();
        // five whole ratios of each place and half a 1: (5 · 1/4 + 1/2) ÷ 5.5
        assertThat(season.index()[0]).isCloseTo((5 * 0.25 + 0.5) / 5.5, within(1e-9));
        assertThat(season.index()[3]).isCloseTo((5 * 1.75 + 0.5) / 5.5, within(1e-9));
    }

    /** With nothing sold in one quarter there are no ratios, but differences from the mean of 15. */
    @Test
    void differencesElsewhere() {
        double[] y = repeated(6, 0, 10, 20, 30);
        Season season = Season.of(y, y.length, 4);
        assertThat(season.multiplicative()).isFalse();
        assertThat(season.index()[0]).isCloseTo(5 * -15.0 / 5.5, within(1e-9));
        assertThat(season.without(season.with(7, 2), 2)).isCloseTo(7, within(1e-9));
    }

    /** Something that only rises, and something that does what it likes, has no season; nor has less than two of them. */
    @Test
    void aSeasonIsTestedNotAssumed() {
        double[] rising = new double[48];
        double[] wild = new double[48];
        for (int t = 0; t < 48; t++) {
            rising[t] = 100 + 3 * t;
            wild[t] = 50 + (t * 7919 % 31) - (t * 104729 % 17);
        }
        assertThat(Season.of(rising, 48, 12).isThere()).isFalse();
        assertThat(Season.of(wild, 48, 12).isThere()).isFalse();
        double[] clear = repeated(5, 5, 15, 25, 35);
        assertThat(Season.of(clear, 20, 4).isThere()).isTrue();
        assertThat(Season.of(clear, 8, 4).isThere()).isFalse();
    }

    /** What comes after the first values is not looked at. */
    @Test
    void onlyWhatIsKnownCounts() {
        double[] y = repeated(6, 5, 15, 25, 35);
        double[] other = y.clone();
        other[20] = 4000;
        assertThat(Season.of(other, 20, 4).index())
                .containsExactly(Season.of(y, 20, 4).index());
    }
}
