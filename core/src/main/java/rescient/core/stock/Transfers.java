package rescient.core.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.stock.Books.Past;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;
import rescient.core.stock.SupplyLine.Cost;
import rescient.core.stock.SupplyLine.Underway;

/** Goods go from site to site: out here, on their way, in there. */
final class Transfers {
    private final Deed deed;

    Transfers(Deed deed) {
        this.deed = deed;
    }

    void ship(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        String site = order.fromSite();
        if (!deed.knownUnit(row, item, site, null)) {
            return;
        }
        OrderPart part = line.parts().stream()
                .filter(one -> one.component().equals(order.item()))
                .findFirst()
                .orElse(null);
        BigDecimal open = part == null ? BigDecimal.ZERO : part.open();
        if (Purchases.isClosed(line) || open.signum() == 0) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        BigDecimal quantity = row.quantity() == null
                ? (row.serial() != null ? BigDecimal.ONE : open)
                : Rows.positive(deed, row, order.item(), site, row.quantity())
                        ? deed.converted(row, item, site, row.quantity(), null)
                        : null;
        if (quantity == null || !deed.rightLot(row, item, site, quantity, false)) {
            return;
        }
        if (quantity.compareTo(open) > 0) {
            deed.refuse(row, order.item(), site, Code.OVER, quantity, open);
            return;
        }
        BigDecimal[] value = {BigDecimal.ZERO};
        boolean taken = deed.take(
                row,
                Kind.TRANSFER_OUT,
                new Point(order.item(), site),
                new Lot(order.item(), row.lotOr(), row.serialOr()),
                quantity,
                Rows.document(line),
                movement -> {
                    BigDecimal worth = movement.value().negate();
                    BigDecimal sent = movement.quantity().negate();
                    Lot lot = movement.bin().ofLot();
                    value[0] = value[0].add(worth);
                    deed.way(line, lot, sent, worth, deed.books().expiry(lot));
                    deed.past(new Past(Past.Table.USAGE, row.date(), line, null, movement.bin(), sent));
                });
        if (taken) {
            deed.part(line, part, quantity, quantity, BigDecimal.ZERO);
            deed.cost(line, Cost.MATERIAL, value[0]);
        }
    }

    void receive(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        if (!deed.knownUnit(row, item, order.site(), null)) {
            return;
        }
        if (Purchases.isClosed(line)) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        BigDecimal lost = row.scrapped() == null
                ? BigDecimal.ZERO
                : deed.converted(row, item, order.site(), row.scrapped(), null);
        if (lost == null) {
            return;
        }
        List<Lot> lots = lots(row, line, order.item());
        BigDecimal there =
                lots.stream().map(lot -> line.underway().get(lot).quantity()).reduce(BigDecimal.ZERO, BigDecimal::add);
        boolean allowed = row.quantity() == null
                || row.quantity().signum() > 0
                || (row.quantity().signum() == 0 && lost.signum() > 0);
        if (!allowed) {
            deed.refuse(row, order.item(), order.site(), Code.QUANTITY);
            return;
        }
        BigDecimal quantity = row.quantity() != null
                ? deed.converted(row, item, order.site(), row.quantity(), null)
                : row.serial() != null && lost.signum() == 0
                        ? BigDecimal.ONE
                        : there.subtract(lost).max(BigDecimal.ZERO);
        if (quantity == null) {
            return;
        }
        BigDecimal all = quantity.add(lost);
        boolean unnamed = item.isTracked() && lots.stream().anyMatch(Transfers::isUnnamed);
        boolean right = deed.rightLot(row, item, order.site(), quantity.signum() == 0 ? lost : quantity, unnamed)
                && deed.rightExpiry(row, item, order.site());
        if (!right) {
            return;
        }
        if (lots.stream().anyMatch(Transfers::isUnnamed) && !deed.newSerial(row, item, order.site())) {
            return;
        }
        if (there.signum() == 0 || all.compareTo(there) > 0) {
            deed.refuse(row, order.item(), order.site(), Code.OVER, all, there);
            return;
        }
        take(row, line, lots, quantity, true);
        take(row, line, lots, lost, false);
        deed.come(line, quantity, all);
        if (lost.signum() > 0) {
            deed.scrap(line, lost);
        }
        if (line.open().signum() == 0) {
            deed.end(line, false);
        }
    }

    private static boolean isUnnamed(Lot lot) {
        return lot.lot().isEmpty() && lot.serial().isEmpty();
    }

    /** What is on its way of the named lot, of what has no lot if that is not, or of all, in the order in which it is taken. */
    private List<Lot> lots(PostingRow row, SupplyLine line, String item) {
        Comparator<Lot> order = Comparator.comparing(
                        (Lot lot) -> line.underway().get(lot).expiry(), Comparator.nullsLast(Comparator.naturalOrder()))
                .thenComparing(Lot::lot, DocumentOrder.INSTANCE)
                .thenComparing(Lot::serial, DocumentOrder.INSTANCE);
        List<Lot> all = new ArrayList<>();
        for (Map.Entry<Lot, Underway> way : line.underway().entrySet()) {
            if (way.getValue().quantity().signum() > 0) {
                all.add(way.getKey());
            }
        }
        all.sort(order);
        if (row.lot() == null && row.serial() == null) {
            return all;
        }
        Lot named = new Lot(item, row.lotOr(), row.serialOr());
        Lot without = new Lot(item, "", "");
        return all.contains(named) ? List.of(named) : all.contains(without) ? List.of(without) : List.of();
    }

    private void take(PostingRow row, SupplyLine line, List<Lot> lots, BigDecimal quantity, boolean comes) {
        BigDecimal left = quantity;
        for (Lot lot : lots) {
            Underway way = line.underway().get(lot);
            BigDecimal part = way.quantity().min(left);
            if (part.signum() <= 0) {
                continue;
            }
            BigDecimal value = way.worth(part, deed.decimals());
            deed.way(line, lot, part.negate(), value.negate(), null);
            if (comes) {
                boolean unnamed = isUnnamed(lot);
                Bin bin = new Bin(
                        lot.item(),
                        line.order().site(),
                        unnamed ? row.lotOr() : lot.lot(),
                        unnamed ? row.serialOr() : lot.serial(),
                        row.quarantined());
                Movement movement = deed.in(row, Kind.TRANSFER_IN, bin, part, value, Rows.document(line));
                deed.cost(line, Cost.PUT_OUT, movement.value());
                deed.cost(line, Cost.VARIANCE, value.subtract(movement.value()));
            } else {
                deed.cost(line, Cost.VARIANCE, value);
            }
            left = left.subtract(part);
        }
    }

    /** What is on its way is lost, and what was not sent falls away. */
    void lost(SupplyLine line) {
        for (Map.Entry<Lot, Underway> way : Map.copyOf(line.underway()).entrySet()) {
            if (way.getValue().quantity().signum() > 0) {
                deed.way(
                        line,
                        way.getKey(),
                        way.getValue().quantity().negate(),
                        way.getValue().value().negate(),
                        null);
            }
        }
    }
}
