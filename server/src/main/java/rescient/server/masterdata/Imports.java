package rescient.server.masterdata;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Timestamp;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.LongConsumer;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.sheets.Sheet;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;

/** What people brought to this server and have not taken in yet: kept for an hour, at most so many rows together. */
@Component
class Imports {
    private static final Duration KEPT = Duration.ofHours(1);
    private static final long MOST_ROWS = 4_000_000;

    private final Cache<UUID, Brought> brought = Caffeine.newBuilder()
            .expireAfterAccess(KEPT)
            .maximumWeight(MOST_ROWS)
            .weigher((UUID id, Brought b) -> Math.toIntExact(Math.min(Integer.MAX_VALUE, 1 + b.rows())))
            .build();
    private final JdbcTemplate database;
    private final ObjectMapper json;
    private final Today today;

    Imports(JdbcTemplate database, ObjectMapper json, Today today) {
        this.database = database;
        this.json = json;
        this.today = today;
    }

    /** The sheets that somebody brought, and how far the work on them is. */
    static final class Brought {
        final UUID id;
        final String login;
        final String name;
        final List<Sheet> sheets;
        private volatile long done;
        private volatile boolean kept;
        private volatile boolean unwanted;

        Brought(UUID id, String login, String name, List<Sheet> sheets) {
            this.id = id;
            this.login = login;
            this.name = name;
            this.sheets = sheets;
        }

        long rows() {
            return sheets.stream().mapToLong(sheet -> sheet.rows().size()).sum();
        }

        long done() {
            return done;
        }

        /** Work begins; it tells how far it is, and ends when it is not wanted any more. */
        LongConsumer begin() {
            unwanted = false;
            kept = false;
            done = 0;
            return this::at;
        }

        /** The rows that came of it are kept; it tells how far that is, and ends when it is not wanted any more. */
        LongConsumer keeping() {
            return rows -> {
                kept = true;
                at(rows);
            };
        }

        private void at(long rows) {
            done = rows;
            if (unwanted) {
                throw new JobProblem(HttpStatus.CONFLICT, "You ended it; nothing was changed.");
            }
        }

        /** Whether rows are being kept already. */
        boolean kept() {
            return kept;
        }

        void end() {
            unwanted = true;
        }
    }

    Brought add(String login, String name, List<Sheet> sheets) {
        Brought one = new Brought(UUID.randomUUID(), login, name, sheets);
        brought.put(one.id, one);
        return one;
    }

    boolean knows(String login, UUID id) {
        Brought one = brought.getIfPresent(id);
        return one != null && one.login.equals(login);
    }

    /** @throws JobProblem 404 if it is not known here, or somebody else's */
    Brought of(String login, UUID id) {
        return Optional.ofNullable(brought.getIfPresent(id))
                .filter(one -> one.login.equals(login))
                .orElseThrow(() -> JobProblem.notFound("What you brought is no longer known here; bring it once more"));
    }

    void forget(UUID id) {
        brought.invalidate(id);
    }

    /** How a sheet with this header was understood the last time: the table, and the name in the sheet by column. */
    Optional<Map.Entry<String, Map<String, String>>> remembered(Sheet sheet) {
        return database
                .query(
                        "select table_name, mapping from import_mappings where header = ?",
                        (row, i) -> Map.entry(row.getString(1), read(row.getString(2))),
                        header(sheet))
                .stream()
                .findFirst();
    }

    void remember(Sheet sheet, String table, Map<String, Integer> columns) {
        Map<String, String> names = new HashMap<>();
        columns.forEach((column, place) -> names.put(column, sheet.header().get(place)));
        try {
            database.update(
                    "insert into import_mappings (header, table_name, mapping, used_at) values (?, ?, ?, ?)"
                            + " on conflict (header) do update set table_name = excluded.table_name,"
                            + " mapping = excluded.mapping, used_at = excluded.used_at",
                    header(sheet),
                    table,
                    json.writeValueAsString(names),
                    Timestamp.from(today.now()));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String header(Sheet sheet) {
        return String.join("\t", sheet.header()).toLowerCase(Locale.ROOT);
    }

    private Map<String, String> read(String mapping) {
        try {
            return json.readValue(mapping, new TypeReference<Map<String, String>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
