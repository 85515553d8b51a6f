package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;

/** What stock is worth by the four ways to value it, and when it is counted, tied up or taken back. */
class ValueTest {
    private final Stockroom room = new Stockroom();

    private static String adjust(String key, String item, String quantity, String more) {
        return "adjust " + key + " item=" + item + " site=W quantity=" + quantity + more;
    }

    /** 7 for 10: 10/7 is 1.43; of the 8.57 that are left for 6, one is 1.43; the last ones take what is left. */
    @Test
    void theMeanAndItsRest() {
        room.item("A", Costing.AVERAGE, "0").lies("A", "", "7", "10.00");
        room.post(adjust("k1", "A", "-1", ""), adjust("k2", "A", "-1", ""), adjust("k3", "A", "-5", ""));
        assertThat(room.movements())
                .containsExactly("adjustment A -1 -1.43", "adjustment A -1 -1.43", "adjustment A -5 -7.14");
        assertThat(room.worth("A", "W")).isEqualTo("nothing");
    }

    /** Back-dated pieces at 9 come before those at 2 of today: three go for 9 + 2 + 2. */
    @Test
    void whatCameFirstGoesFirst() {
        room.item("A", Costing.FIFO, "0");
        room.post(
                adjust("k1", "A", "4", " price=2"),
                adjust("k2", "A", "1", " price=9 date=2026-03-01"),
                adjust("k3", "A", "-3", ""));
        assertThat(room.movements()).endsWith("adjustment A -3 -13.00");
        assertThat(room.worth("A", "W")).isEqualTo("2 for 4.00");
    }

    /** Each lot has its own value, whatever came first. */
    @Test
    void eachLotHasItsOwnValue() {
        room.item("A", Costing.SPECIFIC, "0", ItemFacts.Tracking.LOT, 0);
        room.post(
                adjust("k1", "A", "2", " lot=X price=5"),
                adjust("k2", "A", "2", " lot=Y price=1"),
                adjust("k3", "A", "-1", " lot=Y"),
                adjust("k4", "A", "1", " lot=X"));
        assertThat(room.movements()).endsWith("adjustment A/Y -1 -1.00", "adjustment A/X 1 5.00");
    }

    /** 3 at 0.333 are 1.00: the first is worth 0.33, the second 0.34. */
    @Test
    void aStandardIsAlwaysTheStandard() {
        room.item("A", Costing.STANDARD, "0.333");
        room.post(adjust("k1", "A", "1", " price=99"), adjust("k2", "A", "1", ""), adjust("k3", "A", "1", ""));
        assertThat(room.movements())
                .containsExactly("adjustment A 1 0.33", "adjustment A 1 0.34", "adjustment A 1 0.33");
    }

    /** 12 were counted on the 10th, when the books said 10; what came since stays: 10 + 5 + 2. */
    @Test
    void aCountIsOfItsDay() {
        room.item("A", Costing.AVERAGE, "3").lies("A", "", "10", "30.00");
        room.post(adjust("k1", "A", "5", " date=2026-03-15"), "count k2 item=A site=W quantity=12 date=2026-03-10");
        assertThat(room.movements()).endsWith("count A 2 6.00");
        assertThat(room.worth("A", "W")).isEqualTo("17 for 51.00");
        room.post("count k3 item=A site=W quantity=17");
        assertThat(room.movements()).hasSize(2);
    }

    /** 10 at first, 8 gone on the 18th: on the 12th there are 2 at least from then on, so that 3 cannot go. */
    @Test
    void nothingIsEverBelowNought() {
        room.item("A", Costing.AVERAGE, "1").lies("A", "", "10", "10");
        room.post(adjust("k1", "A", "-8", " date=2026-03-18"));
        assertThat(room.post(adjust("k2", "A", "-3", " date=2026-03-12"))).containsExactly("k2 short A 3 2");
        room.post(adjust("k3", "A", "5", " date=2026-03-19"));
        assertThat(room.post(adjust("k4", "A", "-3", " date=2026-03-12"))).containsExactly("k4 short A 3 2");
    }

    /** Two rows that are short add up: 8 and 5 of 10 are short by 3 in the second. */
    @Test
    void rowsAddUpWhatIsMissing() {
        room.item("A", Costing.AVERAGE, "1").lies("A", "", "10", "10");
        assertThat(room.post(adjust("k1", "A", "-8", ""), adjust("k1", "A", "-5", "")))
                .containsExactly("k1 short A 5 2");
        assertThat(room.worth("A", "W")).isEqualTo("10 for 10.00");
        assertThat(room.movements()).isEmpty();
    }

