package rescient.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.dates.PossibleDates;
import rescient.core.snapshot.StockPoint;

/** The bars of a thread while it is put together, and which of them decide. */
final class ThreadBars {
    /** A bar while its chain is followed. */
    static final class Bar {
        int depth;
        int above = -1;
        PlanThread.Kind kind;
        StockPoint point;
        Source source;
        String number = "";
        String line = "";
        int sequence = -1;
        long quantity;
        long pegged;
        int start = OpenOrder.NO_DAY;
        int due;
        int possible;
        int needed;
        /** How late what it is asked for itself is, at depth 0; or {@link PossibleDates#NEVER}. */
        int lateness;
        /** The bars above whose date it decides, each with the lateness that reaches it. */
        final Map<Integer, Integer> decides = new HashMap<>();

        /** The lateness that reaches it from what is not shown and decides it, if so. */
        Integer decidedElsewhere;

        final List<Integer> alsoFor = new ArrayList<>();
        boolean deciding;
    }

    private final List<Bar> bars = new ArrayList<>();
    private boolean cut;

    Bar get(int at) {
        return bars.get(at);
    }

    /** Whether one bar is another, or that waits for it through others. */
    boolean standsAbove(int one, int other) {
        int at = other;
        while (at >= 0 && at != one) {
            at = bars.get(at).above;
        }
        return at == one;
    }

    /** Whether there is no room for more. */
    boolean full() {
        return cut;
    }

    /** @return its place, or -1 if there is no room */
    int add(Bar bar) {
        if (bars.size() == PlanThread.MOST) {
            cut = true;
            return -1;
        }
        bars.add(bar);
        return bars.size() - 1;
    }

    PlanThread thread() {
        decide();
        List<PlanThread.Bar> finished = new ArrayList<>();
        for (int i = 0; i < bars.size(); i++) {
            finished.add(finished(i));
        }
        return new PlanThread(List.copyOf(finished), cut);
    }

    /** Marks the chains that decide; an order that several wait for may stand before some of them. */
    private void decide() {
        bars.stream().filter(bar -> bar.depth == 0).forEach(bar -> bar.deciding = true);
        boolean more = true;
        while (more) {
            more = false;
            for (Bar bar : bars) {
                if (!bar.deciding && bar.decides.keySet().stream().anyMatch(i -> bars.get(i).deciding)) {
                    bar.deciding = true;
                    more = true;
                }
            }
        }
    }

    private PlanThread.Bar finished(int i) {
        Bar bar = bars.get(i);
        return new PlanThread.Bar(
                bar.depth,
                bar.above,
                bar.kind,
                bar.point.itemCode,
                bar.point.siteCode,
                bar.source,
                bar.number,
                bar.line,
                bar.sequence,
                bar.quantity,
                bar.pegged,
                bar.start,
                bar.due,
                bar.possible == PossibleDates.NEVER ? null : bar.possible,
                bar.needed,
                bar.deciding,
                adds(i),
                List.copyOf(bar.alsoFor));
    }

    /** The lateness that it passes on, less what reaches it from the bar that decides it. */
    private Integer adds(int i) {
        Bar bar = bars.get(i);
        if (!bar.deciding) {
            return 0;
        }
        int passesOn = bar.depth == 0 ? bar.lateness : bar.decides.get(firstDecided(bar));
        Integer elsewhere = bar.decidedElsewhere;
        for (Bar below : bars) {
            Integer reaches = elsewhere != null ? elsewhere : below.decides.get(i);
            if (reaches != null) {
                return reaches == PossibleDates.NEVER ? 0 : passesOn - reaches;
            }
        }
        return passesOn == PossibleDates.NEVER ? null : passesOn;
    }

    private int firstDecided(Bar bar) {
        return bar.decides.keySet().stream()
                .filter(i -> bars.get(i).deciding)
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }
}
