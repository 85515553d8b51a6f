package rescient.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rescient.server.testing.TestDatabase;

/**
 * A server that is killed while it releases or posts: nothing is lost, doubled or half made, and each request that is repeated with
 * its key, on another server and on the one that is started again, is answered as before.
 */
class KillTest {
    private static final int ROUNDS = Integer.getInteger("rescient.kills", 5);
    private static final int AT_ONCE = 5;
    private static final int LONGEST_MILLIS = 400;
    /** Stock points that every posting adds one to. */
    private static final List<String> COUNTED = List.of("ROD-12", "NAIL-20", "EYELET-3");

    private final String database = TestDatabase.create();
    private final Random random = new Random(ROUNDS);
    /** What was answered to each request, by its key. */
    private final Map<UUID, JsonNode> answered = new LinkedHashMap<>();

    private record Request(UUID key, String address, String content) {
        static Request release(String content) {
            return new Request(UUID.randomUUID(), "/api/releases", content);
        }
    }

    @Test
    void aKilledServerLosesDoublesAndHalvesNothing() throws Exception {
        try (Servers servers = new Servers(database)) {
            Servers.Server other = servers.start();
            other.signIn("ida");
            Servers.Server victim = servers.start();
            victim.signIn("ida");
            for (int round = 0; round < ROUNDS; round++) {
                List<Request> requests = requests(other);
                Map<UUID, JsonNode> before = killedOnTheWay(victim, requests);
                victim = servers.start();
                victim.signIn("ida");
                for (Request request : requests) {
                    repeated(request, before.get(request.key), other, victim);
                }
            }
            assertThat(answered).isNotEmpty();
            everyAnswerIsAnOrderOnce();
            // both servers come to the same plan
            assertThat(differences(victim, other)).isEmpty();
        }
    }

    /** The same while it posts: a posting makes all its movements or none, and those of a key once. */
    @Test
    void aKilledServerPostsNothingHalfAndNothingTwice() throws Exception {
        try (Servers servers = new Servers(database)) {
            Servers.Server other = servers.start();
            other.signIn("ida");
            Servers.Server victim = servers.start();
            victim.signIn("ida");
            List<String> before = onHand();
            List<String> posted = column("select key::text from postings");
            String first = column("select coalesce(max(number), 0)::text from movements")
                    .get(0);
            int asked = 0;
            for (int round = 0; round < (ROUNDS + 1) / 2; round++) {
                List<Request> requests = postings();
                asked += requests.size();
                Map<UUID, JsonNode> answers = killedOnTheWay(victim, requests);
                victim = servers.start();
                victim.signIn("ida");
                for (Request request : requests) {
                    repeated(request, answers.get(request.key), other, victim);
                }
            }
            assertThat(answered).hasSize(asked);
            assertThat(column("select key::text from postings"))
                    .containsExactlyInAnyOrderElementsOf(Stream.concat(
                                    posted.stream(), answered.keySet().stream().map(UUID::toString))
                            .toList());
            assertThat(column(
                            "select distinct count(*)::text from movements where number > " + first + " group by key"))
                    .containsExactly(Integer.toString(COUNTED.size()));
            assertThat(column("select max(number)::text from movements"))
                    .as("numbered without gaps")
                    .isEqualTo(column("select count(*)::text from movements"));
            int each = asked;
            assertThat(onHand())
                    .isEqualTo(before.stream()
                            .map(there -> Long.toString(Long.parseLong(there) + each))
                            .toList());
        }
    }

    private List<Request> postings() {
        String lines = COUNTED.stream()
                .map(item -> "{\"act\":\"ADJUST\",\"item\":\"" + item + "\",\"site\":\"LARKMOOR\",\"quantity\":1}")
                .collect(Collectors.joining(","));
        return Stream.generate(
                        () -> new Request(UUID.randomUUID(), "/api/stock/postings", "{\"lines\":[" + lines + "]}"))
                .limit(AT_ONCE)
                .toList();
    }

    private List<String> onHand() throws SQLException {
        List<String> all = new ArrayList<>();
        for (String item : COUNTED) {
            all.addAll(column(
                    "select coalesce(sum(quantity), 0)::bigint::text from stock where site = 'LARKMOOR' and item = '"
                            + item + "'"));
        }
        return all;
    }

