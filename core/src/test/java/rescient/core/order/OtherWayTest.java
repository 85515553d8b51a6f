package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningData;
import rescient.core.plan.PointView;

/** Monday, 2 March is today. */
class OtherWayTest {
    private static PointView point(PlanningData planned) {
        return new Example()
                .planned(planned, buy("B").leadTimeDays(5))
                .bom("A", "B", "1")
                .wanted("A", 7, "4 Mar")
                .plan()
                .point("A", "W")
                .orElseThrow();
    }

    private static OrderDraft order(PointView point) {
        return Drafting.of(point).planned(point.plannedOrders().get(0).sequence());
    }

    @Test
    void whatIsBoughtComesAfterTheLeadTimeInWholeMultiples() {
        // five working days from today are Monday, 9 March
        OrderDraft order = order(point(make("A").leadTimeDays(1)));
        OtherWay way = OtherWay.of(point(buy("A").leadTimeDays(5).multiple(10 * Quantity.ONE)), order)
                .orElseThrow();
        assertThat(way.draft().quantity()).isEqualTo(10 * Quantity.ONE);
        assertThat(way.possibleDay()).isEqualTo(day("9 Mar"));
        assertThat(way.late()).isTrue();
    }

    @Test
    void whatIsMadeComesWhenItsComponentsHaveCome() {
        // B is needed on 3 March and there on 9 March, 4 working days later; so is A, wanted on 4 March
        OrderDraft order = order(point(buy("A").leadTimeDays(1)));
        OtherWay way = OtherWay.of(point(make("A").leadTimeDays(1)), order).orElseThrow();
        assertThat(way.possibleDay()).isEqualTo(day("10 Mar"));
        assertThat(way.late()).isTrue();
    }

    @Test
    void whatComesInTimeIsNotEarlierThanWanted() {
        OrderDraft order = order(point(make("A").leadTimeDays(1)));
        OtherWay way = OtherWay.of(point(buy("A").leadTimeDays(1)), order).orElseThrow();
        assertThat(way.possibleDay()).isEqualTo(day("4 Mar"));
        assertThat(way.late()).isFalse();
    }

    @Test
    void aDayOffMeansTheWorkingDayBeforeSoThatItIsThereInTime() {
        PointView point = point(make("A"));
        assertThat(WantedDay.of(point, day("7 Mar"), day("31 Mar")))
                .isEqualTo(new WantedDay(day("6 Mar"), true, false));
        // never before today, a Monday
        assertThat(WantedDay.of(point, day("1 Mar"), day("31 Mar")).day()).isEqualTo(day("2 Mar"));
        assertThat(WantedDay.of(point, day("9 Mar"), day("6 Mar"))).isEqualTo(new WantedDay(day("9 Mar"), false, true));
        assertThat(WantedDay.isPast(day("1 Mar"), day("2 Mar"))).isTrue();
        assertThat(WantedDay.isPast(day("2 Mar"), day("2 Mar"))).isFalse();
    }

    @Test
    void whatIsMadeOfNothingOrBoughtWithoutTermsIsDoubted() {
        PointView made = new Example()
                .planned(make("A"))
                .wanted("A", 7, "4 Mar")
                .plan()
                .point("A", "W")
                .orElseThrow();
        assertThat(Doubt.of(order(made), (supplier, item) -> false)).containsExactly(Doubt.NO_COMPONENTS);
        assertThat(Doubt.of(order(point(make("A"))), (supplier, item) -> false)).isEmpty();
        OrderDraft bought = order(point(buy("A").supplier("S")));
        assertThat(Doubt.of(bought, (supplier, item) -> false)).containsExactly(Doubt.NO_TERMS);
        assertThat(Doubt.of(bought, (supplier, item) -> supplier.equals("S") && item.equals("A")))
                .isEmpty();
    }
}
