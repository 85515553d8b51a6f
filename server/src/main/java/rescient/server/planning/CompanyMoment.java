package rescient.server.planning;

import java.time.LocalDate;
import rescient.core.plan.Plan;

/** A company as it is after one of its changes, whether it is planned already or not. */
public interface CompanyMoment {
    long revision();

    LocalDate today();

    /** The company's name. */
    String company();

    Directory directory();

    /** The last plan there is: this moment's, or an earlier one where this moment is not planned yet. */
    Plan plan();
}
