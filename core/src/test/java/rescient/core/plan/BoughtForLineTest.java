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
import rescient.core.company.Earmark;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.SupplierTerms;
import rescient.core.promise.Answer;
import rescient.core.promise.Free;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;

/** Section 1 of the demand rules, "bought for one line", worked out by hand. Today is Monday 2 March 2026. */
class BoughtForLineTest {
    private static final String FOR_LINE = "A → 7 / 1";

    /** A is bought in 5 working days, never fewer than 10; 4 are there. */
    private static Example company() {
        return new Example()
                .planned(buy("A").leadTimeDays(5).minQuantity(Quantity.of(10)))
                .stock("A", 4);
    }

    private static CustomerOrderLine line(String number, long pieces, String due) {
        return new CustomerOrderLine(number, "1", "A", "W", Quantity.of(pieces), day(due), 5);
    }

    private static SupplierTerms terms(String supplier, int days) {
        return new SupplierTerms(
                supplier, "A", null, 1_000_000, days, Quantity.of(50), Quantity.NOT_SET, Quantity.NOT_SET, 1);
    }

    @Test
    void itsCodeTellsTheItemAndTheLine() {
        assertThat(new Earmark("A", "7", "1").code()).isEqualTo(FOR_LINE);
        assertThat(Earmark.of(FOR_LINE)).isEqualTo(new Earmark("A", "7", "1"));
        assertThat(Earmark.of("A")).isNull();
        assertThat(Earmark.item(FOR_LINE)).isEqualTo("A");
        assertThat(Earmark.item("A → B")).isEqualTo("A → B");
    }

