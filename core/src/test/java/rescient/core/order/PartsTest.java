package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;

class PartsTest {
    private static final long PIECE = Quantity.ONE;

    /** 10 pieces in 3: 4, 4 and what is left. */
    @Test
    void equalPartsAreRoundedUpToWholePieces() {
        assertThat(Parts.equal(10 * PIECE, 3, PIECE)).containsExactly(4 * PIECE, 4 * PIECE, 2 * PIECE);
    }

    /** With a hundredth as its step, 10 in 3 are 3.34, 3.34 and 3.32. */
    @Test
    void equalPartsKeepTheDecimalsOfTheItem() {
        long hundredth = PIECE / 100;
        assertThat(Parts.equal(10 * PIECE, 3, hundredth))
                .containsExactly(334 * hundredth, 334 * hundredth, 332 * hundredth);
    }

    @Test
    void twoPiecesAreNoMoreThanTwoParts() {
        assertThat(Parts.equal(2 * PIECE, 5, PIECE)).containsExactly(PIECE, PIECE);
    }

    @Test
    void whatIsNotNamedIsThePartThatIsLeft() {
        assertThat(Parts.andTheRest(126, List.of(40L, 50L))).containsExactly(40L, 50L, 36L);
        assertThat(Parts.andTheRest(90, List.of(40L, 50L))).containsExactly(40L, 50L);
        assertThat(Parts.andTheRest(80, List.of(40L, 50L))).containsExactly(40L, 50L);
    }

    @Property
    void equalPartsAreTogetherTheWhole(
            @ForAll @LongRange(min = 1, max = 1_000_000) long steps, @ForAll @IntRange(min = 2, max = 100) int parts) {
        List<Long> sizes = Parts.equal(steps * PIECE, parts, PIECE);
        assertThat(sizes.stream().mapToLong(Long::longValue).sum()).isEqualTo(steps * PIECE);
        assertThat(sizes).hasSizeLessThanOrEqualTo(parts).allMatch(size -> size > 0 && size % PIECE == 0);
        assertThat(sizes.subList(0, sizes.size() - 1)).allMatch(size -> size.equals(sizes.get(0)));
    }
}
