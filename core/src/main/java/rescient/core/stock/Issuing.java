package rescient.core.stock;

import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.Source;
import rescient.core.stock.Books.Past;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;
import rescient.core.stock.SupplyLine.Cost;

/** Parts go into orders, and what is left of them comes back. */
final class Issuing {
    private final Deed deed;

    Issuing(Deed deed) {
        this.deed = deed;
    }

    /** Where an order takes its parts from. */
    static String site(SupplyLine line) {
        return line.kind() == Source.SUBCONTRACT
                ? line.order().fromSite()
                : line.order().site();
    }

    void issue(PostingRow row, SupplyLine line) {
        if (row.item() == null) {
            all(row, line);
            return;
        }
        StockItem item = deed.company().item(row.item());
        String site = site(line);
        List<OrderPart> listed = line.parts().stream()
                .filter(part -> part.component().equals(row.item()))
                .toList();
        if (item == null || item.kit() || (listed.isEmpty() && row.quantity() == null && row.serial() == null)) {
            deed.refuse(row, row.item(), site, Code.UNKNOWN);
            return;
        }
        if (!deed.knownUnit(row, item, site, null)) {
            return;
        }
        if (Purchases.isClosed(line)) {
            deed.refuse(row, line.order().item(), line.order().site(), Code.CLOSED);
            return;
        }
        OrderPart part = listed.stream()
                .filter(one -> one.open().signum() > 0)
                .findFirst()
                .orElse(listed.isEmpty() ? null : listed.get(0));
        BigDecimal quantity = row.quantity() != null
                ? deed.converted(row, item, site, row.quantity(), null)
                : row.serial() != null ? BigDecimal.ONE : part.open();
        if (quantity == null) {
            return;
        }
        if (quantity.signum() == 0) {
            deed.refuse(row, row.item(), site, Code.QUANTITY);
            return;
        }
        if (!deed.rightLot(row, item, site, quantity, quantity.signum() < 0)) {
            return;
        }
        if (quantity.signum() < 0) {
            back(row, line, part, item, quantity.negate());
        } else {
            OrderPart into = part == null ? line.extra(row.item()) : part;
            put(row, line, into, new Lot(item.code(), row.lotOr(), row.serialOr()), quantity);
        }
    }

    /** All that is issued by hand and has something to issue. */
    private void all(PostingRow row, SupplyLine line) {
        if (Purchases.isClosed(line)) {
            deed.refuse(row, line.order().item(), line.order().site(), Code.CLOSED);
            return;
        }
        for (OrderPart part : List.copyOf(line.parts())) {
            if (!part.backflush() && part.open().signum() > 0) {
                put(row, line, part, new Lot(part.component(), "", ""), part.open());
            }
        }
    }

    /** Takes a part into an order; what is short counts on it in full. */
    void put(PostingRow row, SupplyLine line, OrderPart part, Lot lot, BigDecimal wanted) {
        Point point = new Point(part.component(), site(line));
        BigDecimal[] value = {BigDecimal.ZERO};
        boolean taken = deed.take(row, Kind.ISSUE, point, lot, wanted, Rows.document(line), movement -> {
            BigDecimal worth = movement.value().negate();
            BigDecimal quantity = movement.quantity().negate();
            value[0] = value[0].add(worth);
            deed.issued(line, movement.bin().ofLot(), quantity, worth);
            deed.past(new Past(Past.Table.USAGE, row.date(), line, null, movement.bin(), quantity));
        });
        if (taken) {
            deed.part(line, part, wanted, BigDecimal.ZERO, value[0]);
            deed.cost(line, Cost.MATERIAL, value[0]);
        }
    }

    private void back(PostingRow row, SupplyLine line, OrderPart part, StockItem item, BigDecimal quantity) {
        Lot lot = new Lot(item.code(), row.lotOr(), row.serialOr());
        if (!deed.newSerial(row, item, site(line))) {
            return;
        }
        Tally issued = line.issuesOf(lot);
        BigDecimal there = part == null
                ? BigDecimal.ZERO
                : OrderPart.whole(part.inside(), item.decimals())
                        .min(issued.quantity())
                        .max(BigDecimal.ZERO);
        if (quantity.compareTo(there) > 0) {
            deed.refuse(row, item.code(), null, Code.SHORT, quantity, there);
            return;
        }
        BigDecimal value = issued.worth(quantity, deed.decimals());
        Bin bin = new Bin(item.code(), site(line), lot.lot(), lot.serial(), row.quarantined());
        Movement movement = deed.in(row, Kind.ISSUE, bin, quantity, value, Rows.document(line));
        deed.issued(line, lot, quantity.negate(), value.negate());
        deed.part(
                line, part, quantity.negate(), BigDecimal.ZERO, movement.value().negate());
        deed.cost(line, Cost.MATERIAL, movement.value().negate());
        deed.past(new Past(Past.Table.USAGE, row.date(), line, null, bin, quantity.negate()));
    }
}
