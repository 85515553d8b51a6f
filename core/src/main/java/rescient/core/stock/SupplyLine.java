package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import rescient.core.company.Source;
import rescient.core.stock.Movement.Lot;

/** A line of a purchase, production, assembly, transfer or subcontract order: what is open of it, what it has used and cost. */
public final class SupplyLine {
    /**
     * What stands on the order and stays.
     *
     * @param unit that the price and receipts are in; null: the item's
     * @param price of one; null: nobody said
     * @param ordered good quantity in all, {@code started} before yield
     * @param forOrder the customer order it is made for, with {@code forLine}; null: none
     */
    public record Order(
            String number,
            String line,
            Source kind,
            boolean released,
            String item,
            String site,
            String fromSite,
            String supplier,
            String unit,
            BigDecimal price,
            BigDecimal ordered,
            BigDecimal started,
            String forOrder,
            String forLine) {}

    /** Where it lies between two sites. */
    public static final class Underway {
        private final Tally tally = new Tally();
        private LocalDate expiry;

        Underway() {}

        public BigDecimal quantity() {
            return tally.quantity();
        }

        public BigDecimal value() {
            return tally.value();
        }

        public LocalDate expiry() {
            return expiry;
        }

        BigDecimal worth(BigDecimal part, int decimals) {
            return tally.worth(part, decimals);
        }
    }

    /** What an order has cost. */
    public enum Cost {
        MATERIAL,
        WORK,
        OUTSIDE,
        PUT_OUT,
        VARIANCE
    }

    private final Order order;
    private final Journal journal;
    private final List<OrderPart> parts = new ArrayList<>();
    private final NavigableMap<Integer, StepProgress> steps = new TreeMap<>();
    private final Map<Lot, Underway> underway = new HashMap<>();
    private final Map<Cost, BigDecimal> costs = new HashMap<>();
    /** Issued to it by lot, less what came back. */
    private final Map<Lot, Tally> issues = new HashMap<>();
    /** Received from the supplier by lot, at what it cost, less what went back. */
    private final Map<Lot, Tally> receipts = new LinkedHashMap<>();

    /** Below 0 if more came than was ordered. */
    private BigDecimal toCome;

    private BigDecimal received;
    private BigDecimal scrapped;
    private LocalDate ended;
    private boolean finished;

    SupplyLine(Order order, BigDecimal open, BigDecimal scrapped, Journal journal) {
        this.order = order;
        this.toCome = open;
        this.scrapped = scrapped;
        this.received = order.ordered.subtract(open).max(BigDecimal.ZERO);
        this.journal = journal;
        for (Cost cost : Cost.values()) {
            costs.put(cost, BigDecimal.ZERO);
        }
    }

    public Order order() {
        return order;
    }

    public BigDecimal open() {
        return toCome.max(BigDecimal.ZERO);
    }

    /** Good quantity that came of it, more than was ordered counts too. */
    public BigDecimal received() {
        return received;
    }

    public BigDecimal scrapped() {
        return scrapped;
    }

    /** The day it was done; null: it is not. */
    public LocalDate ended() {
        return ended;
    }

    /** Ended by somebody, not by having come. */
    public boolean finished() {
        return finished;
    }

    /** By component, then step. */
    public List<OrderPart> parts() {
        return parts;
    }

    /** Planned components that somebody issues by hand and of which nothing was: what is put out comes in without their value. */
    public List<OrderPart> unissued() {
        return parts.stream()
                .filter(part -> !part.backflush()
                        && part.planned().signum() > 0
                        && part.issued().signum() == 0)
                .toList();
    }

    public NavigableMap<Integer, StepProgress> steps() {
        return steps;
    }

    public Map<Lot, Underway> underway() {
        return underway;
    }

    public BigDecimal cost(Cost cost) {
        return costs.get(cost);
    }

    /** What it holds: what it cost less what was put out and what is a variance. */
    public BigDecimal inProcess() {
        return cost(Cost.MATERIAL)
                .add(cost(Cost.WORK))
                .add(cost(Cost.OUTSIDE))
                .subtract(cost(Cost.PUT_OUT))
                .subtract(cost(Cost.VARIANCE));
    }

    Source kind() {
        return order.kind;
    }

    boolean isMade() {
        return order.kind == Source.MAKE || order.kind == Source.ASSEMBLE;
    }

    Tally issuesOf(Lot lot) {
        return issues.computeIfAbsent(lot, l -> new Tally());
    }

    Tally receiptsOf(Lot lot) {
        return receipts.computeIfAbsent(lot, l -> new Tally());
    }

    Map<Lot, Tally> receipts() {
        return receipts;
    }

    /** A component, as it was before. */
    public void begins(OrderPart part) {
        parts.add(part);
        sort();
    }

    private void sort() {
        parts.sort(Comparator.comparing(OrderPart::component)
                .thenComparing(OrderPart::step, Comparator.nullsFirst(Comparator.naturalOrder())));
    }

    /** A cost, as it was before. */
    public void begins(Cost cost, BigDecimal amount) {
        costs.put(cost, amount);
    }

