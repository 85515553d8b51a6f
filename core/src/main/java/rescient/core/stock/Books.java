package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rescient.core.base.DocumentOrder;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Layer;
import rescient.core.stock.Movement.Lot;

/**
 * A company as the stockroom sees it: what lies where and what it is worth, orders and what they have cost, and the record of
 * movements. It is filled first ({@code begins}), then {@link Poster} carries out postings on it.
 */
public final class Books {
    private final Masterdata company;
    private final Journal journal = new Journal();
    private final Map<Bin, Shelf> shelves = new HashMap<>();
    /** Bins of an item at a site in which something lies, so that lots can be proposed. */
    private final Map<Point, Set<Bin>> bins = new HashMap<>();

    private final Map<Point, Worth> worths = new HashMap<>();
    private final KnownLots lots = new KnownLots(journal);

    private final Map<String, Map<String, SupplyLine>> supply = new LinkedHashMap<>();
    private final Map<String, Map<String, CustomerLine>> customers = new LinkedHashMap<>();
    /** Orders by the customer order line that they are made for. */
    private final Map<String, List<SupplyLine>> madeFor = new HashMap<>();

    private final List<Movement> movements = new ArrayList<>();
    private final List<Past> past = new ArrayList<>();
    private final Map<String, EarlierPosting> did = new HashMap<>();
    private boolean keepsSteps;
    private long last;

    /** An item at a site. */
    public record Point(String item, String site) {}

    /** A row of the history: shipments, usage or receipts. */
    public record Past(Table table, LocalDate date, SupplyLine order, CustomerLine line, Bin bin, BigDecimal quantity) {
        /** In which table. */
        public enum Table {
            SHIPMENTS,
            USAGE,
            RECEIPTS
        }
    }

    public Books(Masterdata company) {
        this.company = company;
    }

    Masterdata company() {
        return company;
    }

    Journal journal() {
        return journal;
    }

    // what there is at first

    /**
     * What lies in a bin now.
     *
     * @param expiry null: it does not expire, or nobody said
     * @param since the day it came to the site first; null: nobody said
     */
    public void begins(Bin bin, BigDecimal quantity, LocalDate expiry, LocalDate since) {
        shelves.put(bin, new Shelf(shelf(bin).quantity().add(quantity)));
        sort(bin);
        lots.begins(bin.ofLot(), quantity, expiry);
        lots.beganAt(bin, since);
    }

    /** What an item is worth at a site now. */
    public void begins(Point point, BigDecimal quantity, BigDecimal value) {
        worth(point).begins(quantity, value);
    }

    /** A layer that is left. */
    public void begins(Point point, String lot, String serial, Layer layer) {
        worth(point).begins(lot, serial, layer);
    }

    /** A movement that was made before; the stock knows it already. */
    public void begins(Movement movement) {
        movements.add(movement);
        last = Math.max(last, movement.number());
        shelf(movement.bin()).moved(movement.date(), movement.quantity());
        if (movement.quantity().signum() > 0 && movement.kind() != Kind.STATE && movement.reverses() == null) {
            lots.broughtTo(movement.bin(), movement.date());
        }
    }

    /** Movements are numbered on after this one: these books know only some of those before. */
    public void continuesAfter(long number) {
        last = Math.max(last, number);
    }

    public SupplyLine begins(SupplyLine.Order order, BigDecimal open, BigDecimal scrapped) {
        SupplyLine line = new SupplyLine(order, open, scrapped, journal);
        supply.computeIfAbsent(order.number(), number -> new LinkedHashMap<>()).put(order.line(), line);
        if (order.forOrder() != null) {
            madeFor.computeIfAbsent(order.forOrder() + '\0' + order.forLine(), key -> new ArrayList<>())
                    .add(line);
        }
        return line;
    }

    /**
     * A line of a customer order.
     *
     * @param taken something can be shipped on it
     * @param sent what was shipped on it so far, as far as that is known
     */
    public CustomerLine begins(
            String number, String line, String item, String site, boolean taken, BigDecimal open, BigDecimal sent) {
        CustomerLine one = new CustomerLine(number, line, item, site, taken, open, sent, journal);
        customers.computeIfAbsent(number, n -> new LinkedHashMap<>()).put(line, one);
        return one;
    }

    /** Something on its way between two sites. */
    public void begins(SupplyLine line, Lot lot, BigDecimal quantity, BigDecimal value, LocalDate expiry) {
        line.begins(lot, quantity, value, expiry);
        lots.begins(lot, quantity, expiry);
    }

