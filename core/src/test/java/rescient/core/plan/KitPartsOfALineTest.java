package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.CustomerOrderLine.KitPart;
import rescient.core.company.ForecastBucket;
import rescient.core.company.ItemKind;
import rescient.core.company.PeriodUnit;
import rescient.core.promise.Answer;
import rescient.core.promise.Free;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;

/** A kit whose parts are others for one line of a customer order, worked out by hand. Today is Monday 2 March 2026. */
class KitPartsOfALineTest {
    /** K is 2 A and 1 B; both are bought, in 5 and in 10 working days, as is C in 2. */
    private static Example company() {
        Example example =
                new Example().planned(buy("A").leadTimeDays(5), buy("B").leadTimeDays(10), buy("C").leadTimeDays(2));
        return example.item("K", ItemKind.KIT).bom("K", "A", "2").bom("K", "B", "1");
    }

    private static final List<KitPart> OTHERS = List.of(part("A", "1"), part("C", "0.5"));

    private static KitPart part(String component, String each) {
        return new KitPart(component, Ratio.of(new BigDecimal(each)));
    }

    private static CustomerOrderLine line(String number, long kits, String due) {
        return new CustomerOrderLine(number, "1", "K", "W", Quantity.of(kits), day(due), 5);
    }

    /** 5 kits of one A and half a C each: 5 A and 3 C (2.5, rounded up once), and no B. */
    @Test
    void itsPartsAreWhatIsSaidForIt() {
        Example example = company();
        example.builder.customerOrder(line("7", 5, "20 Mar").of(OTHERS)).customerOrder(line("8", 1, "20 Mar"));
        assertThat(Example.orders(example.plan()))
                .containsExactly("A 7: 13 Mar > 20 Mar", "B 1: 6 Mar > 20 Mar", "C 3: 18 Mar > 20 Mar");
    }

    /** 8 kits are forecast in March; the 5 with other parts are among them, so that 3 are left, of 2 A and 1 B each. */
    @Test
    void itTakesFromTheForecastOfTheKit() {
        Example example = company();
        example.builder.forecast(new ForecastBucket("F", "K", "W", day("1 Mar"), PeriodUnit.MONTH, Quantity.of(8)));
        example.builder.customerOrder(line("7", 5, "20 Mar").of(OTHERS));
        assertThat(Example.orders(example.plan()))
                .contains("B 3: 16 Feb > 2 Mar", "C 3: 18 Mar > 20 Mar")
                .anyMatch(order -> order.startsWith("A 6: "))
                .anyMatch(order -> order.startsWith("A 5: "));
    }

    /** Wanted on the 6th: C is there on the 4th, A on the 9th; with B it would have been the 16th. */
    @Test
    void itIsPromisedByItsOwnScarcestPart() {
        Request request = new Request("K", "W", Quantity.of(2), day("6 Mar"), 5, null, OTHERS, null);
        Plan plan = company().plan();
        Answer answer = Promising.of(plan, List.of(request)).get(0);
        assertThat(answer.promisedDay()).isEqualTo(day("9 Mar"));
        assertThat(answer.limitingComponent()).isEqualTo("A");
        Request usual = new Request("K", "W", Quantity.of(2), day("6 Mar"), 5);
        assertThat(Promising.of(plan, List.of(usual)).get(0).promisedDay()).isEqualTo(day("16 Mar"));
    }

    /** 6 A and 1 C are there: of kits with half a C two, of those of the bill none, for want of B. */
    @Test
    void whatIsFreeOfItIsByItsOwnParts() {
        Plan plan = company().stock("A", 6).stock("C", 1).plan();
        assertThat(Free.over(plan, "K", OTHERS, "W", false).apply(day("2 Mar")).quantity())
                .isEqualTo(Quantity.of(2));
        assertThat(Free.on(plan, "K", "W", day("2 Mar")).quantity()).isZero();
    }

    @Test
    void aPlanThatFollowsIsTheFullPlan() {
        Plan plan = company().plan();
        CustomerOrderLine usual = line("7", 5, "20 Mar");
        for (CustomerOrderLine line : List.of(usual, usual.of(OTHERS), usual.of(OTHERS.subList(0, 1)), usual)) {
            plan = plan.after(List.of(new Change.CustomerOrder(line)));
            Example full = company();
            full.builder.customerOrder(line);
            assertThat(plan.plannedOrders()).isEqualTo(full.plan().plannedOrders());
        }
    }
}
