package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rescient.core.base.Ratio;
import rescient.core.company.Source;
import rescient.core.stock.SupplyLine.Cost;

/** Parts go into orders, units come out, and each takes what it used. */
class ProductionTest {
    private final Stockroom room = new Stockroom()
            .item("P", Costing.AVERAGE, "0")
            .item("B", Costing.AVERAGE, "1")
            .item("H", Costing.AVERAGE, "3")
            .lies("B", "", "100", "100")
            .lies("H", "", "5", "15");

    /**
     * 4 P of 3 B each by hand and of one H for the whole order. 12 B are issued (12.00); one P takes 3 B and a quarter of H
     * (0.75); the other three the rest.
     */
    @Test
    void partsOfAnOrderAreShared() {
        SupplyLine line = room.order(Source.MAKE, "20", "P", "4", null);
        Stockroom.part(line, "B", "12", false, false);
        Stockroom.part(line, "H", "1", true, true);
        room.post("issue k1 number=20", "output k2 number=20 quantity=1", "output k3 number=20 quantity=3");
        assertThat(room.movements())
                .containsExactly("issue B -12 -12.00", "issue H -1 -3.00", "output P 1 3.75", "output P 3 11.25");
        assertThat(line.inProcess()).isZero();
        assertThat(line.ended()).isNull();
        assertThat(room.post("finish k4 number=20")).isEmpty();
        assertThat(room.post("output k5 number=20 quantity=1")).containsExactly("k5 closed P");
    }

    /** 2 of 10 B come back at what they went for; more than is left inside cannot. */
    @Test
    void partsComeBack() {
        SupplyLine line = room.order(Source.MAKE, "20", "P", "5", null);
        Stockroom.part(line, "B", "10", false, false);
        room.post("issue k1 number=20", "issue k2 number=20 item=B quantity=-2");
        assertThat(room.movements()).endsWith("issue B 2 2.00");
        room.post("output k3 number=20 quantity=3");
        // 6 of the 8 went with the three
        assertThat(room.post("issue k4 number=20 item=B quantity=-3")).containsExactly("k4 short B 3 2");
        assertThat(line.cost(Cost.MATERIAL)).isEqualByComparingTo("8");
    }

    /** Another component may go in with a quantity; with what is left over at the end it is a variance. */
    @Test
    void whatIsLeftAtTheEndIsAVariance() {
        SupplyLine line = room.order(Source.MAKE, "20", "P", "2", null);
        Stockroom.part(line, "B", "2", false, true);
        assertThat(room.post("issue k1 number=20 item=H")).containsExactly("k1 unknown H");
        room.post("issue k2 number=20 item=H quantity=2", "output k3 number=20 quantity=1");
        // one B and half of the two H
        assertThat(room.movements()).endsWith("output P 1 4.00");
        room.post("finish k4 number=20");
        assertThat(line.cost(Cost.VARIANCE)).isEqualByComparingTo("3");
    }

    /** Backflush lists everything that is short, and nothing is posted. */
    @Test
    void allThatIsShortIsListed() {
        SupplyLine line = room.order(Source.MAKE, "20", "P", "10", null);
        Stockroom.part(line, "H", "10", false, true);
        Stockroom.part(line, "B", "200", false, true);
        String before = room.all();
        assertThat(room.post("output k1 number=20 quantity=10"))
                .containsExactly("k1 short B 200 100", "k1 short H 10 5");
        assertThat(room.all()).isEqualTo(before);
    }

    /**
     * Steps 10 (6 minutes a unit at 1 a minute) and 20 (setup 8, efficiency 0.5). Four pass step 10, one of them scrapped:
     * 24.00 of work, no goods. Two come out: step 20 books its setup, 16.00. They take of the 40.00 two thirds of what was
     * open: 26.67; the last one the rest.
     */
    @Test
    void timeIsBookedStepByStep() {
        room.step("P", 10, "60", "1", "0", "6").step("P", 20, "60", "0.5", "8", "0");
        SupplyLine line = room.order(Source.MAKE, "20", "P", "3", null);
        room.post("output k1 number=20 step=10 quantity=3 scrapped=1");
        assertThat(line.cost(Cost.WORK)).isEqualByComparingTo("24");
        assertThat(room.movements()).isEmpty();
        room.post("output k2 number=20 quantity=2", "output k3 number=20 quantity=1");
        assertThat(room.movements()).containsExactly("output P 2 26.67", "output P 1 13.33");
        assertThat(line.scrapped()).isEqualTo("1");
    }

    /** 30 minutes are given at 60 an hour: nothing more is planned for the step, and 0 counts as given too. */
    @Test
    void minutesThatAreGivenTakeThePlaceOfThePlan() {
        room.step("P", 10, "60", "0.5", "10", "10");
        SupplyLine line = room.order(Source.MAKE, "20", "P", "4", null);
        room.post("output k1 number=20 quantity=1 minutes=30", "output k2 number=20 quantity=3");
        assertThat(room.movements()).containsExactly("output P 1 30.00", "output P 3 0.00");
        room.step("Q", 10, "60", "1", "0", "5").item("Q", Costing.AVERAGE, "0");
        SupplyLine other = room.order(Source.MAKE, "21", "Q", "2", null);
        room.post("output k3 number=21 minutes=0", "output k4 number=21 quantity=2");
        assertThat(line.cost(Cost.WORK)).isEqualByComparingTo("30");
        assertThat(other.cost(Cost.WORK)).isZero();
    }

