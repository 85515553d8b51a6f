package rescient.server.whatif;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.decisions.TakenBack;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;

/** What-ifs in the database. */
@Component
class WhatIfStore implements TakenBack {
    private static final String TABLE = "what_ifs";
    private static final String COLUMNS =
            "select id, login, owner, name, changed_at, revision, assumptions from what_ifs ";

    private static final TypeReference<List<Assumption>> LIST = new TypeReference<>() {};

    private final JdbcTemplate database;
    private final ObjectMapper json;
    private final Today today;

    WhatIfStore(JdbcTemplate database, ObjectMapper json, Today today) {
        this.database = database;
        this.json = json;
        this.today = today;
    }

    /** Those of a person, the one changed last first. */
    List<WhatIf> of(String login) {
        return database.query(COLUMNS + "where login = ? order by changed_at desc, id desc", this::read, login);
    }

    /** @throws JobProblem 404 if it is gone */
    WhatIf get(long id) {
        return database.query(COLUMNS + "where id = ?", this::read, id).stream()
                .findFirst()
                .orElseThrow(() -> JobProblem.notFound("There is no such what-if any more"));
    }

    long add(SignedIn user, String name, List<Assumption> assumptions) {
        Timestamp now = Timestamp.from(today.now());
        return database.queryForObject(
                "insert into what_ifs (login, owner, name, made_at, changed_at, revision, assumptions)"
                        + " values (?, ?, ?, ?, ?, 1, ?) returning id",
                Long.class,
                user.getUsername(),
                user.name(),
                name,
                now,
                now,
                write(assumptions));
    }

    /** @return whether it was still of this revision and is changed now */
    boolean change(long id, long revision, String name, List<Assumption> assumptions) {
        return database.update(
                        "update what_ifs set name = ?, assumptions = ?, changed_at = ?, revision = revision + 1"
                                + " where id = ? and revision = ?",
                        name,
                        write(assumptions),
                        Timestamp.from(today.now()),
                        id,
                        revision)
                == 1;
    }

    /** What makes these assumptions of those a what-if had, to be kept with a decision. */
    FactChange change(WhatIf before, List<Assumption> after) {
        return FactChange.of(row(before.id(), before.assumptions()), row(before.id(), after));
    }

    private Row row(long id, List<Assumption> assumptions) {
        return Row.of(DeskTables.WHAT_IFS, Map.of("id", Long.toString(id), "assumptions", write(assumptions)));
    }

    @Override
    public String table() {
        return TABLE;
    }

    /** What was taken over is assumed again, behind what is assumed now; a what-if that was thrown away stays away. */
    @Override
    public void takenBack(FactChange change) {
        long id = Long.parseLong(change.any().text("id"));
        List<Assumption> again = assumptions(change.before().get(0).text("assumptions"));
        assumptions(change.after().get(0).text("assumptions")).forEach(again::remove);
        database.query(COLUMNS + "where id = ? for update", this::read, id).forEach(whatIf -> {
            List<Assumption> all = new ArrayList<>(whatIf.assumptions());
            all.addAll(again);
            change(id, whatIf.revision(), whatIf.name(), all);
        });
    }

    private ArrayList<Assumption> assumptions(String text) {
        try {
            return new ArrayList<>(json.readValue(text, LIST));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    void remove(long id) {
        database.update("delete from what_ifs where id = ?", id);
    }

    /** Each with the name of its kind. */
    private String write(List<Assumption> assumptions) {
        try {
            return json.writerFor(LIST).writeValueAsString(assumptions);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private WhatIf read(ResultSet row, int place) throws SQLException {
        return new WhatIf(
                row.getLong(1),
                row.getString(2),
                row.getString(3),
                row.getString(4),
                row.getTimestamp(5).toInstant(),
                row.getLong(6),
                assumptions(row.getString(7)));
    }
}
