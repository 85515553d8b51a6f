package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import rescient.core.stock.Movement.Lot;

/** What a posting changes on documents, each change with its way back. */
abstract class DocumentChanges {
    private final Books books;
    /** What takes back what it changed on documents, in the order in which it was changed. */
    private final ArrayList<Runnable> back = new ArrayList<>(2);
    /** Orders that were ended by it, by hand. */
    private Set<SupplyLine> finished = Set.of();
    /** Orders that it touched. */
    private Set<SupplyLine> touched = Set.of();
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

    DocumentChanges(Books books) {
        this.books = books;
    }

    Books books() {
        return books;
    }

    /** The day that it counts for. */
    abstract LocalDate date();

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
    void trimDocuments() {
        back.trimToSize();
    }

    /** What is to be done if it is taken back. */
    void wayBack(Runnable run) {
        back.add(run);
    }

    /** Takes back what it changed on documents, the last first. */
    void takeBackDocuments() {
        for (int i = back.size() - 1; i >= 0; i--) {
            back.get(i).run();
        }
    }

    /** Most postings need none of these: they are made when something comes into them. */
    static <T> Set<T> with(Set<T> set, T one) {
        Set<T> more = set.isEmpty() ? new LinkedHashSet<>() : set;
        more.add(one);
        return more;
    }

    /** An order that it touched. */
    void touch(SupplyLine line) {
        touched = with(touched, line);
    }

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
