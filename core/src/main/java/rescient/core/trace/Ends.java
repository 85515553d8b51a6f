package rescient.core.trace;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.dates.LateOrders;
import rescient.core.netting.DemandList;
import rescient.core.netting.Pegging;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Rows;
import rescient.core.snapshot.Snapshot;

/**
 * The customer order lines that orders of a plan serve in the end, through all that stands above them. What was found of
 * one order is known when another is asked for, so thousands can be asked for one after the other.
 */
public final class Ends {
    /** How many lines of one order are counted. */
    public static final int MOST = 20;

    static final Comparator<CustomerOrderLine> EARLIEST =
            Comparator.comparingInt(CustomerOrderLine::dueDay).thenComparing(Rows.CUSTOMER_ORDERS);

    private static final End NONE = new End(null, 0, false);
    private static final int[] NO_LINES = {};
    /** More than are counted; which ones is no longer known. */
    private static final int[] TOO_MANY = new int[MOST];

    private final Plan plan;
    private final Snapshot snapshot;
    private final SuppliedDemands[] served;
    /** What is known of the supplies of each point. */
    private final Found[][] found;

    /** Those that were made one after the other share what they found, and take turns. */
    private final Map<CustomerOrderLine, Integer> numbers;

    /** Point and supply of open orders that wait for others. */
    private final Map<OpenOrder, int[]> places = new IdentityHashMap<>();

    private final Pegging pegging = new Pegging();
    private final int[] both = new int[2 * MOST];
    /** What is being found, each with what it stands under; see {@link #of}. */
    private final ArrayDeque<Found> open = new ArrayDeque<>();

    private int met;

    public Ends(Plan plan) {
        this(plan, new IdentityHashMap<>());
    }

    private Ends(Plan plan, Map<CustomerOrderLine, Integer> numbers) {
        this(
                plan,
                numbers,
                new SuppliedDemands[plan.snapshot().network.planned()],
                new Found[plan.snapshot().network.planned()][]);
    }

    private Ends(Plan plan, Map<CustomerOrderLine, Integer> numbers, SuppliedDemands[] served, Found[][] found) {
        this.plan = plan;
        this.snapshot = plan.snapshot();
        this.served = served;
        this.found = found;
        this.numbers = numbers;
    }

    /**
     * The same of another plan, with what is known and still so: of a plan that came from this one by a few changes, most
     * of it.
     */
    public Ends in(Plan other) {
        if (!snapshot.network.numbersLike(other.snapshot.network)) {
            return new Ends(other);
        }
        BitSet otherwise = otherwise(other);
        if (otherwise.cardinality() > served.length / 2) {
            return new Ends(other);
        }
        synchronized (numbers) {
            Ends next = new Ends(other, numbers, served.clone(), found.clone());
            otherwise.stream().filter(p -> p < served.length).forEach(p -> {
                next.served[p] = null;
                next.found[p] = null;
            });
            return next;
        }
    }

    /** The points that are planned otherwise or whose customers get it on another day, and all below them. */
    private BitSet otherwise(Plan other) {
        BitSet otherwise = new BitSet(served.length);
        IntStream.of(plan.pegs().differing(other.pegs())).forEach(otherwise::set);
        LateOrders before = plan.pegs().late();
        LateOrders after = other.pegs().late();
        IntStream.of(before.differing(after))
                .filter(p -> !Arrays.equals(before.of(p), after.of(p)))
                .forEach(otherwise::set);
        for (Snapshot.KitOrder kit : other.snapshot.kitOrders) {
            if (plan.pegs().late().ofKit(kit.line()) != other.pegs().late().ofKit(kit.line())) {
                IntStream.of(kit.points()).forEach(otherwise::set);
            }
        }
        Network network = other.snapshot.network;
        ArrayDeque<Integer> below = otherwise.stream().boxed().collect(Collectors.toCollection(ArrayDeque::new));
        while (!below.isEmpty()) {
            int p = below.poll();
            IntStream edges = IntStream.range(network.edgeStart[p], network.edgeStart[p + 1])
                    .map(e -> network.edgeTo[e]);
            IntStream waits = p >= served.length
                    ? IntStream.empty()
                    : Stream.of(other.pegs().of(p).known.open).flatMapToInt(o -> IntStream.of(o.waitsAt()));
            IntStream.concat(edges, waits).filter(q -> !otherwise.get(q)).forEach(q -> {
                otherwise.set(q);
                below.add(q);
            });
        }
        return otherwise;
    }

