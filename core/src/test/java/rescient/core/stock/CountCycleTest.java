package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Of 1000 a year: 700, 150, 80, 50, 20 and nothing. */
class CountCycleTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 30);

    @Test
    void theFewThatMoveMostAreCountedMostOften() {
        Map<String, BigDecimal> yearly = new LinkedHashMap<>();
        int[] values = {20, 700, 80, 150, 50, 0};
        for (int i = 0; i < values.length; i++) {
            yearly.put("I" + i, BigDecimal.valueOf(values[i]));
        }
        // 700 and 150 reach 850 of 1000; 80 and 50 reach 980
        assertThat(CountCycle.classes(yearly))
                .containsEntry("I1", CountCycle.Class.A)
                .containsEntry("I3", CountCycle.Class.A)
                .containsEntry("I2", CountCycle.Class.B)
                .containsEntry("I4", CountCycle.Class.B)
                .containsEntry("I0", CountCycle.Class.C)
                .containsEntry("I5", CountCycle.Class.C);
    }

    @Test
    void whatNeverMovesIsCountedOnceAYear() {
        assertThat(CountCycle.classes(Map.of("A", BigDecimal.ZERO))).containsEntry("A", CountCycle.Class.C);
    }

    /** Five starter kits of two frames and one tool kit, which holds a knife; three knives went by themselves. */
    @Test
    void whatLeavesInsideAKitMoves() {
        Map<String, Map<String, BigDecimal>> kits = Map.of(
                "STARTER", Map.of("FRAME", BigDecimal.valueOf(2), "TOOLS", BigDecimal.ONE),
                "TOOLS", Map.of("KNIFE", BigDecimal.ONE),
                "ITSELF", Map.of("ITSELF", BigDecimal.ONE));
        assertThat(CountCycle.throughKits(
                        Map.of(
                                "STARTER",
                                BigDecimal.valueOf(5),
                                "KNIFE",
                                BigDecimal.valueOf(3),
                                "ITSELF",
                                BigDecimal.ONE),
                        item -> kits.getOrDefault(item, Map.of())))
                .isEqualTo(Map.of("FRAME", BigDecimal.TEN, "KNIFE", BigDecimal.valueOf(8)));
    }

    @Test
    void itIsDueOnItsDay() {
        assertThat(CountCycle.isDue(CountCycle.Class.A, null, TODAY)).isTrue();
        assertThat(CountCycle.isDue(CountCycle.Class.A, TODAY.minusDays(30), TODAY))
                .isTrue();
        assertThat(CountCycle.isDue(CountCycle.Class.A, TODAY.minusDays(29), TODAY))
                .isFalse();
        assertThat(CountCycle.isDue(CountCycle.Class.B, TODAY.minusDays(30), TODAY))
                .isFalse();
    }

    /** 48 counted where the book had 50; 10 went out since: 38 are there. */
    @Test
    void whatMovedSinceTheCountIsNoDifference() {
        assertThat(CountCycle.countedNow(new BigDecimal(48), new BigDecimal(50), new BigDecimal(40)))
                .isEqualByComparingTo("38");
    }
}
