package rescient.core.trace;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import rescient.core.base.WorkCalendar;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.Pegging;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Routing;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * What can be worked on: released orders that are made in the house, each at the operation where it stands, with its parts. Parts are
 * there as far as the plan takes them from stock for this order, so that no order that comes before goes without.
 */
public final class Workbench {
    /** Whether something was begun, can be, or waits for parts. */
    public enum State {
        RUNS,
        CAN_START,
        WAITS
    }

    /**
     * What an order still takes of a component.
     *
     * @param wanted millionths, of which so many are {@code there}
     * @param comes the day on which all of it can be there; null: never, as far as anybody knows
     */
    public record Part(String component, long wanted, long there, Integer comes) {
        public boolean isThere() {
            return there >= wanted;
        }
    }

    /**
     * How far an order has come, by the record.
     *
     * @param reported good and spoiled pieces by step, millionths
     * @param booked steps on which work was booked
     * @param begun anything was issued, booked or reported
     */
    public record Progress(Map<String, Long> reported, Set<String> booked, boolean begun) {
        public static final Progress NONE = new Progress(Map.of(), Set.of(), false);
    }

    /**
     * An operation where an order stands.
     *
     * @param minutes that are left of it
     * @param left pieces that have still to pass it, millionths
     */
    public record Operation(String step, String center, BigDecimal minutes, long left) {}

    /**
     * An order line.
     *
     * @param at null: it has no operations, or all are done
     * @param until the day on which its parts are there; null: they are, or never will be
     * @param waitsFor the component that decides that; null: none
     */
    public record Job(OpenOrder order, State state, Operation at, List<Part> parts, Integer until, String waitsFor) {}

    private record Name(String number, String line) {}

    private final Plan plan;
    private final Map<Name, List<Part>> parts = new HashMap<>();
    private final Map<String, Routing> routings = new HashMap<>();

    private Workbench(Plan plan) {
        this.plan = plan;
        for (StockPoint point : plan.snapshot().points) {
            if (point.routing != null) {
                routings.put(point.itemCode + '\0' + point.siteCode, point.routing);
            }
        }
    }

    /** Of a plan: what of its parts is there for each order. */
    public static Workbench of(Plan plan) {
        Workbench bench = new Workbench(plan);
        bench.readParts();
        return bench;
    }

    /** In no particular order. */
    public List<Job> jobs(Function<OpenOrder, Progress> progress) {
        List<Job> jobs = new ArrayList<>();
        for (OpenOrder order : plan.snapshot().openOrders()) {
            if (order.stage() == Stage.RELEASED && (order.kind() == Source.MAKE || order.kind() == Source.ASSEMBLE)) {
                jobs.add(job(order, routing(order), progress.apply(order)));
            }
        }
        return jobs;
    }

    private Routing routing(OpenOrder order) {
        return routings.get(order.item() + '\0' + order.site());
    }

    /** When the work center of a job works; null: it stands at none. */
    public Hours hours(Job job) {
        if (job.at() == null) {
            return null;
        }
        Routing routing = routing(job.order());
        int step = routing.indexOf(job.at().step());
        return new Hours(routing.calendar(step), routing.minutesPerDay(step));
    }

    /** The days and minutes a day of a work center. */
    public record Hours(WorkCalendar calendar, BigDecimal minutesPerDay) {}

    private void readParts() {
        Snapshot snapshot = plan.snapshot();
        PossibleDates possible = plan.pegs().possible();
        Pegging pegs = new Pegging();
        for (int p = 0; p < snapshot.network.planned(); p++) {
            PointPlan point = plan.pegs().of(p);
            boolean filled = false;
            for (int d = 0; point != null && d < point.demands.size; d++) {
                if (!(point.demands.document(d) instanceof OpenOrder order) || order.kind() == Source.TRANSFER) {
                    continue;
                }
                if (!filled) {
                    pegs.fill(point);
                    filled = true;
                }
                long there = 0;
                for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
                    there += pegs.kind(i) == Pegging.SupplyKind.STOCK ? pegs.quantity[i] : 0;
                }
                long wanted = point.demands.quantity[d];
                int day = possible.ofDemand(p, d);
                parts.computeIfAbsent(new Name(order.number(), order.line()), name -> new ArrayList<>())
                        .add(new Part(
                                snapshot.points[p].itemCode,
                                wanted,
                                there,
                                there >= wanted
                                        ? (Integer) snapshot.today
                                        : day == PossibleDates.NEVER ? null : (Integer) Math.max(snapshot.today, day)));
            }
        }
    }

    private Job job(OpenOrder order, Routing routing, Progress progress) {
        List<Part> needed = parts.getOrDefault(new Name(order.number(), order.line()), List.of());
        Part last = null;
        for (Part part : needed) {
            if (!part.isThere() && (last == null || later(part, last))) {
                last = part;
            }
        }
        State state = progress.begun() ? State.RUNS : last == null ? State.CAN_START : State.WAITS;
        return new Job(
                order,
                state,
                routing == null ? null : at(order, routing, progress),
                needed,
                last == null ? null : last.comes(),
                last == null ? null : last.component());
    }

    private static boolean later(Part part, Part than) {
        return than.comes() != null && (part.comes() == null || part.comes() > than.comes());
    }

    /** The first operation that pieces have still to pass: those reported at it or at a later one have passed it. */
    static Operation at(OpenOrder order, Routing routing, Progress progress) {
        int last = routing.size() - 1;
        if (last < 0) {
            return null;
        }
        long done = progress.reported().getOrDefault(routing.name(last), 0L);
        long[] passed = new long[routing.size()];
        for (int i = last; i >= 0; i--) {
            long here = progress.reported().getOrDefault(routing.name(i), 0L);
            passed[i] = i == last ? here : Math.max(here, passed[i + 1]);
        }
        for (int i = 0; i <= last; i++) {
            long left = order.startQuantity() - (passed[i] - done);
            if (left > 0) {
                boolean setup = passed[i] == 0 && !progress.booked().contains(routing.name(i));
                return new Operation(routing.name(i), routing.center(i), routing.minutes(i, left, setup), left);
            }
        }
        return null;
    }
}
