package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import rescient.core.base.Ratio;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;

/** A posting under way: what it has moved, what it changed on documents (with the way back), and why it cannot be. */
final class Deed {
    private final Books books;
    private final Books.Act act;
    private final List<PostingRow> rows;
    private final ArrayList<Refused> refused = new ArrayList<>(0);
    private final ArrayList<Movement> movements = new ArrayList<>(1);
    /** What takes back what it changed on documents, in the order in which it was changed. */
    private final ArrayList<Runnable> back = new ArrayList<>(2);
    /** Orders that were ended by it, by hand. */
    private Set<SupplyLine> finished = Set.of();
    /** Orders that it touched. */
    private Set<SupplyLine> touched = Set.of();
    /** Where something was taken back. */
    private Set<Point> backAt = Set.of();
    /** What must not fall below 0 when it is taken back: parts of orders, goods on their way, goods received or shipped. */
    private Map<Object, Held> held = Map.of();

    /**
     * Something that may be gone when the posting is taken back.
     *
     * @param item of it, {@code lot} its lot
     */
    static final class Held {
        private final Lot lot;
        private final Supplier<BigDecimal> left;
        private BigDecimal added = BigDecimal.ZERO;

        Held(Lot lot, Supplier<BigDecimal> left) {
            this.lot = lot;
            this.left = left;
        }

        Lot lot() {
            return lot;
        }

        BigDecimal left() {
            return left.get();
        }

        BigDecimal added() {
            return added;
        }
    }

    Deed(Books books, List<PostingRow> rows) {
        this.books = books;
        this.rows = rows;
        PostingRow first = rows.get(0);
        this.act = new Books.Act(first.key(), first.date(), first.reason());
    }

    private Deed(Books books, Books.Act act, List<Movement> movements) {
        this.books = books;
        this.act = act;
        this.rows = null;
        this.movements.addAll(movements);
    }

    /** One that was done before the books began; its rows are not known. */
    static Deed before(Books books, String key, List<Movement> movements) {
        return new Deed(books, new Books.Act(key, movements.get(0).date(), null), movements);
    }

    /**
     * Something that was done before.
     *
     * @param contained the documents know it already, so that it is not done once more
     */
    void known(Runnable change, boolean contained) {
        int mark = books.journal().mark();
        change.run();
        if (contained) {
            books.journal().takeBack(mark);
        }
    }

    /** What is to be done if it is taken back. */
    void wayBack(Runnable run) {
        back.add(run);
    }

    Books books() {
        return books;
    }

    Masterdata company() {
        return books.company();
    }

    /** Null: they are not known. */
    List<PostingRow> rows() {
        return rows;
    }

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

    Set<SupplyLine> finished() {
        return finished;
    }

    Set<SupplyLine> touched() {
        return touched;
    }

    Map<Object, Held> held() {
        return held;
    }

    /** It is done, and kept as small as it can be. */
    void trim() {
        refused.trimToSize();
        movements.trimToSize();
        back.trimToSize();
    }

    /** Takes back what it changed on documents, the last first. */
    void takeBackDocuments() {
        for (int i = back.size() - 1; i >= 0; i--) {
            back.get(i).run();
        }
    }

    int decimals() {
        return company().moneyDecimals();
    }

    BigDecimal money(BigDecimal amount) {
        return books.money(amount);
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
        LocalDate known = books.expiry(lot);
        boolean right = item.isTracked() && (known == null || known.equals(row.expiry()) || !books.lies(lot));
        if (!right) {
            refuse(row, item.code(), site, Code.TRACKING);
        } else if (!row.expiry().equals(known)) {
            books.expires(lot, row.expiry());
        }
        return right;
    }

    /** A serial number that comes in lies nowhere; it is refused otherwise. */
    boolean newSerial(PostingRow row, StockItem item, String site) {
        boolean twice = item.hasSerials() && row.serial() != null && books.lies(new Lot(item.code(), "", row.serial()));
        if (twice) {
            refuse(row, item.code(), site, Code.SERIAL_TWICE);
        }
        return !twice;
    }

    // stock

    Movement in(PostingRow row, Kind kind, Bin bin, BigDecimal quantity, BigDecimal worth, Document document) {
        Movement movement = books.in(act(row), kind, bin, quantity, worth, document);
        movements.add(movement);
        return movement;
    }

    Movement out(PostingRow row, Kind kind, Bin bin, BigDecimal quantity, Document document) {
        Movement movement = books.out(act(row), kind, bin, quantity, document);
        movements.add(movement);
        return movement;
    }

    /** A movement is taken back; what it leaves of the value is looked at when the posting is done. */
    void takeBack(PostingRow row, Movement movement) {
        movements.add(books.back(act(row), movement));
        backAt = with(backAt, new Point(movement.bin().item(), movement.bin().site()));
    }

    /** Values are what they should be after something was taken back. */
    void revalue() {
        backAt.stream()
                .sorted(Comparator.comparing(Point::item).thenComparing(Point::site))
                .forEach(point -> {
                    int size = books.movements().size();
                    books.revalue(act, point);
                    movements.addAll(
                            books.movements().subList(size, books.movements().size()));
                });
    }

