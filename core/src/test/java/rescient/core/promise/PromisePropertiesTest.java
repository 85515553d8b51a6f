package rescient.core.promise;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ItemKind;
import rescient.core.plan.Plan;

/** What holds of every promise to a company that plans lot-for-lot, without forecasts, open orders and expiry. */
class PromisePropertiesTest {
    private static final int NEVER = Integer.MAX_VALUE;

    /** A is made of 2 B and 1 C; K is a kit of 1 A and 3 C. */
    private static Plan company(List<Integer> stock, List<Integer> leads, List<Integer> wanted) {
        Example example = new Example()
                .planned(
                        make("A").leadTimeDays(leads.get(0)),
                        buy("B").leadTimeDays(leads.get(1)),
                        buy("C").leadTimeDays(leads.get(2)))
                .item("K", ItemKind.KIT)
                .bom("A", "B", "2")
                .bom("A", "C", "1")
                .bom("K", "A", "1")
                .bom("K", "C", "3")
                .stock("A", stock.get(0))
                .stock("B", stock.get(1))
                .stock("C", stock.get(2));
        for (int i = 0; i < wanted.size(); i++) {
            String item = List.of("A", "B", "C", "K").get(i % 4);
            example.wanted(item, "W", 1 + wanted.get(i) % 6, Example.text(Example.TODAY + wanted.get(i)), 1 + i % 9);
        }
        return example.plan();
    }

    private static Request request(String item, int pieces, int inDays) {
        return new Request(item, "W", Quantity.of(pieces), Example.TODAY + inDays, 5);
    }

    private static int promised(Plan plan, String item, int pieces, int inDays) {
        Integer day = Promising.of(plan, List.of(request(item, pieces, inDays)))
                .get(0)
                .promisedDay();
        return day == null ? NEVER : day;
    }

    /** A promise that is saved is kept, and nobody who was there before gets later. */
    @Property(tries = 60)
    void whatIsPromisedIsKeptAndNobodyGetsLater(
            @ForAll @Size(3) List<@IntRange(max = 20) Integer> stock,
            @ForAll @Size(3) List<@IntRange(max = 12) Integer> leads,
            @ForAll @Size(max = 8) List<@IntRange(max = 40) Integer> wanted,
            @ForAll @IntRange(min = 1, max = 15) int pieces,
            @ForAll @IntRange(max = 20) int inDays) {
        Plan before = company(stock, leads, wanted);
        for (String item : List.of("A", "K")) {
            int day = promised(before, item, pieces, inDays);
            assertThat(day).isNotEqualTo(NEVER);
            CustomerOrderLine line = new CustomerOrderLine("SO-9", "1", item, "W", Quantity.of(pieces), day, 5);
            List<Promise> after = Promise.of(before.after(List.of(new Change.CustomerOrder(line))));
            for (Promise promise : after) {
                int possible = promise.possibleDay() == null ? NEVER : promise.possibleDay();
                if (promise.line().equals(line)) {
                    assertThat(possible).isLessThanOrEqualTo(day);
                } else {
                    Promise was = Promise.of(before).stream()
                            .filter(p -> p.line().equals(promise.line()))
                            .findFirst()
                            .orElseThrow();
                    assertThat(possible).isLessThanOrEqualTo(was.possibleDay());
                }
            }
        }
    }

    @Property(tries = 60)
    void moreIsNeverPromisedEarlier(
            @ForAll @Size(3) List<@IntRange(max = 20) Integer> stock,
            @ForAll @Size(3) List<@IntRange(max = 12) Integer> leads,
            @ForAll @Size(max = 8) List<@IntRange(max = 40) Integer> wanted,
            @ForAll @IntRange(max = 20) int inDays) {
        Plan plan = company(stock, leads, wanted);
        List<Integer> days = IntStream.of(1, 2, 5, 9, 20)
                .mapToObj(pieces -> promised(plan, "A", pieces, inDays))
                .toList();
        assertThat(days).isSorted();
    }

    /** A kit needs 1 A and 3 C: it is not promised before either of them is promised by itself. */
    @Property(tries = 60)
    void aKitIsNeverPromisedBeforeItsPart(
            @ForAll @Size(3) List<@IntRange(max = 20) Integer> stock,
            @ForAll @Size(3) List<@IntRange(max = 12) Integer> leads,
            @ForAll @Size(max = 8) List<@IntRange(max = 40) Integer> wanted,
            @ForAll @IntRange(min = 1, max = 9) int kits,
            @ForAll @IntRange(max = 20) int inDays) {
        Plan plan = company(stock, leads, wanted);
        int kit = promised(plan, "K", kits, inDays);
        assertThat(kit).isGreaterThanOrEqualTo(promised(plan, "A", kits, inDays));
        assertThat(kit).isGreaterThanOrEqualTo(promised(plan, "C", 3 * kits, inDays));
    }
}
