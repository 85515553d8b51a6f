package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import rescient.core.stock.Books.Past;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;
import rescient.core.stock.SupplyLine.Cost;

/** Goods come from suppliers and go back to them. */
final class Purchases {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Deed deed;

    Purchases(Deed deed) {
        this.deed = deed;
    }

    static boolean isClosed(SupplyLine line) {
        return !line.order().released() || line.ended() != null;
    }

    /** How much more may come. */
    static BigDecimal mayCome(Deed deed, SupplyLine line, StockItem item) {
        SupplyLine.Order order = line.order();
        BigDecimal over = deed.company().overReceipt(order.supplier(), order.item());
        return order.ordered()
                .multiply(HUNDRED.add(over))
                .divide(HUNDRED, item.decimals(), RoundingMode.DOWN)
                .subtract(line.received())
                .max(BigDecimal.ZERO);
    }

    /** What of a row comes in; null: it was refused. */
    static BigDecimal quantity(Deed deed, PostingRow row, SupplyLine line, StockItem item) {
        if (row.quantity() == null) {
            return row.serial() != null ? BigDecimal.ONE : line.open();
        }
        return Rows.positive(deed, row, item.code(), line.order().site(), row.quantity())
                ? deed.converted(
                        row,
                        item,
                        line.order().site(),
                        row.quantity(),
                        line.order().unit())
                : null;
    }

    void receive(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        if (!deed.knownUnit(row, item, order.site(), order.unit())) {
            return;
        }
        if (isClosed(line) || line.open().signum() == 0) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        BigDecimal quantity = quantity(deed, row, line, item);
        boolean right = quantity != null
                && deed.rightLot(row, item, order.site(), quantity, true)
                && deed.rightExpiry(row, item, order.site())
                && deed.newSerial(row, item, order.site());
        if (!right) {
            return;
        }
        BigDecimal may = mayCome(deed, line, item);
        if (quantity.compareTo(may) > 0) {
            deed.refuse(row, order.item(), order.site(), Code.OVER, quantity, may);
            return;
        }
        BigDecimal cost = cost(row, line, item, quantity, item.standardCost());
        Bin bin = new Bin(order.item(), order.site(), row.lotOr(), row.serialOr(), row.quarantined());
        Movement movement = deed.in(row, Kind.RECEIPT, bin, quantity, cost, Rows.document(line));
        deed.cost(line, Cost.MATERIAL, cost);
        deed.cost(line, Cost.PUT_OUT, movement.value());
        deed.cost(line, Cost.VARIANCE, cost.subtract(movement.value()));
        deed.receipt(line, bin.ofLot(), quantity, cost);
        deed.come(line, quantity, quantity);
        deed.past(new Past(Past.Table.RECEIPTS, row.date(), line, null, bin, quantity));
        if (line.open().signum() == 0) {
            deed.end(line, false);
        }
    }

    /**
     * What so much costs: at the row's price, the order's, or the supplier's base price.
     *
     * @param otherwise of one, if nobody said any of these
     */
    BigDecimal cost(PostingRow row, SupplyLine line, StockItem item, BigDecimal quantity, BigDecimal otherwise) {
        SupplyLine.Order order = line.order();
        if (row.price() != null) {
            return deed.cost(row.price(), row.unit() == null ? order.unit() : row.unit(), item, quantity);
        }
        if (order.price() != null) {
            return deed.cost(order.price(), order.unit(), item, quantity);
        }
        Masterdata.Price base = deed.company().price(order.supplier(), order.item());
        return base == null
                ? deed.money(otherwise.multiply(quantity))
                : deed.cost(base.amount(), base.unit(), item, quantity);
    }

    void returned(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        if (!deed.knownUnit(row, item, order.site(), order.unit())) {
            return;
        }
        if (!order.released()) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        if (!Rows.positive(deed, row, order.item(), order.site(), row.quantity())) {
            return;
        }
        BigDecimal quantity = deed.converted(row, item, order.site(), row.quantity(), order.unit());
        if (quantity == null || !deed.rightLot(row, item, order.site(), quantity, true)) {
            return;
        }
        Lot lot = new Lot(order.item(), row.lotOr(), row.serialOr());
        Tally received = line.receiptsOf(lot);
        if (quantity.compareTo(received.quantity()) > 0) {
            deed.refuse(row, order.item(), order.site(), Code.OVER, quantity, received.quantity());
            return;
        }
        BigDecimal cost = received.worth(quantity, deed.decimals());
        BigDecimal value = BigDecimal.ZERO;
        BigDecimal left = quantity;
        for (boolean kept : List.of(true, false)) {
            Bin bin = new Bin(order.item(), order.site(), row.lotOr(), row.serialOr(), kept);
            BigDecimal taken = deed.books().there(bin, deed.date()).min(left);
            if (taken.signum() > 0) {
                value = value.subtract(deed.out(row, Kind.SUPPLIER_RETURN, bin, taken, Rows.document(line))
                        .value());
                left = left.subtract(taken);
                deed.past(new Past(Past.Table.RECEIPTS, row.date(), line, null, bin, taken.negate()));
            }
        }
        if (left.signum() > 0) {
            deed.refuse(row, order.item(), order.site(), Code.SHORT, quantity, quantity.subtract(left));
        }
        deed.receipt(line, lot, quantity.negate(), cost.negate());
        deed.cost(line, Cost.MATERIAL, cost.negate());
        deed.cost(line, Cost.PUT_OUT, value.negate());
        deed.cost(line, Cost.VARIANCE, value.subtract(cost));
    }

    static Point point(SupplyLine line) {
        return new Point(line.order().item(), line.order().site());
    }
}
