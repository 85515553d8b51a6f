package rescient.core.stock;

import java.math.BigDecimal;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Refused.Code;

/** Stock is adjusted, counted, tied up and set free. */
final class Stocktaking {
    private final Deed deed;

    Stocktaking(Deed deed) {
        this.deed = deed;
    }

    void carryOut(PostingRow row) {
        StockItem item = row.item() == null ? null : deed.company().item(row.item());
        boolean known = item != null
                && !item.kit()
                && row.site() != null
                && deed.company().isSite(row.site());
        if (!known) {
            deed.refuse(row, row.item(), row.site(), Code.UNKNOWN);
            return;
        }
        if (!deed.knownUnit(row, item, row.site(), null)) {
            return;
        }
        switch (row.action()) {
            case ADJUST -> adjust(row, item);
            case COUNT -> count(row, item);
            default -> state(row, item);
        }
    }

    private static Bin bin(PostingRow row, boolean quarantined) {
        return new Bin(row.item(), row.site(), row.lotOr(), row.serialOr(), quarantined);
    }

    private void adjust(PostingRow row, StockItem item) {
        if (row.quantity().signum() == 0) {
            deed.refuse(row, item.code(), row.site(), Code.QUANTITY);
            return;
        }
        BigDecimal quantity = deed.converted(row, item, row.site(), row.quantity(), null);
        boolean right = quantity != null
                && deed.rightLot(row, item, row.site(), quantity, true)
                && deed.rightExpiry(row, item, row.site())
                && (quantity.signum() < 0 || deed.newSerial(row, item, row.site()));
        if (right) {
            move(row, item, Kind.ADJUSTMENT, quantity);
        }
    }

    private void move(PostingRow row, StockItem item, Kind kind, BigDecimal quantity) {
        Bin bin = bin(row, row.quarantined());
        if (quantity.signum() > 0) {
            BigDecimal worth = kind == Kind.ADJUSTMENT && row.price() != null
                    ? deed.cost(row.price(), row.unit(), item, quantity)
                    : deed.books().worth(new Point(bin.item(), bin.site())).current(bin.lot(), bin.serial(), quantity);
            deed.in(row, kind, bin, quantity, worth, null);
            return;
        }
        BigDecimal wanted = quantity.negate();
        BigDecimal there = deed.books().there(bin, deed.date());
        if (there.compareTo(wanted) < 0) {
            deed.refuse(row, item.code(), row.site(), Code.SHORT, wanted, there);
        }
        BigDecimal taken = there.min(wanted);
        if (taken.signum() > 0) {
            deed.out(row, kind, bin, taken, null);
        }
    }

    private void count(PostingRow row, StockItem item) {
        if (row.quantity().signum() < 0) {
            deed.refuse(row, item.code(), row.site(), Code.QUANTITY);
            return;
        }
        BigDecimal counted = deed.converted(row, item, row.site(), row.quantity(), null);
        if (counted == null) {
            return;
        }
        // none of a serial number is a count of it as well
        BigDecimal ofLot = row.serial() != null && counted.signum() == 0 ? BigDecimal.ONE : counted;
        if (!deed.rightLot(row, item, row.site(), ofLot, true) || !deed.rightExpiry(row, item, row.site())) {
            return;
        }
        BigDecimal difference = counted.subtract(deed.books().on(bin(row, row.quarantined()), deed.date()));
        boolean comes = difference.signum() > 0;
        if (difference.signum() != 0 && (!comes || deed.newSerial(row, item, row.site()))) {
            move(row, item, Kind.COUNT, difference);
        }
    }

    private void state(PostingRow row, StockItem item) {
        if (row.quantity() != null && !Rows.positive(deed, row, item.code(), row.site(), row.quantity())) {
            return;
        }
        BigDecimal said = row.quantity() == null ? null : deed.converted(row, item, row.site(), row.quantity(), null);
        if (row.quantity() != null && said == null) {
            return;
        }
        if (!deed.rightLot(row, item, row.site(), said == null ? BigDecimal.ONE : said, true)) {
            return;
        }
        boolean ties = row.action() == PostingRow.Action.QUARANTINE;
        Bin from = bin(row, !ties);
        BigDecimal there = deed.books().there(from, deed.date());
        BigDecimal quantity = said == null ? there : said;
        if (quantity.signum() == 0 || quantity.compareTo(there) > 0) {
            deed.refuse(row, item.code(), row.site(), Code.SHORT, said == null ? BigDecimal.ONE : said, there);
        }
        BigDecimal moved = quantity.min(there);
        if (moved.signum() > 0) {
            deed.state(row, from, bin(row, ties), moved);
        }
    }
}
