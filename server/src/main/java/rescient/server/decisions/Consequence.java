package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.compare.PlanDifference;
import rescient.core.compare.StockDifference;
import rescient.core.health.HealthCheck;
import rescient.core.order.DraftPossible;
import rescient.core.order.NeedChange;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.prices.ValueDifference;
import rescient.core.snapshot.Signal;
import rescient.server.health.FindingView;
import rescient.server.planning.DirectoryPrices;
import rescient.server.planning.OrderKey;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.SignalView;
import rescient.server.planning.StockPointView;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * What a decision does to the plan, before it is kept.
 *
 * @param sentence what is decided
 * @param gone orders of the choice that the plan no longer has
 * @param instead what the plan has in their place, by the same position; null if nothing
 * @param refusals why it cannot be kept
 * @param faults what is wrong with single fields of data
 * @param conflicts what somebody else changed meanwhile
 * @param doubts what is doubtful in how the stock points are planned then, with what would do
 * @param remarks what is to be known before it is kept
 * @param orders what is decided on, before and after
 * @param late customer orders that become later or less late
 * @param vanish planned orders that go, those that are decided on not among them
 * @param appear planned orders that come
 * @param cost what all orders together cost more, in the company's currency
 * @param stock by how much more lies in stock in the mean over the days that are planned, at standard
 * @param points stock lines before and after
 */
