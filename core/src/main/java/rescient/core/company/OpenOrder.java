package rescient.core.company;

/**
 * One line of a firmed or released order.
 *
 * @param kind never {@link Source#NONE}
 * @param fromSite sending site or subcontractor's premises, null otherwise
 * @param supplier null unless bought
 * @param quantity good quantity still open, millionths
 * @param startDay {@link #NO_DAY} if not set
 * @param locked no signal proposes another date and it is never pulled in
 * @param startQuantity what has to be started, before yield, for the quantity still open; millionths
 */
public record OpenOrder(
        String number,
        String line,
        Source kind,
        Stage stage,
        String item,
        String site,
        String fromSite,
        String supplier,
        long quantity,
        int dueDay,
        int startDay,
        boolean locked,
        long startQuantity) {
    /** An order that is started with what it is to bring. */
    public OpenOrder(
            String number,
            String line,
            Source kind,
            Stage stage,
            String item,
            String site,
            String fromSite,
            String supplier,
            long quantity,
            int dueDay,
            int startDay,
            boolean locked) {
        this(number, line, kind, stage, item, site, fromSite, supplier, quantity, dueDay, startDay, locked, quantity);
    }

    /** A day that is not set. */
    public static final int NO_DAY = Integer.MIN_VALUE;
}
