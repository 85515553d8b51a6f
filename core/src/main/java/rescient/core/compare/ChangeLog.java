package rescient.core.compare;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import rescient.core.company.OpenOrder;
import rescient.core.plan.PlannedOrder;

/**
 * The changes of several plans, told one after the other, as one: what the last plan asks for against what the first did.
 * What came and went between them is not told.
 *
 * @param <C> what caused a change
 */
public final class ChangeLog<C> {
    /** Nothing is told yet. */
    public ChangeLog() {}

    /**
     * A change with all that caused it so far, the first cause first.
     *
     * @param <T> what changed
     */
    public record Caused<T, C>(T change, List<C> causes) {}

    /** One order's way through the plans. */
    private static final class Way<C> {
        private final PlannedOrder before;
        private PlannedOrder after;
        private OpenOrder became;
        private final List<C> causes = new ArrayList<>();

        Way(PlannedOrder before) {
            this.before = before;
        }
    }

    private static final class Late<C> {
        private final PlanDifference.Lateness first;
        private PlanDifference.Lateness last;
        private final List<C> causes = new ArrayList<>();

        Late(PlanDifference.Lateness first) {
            this.first = first;
        }
    }

    private final Set<Way<C>> ways = new LinkedHashSet<>();
    /** Those whose order stands in the plan told last, by that order. */
    private final Map<Object, Deque<Way<C>>> standing = new HashMap<>();
    /** Those whose order is gone, by what it was at first. */
    private final Map<Object, Deque<Way<C>>> gone = new HashMap<>();

    private final Map<List<String>, Late<C>> late = new LinkedHashMap<>();

    /** Tells what became of a planned order from the plan told last to the next. */
    public void add(OrderChange change, Collection<? extends C> causes) {
        Way<C> way = change.before() == null ? null : take(standing, change.before());
        if (way == null) {
            way = change.before() == null ? take(gone, change.after()) : null;
        }
        if (way == null) {
            way = new Way<>(change.before());
            ways.add(way);
        }
        way.after = change.after();
        way.became = change.became();
        addTo(way.causes, causes);
        if (same(way.before, way.after)) {
            ways.remove(way);
        } else if (way.after != null) {
            put(standing, way.after, way);
        } else if (way.before != null) {
            put(gone, way.before, way);
        }
    }

    /** Tells by how much the lateness of a customer order line changed. */
    public void add(PlanDifference.Lateness change, Collection<? extends C> causes) {
        List<String> key = List.of(change.number(), change.line());
        Late<C> known = late.computeIfAbsent(key, k -> new Late<>(change));
        known.last = change;
        addTo(known.causes, causes);
        if (Objects.equals(known.first.before(), known.last.after())) {
            late.remove(key);
        }
    }

    private static <C> void addTo(List<C> known, Collection<? extends C> causes) {
        for (C cause : causes) {
            if (!known.contains(cause)) {
                known.add(cause);
            }
        }
    }

    /** The planned orders, in the order in which the first change of each was told. */
    public List<Caused<OrderChange, C>> orders() {
        List<Caused<OrderChange, C>> told = new ArrayList<>();
        for (Way<C> way : ways) {
            told.add(new Caused<>(
                    new OrderChange(way.before, way.after, way.became), Collections.unmodifiableList(way.causes)));
        }
        return told;
    }

    /** The customer order lines whose lateness differs. */
    public List<Caused<PlanDifference.Lateness, C>> lateness() {
        List<Caused<PlanDifference.Lateness, C>> told = new ArrayList<>();
        for (Late<C> line : late.values()) {
            PlanDifference.Lateness is = line.last;
            told.add(new Caused<>(
                    new PlanDifference.Lateness(
                            is.number(), is.line(), is.item(), is.site(), is.dueDay(), line.first.before(), is.after()),
                    Collections.unmodifiableList(line.causes)));
        }
        return told;
    }

    private static boolean same(PlannedOrder a, PlannedOrder b) {
        if (a == null || b == null) {
            return a == b;
        }
        return Likeness.alike(a, b);
    }

    private static <C> void put(Map<Object, Deque<Way<C>>> into, PlannedOrder order, Way<C> way) {
        into.computeIfAbsent(new Likeness(order), k -> new ArrayDeque<>()).add(way);
    }

    private static <C> Way<C> take(Map<Object, Deque<Way<C>>> from, PlannedOrder order) {
        Deque<Way<C>> alike = from.get(new Likeness(order));
        return alike == null ? null : alike.poll();
    }
}
