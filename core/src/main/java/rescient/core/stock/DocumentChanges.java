package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import rescient.core.stock.DocumentStep.Kind;
import rescient.core.stock.Movement.Lot;

/** What a posting changes on documents, each change with its way back. */
abstract class DocumentChanges {
    private final Books books;
    /** What takes back what it changed on documents, in the order in which it was changed. */
    private final ArrayList<Runnable> back = new ArrayList<>(2);
    /** The same as it is kept; none where nobody keeps it. */
    private List<DocumentStep> steps = List.of();
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

    /** What it changed on documents, where that is kept. */
    List<DocumentStep> steps() {
        return steps;
    }

    private void step(DocumentStep step) {
        if (books.keepsSteps()) {
            steps = steps.isEmpty() ? new ArrayList<>() : steps;
            steps.add(step);
        }
    }

    private void step(Kind kind, SupplyLine line, Integer step, BigDecimal a, BigDecimal b) {
        step(kind, line, null, null, step, a, b, null);
    }

    private void step(
            Kind kind, SupplyLine line, String what, Lot lot, Integer step, BigDecimal a, BigDecimal b, BigDecimal c) {
        step(new DocumentStep(
                kind,
                line.order().number(),
                line.order().line(),
                what,
                lot == null ? null : lot.item(),
                lot == null ? null : lot.lot(),
                lot == null ? null : lot.serial(),
                null,
                step,
                a,
                b,
                c));
    }

    private void step(Kind kind, CustomerLine line, Lot lot, BigDecimal a) {
        step(new DocumentStep(
                kind,
                line.number(),
                line.line(),
                null,
                lot == null ? null : lot.item(),
                lot == null ? null : lot.lot(),
                lot == null ? null : lot.serial(),
                null,
                null,
                a,
                null,
                null));
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
        step(Kind.COME, line, null, good, less);
        back.add(() -> line.come(good.negate(), less.negate()));
    }

    void scrap(SupplyLine line, BigDecimal pieces) {
        line.scrap(pieces);
        touch(line);
        step(Kind.SCRAP, line, null, pieces, null);
        back.add(() -> line.scrap(pieces.negate()));
    }

    void cost(SupplyLine line, SupplyLine.Cost cost, BigDecimal more) {
        line.cost(cost, more);
        touch(line);
        step(Kind.COST, line, cost.name(), null, null, more, null, null);
        back.add(() -> line.cost(cost, more.negate()));
    }

    void part(SupplyLine line, OrderPart part, BigDecimal issued, BigDecimal used, BigDecimal value) {
        line.part(part, issued, used, value);
        touch(line);
        step(Kind.PART, line, part.component(), null, part.step(), issued, OrderPart.kept(used), value);
        back.add(() -> {
            line.part(part, issued.negate(), used.negate(), value.negate());
            line.forgetUnplanned(part);
        });
        hold(part, new Lot(part.component(), "", ""), part::inside, issued);
    }

    void issued(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal value) {
        Tally tally = line.issuesOf(lot);
        line.tally(tally, quantity, value);
        step(Kind.ISSUED, line, null, lot, null, quantity, value, null);
        back.add(() -> line.tally(tally, quantity.negate(), value.negate()));
    }

    void receipt(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal cost) {
        Tally tally = line.receiptsOf(lot);
        line.tally(tally, quantity, cost);
        step(Kind.RECEIPT, line, null, lot, null, quantity, cost, null);
        back.add(() -> line.tally(tally, quantity.negate(), cost.negate()));
        hold(tally, lot, tally::quantity, quantity);
    }

    void way(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal value, LocalDate expiry) {
        line.way(lot, quantity, value, expiry);
        books.lots().lies(lot, quantity);
        touch(line);
        step(Kind.WAY, line, null, lot, null, quantity, value, null);
        back.add(() -> {
            line.way(lot, quantity.negate(), value.negate(), null);
            books.lots().lies(lot, quantity.negate());
        });
        SupplyLine.Underway way = line.underway().get(lot);
        hold(way, lot, way::quantity, quantity);
    }

    void report(SupplyLine line, int step, BigDecimal good, BigDecimal scrap) {
        line.report(step, good, scrap);
        touch(line);
        step(Kind.REPORT, line, step, good, scrap);
        back.add(() -> line.report(step, good.negate(), scrap.negate()));
    }

    void book(SupplyLine line, int step, BigDecimal units) {
        line.book(step, units);
        step(Kind.BOOK, line, step, units, null);
        back.add(() -> line.book(step, units.negate()));
    }

    void minutes(SupplyLine line, int step, BigDecimal more) {
        BigDecimal before = line.progress(step).minutes();
        line.minutes(step, before == null ? more : before.add(more));
        step(Kind.MINUTES, line, step, more, before == null ? BigDecimal.ONE : BigDecimal.ZERO);
        lessMinutes(line, step, more, before == null);
    }

    /** @param first none were given before */
    void lessMinutes(SupplyLine line, int step, BigDecimal more, boolean first) {
        back.add(() -> {
            BigDecimal now = line.progress(step).minutes();
            BigDecimal less = now == null ? null : now.subtract(more);
            line.minutes(step, first && less != null && less.signum() == 0 ? null : less);
        });
    }

    /** What came or was shipped opens a line again when it is taken back; only an end by hand has a way back of its own. */
    void end(SupplyLine line, boolean byHand) {
        line.end(date(), byHand);
        step(Kind.END, line, null, byHand ? BigDecimal.ONE : BigDecimal.ZERO, null);
        ended(line, byHand);
    }

    void ended(SupplyLine line, boolean byHand) {
        touch(line);
        if (byHand) {
            finished = with(finished, line);
            back.add(() -> line.end(null, false));
        }
    }

    void ship(CustomerLine line, BigDecimal quantity) {
        line.ship(quantity);
        step(Kind.SHIP, line, null, quantity);
        back.add(() -> line.ship(quantity.negate()));
    }

    void left(CustomerLine line, Lot lot, BigDecimal quantity) {
        line.left(lot, quantity);
        step(Kind.LEFT, line, lot, quantity);
        back.add(() -> line.left(lot, quantity.negate()));
        Tally tally = line.shippedOf(lot);
        hold(tally, lot, tally::quantity, quantity);
    }

    void end(CustomerLine line) {
        line.end(date());
        step(Kind.DONE, line, null, null);
    }

    void past(Books.Past row) {
        books.past(row);
        step(new DocumentStep(
                Kind.PAST,
                row.line() != null ? row.line().number() : row.order().order().number(),
                row.line() != null ? row.line().line() : row.order().order().line(),
                row.table().name(),
                row.bin().item(),
                row.bin().lot(),
                row.bin().serial(),
                row.bin().site(),
                null,
                row.quantity(),
                null,
                null));
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
