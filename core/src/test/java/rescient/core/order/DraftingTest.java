package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.MadeFor;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.compare.PlanDifference;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;

/** Orders that a planner wants instead of planned ones. */
class DraftingTest {
    private static long pieces(long n) {
        return Quantity.of(n);
    }

    private static PointView point(Plan plan, String item) {
        return plan.point(item, "W").orElseThrow();
    }

    /** A, made in 3 days of 2 B each with a yield of 80 %; B bought in 5 days. */
    private static Example company() {
        return new Example()
                .planned(
                        make("A").leadTimeDays(3).yield(Ratio.of(new java.math.BigDecimal("0.8"))),
                        buy("B").leadTimeDays(5))
                .bom("A", "B", "2")
                .wanted("A", 8, "20 Mar");
    }

    @Test
    void aPlannedOrderIsGivenOutAsThePlanHasIt() {
        // 8 good at 80 %: 10 started; due Fri 20 March, 3 working days back: Tue 17 March, 20 B on that day
        OrderDraft draft = Drafting.of(point(company().plan(), "A")).planned(0);

        assertThat(draft.quantity()).isEqualTo(pieces(8));
        assertThat(draft.startQuantity()).isEqualTo(pieces(10));
        assertThat(draft.startDay()).isEqualTo(day("17 Mar"));
        assertThat(draft.needs()).containsExactly(new OrderDraft.Need("B", "W", pieces(20), day("17 Mar")));
        assertThat(draft.breaks()).isEmpty();
    }

    /** Per order: A hangs on the order's line; B, bought for A, on nothing, and neither does A where it is made for all. */
    @Test
    void whatIsMadeForOneLineHangsOnIt() {
        Example company = new Example()
                .planned(
                        make("A").leadTimeDays(3).rule(PlanningRule.PER_ORDER),
                        make("B").leadTimeDays(2).rule(PlanningRule.PER_ORDER),
                        buy("C").leadTimeDays(5).rule(PlanningRule.PER_ORDER))
                .bom("A", "B", "2")
                .bom("B", "C", "1")
                .wanted("A", 8, "20 Mar")
                .wanted("C", 1, "20 Mar");
        Plan plan = company.plan();
        OrderDraft draft = Drafting.of(point(plan, "A")).planned(0);
        MadeFor line = new MadeFor(
                point(plan, "A").plannedOrder(0).forOrder(),
                point(plan, "A").plannedOrder(0).forLine());

        assertThat(draft.madeFor()).isEqualTo(line);
        assertThat(draft.as("MO-1", "1", Stage.RELEASED).order().madeFor()).isEqualTo(line);
        // of another quantity it hangs there as well; bought ready-made it does not
        assertThat(Drafting.of(point(plan, "A"))
                        .dueOn(pieces(4), day("20 Mar"))
                        .hangingLike(draft.madeFor())
                        .madeFor())
                .isEqualTo(line);
        assertThat(Drafting.of(point(plan, "C"))
                        .dueOn(pieces(4), day("20 Mar"))
                        .hangingLike(draft.madeFor())
                        .madeFor())
                .isNull();
        assertThat(Drafting.of(point(plan, "B")).planned(0).madeFor()).isNull();
        assertThat(Drafting.of(point(plan, "C")).planned(0).madeFor()).isNull();
        assertThat(Drafting.of(point(company().plan(), "A")).planned(0).madeFor())
                .isNull();
    }

    @Test
    void anotherQuantityAndDueDateMoveTheStartAndTheComponents() {
        // 12 good at 80 %: 15 started, 30 B; due Mon 23 March: starts Wed 18 March
        OrderDraft draft = Drafting.of(point(company().plan(), "A")).dueOn(pieces(12), day("23 Mar"));

        assertThat(draft.startQuantity()).isEqualTo(pieces(15));
        assertThat(draft.startDay()).isEqualTo(day("18 Mar"));
        assertThat(draft.needs()).containsExactly(new OrderDraft.Need("B", "W", pieces(30), day("18 Mar")));
    }

    @Test
    void componentsOfWhichMoreOrLessIsNeededAreTold() {
        Drafting drafting = Drafting.of(point(company().plan(), "A"));
        OrderDraft eight = drafting.planned(0);

        assertThat(NeedChange.between(eight, drafting.dueOn(pieces(12), day("23 Mar"))))
                .containsExactly(new NeedChange("B", pieces(20), pieces(30)));
        assertThat(NeedChange.between(eight, eight.with(List.of(new OrderDraft.Need("C", "W", pieces(7), 0)))))
                .containsExactly(new NeedChange("C", 0, pieces(7)), new NeedChange("B", pieces(20), 0));
        assertThat(NeedChange.between(eight, drafting.dueOn(pieces(8), day("23 Mar"))))
                .isEmpty();
    }

