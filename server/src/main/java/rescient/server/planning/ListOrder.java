package rescient.server.planning;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.Map;
import java.util.function.Function;
import rescient.core.plan.PointView;
import rescient.core.trace.Ends;
import rescient.server.platform.Nullable;

/** In which order a list that is not sent whole is cut: what stands first of all that fits is sent. */
final class ListOrder {
    /** What a candidate is compared by; null stands last upwards, and first downwards. */
    private static final Map<String, Function<ListOrder, Function<Candidate, Comparable<?>>>> COLUMNS = Map.of(
            "item", order -> Candidate::item,
            "quantity", order -> Candidate::quantity,
            "start", order -> Candidate::start,
            "due", order -> Candidate::due,
            "possible", order -> order::possible,
            "value", order -> order::value,
            "serves", order -> order::serves);

    private final PlanVersion version;
    private final Ends ends;

    private ListOrder(PlanVersion version, Ends ends) {
        this.version = version;
        this.ends = ends;
    }

    /**
     * By a column; the order of the plan decides between equals.
     *
     * @param sort name of the column, downwards with a minus before it
     * @return null if there is no such column
     */
    @Nullable
    static Comparator<Sorted> by(@Nullable String sort) {
        if (sort == null || !COLUMNS.containsKey(sort.replace("-", ""))) {
            return null;
        }
        Comparator<Sorted> up = Comparator.comparing(Sorted::value, ListOrder::compare);
        return (sort.startsWith("-") ? up.reversed() : up).thenComparing(Sorted::candidate, Candidate.URGENT_FIRST);
    }

    /** A candidate with what it is compared by. */
    record Sorted(Candidate candidate, @Nullable Comparable<?> value) {}

    /** What candidates of a plan are compared by. */
    static Function<Candidate, Sorted> values(PlanVersion version, Ends ends, String sort) {
        Function<Candidate, Comparable<?>> value =
                COLUMNS.get(sort.replace("-", "")).apply(new ListOrder(version, ends));
        return candidate -> new Sorted(candidate, value.apply(candidate));
    }

    @SuppressWarnings("unchecked") // all values of a column are of one kind
    private static int compare(Comparable<?> a, Comparable<?> b) {
        if (a == null || b == null) {
            return a == b ? 0 : a == null ? 1 : -1;
        }
        return ((Comparable<Object>) a).compareTo(b);
    }

    private Comparable<?> possible(Candidate candidate) {
        return candidate.planned() != null
                ? candidate.planned().possibleDay()
                : version.plan()
                        .point(candidate.item(), candidate.site())
                        .map(point -> point.possibleDay(
                                candidate.firmed().number(), candidate.firmed().line()))
                        .orElse(null);
    }

    private BigDecimal value(Candidate candidate) {
        OrderValue value;
        if (candidate.planned() != null) {
            PointView point =
                    version.plan().point(candidate.item(), candidate.site()).orElseThrow();
            value = OrderValue.of(version.directory(), point, candidate.planned());
        } else {
            value = OrderValue.ofOpen(version.directory(), candidate.firmed());
        }
        return value.value() == null ? BigDecimal.ZERO : value.value();
    }

    private Integer serves(Candidate candidate) {
        Ends.End end = candidate.planned() != null
                ? ends.ofPlanned(
                        candidate.item(), candidate.site(), candidate.planned().sequence())
                : ends.ofOpen(
                        candidate.item(),
                        candidate.site(),
                        candidate.firmed().number(),
                        candidate.firmed().line());
        return end.first() == null ? null : Integer.valueOf(end.first().dueDay());
    }
}
