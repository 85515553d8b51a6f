package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import rescient.core.stock.Movement.Layer;

/** What an item is worth at a site: free and quarantined stock together (posting rules, "Value"). */
final class Worth {
    private record Age(LocalDate date, long number) {}

    /** The oldest first. */
    private static final Comparator<Age> AGE = Comparator.comparing(
                    Age::date, Comparator.nullsFirst(Comparator.naturalOrder()))
            .thenComparingLong(Age::number);

    private final StockItem item;
    private final int decimals;
    private final Journal journal;
    private BigDecimal quantity = BigDecimal.ZERO;
    private BigDecimal value;
    /** By lot and serial number if these are valued by themselves, else all under one. */
    private final Map<String, NavigableMap<Age, Layer>> layers = new HashMap<>();

    Worth(StockItem item, int decimals, Journal journal) {
        this.item = item;
        this.decimals = decimals;
        this.journal = journal;
        this.value = BigDecimal.ZERO.setScale(decimals);
    }

    /** What went out of it. */
    record Out(BigDecimal value, List<Layer> layers) {}

    BigDecimal quantity() {
        return quantity;
    }

    BigDecimal value() {
        return value;
    }

    boolean hasLayers() {
        return item.costing() == Costing.FIFO || item.costing() == Costing.SPECIFIC;
    }

    /** What lies there at first. */
    void begins(BigDecimal added, BigDecimal worth) {
        quantity = quantity.add(added);
        value = value.add(worth);
    }

    /** A layer that lies there at first. */
    void begins(String lot, String serial, Layer layer) {
        layersOf(lot, serial).put(new Age(layer.date(), layer.number()), layer);
    }

    private String place(String lot, String serial) {
        return item.costing() == Costing.SPECIFIC ? lot + '\0' + serial : "\0";
    }

    private NavigableMap<Age, Layer> layersOf(String lot, String serial) {
        return layers.computeIfAbsent(place(lot, serial), place -> new TreeMap<>(AGE));
    }

    /** All layers that are left, by lot and serial number (with a zero character between), the oldest first. */
    Map<String, List<Layer>> left() {
        Map<String, List<Layer>> left = new TreeMap<>();
        layers.forEach((place, of) -> {
            if (!of.isEmpty()) {
                left.put(place, List.copyOf(of.values()));
            }
        });
        return left;
    }

    private void change(BigDecimal by, BigDecimal worth) {
        quantity = quantity.add(by);
        value = value.add(worth);
        journal.did(() -> {
            quantity = quantity.subtract(by);
            value = value.subtract(worth);
        });
    }

    private BigDecimal standard(BigDecimal of) {
        return item.standardCost().multiply(of).setScale(decimals, RoundingMode.HALF_UP);
    }

    /**
     * What so much of it is worth now: its share of what is there (of the lot, if it is valued by itself and there), or else at
     * standard cost.
     */
    BigDecimal current(String lot, String serial, BigDecimal of) {
        BigDecimal there = quantity;
        BigDecimal worth = value;
        if (item.costing() == Costing.SPECIFIC && !layersOf(lot, serial).isEmpty()) {
            there = BigDecimal.ZERO;
            worth = BigDecimal.ZERO;
            for (Layer layer : layersOf(lot, serial).values()) {
                there = there.add(layer.quantity());
                worth = worth.add(layer.value());
            }
        }
        return there.signum() <= 0 || item.costing() == Costing.STANDARD
                ? standard(of)
                : worth.multiply(of).divide(there, decimals, RoundingMode.HALF_UP);
    }

    /**
     * Something comes in.
     *
     * @param worth what it costs; what counts for items with a standard cost is that
     * @return what the movement is worth
     */
    BigDecimal in(String lot, String serial, LocalDate date, long number, BigDecimal added, BigDecimal worth) {
        if (item.costing() == Costing.STANDARD) {
            BigDecimal difference = standard(quantity.add(added)).subtract(value);
            change(added, difference);
            return difference;
        }
        if (hasLayers()) {
            put(layersOf(lot, serial), new Layer(date, number, added, worth));
        }
        change(added, worth);
        return worth;
    }

