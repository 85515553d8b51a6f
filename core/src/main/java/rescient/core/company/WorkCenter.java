package rescient.core.company;

import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;

/**
 * Where operations are done.
 *
 * @param calendar its own, or null: that of its site
 * @param minutesPerDay more than 0
 * @param efficiency more than 0; 1 = 100 %
 */
public record WorkCenter(String code, String site, WorkCalendar calendar, Ratio minutesPerDay, Ratio efficiency) {}
