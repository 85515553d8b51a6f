package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Alternative;
import rescient.core.company.ItemKind;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.Supply;

/** Another item in the place of one that comes too late. */
class SubstitutionTest {
    /** Three halves of a piece of the alternative for one piece. */
    private static final Alternative X_FOR_B =
            new Alternative("B", "X", Ratio.of(new BigDecimal("1.5")), Quantity.step(0), Quantity.step(0));

    private static long pieces(long n) {
        return Quantity.of(n);
    }

    private static OrderDraft.Need need(String item, long pieces, String day) {
        return new OrderDraft.Need(item, "W", pieces(pieces), day(day));
    }

    /** 5 A for Tue 3 March, made in a day of 2 B each; 4 B lie in stock and the other 6 take four weeks. X is in stock. */
    private static Example company() {
        return new Example()
                .planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(20), buy("X").leadTimeDays(20))
                .bom("A", "B", "2")
                .stock("B", 4)
                .stock("X", 20)
                .wanted("A", 5, "3 Mar");
    }

    private static Substitution used(Plan plan, Alternative alternative) {
        Substitution substitution = new Substitution(plan, user -> {
            throw new AssertionError("There is no open order");
        });
        substitution.use(
                plan.point("B", "W").orElseThrow(),
                supply -> supply.kind() == Supply.Kind.PLANNED,
                above -> alternative);
        return substitution;
    }

    @Test
    void onlyWhatComesTooLateIsTakenAsTheAlternative() {
        // 10 B, 4 of them in stock: 6 x 1.5 = 9 X instead of the other 6
        Plan plan = company().plan();
        Substitution substitution = used(plan, X_FOR_B);

        assertThat(substitution.instead()).isEqualTo(pieces(6));
        assertThat(substitution.used()).isEqualTo(pieces(9));
        assertThat(substitution.changed()).hasSize(1);
        Substitution.Changed changed = substitution.changed().get(0);
        assertThat(changed.before().needs()).containsExactly(need("B", 10, "2 Mar"));
        assertThat(changed.after().needs()).containsExactly(need("B", 4, "2 Mar"), need("X", 9, "2 Mar"));
    }

    @Test
    void theOrderIsNoLongerLateWithWhatItNeedsInstead() {
        Plan plan = company().plan();
        // B ordered on Mon 2 March is there on Mon 30 March, and A a day later
        assertThat(plan.point("A", "W").orElseThrow().plannedOrder(0).possibleDay())
                .isEqualTo(day("31 Mar"));

        OrderDraft otherwise = used(plan, X_FOR_B).changed().get(0).after();
        Plan after = plan.after(List.of(otherwise.as("F1", "1", Stage.FIRMED)));
        assertThat(Example.orders(after)).isEmpty();
        assertThat(after.point("A", "W").orElseThrow().possibleDay("F1", "1")).isEqualTo(day("3 Mar"));
    }

    @Test
    void aFractionOfTheAlternativeIsRoundedUp() {
        // 3 pieces x 1.5 = 4.5: 5
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(20), buy("X").leadTimeDays(20))
                .bom("A", "B", "1")
                .wanted("A", 3, "3 Mar")
                .plan();
        assertThat(used(plan, X_FOR_B).used()).isEqualTo(pieces(5));
    }

    @Test
    void whatTheSameLotBringsInTimeStays() {
        // one lot of B for 6 that are late and 8 for A on 15 April: only the 6 are taken as X
        Example company = new Example()
                .planned(
                        make("A").leadTimeDays(1),
                        buy("B").leadTimeDays(20).minQuantity(pieces(50)),
                        buy("X").leadTimeDays(20))
                .bom("A", "B", "2")
                .stock("B", 4)
                .wanted("A", 5, "3 Mar")
                .wanted("A", 4, "15 Apr");
        Plan plan = company.plan();
        assertThat(Example.orders(plan)).contains("B 50: 2 Feb > 2 Mar");
        Substitution substitution = used(plan, X_FOR_B);
        assertThat(substitution.instead()).isEqualTo(pieces(6));
        assertThat(substitution.changed()).hasSize(1);
    }

    @Test
    void whatCustomersAndOtherSitesTakeStaysAsItIs() {
        Plan plan = company().wanted("B", 7, "2 Mar").plan();
        // the 7 B of the customer come first (documents before planned orders of the day): 4 from stock, 3 late
        Substitution substitution = used(plan, X_FOR_B);
        assertThat(substitution.instead()).isEqualTo(pieces(10));
        assertThat(substitution.changed()).hasSize(1);
    }

    @Test
    void anOrderInWhichItIsNotAllowedKeepsItsNeeds() {
        Plan plan = company().plan();
        Substitution substitution = new Substitution(plan, user -> null);
        substitution.use(
                plan.point("B", "W").orElseThrow(),
                supply -> supply.kind() == Supply.Kind.PLANNED,
                above -> above.contains("Z") ? X_FOR_B : null);
        assertThat(substitution.changed()).isEmpty();
        assertThat(substitution.instead()).isZero();
    }

    @Test
    void anOpenOrderUsesItForWhatItStillHasToIssue() {
        Plan plan = company()
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 2, "5 Mar")
                .stillToIssue("M1", "B", 3, "4 Mar")
                .plan();
        // M1 leaves 3 A to be made of 6 B on 2 March, 4 from stock; then M1 waits for all of its 3
        OrderDraft standing = new OrderDraft(
                "A",
                "W",
                Source.MAKE,
                null,
                null,
                pieces(2),
                pieces(2),
                day("4 Mar"),
                day("5 Mar"),
                List.of(need("B", 3, "4 Mar")),
                java.util.Set.of());
        Substitution substitution = new Substitution(plan, user -> {
            assertThat(user.number()).isEqualTo("M1");
            return standing;
        });
        substitution.use(
                plan.point("B", "W").orElseThrow(), supply -> supply.kind() == Supply.Kind.PLANNED, above -> X_FOR_B);
        assertThat(substitution.changed())
                .extracting(c -> c.user().number(), c -> c.after().needs())
                .contains(org.assertj.core.groups.Tuple.tuple("M1", List.of(need("X", 5, "4 Mar"))));
    }

    @Test
    void throughAPhantomItsPartsAreNamedOneByOne() {
        // A of one set P each, P of 2 B and 1 C; 5 A: 10 B (4 in stock) and 5 C
        Plan plan = new Example()
                .item("P", ItemKind.PHANTOM)
                .planned(
                        make("A").leadTimeDays(1),
                        buy("B").leadTimeDays(20),
                        buy("C").leadTimeDays(1),
                        buy("X").leadTimeDays(20))
                .bom("A", "P", "1")
                .bom("P", "B", "2")
                .bom("P", "C", "1")
                .stock("B", 4)
                .wanted("A", 5, "3 Mar")
                .plan();
        Substitution substitution = used(plan, X_FOR_B);
        assertThat(substitution.changed()).hasSize(1);
        assertThat(substitution.changed().get(0).before().needs()).containsExactly(need("P", 5, "2 Mar"));
        assertThat(substitution.changed().get(0).after().needs())
                .containsExactly(need("B", 4, "2 Mar"), need("X", 9, "2 Mar"), need("C", 5, "2 Mar"));
    }

    @Test
    void anotherQuantityUsesTheAlternativeForTheSamePart() {
        // 6 of 10 B are taken as 9 X; 10 A instead of 5 need 20 B: 12 of them as 18 X
        Plan plan = company().plan();
        Substitution.Changed changed = used(plan, X_FOR_B).changed().get(0);
        OrderDraft twice = Drafting.of(plan.point("A", "W").orElseThrow()).dueOn(pieces(10), day("3 Mar"));

        OrderDraft carried = Substitution.carriedOver(plan, changed.before(), changed.after(), twice, List.of(X_FOR_B));
        assertThat(carried.needs()).containsExactly(need("B", 8, "2 Mar"), need("X", 18, "2 Mar"));
        assertThat(Substitution.carriedOver(plan, changed.before(), changed.before(), twice, List.of(X_FOR_B)))
                .isSameAs(twice);
    }
}
