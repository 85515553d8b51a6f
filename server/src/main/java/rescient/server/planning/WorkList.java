package rescient.server.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.OpenOrder;
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
    /** What a version's orders serve is worked out once. */
    private volatile Known known;

    private record Known(PlanVersion version, List<PlannedOrderRow> rows) {}

    WorkList(Holds holds, JdbcTemplate database) {
        this.holds = holds;
        this.database = database;
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

    /** Planned orders by start, due, item and site; firmed ones among them. */
    List<PlannedOrderRow> orders(PlanVersion version) {
        Known last = known;
        if (last == null || last.version != version) {
            last = new Known(version, rows(version));
            known = last;
        }
        Map<String, Hold> held = holds.of(version);
        return held.isEmpty()
                ? last.rows
                : last.rows.stream()
                        .map(r -> held.containsKey(r.key())
                                ? r.with(held.get(r.key()), new Ends.Served(r.end(), r.ends(), r.forLate()))
                                : r)
                        .toList();
    }

    private static List<PlannedOrderRow> rows(PlanVersion version) {
        Ends ends = new Ends(version);
        List<PlannedOrderRow> rows = new ArrayList<>();
        for (PointView point : version.plan().points()) {
            if (!PlannedOrders.phantom(version, point.item())) {
                List<PlannedOrderRow> here = PlannedOrders.of(version, point);
                List<PlannedOrder> orders = point.plannedOrders();
                for (int i = 0; i < here.size(); i++) {
                    rows.add(here.get(i)
                            .with(
                                    null,
                                    ends.ofPlanned(
                                            point.item(),
                                            point.site(),
                                            orders.get(i).sequence())));
                }
            }
        }
        for (OpenOrder order : version.plan().snapshot().openOrders()) {
            if (order.stage() == Stage.FIRMED) {
                rows.add(PlannedOrders.firmed(version, order)
                        .with(null, ends.ofOpen(order.item(), order.site(), order.number(), order.line())));
            }
        }
        rows.sort(Comparator.comparing(PlannedOrderRow::start)
                .thenComparing(PlannedOrderRow::due)
                .thenComparing(PlannedOrderRow::item)
                .thenComparing(PlannedOrderRow::site));
        return rows;
    }

    /** The signals that ask for something else than to release an order. */
    List<SignalRow> signals(PlanVersion version) {
        Map<String, Asked> asked = new HashMap<>();
        database.query("select order_number, line, kind, due_date, name from change_requests", row -> {
            asked.put(
                    OrderKey.ofLine(row.getString(1), row.getString(2)),
                    new Asked(
                            row.getString(3),
                            row.getDate(4) == null ? null : row.getDate(4).toLocalDate(),
                            row.getString(5)));
        });
        List<SignalRow> rows = new ArrayList<>();
        for (Signal signal : version.signals()) {
            Ask ask = ask(signal.kind());
            if (ask != null) {
                rows.add(row(version, signal, ask, asked));
            }
        }
        rows.sort(Comparator.comparing(SignalRow::group));
        return rows;
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
            case DEMAND_LATE, BELOW_SAFETY, EXPIRING -> Ask.LOOK;
            case START_OVERDUE, RELEASE_DUE, INSIDE_FENCE -> null;
        };
    }
}
