package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class LotPatternTest {
    private static final LotPattern SYRUP = LotPattern.of("SY-{yy}{ww}-{####}");

    /** 23 Nov 2026 is a Monday of week 48; 1 Jan 2027 is still week 53 of 2026. */
    @Test
    void yearAndWeekAreThoseOfIso8601() {
        assertThat(SYRUP.number(LocalDate.of(2026, 11, 23), 7)).isEqualTo("SY-2648-0007");
        assertThat(SYRUP.number(LocalDate.of(2027, 1, 1), 7)).isEqualTo("SY-2653-0007");
        assertThat(LotPattern.of("{yy}.{ww}").number(LocalDate.of(2030, 1, 3), 1))
                .isEqualTo("30.01");
    }

    @Test
    void aCounterThatIsLongerThanItsPlaceIsNotCut() {
        assertThat(SYRUP.number(LocalDate.of(2026, 11, 23), 12345)).isEqualTo("SY-2648-12345");
        assertThat(SYRUP.numbers(LocalDate.of(2026, 11, 23), 9999, 2)).containsExactly("SY-2648-9999", "SY-2648-10000");
    }

    @Test
    void withoutACounterAWeekHasOneNumber() {
        LotPattern weekly = LotPattern.of("CA-{yy}{ww}");
        assertThat(weekly.counts()).isFalse();
        assertThat(weekly.numbers(LocalDate.of(2026, 11, 23), 5, 3)).containsExactly("CA-2648");
        assertThat(weekly.count("CA-2648")).isZero();
    }

    @Test
    void whatStandsInThePatternIsTakenAsItIs() {
        LotPattern odd = LotPattern.of("a.b$1\\{x}-{#}");
        assertThat(odd.number(LocalDate.of(2026, 11, 23), 3)).isEqualTo("a.b$1\\{x}-3");
        assertThat(odd.count("a.b$1\\{x}-3")).isEqualTo(3);
        assertThat(odd.count("aXb$1\\{x}-3")).isZero();
        assertThatThrownBy(() -> LotPattern.of(" ")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theCountOfAnyWeekIsFoundAgainAndNothingElse() {
        assertThat(SYRUP.count("SY-1901-0042")).isEqualTo(42);
        assertThat(SYRUP.count("SY-19-0042")).isZero();
        assertThat(SYRUP.count("XSY-1901-0042")).isZero();
        assertThat(LotPattern.of("{##}/{##}").count("05/05")).isEqualTo(5);
        assertThat(LotPattern.of("{##}/{##}").count("05/06")).isZero();
    }

    @Property(tries = 200)
    void whatWasMadeIsCountedAgain(@ForAll @LongRange(min = 1, max = 999_999_999_999L) long count) {
        assertThat(SYRUP.count(SYRUP.number(LocalDate.of(2026, 11, 23), count))).isEqualTo(count);
    }
}
