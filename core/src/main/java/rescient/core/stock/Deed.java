package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import rescient.core.base.Ratio;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;

/** A posting under way: what it has moved, and why it cannot be. */
final class Deed extends DocumentChanges {
    private final Books.Act act;
    private final List<PostingRow> rows;
    private final ArrayList<Refused> refused = new ArrayList<>(0);
    private final ArrayList<Movement> movements = new ArrayList<>(1);
    /** Where something was taken back. */
    private Set<Point> backAt = Set.of();

    Deed(Books books, List<PostingRow> rows) {
        super(books);
        this.rows = rows;
        PostingRow first = rows.get(0);
        this.act = new Books.Act(first.key(), first.date(), first.reason());
    }

    private Deed(Books books, Books.Act act, List<Movement> movements) {
        super(books);
        this.act = act;
        this.rows = null;
        this.movements.addAll(movements);
    }

    /** One that was done before the books began; its rows are not known. */
    static Deed before(Books books, String key, LocalDate date, List<Movement> movements) {
        return new Deed(books, new Books.Act(key, date, null), movements);
    }

    /**
     * Something that was done before.
     *
     * @param contained the documents know it already, so that it is not done once more
     */
    void known(Runnable change, boolean contained) {
        int mark = books().journal().mark();
        change.run();
        if (contained) {
            books().journal().takeBack(mark);
        }
    }

    Masterdata company() {
        return books().company();
    }

    /** Null: they are not known. */
    List<PostingRow> rows() {
        return rows;
    }

    @Override
    LocalDate date() {
        return act.date();
    }

    Books.Act act(PostingRow row) {
        return new Books.Act(act.key(), act.date(), row.reason());
    }

    List<Refused> refused() {
        return refused;
    }

    List<Movement> movements() {
        return movements;
    }

    /** It is done, and kept as small as it can be. */
    void trim() {
        refused.trimToSize();
        movements.trimToSize();
        trimDocuments();
    }

    int decimals() {
        return company().moneyDecimals();
    }

    BigDecimal money(BigDecimal amount) {
        return books().money(amount);
    }

    // refusals

    void refuse(PostingRow row, String item, String site, Code code) {
        refuse(row, item, site, code, null, null);
    }

    void refuse(PostingRow row, String item, String site, Code code, BigDecimal wanted, BigDecimal there) {
        refused.add(new Refused(row.key(), item, site, row.lot(), row.serial(), code, wanted, there));
    }

    /** Not of a lot of the row's own. */
    void refuse(PostingRow row, Point point, Code code, BigDecimal wanted, BigDecimal there) {
        refused.add(new Refused(row.key(), point.item(), point.site(), null, null, code, wanted, there));
    }

    // quantities

    /** A quantity in the item's unit; null: it was refused. */
    BigDecimal converted(PostingRow row, StockItem item, String site, BigDecimal quantity, String usualUnit) {
        String unit = row.unit() != null ? row.unit() : usualUnit;
        if (unit == null || unit.equals(item.unit())) {
            if (!item.holds(quantity)) {
                refuse(row, item.code(), site, Code.QUANTITY);
                return null;
            }
            return quantity;
        }
        Ratio factor = company().factor(item.code(), unit, item.unit());
        BigDecimal converted = times(quantity, factor, item.decimals());
        if (converted.signum() == 0 && quantity.signum() != 0) {
            refuse(row, item.code(), site, Code.QUANTITY);
            return null;
        }
        return converted;
    }

    /** Whether the unit of a row can be converted; it is refused otherwise. */
    boolean knownUnit(PostingRow row, StockItem item, String site, String usualUnit) {
        String unit = row.unit() != null ? row.unit() : usualUnit;
        boolean known =
                unit == null || unit.equals(item.unit()) || company().factor(item.code(), unit, item.unit()) != null;
        if (!known) {
            refuse(
                    row,
                    row.item() == null ? item.code() : row.item(),
                    row.site() == null ? site : row.site(),
                    Code.UNKNOWN);
        }
        return known;
    }

    static BigDecimal times(BigDecimal quantity, Ratio factor, int decimals) {
        return quantity.multiply(new BigDecimal(factor.numerator()))
                .divide(new BigDecimal(factor.denominator()), decimals, RoundingMode.HALF_UP);
    }

    /** What a quantity in the item's unit costs at a price for one of a unit. */
    BigDecimal cost(BigDecimal price, String unit, StockItem item, BigDecimal quantity) {
        Ratio factor =
                unit == null || unit.equals(item.unit()) ? Ratio.ONE : company().factor(item.code(), unit, item.unit());
        if (factor == null) {
            factor = Ratio.ONE;
        }
        return price.multiply(quantity)
                .multiply(new BigDecimal(factor.denominator()))
                .divide(new BigDecimal(factor.numerator()), decimals(), RoundingMode.HALF_UP);
    }

    // lots

