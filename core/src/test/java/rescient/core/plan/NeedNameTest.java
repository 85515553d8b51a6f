package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.snapshot.DemandKind;

/** By what planned orders are known again. */
class NeedNameTest {
    private static List<NeedName> names(Plan plan, String item) {
        return NeedName.of(plan.point(item, "W").orElseThrow());
    }

    @Test
    void anOrderKeepsItsNameWhenItsDayAndQuantityChange() {
        Example company =
                new Example().planned(make("A").leadTimeDays(3), buy("B")).bom("A", "B", "2");
        company.builder.customerOrder(new CustomerOrderLine("C1", "1", "A", "W", Quantity.of(8), day("20 Mar"), 5));
        Plan before = company.plan();
        Plan after = before.after(List.of(new Change.CustomerOrder(
                new CustomerOrderLine("C1", "1", "A", "W", Quantity.of(5), day("13 Mar"), 5))));

        assertThat(names(before, "A")).containsExactly(new NeedName(DemandKind.CUSTOMER_ORDER, "C1", "1", 0));
        assertThat(names(after, "A")).isEqualTo(names(before, "A"));
        // what it serves first is the A above it, wherever that moves to
        assertThat(names(before, "B")).containsExactly(new NeedName(DemandKind.COMPONENT, "A", "W", 0));
        assertThat(names(after, "B")).isEqualTo(names(before, "B"));
    }

    /** 10 on one day with at most 4 in an order: three orders that serve the same line. */
    @Test
    void ordersThatServeTheSameAreToldApartByTheirPlace() {
        Plan plan = new Example()
                .planned(buy("A").maxQuantity(Quantity.of(4)))
                .wanted("A", 10, "20 Mar")
                .plan();
        assertThat(names(plan, "A")).extracting(NeedName::place).containsExactly(0, 1, 2);
        assertThat(names(plan, "A")).extracting(NeedName::document).containsOnly("1");
    }

    @Test
    void whatOnlyFillsTheStockIsNamedByThat() {
        Plan plan = new Example().planned(buy("A").safetyStock(Quantity.of(6))).plan();
        assertThat(names(plan, "A")).containsExactly(new NeedName(null, null, null, 0));
    }

    @Test
    void theOrderDueNearestStandsInThePlaceOfOneThatIsGone() {
        Plan plan = new Example()
                .planned(buy("A"))
                .wanted("A", 5, "10 Mar")
                .wanted("A", 7, "20 Mar")
                .plan();
        assertThat(plan.nearest("A", "W", day("14 Mar")).orElseThrow().dueDay()).isEqualTo(day("10 Mar"));
        assertThat(plan.nearest("A", "W", day("16 Mar")).orElseThrow().dueDay()).isEqualTo(day("20 Mar"));
        assertThat(plan.nearest("A", "D", day("16 Mar"))).isEmpty();
        assertThat(plan.nearest("NONE", "W", day("16 Mar"))).isEmpty();
    }
}
