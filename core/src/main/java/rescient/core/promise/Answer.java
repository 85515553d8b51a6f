package rescient.core.promise;

import java.util.List;

/**
 * When somebody can have what he would like, and what stands against the day he wanted it.
 *
 * @param promisedDay an epoch day, a working day of the site; null: not within the horizon
 * @param available so much could be had on the wanted day, millionths
 * @param causeItem the item of the supply that stands against the wanted day; null if nothing does, and so are the others
 * @param limitingComponent of a kit the part that comes last
 * @param takenFrom the line that the wanted day would make later
 * @param sizesAlone only harm to others stands against the wanted day, and none would be done if the stock point's orders
 *     were not larger than needed: without its minimum, multiple and fixed quantity
 * @param delayed all lines that the whole quantity on the wanted day would make later, in the order in which they are served
 */
public record Answer(
        Integer promisedDay,
        long available,
        String causeItem,
        String causeSite,
        String limitingComponent,
        Taken takenFrom,
        boolean sizesAlone,
        List<Delayed> delayed) {

    /**
     * A line that another would take from.
     *
     * @param request the place of a line of the same request, from 0 on; null: a line of a customer order
     * @param number of the customer order, null for a line of the same request; so is {@code line}
     */
    public record Taken(Integer request, String number, String line) {}

    /**
     * A line that would come later.
     *
     * @param before the day on which it comes now, {@code after} then; null: never
     */
    public record Delayed(Taken line, Integer before, Integer after) {}

    static final Answer NOTHING = new Answer(null, 0, null, null, null, null, false, List.of());
}
