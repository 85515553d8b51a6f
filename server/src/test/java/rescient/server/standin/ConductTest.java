package rescient.server.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What a simulated supplier makes of an order: 100 at 2.00 for a Friday. */
class ConductTest {
    private static final LocalDate FRIDAY = LocalDate.of(2026, 12, 4);

    private static Habits habits(int late, int parts, int dearer, long seed) {
        Habits habits = new Habits();
        habits.latePercent = late;
        habits.shortPercent = parts;
        habits.pricePercent = dearer;
        habits.seed = seed;
        return habits;
    }

    private static ReceivedOrder.Line line(String price) {
        return new ReceivedOrder.Line(
                "1",
                "WAX",
                "Wax",
                new BigDecimal(100),
                "kg",
                price == null ? null : new BigDecimal(price),
                FRIDAY,
                false);
    }

    private static Conduct of(Habits habits, String number, String price) {
        return Conduct.of(habits, new ReceivedOrder(number, "EUR", "Mellora", List.of(line(price))), line(price));
    }

    private static Conduct of(Habits habits, String number) {
        return of(habits, number, "2.00");
    }

    @Test
    void whoIsNeverLateDoesAsOrdered() {
        IntStream.range(0, 50).forEach(i -> {
            Conduct conduct = of(habits(0, 0, 0, i), "PO-" + i);
            assertThat(conduct.parts()).containsExactly(new Conduct.Part(new BigDecimal(100), FRIDAY));
            assertThat(conduct.price()).isEqualByComparingTo("2.00");
        });
    }

    @Test
    void whoIsAlwaysLateComesOnAWorkdayAfterwards() {
        IntStream.range(0, 50)
                .forEach(i -> assertThat(of(habits(100, 0, 0, i), "PO-" + i).parts())
                        .singleElement()
                        .satisfies(part -> {
                            assertThat(part.date()).isAfter(FRIDAY).isBefore(FRIDAY.plusDays(14));
                            assertThat(part.date().getDayOfWeek()).isNotIn(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
                        }));
    }

    /** In two parts nothing is lost, and the rest comes later. */
    @Test
    void partsAddUp() {
        IntStream.range(0, 50).forEach(i -> {
            List<Conduct.Part> parts = of(habits(0, 100, 0, i), "PO-" + i).parts();
            assertThat(parts).hasSize(2);
            assertThat(parts.get(0).quantity().add(parts.get(1).quantity())).isEqualByComparingTo("100");
            assertThat(parts.get(1).date()).isAfter(parts.get(0).date());
        });
    }

    @Test
    void whoIsDearerChargesMoreAndWhatHasNoPriceHasNone() {
        assertThat(of(habits(0, 0, 100, 1), "PO-1").price()).isBetween(new BigDecimal("2.04"), new BigDecimal("2.14"));
        assertThat(of(habits(0, 0, 100, 1), "PO-1", null).price()).isNull();
    }

    /** The same seed and order: the same; of many orders, about as many late ones as was said. */
    @Test
    void luckRepeatsAndIsSpread() {
        assertThat(of(habits(50, 50, 50, 7), "PO-9")).isEqualTo(of(habits(50, 50, 50, 7), "PO-9"));
        long late = IntStream.range(0, 1000)
                .filter(i ->
                        of(habits(30, 0, 0, 7), "PO-" + i).parts().get(0).date().isAfter(FRIDAY))
                .count();
        assertThat(late).isBetween(230L, 370L);
    }
}
