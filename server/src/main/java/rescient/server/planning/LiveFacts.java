package rescient.server.planning;

import java.time.LocalDate;
import java.util.List;
import rescient.core.plan.Plan;
import rescient.server.platform.Companies;
import rescient.server.platform.CompanyChanged;
import rescient.server.platform.Nullable;

/**
 * The company after its last change, a step ahead of the plan: whoever needs its facts alone does not wait for what is
 * calculated from them.
 */
final class LiveFacts {
    private final Companies companies;
    private Known latest;

    LiveFacts(Companies companies) {
        this.companies = companies;
    }

    /** @param version the last plan when it became known */
    private record Known(long revision, Directory directory, PlanVersion version) implements CompanyMoment {
        @Override
        public LocalDate today() {
            return version.today();
        }

        @Override
        public String company() {
            return version.company();
        }

        @Override
        public Plan plan() {
            return version.plan();
        }

        /** Null if the company has to be read again, or something between is missing. */
        @Nullable
        Known after(CompanyChanged change, PlanVersion last) {
            return change.changes() == null || change.revision() != revision + 1
                    ? null
                    : new Known(change.revision(), directory.after(change.rows()), last);
        }
    }

    /** Follows a change that was told here. */
    synchronized void follow(@Nullable PlanVersion planned, CompanyChanged change) {
        if (planned != null) {
            catchUp(planned);
            Known next = latest.after(change, planned);
            latest = next == null ? latest : next;
        }
    }

    /**
     * The company at a revision that is committed.
     *
     * @param most so many changes are followed at most
     * @return null if that is more than can be followed
     */
    @Nullable
    synchronized CompanyMoment at(long revision, PlanVersion planned, int most) {
        catchUp(planned);
        if (revision <= planned.revision()) {
            return planned;
        }
        if (revision - latest.revision > most) {
            return null;
        }
        List<CompanyChanged> missed =
                revision == latest.revision ? List.of() : companies.changes(latest.revision, revision);
        for (CompanyChanged change : missed) {
            Known next = latest.after(change, planned);
            if (next == null) {
                return null;
            }
            latest = next;
        }
        return latest.revision == revision ? latest : null;
    }

    /** Begins again from a plan that knows more, or is of another day. */
    private void catchUp(PlanVersion planned) {
        if (latest == null
                || latest.revision < planned.revision()
                || !latest.today().equals(planned.today())) {
            latest = new Known(planned.revision(), planned.directory(), planned);
        }
    }
}
