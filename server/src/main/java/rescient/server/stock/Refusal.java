package rescient.server.stock;

import java.math.BigDecimal;
import java.util.Comparator;
import rescient.core.base.Quantity;
import rescient.core.plan.Supply;
import rescient.core.stock.Refused;
import rescient.server.planning.CompanyMoment;
import rescient.server.planning.Directory;
import rescient.server.planning.Words;

/** Why a line of a posting cannot be, in words, with what would help. */
record Refusal(CompanyMoment version, PostingWish wish, Refused refused) {
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
                cure());
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

    /** The next that is on order, or planned, where there is not enough. */
    private String cure() {
        if (refused.code() != Refused.Code.SHORT || refused.item() == null || refused.site() == null) {
            return null;
        }
        return version.plan()
                .point(refused.item(), refused.site())
                .flatMap(point -> point.supplies().stream()
                        .filter(supply -> supply.kind() != Supply.Kind.STOCK)
                        .min(Comparator.comparingInt(Supply::day)))
                .map(supply -> (supply.kind() == Supply.Kind.OPEN ? supply.number() : "A planned order") + " brings "
                        + StockDesk.plain(Quantity.decimal(supply.quantity())).toPlainString() + " on "
                        + Words.date(supply.day()))
                .orElse(null);
    }
}