    /** Whether the lot or serial number that is said is what the item needs; it is refused otherwise. */
    boolean rightLot(PostingRow row, StockItem item, String site, BigDecimal quantity, boolean needed) {
        boolean lot = row.lot() != null;
        boolean serial = row.serial() != null;
        boolean right = switch (item.tracking()) {
            case NONE -> !lot && !serial;
            case LOT -> !serial && (lot || !needed);
            case SERIAL ->
                !lot && (serial || !needed) && (!serial || quantity.abs().compareTo(BigDecimal.ONE) == 0);
        };
        if (!right) {
            refuse(row, item.code(), site, Code.TRACKING);
        }
        return right;
    }

    /** The expiry that is said is what the lot has, or it has none yet; it is refused otherwise. */
    boolean rightExpiry(PostingRow row, StockItem item, String site) {
        if (row.expiry() == null) {
            return true;
        }
        Lot lot = new Lot(item.code(), row.lotOr(), row.serialOr());
        LocalDate known = books().expiry(lot);
        boolean right = item.isTracked()
                && (known == null
                        || known.equals(row.expiry())
                        || !books().lots().lies(lot));
        if (!right) {
            refuse(row, item.code(), site, Code.TRACKING);
        } else if (!row.expiry().equals(known)) {
            books().lots().expires(lot, row.expiry());
        }
        return right;
    }

    /** A serial number that comes in lies nowhere; it is refused otherwise. */
    boolean newSerial(PostingRow row, StockItem item, String site) {
        boolean twice = item.hasSerials()
                && row.serial() != null
                && books().lots().lies(new Lot(item.code(), "", row.serial()));
        if (twice) {
            refuse(row, item.code(), site, Code.SERIAL_TWICE);
        }
        return !twice;
    }

    // stock

    Movement in(PostingRow row, Kind kind, Bin bin, BigDecimal quantity, BigDecimal worth, Document document) {
        Movement movement = books().in(act(row), kind, bin, quantity, worth, document);
        movements.add(movement);
        return movement;
    }

    Movement out(PostingRow row, Kind kind, Bin bin, BigDecimal quantity, Document document) {
        Movement movement = books().out(act(row), kind, bin, quantity, document);
        movements.add(movement);
        return movement;
    }

    /** A movement is taken back; what it leaves of the value is looked at when the posting is done. */
    void takeBack(PostingRow row, Movement movement) {
        movements.add(books().back(act(row), movement));
        backAt = with(backAt, new Point(movement.bin().item(), movement.bin().site()));
    }

    /** Values are what they should be after something was taken back. */
    void revalue() {
        backAt.stream()
                .sorted(Comparator.comparing(Point::item).thenComparing(Point::site))
                .forEach(point -> {
                    int size = books().movements().size();
                    books().revalue(act, point);
                    movements.addAll(books().movements()
                            .subList(size, books().movements().size()));
                });
    }

    void state(PostingRow row, Bin from, Bin to, BigDecimal quantity) {
        int before = books().movements().size();
        books().state(act(row), from, to, quantity);
        movements.addAll(books().movements().subList(before, books().movements().size()));
    }

    /**
     * Takes free stock that serves: of the named lot, or of lots as proposed.
     *
     * @param lot empty: none is named, nor with {@code serial}
     * @param each is told of every movement
     * @return false: it was refused and nothing was taken; what is short only is taken as far as it is there
     */
    boolean take(
            PostingRow row,
            Kind kind,
            Point point,
            Lot lot,
            BigDecimal wanted,
            Document document,
            Consumer<Movement> each) {
        boolean named = !lot.lot().isEmpty() || !lot.serial().isEmpty();
        StockItem item = company().item(point.item());
        if (named || !item.isTracked()) {
            Bin bin = new Bin(point.item(), point.site(), lot.lot(), lot.serial(), false);
            BigDecimal there = books().there(bin, date());
            if (books().lots().expired(bin.ofLot(), date())) {
                refused.add(line(row, point, lot, Code.EXPIRED, wanted, there));
                return false;
            }
            if (there.compareTo(wanted) < 0) {
                BigDecimal kept =
                        books().there(new Bin(point.item(), point.site(), lot.lot(), lot.serial(), true), date());
                boolean notFree = there.add(kept).compareTo(wanted) >= 0;
                refused.add(line(row, point, lot, notFree ? Code.QUARANTINED : Code.SHORT, wanted, there));
                if (notFree) {
                    return false;
                }
            }
            BigDecimal taken = there.min(wanted);
            if (taken.signum() > 0) {
                each.accept(out(row, kind, bin, taken, document));
            }
            return true;
        }
        BigDecimal left = wanted;
        for (Bin bin : books().proposed(point, date())) {
            BigDecimal taken = books().there(bin, date()).min(left);
            if (taken.signum() > 0) {
                each.accept(out(row, kind, bin, taken, document));
                left = left.subtract(taken);
            }
        }
        if (left.signum() > 0) {
            refused.add(line(row, point, lot, Code.SHORT, wanted, wanted.subtract(left)));
        }
        return true;
    }

    private static Refused line(PostingRow row, Point point, Lot lot, Code code, BigDecimal wanted, BigDecimal there) {
        return new Refused(
                row.key(),
                point.item(),
                point.site(),
                lot.lot().isEmpty() ? null : lot.lot(),
                lot.serial().isEmpty() ? null : lot.serial(),
                code,
                wanted,
                there);
    }
}
