package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.dataset.plain.PlainStock.Bin;
import rescient.dataset.plain.PlainStock.Movement;

/** One posting while it is carried out: the stock and the documents that it changes, and what of it is refused. */
final class PlainAct {
    /** A line of what was refused. */
    record Refusal(
            String key,
            String item,
            String site,
            String lot,
            String serial,
            String code,
            Fraction wanted,
            Fraction there) {
        @Override
        public String toString() {
            return String.join(",", key, item, site, lot, serial, code, text(wanted), text(there));
        }

        private static String text(Fraction number) {
            return number == null ? "" : number.toString();
        }
    }

    /** The rules do not say it. */
    static final class Unsaid extends RuntimeException {
        Unsaid(String what) {
            super(what);
        }
    }

    final PlainFacts facts;
    PlainStock stock;
    PlainOrders orders;
    final String key;
    final int date;
    final List<Refusal> refused = new ArrayList<>();

    PlainAct(PlainFacts facts, PlainStock stock, PlainOrders orders, String key, int date) {
        this.facts = facts;
        this.stock = stock;
        this.orders = orders;
        this.key = key;
        this.date = date;
    }

    void refuse(Tables.Row row, String item, String site, String code, Fraction wanted, Fraction there) {
        refused.add(new Refusal(key, item, site, row.text("lot"), row.text("serial"), code, wanted, there));
    }

    void refuse(Tables.Row row, String item, String site, String code) {
        refuse(row, item, site, code, null, null);
    }

    /** What is wrong with the lot or serial number of a row that names one or has to; null: nothing. */
    String tracking(String item, Tables.Row row, Fraction quantity, boolean proposed) {
        boolean lot = row.has("lot");
        boolean serial = row.has("serial");
        return switch (facts.tracking(item)) {
            case "lot" -> serial || !lot && !proposed ? "tracking" : null;
            case "serial" ->
                lot || !serial && !proposed || serial && quantity.compareTo(Fraction.ONE) != 0 ? "tracking" : null;
            default -> lot || serial ? "tracking" : null;
        };
    }

    /** What is wrong with the day on which a lot that comes in expires, or with a number that is here already. */
    String comingIn(Bin bin, String expiry) {
        String lot = PlainStock.lot(bin);
        if (!expiry.isEmpty()) {
            if (facts.tracking(bin.item()).equals("none")) {
                return "tracking";
            }
            String known = stock.expiry.get(lot);
            boolean here = stock.lies(bin.item(), bin.lot(), bin.serial());
            if (here && known != null && !known.equals(expiry)) {
                return "tracking";
            }
        }
        if (facts.tracking(bin.item()).equals("serial") && (stock.lies(bin.item(), "", bin.serial()) || moving(bin))) {
            return "serial_twice";
        }
        return null;
    }

    private boolean moving(Bin bin) {
        return orders.figures.entrySet().stream()
                .anyMatch(e -> e.getKey().startsWith("going|")
                        && e.getKey().endsWith("||" + bin.serial())
                        && item(e.getKey()).equals(bin.item())
                        && e.getValue().sign() > 0);
    }

    private String item(String figure) {
        String[] words = figure.split("\\|", -1);
        return orders.line("open_orders", words[1], words[2]).text("item");
    }

    void expires(Bin bin, String expiry) {
        if (!expiry.isEmpty()) {
            stock.expiry.put(PlainStock.lot(bin), expiry);
        }
    }

    /** Takes what is free, of the lot that is named or as proposed; says what is missing. */
    List<Movement> take(
            Tables.Row row,
            String item,
            String site,
            Fraction wanted,
            boolean named,
            String kind,
            String document,
            String order,
            String line) {
        List<Movement> made = new ArrayList<>();
        Tables.Row says = named ? row : new Tables.Row(Map.of());
        if (named && (row.has("lot") || row.has("serial"))
                || facts.tracking(item).equals("none")) {
            Bin bin = new Bin(item, site, says.text("lot"), says.text("serial"), false);
            Fraction there = stock.there(bin, date);
            if (stock.expired(bin, date)) {
                refuse(says, item, site, "expired", wanted, there);
                return made;
            }
            if (there.less(wanted)) {
                if (!there.plus(stock.there(bin.with(true), date)).less(wanted)) {
                    refuse(says, item, site, "quarantined", wanted, there);
                    return made;
                }
                refuse(says, item, site, "short", wanted, there);
            }
            Fraction goes = wanted.least(there);
            if (goes.sign() > 0) {
                made.add(stock.move(key, date, kind, bin, goes.negative(), null, document, order, line));
            }
            return made;
        }
        Fraction left = wanted;
        Fraction all = Fraction.ZERO;
        for (Bin bin : stock.usable(item, site, date)) {
            Fraction there = stock.there(bin, date);
            all = all.plus(there);
            Fraction goes = left.least(there);
            if (goes.sign() > 0) {
                made.add(stock.move(key, date, kind, bin, goes.negative(), null, document, order, line));
                left = left.minus(goes);
            }
        }
        if (left.sign() > 0) {
            refuse(says, item, site, "short", wanted, all);
        }
        return made;
    }

    /** The quantity of a row in the item's unit. */
    Fraction quantity(Tables.Row row, String item, String unit) {
        Fraction factor = facts.factor(item, unit);
        Fraction quantity = row.number("quantity").times(factor);
        return facts.item(item).text("unit").equals(unit) || unit.isEmpty()
                ? quantity
                : quantity.near(facts.step(item));
    }

    /** Free lots of goods on their way, in the order in which they are received. */
    List<String> going(String order) {
        return orders.figures.keySet().stream()
                .filter(f -> f.startsWith("going|" + order + "|"))
                .filter(f -> orders.figures.get(f).sign() > 0)
                .map(f -> f.substring("going|".length() + order.length() + 1))
                .sorted(Comparator.comparing((String lot) -> expiryGoing(order, lot))
                        .thenComparing(lot -> lot.split("\\|", -1)[0], PlainFacts::byValue)
                        .thenComparing(lot -> lot.split("\\|", -1)[1], PlainFacts::byValue))
                .toList();
    }

    private String expiryGoing(String order, String lot) {
        String[] words = order.split("\\|");
        String item = orders.line("open_orders", words[0], words[1]).text("item");
        String last = stock.expiry.get(item + "," + lot.replace('|', ','));
        return last == null ? "9999-12-31" : last;
    }

    /** What differs of the figures since they were copied. */
    static Map<String, Fraction> between(PlainOrders before, PlainOrders after) {
        Map<String, Fraction> changed = new TreeMap<>();
        for (String figure : after.figures.keySet()) {
            Fraction was = before.figures.getOrDefault(figure, Fraction.ZERO);
            Fraction by = after.figures.get(figure).minus(was);
            if (by.sign() != 0) {
                changed.put(figure, by);
            }
        }
        return changed;
    }
}
