package rescient.server.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import rescient.core.company.Change;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.platform.Asked;

/**
 * A complete plan with the names that belong to it.
 *
 * @param number counts the plans since the server started
 * @param revision the company's revision it was made from
 * @param tookMillis reading and calculating
 */
public record PlanVersion(
        long number,
        long revision,
        Instant madeAt,
        long tookMillis,
        LocalDate today,
        LocalDate horizonEnd,
        String company,
        boolean demo,
        Plan plan,
        Directory directory) {

    /** The signals and the customer orders that can never be met, together in order. */
    public List<Signal> signals() {
        return plan.allSignals();
    }

    /** This version as if the company's rows were these. */
    public PlanVersion with(Dataset dataset) {
        Plan other = calculated(dataset, today, horizonEnd);
        return new PlanVersion(
                number, revision, madeAt, tookMillis, today, horizonEnd, company, demo, other, new Directory(dataset));
    }

    /** This version as if a stock point were planned by this row; only what that touches is planned again. */
    public PlanVersion planned(Row planning) {
        Change change = new Change.Planning(Company.planning(directory.data(), planning));
        return after(revision, madeAt, plan.after(List.of(change), Asked.watch()), directory.planned(planning));
    }

    /** This version as it was on another day. */
    public PlanVersion on(LocalDate day) {
        LocalDate end = day.plusDays(ChronoUnit.DAYS.between(today, horizonEnd));
        Plan other = calculated(directory.dataset(), day, end);
        return new PlanVersion(number, revision, madeAt, tookMillis, day, end, company, demo, other, directory);
    }

    /** This version as if these changes of open orders were made. */
    public PlanVersion with(List<Change> changes) {
        return after(revision, madeAt, plan.after(changes, Asked.watch()), directory.after(changes));
    }

    /** This version as if these lines of customer orders were not there. */
    public PlanVersion without(Set<PlanOptions.Line> lines) {
        List<Change> gone = lines.stream()
                .map(l -> (Change) new Change.NoCustomerOrder(l.number(), l.line()))
                .toList();
        return new PlanVersion(
                number,
                revision,
                madeAt,
                tookMillis,
                today,
                horizonEnd,
                company,
                demo,
                plan.after(gone, Asked.watch()),
                directory);
    }

    private static Plan calculated(Dataset dataset, LocalDate today, LocalDate horizonEnd) {
        Planner.Watch watch = Asked.watch();
        watch.planned(0, 0);
        return new Planner().plan(Company.snapshot(dataset, today, horizonEnd), PlanOptions.ALL, watch);
    }

    PlanVersion took(long millis) {
        return new PlanVersion(number, revision, madeAt, millis, today, horizonEnd, company, demo, plan, directory);
    }

    /** The next version, with changes that leave the company and its days what they are. */
    PlanVersion after(long nextRevision, Instant at, Plan nextPlan, Directory nextDirectory) {
        return new PlanVersion(
                number + 1, nextRevision, at, 0, today, horizonEnd, company, demo, nextPlan, nextDirectory);
    }
}
