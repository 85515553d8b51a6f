package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.company.OpenOrder;
import rescient.core.company.OrderFacts;
import rescient.core.plan.Demand;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.plan.Why;
import rescient.core.snapshot.DemandKind;
import rescient.server.platform.Nullable;

/**
 * A Why in words: a question, a sentence and a small sum.
 *
 * @param unit of the quantities
 */
public record Slip(String question, String sentence, String unit, List<SlipLine> lines) {

    /** How a line stands on the slip. */
    public enum Weight {
        TERM,
        SUBTOTAL,
        RESULT
    }

    /** What a line names: {@code customer_order} (with the line's key), {@code forecast}, {@code order}, {@code planned} (with a key) or {@code point}. */
    public record Link(
            String kind,
            String item,
            String site,
            @Nullable String number,
            @Nullable String key) {}

    /**
     * One line.
     *
     * @param adds the quantity is part of the sum and shown with its sign
     */
    public record SlipLine(
            String text,
            @Nullable LocalDate date,
            @Nullable BigDecimal quantity,
            @Nullable Integer days,
            boolean adds,
            Weight weight,
            @Nullable Link link) {}

    static Slip quantity(PlanVersion version, PointView point, PlannedOrder order) {
        String unit = version.directory().unit(order.item());
        Why why = point.whyQuantity(order.sequence());
        String question = "Why " + Words.amount(order.quantity(), unit) + " on " + Words.day(order.dueDay()) + "?";
        return new Slip(question, sentence(point, order, why, unit), unit, lines(version, point, why));
    }

    static Slip dates(PlanVersion version, PointView point, PlannedOrder order) {
        String unit = version.directory().unit(order.item());
        Why why = point.whyDates(order.sequence());
        String question = "Why start on " + Words.day(order.startDay()) + "?";
        int lead = why.terms().stream()
                .filter(t -> t.kind() == Why.Kind.LEAD_TIME)
                .mapToInt(Why.Term::days)
                .sum();
        String sentence = "Due on " + Words.day(order.dueDay()) + ", less " + lead
                + (lead == 1 ? " working day" : " working days") + " of lead time.";
        return new Slip(question, sentence, unit, lines(version, point, why));
    }

    /** Of a planned order, or of an open one by its line; null if the plan does not have it. */
    static Slip possible(PlanVersion version, String key) {
        if (!OrderKey.isLine(key)) {
            return OrderKey.parse(key)
                    .in(version.plan())
                    .map(order -> {
                        PointView point =
                                version.plan().point(order.item(), order.site()).orElseThrow();
                        return possible(version, point, point.whyPossible(order.sequence()));
                    })
                    .orElse(null);
        }
        OrderFacts.OpenOrder row = version.directory().openOrder(OrderKey.number(key), OrderKey.line(key));
        return row == null
                ? null
                : version.plan()
                        .point(row.plannedAs(), row.site())
                        .flatMap(point -> point.whyPossible(OrderKey.number(key), OrderKey.line(key))
                                .map(why -> possible(version, point, why)))
                        .orElse(null);
    }

    private static Slip possible(PlanVersion version, PointView point, Why why) {
        int possible = why.terms().get(why.terms().size() - 1).day();
        int due = find(why, Why.Kind.DUE).day();
        String question = possible == OpenOrder.NO_DAY ? "Why never?" : "Why possible on " + Words.day(possible) + "?";
        boolean bought = why.terms().stream().anyMatch(t -> t.kind() == Why.Kind.ORDERED_TODAY);
        String sentence = possible == OpenOrder.NO_DAY
                ? "Something that it needs can never be there."
                : possible == due
                        ? "It can be there on the day on which it is due."
                        : bought
                                ? "Ordered today it is there after its lead time."
                                : why.terms().stream().anyMatch(t -> t.kind() == Why.Kind.MOVED_ON)
                                        ? "The due date, moved on by the largest delay in working days of the site."
                                        : "The day on which the plan counts it.";
        return new Slip(question, sentence, version.directory().unit(point.item()), lines(version, point, why));
    }

    static Slip balance(PlanVersion version, PointView point, int day) {
        String unit = version.directory().unit(point.item());
        Why why = point.whyBalance(day);
        long balance = why.terms().get(why.terms().size() - 1).quantity();
        return new Slip(
                "Why " + Words.amount(balance, unit) + " at the end of " + Words.day(day) + "?",
                "Stock on hand, and all that comes and goes up to that day.",
                unit,
                lines(version, point, why));
    }

    private static String sentence(PointView point, PlannedOrder order, Why why, String unit) {
        Why.Term left = find(why, Why.Kind.WOULD_BE_LEFT);
        Why.Term wanted = find(why, Why.Kind.WANTED);
        boolean soft = why.terms().stream().anyMatch(t -> t.kind() == Why.Kind.REORDER_POINT);
        String standing = left.quantity() < 0
                ? Words.amount(-left.quantity(), unit) + " would be missing on " + Words.day(left.day())
                : Words.amount(left.quantity(), unit) + " would be left on " + Words.day(left.day());
        String level = soft
                ? ", and with all that comes later it is below the reorder point of "
                        + Words.amount(point.reorderPoint(), unit)
                : point.safetyStock() > 0 ? "; the safety stock is " + Words.amount(point.safetyStock(), unit) : "";
        String rule = switch (point.rule()) {
            case LOT_FOR_LOT -> "lot-for-lot orders what is missing";
            case PER_ORDER -> "per order, each demand has an order of its own";
            case PERIOD -> "the period's need is gathered";
            case FIXED_QUANTITY -> "the fixed quantity is ordered as often as it takes";
            case MIN_MAX -> "min-max fills up to " + Words.amount(point.orderUpTo(), unit);
        };
        String sized = wanted.quantity() == order.quantity()
                ? ""
                : ". " + Words.amount(wanted.quantity(), unit) + " are wanted, sized to "
                        + Words.amount(order.quantity(), unit);
        return standing + level + "; " + rule + sized + ".";
    }

