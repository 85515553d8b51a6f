package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;

class ApprovalTest {
    private static final List<Approval.Limit> LIMITS = List.of(limit(5000, "approver"), limit(1000, "planner"));

    private static Approval.Limit limit(int from, String role) {
        return new Approval.Limit(BigDecimal.valueOf(from), role);
    }

    private static Approval.Given given(String role, int value) {
        return new Approval.Given(role, "somebody", BigDecimal.valueOf(value));
    }

    private static String next(Integer value, Approval.Given... given) {
        return Approval.next(LIMITS, value == null ? null : BigDecimal.valueOf(value), List.of(given));
    }

    @Test
    void everyLimitAtOrBelowTheValueAsksItsRoleTheLowestFirst() {
        assertThat(next(999)).isNull();
        assertThat(next(1000)).isEqualTo("planner");
        assertThat(next(5000)).isEqualTo("planner");
        assertThat(next(5000, given("planner", 5000))).isEqualTo("approver");
        assertThat(next(5000, given("planner", 5000), given("approver", 5000))).isNull();
    }

    @Test
    void whatHasBecomeWorthMoreAsksAgain() {
        assertThat(next(5200, given("planner", 5000), given("approver", 5000))).isEqualTo("planner");
        assertThat(next(4800, given("planner", 5000))).isNull();
    }

    @Test
    void whatNobodyKnowsTheValueOfAsksAll() {
        assertThat(next(null)).isEqualTo("planner");
        assertThat(next(null, given("planner", 1))).isEqualTo("planner");
    }

    @Test
    void whereNoLimitAsksAnybodySomebodyIsAskedAllTheSame() {
        BigDecimal little = new BigDecimal("10");
        assertThat(Approval.next(LIMITS, little, List.of(), "buyer")).isEqualTo("buyer");
        assertThat(Approval.next(LIMITS, little, List.of(given("buyer", 10)), "buyer"))
                .isNull();
        assertThat(Approval.next(LIMITS, new BigDecimal("1000"), List.of(), "buyer"))
                .isEqualTo("planner");
        assertThat(Approval.next(List.of(), little, List.of(), "buyer")).isEqualTo("buyer");
    }

    @Test
    void nobodyApprovesTheirOwn() {
        assertThat(Approval.may("Ida", "Ida", true)).isFalse();
        assertThat(Approval.may("Ida", "Ida", false)).isTrue();
        assertThat(Approval.may("Ida", "Tom", true)).isTrue();
        assertThat(Approval.may("Ida", null, true)).isTrue();
    }
}
