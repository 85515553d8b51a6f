package rescient.core.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ChunkedListAndRunsTest {
    /** A copy changes, what it was copied from does not; both hold what a plain list would. */
    @Property(tries = 200)
    void aCopySharesWhatStays(@ForAll @IntRange(min = 1, max = 1500) int size, @ForAll long seed) {
        Random random = new Random(seed);
        List<String> expected = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            expected.add("as it was " + i);
        }
        ChunkedList<String> list = ChunkedList.of(expected, String[]::new);
        for (int step = 0; step < 12; step++) {
            List<String> before = List.copyOf(expected);
            ChunkedList<String> listBefore = list;
            int at = random.nextInt(expected.size());
            switch (random.nextInt(3)) {
                case 0 -> {
                    expected.set(at, "other " + step);
                    list = list.with(at, "other " + step);
                }
                case 1 -> {
                    int place = random.nextInt(expected.size() + 1);
                    expected.add(place, "more " + step);
                    list = list.inserted(place, "more " + step);
                }
                default -> {
                    if (expected.size() > 1) {
                        expected.remove(at);
                        list = list.without(at);
                    }
                }
            }
            assertThat(list).isEqualTo(expected);
            assertThat(listBefore).isEqualTo(before);
        }
    }

    /** At the edges of chunks, which hold 256: the last place, one more, and the first of the next. */
    @Test
    void itGrowsAndShrinksAcrossChunks() {
        for (int size : new int[] {0, 1, 255, 256, 257, 511, 512, 513}) {
            List<Integer> plain = new ArrayList<>();
            for (int i = 0; i < size; i++) {
                plain.add(i);
            }
            ChunkedList<Integer> list = ChunkedList.of(plain, Integer[]::new);
            ChunkedList<Integer> longer = list.inserted(size, -1);
            assertThat(longer).hasSize(size + 1).endsWith(-1).containsAll(plain);
            assertThat(longer.without(size)).isEqualTo(plain);
            assertThat(longer.inserted(0, -2).without(0)).isEqualTo(longer);
            assertThat(longer.copy()).isEqualTo(longer);
        }
    }

    @Test
    void whereACopyHoldsAnotherObjectIsFound() {
        ChunkedList<Object> list = ChunkedList.of(1000, Object[]::new);
        Object kept = new Object();
        list.put(700, kept);
        ChunkedList<Object> copy = list.copy();
        assertThat(copy.differing(list)).isEmpty();
        copy.open(3, 700, 999);
        copy.put(3, "3");
        copy.put(700, kept);
        copy.put(999, "999");
        assertThat(copy.differing(list)).containsExactly(3, 999);
        assertThat(list.differing(copy)).containsExactly(3, 999);
        assertThatThrownBy(() -> list.differing(ChunkedList.of(999, Object[]::new)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void manyPlacesAreChangedInOneCopy() {
        ChunkedList<Integer> list = ChunkedList.of(1000, Integer[]::new);
        ChunkedList<Integer> copy = list.copy();
        copy.open(3, 4, 999);
        copy.put(3, 30);
        copy.put(4, 40);
        copy.put(999, 1);
        assertThat(copy.get(3) + copy.get(4) + copy.get(999)).isEqualTo(71);
        assertThat(list.get(3)).isNull();
        assertThat(list.get(999)).isNull();
    }

    @Property(tries = 500)
    void runsAreSortedWhateverTheirNumber(
            @ForAll @IntRange(min = 0, max = 600) int n,
            @ForAll @IntRange(min = 1, max = 80) int most,
            @ForAll long seed) {
        Random random = new Random(seed);
        AscendingRuns runs = new AscendingRuns();
        // the same object sorts one after the other, as for one stock point after the other
        for (int again = 0; again < 3; again++) {
            long[] numbers = new long[n + random.nextInt(50)];
            int filled = 0;
            while (filled < n) {
                int length = Math.min(n - filled, 1 + random.nextInt(most));
                long[] run = random.longs(length, -1000, 1000).sorted().toArray();
                System.arraycopy(run, 0, numbers, filled, length);
                filled += length;
            }
            long[] expected = Arrays.copyOf(numbers, n);
            Arrays.sort(expected);
            assertThat(Arrays.copyOf(runs.sort(numbers, n), n)).isEqualTo(expected);
        }
    }
}
