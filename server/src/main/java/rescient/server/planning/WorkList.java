package rescient.server.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.company.OpenOrder;
import rescient.core.company.Stage;
import rescient.core.plan.Ask;
import rescient.core.plan.AskedSignals;
import rescient.core.plan.OrdersByStart;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;
import rescient.core.trace.Ends;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sparing;

/** All that wants a decision: planned and firmed orders, and signals that no row of an order shows already. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class WorkList implements PlanFollower, DisposableBean {
    private static final int FILTERED = 2;
    /** Lists that nobody asked for yet are made in one part of so many of the time. */
    private static final int SHARE = 5;

    private final Sparing ahead = new Sparing("ahead", SHARE, this::makeAhead);
    private final List<MoreSignals> others;
    private final Holds holds;
    private final JdbcTemplate database;
    private final int wholeUpTo;
    private final int most;
    /** The list without a filter. */
    private final OnceForPlan<Listed> all = new OnceForPlan<>();
    /** The first of the signals that ask for something, in the order of the list. */
    private final OnceForPlan<AskedSignals> asking = new OnceForPlan<>();

    private final OnceForPlan<List<SignalRow>> inWords = new OnceForPlan<>();

    private final OnceForPlan<Ends> ends = new OnceForPlan<>();
    /** Of the plan that was last looked at; much of it holds for the next. */
    private volatile Ends latest;
    /** The last ones with a filter. */
    private final Cache<Filtered, Listed> filtered =
            Caffeine.newBuilder().maximumSize(FILTERED).executor(Runnable::run).build();

    private record Filtered(Plan plan, ListFilter filter) {}

    private volatile PlanVersion newest;

    /**
     * @param wholeUpTo lists of so many orders, or signals, are sent whole
     * @param most how many rows of orders, and how many of signals, are sent of longer ones
     */
    WorkList(
            Holds holds,
            JdbcTemplate database,
            List<MoreSignals> others,
            @Value("${rescient.list-whole:4000}") int wholeUpTo,
            @Value("${rescient.list-most:1000}") int most) {
        this.wholeUpTo = wholeUpTo;
        this.others = others;
        this.holds = holds;
        this.database = database;
        this.most = most;
    }

    /** Before the other followers, so that it does not wait for what they begin. */
    @Override
    public void follow(PlanVersion before, PlanVersion next) {
        newest = next;
        ahead.ask();
    }

    /** Somebody will ask for it soon. */
    private void makeAhead() {
        PlanVersion plan = newest;
        inWords(plan);
        all(plan);
    }

    @Override
    public void destroy() {
        ahead.stop();
    }

    /** What a supplier has been asked. */
    record Asked(String kind, @Nullable LocalDate due, String name) {}

    /**
     * A signal in the list.
     *
     * @param key names it across plans
     * @param asked what the supplier has been asked already
     */
    record SignalRow(
            String key,
            Ask group,
            String itemName,
            String siteName,
            @Nullable String partner,
            @Nullable String itemGroup,
            @Nullable String planner,
            @Nullable Asked asked,
            SignalView signal) {
        private SignalRow with(@Nullable Asked wish) {
            return wish == null
                    ? this
                    : new SignalRow(key, group, itemName, siteName, partner, itemGroup, planner, wish, signal);
        }
    }

    /**
     * The orders of a list.
     *
     * @param whole all there are, or all of them that fit
     * @param more how many others fit, or may fit where only their rows would say so
     */
    record Listed(List<PlannedOrderRow> orders, boolean whole, int more) {}

    /**
     * Planned orders by start, due, item and site; firmed ones among them. All that fit, or if there are more than a few
     * thousand in the list, as many of those that fit.
     *
     * @param others the keys of what is not as it was, if that is asked for
     */
    Listed orders(PlanVersion version, ListFilter asked, Set<String> others) {
        Map<String, Hold> held = holds.of(version);
        boolean whole = isWhole(version);
        ListFilter filter = whole ? asked.unsorted() : asked;
        Listed listed =
                filter.equals(ListFilter.NOTHING) || whole ? all(version) : filtered(version, filter, held, others);
        if (held.isEmpty() && (!whole || filter.equals(ListFilter.NOTHING))) {
            // the very same rows, which need not be written anew
            return listed;
        }
        Stream<PlannedOrderRow> rows = listed.orders.stream().map(row -> held(row, held));
        Directory directory = version.directory();
        return new Listed(
                (whole ? rows.filter(row -> filter.fitsWhole(directory, row, others)) : rows).toList(),
                listed.whole,
                listed.more);
    }

    /** The list without a filter, for what can be chosen. */
    Listed unfiltered(PlanVersion version) {
        return all(version);
    }

    private boolean isWhole(PlanVersion version) {
        return version.plan().plannedOrderCount() + firmed(version).count() <= wholeUpTo;
    }

    private static Stream<OpenOrder> firmed(PlanVersion version) {
        return version.plan().snapshot().openOrders().stream().filter(order -> order.stage() == Stage.FIRMED);
    }

    private Listed all(PlanVersion version) {
        return all.of(
                version.plan(), () -> listed(version, ListFilter.NOTHING, Map.of(), Set.of(), ends(version.plan())));
    }

    private Listed filtered(PlanVersion version, ListFilter filter, Map<String, Hold> held, Set<String> others) {
        Supplier<Listed> list = () -> listed(version, filter, held, others, ends(version.plan()));
        boolean ofOnesOwn = filter.held() != null || filter.changed() != null;
        return ofOnesOwn ? list.get() : filtered.get(new Filtered(version.plan(), filter), asked -> list.get());
    }

    private static PlannedOrderRow held(PlannedOrderRow row, Map<String, Hold> held) {
        Hold hold = held.get(row.key());
        return hold == null ? row : row.with(hold, row.end(), row.ends(), row.forLate());
    }

    private Listed listed(
            PlanVersion version, ListFilter filter, Map<String, Hold> held, Set<String> others, Ends ends) {
        boolean whole = isWhole(version);
        List<Candidate> firmed = firmed(version)
                .map(order -> new Candidate(null, order))
                .filter(candidate -> filter.fits(version.directory(), candidate))
                .collect(Collectors.toCollection(ArrayList::new));
        firmed.sort(Candidate.URGENT_FIRST);
        Urgent urgent = new Urgent(planned(version, filter), firmed);
        Comparator<ListOrder.Sorted> order = ListOrder.by(filter.sort());
        if (!whole && order != null) {
            Predicate<PlannedOrderRow> fits = row -> filter.fits(held(row, held), others);
            return sorted(version, urgent, order, filter, ends, filter.asksRows() ? fits : null);
        }
        List<PlannedOrderRow> rows = new ArrayList<>();
        for (Candidate next = urgent.next(); next != null; next = whole || rows.size() < most ? urgent.next() : null) {
            PlannedOrderRow row = row(version, next, ends);
            if (filter.fits(held(row, held), others)) {
                rows.add(row);
            }
        }
        return new Listed(rows, whole, urgent.left());
    }

    /**
     * Those that stand first by a column, of all that fit.
     *
     * @param fits by what only a row says; null: all do
     */
    private Listed sorted(
            PlanVersion version,
            Urgent all,
            Comparator<ListOrder.Sorted> order,
            ListFilter filter,
            Ends ends,
            @Nullable Predicate<PlannedOrderRow> fits) {
        Function<Candidate, ListOrder.Sorted> values = ListOrder.values(version, ends, filter.sort());
        PriorityQueue<ListOrder.Sorted> first = new PriorityQueue<>(order.reversed());
        int fitting = 0;
        for (Candidate next = all.next(); next != null; next = all.next()) {
            if (fits != null && !fits.test(row(version, next, ends))) {
                continue;
            }
            fitting++;
            ListOrder.Sorted one = values.apply(next);
            if (first.size() < most) {
                first.add(one);
            } else if (order.compare(one, first.peek()) < 0) {
                first.poll();
                first.add(one);
            }
        }
        List<PlannedOrderRow> rows = first.stream()
                .sorted(order)
                .map(one -> row(version, one.candidate(), ends))
                .toList();
        return new Listed(rows, false, fitting - rows.size());
    }

    private Ends ends(Plan plan) {
        return ends.of(plan, () -> {
            Ends before = latest;
            Ends next = before == null ? new Ends(plan) : before.in(plan);
            latest = next;
            return next;
        });
    }

    /** Whether a planned order fits is known of its stock point, but for its days. */
    private static OrdersByStart planned(PlanVersion version, ListFilter filter) {
        return OrdersByStart.of(
                version.plan(),
                point -> filter.fits(version.directory(), point),
                ListFilter.dayOf(filter.until()),
                ListFilter.dayOf(filter.due()));
    }

    private static PlannedOrderRow row(PlanVersion version, Candidate candidate, Ends ends) {
        PlannedOrder planned = candidate.planned();
        if (planned == null) {
            OpenOrder order = candidate.firmed();
            return serving(
                    version,
                    PlannedOrders.firmed(version, order),
                    ends.ofOpen(order.item(), order.site(), order.number(), order.line()));
        }
        PointView point = version.plan().point(planned.item(), planned.site()).orElseThrow();
        return serving(
                version,
                PlannedOrders.row(version, planned, OrderKey.of(point, planned)),
                ends.ofPlanned(planned.item(), planned.site(), planned.sequence()));
    }

    private static PlannedOrderRow serving(PlanVersion version, PlannedOrderRow row, Ends.End end) {
        return row.with(null, End.of(version, end.first()), end.lines(), end.late());
    }

    /** @param more how many others fit */
    record ListedSignals(List<SignalRow> signals, int more) {}

    /** The signals that ask for something else than to release an order. */
    ListedSignals signals(PlanVersion version, ListFilter filter) {
        Map<String, Asked> asked = new HashMap<>();
        database.query("select order_number, line, kind, due_date, name from change_requests", row -> {
            asked.put(
                    OrderKey.ofLine(row.getString(1), row.getString(2)),
                    new Asked(
                            row.getString(3),
                            row.getDate(4) == null ? null : row.getDate(4).toLocalDate(),
                            row.getString(5)));
        });
        AskedSignals all = asking(version);
        boolean whole = all.count() <= wholeUpTo;
        boolean everything = whole || filter.equals(ListFilter.NOTHING);
        AskedSignals fitting = everything
                ? all
                : AskedSignals.of(version.plan(), most, new FittingSignals(filter, version.directory()));
        List<SignalRow> besides = others(version)
                .filter(row -> everything || filter.fitsWhole(version.directory(), row))
                .toList();
        int more = whole ? 0 : Math.max(0, fitting.count() + besides.size() - most);
        if (filter.equals(ListFilter.NOTHING) && asked.isEmpty()) {
            return new ListedSignals(inWords(version), more);
        }
        Stream<SignalRow> rows = everything
                ? inWords(version).stream()
                : Stream.concat(inWords(version, fitting, Math.max(0, most - besides.size())), besides.stream());
        return new ListedSignals(
                rows.filter(row -> !whole || filter.fitsWhole(version.directory(), row))
                        .map(row -> row.with(row.signal.order() == null ? null : asked.get(row.signal.order())))
                        .toList(),
                more);
    }

    /** The first signals of a plan as rows, but for what suppliers were asked. */
    private List<SignalRow> inWords(PlanVersion version) {
        return inWords.of(version.plan(), () -> {
            AskedSignals all = asking(version);
            List<SignalRow> besides = others(version).toList();
            int room = (all.count() <= wholeUpTo ? wholeUpTo : most) - besides.size();
            return Stream.concat(inWords(version, all, Math.max(0, room)), besides.stream())
                    .toList();
        });
    }

    private static Stream<SignalRow> inWords(PlanVersion version, AskedSignals signals, int most) {
        return signals.first().stream().limit(most).map(signal -> row(version, signal, Ask.of(signal.kind())));
    }

    private AskedSignals asking(PlanVersion version) {
        return asking.of(
                version.plan(), () -> AskedSignals.of(version.plan(), Math.max(wholeUpTo, most), signal -> true));
    }

    private Stream<SignalRow> others(PlanVersion version) {
        return others.stream().flatMap(more -> more.of(version).stream()).map(view -> row(version, view));
    }

    private static SignalRow row(PlanVersion version, SignalView view) {
        Directory directory = version.directory();
        return new SignalRow(
                String.join(
                        "~", "!" + view.kind(), OrderKey.encoded(view.item()), OrderKey.encoded(view.site()), "", ""),
                Ask.LOOK,
                directory.itemName(view.item()),
                directory.siteName(view.site()),
                null,
                directory.group(view.item()),
                directory.planner(view.item()),
                null,
                view);
    }

    private static SignalRow row(PlanVersion version, Signal signal, Ask ask) {
        Directory directory = version.directory();
        SignalView view = SignalView.of(version, signal);
        return new SignalRow(
                String.join(
                        "~",
                        "!" + view.kind(),
                        OrderKey.encoded(signal.item()),
                        OrderKey.encoded(signal.site()),
                        OrderKey.encoded(signal.orderNumber()),
                        OrderKey.encoded(signal.orderLine())),
                ask,
                directory.itemName(signal.item()),
                directory.siteName(signal.site()),
                view.order() == null ? null : directory.partnerOf(signal.orderNumber(), signal.orderLine()),
                directory.group(signal.item()),
                directory.planner(signal.item()),
                null,
                view);
    }
}