    /**
     * What one order serves.
     *
     * @param first the earliest line, by due date and number; null if it serves none
     * @param lines how many, {@link #MOST} if there are as many or more
     * @param late whether one of them will be late or can never be met
     */
    public record End(CustomerOrderLine first, int lines, boolean late) {}

    /** Of one supply. */
    private static final class Found {
        CustomerOrderLine first;
        /** Its due day; after all days if there is none. */
        int due = Integer.MAX_VALUE;

        boolean late;
        /** Numbers of lines, ascending. */
        int[] lines = NO_LINES;

        /** When it was met, and the earliest that leads back to it and that it leads to. */
        int met;

        int earliest;
        boolean open;
    }

    /** What a planned order of a point serves. */
    public End ofPlanned(String item, String site, int sequence) {
        int p = snapshot.pointOf(item, site);
        return p < 0 || p >= served.length ? NONE : end(p, Pegging.SupplyKind.PLANNED, sequence);
    }

    /** What an open order serves; one that the plan does not count on serves nothing. */
    public End ofOpen(String item, String site, String number, String line) {
        int p = snapshot.pointOf(item, site);
        OpenSupply[] open =
                p < 0 || p >= served.length ? new OpenSupply[0] : plan.pegs().of(p).known.open;
        for (int i = 0; i < open.length; i++) {
            if (open[i].order().number().equals(number)
                    && open[i].order().line().equals(line)) {
                return end(p, Pegging.SupplyKind.OPEN, i);
            }
        }
        return NONE;
    }

    private End end(int p, Pegging.SupplyKind kind, int index) {
        synchronized (numbers) {
            Found all = of(p, served(p).supply(kind, index));
            return new End(all.first, all.lines.length, all.late);
        }
    }

    private SuppliedDemands served(int p) {
        if (served[p] == null) {
            pegging.fill(plan.pegs().of(p));
            served[p] = new SuppliedDemands(plan.pegs().of(p), pegging);
            found[p] = new Found[served[p].supplies()];
        }
        return served[p];
    }

    /**
     * Open orders may wait for each other in a circle; all on it serve the same. They are found together, as Tarjan finds
     * strongly connected components: Depth-First Search and Linear Graph Algorithms, SIAM Journal on Computing 1 (1972).
     */
    private Found of(int p, int supply) {
        SuppliedDemands here = served(p);
        if (found[p][supply] != null) {
            return found[p][supply];
        }
        Found all = new Found();
        found[p][supply] = all;
        all.met = ++met;
        all.earliest = all.met;
        all.open = true;
        open.push(all);
        DemandList demands = plan.pegs().of(p).demands;
        for (int i = here.start[supply]; i < here.start[supply + 1]; i++) {
            int d = here.demand[i];
            int above = demands.parent(snapshot.network, d);
            if (above != DemandList.DOCUMENT) {
                climb(all, of(above, served(above).supply(Pegging.SupplyKind.PLANNED, demands.source(d))));
            } else if (demands.document(d) instanceof CustomerOrderLine line) {
                add(all, line, late(p, d, line));
            } else if (demands.document(d) instanceof OpenOrder order) {
                climbOpen(all, order);
            }
        }
        if (all.earliest == all.met) {
            close(all);
        }
        return all;
    }

    private void climb(Found all, Found above) {
        if (above.open) {
            all.earliest = Math.min(all.earliest, above.earliest);
        } else {
            add(all, above);
        }
    }

