package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rescient.core.base.Ratio;
import rescient.core.company.Source;
import rescient.core.stock.Books.Past;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;

/** Goods go to customers, whole or as the parts of a kit, and come back. */
final class Sales {
    private final Deed deed;
    private final Set<CustomerLine> chosen = new HashSet<>();

    Sales(Deed deed) {
        this.deed = deed;
    }

    private boolean isChoice(PostingRow row, CustomerLine line) {
        return row.item() != null && !row.item().equals(line.item());
    }

    void ship(PostingRow row, CustomerLine line) {
        StockItem item = deed.company().item(line.item());
        if (item.kit() && isChoice(row, line)) {
            // it is carried out with the first row of the kit itself
            return;
        }
        if (!deed.knownUnit(row, item, line.site(), null)) {
            return;
        }
        if (!line.taken() || line.ended() != null || line.open().signum() == 0) {
            deed.refuse(row, line.item(), line.site(), Code.CLOSED);
            return;
        }
        BigDecimal quantity = row.quantity() == null
                ? (row.serial() != null ? BigDecimal.ONE : line.open())
                : Rows.positive(deed, row, line.item(), line.site(), row.quantity())
                        ? deed.converted(row, item, line.site(), row.quantity(), null)
                        : null;
        if (quantity == null) {
            return;
        }
        if (item.kit() && quantity.stripTrailingZeros().scale() > 0) {
            deed.refuse(row, line.item(), line.site(), Code.QUANTITY);
            return;
        }
        SupplyLine assembly = item.kit() ? null : assembly(line);
        BigDecimal missing = assembly == null
                ? BigDecimal.ZERO
                : quantity.subtract(assembly.received().subtract(line.sent()))
                        .min(assembly.open())
                        .max(BigDecimal.ZERO);
        if (!deed.rightLot(row, item, line.site(), quantity, missing.signum() > 0)) {
            return;
        }
        if (quantity.compareTo(line.open()) > 0) {
            deed.refuse(row, line.item(), line.site(), Code.OVER, quantity, line.open());
            return;
        }
        if (item.kit()) {
            kit(row, line, quantity);
        } else {
            if (missing.signum() > 0) {
                new Production(deed).assemble(row, assembly, missing);
            }
            boolean taken = deed.take(
                    row,
                    Kind.SHIPMENT,
                    new Point(line.item(), line.site()),
                    new Lot(line.item(), row.lotOr(), row.serialOr()),
                    quantity,
                    Rows.document(line),
                    movement -> left(line, movement));
            if (!taken) {
                return;
            }
        }
        deed.ship(line, quantity);
        Bin bin = new Bin(line.item(), line.site(), "", "", false);
        deed.past(new Past(Past.Table.SHIPMENTS, row.date(), null, line, bin, quantity));
        if (line.open().signum() == 0) {
            deed.end(line);
        }
    }

    private void left(CustomerLine line, Movement movement) {
        deed.left(line, movement.bin().ofLot(), movement.quantity().negate());
    }

    /** The assembly order that hangs on a line; null: there is none. */
    private SupplyLine assembly(CustomerLine line) {
        return deed.books().supplyLines(line.number(), line.line()).stream()
                .filter(one -> one.kind() == Source.ASSEMBLE && !Purchases.isClosed(one))
                .filter(one -> one.order().item().equals(line.item())
                        && one.order().site().equals(line.site()))
                .findFirst()
                .orElse(null);
    }

    /** What a number of kits consists of, exactly. */
    private Map<String, Ratio> each(CustomerLine line, BigDecimal kits) {
        Map<String, Ratio> each = new TreeMap<>();
        List<Masterdata.KitPart> own = deed.company().kit(line.number(), line.line());
        add(own.isEmpty() ? deed.company().kit(line.item(), deed.date()) : own, Ratio.of(kits), each);
        return each;
    }

    /** What a number of kits consists of, rounded up once at the part. */
    private Map<String, BigDecimal> parts(CustomerLine line, BigDecimal kits) {
        Map<String, BigDecimal> parts = new TreeMap<>();
        each(line, kits).forEach((component, ratio) -> {
            StockItem item = deed.company().item(component);
            parts.put(
                    component,
                    new BigDecimal(ratio.numerator())
                            .divide(new BigDecimal(ratio.denominator()), item.decimals(), RoundingMode.UP));
        });
        return parts;
    }

    /** How many kits parts make that went for a line: of each part no more than these, rounded up, takes. */
    BigDecimal kitsOf(CustomerLine line, Map<String, BigDecimal> went) {
        Map<String, Ratio> each = each(line, BigDecimal.ONE);
        BigDecimal kits = null;
        for (Map.Entry<String, BigDecimal> part : went.entrySet()) {
            Ratio one = each.get(part.getKey());
            if (one != null) {
                BigDecimal most = part.getValue()
                        .multiply(new BigDecimal(one.denominator()))
                        .divide(new BigDecimal(one.numerator()), 0, RoundingMode.DOWN);
                kits = kits == null ? most : kits.min(most);
            }
        }
        return kits == null ? BigDecimal.ZERO : kits;
    }

