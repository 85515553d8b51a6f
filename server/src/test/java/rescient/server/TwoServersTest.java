package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.autoconfigure.jdbc.DataSourceProperties;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.dataset.Row;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanFollower;
import rescient.server.planning.PlanVersion;

/** Two servers on one database: what is decided on one is followed by the other, row by row, under the same name. */
class TwoServersTest extends ServerTest {
    private static final long PATIENCE_SECONDS = 20;

    @Autowired
    DataSourceProperties database;

    private final BlockingQueue<PlanVersion> followed = new LinkedBlockingQueue<>();
    private ConfigurableApplicationContext other;
    private LivePlan there;

    @BeforeEach
    void anotherServer() {
        other = new SpringApplicationBuilder(RescientServer.class)
                .initializers(context -> ((GenericApplicationContext) context)
                        .registerBean("watching", PlanFollower.class, () -> (before, next) -> followed.add(next)))
                .run(
                        "--server.port=0",
                        "--rescient.today=2026-11-23",
                        "--rescient.demo=" + DEMO,
                        "--spring.datasource.url=" + database.determineUrl(),
                        "--spring.datasource.username=" + database.determineUsername(),
                        "--spring.datasource.password=" + database.determinePassword());
        there = other.getBean(LivePlan.class);
        there.current();
        followed.clear();
    }

    @AfterEach
    void end() {
        other.close();
    }

    private PlanVersion follows(List<Row> items) throws InterruptedException {
        knowing();
        PlanVersion here = live.current();
        PlanVersion next = followed.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        while (next != null && next.revision() < here.revision()) {
            next = followed.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        }
        assertThat(next).isNotNull();
        assertThat(next.number()).isEqualTo(here.number());
        assertThat(next.plan().plannedOrders()).isEqualTo(here.plan().plannedOrders());
        assertThat(next.signals()).isEqualTo(here.signals());
        // it did not read the company again: its items are the very same
        assertThat(next.directory().facts().rows("items")).isSameAs(items);
        return next;
    }

    @Test
    void everyKindOfChangeIsFollowed() throws Exception {
        List<Row> items = there.current().directory().facts().rows("items");
        assertThat(decide("ida", ordering("'number':'SO-9000',", "EXTR-4", "3", "2027-01-15"))
                        .status())
                .isEqualTo(201);
        assertThat(follows(items).directory().customerOrder("SO-9000", "1")).isNotNull();

        Reply later = decide(
                "ida", "{'kind':'PLANNING','item':'GBX-410','site':'LARKMOOR','fields':{'lead_time_days':'25'}}");
        assertThat(later.status()).isEqualTo(201);
        follows(items);
        undo("ida", later);
        follows(items);

        String line = live.current().directory().bills().lines("EXTR-4").get(0).line();
        assertThat(decide("ida", "{'kind':'BILL','item':'EXTR-4','line':'" + line + "'}")
                        .status())
                .isEqualTo(201);
        assertThat(follows(items).directory().bills().lines("EXTR-4"))
                .noneMatch(bomLine -> bomLine.line().equals(line));

        assertThat(release("ida", UUID.randomUUID(), true, keys("NAIL-20").get(0))
                        .status())
                .isEqualTo(201);
        assertThat(follows(items).directory().openOrder("PO-2045", "1")).isNotNull();

        assertThat(reply(
                                "ida",
                                MockMvcRequestBuilders.put("/api/forecast-sets/used")
                                        .with(SecurityMockMvcRequestPostProcessors.csrf())
                                        .contentType("application/json")
                                        .content("{\"none\":true}"))
                        .status())
                .isEqualTo(200);
        follows(items);
    }
}
