package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.MakingFacts;
import rescient.core.plan.Cure;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;
import rescient.server.platform.Nullable;

/**
 * A signal with its sentence.
 *
 * @param loop of a loop: the lines of bills of materials that make it
 * @param order key of the open order it speaks of
 * @param bad something will be short or late
 */
public record SignalView(
        String kind,
        String item,
        String site,
        @Nullable String orderNumber,
        @Nullable LocalDate date,
        @Nullable LocalDate newDate,
        @Nullable BigDecimal quantity,
        @Nullable Integer days,
        @Nullable String causeItem,
        @Nullable String causeSite,
        @Nullable String order,
        @Nullable List<BillLine> loop,
        boolean bad,
        String sentence,
        List<CureRow> cures) {

    /**
     * What can be done about it.
     *
     * @param planningData columns that are looked at for it
     */
    public record CureRow(Cure cure, List<String> planningData) {}

    /** A line of a bill of materials. */
    public record BillLine(String parent, String line, String component) {}

    public static SignalView of(PlanVersion version, Signal signal) {
        boolean bad = switch (signal.kind()) {
            case DEMAND_LATE, BELOW_SAFETY, NO_SOURCE, NO_SUPPLIER, LOOP, UNPLANNABLE, START_OVERDUE, RECEIPT_OVERDUE ->
                true;
            default -> false;
        };
        return new SignalView(
                Words.word(signal.kind()),
                signal.item(),
                signal.site(),
                signal.orderNumber().isEmpty() ? null : signal.orderNumber(),
                Words.dateOrNull(signal.day()),
                Words.dateOrNull(signal.newDay()),
                Words.quantity(signal.quantity()),
                signal.days() == Signal.NO_DAYS ? null : signal.days(),
                signal.causeItem().isEmpty() ? null : signal.causeItem(),
                signal.causeSite().isEmpty() ? null : signal.causeSite(),
                order(version, signal),
                signal.kind() == Signal.Kind.LOOP ? loop(version, signal) : null,
                bad,
                sentence(signal, version),
                Cure.of(signal.kind()).stream()
                        .map(cure -> new CureRow(cure, cure.planningData()))
                        .toList());
    }

    private static List<BillLine> loop(PlanVersion version, Signal signal) {
        List<PointView> way = version.plan()
                .point(signal.item(), signal.site())
                .map(PointView::loop)
                .orElse(List.of());
        List<BillLine> lines = new ArrayList<>();
        for (int i = 0; i < way.size(); i++) {
            String component = way.get((i + 1) % way.size()).item();
            for (MakingFacts.BomLine line :
                    version.directory().bills().lines(way.get(i).item())) {
                if (line.component().equals(component)) {
                    lines.add(new BillLine(way.get(i).item(), line.line(), component));
                }
            }
        }
        return lines;
    }

    private static String order(PlanVersion version, Signal signal) {
        boolean open = version.directory().openOrder(signal.orderNumber(), signal.orderLine()) != null;
        boolean ofOrder = switch (signal.kind()) {
            case BRING_FORWARD, PUSH_BACK, CANCEL, RECEIPT_OVERDUE, START_OVERDUE, RELEASE_DUE -> true;
            default -> false;
        };
        return open && ofOrder ? OrderKey.ofLine(signal.orderNumber(), signal.orderLine()) : null;
    }

    private static String sentence(Signal s, PlanVersion version) {
        Directory directory = version.directory();
        String amount = s.quantity() == Quantity.NOT_SET ? "" : Words.amount(s.quantity(), directory.unit(s.item()));
        String number = s.orderNumber();
        return switch (s.kind()) {
            case START_OVERDUE ->
                (number.isEmpty() ? amount : number) + " should have started on " + Words.day(s.day()) + ", "
                        + Words.days(s.days()) + " ago.";
            case RELEASE_DUE -> (number.isEmpty() ? amount : number) + " should start on " + Words.day(s.day()) + ".";
            case BRING_FORWARD ->
                number + " is due on " + Words.day(s.day()) + " and needed on " + Words.day(s.newDay())
                        + ": bring it forward by " + Words.days(s.days()) + ".";
            case PUSH_BACK ->
                number + " is due on " + Words.day(s.day()) + " and not needed before " + Words.day(s.newDay())
                        + ": push it back by " + Words.days(s.days()) + ".";
            case CANCEL -> "Nothing needs the " + amount + " of " + number + ": cancel it.";
            case RECEIPT_OVERDUE ->
                number + " was due on " + Words.day(s.day()) + ", " + Words.days(s.days())
                        + " ago; the plan counts on it today.";
            case DEMAND_LATE -> late(s, version);
            case BELOW_SAFETY ->
                "Up to " + amount + " below the safety stock from " + Words.day(s.day()) + " on"
                        + (Words.dateOrNull(s.newDay()) == null ? "." : ", until " + Words.day(s.newDay()) + ".");
            case INSIDE_FENCE ->
                amount + " wanted on " + Words.day(s.day()) + " fall inside the frozen time and move to "
                        + Words.day(s.newDay()) + ".";
            case NO_SOURCE ->
                amount + " are missing from " + Words.day(s.day())
                        + " on, and nothing says how this stock point is replenished.";
            case NO_SUPPLIER ->
                amount + " are to be bought from " + Words.day(s.day()) + " on, and no supplier is known.";
            case EXPIRING ->
                amount + (number.isEmpty() ? "" : " of lot " + number) + " expire unused on " + Words.day(s.day())
                        + ".";
            case REORDER_POINT_LOW ->
                "The reorder point is too low for its lead time of " + Words.days(s.days()) + ": " + amount
                        + " would cover the demand until an order is there.";
            case UNPLANNABLE ->
                "This cannot be planned, nor anything below it: "
                        + version.plan()
                                .point(s.item(), s.site())
                                .map(PointView::unplannable)
                                .orElse("a value is impossible")
                        + ".";
            case LOOP -> "Its bill of materials leads back to itself; nothing below can be planned.";
        };
    }

    private static String late(Signal s, PlanVersion version) {
        if (Words.dateOrNull(s.newDay()) == null) {
            boolean planned = version.plan()
                    .point(s.causeItem(), s.causeSite())
                    .filter(PointView::planned)
                    .isPresent();
            return s.orderNumber() + " can never be met; to blame: " + s.causeItem()
                    + (planned
                            ? "."
                            : ", which cannot be planned: it lies on a loop, below one, or has an impossible value.");
        }
        return s.orderNumber() + " is late by " + Words.days(s.days()) + ": wanted " + Words.day(s.day())
                + ", possible " + Words.day(s.newDay()) + "; to blame: " + s.causeItem() + ".";
    }
}
