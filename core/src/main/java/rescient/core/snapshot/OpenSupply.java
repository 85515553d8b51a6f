package rescient.core.snapshot;

import java.util.Comparator;
import rescient.core.company.OpenOrder;

/**
 * An open order as a supply of its stock point.
 *
 * @param number rank of its number; so is {@code line}
 * @param waitsAt the stock points that it still has to be issued from, each once
 */
public record OpenSupply(OpenOrder order, int number, int line, int[] waitsAt) {
    static final int[] NOWHERE = {};
    static final Comparator<OpenSupply> BY_NUMBER =
            Comparator.comparingInt(OpenSupply::number).thenComparingInt(OpenSupply::line);

    OpenSupply copy() {
        return new OpenSupply(order, number, line, waitsAt);
    }

    /** The day it counts on before anything is pulled in. */
    public int countsOn(int today) {
        return Math.max(order.dueDay(), today);
    }
}