    /** Releases of orders that start first, of several stock points. */
    private List<Request> requests(Servers.Server server) throws Exception {
        List<String> keys = new ArrayList<>(keys(server));
        long seen = server.get("/api/plan").body().get("version").asLong();
        List<Request> requests = new ArrayList<>();
        for (int i = 0; i < AT_ONCE && !keys.isEmpty(); i++) {
            String key = keys.remove(random.nextInt(Math.min(20, keys.size())));
            requests.add(Request.release(
                    "{\"seen\":" + seen + ",\"orders\":[\"" + key + "\"],\"leaveOut\":false,\"note\":\"round\"}"));
        }
        return requests;
    }

    /** Each server follows what the other one did within moments; what they still list otherwise then. */
    private static Set<String> differences(Servers.Server one, Servers.Server other) throws Exception {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        Set<String> different = differences(keys(one), keys(other));
        while (!different.isEmpty() && System.nanoTime() < until) {
            different = differences(keys(one), keys(other));
        }
        return different;
    }

    private static Set<String> differences(Set<String> here, Set<String> there) {
        Set<String> different = new LinkedHashSet<>(here);
        there.forEach(key -> {
            if (!different.remove(key)) {
                different.add(key + " there");
            }
        });
        return different;
    }

    private static Set<String> keys(Servers.Server server) throws Exception {
        Set<String> keys = new LinkedHashSet<>();
        for (JsonNode order : server.get("/api/plan/orders").body().get("orders")) {
            if (!order.hasNonNull("obstacle") && !order.hasNonNull("hold")) {
                keys.add(order.get("key").asText());
            }
        }
        return keys;
    }

    private Map<UUID, JsonNode> killedOnTheWay(Servers.Server victim, List<Request> requests) throws Exception {
        Map<UUID, CompletableFuture<Servers.Answer>> under = new LinkedHashMap<>();
        requests.forEach(r -> under.put(r.key, victim.post(r.address, r.key, r.content)));
        // some time while they are on their way; not a moment to be waited for
        CompletableFuture.delayedExecutor(random.nextInt(LONGEST_MILLIS), TimeUnit.MILLISECONDS)
                .execute(() -> victim.process.destroyForcibly());
        victim.process.waitFor();
        Map<UUID, JsonNode> before = new LinkedHashMap<>();
        under.forEach((key, answer) -> {
            // one that was cut off has no answer
            Servers.Answer came = answer.exceptionally(e -> null).join();
            if (came != null && came.status() == 201) {
                before.put(key, came.body());
            }
        });
        return before;
    }

    private void repeated(Request request, JsonNode before, Servers.Server other, Servers.Server again)
            throws Exception {
        Servers.Answer there =
                other.post(request.address, request.key, request.content).get();
        Servers.Answer here =
                again.post(request.address, request.key, request.content).get();
        assertThat(here.status()).as(here.toString()).isEqualTo(there.status());
        if (before != null) {
            assertThat(there.status()).isEqualTo(201);
            assertThat(there.body()).isEqualTo(before);
        }
        // what the plan no longer asks for, because another request was carried out, is refused by both
        assertThat(there.status()).isIn(201, 409);
        if (there.status() == 201) {
            assertThat(here.body()).isEqualTo(there.body());
            answered.put(request.key, there.body());
        }
    }

    private void everyAnswerIsAnOrderOnce() throws SQLException {
        List<String> numbers = new ArrayList<>();
        answered.values()
                .forEach(answer -> answer.get("orders")
                        .forEach(o -> numbers.add(o.get("number").asText())));
        assertThat(numbers).doesNotHaveDuplicates();
        List<String> kept = column("select number from supply_orders where note = 'round'");
        assertThat(kept).containsExactlyInAnyOrderElementsOf(numbers);
        assertThat(column("select key::text from commands"))
                .containsExactlyInAnyOrderElementsOf(
                        answered.keySet().stream().map(UUID::toString).toList());
        // none without its lines
        assertThat(column("select number from supply_orders o where not exists"
                        + " (select 1 from supply_order_lines l where l.order_number = o.number)"))
                .isEmpty();
        // and each is told as one change of the company
        assertThat(column("select sentence from plan_causes where kind = 'RELEASE'"))
                .hasSameSizeAs(numbers);
    }

    private List<String> column(String query) throws SQLException {
        List<String> values = new ArrayList<>();
        try (Connection connection =
                        DriverManager.getConnection(database, TestDatabase.user(), TestDatabase.password());
                ResultSet rows = connection.createStatement().executeQuery(query)) {
            while (rows.next()) {
                values.add(rows.getString(1));
            }
        }
        return values;
    }
}
