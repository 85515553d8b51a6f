package rescient.server.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import rescient.core.base.Quantity;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.stock.Refused;
import rescient.server.planning.CompanyMoment;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.Words;

/** Why a line of a posting cannot be, in words, with what would help. */
record Refusal(CompanyMoment version, PostingWish wish, Refused refused) {
    /** So many orders that bring something are named. */
    private static final int MOST_ORDERS = 3;

    StockDesk.RefusedLine line() {
        return new StockDesk.RefusedLine(
                refused.code().code(),
                refused.item(),
                refused.site(),
                refused.lot(),
                refused.serial(),
                number(refused.wanted()),
                number(refused.there()),
                sentence(),
                cures());
    }

    private static BigDecimal number(BigDecimal value) {
        return value == null ? null : StockDesk.plain(value);
    }

    private String sentence() {
        Directory directory = version.directory();
        String what = refused.item() == null ? "" : refused.item() + lot();
        String unit = refused.item() == null ? "" : directory.unit(refused.item());
        String there = refused.there() == null
                ? ""
                : StockDesk.plain(refused.there()).toPlainString() + (unit == null ? "" : " " + unit);
        return switch (refused.code()) {
            case DUPLICATE -> "This was posted before";
            case DATE -> "It counts for a day too far back, or before what it takes back";
            case UNKNOWN -> unknown(what);
            case CLOSED -> closed(what);
            case QUANTITY ->
                what + ": the quantity has to be above 0 and in whole steps of " + (unit == null ? "its unit" : unit);
            case TRACKING -> tracking(what);
            case SERIAL_TWICE -> what + " lies somewhere already";
            case OVER -> what + ": at most " + there;
            case EXPIRED -> what + " has expired; there are " + there;
            case QUARANTINED -> what + " is quarantined; free are " + there;
            case SHORT -> what + at() + ": there are " + there;
        };
    }

    private String lot() {
        return refused.lot() != null ? " lot " + refused.lot() : refused.serial() != null ? " " + refused.serial() : "";
    }

    private String at() {
        return refused.site() == null ? "" : " at " + version.directory().siteName(refused.site());
    }

    private String unknown(String what) {
        boolean back = wish.is(StockAct.REVERSE);
        if (back) {
            return "There is no such posting";
        }
        String number = wish.lines().get(0).number();
        return number == null
                ? "There is no such item, site or unit: " + what
                : number + " has no such line, or not of this item, site or unit";
    }

    private String closed(String what) {
        return wish.is(StockAct.REVERSE)
                ? "It was taken back already, or its order was finished since"
                : "The order takes no more of " + what + ": it is not released, or done";
    }

    private String tracking(String what) {
        String tracking = refused.item() == null
                ? "none"
                : version.directory().facts().row("items", refused.item()).text("tracking", "none");
        return switch (tracking) {
            case "lot" -> what + " moves with its lot, whose expiry is one for all";
            case "serial" -> what + " moves by serial number, one piece each";
            default -> what + " has no lots, serial numbers or expiry";
        };
    }

    /** What is on order or planned, the first first, until there is enough; then where else some lies free. */
    private List<StockDesk.Cure> cures() {
        if (refused.code() != Refused.Code.SHORT || refused.item() == null || refused.site() == null) {
            return List.of();
        }
        List<StockDesk.Cure> cures = new ArrayList<>();
        version.plan().point(refused.item(), refused.site()).ifPresent(point -> brought(point, cures));
        version.directory().facts().where(StockFacts.Stock.class, "item", refused.item()).stream()
                .filter(bin -> !Boolean.TRUE.equals(bin.quarantined())
                        && bin.quantity().signum() > 0
                        && !bin.site().equals(refused.site()))
                .collect(Collectors.groupingBy(
                        StockFacts.Stock::site,
                        TreeMap::new,
                        Collectors.reducing(BigDecimal.ZERO, StockFacts.Stock::quantity, BigDecimal::add)))
                .forEach((site, quantity) -> cures.add(new StockDesk.Cure(
                        StockDesk.plain(quantity).toPlainString() + " lie at "
                                + version.directory().siteName(site),
                        null,
                        null,
                        null,
                        site)));
        return cures;
    }

    private void brought(PointView point, List<StockDesk.Cure> cures) {
        BigDecimal missing = refused.wanted() == null
                ? BigDecimal.ZERO
                : refused.wanted().subtract(refused.there() == null ? BigDecimal.ZERO : refused.there());
        List<Supply> supplies = point.supplies().stream()
                .filter(supply -> supply.kind() != Supply.Kind.STOCK)
                .sorted(Comparator.comparingInt(Supply::day))
                .toList();
        BigDecimal brought = BigDecimal.ZERO;
        for (Supply supply : supplies) {
            if (!cures.isEmpty() && (brought.compareTo(missing) >= 0 || cures.size() == MOST_ORDERS)) {
                return;
            }
            cures.add(cure(point, supply));
            brought = brought.add(Quantity.decimal(supply.quantity()));
        }
    }

    private StockDesk.Cure cure(PointView point, Supply supply) {
        String brings = " brings "
                + StockDesk.plain(Quantity.decimal(supply.quantity())).toPlainString() + " on "
                + Words.date(supply.day());
        if (supply.kind() == Supply.Kind.OPEN) {
            OrderFacts.OpenOrder order = version.directory().openOrder(supply.number(), supply.line());
            return new StockDesk.Cure(
                    supply.number() + brings,
                    supply.number(),
                    null,
                    order == null ? null : Words.word(order.kind()),
                    null);
        }
        PlannedOrder order = point.plannedOrder(supply.sequence());
        return new StockDesk.Cure(
                "A planned order" + brings, null, OrderKey.of(point, order).text(), Words.word(order.source()), null);
    }
}
