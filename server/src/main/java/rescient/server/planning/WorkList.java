package rescient.server.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.OpenOrder;
import rescient.core.OrdersByStart;
import rescient.core.PlannedOrder;
import rescient.core.PointView;
import rescient.core.Signal;
import rescient.core.Stage;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;
import rescient.server.platform.Nullable;

/** All that wants a decision: planned and firmed orders, and signals that no row of an order shows already. */
@Component
class WorkList {
    private final Holds holds;
    private final JdbcTemplate database;
    private final int most;
    /** What a version's orders serve is worked out once for each filter. */
    private volatile Known known;

    private record Known(PlanVersion version, ListFilter filter, Listed listed) {}

    /** The signals of a version that ask for something, in the order of the list: in a large company half a million. */
    private volatile Asking asking;

    private record Asking(PlanVersion version, List<Signal> signals) {}

    /** @param most how many rows of orders, and how many of signals, are sent */
    WorkList(Holds holds, JdbcTemplate database, @Value("${rescient.list-most:4000}") int most) {
        this.holds = holds;
        this.database = database;
        this.most = most;
    }

    /** What a signal asks for. */
    enum Ask {
        /** Another date for an open order, or none. */
        CHANGE_ORDER,
        /** Master data without which nothing can be ordered. */
        CANNOT_PLAN,
        /** Something will be short, late or wasted. */
        LOOK
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
            SignalView signal) {}

    /**
     * The orders of a list.
     *
     * @param whole all there are; then no filter was asked
     * @param more how many others fit, or may fit where only their rows would say so
     */
    record Listed(List<PlannedOrderRow> orders, boolean whole, int more) {}

    /**
     * Planned orders by start, due, item and site; firmed ones among them. All of them, or if there are more than
     * a few thousand, as many of those that fit.
     */
    Listed orders(PlanVersion version, ListFilter filter) {
        Map<String, Hold> held = holds.of(version);
        Known last = known;
        boolean kept = last != null
                && last.version == version
                && (last.listed.whole || last.filter.equals(filter))
                && (last.listed.whole || filter.held() == null);
        if (!kept) {
            last = new Known(version, filter, listed(version, filter, held));
            known = last;
        }
        return held.isEmpty()
                ? last.listed
                : new Listed(
                        last.listed.orders.stream().map(r -> held(r, held)).toList(),
                        last.listed.whole,
                        last.listed.more);
    }

    private static PlannedOrderRow held(PlannedOrderRow row, Map<String, Hold> held) {
        Hold hold = held.get(row.key());
        return hold == null ? row : row.with(hold, new Ends.Served(row.end(), row.ends(), row.forLate()));
    }

    private Listed listed(PlanVersion version, ListFilter filter, Map<String, Hold> held) {
        List<Candidate> firmed = version.plan().snapshot().openOrders().stream()
                .filter(order -> order.stage() == Stage.FIRMED)
                .map(order -> new Candidate(null, order))
                .collect(Collectors.toCollection(ArrayList::new));
        boolean whole = version.plan().plannedOrderCount() + firmed.size() <= most;
        if (!whole) {
            firmed.removeIf(candidate -> !filter.fits(version.directory(), candidate));
        }
        firmed.sort(Candidate.URGENT_FIRST);
        Urgent urgent = new Urgent(planned(version, whole ? ListFilter.NOTHING : filter), firmed);
        Ends ends = new Ends(version);
        List<PlannedOrderRow> rows = new ArrayList<>();
        for (Candidate next = urgent.next(); next != null; next = rows.size() < most ? urgent.next() : null) {
            PlannedOrderRow row = row(version, next, ends);
            if (whole || filter.fits(held(row, held))) {
                rows.add(row);
            }
        }
        return new Listed(rows, whole, urgent.left());
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
            return PlannedOrders.firmed(version, order)
                    .with(null, ends.ofOpen(order.item(), order.site(), order.number(), order.line()));
        }
        PointView point = version.plan().point(planned.item(), planned.site()).orElseThrow();
        return PlannedOrders.row(version, planned, OrderKey.of(point, planned))
                .with(null, ends.ofPlanned(planned.item(), planned.site(), planned.sequence()));
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
        List<Signal> signals = asking(version);
        boolean whole = signals.size() <= most || filter.equals(ListFilter.NOTHING);
        List<Signal> fitting = whole
                ? signals
                : signals.stream()
                        .filter(signal ->
                                filter.fits(version.directory(), signal.item(), signal.site(), signal.orderNumber()))
                        .toList();
        return new ListedSignals(
                fitting.stream()
                        .limit(most)
                        .map(signal -> row(version, signal, ask(signal.kind()), asked))
                        .toList(),
                Math.max(0, fitting.size() - most));
    }

    private List<Signal> asking(PlanVersion version) {
        Asking last = asking;
        if (last == null || last.version != version) {
            last = new Asking(
                    version,
                    version.signals().stream()
                            .filter(signal -> ask(signal.kind()) != null)
                            .sorted(Comparator.comparing(signal -> ask(signal.kind())))
                            .toList());
            asking = last;
        }
        return last.signals;
    }

    private static SignalRow row(PlanVersion version, Signal signal, Ask ask, Map<String, Asked> asked) {
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
                directory.items().get(signal.item()).text("group"),
                directory.planner(signal.item()),
                view.order() == null ? null : asked.get(view.order()),
                view);
    }

    /** What is asked for by the rows of orders themselves is null. */
    private static Ask ask(Signal.Kind kind) {
        return switch (kind) {
            case BRING_FORWARD, PUSH_BACK, CANCEL, RECEIPT_OVERDUE -> Ask.CHANGE_ORDER;
            case NO_SOURCE, NO_SUPPLIER, LOOP -> Ask.CANNOT_PLAN;
            case DEMAND_LATE, BELOW_SAFETY, EXPIRING, REORDER_POINT_LOW -> Ask.LOOK;
            case START_OVERDUE, RELEASE_DUE, INSIDE_FENCE -> null;
        };
    }
}
