package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;

/** What of lots is used before they expire: 10 of A until the tenth of March, 20 of B until the twentieth. */
class LotUseTest {
    private static List<String> uses(Example example) {
        return LotUse.of(example.plan().point("SYRUP", "W").orElseThrow()).stream()
                .map(one -> one.lot().number() + " " + Quantity.text(one.used()) + " of "
                        + Quantity.text(one.lot().quantity()) + ", "
                        + one.users().size() + " users")
                .toList();
    }

    private static Example lots() {
        return new Example()
                .planned(buy("SYRUP").leadTimeDays(1))
                .lot("SYRUP", "B", 20, "20 Mar")
                .lot("SYRUP", "A", 10, "10 Mar");
    }

    /** 4 for the sixth come of A, of which 6 are left; 15 for the twelfth can only come of B. */
    @Test
    void whatExpiresFirstIsUsedFirst() {
        assertThat(uses(lots().wanted("SYRUP", 4, "6 Mar").wanted("SYRUP", 15, "12 Mar")))
                .containsExactly("A 4 of 10, 1 users", "B 15 of 20, 1 users");
    }

    /** On its day a lot serves no more. */
    @Test
    void onItsDayItServesNoMore() {
        assertThat(uses(lots().wanted("SYRUP", 4, "10 Mar")))
                .containsExactly("A 0 of 10, 0 users", "B 4 of 20, 1 users");
    }

    @Test
    void whatNobodyWantsIsLeft() {
        assertThat(LotUse.of(lots().plan().point("SYRUP", "W").orElseThrow()))
                .allSatisfy(one -> assertThat(one.unused()).isEqualTo(one.lot().quantity()));
    }
}
