package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rescient.core.order.DeliveredLine.Bought;
import rescient.core.order.DeliveredLine.Came;
import rescient.core.order.DeliveredLine.Turned;
import rescient.core.order.SupplierRecord.Figure;

/** What is said of a supplier, worked out by hand. Today is the thirtieth of June. */
class SupplierRecordTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 30);
    private static final LocalDate SENT = LocalDate.of(2026, 6, 1);

    private static LocalDate june(int day) {
        return LocalDate.of(2026, 6, day);
    }

    /** 100 pieces at 2, for the tenth. */
    private static Bought bought(String number, LocalDate promised, boolean done) {
        return bought(number, promised, done, "200", "200", "0", "0");
    }

    private static Bought bought(
            String number, LocalDate promised, boolean done, String value, String list, String back, String doubtful) {
        return new Bought(
                number,
                "1",
                "SMITH",
                "NAIL",
                "W",
                new BigDecimal(100),
                june(10),
                promised,
                done,
                new BigDecimal(value),
                new BigDecimal(list),
                new BigDecimal(back),
                new BigDecimal(doubtful));
    }

    private static Came came(int day, int quantity) {
        return new Came(SENT, june(day), BigDecimal.valueOf(quantity));
    }

    private static DeliveredLine line(Bought bought, Came... came) {
        return DeliveredLine.of(bought, List.of(came), TODAY);
    }

    /** By what he promised first; where he promised nothing, by the day that was wanted. */
    @Test
    void aLineIsJudgedByItsFirstPromise() {
        DeliveredLine wanted = line(bought("A", null, true), came(10, 100));
        assertThat(wanted.turned()).isEqualTo(Turned.IN_TIME);
        assertThat(wanted.days()).isZero();

        DeliveredLine promised = line(bought("A", june(14), true), came(12, 100));
        assertThat(promised.turned()).isEqualTo(Turned.IN_TIME);
        assertThat(promised.days()).isEqualTo(-2);

        DeliveredLine earlier = line(bought("A", june(8), true), came(10, 100));
        assertThat(earlier.turned()).isEqualTo(Turned.LATE);
        assertThat(earlier.days()).isEqualTo(2);
    }

    /** 60 by the tenth and 40 five days later: late, with 60 in time. */
    @Test
    void partsCountByThemselves() {
        DeliveredLine parts = line(bought("A", null, true), came(15, 40), came(9, 60));
        assertThat(parts.turned()).isEqualTo(Turned.LATE);
        assertThat(parts.days()).isEqualTo(5);
        assertThat(parts.inTime()).isEqualByComparingTo("60");
        assertThat(parts.last()).isEqualTo(june(15));
        assertThat(parts.came()).extracting(Came::leadDays).containsExactly(8, 14);
    }

    @Test
    void whatNeverCameAndWhatIsStillToCome() {
        DeliveredLine cut = line(bought("A", null, true), came(9, 60));
        assertThat(cut.turned()).isEqualTo(Turned.SHORT);
        assertThat(cut.inTime()).isEqualByComparingTo("60");

        DeliveredLine overdue = line(bought("A", null, false), came(9, 60));
        assertThat(overdue.turned()).isEqualTo(Turned.OVERDUE);
        assertThat(overdue.days()).isEqualTo(20);

        // on its day it may still come
        DeliveredLine today = line(bought("A", TODAY, false));
        assertThat(today.turned()).isNull();
        assertThat(today.days()).isZero();
    }

    /** Of a line of which only receipts are known, how long it took counts, and not whether it was in time. */
    @Test
    void aReceiptWithoutAnOrderTellsHowLongItTook() {
        Bought only = new Bought(
                "A",
                "1",
                "SMITH",
                "NAIL",
                "W",
                BigDecimal.TEN,
                null,
                null,
                true,
                null,
                null,
                BigDecimal.ZERO,
                BigDecimal.ZERO);
        SupplierRecord record = SupplierRecord.of(List.of(line(only, came(9, 10))));
        assertThat(record.judged()).isZero();
        assertThat(record.percent()).isNull();
        assertThat(record.quantityInTime()).isNull();
        assertThat(record.lead().median()).isEqualTo(8);
    }

    /** What went back and came again is not too much; what came beside it is. */
    @Test
    void overIsWhatStayed() {
        assertThat(line(bought("A", null, true, "200", "200", "10", "0"), came(9, 100), came(12, 10))
                        .over())
                .isFalse();
        assertThat(line(bought("A", null, true), came(9, 103)).over()).isTrue();
    }

    /**
     * Three lines of 100: in time, five days late with 60 in time, overdue with nothing: one of three lines, and 160 of 300
     * pieces of which 100 cost 4 instead of 2: (200 + 120 + 0) of (200 + 200 + 400).
     */
    @Test
    void inTimeByLinesAndByQuantity() {
        SupplierRecord record = SupplierRecord.of(List.of(
                line(bought("A", null, true), came(9, 100)),
                line(bought("B", null, true), came(9, 60), came(15, 40)),
                line(bought("B", null, false, "400", "200", "0", "0"))));
        assertThat(record.orders()).isEqualTo(2);
        assertThat(record.lines()).isEqualTo(3);
        assertThat(record.percent()).isEqualTo(33);
        assertThat(record.quantityInTime()).isEqualTo(0.4);
        assertThat(record.late()).isEqualTo(1);
        assertThat(record.overdue()).isEqualTo(1);
        assertThat(record.value()).isEqualByComparingTo("800");
        // 800 paid for what the list has at 600
        assertThat(record.dearer()).isCloseTo(1 / 3.0, within(1e-9));
        // one day early, and five late
        assertThat(record.days().median()).isEqualTo(2);
        assertThat(record.days().count()).isEqualTo(2);
    }

    /** After 2, 4, 6, 8, … 20 days: median 11, nine of ten within 18, mean 11, deviation √(330/9). */
    @Test
    void leadTimesAreSpread() {
        SupplierRecord record = SupplierRecord.of(IntStream.rangeClosed(1, 10)
                .mapToObj(i -> line(bought("N" + i, null, true), came(1 + 2 * i, 100)))
                .toList());
        assertThat(record.lead().count()).isEqualTo(10);
        assertThat(record.lead().median()).isEqualTo(11);
        assertThat(record.lead().ninety()).isEqualTo(18);
        assertThat(record.lead().mean()).isEqualTo(11);
        assertThat(record.lead().deviation()).isCloseTo(Math.sqrt(330 / 9.0), within(1e-9));
    }

    /** Of 200 pieces that came 10 went back and 25 were put aside. */
    @Test
    void whatWasNotGood() {
        SupplierRecord record = SupplierRecord.of(List.of(
                line(bought("A", null, true, "200", "200", "10", "0"), came(9, 100)),
                line(bought("B", null, true, "200", "200", "0", "25"), came(9, 100))));
        assertThat(record.returned()).isEqualTo(0.05);
        assertThat(record.doubtful()).isEqualTo(0.125);
    }

    /** Each figure opens as many lines as it says. */
    @Test
    void figuresOpenTheirLines() {
        List<DeliveredLine> lines = List.of(
                line(bought("A", null, true), came(9, 100)),
                line(bought("B", null, true), came(19, 103)),
                line(bought("C", null, true), came(9, 60)),
                line(bought("D", null, false)),
                line(bought("E", null, true, "210", "200", "3", "4"), came(9, 100)),
                line(bought("F", TODAY, false)));
        SupplierRecord record = SupplierRecord.of(lines);
        assertThat(shown(lines, Figure.IN_TIME)).containsExactly("A", "E").hasSize(record.inTime());
        assertThat(shown(lines, Figure.LATE)).containsExactly("B").hasSize(record.late());
        assertThat(shown(lines, Figure.SHORT)).containsExactly("C").hasSize(record.cut());
        assertThat(shown(lines, Figure.OVERDUE)).containsExactly("D").hasSize(record.overdue());
        assertThat(shown(lines, Figure.OVER)).containsExactly("B").hasSize(record.over());
        assertThat(shown(lines, Figure.RETURNED)).containsExactly("E");
        assertThat(shown(lines, Figure.DOUBTFUL)).containsExactly("E");
        assertThat(shown(lines, Figure.OTHER_PRICE)).containsExactly("E");
        assertThat(shown(lines, Figure.CAME)).hasSize(record.lead().count());
    }

    private static Stream<String> shown(List<DeliveredLine> lines, Figure figure) {
        return lines.stream().filter(figure::counts).map(line -> line.line().number());
    }
}
