package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import rescient.core.base.Ratio;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;

/** Goods come from suppliers and go back to them. */
class PurchasesTest {
    private final Stockroom room = new Stockroom();

    /** Three boxes of 12 at 6.00 a box are 36 pieces for 18.00, and the line is done. */
    @Test
    void aBoxIsReceivedAsPieces() {
        room.item("A", Costing.AVERAGE, "0").factor("box", "pc", new Ratio(12, 1));
        SupplyLine line = room.order(Source.BUY, "10", "A", "36", "6.00", "box", null);
        assertThat(room.post("receive k1 number=10 quantity=3")).isEmpty();
        assertThat(room.movements()).containsExactly("receipt A 36 18.00");
        assertThat(line.ended()).isEqualTo(Stockroom.TODAY);
        assertThat(room.post("receive k2 number=10 quantity=1")).containsExactly("k2 closed A");
    }

    /** A tenth more than 15 is 1.5, so that 16 may come: 10 and then 6, but not 7. */
    @Test
    void soMuchMoreMayCome() {
        room.item("A", Costing.AVERAGE, "1").over("A", "10");
        SupplyLine line = room.order(Source.BUY, "10", "A", "15", "2");
        room.post("receive k1 number=10 quantity=10");
        assertThat(room.post("receive k2 number=10 quantity=7")).containsExactly("k2 over A 7 6");
        assertThat(room.post("receive k3 number=10 quantity=6")).isEmpty();
        assertThat(line.open()).isZero();
        assertThat(line.received()).isEqualTo("16");
    }

    /** Of 20 came 3 and then 17, which ends the line; the 3 are taken back: 3 are open again, and may come. */
    @Test
    void aLineThatIsDoneIsOpenAgainWhenAnythingOfItIsTakenBack() {
        room.item("A", Costing.AVERAGE, "1");
        SupplyLine line = room.order(Source.BUY, "10", "A", "20", "2");
        room.post("receive k1 number=10 quantity=3", "receive k2 number=10 quantity=17");
        assertThat(line.ended()).isNotNull();
        assertThat(room.post("reverse k3 reverses=k1")).isEmpty();
        assertThat(line.ended()).isNull();
        assertThat(line.open()).isEqualByComparingTo("3");
        assertThat(room.post("receive k4 number=10")).isEmpty();
        assertThat(line.ended()).isNotNull();
    }

    /** Of 10 came 8, and then 4, two more than were ordered; without the 8 only 4 came, and 6 are open. */
    @Test
    void whatIsOpenIsWhatWasOrderedLessWhatCame() {
        room.item("A", Costing.AVERAGE, "1").over("A", "20");
        SupplyLine line = room.order(Source.BUY, "10", "A", "10", "2");
        room.post("receive k1 number=10 quantity=8", "receive k2 number=10 quantity=4");
        assertThat(line.open()).isZero();
        assertThat(room.post("reverse k3 reverses=k1")).isEmpty();
        assertThat(line.open()).isEqualByComparingTo("6");
    }

    /** Without a price anywhere the standard cost counts; a standard item takes it, and the rest is a variance. */
    @Test
    void whatAReceiptCosts() {
        room.item("A", Costing.AVERAGE, "4").item("B", Costing.STANDARD, "2");
        room.order(Source.BUY, "10", "A", "5", null);
        SupplyLine standard = room.order(Source.BUY, "11", "B", "5", "2.50");
        room.post("receive k1 number=10", "receive k2 number=11", "receive k3 number=10");
        assertThat(room.movements()).containsExactly("receipt A 5 20.00", "receipt B 5 10.00");
        assertThat(standard.cost(SupplyLine.Cost.MATERIAL)).isEqualByComparingTo("12.50");
        assertThat(standard.cost(SupplyLine.Cost.PUT_OUT)).isEqualByComparingTo("10");
        assertThat(standard.cost(SupplyLine.Cost.VARIANCE)).isEqualByComparingTo("2.50");
    }