    /** What was reported at a step before; 0: the item has none. */
    public void begins(int step, BigDecimal good, BigDecimal scrap, BigDecimal units, BigDecimal given) {
        progress(step).begins(good, scrap, units, given);
    }

    /** Something on its way, as it was before. */
    void begins(Lot lot, BigDecimal quantity, BigDecimal value, LocalDate expiry) {
        Underway way = underway.computeIfAbsent(lot, l -> new Underway());
        way.tally.add(quantity, value);
        way.expiry = expiry;
    }

    /**
     * Movements of items at standard cost do not say what a receipt cost: all of them cost what the order did, each piece the
     * same.
     */
    void receiptsCost(int decimals) {
        BigDecimal pieces = receipts.values().stream().map(Tally::quantity).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal known = receipts.values().stream().map(Tally::value).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal off = cost(Cost.MATERIAL).subtract(known);
        if (order.kind != Source.BUY
                || cost(Cost.MATERIAL).signum() == 0
                || off.signum() == 0
                || pieces.signum() <= 0) {
            return;
        }
        BigDecimal left = pieces;
        for (Tally lot : receipts.values()) {
            if (lot.quantity().signum() > 0) {
                BigDecimal share = Tally.share(off, lot.quantity(), left, decimals);
                left = left.subtract(lot.quantity());
                off = off.subtract(share);
                lot.add(BigDecimal.ZERO, share);
            }
        }
    }

    /** What came of it before; more than was ordered less what is open if more came. */
    public void beganWith(BigDecimal good) {
        received = received.max(good);
        if (toCome.signum() == 0) {
            toCome = order.ordered.subtract(received).min(BigDecimal.ZERO);
        }
    }

    // everything below is written down in the journal, and taken back by the same with the other sign

    /** Good pieces come of it, {@code less} with those that were lost. Taken back, a line that was done by them is open again. */
    void come(BigDecimal good, BigDecimal less) {
        boolean done = ended != null && !finished && toCome.signum() <= 0;
        toCome = toCome.subtract(less);
        received = received.add(good);
        journal.did(() -> {
            toCome = toCome.add(less);
            received = received.subtract(good);
        });
        if (done && toCome.signum() > 0) {
            end(null, false);
        }
    }

    void scrap(BigDecimal pieces) {
        scrapped = scrapped.add(pieces);
        journal.did(() -> scrapped = scrapped.subtract(pieces));
    }

    void cost(Cost cost, BigDecimal more) {
        costs.merge(cost, more, BigDecimal::add);
        journal.did(() -> costs.merge(cost, more.negate(), BigDecimal::add));
    }

    void part(OrderPart part, BigDecimal issued, BigDecimal used, BigDecimal value) {
        part.add(issued, used, value);
        journal.did(() -> part.add(issued.negate(), used.negate(), value.negate()));
    }

    /** A component that was not planned. */
    OrderPart extra(String component) {
        OrderPart part = new OrderPart(
                component, null, false, false, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO);
        parts.add(part);
        sort();
        journal.did(() -> parts.remove(part));
        return part;
    }

    /** A component that was not planned and of which nothing is issued any more is none. */
    void forgetUnplanned(OrderPart part) {
        if (part.planned().signum() == 0 && part.issued().signum() == 0 && parts.remove(part)) {
            journal.did(() -> {
                parts.add(part);
                sort();
            });
        }
    }

    void tally(Tally tally, BigDecimal quantity, BigDecimal value) {
        tally.add(quantity, value);
        journal.did(() -> tally.add(quantity.negate(), value.negate()));
    }

    void way(Lot lot, BigDecimal quantity, BigDecimal value, LocalDate expiry) {
        Underway way = underway.computeIfAbsent(lot, l -> new Underway());
        LocalDate before = way.expiry;
        way.tally.add(quantity, value);
        way.expiry = expiry == null ? before : expiry;
        journal.did(() -> {
            way.tally.add(quantity.negate(), value.negate());
            way.expiry = before;
        });
    }

    StepProgress progress(int step) {
        return steps.computeIfAbsent(step, s -> new StepProgress());
    }

    void report(int step, BigDecimal good, BigDecimal scrap) {
        StepProgress at = progress(step);
        at.report(good, scrap);
        journal.did(() -> at.report(good.negate(), scrap.negate()));
    }

    void book(int step, BigDecimal units) {
        StepProgress at = progress(step);
        at.book(units);
        journal.did(() -> at.book(units.negate()));
    }

    /** @param given null: none were ever given */
    void minutes(int step, BigDecimal given) {
        StepProgress at = progress(step);
        BigDecimal before = at.minutes();
        at.take(given);
        journal.did(() -> at.take(before));
    }

    /** @param day null: it is open again */
    void end(LocalDate day, boolean byHand) {
        LocalDate before = ended;
        boolean so = finished;
        ended = day;
        finished = byHand;
        journal.did(() -> {
            ended = before;
            finished = so;
        });
    }

    /** Planned of a component for so many started units, rounded up to a number of decimals. */
    BigDecimal planned(OrderPart part, BigDecimal units, int decimals, RoundingMode mode) {
        return order.started.signum() == 0
                ? BigDecimal.ZERO
                : part.planned().multiply(units).divide(order.started, decimals, mode);
    }
}
