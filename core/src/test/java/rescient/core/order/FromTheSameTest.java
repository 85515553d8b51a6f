package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;

/** S sells A and B, T sells C, and M is made: what could go out together with an order to S. */
class FromTheSameTest {
    private static final FromTheSame.Purchase S = new FromTheSame.Purchase("S", "W");
    private static final FromTheSame.Purchase T = new FromTheSame.Purchase("T", "W");

    private static Plan company() {
        return new Example()
                .planned(buy("A"), buy("B").leadTimeDays(5), buy("C").supplier("T"), make("M"))
                .wanted("A", 5, "10 Mar")
                .wanted("A", 7, "20 Mar")
                .wanted("B", 3, "13 Mar")
                .wanted("C", 4, "10 Mar")
                .wanted("M", 2, "10 Mar")
                .plan();
    }

    private static List<String> items(Map<FromTheSame.Purchase, List<PlannedOrder>> found, FromTheSame.Purchase of) {
        return found.getOrDefault(of, List.of()).stream()
                .map(o -> o.item() + " " + Example.text(o.dueDay()))
                .toList();
    }

    /** B is due after the first A, but has to start before it. */
    @Test
    void whatIsDueInTimeInTheOrderInWhichItStarts() {
        Map<FromTheSame.Purchase, List<PlannedOrder>> found = FromTheSame.of(company(), Set.of(S), day("13 Mar"));
        assertThat(items(found, S)).containsExactly("B 13 Mar", "A 10 Mar");
        assertThat(found).containsOnlyKeys(S);
    }

    @Test
    void severalSuppliersAtOnceEachWithItsOwn() {
        Map<FromTheSame.Purchase, List<PlannedOrder>> found =
                FromTheSame.of(company(), Set.of(S, T, new FromTheSame.Purchase("S", "D")), day("31 Mar"));
        assertThat(items(found, S)).containsExactly("B 13 Mar", "A 10 Mar", "A 20 Mar");
        assertThat(items(found, T)).containsExactly("C 10 Mar");
        assertThat(found).containsOnlyKeys(S, T);
    }

    @Test
    void nothingIsDueYet() {
        assertThat(FromTheSame.of(company(), Set.of(S), day("6 Mar"))).isEmpty();
    }

    @Test
    void whatIsFirmedCanGoTooWhatIsReleasedIsGone() {
        Example example = new Example().planned(buy("A"), buy("B"));
        for (Stage stage : Stage.values()) {
            example.builder.openOrder(new OpenOrder(
                    stage.name(),
                    "1",
                    Source.BUY,
                    stage,
                    "A",
                    "W",
                    null,
                    "S",
                    Quantity.ONE,
                    day("10 Mar"),
                    day("3 Mar"),
                    false));
        }
        example.builder.openOrder(new OpenOrder(
                "LATER",
                "1",
                Source.BUY,
                Stage.FIRMED,
                "B",
                "W",
                null,
                "S",
                Quantity.ONE,
                day("20 Mar"),
                day("3 Mar"),
                false));
        Plan plan = example.plan();
        assertThat(FromTheSame.firmed(plan, Set.of(S, T), day("13 Mar")))
                .containsOnlyKeys(S)
                .hasEntrySatisfying(
                        S,
                        orders ->
                                assertThat(orders).extracting(OpenOrder::number).containsExactly("FIRMED"));
    }
}