    /** Something goes out, no more than is there. */
    Out out(String lot, String serial, BigDecimal taken) {
        if (item.costing() == Costing.STANDARD) {
            BigDecimal difference = value.subtract(standard(quantity.subtract(taken)));
            change(taken.negate(), difference.negate());
            return new Out(difference, List.of());
        }
        if (!hasLayers()) {
            BigDecimal share = taken.compareTo(quantity) == 0
                    ? value
                    : value.multiply(taken).divide(quantity, decimals, RoundingMode.HALF_UP);
            change(taken.negate(), share.negate());
            return new Out(share, List.of());
        }
        List<Layer> from = take(layersOf(lot, serial), taken, null);
        BigDecimal worth = from.stream().map(Layer::value).reduce(BigDecimal.ZERO, BigDecimal::add);
        change(taken.negate(), worth.negate());
        return new Out(worth, from);
    }

    /**
     * Takes from layers, the oldest first.
     *
     * @param own which is taken before all others, then the newest come first; null: none is
     */
    private List<Layer> take(NavigableMap<Age, Layer> of, BigDecimal taken, Age own) {
        List<Layer> from = new ArrayList<>();
        BigDecimal left = taken;
        while (left.signum() > 0 && !of.isEmpty()) {
            Age age = own == null ? of.firstKey() : of.containsKey(own) ? own : of.lastKey();
            Layer layer = of.get(age);
            BigDecimal part = left.min(layer.quantity());
            boolean whole = part.compareTo(layer.quantity()) == 0;
            BigDecimal worth = whole
                    ? layer.value()
                    : layer.value().multiply(part).divide(layer.quantity(), decimals, RoundingMode.HALF_UP);
            from.add(new Layer(layer.date(), layer.number(), part, worth));
            Layer rest = whole
                    ? null
                    : new Layer(
                            layer.date(),
                            layer.number(),
                            layer.quantity().subtract(part),
                            layer.value().subtract(worth));
            set(of, age, rest);
            left = left.subtract(part);
        }
        return from;
    }

    private void put(NavigableMap<Age, Layer> of, Layer layer) {
        Age age = new Age(layer.date(), layer.number());
        Layer before = of.get(age);
        set(
                of,
                age,
                before == null
                        ? layer
                        : new Layer(
                                layer.date(),
                                layer.number(),
                                before.quantity().add(layer.quantity()),
                                before.value().add(layer.value())));
    }

    private void set(NavigableMap<Age, Layer> of, Age age, Layer layer) {
        Layer before = layer == null ? of.remove(age) : of.put(age, layer);
        journal.did(() -> {
            if (before == null) {
                of.remove(age);
            } else {
                of.put(age, before);
            }
        });
    }

    /** A movement that brought something is taken back: of its own layer first, then of the newest. */
    void takeBack(Movement movement) {
        if (hasLayers()) {
            take(
                    layersOf(movement.bin().lot(), movement.bin().serial()),
                    movement.quantity(),
                    new Age(movement.date(), movement.number()));
        }
        change(movement.quantity().negate(), movement.value().negate());
    }

    /** A movement that took something is taken back: into the very layers it took. */
    void giveBack(Movement movement) {
        NavigableMap<Age, Layer> of =
                layersOf(movement.bin().lot(), movement.bin().serial());
        if (hasLayers() && movement.layers().isEmpty()) {
            put(
                    of,
                    new Layer(
                            movement.date(),
                            movement.number(),
                            movement.quantity().negate(),
                            movement.value().negate()));
        } else {
            movement.layers().forEach(layer -> put(of, layer));
        }
        change(movement.quantity().negate(), movement.value().negate());
    }

    /** What the value has to change by, after something was taken back, to be what it should be. */
    BigDecimal off() {
        BigDecimal right = switch (item.costing()) {
            case STANDARD -> standard(quantity);
            case AVERAGE -> quantity.signum() == 0 || value.signum() < 0 ? BigDecimal.ZERO : value;
            case FIFO, SPECIFIC ->
                layers.values().stream()
                        .flatMap(of -> of.values().stream())
                        .map(Layer::value)
                        .reduce(BigDecimal.ZERO, BigDecimal::add);
        };
        return right.setScale(decimals).subtract(value);
    }

    void revalue(BigDecimal by) {
        change(BigDecimal.ZERO, by);
    }
}
