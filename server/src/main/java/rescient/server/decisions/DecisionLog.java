package rescient.server.decisions;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.server.access.SignedIn;
import rescient.server.commands.Turn;

/** What was decided, in the database; what became otherwise by it stands in the stream of changes. */
@Component
class DecisionLog {
    private static final int LATEST = 60;
    private static final String SELECT =
            "select d.id, d.name, d.login, d.made_at, d.kind, d.sentence, d.orders, d.undone_at, d.undone_by, c.request"
                    + " from decisions d left join commands c on c.key = d.command ";

    private final JdbcTemplate database;
    private final ObjectMapper json;

    DecisionLog(JdbcTemplate database, ObjectMapper json) {
        this.database = database;
        this.json = json;
    }

    /** @return its number */
    long add(Turn turn, String kind, String sentence, List<String> orders) {
        return database.queryForObject(
                "insert into decisions (command, login, name, made_at, kind, sentence, orders)"
                        + " values (?, ?, ?, ?, ?, ?, ?) returning id",
                Long.class,
                turn.key(),
                turn.who().getUsername(),
                turn.who().name(),
                Timestamp.from(turn.now()),
                kind,
                sentence,
                write(orders));
    }

    void undone(long id, Turn turn) {
        database.update(
                "update decisions set undone_at = ?, undone_by = ? where id = ?",
                Timestamp.from(turn.now()),
                turn.who().name(),
                id);
    }

    /** @param about keys of the orders it is about, as its command is not in the audit yet */
    Decision made(SignedIn who, long id, List<String> about) {
        Decision made = of(who, id).orElseThrow();
        return new Decision(
                made.id(),
                made.name(),
                made.mine(),
                made.madeAt(),
                made.kind(),
                made.sentence(),
                made.orders(),
                about,
                made.undoneAt(),
                made.undoneBy());
    }

    Optional<Decision> of(SignedIn who, long id) {
        return find(who, "where d.id = ?", id).stream().findFirst();
    }

    /** The decision that came of a command of this person, if it was carried out. */
    Optional<Decision> ofCommand(SignedIn who, UUID key) {
        return find(who, "where d.command = ? and d.login = ?", key, who.getUsername()).stream()
                .findFirst();
    }

    /** The latest decisions of everybody, newest first. */
    List<Decision> latest(SignedIn who) {
        return find(who, "order by d.id desc limit " + LATEST);
    }

    /** The latest decision about an order that was not taken back. */
    Optional<Decision> about(String order) {
        return find(null, "order by d.id desc limit " + LATEST).stream()
                .filter(decision ->
                        decision.undoneAt() == null && decision.about().contains(order))
                .findFirst();
    }

    /** The company's revision that came of a decision, if facts became otherwise. */
    Optional<Long> revision(long id) {
        return database
                .queryForList(
                        "select c.revision from decisions d join commands c on c.key = d.command"
                                + " where d.id = ? and c.revision is not null",
                        Long.class,
                        id)
                .stream()
                .findFirst();
    }

    private List<Decision> find(SignedIn who, String which, Object... values) {
        return database.query(SELECT + which, (row, i) -> decision(who, row), values);
    }

    private Decision decision(SignedIn who, ResultSet row) throws SQLException {
        Timestamp undone = row.getTimestamp(8);
        Instant undoneAt = undone == null ? null : undone.toInstant();
        String request = row.getString(10);
        return new Decision(
                row.getLong(1),
                row.getString(2),
                who != null && Objects.equals(who.getUsername(), row.getString(3)),
                row.getTimestamp(4).toInstant(),
                row.getString(5),
                row.getString(6),
                texts(read(row.getString(7))),
                request == null ? List.of() : texts(read(request).path("orders")),
                undoneAt,
                row.getString(9));
    }

    private static List<String> texts(JsonNode array) {
        List<String> texts = new ArrayList<>();
        array.forEach(text -> texts.add(text.asText()));
        return texts;
    }

    private JsonNode read(String text) {
        try {
            return json.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private String write(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
