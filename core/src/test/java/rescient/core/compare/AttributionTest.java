package rescient.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Signal;

/**
 * A is made of 2 B, which P1 was to bring on Monday 2 March; C has nothing to do with them. On Tuesday it has not come, and
 * customers want more of everything.
 */
class AttributionTest {
    private static Example company(String today) {
        return new Example(day(today))
                .planned(make("A").leadTimeDays(3), buy("B").leadTimeDays(5), buy("C").leadTimeDays(1))
                .bom("A", "B", "2")
                .open("P1", Source.BUY, Stage.RELEASED, "B", 16, "2 Mar")
                .wanted("A", 8, "20 Mar");
    }

    private static Plan more(String today) {
        return company(today)
                .wanted("A", 3, "27 Mar")
                .wanted("C", 4, "27 Mar")
                .wanted("A", 1, "4 Mar")
                .plan();
    }

    private static List<String> orders(Attribution attribution) {
        return attribution.orders().stream()
                .map(o -> o.change().order().item() + " " + o.by())
                .distinct()
                .toList();
    }

    @Test
    void aReceiptThatDidNotComeIsTheCauseWhereItIsMissedAndBelowAndOfWhatIsLateAbove() {
        Attribution attribution = Attribution.between(company("2 Mar").plan(), more("3 Mar"), 2, 100);
        assertThat(attribution.receipts()).extracting(Signal::orderNumber).containsExactly("P1");
        // two causes are known besides; the receipt is the third
        assertThat(orders(attribution)).containsExactlyInAnyOrder("A [0, 1]", "B [2]", "C [0, 1]");
        assertThat(attribution.late()).isNotEmpty().allSatisfy(late -> {
            assertThat(late.change().item()).isEqualTo("A");
            assertThat(late.by()).containsExactly(2);
        });
        assertThat(attribution.left()).isZero();
    }

    @Test
    void onTheSameDayNothingIsMissing() {
        Attribution attribution = Attribution.between(company("2 Mar").plan(), more("2 Mar"), 1, 100);
        assertThat(attribution.receipts()).isEmpty();
        assertThat(orders(attribution)).containsExactlyInAnyOrder("A [0]", "B [0]", "C [0]");
        assertThat(attribution.late())
                .isNotEmpty()
                .allSatisfy(late -> assertThat(late.by()).containsExactly(0));
    }

    /** The plan counts on it today, so that with every day it does not come what waits for it moves again. */
    @Test
    void whatDoesNotComeForAnotherDayIsTheCauseAgain() {
        Attribution attribution = Attribution.between(company("3 Mar").plan(), more("4 Mar"), 1, 100);
        assertThat(attribution.receipts()).extracting(Signal::orderNumber).containsExactly("P1");
    }

    @Test
    void anOrderThatCameInOverdueIsNoCause() {
        Plan without =
                new Example(day("2 Mar")).planned(buy("B").leadTimeDays(5)).plan();
        assertThat(Attribution.between(without, company("3 Mar").plan(), 1, 100).receipts())
                .isEmpty();
    }

    @Test
    void ofVeryManyChangesTheRestIsCounted() {
        Attribution all = Attribution.between(company("2 Mar").plan(), more("2 Mar"), 1, 100);
        Attribution some = Attribution.between(company("2 Mar").plan(), more("2 Mar"), 1, 2);
        assertThat(some.orders()).isEqualTo(all.orders().subList(0, 2));
        assertThat(some.left()).isEqualTo(all.orders().size() - 2);
    }
}
