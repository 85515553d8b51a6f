package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class MemoryTest {
    private static final long MB = 1 << 20;

    @Test
    void thirtyPercentAreLeftForWork() {
        assertThat(Memory.words(700 * MB, 1000 * MB)).isNull();
        assertThat(Memory.words(701 * MB, 1000 * MB))
                .isEqualTo("Memory is short: the company takes 701 of 1,000 MB;"
                        + " start with RESCIENT_HEAP=1002m or more");
    }

    /** What it asks for is enough. */
    @Test
    void whatIsAskedForIsEnough() {
        for (long used : new long[] {100, 999, 2800}) {
            String words = Memory.words(used * MB, used * MB);
            long asked = Long.parseLong(words.replaceAll(".*HEAP=(\\d+)m.*", "$1"));
            assertThat(Memory.words(used * MB, asked * MB)).isNull();
        }
    }
}
