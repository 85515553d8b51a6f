package rescient.core.order;

import java.util.List;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.snapshot.Snapshot;

/**
 * How an item gets from one site to another. It takes as long as the transfers that one of the two stock points is planned
 * with, in either direction.
 *
 * @param days working days of the sending site
 */
public record TransferRoute(String item, String from, String site, int days, WorkCalendar sending) {
    private static final String LINE = "1";

    /** @return null if neither stock point is planned with transfers from the other, so that nobody knows how long it takes */
    public static TransferRoute of(Snapshot company, String item, String from, String site) {
        WorkCalendar sending = company.calendar(from);
        if (sending == null || company.calendar(site) == null || from.equals(site)) {
            return null;
        }
        for (PlanningData known : List.of(company.planning(item, site), company.planning(item, from))) {
            String other = known.site.equals(site) ? from : site;
            if (known.source == Source.TRANSFER && other.equals(known.fromSite)) {
                return new TransferRoute(item, from, site, known.leadTimeDays, sending);
            }
        }
        return null;
    }

    /** The day on which it has to leave to be there on another. */
    public int start(int due) {
        return sending.back(due, days);
    }

    /**
     * A firmed order for it.
     *
     * @param quantity millionths
     * @param due the day on which it is to be there
     */
    public Change.Order order(String number, long quantity, int due) {
        return new Change.Order(
                new OpenOrder(
                        number,
                        LINE,
                        Source.TRANSFER,
                        Stage.FIRMED,
                        item,
                        site,
                        from,
                        null,
                        quantity,
                        due,
                        start(due),
                        false),
                List.of(new OpenOrderComponent(number, LINE, item, quantity, start(due))));
    }
}
