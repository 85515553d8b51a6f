package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import rescient.server.testing.TestDatabase;

/** Whatever was done stands in one table, with who, when, what was asked and the revision that came of it. */
class AuditTest extends ServerTest {
    @BeforeEach
    void nothingDoneYet() {
        jdbc.update("delete from commands");
    }

    private List<String> audit() {
        return jdbc.queryForList(
                "select c.kind || ' by ' || c.name || ': ' || coalesce(p.sentence, 'nothing') from commands c"
                        + " left join plan_causes p using (revision) order by c.created_at, c.revision",
                String.class);
    }

    @Test
    void everyCommandStandsInTheAuditWithWhatCameOfIt() throws Exception {
        String rod = keys("ROD-12").get(0);
        Reply firmed = decide("ida", "{'kind':'FIRM','orders':['" + rod + "']}");
        assertThat(firmed.status()).isEqualTo(201);
        assertThat(undo("ida", firmed).status()).isEqualTo(200);
        knowing();
        String nail = keys("NAIL-20").get(0);
        Reply released = release("ida", UUID.randomUUID(), false, nail);
        assertThat(released.status()).isEqualTo(201);
        String number = released.body().get("orders").get(0).get("number").asText();
        String label = firmed.body().get("sentence").asText();
        assertThat(audit())
                .containsExactlyInAnyOrder(
                        "FIRM by Ida Holm: " + label,
                        "TAKE_BACK by Ida Holm: Took back: " + label,
                        "RELEASE by Ida Holm: Released " + number);
    }

    @Test
    void whatIsRefusedIsNotDone() throws Exception {
        assertThat(decide("rufus", "{'kind':'FIRM','orders':['" + keys("ROD-12").get(0) + "']}")
                        .status())
                .isEqualTo(403);
        assertThat(decide("ida", "{'kind':'CANCEL','orders':['PO-9999~1']}").status())
                .isEqualTo(409);
        assertThat(audit()).isEmpty();
    }

    /** A database of before: its decisions are in the audit, and its what-ifs say the same as before. */
    @Test
    void whatWasDoneBeforeIsTakenAlong() throws Exception {
        String database = TestDatabase.create();
        Flyway before = Flyway.configure()
                .dataSource(database, TestDatabase.user(), TestDatabase.password())
                .target("13")
                .load();
        before.migrate();
        try (Connection connection =
                        DriverManager.getConnection(database, TestDatabase.user(), TestDatabase.password());
                Statement sql = connection.createStatement()) {
            UUID firmed = UUID.randomUUID();
            UUID released = UUID.randomUUID();
            sql.execute("insert into users (login, name, password, role) values ('ida', 'Ida Holm', '', 'PLANNER')");
            sql.execute("insert into commands (key, login, request, answer, created_at) values ('" + released
                    + "', 'ida', '{}', '{\"orders\":[]}', '2026-11-20 08:00+00')");
            sql.execute("insert into decisions (command, login, name, made_at, kind, request, sentence, orders, edits)"
                    + " values ('" + firmed + "', 'tom', 'Tom Ferris', '2026-11-20 09:00+00', 'FIRM',"
                    + " '{\"kind\":\"FIRM\",\"orders\":[\"a\"]}', 'Firmed a', '[]', '[]')");
            sql.execute("insert into what_ifs (login, owner, name, made_at, changed_at, revision, assumptions) values"
                    + " ('ida', 'Ida Holm', 'More', now(), now(), 1, '[{\"kind\":\"BILL\",\"item\":\"A\",\"fields\":"
                    + "{\"line\":\"40\",\"quantity\":\"2\"}},{\"kind\":\"PLANNING\",\"item\":\"A\",\"site\":\"W\","
                    + "\"fields\":{\"yield\":\"0.9\"}}]'), ('ida', 'Ida Holm', 'Empty', now(), now(), 1, '[]')");

            Flyway.configure()
                    .dataSource(database, TestDatabase.user(), TestDatabase.password())
                    .load()
                    .migrate();

            assertThat(texts(sql, "select kind || ' ' || name || ' ' || answer from commands order by created_at"))
                    .containsExactly("RELEASE Ida Holm {\"orders\":[]}", "FIRM Tom Ferris 1");
            assertThat(texts(sql, "select assumptions from what_ifs order by id").stream()
                            .map(this::tree)
                            .toList())
                    .containsExactly(
                            tree(
                                    "[{\"kind\":\"BILL\",\"item\":\"A\",\"line\":\"40\",\"quantity\":\"2\"},"
                                            + "{\"kind\":\"PLANNING\",\"item\":\"A\",\"site\":\"W\",\"fields\":{\"yield\":\"0.9\"}}]"),
                            tree("[]"));
        }
    }

    private JsonNode tree(String text) {
        try {
            return json.readTree(text);
        } catch (JsonProcessingException e) {
            throw new AssertionError(e);
        }
    }

    private static List<String> texts(Statement sql, String query) throws SQLException {
        List<String> texts = new ArrayList<>();
        try (ResultSet rows = sql.executeQuery(query)) {
            while (rows.next()) {
                texts.add(rows.getString(1));
            }
        }
        return texts;
    }
}
