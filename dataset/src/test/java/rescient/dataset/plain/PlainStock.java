package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What lies where and what it is worth, as the sentences of the rules say it: movements and layers, looked through from the start. */
final class PlainStock {
    /** What is kept apart: an item at a site, of a lot or serial number, free or set aside. */
    record Bin(String item, String site, String lot, String serial, boolean quarantined) {
        Bin with(boolean aside) {
            return new Bin(item, site, lot, serial, aside);
        }

        String name() {
            return item + "," + site + "," + lot + "," + serial;
        }
    }

    /** A line of the record. */
    record Movement(
            int number,
            String key,
            int date,
            String kind,
            Bin bin,
            Fraction quantity,
            Fraction value,
            String document,
            String order,
            String line,
            int reverses) {}

    /** So many at a value, come at once. */
    record Layer(
            String item,
            String site,
            String lot,
            String serial,
            int date,
            int number,
            Fraction quantity,
            Fraction value) {
        boolean of(Bin bin, boolean specific) {
            return item.equals(bin.item)
                    && site.equals(bin.site)
                    && (!specific || lot.equals(bin.lot) && serial.equals(bin.serial));
        }

        Layer with(Fraction quantity, Fraction value) {
            return new Layer(item, site, lot, serial, date, number, quantity, value);
        }
    }

    static final int ALWAYS = Integer.MIN_VALUE;
    private static final Comparator<Layer> OLDEST =
            Comparator.comparing(Layer::date).thenComparing(Layer::number);

    final Map<Bin, Fraction> opening;
    final List<Movement> movements;
    List<Layer> layers;
    /** Of each movement out its layers as they were taken. */
    final Map<Integer, List<Layer>> taken;

    final Map<String, Fraction> values;
    final Map<String, String> expiry;
    final Map<Bin, Integer> received;
    private final PlainFacts facts;

    PlainStock(PlainFacts facts) {
        this.facts = facts;
        opening = new java.util.LinkedHashMap<>();
        movements = new ArrayList<>();
        layers = new ArrayList<>();
        taken = new TreeMap<>();
        values = new TreeMap<>();
        expiry = new TreeMap<>();
        received = new java.util.HashMap<>();
        open();
    }

    private PlainStock(PlainStock from) {
        facts = from.facts;
        opening = from.opening;
        movements = new ArrayList<>(from.movements);
        layers = new ArrayList<>(from.layers);
        taken = new TreeMap<>(from.taken);
        values = new TreeMap<>(from.values);
        expiry = new TreeMap<>(from.expiry);
        received = new java.util.HashMap<>(from.received);
    }

    PlainStock copy() {
        return new PlainStock(this);
    }

    private void open() {
        for (Tables.Row row : facts.rows("stock")) {
            Bin bin = new Bin(
                    row.text("item"),
                    row.text("site"),
                    row.text("lot"),
                    row.text("serial"),
                    row.text("quarantined").equals("true"));
            opening.put(bin, row.number("quantity"));
            received.merge(bin.with(false), row.day("received", ALWAYS), Math::max);
            if (row.has("expiry")) {
                expiry.put(lot(bin), row.text("expiry"));
            }
        }
        for (String place : opening.keySet().stream()
                .map(b -> b.item + "," + b.site)
                .distinct()
                .toList()) {
            List<Bin> bins = opening.keySet().stream()
                    .filter(b -> place.equals(b.item + "," + b.site))
                    .sorted(Comparator.comparing((Bin b) -> received.get(b.with(false)))
                            .thenComparing(Bin::lot, PlainFacts::byValue)
                            .thenComparing(Bin::serial, PlainFacts::byValue)
                            .thenComparing(Bin::quarantined))
                    .toList();
            Fraction all = bins.stream().map(opening::get).reduce(Fraction.ZERO, Fraction::plus);
            String item = bins.get(0).item;
            Fraction value = facts.money(all.times(facts.standardCost(item)));
            for (Tables.Row row : facts.rows("stock_values")) {
                if (place.equals(row.text("item") + "," + row.text("site"))
                        && !facts.costing(item).equals("standard")) {
                    value = row.number("value");
                }
            }
            values.put(place, value);
            if (!facts.layered(item)) {
                continue;
            }
            Fraction left = value;
            int number = -bins.size();
            for (Bin bin : bins) {
                Fraction part = number == -1
                        ? left
                        : facts.money(value.times(opening.get(bin)).by(all));
                left = left.minus(part);
                layers.add(layer(bin, received.get(bin.with(false)), number++, opening.get(bin), part));
            }
        }
    }

