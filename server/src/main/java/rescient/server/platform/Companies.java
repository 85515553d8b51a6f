package rescient.server.platform;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.LongConsumer;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rescient.dataset.FactChange;

/** The company's revision, its name and whether it is the demo. */
@Service
public class Companies {
    /** Whoever has not looked for longer is told of so many. */
    private static final int MOST_TOLD = 1000;

    /** On which the database tells servers of a new revision. */
    public static final String CHANNEL = "rescient_changes";

    private final CompanyRepository repository;
    private final ApplicationEventPublisher events;
    private final JdbcTemplate database;
    private final Today today;
    private final ToldChanges told;

    Companies(
            CompanyRepository repository,
            ApplicationEventPublisher events,
            JdbcTemplate database,
            Today today,
            ToldChanges told) {
        this.told = told;
        this.repository = repository;
        this.events = events;
        this.database = database;
        this.today = today;
    }

    /** What is said of the company on every page. */
    public record About(String name, boolean demo, boolean loaded) {}

    @Transactional(readOnly = true)
    public About about() {
        Company company = repository.only();
        return new About(company.name, company.demo, company.loaded);
    }

    /**
     * Takes the company's lock for the rest of the transaction.
     *
     * @return the revision that is committed now
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public long lock() {
        return repository.locked().revision;
    }

    /**
     * Counts changes that the plan depends on, keeps them with their cause, and tells of them: the plan of this server
     * follows after the commit, and so do the plans of others.
     *
     * @param changes of rows, all there are; null if the company has to be read again
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void changed(Cause cause, @Nullable List<FactChange> changes) {
        changed(cause, changes, rows -> {});
    }

    /** @param progress is told how many changes were kept so far, and may throw to end it */
    @Transactional(propagation = Propagation.MANDATORY)
    public void changed(Cause cause, @Nullable List<FactChange> changes, LongConsumer progress) {
        Company company = repository.locked();
        company.revision++;
        database.update(
                "insert into plan_causes (revision, made_at, kind, name, sentence, told) values (?, ?, ?, ?, ?, ?)",
                company.revision,
                Timestamp.from(today.now()),
                cause.kind().name(),
                cause.name(),
                cause.sentence(),
                changes != null);
        if (changes != null) {
            told.keep(company.revision, changes, progress);
        }
        database.queryForList("select pg_notify(?, ?)", CHANNEL, Long.toString(company.revision));
        events.publishEvent(new CompanyChanged(company.revision, changes));
    }

    /** What happened after one revision and up to another, in order; what is no longer known is missing. */
    @Transactional(readOnly = true)
    public List<CompanyChanged> changes(long after, long upTo) {
        Map<Long, List<FactChange>> changes = told.between(after, upTo);
        return database.query(
                "select revision, told from plan_causes where revision > ? and revision <= ? order by revision",
                (row, i) -> new CompanyChanged(
                        row.getLong(1), row.getBoolean(2) ? changes.getOrDefault(row.getLong(1), List.of()) : null),
                after,
                upTo);
    }

    /** One revision: when, by whom and why, and what became otherwise. */
    public record Happened(long revision, Instant at, Cause cause, List<FactChange> changes) {}

    /** What happened after a revision, in order, as far as it is told row by row; of very many, the last. */
    @Transactional(readOnly = true)
    public List<Happened> since(long revision) {
        long present = repository.only().revision;
        long from = Math.max(revision, present - MOST_TOLD);
        Map<Long, List<FactChange>> changes = told.between(from, present);
        return database.query(
                "select revision, made_at, kind, name, sentence from plan_causes"
                        + " where revision > ? and revision <= ? and told order by revision",
                (row, i) -> new Happened(
                        row.getLong(1),
                        row.getTimestamp(2).toInstant(),
                        new Cause(Cause.Kind.valueOf(row.getString(3)), row.getString(4), row.getString(5)),
                        changes.getOrDefault(row.getLong(1), List.of())),
                from,
                present);
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void loaded(String name, boolean demo) {
        Company company = repository.locked();
        company.name = name;
        company.demo = demo;
        company.loaded = true;
        changed(new Cause(Cause.Kind.LOADED, null, name + " was loaded"), null);
    }
}