    /** A line that was done before. */
    public static void ended(SupplyLine line, LocalDate day, boolean byHand) {
        line.end(day, byHand);
    }

    /** A line that was done before. */
    public static void ended(CustomerLine line, LocalDate day) {
        line.end(day);
    }

    /** All that was said of the beginning stands. */
    public void begun() {
        journal.keep();
    }

    // what there is now

    public Collection<SupplyLine> supplyLines() {
        return supply.values().stream().flatMap(of -> of.values().stream()).toList();
    }

    public Collection<CustomerLine> customerLines() {
        return customers.values().stream().flatMap(of -> of.values().stream()).toList();
    }

    /** All movements, those of before first. */
    public List<Movement> movements() {
        return movements;
    }

    /** What postings change on documents is kept from here on. */
    public void keepSteps() {
        keepsSteps = true;
    }

    public boolean keepsSteps() {
        return keepsSteps;
    }

    /** What is known of a posting beside its movements. */
    public void begins(EarlierPosting posting) {
        did.put(posting.key(), posting);
    }

    Map<String, EarlierPosting> did() {
        return did;
    }

    /** What the postings added to the history. */
    public List<Past> past() {
        return past;
    }

    /** What lies where, without empty bins. */
    public Map<Bin, BigDecimal> stock() {
        Map<Bin, BigDecimal> stock = new HashMap<>();
        shelves.forEach((bin, shelf) -> {
            if (shelf.quantity().signum() != 0) {
                stock.put(bin, shelf.quantity());
            }
        });
        return stock;
    }

    public LocalDate expiry(Lot lot) {
        return lots.expiry(lot);
    }

    /** The day a lot came to a site first; null: nobody knows. */
    public LocalDate since(Bin bin) {
        return lots.since(bin);
    }

    KnownLots lots() {
        return lots;
    }

    /** A quantity and its value. */
    public record Amount(BigDecimal quantity, BigDecimal value) {}

    /** What lies at a point, and what it is worth. */
    public Amount amount(Point point) {
        Worth worth = worths.get(point);
        return worth == null
                ? new Amount(BigDecimal.ZERO, BigDecimal.ZERO)
                : new Amount(worth.quantity(), worth.value());
    }

    /** What is worth something, or lies there. */
    public Map<Point, Amount> values() {
        Map<Point, Amount> values =
                new TreeMap<>(Comparator.comparing(Point::item).thenComparing(Point::site));
        worths.forEach((point, worth) -> {
            if (worth.quantity().signum() != 0 || worth.value().signum() != 0) {
                values.put(point, new Amount(worth.quantity(), worth.value()));
            }
        });
        return values;
    }

    /** The layers that are left of an item at a site, by lot and serial number with a zero character between. */
    public Map<String, List<Layer>> layers(Point point) {
        return worths.containsKey(point) ? worths.get(point).left() : Map.of();
    }

    // what postings need

    private Shelf shelf(Bin bin) {
        return shelves.computeIfAbsent(bin, b -> new Shelf(BigDecimal.ZERO));
    }

    /** Whether anything lies in a bin decides whether it is proposed. */
    private void sort(Bin bin) {
        Point point = new Point(bin.item(), bin.site());
        if (shelf(bin).quantity().signum() > 0) {
            bins.computeIfAbsent(point, p -> new HashSet<>()).add(bin);
        } else {
            bins.computeIfAbsent(point, p -> new HashSet<>()).remove(bin);
        }
    }

    Worth worth(Point point) {
        return worths.computeIfAbsent(point, p -> new Worth(company.item(p.item()), company.moneyDecimals(), journal));
    }

    /** The lines that are made for a line of a customer order. */
    Collection<SupplyLine> supplyLines(String forOrder, String forLine) {
        return madeFor.getOrDefault(forOrder + '\0' + forLine, List.of());
    }

    /** The lines of a document, none if there is no such. */
    Collection<SupplyLine> supply(String number) {
        return supply.getOrDefault(number, Map.of()).values();
    }

    Collection<CustomerLine> customer(String number) {
        return customers.getOrDefault(number, Map.of()).values();
    }

    /** How much can be taken of a bin on a day. */
    BigDecimal there(Bin bin, LocalDate date) {
        return shelves.containsKey(bin) ? shelves.get(bin).there(date).max(BigDecimal.ZERO) : BigDecimal.ZERO;
    }