    private static Why.Term find(Why why, Why.Kind kind) {
        return why.terms().stream().filter(t -> t.kind() == kind).findFirst().orElseThrow();
    }

    private static List<SlipLine> lines(PlanVersion version, PointView point, Why why) {
        List<SlipLine> lines = new ArrayList<>();
        for (Why.Term term : why.terms()) {
            Weight weight = switch (term.kind()) {
                case WOULD_BE_LEFT, POSITION, DUE -> Weight.SUBTOTAL;
                case TO_ORDER, BALANCE, START, POSSIBLE -> Weight.RESULT;
                default -> Weight.TERM;
            };
            boolean dated = term.kind() != Why.Kind.TO_ORDER;
            lines.add(new SlipLine(
                    text(version, term),
                    dated ? Words.dateOrNull(term.day()) : null,
                    Words.quantity(term.quantity()),
                    term.days() < 0 ? null : term.days(),
                    term.kind().adds() && term.kind() != Why.Kind.ON_HAND,
                    weight,
                    link(version, point, term)));
        }
        return lines;
    }

    private static String text(PlanVersion version, Why.Term term) {
        return switch (term.kind()) {
            case ON_HAND -> "On hand today";
            case OPEN_ORDER, OPEN_ORDER_LATER -> term.supply().number();
            case PLANNED_ORDER -> "planned before";
            case EXPIRY -> "expires";
            case DEMAND, FOR_DEMAND -> name(term.demand());
            case WOULD_BE_LEFT -> "Would be left on";
            case BALANCE -> "Balance on";
            case SAFETY_STOCK -> "Safety stock";
            case POSITION -> "With all that comes later";
            case REORDER_POINT -> "Reorder point";
            case ORDER_UP_TO -> "Order up to";
            case FIXED_QUANTITY -> "Fixed quantity";
            case PERIOD -> "Needed in the period";
            case WANTED -> "Wanted";
            case YIELD -> "Yield";
            case MINIMUM -> "Minimum";
            case MULTIPLE -> "Multiple";
            case PURCHASE_UNIT -> "Purchase unit";
            case MAXIMUM -> "At most in one order";
            case STARTED -> "Started, before yield";
            case TO_ORDER -> "To order";
            case NEED_DAY -> "Needed";
            case SAFETY_TIME -> "Safety time";
            case EARLIEST -> "As soon as it can be";
            case FENCE -> "Frozen time";
            case DUE -> "Due";
            case LEAD_TIME -> "Lead time";
            case START -> "Start";
            case ORDERED_TODAY -> "Ordered today";
            case STARTS_LATE -> "Should have started";
            case WAITS_FOR ->
                term.demand().item() + (term.day() == OpenOrder.NO_DAY ? " can never be there" : " can be there");
            case NOT_BEFORE_TODAY -> "Overdue, so today";
            case MOVED_ON -> "The largest delay";
            case POSSIBLE -> term.day() == OpenOrder.NO_DAY ? "Never possible" : "Possible";
        };
    }

    /** A demand by the document it belongs to. */
    public static String name(Demand demand) {
        if (demand.kind() == DemandKind.FORECAST) {
            return "forecast " + demand.number();
        }
        if (demand.ofPlannedOrder() == null) {
            return demand.number();
        }
        return demand.kind() == DemandKind.TRANSFER
                ? "to " + demand.number() + " planned"
                : demand.number() + " planned";
    }

    private static Link link(PlanVersion version, PointView point, Why.Term term) {
        if (term.supply() != null && term.supply().kind() == Supply.Kind.OPEN) {
            return new Link("order", point.item(), point.site(), term.supply().number(), null);
        }
        if (term.supply() != null && term.supply().kind() == Supply.Kind.PLANNED) {
            PlannedOrder order = point.plannedOrder(term.supply().sequence());
            return planned(version, order);
        }
        if (term.kind() == Why.Kind.WAITS_FOR) {
            return new Link("point", term.demand().item(), term.demand().site(), null, null);
        }
        return term.demand() == null ? null : link(version, term.demand());
    }

    /** To what raises a demand. */
    public static Link link(PlanVersion version, Demand demand) {
        Demand.OrderRef of = demand.ofPlannedOrder();
        if (of != null) {
            PointView parent = version.plan().point(of.item(), of.site()).orElseThrow();
            return PlannedOrders.phantom(version, of.item())
                    ? new Link("point", of.item(), of.site(), null, null)
                    : planned(version, parent.plannedOrder(of.sequence()));
        }
        String kind = switch (demand.kind()) {
            case CUSTOMER_ORDER -> "customer_order";
            case FORECAST -> "forecast";
            default -> "order";
        };
        String line =
                demand.kind() == DemandKind.CUSTOMER_ORDER ? OrderKey.ofLine(demand.number(), demand.line()) : null;
        return new Link(kind, demand.item(), demand.site(), demand.number(), line);
    }

    /** To a planned order. */
    static Link planned(PlanVersion version, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return new Link(
                "planned",
                order.item(),
                order.site(),
                null,
                OrderKey.of(point, order).text());
    }
}
