package rescient.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import rescient.core.netting.Signals;
import rescient.core.snapshot.Signal;

/**
 * The signals that ask something of a person: the most urgent kind first, each kind in the order of all signals. Of the half
 * million that a large company has, the first are found without putting all of them into a list.
 *
 * @param first as many as were wanted, or all
 * @param count how many there are
 */
public record AskedSignals(List<Signal> first, int count) {

    /**
     * Those of a plan.
     *
     * @param most how many are wanted
     * @param fits which are asked for
     */
    public static AskedSignals of(Plan plan, int most, Predicate<Signal> fits) {
        List<List<Signal>> ofPoints = lists();
        List<Signal> here = new ArrayList<>();
        int count = 0;
        for (int p : plan.inOrder()) {
            here.clear();
            for (Signal signal : plan.plans.get(p).signals) {
                count += keep(signal, ofPoints, most, fits, here);
            }
            for (Signal signal : plan.late.of(p)) {
                count += keep(signal, ofPoints, most, fits, here);
            }
            // in order only where some are given out: of half a million the first few thousand
            for (Signal signal : Signals.ofOnePoint(here)) {
                List<Signal> alike = ofPoints.get(Ask.of(signal.kind()).ordinal());
                if (alike.size() < most) {
                    alike.add(signal);
                }
            }
        }
        List<List<Signal>> ofNoPoint = lists();
        count += add(plan.signalsOfNoPoint(), ofNoPoint, Integer.MAX_VALUE, fits);
        List<Signal> first = new ArrayList<>();
        for (int ask = 0; ask < ofPoints.size() && first.size() < most; ask++) {
            List<Signal> both = Signals.merged(ofPoints.get(ask), ofNoPoint.get(ask));
            first.addAll(both.subList(0, Math.min(both.size(), most - first.size())));
        }
        return new AskedSignals(List.copyOf(first), count);
    }

    private static List<List<Signal>> lists() {
        List<List<Signal>> lists = new ArrayList<>();
        for (int ask = 0; ask < Ask.values().length; ask++) {
            lists.add(new ArrayList<>());
        }
        return lists;
    }

    /** @return 1 if a signal is asked for, which is kept if not enough of its like are there yet */
    private static int keep(
            Signal signal, List<List<Signal>> there, int most, Predicate<Signal> fits, List<Signal> kept) {
        Ask ask = Ask.of(signal.kind());
        if (ask == null || !fits.test(signal)) {
            return 0;
        }
        if (there.get(ask.ordinal()).size() < most) {
            kept.add(signal);
        }
        return 1;
    }

    /** @return how many there are of them */
    private static int add(List<Signal> signals, List<List<Signal>> into, int most, Predicate<Signal> fits) {
        int count = 0;
        for (Signal signal : signals) {
            Ask ask = Ask.of(signal.kind());
            if (ask != null && fits.test(signal)) {
                count++;
                List<Signal> alike = into.get(ask.ordinal());
                if (alike.size() < most) {
                    alike.add(signal);
                }
            }
        }
        return count;
    }
}
