package rescient.server.platform;

import java.sql.Timestamp;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.company.Change;
import rescient.dataset.Row;

/** The company's revision, its name and whether it is the demo. */
@Service
public class Companies {
    private final CompanyRepository repository;
    private final ApplicationEventPublisher events;
    private final JdbcTemplate database;
    private final Today today;

    Companies(CompanyRepository repository, ApplicationEventPublisher events, JdbcTemplate database, Today today) {
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

    /** Counts a change that the plan depends on and that may be anything; the plan follows after the commit. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void changed(Cause cause) {
        changed(cause, List.of(), null);
    }

    /**
     * Counts changes that the plan depends on; the plan follows after the commit.
     *
     * @param planning rows by which stock points are planned otherwise
     * @param changes all others there are; null if the company has to be read again
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void changed(Cause cause, List<Row> planning, @Nullable List<Change> changes) {
        Company company = repository.locked();
        company.revision++;
        database.update(
                "insert into plan_causes (revision, made_at, kind, name, sentence) values (?, ?, ?, ?, ?)",
                company.revision,
                Timestamp.from(today.now()),
                cause.kind().name(),
                cause.name(),
                cause.sentence());
        events.publishEvent(new CompanyChanged(company.revision, planning, changes));
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void loaded(String name, boolean demo) {
        Company company = repository.locked();
        company.name = name;
        company.demo = demo;
        company.loaded = true;
        changed(new Cause(Cause.Kind.LOADED, null, name + " was loaded"));
    }
}