    /** Exactly 5, though 4 are there and 10 is the minimum: receipt(Friday the 20th) is two working days before. */
    @Test
    void itHasItsOwnPurchaseOfExactlyItsQuantity() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5).minQuantity(Quantity.of(10)).safetyTimeDays(2))
                .stock("A", 4);
        example.builder.customerOrder(line("7", 5, "20 Mar").boughtBy(null, false));
        Plan plan = example.plan();
        assertThat(Example.orders(plan)).containsExactly(FOR_LINE + " 5: 11 Mar > 18 Mar");
        PlannedOrder order = plan.plannedOrders().get(0);
        assertThat(List.of(order.forOrder(), order.forLine(), order.supplier())).containsExactly("7", "1", "S");
        assertThat(Example.balances(plan, "A")).containsExactly("2 Mar 4");
    }

    /** Sunday the 22nd is the due day all the same; three working days of the supplier before it, from Friday on, is Tuesday. */
    @Test
    void whatTheSupplierShipsIsDueOnTheDayItself() {
        Example example = company();
        example.builder.supplier("T", null).supplierTerms(terms("T", 3));
        example.builder.customerOrder(line("7", 5, "22 Mar").boughtBy("T", true));
        Plan plan = example.plan();
        assertThat(Example.orders(plan)).containsExactly(FOR_LINE + " 5: 17 Mar > 22 Mar");
        assertThat(plan.plannedOrders().get(0).supplier()).isEqualTo("T");
    }

    /** Five working days from Monday: it is there on Monday the 9th, and bought to be there on the 4th. */
    @Test
    void itIsPossibleLikeAnyPurchase() {
        Example example = company();
        example.builder.customerOrder(line("7", 5, "4 Mar").boughtBy(null, false));
        Plan plan = example.plan();
        assertThat(Example.signals(plan))
                .containsExactlyInAnyOrder(
                        "demand_late 7 4 Mar > 9 Mar", "start_overdue " + FOR_LINE + " 25 Feb > 4 Mar");
    }

    /** What is bought in the works otherwise made: at the supplier whom the line names. */
    @Test
    void whatIsMadeCanBeBoughtForALine() {
        Example example = new Example().planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(1));
        example.bom("A", "B", "2");
        example.builder.supplier("T", null).supplierTerms(terms("T", 3));
        example.builder.customerOrder(line("7", 5, "20 Mar").boughtBy("T", false));
        assertThat(Example.orders(example.plan())).containsExactly(FOR_LINE + " 5: 17 Mar > 20 Mar");
    }

    /** 8 are forecast in March; the line takes none of them, nor of the 4 that are free. */
    @Test
    void itTakesNothingFromTheForecastNorFromWhatIsFree() {
        Example example = company();
        example.builder.forecast(new ForecastBucket("F", "A", "W", day("1 Mar"), PeriodUnit.MONTH, Quantity.of(8)));
        example.builder.customerOrder(line("7", 5, "20 Mar").boughtBy(null, false));
        Plan plan = example.plan();
        assertThat(Example.orders(plan)).contains("A 10: 23 Feb > 2 Mar", FOR_LINE + " 5: 13 Mar > 20 Mar");
        assertThat(Free.on(plan, "A", "W", day("20 Mar")).quantity()).isEqualTo(Quantity.of(4));
    }

    /** Of 5, an order for 3 is on its way; it serves nobody else, and without the line nobody needs it. */
    @Test
    void anOrderThatIsOpenForItServesItAlone() {
        Example example = company().open("P1", Source.BUY, Stage.RELEASED, FOR_LINE, 3, "18 Mar");
        example.wanted("A", 6, "20 Mar");
        example.builder.customerOrder(line("7", 5, "20 Mar").boughtBy(null, false));
        Plan plan = example.plan();
        assertThat(Example.orders(plan)).containsExactly("A 10: 13 Mar > 20 Mar", FOR_LINE + " 2: 13 Mar > 20 Mar");
        Plan without = plan.after(List.of(new Change.NoCustomerOrder("7", "1")));
        assertThat(Example.signals(without)).contains("cancel P1 18 Mar");
    }

    /** Of 5, 2 were received for the line; the 4 others are for all, and an order for 6 takes none of the 2. */
    @Test
    void whatWasReceivedForItIsForItAlone() {
        Example example = company().stock(FOR_LINE, 2).wanted("A", 6, "20 Mar");
        example.builder.customerOrder(line("7", 5, "20 Mar").boughtBy(null, false));
        Plan plan = example.plan();
        assertThat(Example.orders(plan)).containsExactly("A 10: 13 Mar > 20 Mar", FOR_LINE + " 3: 13 Mar > 20 Mar");
        assertThat(Free.on(plan, "A", "W", day("2 Mar")).quantity()).isZero();
        Plan sent = plan.after(List.of(new Change.NoStock(FOR_LINE, "W", null, null)));
        assertThat(Example.orders(sent)).contains(FOR_LINE + " 5: 13 Mar > 20 Mar");
    }

    /** A line bought for is there after five working days, whatever is wanted; nobody who was promised the 4 is harmed. */
    @Test
    void itsPromiseIsThePurchase() {
        Example example = company();
        example.wanted("A", 4, "3 Mar");
        Request own = new Request(
                "A",
                "W",
                Quantity.of(5),
                day("4 Mar"),
                5,
                new CustomerOrderLine.BoughtForLine(null, false),
                null,
                null);
        Answer answer = Promising.of(example.plan(), List.of(own)).get(0);
        assertThat(answer.promisedDay()).isEqualTo(day("9 Mar"));
        assertThat(answer.available()).isZero();
        assertThat(answer.causeItem()).isEqualTo("A");
        assertThat(answer.limitingComponent()).isNull();
    }

    /** The same line from stock, then bought for, then gone: each time the plan is that of a company where it always was so. */
    @Test
    void aPlanThatFollowsIsTheFullPlan() {
        Plan plan = company().plan();
        CustomerOrderLine fromStock = line("7", 5, "20 Mar");
        for (CustomerOrderLine line :
                List.of(fromStock, fromStock.boughtBy("S", false), fromStock.boughtBy("S", true), fromStock)) {
            plan = plan.after(List.of(new Change.CustomerOrder(line)));
            Example full = company();
            full.builder.customerOrder(line);
            assertThat(plan.plannedOrders()).isEqualTo(full.plan().plannedOrders());
            assertThat(plan.points()).hasSameSizeAs(full.plan().points());
        }
    }
}