    /** Started today, Monday the 2nd, A is there on Thursday the 5th at the earliest. */
    @Test
    void anOrderIsThereWhenItsLeadTimeAndThePlanAllow() {
        PointView point = point(company().plan(), "A");
        Drafting drafting = Drafting.of(point);

        assertThat(DraftPossible.of(drafting.planned(0), point, null))
                .isEqualTo(new DraftPossible(day("20 Mar"), 0, false));
        OrderDraft tooSoon = drafting.dueOn(pieces(8), day("3 Mar"));
        assertThat(DraftPossible.of(tooSoon, point, null)).isEqualTo(new DraftPossible(day("5 Mar"), 2, false));
        assertThat(DraftPossible.of(tooSoon, point, day("9 Mar"))).isEqualTo(new DraftPossible(day("9 Mar"), 6, true));
        OrderDraft tenth = drafting.dueOn(pieces(8), day("10 Mar"));
        assertThat(DraftPossible.of(tenth, point, day("6 Mar"))).isEqualTo(new DraftPossible(day("10 Mar"), 0, false));
    }

    @Test
    void anotherStartMovesTheDueDate() {
        // starts Thu 5 March, 3 working days: Tue 10 March
        OrderDraft draft = Drafting.of(point(company().plan(), "A")).startingOn(pieces(8), day("5 Mar"));

        assertThat(draft.dueDay()).isEqualTo(day("10 Mar"));
        assertThat(draft.needs()).containsExactly(new OrderDraft.Need("B", "W", pieces(20), day("5 Mar")));
    }

    @Test
    void bothDaysCanBeAsTheyAreWanted() {
        OrderDraft draft = Drafting.of(point(company().plan(), "A")).between(pieces(8), day("9 Mar"), day("20 Mar"));

        assertThat(draft.startDay()).isEqualTo(day("9 Mar"));
        assertThat(draft.dueDay()).isEqualTo(day("20 Mar"));
        assertThat(draft.needs()).containsExactly(new OrderDraft.Need("B", "W", pieces(20), day("9 Mar")));
    }

    @Test
    void modifiersThatAreNotKeptAreNamed() {
        Plan plan = new Example()
                .planned(buy("B").leadTimeDays(5)
                        .minQuantity(pieces(10))
                        .multiple(pieces(5))
                        .maxQuantity(pieces(40)))
                .wanted("B", 3, "20 Mar")
                .plan();

        assertThat(Drafting.of(point(plan, "B"))
                        .dueOn(pieces(10), day("20 Mar"))
                        .breaks())
                .isEmpty();
        assertThat(Drafting.of(point(plan, "B")).dueOn(pieces(7), day("20 Mar")).breaks())
                .containsExactlyInAnyOrder(OrderDraft.Modifier.MINIMUM, OrderDraft.Modifier.MULTIPLE);
        assertThat(Drafting.of(point(plan, "B"))
                        .dueOn(pieces(45), day("20 Mar"))
                        .breaks())
                .containsExactly(OrderDraft.Modifier.MAXIMUM);
    }

    @Test
    void aTransferTakesWhatItSends() {
        Example example = new Example()
                .planned(
                        make("A").leadTimeDays(1),
                        new PlanningData("A", "D", Source.TRANSFER)
                                .fromSite("W")
                                .leadTimeDays(2))
                .wanted("A", "D", 4, "20 Mar", 5);

        OrderDraft draft =
                Drafting.of(example.plan().point("A", "D").orElseThrow()).dueOn(pieces(6), day("20 Mar"));

        assertThat(draft.fromSite()).isEqualTo("W");
        assertThat(draft.needs()).containsExactly(new OrderDraft.Need("A", "W", pieces(6), day("18 Mar")));
    }

    @Test
    void aFirmedDraftTakesThePlaceOfItsPlannedOrder() {
        Plan plan = company().plan();
        Plan firmed =
                plan.after(List.of(Drafting.of(point(plan, "A")).planned(0).as("F1", "1", Stage.FIRMED)));

        // B is needed by the firmed order now: the same 20 on the same day
        assertThat(Example.orders(plan)).containsExactly("A 8: 17 Mar > 20 Mar", "B 20: 10 Mar > 17 Mar");
        assertThat(Example.orders(firmed)).containsExactly("B 20: 10 Mar > 17 Mar");
    }

    @Test
    void thePlanBeforeAndAfterAreToldApart() {
        // 8 A on 20 March; a firmed order for 8 on 25 March instead comes 3 working days too late, so the plan asks to
        // bring it forward; its 20 B are needed on 20 March, not on 17 March
        Plan plan = company().plan();
        OrderDraft later = Drafting.of(point(plan, "A")).dueOn(pieces(8), day("25 Mar"));
        PlanDifference difference =
                PlanDifference.between(plan, plan.after(List.of(later.as("F1", "1", Stage.FIRMED))));

        assertThat(difference.gone().stream().map(o -> o.item() + " " + Example.text(o.dueDay())))
                .containsExactly("A 20 Mar", "B 17 Mar");
        assertThat(difference.come().stream().map(o -> o.item() + " " + Example.text(o.dueDay())))
                .containsExactly("B 20 Mar");
        assertThat(difference.raised().stream().map(Signal::kind)).containsExactly(Signal.Kind.BRING_FORWARD);
        assertThat(difference.lateness()).singleElement().satisfies(late -> {
            assertThat(late.before()).isNull();
            assertThat(late.after()).isEqualTo(day("25 Mar"));
            assertThat(late.better()).isFalse();
        });
    }

    @Test
    void equalPlansDoNotDiffer() {
        PlanDifference none = PlanDifference.between(company().plan(), company().plan());

        assertThat(none).isEqualTo(new PlanDifference(List.of(), List.of(), List.of(), List.of(), List.of()));
    }
}
