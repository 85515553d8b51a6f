package rescient.core.company;

import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

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
 * @param madeFor the customer order line on which a production or assembly order hangs, or null
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
        long startQuantity,
        MadeFor madeFor) {
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
        this(
                number, line, kind, stage, item, site, fromSite, supplier, quantity, dueDay, startDay, locked, quantity,
                null);
    }

    /** The same, which nothing pulls in and no signal moves. */
    public OpenOrder asLocked() {
        return new OpenOrder(
                number,
                line,
                kind,
                stage,
                item,
                site,
                fromSite,
                supplier,
                quantity,
                dueDay,
                startDay,
                true,
                startQuantity,
                madeFor);
    }

    /**
     * What has to be started for what is still open of an order: the same part of all that is started as is open of all
     * that was ordered, rounded up. What is started follows from the yield if nothing else is said.
     *
     * @param open millionths, as the other quantities
     * @param ordered in all; {@link Quantity#NOT_SET}: what is open
     * @param started in all; {@link Quantity#NOT_SET}: what was ordered, divided by the yield and rounded up
     * @param step smallest part of the item's unit
     */
    public static long toStart(Source kind, long open, long ordered, long started, Ratio yield, long step) {
        long whole = Math.max(open, ordered == Quantity.NOT_SET ? open : ordered);
        long all = started;
        if (started == Quantity.NOT_SET) {
            all = kind.fromComponents() ? yield.inverse().up(whole, step) : whole;
        }
        return whole == 0 ? 0 : Ratio.part(open, whole).up(all, 1);
    }

    /** A day that is not set. */
    public static final int NO_DAY = Integer.MIN_VALUE;
}