    void state(PostingRow row, Bin from, Bin to, BigDecimal quantity) {
        int before = books.movements().size();
        books.state(act(row), from, to, quantity);
        movements.addAll(books.movements().subList(before, books.movements().size()));
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
            BigDecimal there = books.there(bin, date());
            if (books.expired(bin.ofLot(), date())) {
                refused.add(line(row, point, lot, Code.EXPIRED, wanted, there));
                return false;
            }
            if (there.compareTo(wanted) < 0) {
                BigDecimal kept =
                        books.there(new Bin(point.item(), point.site(), lot.lot(), lot.serial(), true), date());
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
        for (Bin bin : books.proposed(point, date())) {
            BigDecimal taken = books.there(bin, date()).min(left);
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

    // most postings need none of these: they are made when something comes into them

    private static <T> Set<T> with(Set<T> set, T one) {
        Set<T> more = set.isEmpty() ? new LinkedHashSet<>() : set;
        more.add(one);
        return more;
    }

    /** An order that it touched. */
    void touch(SupplyLine line) {
        touched = with(touched, line);
    }

    // documents; each with its way back

    void come(SupplyLine line, BigDecimal good, BigDecimal less) {
        line.come(good, less);
        touch(line);
        back.add(() -> line.come(good.negate(), less.negate()));
    }

    void scrap(SupplyLine line, BigDecimal pieces) {
        line.scrap(pieces);
        touch(line);
        back.add(() -> line.scrap(pieces.negate()));
    }

    void cost(SupplyLine line, SupplyLine.Cost cost, BigDecimal more) {
        line.cost(cost, more);
        touch(line);
        back.add(() -> line.cost(cost, more.negate()));
    }

    void part(SupplyLine line, SupplyLine.Part part, BigDecimal issued, BigDecimal used, BigDecimal value) {
        line.part(part, issued, used, value);
        touch(line);
        back.add(() -> line.part(part, issued.negate(), used.negate(), value.negate()));
        hold(part, new Lot(part.component(), "", ""), part::inside, issued.subtract(used));
    }

    void planned(SupplyLine line, SupplyLine.Part part, BigDecimal planned) {
        BigDecimal before = part.planned();
        line.planned(part, planned);
        back.add(() -> line.planned(part, before));
    }

    void issued(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal value) {
        Tally tally = line.issuesOf(lot);
        line.tally(tally, quantity, value);
        back.add(() -> line.tally(tally, quantity.negate(), value.negate()));
    }

    void receipt(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal cost) {
        Tally tally = line.receiptsOf(lot);
        line.tally(tally, quantity, cost);
        back.add(() -> line.tally(tally, quantity.negate(), cost.negate()));
        hold(tally, lot, tally::quantity, quantity);
    }

    void way(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal value, LocalDate expiry) {
        line.way(lot, quantity, value, expiry);
        books.lies(lot, quantity);
        touch(line);
        back.add(() -> {
            line.way(lot, quantity.negate(), value.negate(), null);
            books.lies(lot, quantity.negate());
        });
        SupplyLine.Underway way = line.underway().get(lot);
        hold(way, lot, way::quantity, quantity);
    }

    void report(SupplyLine line, int step, BigDecimal good, BigDecimal scrap) {
        line.report(step, good, scrap);
        touch(line);
        back.add(() -> line.report(step, good.negate(), scrap.negate()));
    }

    void book(SupplyLine line, int step, BigDecimal units) {
        line.book(step, units);
        back.add(() -> line.book(step, units.negate()));
    }

    void minutes(SupplyLine line, int step, BigDecimal more) {
        BigDecimal before = line.progress(step).minutes();
        line.minutes(step, before == null ? more : before.add(more));
        back.add(() -> {
            BigDecimal now = line.progress(step).minutes();
            BigDecimal less = now == null ? null : now.subtract(more);
            line.minutes(step, before == null && less != null && less.signum() == 0 ? null : less);
        });
    }

    void end(SupplyLine line, boolean byHand) {
        line.end(date(), byHand);
        touch(line);
        if (byHand) {
            finished = with(finished, line);
        }
        back.add(() -> line.end(null, false));
    }

    void ship(CustomerLine line, BigDecimal quantity) {
        line.ship(quantity);
        back.add(() -> line.ship(quantity.negate()));
    }

    void left(CustomerLine line, Lot lot, BigDecimal quantity) {
        line.left(lot, quantity);
        back.add(() -> line.left(lot, quantity.negate()));
        Tally tally = line.shippedOf(lot);
        hold(tally, lot, tally::quantity, quantity);
    }

    void end(CustomerLine line) {
        line.end(date());
        back.add(() -> line.end(null));
    }

    void past(Books.Past row) {
        books.past(row);
        back.add(() -> books.past(new Books.Past(
                row.table(),
                row.date(),
                row.order(),
                row.line(),
                row.bin(),
                row.quantity().negate())));
    }

    private void hold(Object what, Lot lot, Supplier<BigDecimal> left, BigDecimal more) {
        held = held.isEmpty() ? new LinkedHashMap<>() : held;
        Held one = held.computeIfAbsent(what, w -> new Held(lot, left));
        one.added = one.added.add(more);
    }
}
