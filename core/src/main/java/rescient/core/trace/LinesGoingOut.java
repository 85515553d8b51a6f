package rescient.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.company.MadeFor;
import rescient.core.company.Source;
import rescient.core.plan.Plan;

/**
 * What of lines of customer orders can go today: what lies there for them ({@link LinesThere}), and what is put together as it
 * goes by an assembly order that hangs on the line and has all its parts. All that is said to go can go together.
 */
public final class LinesGoingOut {
    /** Of a line all can go, a part, or nothing yet. */
    public enum State {
        WHOLE,
        PART,
        WAITS
    }

    /**
     * An open line of a customer order.
     *
     * @param open millionths of the item's unit, which has so many {@code decimals}
     * @param together nothing of its order goes before all of it can
     */
    public record Line(
            String number, String line, String item, String site, long open, int decimals, boolean together) {}

    /**
     * What of a line can go.
     *
     * @param ready millionths, of which so many are {@code assembled} as they go
     */
    public record Going(Line line, long ready, long assembled, State state) {
        private Going waiting() {
            return new Going(line, 0, 0, State.WAITS);
        }
    }

    private record Place(String number, String line, String item, String site) {}

    private LinesGoingOut() {}

    /**
     * Of each line what can go.
     *
     * @param lines all that are open: lines of one order may have to go together
     * @return in the order of the lines
     */
    public static List<Going> of(Plan plan, List<Line> lines) {
        LinesThere there = LinesThere.of(plan);
        Map<Place, Long> assembled = assembled(plan);
        List<Going> going = new ArrayList<>();
        Set<String> notWhole = new HashSet<>();
        for (Line line : lines) {
            Going one = going(line, there, assembled);
            going.add(one);
            if (one.state != State.WHOLE) {
                notWhole.add(line.number);
            }
        }
        going.replaceAll(one -> one.line.together && notWhole.contains(one.line.number) ? one.waiting() : one);
        return going;
    }

    private static Going going(Line line, LinesThere there, Map<Place, Long> assembled) {
        long lies = Math.min(there.of(line.number, line.line, line.open, line.decimals), line.open);
        long made = assembled.getOrDefault(new Place(line.number, line.line, line.item, line.site), 0L);
        long goes = made >= line.open - lies ? line.open : lies + made;
        State state = goes >= line.open ? State.WHOLE : goes > 0 ? State.PART : State.WAITS;
        return new Going(line, goes, goes - lies, state);
    }

    /** What hangs on lines as orders to be assembled of which all parts are there: shipping the line puts it together. */
    private static Map<Place, Long> assembled(Plan plan) {
        Map<Place, Long> assembled = new HashMap<>();
        for (Workbench.Job job : Workbench.of(plan).jobs(order -> Workbench.Progress.NONE)) {
            MadeFor line = job.order().madeFor();
            if (line != null
                    && job.order().kind() == Source.ASSEMBLE
                    && job.state() == Workbench.State.CAN_START
                    && !job.parts().isEmpty()) {
                assembled.merge(
                        new Place(
                                line.number(),
                                line.line(),
                                job.order().item(),
                                job.order().site()),
                        job.order().quantity(),
                        Long::sum);
            }
        }
        return assembled;
    }
}
