package rescient.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Stage;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;

/** What changed from one plan to another, and over several. */
class ChangesTest {
    /** A is made of 2 B in 3 working days, B is bought in 5: 8 A on 20 March start on 17 March, their 16 B on 10 March. */
    private static Plan company() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(3), buy("B").leadTimeDays(5))
                .bom("A", "B", "2");
        example.builder.customerOrder(order("C1", 8, "20 Mar"));
        return example.plan();
    }

    private static CustomerOrderLine order(String number, long pieces, String due) {
        return new CustomerOrderLine(number, "1", "A", "W", Quantity.of(pieces), day(due), 5);
    }

    private static List<OrderChange> changes(Plan before, Plan after) {
        return OrderChange.of(PlanDifference.between(before, after), before, after);
    }

    private static String text(OrderChange change) {
        return change.order().item() + " " + change.kind() + " " + change.ways() + " " + of(change.before()) + " > "
                + of(change.after());
    }

    private static String of(PlannedOrder order) {
        return order == null ? "-" : Quantity.text(order.quantity()) + " on " + Example.text(order.dueDay());
    }

    @Test
    void aRushOrderBringsNewOrders() {
        Plan before = company();
        Plan after = before.after(List.of(new Change.CustomerOrder(order("RUSH", 3, "27 Mar"))));

        // 3 A on 27 March start on 24 March and ask for 6 B there
        assertThat(changes(before, after).stream().map(ChangesTest::text))
                .containsExactlyInAnyOrder("A NEW [] - > 3 on 27 Mar", "B NEW [] - > 6 on 24 Mar");
    }

    @Test
    void anOrderOfOneDayIsTheSameOrderWhateverItsSize() {
        Plan before = company();
        Plan after = before.after(List.of(new Change.CustomerOrder(order("RUSH", 3, "20 Mar"))));

        assertThat(changes(before, after).stream().map(ChangesTest::text))
                .containsExactlyInAnyOrder(
                        "A CHANGED [BIGGER] 8 on 20 Mar > 11 on 20 Mar",
                        "B CHANGED [BIGGER] 16 on 17 Mar > 22 on 17 Mar");
    }

    @Test
    void anOrderOfOneQuantityIsTheSameOrderWheneverItIsDue() {
        Plan before = company();
        Plan after = before.after(List.of(new Change.CustomerOrder(order("C1", 8, "13 Mar"))));

        assertThat(changes(before, after).stream().map(ChangesTest::text))
                .containsExactlyInAnyOrder(
                        "A CHANGED [EARLIER] 8 on 20 Mar > 8 on 13 Mar",
                        "B CHANGED [EARLIER] 16 on 17 Mar > 16 on 10 Mar");
    }

    @Test
    void ordersFarApartAndOfOtherSizeAreNotTheSame() {
        Plan before = company();
        Plan near = before.after(List.of(new Change.CustomerOrder(order("C1", 5, "17 Apr"))));
        Plan far = before.after(List.of(new Change.CustomerOrder(order("C1", 5, "20 Apr"))));

        // 20 March to 17 April are 28 days, to 20 April 31
        assertThat(changes(before, near).stream().map(ChangesTest::text))
                .contains("A CHANGED [LATER, SMALLER] 8 on 20 Mar > 5 on 17 Apr");
        assertThat(changes(before, far).stream().map(ChangesTest::text))
                .contains("A GONE [] 8 on 20 Mar > -", "A NEW [] - > 5 on 20 Apr");
    }

    @Test
    void whatIsFirmedOrReleasedIsNotGone() {
        Plan before = company();
        OrderDraft draft = Drafting.of(before.point("A", "W").orElseThrow()).planned(0);
        OrderDraft other = Drafting.of(before.point("A", "W").orElseThrow()).dueOn(Quantity.of(9), day("19 Mar"));

        assertThat(changes(before, before.after(List.of(draft.as("F1", "1", Stage.FIRMED)))))
                .singleElement()
                .satisfies(change -> {
                    assertThat(change.kind()).isEqualTo(OrderChange.Kind.FIRMED);
                    assertThat(change.became().number()).isEqualTo("F1");
                });
        assertThat(changes(before, before.after(List.of(other.as("M1", "1", Stage.RELEASED)))))
                .anySatisfy(change -> {
                    assertThat(change.kind()).isEqualTo(OrderChange.Kind.RELEASED);
                    assertThat(change.became().quantity()).isEqualTo(Quantity.of(9));
                });
    }

    @Test
    void severalChangesAreToldAsOne() {
        Plan first = company();
        Plan second = first.after(List.of(new Change.CustomerOrder(order("C1", 8, "13 Mar"))));
        Plan third = second.after(List.of(new Change.CustomerOrder(order("C1", 9, "13 Mar"))));
        ChangeLog<String> log = new ChangeLog<>();
        changes(first, second).forEach(change -> log.add(change, List.of("moved")));
        changes(second, third).forEach(change -> log.add(change, List.of("one more")));

        assertThat(log.orders().stream().map(c -> text(c.change()) + " " + c.causes()))
                .containsExactlyInAnyOrder(
                        "A CHANGED [EARLIER, BIGGER] 8 on 20 Mar > 9 on 13 Mar [moved, one more]",
                        "B CHANGED [EARLIER, BIGGER] 16 on 17 Mar > 18 on 10 Mar [moved, one more]");
    }

    @Test
    void whatCameBackDidNotChange() {
        Plan first = company();
        Plan second = first.after(List.of(
                new Change.CustomerOrder(order("C1", 8, "4 Mar")), new Change.CustomerOrder(order("C2", 1, "1 Apr"))));
        Plan third = second.after(
                List.of(new Change.CustomerOrder(order("C1", 8, "20 Mar")), new Change.NoCustomerOrder("C2", "1")));
        ChangeLog<String> log = new ChangeLog<>();
        for (Plan[] step : new Plan[][] {{first, second}, {second, third}}) {
            changes(step[0], step[1]).forEach(change -> log.add(change, List.of()));
            PlanDifference.between(step[0], step[1]).lateness().forEach(late -> log.add(late, List.of()));
        }

        assertThat(PlanDifference.between(first, second).lateness()).isNotEmpty();
        assertThat(log.orders()).isEmpty();
        assertThat(log.lateness()).isEmpty();
    }

    @Test
    void aChangeReachesWhatLiesBelow() {
        Plan plan = company();

        assertThat(Downstream.of(plan, "A", "W").holds("B", "W")).isTrue();
        assertThat(Downstream.of(plan, "B", "W").holds("A", "W")).isFalse();
        assertThat(Downstream.of(plan, "B", "W").holds("B", "W")).isTrue();
        assertThat(Downstream.of(plan, "NONE", "W").holds("A", "W")).isFalse();
    }

    /** The changes of every step, told as one, turn the orders of the first plan into those of the last. */
    @Property(tries = 300)
    void whatChangedAppliedToTheFirstPlanGivesTheLast(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan first = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        Plan plan = first;
        ChangeLog<Integer> log = new ChangeLog<>();
        for (int step = 0; step < 6; step++) {
            Plan next = plan.after(List.of(model.change(), model.change()));
            Set<Integer> cause = Set.of(step);
            changes(plan, next).forEach(change -> log.add(change, cause));
            PlanDifference.between(plan, next).lateness().forEach(late -> log.add(late, cause));
            plan = next;
        }

        Map<Object, Integer> orders = count(first);
        for (ChangeLog.Caused<OrderChange, Integer> told : log.orders()) {
            assertThat(told.causes()).isNotEmpty();
            if (told.change().before() != null) {
                orders.merge(same(told.change().before()), -1, ChangesTest::sum);
            }
            if (told.change().after() != null) {
                orders.merge(same(told.change().after()), 1, ChangesTest::sum);
            }
        }
        assertThat(orders).isEqualTo(count(plan));

        assertThat(log.lateness().stream().map(told -> of(told.change())))
                .containsExactlyInAnyOrderElementsOf(PlanDifference.between(first, plan).lateness().stream()
                        .map(ChangesTest::of)
                        .toList());
    }

    @Property(tries = 200)
    void whatIsCalculatedAnewDiffersLikeWhatIsSharedInMemory(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan before = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        Plan after = before.after(List.of(model.change(), model.change(), model.change()));
        Plan anew = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        PlanDifference shared = PlanDifference.between(before, after);
        PlanDifference apart = PlanDifference.between(before, anew);

        assertThat(apart.gone()).containsExactlyInAnyOrderElementsOf(shared.gone());
        assertThat(apart.come()).containsExactlyInAnyOrderElementsOf(shared.come());
        assertThat(apart.lateness()).containsExactlyInAnyOrderElementsOf(shared.lateness());
        assertThat(apart.silenced()).containsExactlyInAnyOrderElementsOf(shared.silenced());
        assertThat(apart.raised()).containsExactlyInAnyOrderElementsOf(shared.raised());
    }

    private static String of(PlanDifference.Lateness late) {
        return late.number() + " " + late.line() + ": " + late.before() + " > " + late.after();
    }

    /** What two orders that are the same have in common. */
    private static List<Object> same(PlannedOrder order) {
        return Arrays.asList(
                order.item(),
                order.site(),
                order.source(),
                order.supplier(),
                order.fromSite(),
                order.startDay(),
                order.dueDay(),
                order.quantity(),
                order.startQuantity());
    }

    private static Map<Object, Integer> count(Plan plan) {
        Map<Object, Integer> orders = new HashMap<>();
        plan.plannedOrders().forEach(o -> orders.merge(same(o), 1, ChangesTest::sum));
        return orders;
    }

    private static Integer sum(Integer a, Integer b) {
        return a + b == 0 ? null : Integer.valueOf(a + b);
    }
}