    private Layer layer(Bin bin, int date, int number, Fraction quantity, Fraction value) {
        boolean specific = facts.costing(bin.item).equals("specific");
        return new Layer(
                bin.item, bin.site, specific ? bin.lot : "", specific ? bin.serial : "", date, number, quantity, value);
    }

    static String lot(Bin bin) {
        return bin.item + "," + bin.lot + "," + bin.serial;
    }

    /** All that has ever lain somewhere. */
    List<Bin> bins() {
        List<Bin> all = new ArrayList<>(opening.keySet());
        movements.stream().map(Movement::bin).filter(b -> !all.contains(b)).forEach(all::add);
        return all.stream().distinct().toList();
    }

    Fraction at(Bin bin, int day) {
        Fraction sum = opening.getOrDefault(bin, Fraction.ZERO);
        for (Movement m : movements) {
            if (m.bin.equals(bin) && m.date <= day) {
                sum = sum.plus(m.quantity);
            }
        }
        return sum;
    }

    Fraction now(Bin bin) {
        return at(bin, Integer.MAX_VALUE);
    }

    /** The least that lies there from the end of a day on. */
    Fraction there(Bin bin, int day) {
        Fraction least = at(bin, day);
        for (Movement m : movements) {
            if (m.bin.equals(bin) && m.date > day) {
                least = least.least(at(bin, m.date));
            }
        }
        return least;
    }

    boolean lies(String item, String lot, String serial) {
        return bins().stream()
                .anyMatch(
                        b -> b.item.equals(item) && b.lot.equals(lot) && b.serial.equals(serial) && now(b).sign() > 0);
    }

    boolean expired(Bin bin, int day) {
        String last = expiry.get(lot(bin));
        return last != null && java.time.LocalDate.parse(last).toEpochDay() <= day;
    }

    /** Free lots that may be used on a day, in the order in which they are proposed. */
    List<Bin> usable(String item, String site, int day) {
        return bins().stream()
                .filter(b -> b.item.equals(item) && b.site.equals(site) && !b.quarantined && !expired(b, day))
                .filter(b -> there(b, day).sign() > 0)
                .sorted(Comparator.comparing((Bin b) -> expiry.getOrDefault(lot(b), "9999-12-31"))
                        .thenComparing(b -> received.getOrDefault(b, ALWAYS))
                        .thenComparing(Bin::lot, PlainFacts::byValue)
                        .thenComparing(Bin::serial, PlainFacts::byValue))
                .toList();
    }

    Fraction quantity(String item, String site) {
        return bins().stream()
                .filter(b -> b.item.equals(item) && b.site.equals(site))
                .map(this::now)
                .reduce(Fraction.ZERO, Fraction::plus);
    }

    Fraction value(String item, String site) {
        return values.getOrDefault(item + "," + site, Fraction.ZERO);
    }

    /** What a quantity is worth at what a piece is worth now. */
    Fraction current(Bin bin, Fraction quantity) {
        String item = bin.item;
        Fraction pieces = quantity(item, bin.site);
        Fraction worth = value(item, bin.site);
        if (facts.costing(item).equals("specific")) {
            Fraction own = Fraction.ZERO;
            Fraction ownWorth = Fraction.ZERO;
            for (Layer layer : layers) {
                if (layer.of(bin, true)) {
                    own = own.plus(layer.quantity);
                    ownWorth = ownWorth.plus(layer.value);
                }
            }
            if (own.sign() > 0) {
                pieces = own;
                worth = ownWorth;
            }
        }
        return facts.money(
                pieces.sign() == 0
                        ? facts.standardCost(item).times(quantity)
                        : worth.by(pieces).times(quantity));
    }

