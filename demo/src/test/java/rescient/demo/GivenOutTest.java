package rescient.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.company.Stage;
import rescient.core.compare.PlanDifference;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;

/** Planned orders of the demo company, given out one by one: routings, kits, phantoms, transfers and subcontracting. */
class GivenOutTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final int HORIZON_END = (int) TODAY.plusDays(270).toEpochDay();
    private static Plan plan;

    @BeforeAll
    static void plan() {
        plan = new Planner()
                .plan(
                        Company.snapshot(DatasetReader.read(Path.of("dataset")), TODAY, TODAY.plusDays(270)),
                        PlanOptions.ALL);
    }

    private static PointView point(PlannedOrder order) {
        return plan.point(order.item(), order.site()).orElseThrow();
    }

    /** Item, site, quantity and day, added up where several lines of a bill of materials name the same. */
    private static List<String> added(List<OrderDraft.Need> needs) {
        List<String> texts = new ArrayList<>();
        needs.stream()
                .filter(n -> n.day() <= HORIZON_END)
                .collect(java.util.stream.Collectors.groupingBy(
                        n -> n.item() + " " + n.site() + " " + n.day(),
                        java.util.TreeMap::new,
                        java.util.stream.Collectors.summingLong(OrderDraft.Need::quantity)))
                .forEach((key, sum) -> texts.add(key + " " + Quantity.text(sum)));
        return texts;
    }

    @Test
    void eachNeedsWhatThePlanCountsOn() {
        for (PlannedOrder order : plan.plannedOrders()) {
            PointView point = point(order);
            List<OrderDraft.Need> counted = point.needs(order.sequence()).stream()
                    .map(d -> new OrderDraft.Need(d.item(), d.site(), d.quantity(), d.dueDay()))
                    .toList();
            assertThat(added(Drafting.of(point).planned(order.sequence()).needs()))
                    .as("%s of %s", order.item(), order.dueDay())
                    .isEqualTo(added(counted));
        }
    }

    @Test
    void aDraftForTheSameDayAndQuantityIsTheSameOrder() {
        for (PlannedOrder order : plan.plannedOrders()) {
            OrderDraft planned = Drafting.of(point(order)).planned(order.sequence());
            OrderDraft wanted = Drafting.of(point(order)).dueOn(order.quantity(), order.dueDay());
            // another quantity started can bring the same good quantity after yield
            if (wanted.startQuantity() == planned.startQuantity()) {
                assertThat(wanted.hangingLike(planned.madeFor())).isEqualTo(planned);
            }
            assertThat(wanted.quantity()).isGreaterThanOrEqualTo(order.quantity());
        }
    }

    @Test
    void theDifferencesAppliedToTheOldPlanGiveTheNewOne() {
        PlannedOrder first = plan.plannedOrders().get(0);
        Plan after = plan.after(List.of(Drafting.of(point(first))
                .dueOn(first.quantity() * 2, first.dueDay())
                .as("F", "1", Stage.FIRMED)));
        PlanDifference difference = PlanDifference.between(plan, after);
        List<String> applied = new ArrayList<>(texts(plan.plannedOrders()));
        texts(difference.gone()).forEach(applied::remove);
        applied.addAll(texts(difference.come()));
        assertThat(applied).containsExactlyInAnyOrderElementsOf(texts(after.plannedOrders()));
    }

    private static List<String> texts(List<PlannedOrder> orders) {
        return orders.stream()
                .map(o -> o.item() + " " + o.site() + " " + o.startDay() + " " + o.dueDay() + " "
                        + Quantity.text(o.quantity()))
                .toList();
    }
}
