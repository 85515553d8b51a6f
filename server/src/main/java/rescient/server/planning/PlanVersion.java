package rescient.server.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import rescient.core.company.Change;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.PlanChanges;
import rescient.server.platform.Asked;
import rescient.server.platform.CompanyChanged;

/**
 * A complete plan with the names that belong to it.
 *
 * @param revision the company's revision it was made from
 * @param tookMillis reading and calculating
 */
public record PlanVersion(
        long revision,
        Instant madeAt,
        long tookMillis,
        LocalDate today,
        LocalDate horizonEnd,
        String company,
        boolean demo,
        Plan plan,
        Directory directory)
        implements CompanyMoment {

    private static final int REVISION_BITS = 32;

    /** Names the plan by the company's revision and the day, the same on every server; a later one is higher. */
    public long number() {
        return today.toEpochDay() << REVISION_BITS | revision;
    }

    /** The company's revision in the name of a plan. */
    public static long revisionOf(long number) {
        return number & (1L << REVISION_BITS) - 1;
    }

    /** The signals and the customer orders that can never be met, together in order. */
    public List<Signal> signals() {
        return plan.allSignals();
    }

    /**
     * What was made anew last of a company, for a change that is looked at, kept and then followed would else be calculated
     * three times. Let go as soon as memory is short.
     */
    private static final Cache<Directory, Tried> TRIED = Caffeine.newBuilder()
            .weakKeys()
            .softValues()
            .maximumSize(2)
            .executor(Runnable::run)
            .build();

    /** What came of some changed rows. */
    private record Tried(List<FactChange> rows, Plan plan, Directory directory) {
        boolean cameOf(List<FactChange> others) {
            return rows.size() == others.size()
                    && IntStream.range(0, rows.size()).allMatch(i -> rows.get(i).saysLike(others.get(i)));
        }
    }

    /** This version as if these rows were changed. */
    public PlanVersion changed(List<FactChange> changes) {
        List<FactChange> rows = FactChange.ofCompany(changes);
        return changed(rows, directory.after(rows));
    }

    /** This version after what was told of the company, together. */
    PlanVersion told(List<CompanyChanged> news) {
        Directory next = directory;
        for (CompanyChanged change : news) {
            next = next.after(change.rows());
        }
        return changed(news.stream().flatMap(change -> change.rows().stream()).toList(), next);
    }

    private PlanVersion changed(List<FactChange> rows, Directory next) {
        Tried tried = TRIED.getIfPresent(directory);
        if (tried != null && tried.cameOf(rows)) {
            return after(revision, madeAt, tried.plan, tried.directory);
        }
        int day = (int) today.toEpochDay();
        // a name makes another plan too: what was made of the one before holds the old name
        return PlanChanges.of(directory.facts(), next.facts(), rows, day)
                .map(planned ->
                        after(revision, madeAt, rows.isEmpty() ? plan : plan.after(planned, Asked.watch()), next))
                .orElseGet(() -> {
                    PlanVersion other = anew(next.facts());
                    TRIED.put(directory, new Tried(List.copyOf(rows), other.plan, other.directory));
                    return other;
                });
    }

    private PlanVersion anew(Facts facts) {
        Plan other = calculated(facts.dataset(), today, horizonEnd);
        return after(revision, madeAt, other, new Directory(facts));
    }

    /** This version as it was on another day. */
    public PlanVersion on(LocalDate day) {
        LocalDate end = day.plusDays(ChronoUnit.DAYS.between(today, horizonEnd));
        Plan other = calculated(directory.dataset(), day, end);
        return new PlanVersion(revision, madeAt, tookMillis, day, end, company, demo, other, directory.on(day));
    }

    /** This version as if these lines of customer orders were not there. */
    public PlanVersion without(Set<PlanOptions.Line> lines) {
        List<Change> gone = lines.stream()
                .map(l -> (Change) new Change.NoCustomerOrder(l.number(), l.line()))
                .toList();
        return after(revision, madeAt, plan.after(gone, Asked.watch()), directory);
    }

    private static Plan calculated(Dataset dataset, LocalDate today, LocalDate horizonEnd) {
        Planner.Watch watch = Asked.watch();
        watch.planned(0, 0);
        return new Planner().plan(Company.snapshot(dataset, today, horizonEnd), PlanOptions.ALL, watch);
    }

    /** The same, known as that of a revision. */
    PlanVersion at(long known, Instant moment) {
        return after(known, moment, plan, directory);
    }

    PlanVersion took(long millis) {
        return new PlanVersion(revision, madeAt, millis, today, horizonEnd, company, demo, plan, directory);
    }

    /** The next version, with changes that leave the company and its days what they are. */
    PlanVersion after(long nextRevision, Instant at, Plan nextPlan, Directory nextDirectory) {
        return new PlanVersion(nextRevision, at, 0, today, horizonEnd, company, demo, nextPlan, nextDirectory);
    }
}
