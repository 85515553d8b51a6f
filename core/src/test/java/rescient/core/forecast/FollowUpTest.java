package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;

/** What was forecast against what came. */
class FollowUpTest {
    private static final Buckets MONTHS = new Buckets(PeriodUnit.MONTH);
    private static final LocalDate MARCH = LocalDate.of(2026, 3, 1);

    /** January 10, February 20, March 30, April 26. */
    private static final SalesHistory HISTORY =
            new SalesHistory(MONTHS, LocalDate.of(2026, 1, 1), LocalDate.of(2026, 5, 1), new double[] {10, 20, 30, 26});

    private static ForecastFacts.ForecastVersion version(int made, int of, String method, String kept, String naive) {
        return new ForecastFacts.ForecastVersion(
                "Base",
                "CHAIR",
                "W",
                PeriodUnit.MONTH,
                LocalDate.of(2026, made, 5),
                LocalDate.of(2026, of, 1),
                new BigDecimal(method),
                new BigDecimal(kept),
                naive == null ? null : new BigDecimal(naive),
                ForecastMethod.SIMPLE);
    }

    /**
     * March: 24 by the method, 28 kept, 20 a season before, 30 came: errors 6, 2, 10. April: 20, 20, 30, and 26 came: errors
     * 6, 6, −4. Bias (2 + 6) / 2, error 4; by hand (12 − 8) / 2 was won, by the method (14 − 12) / 2; before March the
     * neighbours differ by 10, so that 4 is 0.4; the signal is 8 / 4.
     */
    @Test
    void whatWasExpectedIsHeldAgainstWhatCame() {
        FollowUp follow = FollowUp.of(
                List.of(
                        version(1, 3, "1", "1", "1"),
                        version(2, 3, "24", "28", "20"),
                        version(2, 4, "5", "5", "5"),
                        version(3, 4, "20", "20", "30"),
                        version(3, 5, "77", "77", "77")),
                HISTORY,
                null);
        assertThat(follow.lines()).extracting(FollowUp.Line::from).containsExactly(MARCH, MARCH.plusMonths(1));
        assertThat(follow.lines()).extracting(FollowUp.Line::lag).containsExactly(1, 1);
        assertThat(follow.bias()).isEqualTo(4);
        assertThat(follow.error()).isEqualTo(4);
        assertThat(follow.byHand()).isEqualTo(2);
        assertThat(follow.byMethod()).isEqualTo(1);
        assertThat(follow.mase()).isCloseTo(0.4, within(1e-12));
        assertThat(follow.signal()).isEqualTo(2);
        assertThat(follow.wantsALook()).isFalse();
    }

    @Test
    void ofOneLagOnlyThatIsLookedAt() {
        FollowUp follow =
                FollowUp.of(List.of(version(1, 3, "25", "25", null), version(2, 3, "24", "28", null)), HISTORY, 2);
        assertThat(follow.lines()).hasSize(1);
        assertThat(follow.error()).isEqualTo(5);
        assertThat(follow.byMethod()).isNaN();
    }

    /** Five buckets that all come to 3 more than was expected: 15 / 3 = 5. */
    @Test
    void whatRunsAwayWantsALook() {
        SalesHistory steady = new SalesHistory(
                MONTHS, LocalDate.of(2026, 1, 1), LocalDate.of(2026, 7, 1), new double[] {13, 13, 13, 13, 13, 13});
        FollowUp follow = FollowUp.of(
                List.of(
                        version(1, 2, "10", "10", null),
                        version(2, 3, "10", "10", null),
                        version(3, 4, "10", "10", null),
                        version(4, 5, "10", "10", null),
                        version(5, 6, "10", "10", null)),
                steady,
                null);
        assertThat(follow.signal()).isEqualTo(5);
        assertThat(follow.wantsALook()).isTrue();
    }

    @Test
    void nothingForecastIsNothingToFollow() {
        assertThat(FollowUp.of(List.of(), HISTORY, null).lines()).isEmpty();
        assertThat(FollowUp.of(List.of(), HISTORY, null).signal()).isZero();
    }
}