    /** How much lies in a bin at the end of a day. */
    BigDecimal on(Bin bin, LocalDate date) {
        return shelves.containsKey(bin) ? shelves.get(bin).on(date) : BigDecimal.ZERO;
    }

    /** Bins of an item at a site with free stock that serves on a day, in the order in which they are proposed. */
    List<Bin> proposed(Point point, LocalDate date) {
        return bins.getOrDefault(point, Set.of()).stream()
                .filter(bin -> !bin.quarantined() && !lots.expired(bin.ofLot(), date))
                .sorted(Comparator.comparing(
                                (Bin bin) -> lots.expiry(bin.ofLot()), Comparator.nullsLast(Comparator.naturalOrder()))
                        .thenComparing(lots::since, Comparator.nullsFirst(Comparator.naturalOrder()))
                        .thenComparing(Bin::lot, DocumentOrder.INSTANCE)
                        .thenComparing(Bin::serial, DocumentOrder.INSTANCE))
                .toList();
    }

    // what postings do

    /** Who does it, when, and for what. */
    record Act(String key, LocalDate date, String reason) {}

    /**
     * Something comes in.
     *
     * @param worth what it costs
     * @return its movement, with the value that it has in stock
     */
    Movement in(Act act, Kind kind, Bin bin, BigDecimal quantity, BigDecimal worth, Document document) {
        BigDecimal value = worth(new Point(bin.item(), bin.site()))
                .in(bin.lot(), bin.serial(), act.date, last + 1, quantity, worth);
        lots.comes(bin, act.date);
        return moved(act, kind, bin, quantity, value, document, List.of());
    }

    /** Something goes out, no more than is there. */
    Movement out(Act act, Kind kind, Bin bin, BigDecimal quantity, Document document) {
        Worth.Out out = worth(new Point(bin.item(), bin.site())).out(bin.lot(), bin.serial(), quantity);
        return moved(act, kind, bin, quantity.negate(), out.value().negate(), document, out.layers());
    }

    /** It goes from one state to the other and keeps its value. */
    void state(Act act, Bin from, Bin to, BigDecimal quantity) {
        BigDecimal nothing = BigDecimal.ZERO.setScale(company.moneyDecimals());
        moved(act, Kind.STATE, from, quantity.negate(), nothing, null, List.of());
        moved(act, Kind.STATE, to, quantity, nothing, null, List.of());
    }

    /** A movement is taken back. */
    Movement back(Act act, Movement movement) {
        Worth worth = worth(new Point(movement.bin().item(), movement.bin().site()));
        if (movement.kind() == Kind.REVALUATION) {
            worth.revalue(movement.value().negate());
        } else if (movement.kind() != Kind.STATE && movement.quantity().signum() > 0) {
            worth.takeBack(movement);
        } else if (movement.kind() != Kind.STATE) {
            worth.giveBack(movement);
        }
        return moved(new Movement(
                last + 1,
                act.key,
                act.date,
                movement.kind(),
                movement.bin(),
                movement.quantity().negate(),
                movement.value().negate(),
                movement.document(),
                movement.number(),
                act.reason,
                List.of()));
    }

    /** The value of a stock point is brought to what it should be after something was taken back. */
    void revalue(Act act, Point point) {
        Worth worth = worth(point);
        BigDecimal off = worth.off();
        if (off.signum() != 0) {
            worth.revalue(off);
            Bin none = new Bin(point.item(), point.site(), "", "", false);
            moved(act, Kind.REVALUATION, none, BigDecimal.ZERO, off, null, List.of());
        }
    }

    private Movement moved(
            Act act, Kind kind, Bin bin, BigDecimal quantity, BigDecimal value, Document document, List<Layer> layers) {
        return moved(new Movement(
                last + 1, act.key, act.date, kind, bin, quantity, value, document, null, act.reason, layers));
    }

    private Movement moved(Movement movement) {
        Bin bin = movement.bin();
        journal.did(() -> sort(bin));
        shelf(bin).move(movement.date(), movement.quantity(), journal);
        sort(bin);
        lots.lies(bin.ofLot(), movement.quantity());
        movements.add(movement);
        last++;
        journal.did(() -> {
            movements.remove(movements.size() - 1);
            last--;
        });
        return movement;
    }

    void past(Past row) {
        past.add(row);
        journal.did(() -> past.remove(past.size() - 1));
    }

    BigDecimal money(BigDecimal amount) {
        return amount.setScale(company.moneyDecimals(), RoundingMode.HALF_UP);
    }
}
