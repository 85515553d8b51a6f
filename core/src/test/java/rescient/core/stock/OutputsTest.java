package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What postings report as made. */
class OutputsTest {
    private static final Movement.Document FIRST = new Movement.Document("make", "MO-1", "1");
    private static final Movement.Document SECOND = new Movement.Document("make", "MO-2", "1");
    private static final Map<Movement.Document, BigDecimal> OPEN =
            Map.of(FIRST, new BigDecimal("5"), SECOND, new BigDecimal("4"));

    private static Movement movement(Movement.Kind kind, Movement.Document of, String quantity, Long reverses) {
        return new Movement(
                1,
                "k",
                LocalDate.of(2026, 11, 30),
                kind,
                new Movement.Bin("A", "W", "", "", false),
                new BigDecimal(quantity),
                BigDecimal.ZERO,
                of,
                reverses,
                null,
                List.of());
    }

    /** 5 were to come: two lots of 4 are 3 beyond them; of the other order 4 of 4 are none. */
    @Test
    void allThatIsPutOutOfALineIsHeldAgainstWhatWasToCome() {
        assertThat(Outputs.beyond(
                        List.of(
                                movement(Movement.Kind.OUTPUT, FIRST, "4", null),
                                movement(Movement.Kind.OUTPUT, SECOND, "4", null),
                                movement(Movement.Kind.OUTPUT, FIRST, "4", null)),
                        OPEN::get))
                .containsExactly(Map.entry(FIRST, new BigDecimal("3")));
    }

    @Test
    void partsThatGoInAndWhatIsTakenBackAreNoOutput() {
        assertThat(Outputs.beyond(
                        List.of(
                                movement(Movement.Kind.ISSUE, FIRST, "-9", null),
                                movement(Movement.Kind.OUTPUT, FIRST, "9", 7L)),
                        OPEN::get))
                .isEmpty();
    }

    @Test
    void ofALineThatNobodyKnowsNothingIsSaid() {
        assertThat(Outputs.beyond(List.of(movement(Movement.Kind.OUTPUT, FIRST, "9", null)), line -> null))
                .isEmpty();
    }
}
