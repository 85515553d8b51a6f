package rescient.server.planning;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.sql.Timestamp;
import java.time.Duration;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.platform.Heard;
import rescient.server.platform.Nullable;
import rescient.server.platform.SharedWork;
import rescient.server.platform.Today;

/** Who is working on which stock point, told to all open browsers, whichever server they are on. */
@RestController
@RequestMapping("/api/plan/people")
class PresenceController implements Heard, SharedWork {
    private static final String CHANNEL = "rescient_people";
    private static final Duration GONE = Duration.ofSeconds(45);
    private static final Duration EVERY = Duration.ofSeconds(15);
    private static final int LONGEST = 200;

    private final PlanNews news;
    private final Today today;
    private final ObjectMapper json;
    private final JdbcTemplate database;

    PresenceController(PlanNews news, Today today, ObjectMapper json, JdbcTemplate database) {
        this.news = news;
        this.json = json;
        this.today = today;
        this.database = database;
    }

    /**
     * Somebody at the desk.
     *
     * @param item the stock point in view, null if none; so is {@code site}
     */
    record Somebody(
            String login,
            String name,
            @Nullable String item,
            @Nullable String site) {}

    record Where(
            @Nullable @Size(max = LONGEST) String item,
            @Nullable @Size(max = LONGEST) String site) {}

    @GetMapping
    List<Somebody> everybody() {
        return database.query(
                "select login, name, item, site from presence order by login",
                (row, i) -> new Somebody(row.getString(1), row.getString(2), row.getString(3), row.getString(4)));
    }

    /** Says where one is; to be repeated while one stays. */
    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void here(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody Where where) {
        int stayed = database.update(
                "update presence set at = ? where login = ? and item is not distinct from ? and site is not distinct from ?",
                Timestamp.from(today.now()),
                user.getUsername(),
                where.item,
                where.site);
        if (stayed == 0) {
            database.update(
                    "insert into presence (login, name, item, site, at) values (?, ?, ?, ?, ?) on conflict (login) do update"
                            + " set name = excluded.name, item = excluded.item, site = excluded.site, at = excluded.at",
                    user.getUsername(),
                    user.name(),
                    where.item,
                    where.site,
                    Timestamp.from(today.now()));
            tellServers();
        }
    }

    private void tellServers() {
        database.queryForList("select pg_notify(?, '')", CHANNEL);
    }

    @Override
    public String channel() {
        return CHANNEL;
    }

    @Override
    public void heard(List<String> nothing) {
        try {
            news.people(json.writeValueAsString(everybody()));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public String name() {
        return "people-gone";
    }

    @Override
    public Duration every() {
        return EVERY;
    }

    /** Who has not been heard of for a while is gone, and the servers are told. */
    @Override
    public void run() {
        Timestamp old = Timestamp.from(today.now().minus(GONE));
        if (database.update("delete from presence where at < ?", old) > 0) {
            tellServers();
        }
    }
}
