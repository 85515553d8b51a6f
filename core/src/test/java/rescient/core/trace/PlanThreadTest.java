package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.promise.Promise;
import rescient.core.snapshot.DatingOrder;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;

/** Threads: today is Monday 2 March 2026, Monday to Friday work. */
class PlanThreadTest {
    /** Depth, kind, item, dates and what it adds: "1 PLANNED A 4 Mar > 6 Mar, possible 18 Mar, adds 0". */
    private static List<String> lines(PlanThread thread) {
        return thread.bars().stream()
                .map(b -> b.depth() + " " + b.kind() + " " + b.item()
                        + (b.startDay() == OpenOrder.NO_DAY ? " " : " " + Example.text(b.startDay()) + " > ")
                        + Example.text(b.dueDay())
                        + (b.possibleDay() == null ? ", never" : ", possible " + Example.text(b.possibleDay()))
                        + (b.deciding() ? ", adds " + b.addsDays() : ""))
                .toList();
    }

    private static Example chair() {
        return new Example()
                .planned(
                        make("CHAIR").leadTimeDays(2),
                        buy("SEAT").leadTimeDays(10),
                        buy("LEG").leadTimeDays(1))
                .bom("CHAIR", "SEAT", "1")
                .bom("CHAIR", "LEG", "4");
    }