    /** What is tied up is not sold, what is set free is; it keeps its value. */
    @Test
    void stockIsTiedUpAndSetFree() {
        room.item("A", Costing.AVERAGE, "2").lies("A", "", "5", "10");
        room.customer("C1", "A", "5");
        room.post("quarantine k1 item=A site=W quantity=3");
        assertThat(room.post("ship k2 number=C1 quantity=4")).containsExactly("k2 quarantined A 4 2");
        assertThat(room.post("ship k3 number=C1 quantity=6")).containsExactly("k3 over A 6 5");
        room.post("free k4 item=A site=W");
        assertThat(room.post("free k5 item=A site=W")).containsExactly("k5 short A 1 0");
        assertThat(room.post("ship k6 number=C1 quantity=4")).isEmpty();
        assertThat(room.worth("A", "W")).isEqualTo("1 for 2.00");
    }

    /** The earlier expiry goes first, without one last; on its day a lot serves no more. */
    @Test
    void whatExpiresFirstGoesFirst() {
        room.item("A", Costing.AVERAGE, "1", ItemFacts.Tracking.LOT, 0);
        room.lies("A", "W", "NEVER", "5", "5", null);
        room.lies("A", "W", "JUNE", "2", "2", LocalDate.of(2026, 6, 1));
        room.lies("A", "W", "TODAY", "9", "9", Stockroom.TODAY);
        room.lies("A", "W", "MAY", "2", "2", LocalDate.of(2026, 5, 1));
        room.customer("C1", "A", "20");
        room.post("ship k1 number=C1 quantity=5");
        assertThat(room.movements())
                .containsExactly("shipment A/MAY -2 -2.00", "shipment A/JUNE -2 -2.00", "shipment A/NEVER -1 -1.00");
        assertThat(room.post("ship k2 number=C1 quantity=1 lot=TODAY")).containsExactly("k2 expired A 1 9");
        assertThat(room.post("ship k3 number=C1 quantity=7")).containsExactly("k3 short A 7 4");
    }

    @Test
    void aSerialNumberLiesInOnePlace() {
        room.item("M", Costing.SPECIFIC, "10", ItemFacts.Tracking.SERIAL, 0);
        room.customer("C1", "M", "3");
        assertThat(room.post(adjust("k1", "M", "1", " serial=S1"))).isEmpty();
        assertThat(room.post(adjust("k2", "M", "1", " serial=S1"))).containsExactly("k2 serial_twice M");
        assertThat(room.post(adjust("k3", "M", "2", " serial=S2"))).containsExactly("k3 tracking M");
        assertThat(room.post("ship k4 number=C1")).containsExactly("k4 short M 3 1");
        assertThat(room.post("ship k5 number=C1 serial=S1")).isEmpty();
        assertThat(room.post("return_from_customer k6 number=C1 serial=S9 quantity=1"))
                .containsExactly("k6 over M 1 0");
        assertThat(room.post("return_from_customer k7 number=C1 serial=S1 quantity=1"))
                .isEmpty();
        assertThat(room.movements()).endsWith("shipment M/S1 -1 -10.00", "customer_return M/S1 1 10.00");
    }

    /** Layers of 2 at 5 and 2 at 1; three go (11); taken back, both layers are as they were. */
    @Test
    void layersAreGivenBackAsTheyWere() {
        room.item("A", Costing.FIFO, "0");
        room.post(adjust("k1", "A", "2", " price=5"), adjust("k2", "A", "2", " price=1"));
        String before = room.all();
        room.post(adjust("k3", "A", "-3", ""));
        assertThat(room.movements()).endsWith("adjustment A -3 -11.00");
        assertThat(room.post("reverse k4 reverses=k3")).isEmpty();
        assertThat(room.all()).isEqualTo(before);
        assertThat(room.post("reverse k5 reverses=k3")).containsExactly("k5 closed");
        assertThat(room.post("reverse k6 reverses=k4")).containsExactly("k6 closed");
        assertThat(room.post("reverse k7 reverses=never")).containsExactly("k7 unknown");
    }

    /** 4 at 1 and 4 at 3; of the mean of 2 six go, 2 are left for 4. The receipt at 3 lacks 2 of its 4. */
    @Test
    void whatIsGoneIsNotTakenBack() {
        room.item("A", Costing.AVERAGE, "0");
        room.order(Source.BUY, "10", "A", "4", "1");
        room.order(Source.BUY, "11", "A", "4", "3");
        room.post("receive k1 number=10", "receive k2 number=11", adjust("k3", "A", "-6", ""));
        assertThat(room.post("reverse k4 reverses=k2")).containsExactly("k4 short A 4 2");
        room.post(adjust("k5", "A", "2", " price=0"));
        assertThat(room.post("reverse k6 reverses=k2")).isEmpty();
        // 4 less 12 is less than nothing, and nothing is left
        assertThat(room.movements()).endsWith("receipt A -4 -12.00", "revaluation A 0 8.00");
        assertThat(room.worth("A", "W")).isEqualTo("nothing");
    }
}
