package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class SoughtTest {
    @Test
    void allWordsOccurInAnyOrderAndCase() {
        Sought sought = new Sought("  bearing Lark ");
        assertThat(sought.in("BRG-6202", "Bearing 6202, sealed", null, "Larkmoor works"))
                .isTrue();
        assertThat(sought.in("BRG-6202", "Bearing 6202, sealed", "Quayside")).isFalse();
        assertThat(new Sought("6202,").in("Bearing 6202, sealed")).isTrue();
        assertThat(new Sought("äpfel").in("ÄPFEL")).isTrue();
    }

    @Test
    void aWordDoesNotReachFromOneTextIntoTheNext() {
        assertThat(new Sought("ab").in("a", "b")).isFalse();
    }

    @Test
    void nothingIsInEveryRow() {
        assertThat(new Sought(null).in()).isTrue();
        assertThat(new Sought(" ").in("A")).isTrue();
    }

    @Test
    void whatIsStillLookedForIsLookedForInTheRest() {
        Sought left = new Sought("bearing PO-7").without("Bearing 6202", "Larkmoor");
        assertThat(left.in("PO-71")).isTrue();
        assertThat(left.in("PO-8")).isFalse();
    }
}