record Consequence(
        long version,
        String sentence,
        List<String> gone,
        List<String> instead,
        List<String> refusals,
        List<Proposal.FaultAt> faults,
        List<Proposal.Conflict> conflicts,
        List<FindingView> doubts,
        List<String> remarks,
        List<OrderBeforeAfter> orders,
        List<LateBeforeAfter> late,
        List<PlannedOrders.PlannedOrderRow> vanish,
        List<PlannedOrders.PlannedOrderRow> appear,
        List<SignalView> silenced,
        List<SignalView> raised,
        @Nullable BigDecimal cost,
        BigDecimal stock,
        List<PointBeforeAfter> points) {
    private static final int MOST = 200;
    private static final int LINES = 2;

    /**
     * Quantity, dates and cost of an order.
     *
     * @param possible the first day on which it could ordinarily be there, if that is after its due date
     * @param daysLate calendar days from its due date to that day
     * @param waits for components that come after its start
     */
    record Facts(
            String source,
            @Nullable String partner,
            String siteName,
            BigDecimal quantity,
            LocalDate start,
            LocalDate due,
            @Nullable LocalDate possible,
            int daysLate,
            boolean waits,
            @Nullable BigDecimal value) {}

    /**
     * @param breaks minimum, multiple or maximum that the quantity does not keep
     * @param parts what it needs otherwise, if an alternative is used
     * @param asked the supplier is asked; the order stays as it is until he agrees
     */
    record OrderBeforeAfter(
            @Nullable String key,
            @Nullable String number,
            String item,
            String itemName,
            String unit,
            @Nullable Facts before,
            @Nullable Facts after,
            List<String> breaks,
            List<PartBeforeAfter> parts,
            boolean asked) {}

    /** How much of an item an order needs. */
    record PartBeforeAfter(String item, String itemName, String unit, BigDecimal before, BigDecimal after) {}

    /** Possible days; null: on time. */
    record LateBeforeAfter(
            String number,
            String line,
            @Nullable String customer,
            String item,
            LocalDate due,
            @Nullable LocalDate before,
            @Nullable LocalDate after,
            boolean neverBefore,
            boolean neverAfter,
            boolean better) {}

    record PointBeforeAfter(StockPointView before, StockPointView after) {}

    static Consequence of(Proposal proposal) {
        PlanVersion before = proposal.version;
        boolean can = proposal.refusals.isEmpty() && proposal.gone.isEmpty();
        PlanVersion after = can ? proposal.after() : before;
        List<String> refusals = new ArrayList<>(proposal.refusals);
        refusals.addAll(Proposal.impossible(before.plan(), after.plan()));
        PlanDifference difference = PlanDifference.between(before.plan(), after.plan());
        List<PlannedOrder> vanish = new ArrayList<>(difference.gone());
        for (Proposal.Line line : proposal.lines) {
            if (line.before() != null && line.number() != null && line.key() != null && !OrderKey.isLine(line.key())) {
                removeLike(vanish, line.before());
            }
        }
        return new Consequence(
                before.number(),
                proposal.sentence,
                proposal.gone,
                proposal.gone.stream().map(key -> instead(before, key)).toList(),
                refusals,
                proposal.faults,
                proposal.conflicts,
                proposal.changes.isEmpty() ? List.of() : doubts(after, proposal),
                Remarks.of(proposal),
                proposal.lines.stream()
                        .map(l -> line(before, after, l, proposal.substitution != null))
                        .toList(),
                difference.lateness().stream().map(l -> late(before, l)).toList(),
                rows(before, vanish),
                rows(after, difference.come()),
                signals(before, difference.silenced()),
                signals(after, difference.raised()),
                cost(before, after, proposal, difference),
                StockDifference.mean(before.plan(), after.plan(), new DirectoryPrices(before.directory())),
                points(before, after, proposal));
    }

    private static List<FindingView> doubts(PlanVersion after, Proposal proposal) {
        return proposal.points.stream()
                .flatMap(name -> after.plan().point(name[0], name[1]).stream())
                .flatMap(point -> HealthCheck.of(after.directory().facts(), point).stream())
                .map(finding -> FindingView.of(after.directory(), finding))
                .toList();
    }

    /** What the plan asks for at the same stock point nearest to a day that is gone. */
    static String instead(PlanVersion version, String key) {
        if (OrderKey.isLine(key)) {
            return null;
        }
        OrderKey gone = OrderKey.parse(key);
        return version.plan()
                .nearest(gone.item(), gone.site(), (int) gone.due().toEpochDay())
                .map(order -> OrderKey.of(
                                version.plan().point(order.item(), order.site()).orElseThrow(), order)
                        .text())
                .orElse(null);
    }

    private static void removeLike(List<PlannedOrder> orders, OrderDraft draft) {
        for (int i = 0; i < orders.size(); i++) {
            PlannedOrder order = orders.get(i);
            if (order.item().equals(draft.item())
                    && order.site().equals(draft.site())
                    && order.dueDay() == draft.dueDay()
                    && order.quantity() == draft.quantity()) {
                orders.remove(i);
                return;
            }
        }
    }

    private static OrderBeforeAfter line(
            PlanVersion before, PlanVersion after, Proposal.Line line, boolean otherParts) {
        OrderDraft one = line.after() != null ? line.after() : line.before();
        return new OrderBeforeAfter(
                line.key(),
                line.number(),
                one.item(),
                before.directory().itemName(one.item()),
                before.directory().unit(one.item()),
                facts(before, line.before(), line.key()),
                facts(after, line.after(), line.number() == null ? line.key() : line.outcome()),
                line.after() == null
                        ? List.of()
                        : line.after().breaks().stream()
                                .map(Words::word)
                                .sorted()
                                .toList(),
                otherParts ? parts(before, line.before(), line.after()) : List.of(),
                line.asked());
    }

    private static List<PartBeforeAfter> parts(PlanVersion version, OrderDraft before, OrderDraft after) {
        return NeedChange.between(before, after).stream()
                .map(change -> new PartBeforeAfter(
                        change.item(),
                        version.directory().itemName(change.item()),
                        version.directory().unit(change.item()),
                        Quantity.decimal(change.before()),
                        Quantity.decimal(change.after())))
                .toList();
    }

    private static Facts facts(PlanVersion version, OrderDraft order, String key) {
        if (order == null) {
            return null;
        }
        PointView point = new Drafter(version).point(Drafter.Way.of(order));
        DraftPossible possible = DraftPossible.of(order, point, inPlan(version, order, key));
        return new Facts(
                Words.word(order.source()),
                order.source() == rescient.core.company.Source.BUY
                        ? version.directory().supplierName(order.supplier())
                        : version.directory().siteName(order.fromSite()),
                version.directory().siteName(order.site()),
                Quantity.decimal(order.quantity()),
                Words.date(order.startDay()),
                Words.date(order.dueDay()),
                possible.late() > 0 ? Words.date(possible.day()) : null,
                possible.late(),
                possible.byComponents(),
                OrderValue.of(version.directory(), point, order).value());
    }

    /** When the plan says that an order can be there; null if it says nothing. */
    private static Integer inPlan(PlanVersion version, OrderDraft order, String key) {
        if (key == null) {
            return null;
        }
        return OrderKey.isLine(key)
                ? version.plan()
                        .point(order.item(), order.site())
                        .map(p -> p.possibleDay(OrderKey.number(key), OrderKey.line(key)))
                        .orElse(null)
                : OrderKey.parse(key)
                        .in(version.plan())
                        .map(PlannedOrder::possibleDay)
                        .orElse(null);
    }

    private static BigDecimal value(PlanVersion version, OrderDraft order) {
        PointView point = new Drafter(version).point(Drafter.Way.of(order));
        return OrderValue.of(version.directory(), point, order).value();
    }

    private static LateBeforeAfter late(PlanVersion version, PlanDifference.Lateness late) {
        Integer never = PlanDifference.Lateness.NEVER;
        return new LateBeforeAfter(
                late.number(),
                late.line(),
                version.directory().customerOf(late.number(), late.line()),
                late.item(),
                Words.date(late.dueDay()),
                late.before() == null || never.equals(late.before()) ? null : Words.date(late.before()),
                late.after() == null || never.equals(late.after()) ? null : Words.date(late.after()),
                never.equals(late.before()),
                never.equals(late.after()),
                late.better());
    }

    private static List<PlannedOrders.PlannedOrderRow> rows(PlanVersion version, List<PlannedOrder> orders) {
        return orders.stream()
                .sorted(Comparator.comparingInt(PlannedOrder::startDay).thenComparing(PlannedOrder::item))
                .limit(MOST)
                .map(o -> PlannedOrders.row(
                        version,
                        o,
                        OrderKey.of(version.plan().point(o.item(), o.site()).orElseThrow(), o)))
                .toList();
    }

    private static List<SignalView> signals(PlanVersion version, List<Signal> signals) {
        return signals.stream()
                .filter(s -> s.kind() != Signal.Kind.START_OVERDUE && s.kind() != Signal.Kind.RELEASE_DUE)
                .limit(MOST)
                .map(s -> SignalView.of(version, s))
                .toList();
    }

    /** What comes less what goes; null if a price is missing. */
    private static BigDecimal cost(PlanVersion before, PlanVersion after, Proposal proposal, PlanDifference changed) {
        ValueDifference difference = new ValueDifference();
        changed.come().forEach(order -> difference.comes(planned(after, order)));
        changed.gone().forEach(order -> difference.goes(planned(before, order)));
        for (Proposal.Line line : proposal.lines) {
            boolean stood = line.key() != null && OrderKey.isLine(line.key());
            if (line.before() != null && stood) {
                difference.goes(value(before, line.before()));
            }
            if (line.after() != null && line.number() != null) {
                difference.comes(value(after, line.after()));
            }
        }
        return difference.sum();
    }

    private static BigDecimal planned(PlanVersion version, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return OrderValue.of(version.directory(), point, order).value();
    }

    private static List<PointBeforeAfter> points(PlanVersion before, PlanVersion after, Proposal proposal) {
        List<PointBeforeAfter> points = new ArrayList<>();
        for (String[] name : proposal.points) {
            var was = before.plan().point(name[0], name[1]);
            var is = after.plan().point(name[0], name[1]);
            if (points.size() < LINES && was.isPresent() && is.isPresent()) {
                points.add(
                        new PointBeforeAfter(StockPointView.of(before, was.get()), StockPointView.of(after, is.get())));
            }
        }
        return points;
    }
}