    @Test
    void stepsAndQuantitiesHaveToBeRight() {
        room.step("P", 10, "60", "1", "0", "1").step("P", 20, "60", "1", "0", "1");
        room.order(Source.MAKE, "20", "P", "4", null);
        assertThat(room.post("output k1 number=20 step=15 quantity=1")).containsExactly("k1 unknown P");
        assertThat(room.post("output k2 number=20 minutes=5")).containsExactly("k2 unknown P");
        assertThat(room.post("output k3 number=20 quantity=0")).containsExactly("k3 quantity P");
        assertThat(room.post("output k4 number=20 step=20 minutes=5")).isEmpty();
    }

    /** 3 P of 2 B each for 5 a piece: two come with their 4 B, and one is scrapped with 2 B that the others carry. */
    @Test
    void aSubcontractorsPiecesUseWhatLiesThere() {
        room.lies("B", "C", "", "6", "6", null);
        SupplyLine line = room.order(Source.SUBCONTRACT, "30", "P", "3", "5");
        Stockroom.part(line, "B", "6", false, false);
        room.post("receive k1 number=30 quantity=2 scrapped=1");
        assertThat(room.movements()).containsExactly("issue B -6 -6.00", "receipt P 2 16.00");
        assertThat(room.post("output k2 number=30 quantity=1")).containsExactly("k2 unknown P");
        assertThat(room.post("finish k3 number=30")).isEmpty();
        assertThat(line.inProcess()).isZero();
    }

    /** Two of three P are there; three are shipped, so that one is assembled in the same posting. */
    @Test
    void whatIsMissingIsAssembledWithTheShipment() {
        SupplyLine line = room.order(Source.ASSEMBLE, "50", "P", "3", null, null, "C1");
        Stockroom.part(line, "B", "6", false, false);
        room.customer("C1", "P", "3");
        room.post("issue k1 number=50 item=B quantity=4", "output k2 number=50 quantity=2");
        room.post("ship k3 number=C1");
        assertThat(room.movements())
                .endsWith("output P 2 4.00", "issue B -2 -2.00", "output P 1 2.00", "shipment P -3 -6.00");
    }

    /** Two kits of 2 B and a kit of H and 0.3 kg G: the chosen first, then by component. */
    @Test
    void aKitGoesAsItsParts() {
        room.item("G", Costing.AVERAGE, "10", rescient.core.company.ItemFacts.Tracking.NONE, 3)
                .lies("G", "", "1", "10")
                .kit(
                        "INNER",
                        new Masterdata.KitPart("H", Ratio.ONE, false),
                        new Masterdata.KitPart("G", new Ratio(3, 10), false))
                .kit(
                        "K",
                        new Masterdata.KitPart("B", new Ratio(2, 1), false),
                        new Masterdata.KitPart("INNER", Ratio.ONE, false));
        room.customer("C1", "K", "3");
        assertThat(room.post("ship k1 number=C1 item=B quantity=9", "ship k1 number=C1 quantity=2"))
                .containsExactly("k1 over B 9 4");
        assertThat(room.post("ship k2 number=C1 item=B quantity=1")).containsExactly("k2 unknown B");
        assertThat(room.post("ship k3 number=C1 quantity=2")).isEmpty();
        assertThat(room.movements())
                .containsExactly("shipment B -4 -4.00", "shipment G -0.6 -6.00", "shipment H -2 -6.00");
        assertThat(room.post("return_from_customer k4 number=C1 item=H quantity=3"))
                .containsExactly("k4 over H 3 2");
        assertThat(room.post("return_from_customer k5 number=C1 item=H quantity=1"))
                .isEmpty();
    }

    /** 10 are sent for 10.00; 6 arrive, 1 is lost, and the other 3 when it is finished. */
    @Test
    void whatIsLostOnTheWayIsAVariance() {
        SupplyLine line = room.order(Source.TRANSFER, "40", "B", "12", null);
        Stockroom.part(line, "B", "12", false, false);
        room.post("ship_transfer k1 number=40 quantity=10");
        assertThat(room.post("ship_transfer k2 number=40 quantity=3")).containsExactly("k2 over B 3 2");
        assertThat(room.post("receive_transfer k3 number=40 quantity=11")).containsExactly("k3 over B 11 10");
        room.post("receive_transfer k4 number=40 quantity=6 scrapped=1");
        assertThat(room.worth("B", "D")).isEqualTo("6 for 6.00");
        assertThat(line.open()).isEqualTo("5");
        room.post("finish k5 number=40");
        assertThat(line.cost(Cost.VARIANCE)).isEqualByComparingTo("4");
        assertThat(line.inProcess()).isZero();
        assertThat(room.post("reverse k6 reverses=k4")).containsExactly("k6 closed B");
    }

    /** Parts that were put out are no longer inside: their issue is not taken back before the output is. */
    @Test
    void anIssueIsTakenBackAfterItsOutput() {
        SupplyLine line = room.order(Source.MAKE, "20", "P", "5", null);
        Stockroom.part(line, "B", "10", false, false);
        String before = room.all();
        room.post("issue k1 number=20", "output k2 number=20 quantity=2");
        assertThat(room.post("reverse k3 reverses=k1")).containsExactly("k3 short B 10 6");
        assertThat(room.post("reverse k4 reverses=k2", "reverse k5 reverses=k1"))
                .isEmpty();
        assertThat(room.all()).isEqualTo(before);
    }
}