    /**
     * The chair is wanted on Friday 6 March and starts on Wednesday the 4th. A seat ordered today comes 10 working days
     * later, on Monday 16 March, 12 calendar days after the 4th; those are 8 working days, and 8 working days after the
     * 6th is the 18th, 12 calendar days late. Three legs are on hand, 37 are bought the day before.
     */
    @Test
    void theChainThatDecidesComesFirstAndAddsUpToTheLateness() {
        Plan plan = chair().stock("LEG", 3).wanted("CHAIR", 10, "6 Mar").plan();

        assertThat(lines(PlanThread.ofCustomerOrder(plan, "3")))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 6 Mar, possible 18 Mar, adds 0",
                        "1 PLANNED CHAIR 4 Mar > 6 Mar, possible 18 Mar, adds 0",
                        "2 PLANNED SEAT 18 Feb > 4 Mar, possible 16 Mar, adds 12",
                        "2 PLANNED LEG 3 Mar > 4 Mar, possible 4 Mar",
                        "2 STOCK LEG 2 Mar, possible 2 Mar");
    }

    /**
     * Wanted on Monday 9 March, the chair starts on Thursday the 5th. The seat of the 16th is 11 days late, 7 working
     * days; 7 working days after the 9th is the 18th, 9 days late: the weekend between the 5th and the 9th is no longer
     * in the way, so the chair adds -2.
     */
    @Test
    void aWeekendThatIsNoLongerInTheWayIsTakenOff() {
        Plan plan = chair().stock("LEG", 40).wanted("CHAIR", 10, "9 Mar").plan();

        assertThat(lines(PlanThread.ofCustomerOrder(plan, "3")))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 9 Mar, possible 18 Mar, adds 0",
                        "1 PLANNED CHAIR 5 Mar > 9 Mar, possible 18 Mar, adds -2",
                        "2 PLANNED SEAT 19 Feb > 5 Mar, possible 16 Mar, adds 11",
                        "2 STOCK LEG 2 Mar, possible 2 Mar");
    }

    @Test
    void levelsAreCountedBelowTheOrderForTheWantedItem() {
        Plan plan = chair().stock("LEG", 40)
                .wanted("CHAIR", 10, "6 Mar")
                .wanted("SEAT", 1, "4 Mar")
                .plan();

        assertThat(PlanThread.ofCustomerOrder(plan, "3").levelsDown("1")).isEqualTo(1);
        assertThat(PlanThread.ofCustomerOrder(plan, "4").levelsDown("1")).isZero();
        assertThat(PlanThread.ofCustomerOrder(plan, "4").levelsDown("none")).isZero();
    }

    /** One purchase of 20 seats serves both chair orders of the 20th: it stands once, and for the second too. */
    @Test
    void anOrderStandsOnceAndSaysWhoElseWaitsForIt() {
        Plan plan = chair().stock("LEG", 100)
                .planned(buy("SEAT")
                        .leadTimeDays(3)
                        .rule(PlanningRule.FIXED_QUANTITY)
                        .fixedQuantity(Quantity.of(20)))
                .open("M1", Source.MAKE, Stage.FIRMED, "CHAIR", 10, "20 Mar", "18 Mar", false)
                .stillToIssue("M1", "SEAT", 10, "18 Mar")
                .wanted("CHAIR", 20, "20 Mar")
                .plan();
        PlanThread thread = PlanThread.ofCustomerOrder(plan, "3");

        PlanThread.Bar seats = thread.bars().stream()
                .filter(b -> b.item().equals("SEAT"))
                .reduce((a, b) -> {
                    throw new AssertionError("twice");
                })
                .orElseThrow();
        assertThat(seats.quantity()).isEqualTo(Quantity.of(20));
        assertThat(seats.alsoFor()).hasSize(1);
        assertThat(thread.bars().get(seats.alsoFor().get(0)).item()).isEqualTo("CHAIR");
    }

    /** Nothing says how a varnish is replenished, so the chair can never be there. */
    @Test
    void whatHasNoSupplyIsMissing() {
        Plan plan = new Example()
                .planned(make("CHAIR").leadTimeDays(2))
                .items("VARNISH")
                .bom("CHAIR", "VARNISH", "1")
                .wanted("CHAIR", 1, "20 Mar")
                .plan();

        assertThat(lines(PlanThread.ofCustomerOrder(plan, "2")))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 20 Mar, never, adds 0",
                        "1 PLANNED CHAIR 18 Mar > 20 Mar, never, adds 0",
                        "2 MISSING VARNISH 18 Mar, never, adds null");
    }

    /** An order has all that waits for it above it, and all it waits for below. */
    @Test
    void ofAnOrderAndOfAStockPoint() {
        Plan plan = chair().stock("LEG", 40)
                .open("P7", Source.BUY, Stage.RELEASED, "SEAT", 10, "13 Mar")
                .wanted("CHAIR", 10, "20 Mar")
                .plan();

        assertThat(lines(PlanThread.ofPlanned(plan, "CHAIR", "W", 0)))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 20 Mar, possible 20 Mar, adds 0",
                        "1 PLANNED CHAIR 18 Mar > 20 Mar, possible 20 Mar, adds 0",
                        "2 OPEN SEAT 13 Mar, possible 13 Mar",
                        "2 STOCK LEG 2 Mar, possible 2 Mar");
        // the legs from stock do not lead to the seats
        assertThat(lines(PlanThread.ofOpen(plan, "P7", "1")))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 20 Mar, possible 20 Mar, adds 0",
                        "1 PLANNED CHAIR 18 Mar > 20 Mar, possible 20 Mar, adds 0",
                        "2 OPEN SEAT 13 Mar, possible 13 Mar");
        assertThat(lines(PlanThread.ofPoint(plan, "SEAT", "W")))
                .containsExactly("0 OPEN SEAT 13 Mar, possible 13 Mar, adds 0");
        assertThat(PlanThread.ofCustomerOrder(plan, "none").bars()).isEmpty();
        assertThat(PlanThread.ofOpen(plan, "none", "1").bars()).isEmpty();
    }

    /**
     * The chair is 12 days late for want of seats, as above. Nothing of that is seen in the thread of its legs, and neither
     * the chair nor the legs add anything to it.
     */
    @Test
    void whatDecidesElsewhereIsNotBlamedOnWhatIsShown() {
        Plan plan = chair().stock("LEG", 3).wanted("CHAIR", 10, "6 Mar").plan();

        assertThat(lines(PlanThread.ofPlanned(plan, "LEG", "W", 0)))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 6 Mar, possible 18 Mar, adds 0",
                        "1 PLANNED CHAIR 4 Mar > 6 Mar, possible 18 Mar, adds 0",
                        "2 PLANNED LEG 3 Mar > 4 Mar, possible 4 Mar");
    }

    /** One purchase for both chair orders, of which the earlier comes first; what tops up the stock serves nobody. */
    @Test
    void allThatWaitForAnOrderStandAboveIt() {
        Plan plan = chair().stock("LEG", 100)
                .planned(buy("SEAT")
                        .leadTimeDays(3)
                        .safetyStock(Quantity.of(5))
                        .rule(PlanningRule.PERIOD)
                        .period(4, PeriodUnit.WEEK))
                .stock("SEAT", 5)
                .wanted("CHAIR", 4, "27 Mar")
                .wanted("CHAIR", 6, "20 Mar")
                .plan();

        assertThat(lines(PlanThread.ofPlanned(plan, "SEAT", "W", 0)).stream().map(l -> l.split(",")[0]))
                .containsExactly(
                        "0 CUSTOMER_ORDER CHAIR 20 Mar",
                        "1 PLANNED CHAIR 18 Mar > 20 Mar",
                        "2 PLANNED SEAT 13 Mar > 18 Mar",
                        "0 CUSTOMER_ORDER CHAIR 27 Mar",
                        "1 PLANNED CHAIR 25 Mar > 27 Mar");
    }

    @Property(tries = 200)
    void theThreadOfEveryOrderHoldsItOnceAndBeginsWithWhatNothingWaitsFor(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        for (PlannedOrder order : plan.plannedOrders()) {
            PlanThread thread = PlanThread.ofPlanned(plan, order.item(), order.site(), order.sequence());
            assertThat(thread.bars().stream()
                            .filter(b -> b.kind() == PlanThread.Kind.PLANNED
                                    && b.item().equals(order.item())
                                    && b.site().equals(order.site())
                                    && b.sequence() == order.sequence()))
                    .hasSize(1);
            for (int i = 0; i < thread.bars().size(); i++) {
                PlanThread.Bar bar = thread.bars().get(i);
                assertThat(bar.above()).isLessThan(i);
                assertThat(bar.depth() == 0).isEqualTo(bar.above() < 0);
            }
        }
    }

    /** Both chairs wait for the seats of the 16th; the leg is sold from stock. A kit of both is met with the chair. */
    @Test
    void everyCustomerOrderHasADayOnWhichItCanBeMet() {
        Plan plan = chair().item("SET", ItemKind.KIT)
                .bom("SET", "LEG", "1")
                .bom("SET", "CHAIR", "1")
                .stock("LEG", 60)
                .wanted("LEG", 3, "4 Mar")
                .wanted("CHAIR", 10, "6 Mar")
                .wanted("SET", 1, "6 Mar")
                .wanted("CHAIR", 1, "20 Mar")
                .plan();

        assertThat(Promise.of(plan).stream()
                        .map(p -> p.line().item() + " " + Example.text(p.line().dueDay()) + " > "
                                + Example.text(p.possibleDay()) + (p.late() ? ", " + p.causeItem() : "")))
                .containsExactly(
                        "LEG 4 Mar > 4 Mar",
                        "CHAIR 6 Mar > 18 Mar, SEAT",
                        "SET 6 Mar > 18 Mar, SEAT",
                        "CHAIR 20 Mar > 20 Mar");
    }

    @Property(tries = 300)
    void lateLinesAndPromisesSayTheSame(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        assertThat(Promise.of(plan).stream()
                        .filter(p -> p.late() && p.possibleDay() != null)
                        .map(p ->
                                p.line().number() + " " + p.possibleDay() + " " + p.causeItem() + " " + p.causeSite()))
                .containsExactlyInAnyOrderElementsOf(plan.lateLines().stream()
                        .map(s -> s.orderNumber() + " " + s.newDay() + " " + s.causeItem() + " " + s.causeSite())
                        .toList());
    }

    @Property(tries = 500)
    void theDecidingChainAddsUpAndEndsAtTheCulprit(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        for (Signal late : plan.lateLines()) {
            PlanThread thread = PlanThread.ofCustomerOrder(plan, late.orderNumber());
            List<PlanThread.Bar> deciding =
                    thread.bars().stream().filter(PlanThread.Bar::deciding).toList();
            assertThat(deciding.stream().mapToInt(PlanThread.Bar::addsDays).sum())
                    .isEqualTo(late.days());
            PlanThread.Bar culprit = deciding.get(deciding.size() - 1);
            // where orders wait for each other in a circle, one met again decides nothing; and a phantom that an order
            // needed before today is passed through and has no bar of its own
            boolean passedThrough =
                    plan.point(late.causeItem(), late.causeSite()).orElseThrow().passedThrough();
            if (plan.snapshot().waves != DatingOrder.NONE && !passedThrough) {
                assertThat(culprit.item() + " " + culprit.site()).isEqualTo(late.causeItem() + " " + late.causeSite());
            }
        }
    }
}
