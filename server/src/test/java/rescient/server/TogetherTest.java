package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Two people post on one order at once. */
class TogetherTest extends ServerTest {
    private static final int TRIES = 6;

    /** Ten motors are to come; two people receive six each, one by one: ten come in, and two are told that nothing is open. */
    @Test
    void noPieceIsReceivedTwice() throws Exception {
        List<Integer> states = new ArrayList<>();
        ExecutorService people = Executors.newFixedThreadPool(2);
        try {
            List<Callable<Integer>> posts = new ArrayList<>();
            for (int i = 0; i < 2 * TRIES; i++) {
                String who = i % 2 == 0 ? "stella" : "ida";
                posts.add(() -> post(
                                who,
                                "/api/stock/postings",
                                UUID.randomUUID(),
                                "{'lines':[{'act':'RECEIVE','number':'PO-2041','line':'1','quantity':1}]}")
                        .status());
            }
            for (Future<Integer> one : people.invokeAll(posts)) {
                states.add(one.get());
            }
        } finally {
            people.shutdown();
        }
        assertThat(states).filteredOn(state -> state == 201).hasSize(10);
        assertThat(states).filteredOn(state -> state == 422).hasSize(2);
        assertThat(jdbc.queryForObject(
                        "select sum(quantity) from movements where order_number = 'PO-2041'", Integer.class))
                .isEqualTo(10);
        // numbered without gaps, whoever came first
        assertThat(jdbc.queryForList("select number from " + moved() + " order by number", Integer.class))
                .isEqualTo(IntStream.range(firstMovement(), firstMovement() + 10)
                        .boxed()
                        .toList());
        assertThat(jdbc.queryForObject(
                        "select closed_date is not null from supply_order_lines where order_number = 'PO-2041'",
                        Boolean.class))
                .isTrue();
        knowing();
        assertThat(get("ida", "/api/stock?words=MOTOR-180")
                        .body()
                        .get("rows")
                        .get(0)
                        .get("free")
                        .asInt())
                .isGreaterThanOrEqualTo(10);
    }
}
