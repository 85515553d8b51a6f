package rescient.server.changes;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Date;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.server.planning.PlanFollower;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.SharedWork;
import rescient.server.platform.Sparing;
import rescient.server.platform.Today;

/**
 * Keeps what each new plan changed, so that it outlives the server: one plan after the other, beside the calculation, for
 * whoever waits for a plan does not wait for what is told of it.
 */
@Component
class Journal implements PlanFollower, SharedWork, DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(Journal.class);
    private static final Duration KEPT = Duration.ofDays(60);
    private static final Duration EVERY = Duration.ofHours(6);
    private static final int MOMENTS = 50;
    private static final int RECENT = 10;
    /** While nobody looks, one part in so many of the time is spent on it. */
    private static final int SHARE = 4;

    private final JdbcTemplate database;
    private final ObjectMapper json;
    private final Today today;
    private final Backlog<PlanVersion> backlog = new Backlog<>();
    private final Sparing writer = new Sparing("journal", SHARE, this::keepAll);

    Journal(JdbcTemplate database, ObjectMapper json, Today today) {
        this.database = database;
        this.json = json;
        this.today = today;
    }

    /** What was told of the moments that are asked for. */
    private final Cache<Instant, RunningLog> logs = Caffeine.newBuilder()
            .softValues()
            .maximumSize(MOMENTS)
            .executor(Runnable::run)
            .build();

    /** The last ones that were written here, which need not be read. */
    private final Cache<Long, JournalEntry> recent = Caffeine.newBuilder()
            .softValues()
            .maximumSize(RECENT)
            .executor(Runnable::run)
            .build();

    /** The day and the revision of a plan that is known. */
    private record Known(long revision, LocalDate day) {}

    /**
     * Compares with the plan before. A server that starts compares with the last plan that is known, if only the day is
     * another: the same data make that plan again. Of several servers on one database the one that knows more keeps it:
     * what is compared with an older plan than the last that is known would tell of the same changes twice.
     */
    @Override
    public void follow(PlanVersion before, PlanVersion next) {
        backlog.add(before, next);
        writer.ask();
    }

    private void keepAll() {
        for (Backlog.Step<PlanVersion> step = backlog.take(); step != null; step = backlog.take()) {
            try {
                keep(step.before(), step.next());
            } catch (RuntimeException e) {
                LOG.error(
                        "What changed with revision {} was not kept",
                        step.next().revision(),
                        e);
            }
        }
    }

    private void keep(PlanVersion before, PlanVersion next) {
        Known last = last();
        if (before != null && last != null && last.revision > before.revision()) {
            return;
        }
        Known known = before == null ? last : new Known(before.revision(), before.today());
        long from = known == null ? Long.MIN_VALUE : known.revision;
        List<JournalEntry.Happened> causes = JournalEntry.Happened.together(causes(from, next.revision()));
        boolean compares = known != null && causes.stream().noneMatch(c -> c.kind() == Cause.Kind.LOADED);
        if (before != null && compares) {
            write(next, JournalEntry.between(before, next, causes));
        } else if (compares && known.revision == next.revision()) {
            if (!known.day.equals(next.today())) {
                write(next, JournalEntry.between(next.on(known.day), next, causes));
            }
        } else {
            write(next, JournalEntry.beginning(causes));
        }
    }

    private Known last() {
        return database
                .query(
                        "select revision, day from plan_journal order by id desc limit 1",
                        (row, i) -> new Known(row.getLong(1), row.getDate(2).toLocalDate()))
                .stream()
                .findFirst()
                .orElse(null);
    }

    private List<JournalEntry.Happened> causes(long after, long upTo) {
        return database.query(
                "select made_at, kind, name, sentence from plan_causes where revision > ? and revision <= ?"
                        + " order by revision",
                (row, i) -> JournalEntry.Happened.of(
                        row.getTimestamp(1).toInstant(),
                        new Cause(Cause.Kind.valueOf(row.getString(2)), row.getString(3), row.getString(4))),
                after,
                upTo);
    }

    /** A plan of a company in whose place another was loaded meanwhile is not kept. */
    private void write(PlanVersion next, JournalEntry entry) {
        List<Long> written = database.queryForList(
                "insert into plan_journal (made_at, revision, day, changes) select ?, ?, ?, ?"
                        + " where not exists (select from plan_causes where kind = ? and revision > ?)"
                        + " on conflict (revision, day) do nothing returning id",
                Long.class,
                Timestamp.from(next.madeAt()),
                next.revision(),
                Date.valueOf(next.today()),
                text(entry),
                Cause.Kind.LOADED.name(),
                next.revision());
        written.forEach(id -> recent.put(id, entry));
    }

    @Override
    public String name() {
        return "journal-forgotten";
    }

    @Override
    public Duration every() {
        return EVERY;
    }

    /** What nobody asks for any more is forgotten. */
    @Override
    public void run() {
        Timestamp oldest = Timestamp.from(today.now().minus(KEPT));
        database.update("delete from plan_journal where made_at < ?", oldest);
    }

    @Override
    public void destroy() {
        // what is not kept is told by the next start, of which the last plan that was kept is known
        writer.stop();
    }

    /** An entry with its number. */
    record Kept(long id, JournalEntry entry) {}

    /** What was kept after a moment, of all plans that could be seen until now. */
    <T> T since(Instant moment, Function<RunningLog, T> read) {
        writer.settle();
        Timestamp after = Timestamp.from(moment);
        Long first = database.queryForObject("select min(id) from plan_journal where made_at > ?", Long.class, after);
        RunningLog known = logs.get(moment, m -> new RunningLog());
        synchronized (known) {
            if (known.first() == 0 || Objects.equals(first, known.first())) {
                known.tell(after(after, known.last()));
                return read.apply(known);
            }
        }
        // what it begins with is forgotten, or of another company
        logs.invalidate(moment);
        return since(moment, read);
    }

    private List<Kept> after(Timestamp moment, long id) {
        return database.query(
                "select id, changes from plan_journal where made_at > ? and id > ? order by id",
                (row, i) -> {
                    JournalEntry entry = recent.getIfPresent(row.getLong(1));
                    return new Kept(row.getLong(1), entry == null ? entry(row.getString(2)) : entry);
                },
                moment,
                id);
    }

    /** When the plan that is known longest was made; null if nothing is kept. */
    Instant beginning() {
        writer.settle();
        Timestamp first = database.queryForObject("select min(made_at) from plan_journal", Timestamp.class);
        return first == null ? null : first.toInstant();
    }

    private String text(JournalEntry entry) {
        try {
            return json.writeValueAsString(entry);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private JournalEntry entry(String text) {
        try {
            return json.readValue(text, JournalEntry.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