    /** Ten came for 20 and ten for 40 more lie there: one goes back at the mean of 3, is credited at 2, and 1 is a variance. */
    @Test
    void goodsGoBackAtWhatTheyAreWorth() {
        room.item("A", Costing.AVERAGE, "0").lies("A", "", "10", "40");
        SupplyLine line = room.order(Source.BUY, "10", "A", "10", "2");
        room.post("receive k1 number=10");
        assertThat(room.post("return_to_supplier k2 number=10 quantity=1")).isEmpty();
        assertThat(room.movements()).contains("supplier_return A -1 -3.00");
        assertThat(line.cost(SupplyLine.Cost.MATERIAL)).isEqualByComparingTo("18");
        assertThat(line.cost(SupplyLine.Cost.PUT_OUT)).isEqualByComparingTo("17");
        assertThat(line.cost(SupplyLine.Cost.VARIANCE)).isEqualByComparingTo("1");
        assertThat(room.post("return_to_supplier k3 number=10 quantity=10")).containsExactly("k3 over A 10 9");
    }

    @Test
    void lotsAreNamedAndKeepTheirExpiry() {
        room.item("A", Costing.AVERAGE, "1", ItemFacts.Tracking.LOT, 0);
        room.order(Source.BUY, "10", "A", "9", "1");
        assertThat(room.post("receive k1 number=10 quantity=3")).containsExactly("k1 tracking A");
        assertThat(room.post("receive k2 number=10 quantity=3 lot=L expiry=2026-06-01"))
                .isEmpty();
        assertThat(room.post("receive k3 number=10 quantity=3 lot=L expiry=2026-07-01"))
                .containsExactly("k3 tracking A");
        assertThat(room.post("receive k4 number=10 quantity=3 lot=L")).isEmpty();
        assertThat(room.books.expiry(new Movement.Lot("A", "L", ""))).isEqualTo(LocalDate.of(2026, 6, 1));
    }

    @Test
    void whatDoesNotAgreeIsUnknown() {
        room.item("A", Costing.AVERAGE, "1").item("B", Costing.AVERAGE, "1");
        room.order(Source.BUY, "10", "A", "9", "1");
        room.order(Source.MAKE, "20", "A", "9", null);
        assertThat(room.post("receive k1 number=10 item=B quantity=1")).containsExactly("k1 unknown B");
        assertThat(room.post("receive k2 number=99 quantity=1")).containsExactly("k2 unknown");
        assertThat(room.post("receive k3 number=20 quantity=1")).containsExactly("k3 unknown A");
        assertThat(room.post("receive k4 number=10 quantity=1 unit=box")).containsExactly("k4 unknown A");
        assertThat(room.post("receive k5 number=10 quantity=1.5")).containsExactly("k5 quantity A");
        assertThat(room.post("receive k6 number=10 quantity=0")).containsExactly("k6 quantity A");
    }

    /** The same key with the same rows does nothing, with others it is told; a refused one may come again. */
    @Test
    void nothingIsPostedTwice() {
        room.item("A", Costing.AVERAGE, "1");
        room.order(Source.BUY, "10", "A", "5", "1");
        assertThat(room.post("receive k1 number=10 quantity=2", "receive k2 number=10 quantity=9"))
                .containsExactly("k2 over A 9 3");
        assertThat(room.post("receive k1 number=10 quantity=2")).isEmpty();
        assertThat(room.post("receive k1 number=10 quantity=3")).containsExactly("k1 duplicate");
        assertThat(room.post("receive k2 number=10 quantity=3")).isEmpty();
        assertThat(room.worth("A", "W")).isEqualTo("5 for 5.00");
    }

    @Test
    void daysThatLieTooFarAreRefused() {
        room.item("A", Costing.AVERAGE, "1");
        room.order(Source.BUY, "10", "A", "5", "1");
        assertThat(room.post("receive k1 number=10 quantity=1 date=2026-02-17")).containsExactly("k1 date");
        assertThat(room.post("receive k2 number=10 quantity=1 date=2026-03-21")).containsExactly("k2 date");
        assertThat(room.post("receive k3 number=10 quantity=1 date=2026-02-18")).isEmpty();
    }
}
