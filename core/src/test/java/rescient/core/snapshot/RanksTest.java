package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import rescient.core.base.DocumentOrder;

/** Numbers of documents that come later keep the ranks of those before them, and stand where they belong. */
class RanksTest {
    private static List<String> series(String prefix, int from, int to) {
        List<String> numbers = new ArrayList<>();
        for (int n = from; n <= to; n++) {
            numbers.add(prefix + n);
        }
        return numbers;
    }

    @SafeVarargs
    private static Ranks known(List<String>... series) {
        List<String> all = new ArrayList<>();
        for (List<String> one : series) {
            all.addAll(one);
        }
        return Ranks.of(all);
    }

    private static void inOrder(Ranks ranks, List<String> texts) {
        List<String> sorted = new ArrayList<>(texts);
        sorted.sort(DocumentOrder.INSTANCE);
        assertThat(sorted.stream().map(ranks::of).toList()).isSorted().doesNotHaveDuplicates();
        assertThat(ranks.of(sorted.get(sorted.size() - 1))).isLessThan(Ranks.LIMIT);
    }

    @Test
    void thousandsOfOrdersMoreOfASeriesHaveRoomBeforeWhatStandsBehindIt() {
        List<String> purchases = series("PO-", 2001, 2050);
        List<String> sales = series("SO-", 1, 300);
        Ranks before = known(purchases, sales);
        Ranks after = before;
        List<String> released = series("PO-", 2051, 9999);
        for (String number : released) {
            after = after.with(number);
            assertThat(after).as(number).isNotNull();
        }
        assertThat(before.isKeptBy(after)).isTrue();
        List<String> all = new ArrayList<>(purchases);
        all.addAll(sales);
        all.addAll(released);
        inOrder(after, all);
    }

    @Test
    void aSeriesGrowsBehindItsHighestNumberWhichIsNotTheLastByCodePoint() {
        // PO-1000 stands before PO-998 by code point
        Ranks ranks = known(series("PO-", 990, 1003), series("Z-", 1, 2));
        for (String number : series("PO-", 1004, 3000)) {
            ranks = ranks.with(number);
            assertThat(ranks).as(number).isNotNull();
        }
    }

    @Test
    void thereIsAnEndToTheRoomBetweenTwoNeighbours() {
        Ranks ranks = known(List.of("A", "C"));
        int added = 0;
        String text = "B";
        for (Ranks more = ranks.with(text); more != null; more = ranks.with(text)) {
            ranks = more;
            added++;
            // each before all that came
            text = "A" + "A".repeat(added) + "B";
        }
        assertThat(added).isPositive();
        Ranks anew = ranks.covering(List.of("A", "B", "C", text));
        assertThat(ranks.isKeptBy(anew)).isFalse();
        inOrder(anew, List.of("A", "B", "C", text));
    }

    @Property(tries = 200)
    void whateverComesInWhateverOrderStandsWhereItBelongs(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 60) int n) {
        Random random = new Random(seed);
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            String prefix = List.of("", "SO-", "PO-", "S", "item ").get(random.nextInt(5));
            String text = prefix + (random.nextInt(4) == 0 ? "x" : random.nextInt(2000));
            if (!texts.contains(text)) {
                texts.add(text);
            }
        }
        Collections.shuffle(texts, random);
        int first = random.nextInt(texts.size() + 1);
        Ranks ranks = Ranks.of(texts.subList(0, first)).covering(texts);
        inOrder(ranks, texts);
        Ranks again = ranks.covering(texts);
        assertThat(again).isSameAs(ranks);
    }
}