    /** All that were met since lead back to it. */
    private void close(Found all) {
        List<Found> circle = new ArrayList<>();
        Found one;
        do {
            one = open.pop();
            one.open = false;
            circle.add(one);
        } while (one != all);
        if (circle.size() > 1) {
            circle.forEach(other -> add(all, other));
            circle.forEach(other -> add(other, all));
        }
    }

    /** A kit is as late as its latest part. */
    private boolean late(int p, int d, CustomerOrderLine line) {
        return line.item().equals(snapshot.points[p].itemCode)
                ? plan.pegs().possible().ofDemand(p, d) > line.dueDay()
                : plan.pegs().late().ofKit(line);
    }

    private void climbOpen(Found all, OpenOrder order) {
        int[] place = places.get(order);
        if (place == null) {
            place = place(order);
            places.put(order, place);
        }
        if (place.length > 0) {
            climb(all, of(place[0], place[1]));
        }
    }

    /** Point and supply, or nothing if the plan does not count on it. */
    private int[] place(OpenOrder order) {
        int p = snapshot.pointOf(order.item(), order.site());
        OpenSupply[] open =
                p < 0 || p >= served.length ? new OpenSupply[0] : plan.pegs().of(p).known.open;
        for (int i = 0; i < open.length; i++) {
            if (open[i].order() == order) {
                return new int[] {p, served(p).supply(Pegging.SupplyKind.OPEN, i)};
            }
        }
        return new int[0];
    }

    private void add(Found all, CustomerOrderLine line, boolean late) {
        Found one = new Found();
        one.first = line;
        one.due = line.dueDay();
        one.late = late;
        one.lines = new int[] {numbers.computeIfAbsent(line, l -> numbers.size())};
        add(all, one);
    }

    private void add(Found all, Found more) {
        all.late |= more.late;
        boolean earlier = more.due < all.due
                || (more.due == all.due && more.first != all.first && EARLIEST.compare(more.first, all.first) < 0);
        if (earlier) {
            all.first = more.first;
            all.due = more.due;
        }
        all.lines = together(all.lines, more.lines);
    }

    /** The numbers in either, or {@link #TOO_MANY}. */
    private int[] together(int[] a, int[] b) {
        if (a == TOO_MANY || b == TOO_MANY || a == b) {
            return a == b ? a : TOO_MANY;
        }
        if (a.length == 0 || b.length == 0) {
            return a.length == 0 ? b : a;
        }
        int n = 0;
        int i = 0;
        int j = 0;
        while (i < a.length || j < b.length) {
            int next = j == b.length || (i < a.length && a[i] <= b[j]) ? a[i] : b[j];
            i += i < a.length && a[i] == next ? 1 : 0;
            j += j < b.length && b[j] == next ? 1 : 0;
            both[n++] = next;
        }
        if (n >= MOST) {
            return TOO_MANY;
        }
        return n == a.length ? a : n == b.length ? b : Arrays.copyOf(both, n);
    }

    /** All lines that an order serves, the earliest first; however many there are. */
    public static List<CustomerOrderLine> allOfPlanned(Plan plan, String item, String site, int sequence) {
        int p = plan.snapshot().pointOf(item, site);
        return all(plan, new PegsUpward.Order(p, Pegging.SupplyKind.PLANNED, sequence));
    }

    /** The same of an open order; none if the plan does not count on it. */
    public static List<CustomerOrderLine> allOfOpen(Plan plan, String item, String site, String number, String line) {
        int p = plan.snapshot().pointOf(item, site);
        OpenSupply[] open = p < 0 || plan.pegs().of(p) == null
                ? new OpenSupply[0]
                : plan.pegs().of(p).known.open;
        for (int i = 0; i < open.length; i++) {
            if (open[i].order().number().equals(number)
                    && open[i].order().line().equals(line)) {
                return all(plan, new PegsUpward.Order(p, Pegging.SupplyKind.OPEN, i));
            }
        }
        return List.of();
    }

    private static List<CustomerOrderLine> all(Plan plan, PegsUpward.Order order) {
        return order.point() < 0 || plan.pegs().of(order.point()) == null
                ? List.of()
                : new PegsUpward(plan, order, new HashMap<>()).customerOrders();
    }
}
