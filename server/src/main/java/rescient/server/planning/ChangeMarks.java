package rescient.server.planning;

import jakarta.servlet.http.HttpSession;
import java.util.Set;

/** Knows what of the plan is not as it was. */
public interface ChangeMarks {
    /**
     * The keys of the planned and firmed orders that are new or otherwise since the end of a person's last visit.
     *
     * @param session of the visit that the person is on
     */
    Set<String> sinceVisit(PlanVersion version, String login, HttpSession session);
}
