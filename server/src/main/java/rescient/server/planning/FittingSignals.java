package rescient.server.planning;

import java.util.function.Predicate;
import rescient.core.snapshot.Signal;
import rescient.server.platform.Sought;

/** Whether signals fit a filter, asked in the order of the plan: what holds for a stock point is found once for all of its. */
final class FittingSignals implements Predicate<Signal> {
    private final ListFilter filter;
    private final Directory directory;
    private final Sought sought;
    private String item;
    private String site;
    /** Whether this stock point's can fit at all, and what is still looked for in each. */
    private boolean here;

    private Sought left;

    FittingSignals(ListFilter filter, Directory directory) {
        this.filter = filter;
        this.directory = directory;
        this.sought = new Sought(filter.words());
    }

    @Override
    public boolean test(Signal signal) {
        if (!signal.item().equals(item) || !signal.site().equals(site)) {
            item = signal.item();
            site = signal.site();
            here = filter.fits(directory, item, site);
            left = here ? sought.without(item, directory.itemName(item), directory.siteName(site)) : sought;
        }
        return here && left.in(signal.orderNumber()) && filter.forSignals(Words.word(signal.kind()));
    }
}
