package rescient.server.health;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.health.Finding;
import rescient.core.health.HealthCheck;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;

/** What is wrong or doubtful in the company's data: found once for each plan, and what somebody decided to live with. */
@Service
public class Health {
    /** How much of the time looking may take, when it is only to say how much is found: a hundredth. */
    private static final int SHARE = 100;

    private final JdbcTemplate database;
    private final Today today;
    private final OnceForPlan<List<Finding>> found = new OnceForPlan<>();
    private volatile Look last;

    /**
     * What was found when all was last looked through.
     *
     * @param at nanoseconds of the machine's clock
     * @param took nanoseconds
     */
    private record Look(List<Finding> findings, long at, long took) {}

    Health(JdbcTemplate database, Today today) {
        this.database = database;
        this.today = today;
    }

    /** That somebody lives with a finding as it was. */
    public record Waiver(String reason, String name, Instant at) {}

    /**
     * A finding as it is known.
     *
     * @param waiver null: nobody waived it, or it is otherwise now
     */
    record Known(Finding finding, Instant since, @Nullable Waiver waiver) {}

    /** All that is found in a plan's company, worst consequence first. */
    List<Finding> findings(PlanVersion version) {
        return found.of(version.plan(), () -> {
            long begun = System.nanoTime();
            List<Finding> findings = HealthCheck.of(version.directory().facts(), version.plan());
            long done = System.nanoTime();
            last = new Look(findings, done, done - begun);
            return findings;
        });
    }

    /** As of a moment ago: a large company is not looked through again for each of its plans, since nobody waits for it. */
    @Transactional
    public List<Known> lately(PlanVersion version) {
        Look look = last;
        boolean fresh = look != null && System.nanoTime() - look.at < SHARE * look.took;
        return known(fresh ? look.findings : findings(version));
    }

    /** The same, with since when each is known and who waived it. What is new is known from now on. */
    @Transactional
    public List<Known> known(PlanVersion version) {
        return known(findings(version));
    }

    private List<Known> known(List<Finding> findings) {
        Map<String, Instant> since = new HashMap<>();
        database.query("select id, found_at from health_findings", row -> {
            since.put(row.getString(1), row.getTimestamp(2).toInstant());
        });
        Instant now = today.now();
        List<String> fresh = new ArrayList<>();
        Set<String> present = new HashSet<>();
        for (Finding finding : findings) {
            present.add(finding.id());
            if (since.putIfAbsent(finding.id(), now) == null) {
                fresh.add(finding.id());
            }
        }
        List<String> gone =
                since.keySet().stream().filter(id -> !present.contains(id)).toList();
        if (!fresh.isEmpty()) {
            database.update(
                    "insert into health_findings (id, found_at) select unnest(?::text[]), ? on conflict (id) do nothing",
                    fresh.toArray(String[]::new),
                    Timestamp.from(now));
        }
        if (!gone.isEmpty()) {
            database.update("delete from health_findings where id = any (?)", (Object) gone.toArray(String[]::new));
        }
        Map<String, String> seen = new HashMap<>();
        Map<String, Waiver> waivers = new HashMap<>();
        database.query("select id, seen, reason, name, made_at from health_waivers", row -> {
            seen.put(row.getString(1), row.getString(2));
            waivers.put(
                    row.getString(1),
                    new Waiver(
                            row.getString(3),
                            row.getString(4),
                            row.getTimestamp(5).toInstant()));
        });
        return findings.stream()
                .map(finding -> new Known(
                        finding,
                        since.get(finding.id()),
                        finding.seen().equals(seen.get(finding.id())) ? waivers.get(finding.id()) : null))
                .toList();
    }

    /** Somebody lives with a finding as it is now. */
    void waive(Finding finding, String reason, String name) {
        database.update(
                "insert into health_waivers (id, seen, reason, name, made_at) values (?, ?, ?, ?, ?) on conflict (id) do"
                        + " update set seen = excluded.seen, reason = excluded.reason, name = excluded.name,"
                        + " made_at = excluded.made_at",
                finding.id(),
                finding.seen(),
                reason,
                name,
                Timestamp.from(today.now()));
    }

    void unwaive(String id) {
        database.update("delete from health_waivers where id = ?", id);
    }
}
