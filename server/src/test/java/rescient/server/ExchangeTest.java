package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FaultyDatasetException;
import rescient.server.access.Users;
import rescient.server.exchange.CompanyExchange;

/** A company of one's own comes in and goes out, and its plan stays what it is. */
class ExchangeTest extends ServerTest {
    @Autowired
    CompanyExchange exchange;

    @Autowired
    Users people;

    @TempDir
    Path folder;

    @AfterEach
    void demoSignIns() {
        jdbc.update("delete from users");
        people.addDemoUsers();
    }

    private static void assertSame(Plan plan, Plan other) {
        assertThat(plan.plannedOrders()).isEqualTo(other.plannedOrders());
        assertThat(plan.signals()).isEqualTo(other.signals());
        for (PointView point : other.points()) {
            PointView same = plan.point(point.item(), point.site()).orElseThrow();
            assertThat(same.demands()).isEqualTo(point.demands());
            assertThat(same.pegs()).isEqualTo(point.pegs());
            assertThat(same.balances()).isEqualTo(point.balances());
        }
    }

    private static Plan headless(Path dataset) {
        Dataset read = DatasetReader.read(dataset);
        return new Planner()
                .plan(
                        Company.snapshot(
                                read,
                                LocalDate.parse(read.setting("today")),
                                LocalDate.parse(read.setting("horizon_end"))),
                        PlanOptions.ALL);
    }

    @ParameterizedTest
    @ValueSource(strings = {"own", "own.zip", "own.xlsx"})
    void loadingWhatWasDumpedGivesTheSamePlan(String name) throws Exception {
        release(
                "ida",
                UUID.randomUUID(),
                false,
                keys("NAIL-20").get(0),
                keys("ROF-10W").get(0));
        knowing();
        Plan before = live.current().plan();
        Path dump = folder.resolve(name);
        exchange.dump(dump);
        assertSame(headless(dump), before);
        exchange.load(dump, line -> {});
        knowing();
        assertThat(live.current().company()).isEqualTo(name);
        assertThat(live.current().demo()).isFalse();
        assertSame(live.current().plan(), before);
    }

    @Test
    void theDemosSignInsGoWithTheDemo() {
        Path dump = folder.resolve("own");
        exchange.dump(dump);
        List<String> told = new ArrayList<>();
        String password = exchange.load(dump, told::add);
        assertThat(password).hasSize(12);
        assertThat(jdbc.queryForList("select login from users", String.class)).containsExactly("planner");
        assertThat(told).anyMatch(line -> line.matches("Loading items: \\d+ rows, table \\d+ of \\d+"));
        // the second load finds the planner and leaves the password
        assertThat(exchange.load(dump, told::add)).isNull();
    }

    @Test
    void aFaultyDatasetChangesNothing() throws Exception {
        Path dump = folder.resolve("own");
        exchange.dump(dump);
        Files.writeString(dump.resolve("items.csv"), "code,unit\nA,stone\n");
        long revision = store.read().revision();
        assertThatThrownBy(() -> exchange.load(dump, line -> {})).isInstanceOf(FaultyDatasetException.class);
        assertThat(store.read().revision()).isEqualTo(revision);
        assertThat(store.read().name()).isEqualTo("Larkmoor Hives");
        assertThat(count("users")).isEqualTo(8);
    }

    @Test
    void nothingIsWrittenOver() throws Exception {
        Files.writeString(folder.resolve("notes.txt"), "mine");
        assertThatThrownBy(() -> exchange.dump(folder)).hasMessageContaining("there already");
        assertThat(folder).isDirectoryContaining(file -> file.endsWith("notes.txt"));
    }

    @Test
    void thePlanFollowsAChangeFromOutside() {
        long before = live.current().revision();
        jdbc.update("update customer_orders set quantity = quantity + 7 where number = ("
                + "select number from customer_orders order by number limit 1)");
        jdbc.update("update company set revision = revision + 1");
        knowing();
        assertThat(live.current().revision()).isEqualTo(before + 1);
    }

    @Test
    void whatAReleaseChangesIsCalculatedAsTheWholeWouldBe() throws Exception {
        for (String item : List.of("NAIL-20", "ROF-10W", "HIVE-10W")) {
            release("ida", UUID.randomUUID(), false, keys(item).get(0));
            knowing();
        }
        var stored = store.read();
        LocalDate today = LocalDate.of(2026, 11, 23);
        Plan full = new Planner()
                .plan(Company.snapshot(stored.dataset(), today, today.plusDays(stored.horizonDays())), PlanOptions.ALL);
        assertSame(live.current().plan(), full);
        assertThat(live.current().directory().dataset().rows("open_orders"))
                .hasSameSizeAs(stored.dataset().rows("open_orders"));
    }
}