    /** Moves in ({@code price} is what all of it is worth) or out (its value comes of the way to value it). */
    Movement move(
            String key,
            int date,
            String kind,
            Bin bin,
            Fraction quantity,
            Fraction price,
            String document,
            String order,
            String line) {
        String place = bin.item + "," + bin.site;
        Fraction pieces = quantity(bin.item, bin.site);
        Fraction worth = value(bin.item, bin.site);
        int number = movements.size() + 1;
        Fraction value;
        if (kind.equals("state")) {
            value = Fraction.ZERO;
        } else if (facts.costing(bin.item).equals("standard")) {
            value = facts.money(facts.standardCost(bin.item).times(pieces.plus(quantity)))
                    .minus(worth);
        } else if (quantity.sign() > 0) {
            value = price;
            if (facts.layered(bin.item)) {
                layers.add(layer(bin, date, number, quantity, price));
            }
        } else if (facts.layered(bin.item)) {
            boolean specific = facts.costing(bin.item).equals("specific");
            List<Layer> from = layers.stream()
                    .filter(l -> l.of(bin, specific))
                    .sorted(OLDEST)
                    .toList();
            List<Layer> went = takeFrom(from, quantity.negative());
            taken.put(number, went);
            value = went.stream()
                    .map(Layer::value)
                    .reduce(Fraction.ZERO, Fraction::plus)
                    .negative();
        } else {
            value = pieces.compareTo(quantity.negative()) == 0
                    ? worth.negative()
                    : facts.money(worth.times(quantity).by(pieces));
        }
        Movement made = new Movement(number, key, date, kind, bin, quantity, value, document, order, line, 0);
        movements.add(made);
        values.put(place, worth.plus(value));
        if (quantity.sign() > 0 && !kind.equals("state")) {
            received.merge(bin.with(false), date, Math::min);
        }
        return made;
    }

    private List<Layer> takeFrom(List<Layer> from, Fraction wanted) {
        List<Layer> went = new ArrayList<>();
        Fraction left = wanted;
        for (Layer layer : from) {
            if (left.sign() == 0) {
                break;
            }
            Fraction part = left.least(layer.quantity);
            Fraction worth = part.compareTo(layer.quantity) == 0
                    ? layer.value
                    : facts.money(layer.value.times(part).by(layer.quantity));
            went.add(layer.with(part, worth));
            layers.remove(layer);
            if (part.less(layer.quantity)) {
                layers.add(layer.with(layer.quantity.minus(part), layer.value.minus(worth)));
            }
            left = left.minus(part);
        }
        return went;
    }

    /** The same with the other sign; what went out is given back to the layers it came from. */
    void reverse(String key, int date, Movement of) {
        Bin bin = of.bin;
        int number = movements.size() + 1;
        boolean moves = of.quantity.sign() != 0;
        if (facts.layered(bin.item) && moves && !of.kind.equals("state")) {
            if (of.quantity.sign() > 0) {
                boolean specific = facts.costing(bin.item).equals("specific");
                List<Layer> from = layers.stream()
                        .filter(l -> l.of(bin, specific))
                        .sorted(Comparator.comparing((Layer l) -> l.number != of.number)
                                .thenComparing(OLDEST.reversed()))
                        .toList();
                takeFrom(from, of.quantity);
            } else {
                for (Layer back : taken.getOrDefault(of.number, List.of())) {
                    Layer there = layers.stream()
                            .filter(l -> l.of(bin, true) || l.lot.isEmpty() && l.serial.isEmpty() && l.of(bin, false))
                            .filter(l -> l.number == back.number && l.date == back.date)
                            .findFirst()
                            .orElse(null);
                    layers.remove(there);
                    layers.add(
                            there == null
                                    ? back
                                    : there.with(there.quantity.plus(back.quantity), there.value.plus(back.value)));
                }
            }
        }
        movements.add(new Movement(
                number,
                key,
                date,
                of.kind,
                bin,
                of.quantity.negative(),
                of.value.negative(),
                of.document,
                of.order,
                of.line,
                of.number));
        values.put(bin.item + "," + bin.site, value(bin.item, bin.site).minus(of.value));
    }

    /** What a reversal leaves over of value. */
    void revalue(String key, int date, String item, String site) {
        Fraction pieces = quantity(item, site);
        Fraction is = value(item, site);
        Fraction should = is;
        if (facts.costing(item).equals("standard")) {
            should = facts.money(facts.standardCost(item).times(pieces));
        } else if (facts.layered(item)) {
            should = layers.stream()
                    .filter(l -> l.item.equals(item) && l.site.equals(site))
                    .map(Layer::value)
                    .reduce(Fraction.ZERO, Fraction::plus);
        } else if (pieces.sign() == 0 || is.sign() < 0) {
            should = Fraction.ZERO;
        }
        if (should.compareTo(is) != 0) {
            movements.add(new Movement(
                    movements.size() + 1,
                    key,
                    date,
                    "revaluation",
                    new Bin(item, site, "", "", false),
                    Fraction.ZERO,
                    should.minus(is),
                    "",
                    "",
                    "",
                    0));
            values.put(item + "," + site, should);
        }
    }
}
