package rescient.core.promise;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.core.promise.KeptPromise.Turned;

/** Ten were promised for Friday the 13th; today is the 20th. */
class KeptPromiseTest {
    private static final LocalDate PROMISED = LocalDate.of(2026, 11, 13);
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);

    @Test
    void isKeptByTheLastOfSeveralShipmentsOnTheDayItself() {
        KeptPromise kept = turned(OrderFacts.OrderState.DONE, 0, shipped(9, 4), shipped(13, 6));

        assertThat(kept.turned()).isEqualTo(Turned.KEPT);
        assertThat(kept.days()).isZero();
        assertThat(kept.inTime()).isEqualByComparingTo("10");
    }

    @Test
    void isLateFromTheDayOnWhichAllOfItHadGone() {
        // written down in any turn; the 17th is four days after the 13th
        KeptPromise late = turned(OrderFacts.OrderState.DONE, 0, shipped(17, 3), shipped(9, 7));

        assertThat(late.turned()).isEqualTo(Turned.LATE);
        assertThat(late.days()).isEqualTo(4);
        assertThat(late.inTime()).isEqualByComparingTo("7");
        assertThat(late.last()).isEqualTo(LocalDate.of(2026, 11, 17));
    }

    @Test
    void whatWentTooEarlyIsKeptAndMoreThanOrderedCountsOnce() {
        KeptPromise early = turned(OrderFacts.OrderState.DONE, 0, shipped(11, 12));

        assertThat(early.turned()).isEqualTo(Turned.KEPT);
        assertThat(early.days()).isEqualTo(-2);
        assertThat(early.inTime()).isEqualByComparingTo("10");
        assertThat(early.shipped()).isEqualByComparingTo("12");
        assertThat(early.left()).isEqualByComparingTo("0");
    }

    @Test
    void aLineThatWasClosedWithLessIsShort() {
        assertThat(turned(OrderFacts.OrderState.DONE, 0, shipped(12, 8)).turned())
                .isEqualTo(Turned.SHORT);
        assertThat(turned(OrderFacts.OrderState.DONE, 0).turned()).isEqualTo(Turned.SHORT);
    }

    @Test
    void anOpenLineIsOverdueOnceItsDayIsOver() {
        KeptPromise overdue = turned(OrderFacts.OrderState.OPEN, 4, shipped(12, 6));

        assertThat(overdue.turned()).isEqualTo(Turned.OVERDUE);
        assertThat(overdue.days()).isEqualTo(7);
        assertThat(overdue.inTime()).isEqualByComparingTo("6");
        assertThat(overdue.left()).isEqualByComparingTo("4");
        assertThat(KeptPromise.of(line(OrderFacts.OrderState.OPEN, 4, PROMISED), List.of(shipped(12, 6)), PROMISED))
                .as("on the day itself nobody knows")
                .isEmpty();
    }

    @Test
    void whatNobodyWasToldOrWhatWasTakenBackIsNoPromise() {
        for (OrderFacts.CustomerOrder line : List.of(
                line(OrderFacts.OrderState.DONE, 0, null),
                line(OrderFacts.OrderState.QUOTE, 10, PROMISED),
                line(OrderFacts.OrderState.CANCELLED, 10, PROMISED))) {
            assertThat(KeptPromise.of(line, List.of(shipped(20, 10)), TODAY)).isEmpty();
        }
    }

    @Test
    void sharesCountLinesAndValueAndTheMedianOfDaysLate() {
        List<KeptPromise> all = Stream.of(
                        turned(OrderFacts.OrderState.DONE, 0, shipped(13, 10)), // kept
                        turned(OrderFacts.OrderState.DONE, 0, shipped(14, 10)), // 1 day
                        turned(OrderFacts.OrderState.DONE, 0, shipped(9, 5), shipped(16, 5)), // 3 days
                        turned(OrderFacts.OrderState.DONE, 0, shipped(12, 8)), // short
                        turned(OrderFacts.OrderState.OPEN, 10)) // 7 days so far
                .toList();
        KeptShare share = KeptShare.of(all, line -> new BigDecimal("2.50"));

        assertThat(share.lines()).isEqualTo(5);
        assertThat(List.of(share.kept(), share.late(), share.cut(), share.overdue()))
                .containsExactly(1, 2, 1, 1);
        assertThat(share.medianDays()).isEqualTo(3);
        assertThat(share.value()).isEqualByComparingTo("125");
        // 10 + 0 + 5 + 8 + 0 of 50
        assertThat(share.inTime()).isEqualByComparingTo("57.50");
        assertThat(share.notInTime()).isEqualByComparingTo("67.50");
        // one of five; one of three is 33.3, two are 66.7
        assertThat(share.percent()).isEqualTo(20);
        assertThat(KeptShare.of(all.subList(0, 3), line -> null).percent()).isEqualTo(33);
        assertThat(KeptShare.of(List.of(all.get(0), all.get(0), all.get(1)), line -> null)
                        .percent())
                .isEqualTo(67);
        assertThat(KeptShare.of(List.of(), line -> null).percent()).isNull();
        assertThat(KeptShare.of(all.subList(0, 1), line -> null))
                .isEqualTo(new KeptShare(1, 1, 0, 0, 0, null, BigDecimal.ZERO, BigDecimal.ZERO));
    }

    private static KeptPromise turned(OrderFacts.OrderState state, int open, StockFacts.Shipment... shipments) {
        return KeptPromise.of(line(state, open, PROMISED), List.of(shipments), TODAY)
                .orElseThrow();
    }

    private static OrderFacts.CustomerOrder line(OrderFacts.OrderState state, int open, LocalDate promised) {
        return new OrderFacts.CustomerOrder(
                "SO-1",
                "1",
                "C1",
                "HIVE",
                "WORKS",
                BigDecimal.valueOf(open),
                PROMISED,
                null,
                null,
                new OrderFacts.Agreed(BigDecimal.TEN, null, null, null, promised, null, state, null, null, null));
    }

    private static StockFacts.Shipment shipped(int day, int quantity) {
        return new StockFacts.Shipment(
                "HIVE", "WORKS", LocalDate.of(2026, 11, day), "SO-1", "1", "C1", BigDecimal.valueOf(quantity));
    }
}
