package rescient.core.base;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Rows by their points. */
class ByPointTest {

    @Test
    void rowsOfOnePointKeepTheirOrderAndThoseOfNoneAreLeftOut() {
        // rows 0 and 3 belong to point 2, row 1 to none, row 2 to point 0; nothing to point 1
        ByPoint byPoint = ByPoint.of(new int[] {2, ByPoint.NOWHERE, 0, 2}, 3);
        assertThat(byPoint.start).containsExactly(0, 1, 1, 3);
        assertThat(byPoint.row).containsExactly(2, 0, 3);
        assertThat(byPoint.count(1)).isZero();
        assertThat(byPoint.count(2)).isEqualTo(2);
    }
}
