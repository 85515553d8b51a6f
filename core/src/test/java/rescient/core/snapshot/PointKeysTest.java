package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;

/** Keys of points, each once and in order, few points or too many for a bit each. */
class PointKeysTest {

    @Property
    void theyComeOnceAndInOrder(@ForAll List<@LongRange(min = 0, max = 999) Long> some) {
        PointKeys few = new PointKeys(1_000);
        PointKeys many = new PointKeys(1L << 40);
        // far apart, so that they need more than 32 bits
        some.forEach(key -> {
            few.add(key);
            many.add(key << 30);
        });
        long[] expected = some.stream().mapToLong(k -> k).distinct().sorted().toArray();
        assertThat(few.inOrder()).isEqualTo(expected);
        assertThat(many.inOrder())
                .isEqualTo(some.stream()
                        .mapToLong(k -> k << 30)
                        .distinct()
                        .sorted()
                        .toArray());
    }
}
