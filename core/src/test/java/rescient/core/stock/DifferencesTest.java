package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What counts and corrections come to. */
class DifferencesTest {
    private static Movement movement(Movement.Kind kind, String value) {
        return new Movement(
                1,
                "k",
                LocalDate.of(2026, 11, 30),
                kind,
                new Movement.Bin("A", "W", "", "", false),
                BigDecimal.ONE,
                new BigDecimal(value),
                null,
                null,
                null,
                List.of());
    }

    /** 30.00 too much and 20.00 too little are 50.00 that somebody should look at, not 10.00. */
    @Test
    void tooMuchDoesNotMakeUpForTooLittle() {
        Differences all = Differences.of(Stream.of(new BigDecimal("30.00"), null, new BigDecimal("-20.00")));
        assertThat(all).isEqualTo(new Differences(new BigDecimal("30.00"), new BigDecimal("-20.00")));
        assertThat(all.size()).isEqualTo("50.00");
        assertThat(Differences.of(Stream.empty()).size()).isZero();
    }

    /** Of a posting that also receives 400.00 only what was corrected and counted. */
    @Test
    void whatElseMovesIsNoDifference() {
        assertThat(Differences.in(List.of(
                                movement(Movement.Kind.RECEIPT, "400.00"),
                                movement(Movement.Kind.COUNT, "-7.00"),
                                movement(Movement.Kind.ADJUSTMENT, "2.50"),
                                movement(Movement.Kind.REVALUATION, "90.00")))
                        .size())
                .isEqualTo("9.50");
    }
}
