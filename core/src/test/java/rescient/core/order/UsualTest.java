package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;

/** Each A takes 4 B; customers want 5 and 7 A, and 30 B at once. */
class UsualTest {
    private static final Plan PLAN = new Example()
            .planned(make("A"), buy("B"))
            .bom("A", "B", "4")
            .wanted("A", 5, "10 Mar")
            .wanted("A", 7, "20 Mar")
            .wanted("B", 26, "24 Mar")
            .plan();

    private static PointView point(String item) {
        return PLAN.point(item, "W").orElseThrow();
    }

    /** 7 A ask for 28 B, which is more than the 26 that a customer wants. */
    @Test
    void theLargestOfEachKindIsUsual() {
        assertThat(Usual.order(point("A"))).isEqualTo(Quantity.of(7));
        assertThat(Usual.customerOrder(point("B"))).isEqualTo(Quantity.of(26));
        assertThat(Usual.demand(point("B"))).isEqualTo(Quantity.of(28));
        assertThat(Usual.order(point("B"))).isEqualTo(Quantity.of(28));
    }

    @Test
    void fiftyTimesIsFar() {
        assertThat(Usual.timesOver(349, 7)).isZero();
        assertThat(Usual.timesOver(350, 7)).isEqualTo(50);
        assertThat(Usual.timesOver(700, 7)).isEqualTo(100);
        assertThat(Usual.timesOver(700, 0)).isZero();
    }

    @Test
    void aLeadTimeOfMoreThanAYearIsLongUnlessItWasLonger() {
        assertThat(Usual.isLong(260, 10)).isFalse();
        assertThat(Usual.isLong(261, 10)).isTrue();
        assertThat(Usual.isLong(300, 300)).isFalse();
        assertThat(Usual.isLong(301, 300)).isTrue();
    }
}