    private void add(List<Masterdata.KitPart> parts, Ratio kits, Map<String, Ratio> each) {
        for (Masterdata.KitPart part : parts) {
            Ratio quantity = part.perOrder() ? part.quantity() : part.quantity().times(kits);
            if (deed.company().item(part.component()).kit()) {
                add(deed.company().kit(part.component(), deed.date()), quantity, each);
            } else {
                each.merge(part.component(), quantity, Ratios::sum);
            }
        }
    }

    private void kit(PostingRow row, CustomerLine line, BigDecimal kits) {
        Map<String, BigDecimal> parts = parts(line, kits);
        List<PostingRow> choices = chosen.add(line) ? choices(line) : List.of();
        for (PostingRow choice : choices) {
            if (!parts.containsKey(choice.item())) {
                deed.refuse(choice, choice.item(), line.site(), Code.UNKNOWN);
            }
        }
        parts.forEach((component, need) -> {
            BigDecimal left = need;
            for (PostingRow choice : choices) {
                if (choice.item().equals(component)) {
                    left = left.subtract(choice(choice, line, component, left));
                }
            }
            if (left.signum() > 0) {
                deed.take(
                        row,
                        Kind.SHIPMENT,
                        new Point(component, line.site()),
                        new Lot(component, "", ""),
                        left,
                        Rows.document(line),
                        movement -> left(line, movement));
            }
        });
    }

    /** How much of a part was chosen; nothing if it was refused. */
    private BigDecimal choice(PostingRow choice, CustomerLine line, String component, BigDecimal need) {
        StockItem item = deed.company().item(component);
        if (!deed.knownUnit(choice, item, line.site(), null)) {
            return BigDecimal.ZERO;
        }
        BigDecimal quantity = choice.quantity() == null
                ? (choice.serial() != null ? BigDecimal.ONE : need)
                : Rows.positive(deed, choice, component, line.site(), choice.quantity())
                        ? deed.converted(choice, item, line.site(), choice.quantity(), null)
                        : null;
        if (quantity == null || !deed.rightLot(choice, item, line.site(), quantity, false)) {
            return BigDecimal.ZERO;
        }
        if (quantity.compareTo(need) > 0) {
            deed.refuse(choice, component, line.site(), Code.OVER, quantity, need);
            return BigDecimal.ZERO;
        }
        boolean taken = deed.take(
                choice,
                Kind.SHIPMENT,
                new Point(component, line.site()),
                new Lot(component, choice.lotOr(), choice.serialOr()),
                quantity,
                Rows.document(line),
                movement -> left(line, movement));
        return taken ? quantity : BigDecimal.ZERO;
    }

    private List<PostingRow> choices(CustomerLine line) {
        return deed.rows().stream()
                .filter(one -> one.action() == PostingRow.Action.SHIP
                        && line.number().equals(one.number())
                        && (one.line() == null || one.line().equals(line.line()))
                        && isChoice(one, line)
                        && (one.site() == null || one.site().equals(line.site())))
                .toList();
    }

    /** Lots that were chosen for a kit of which no row is there. */
    void choicesLeft() {
        for (PostingRow row : deed.rows()) {
            if (row.action() == PostingRow.Action.SHIP && row.item() != null && row.number() != null) {
                deed.books().customer(row.number()).stream()
                        .filter(line -> row.line() == null || row.line().equals(line.line()))
                        .filter(line -> deed.company().item(line.item()).kit() && isChoice(row, line))
                        .filter(line -> deed.rows().stream().noneMatch(other -> isKit(other, line)))
                        .findFirst()
                        .ifPresent(line -> deed.refuse(
                                row, row.item(), row.site() == null ? line.site() : row.site(), Code.UNKNOWN));
            }
        }
    }

    private boolean isKit(PostingRow row, CustomerLine line) {
        return row.action() == PostingRow.Action.SHIP
                && line.number().equals(row.number())
                && (row.line() == null || row.line().equals(line.line()))
                && !isChoice(row, line);
    }

    void returned(PostingRow row, CustomerLine line) {
        StockItem whole = deed.company().item(line.item());
        String code = whole.kit() ? row.item() : line.item();
        StockItem item = code == null ? null : deed.company().item(code);
        if (item == null || item.kit()) {
            deed.refuse(row, row.item() == null ? line.item() : row.item(), line.site(), Code.UNKNOWN);
            return;
        }
        if (!deed.knownUnit(row, item, line.site(), null)) {
            return;
        }
        if (!Rows.positive(deed, row, code, line.site(), row.quantity())) {
            return;
        }
        BigDecimal quantity = deed.converted(row, item, line.site(), row.quantity(), null);
        boolean right = quantity != null
                && deed.rightLot(row, item, line.site(), quantity, true)
                && deed.newSerial(row, item, line.site());
        if (!right) {
            return;
        }
        Lot lot = new Lot(code, row.lotOr(), row.serialOr());
        BigDecimal may = line.shippedOf(lot).quantity();
        if (quantity.compareTo(may) > 0) {
            deed.refuse(row, code, line.site(), Code.OVER, quantity, may);
            return;
        }
        Bin bin = new Bin(code, line.site(), lot.lot(), lot.serial(), row.quarantined());
        BigDecimal worth = deed.books().worth(new Point(code, line.site())).current(lot.lot(), lot.serial(), quantity);
        deed.in(row, Kind.CUSTOMER_RETURN, bin, quantity, worth, Rows.document(line));
        deed.left(line, lot, quantity.negate());
    }
}
