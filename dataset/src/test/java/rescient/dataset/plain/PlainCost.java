package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rescient.dataset.plain.PlainCompany.Point;

/** Costs rolled up once more, from the sentences of the rules: each point asks those below it. */
final class PlainCost {
    /** What one costs: material, work, and what others are paid. */
    record Cost(Fraction material, Fraction work, Fraction outside) {
        static final Cost NOTHING = new Cost(Fraction.ZERO, Fraction.ZERO, Fraction.ZERO);

        Cost plus(Cost more, Fraction times) {
            return new Cost(
                    material.plus(more.material.times(times)),
                    work.plus(more.work.times(times)),
                    outside.plus(more.outside.times(times)));
        }

        Cost by(Fraction much) {
            return NOTHING.plus(this, Fraction.ONE.by(much));
        }
    }

    private static final class Loop extends RuntimeException {}

    private final PlainCompany company;
    private final Set<Point> asked = new HashSet<>();
    private final Map<Point, Cost> known = new HashMap<>();

    PlainCost(Tables tables) {
        company = new PlainCompany(tables);
    }

    /** The rows of cost.csv: item, site, unit cost, material, work, outside. */
    List<String> rows() {
        Map<Point, String> rows = new TreeMap<>();
        for (Point point : allPoints()) {
            try {
                Cost cost = of(point);
                List<Fraction> figures = new ArrayList<>(List.of(
                        cost.material.plus(cost.work).plus(cost.outside), cost.material, cost.work, cost.outside));
                Fraction millionth = Fraction.of("0.000001");
                rows.put(
                        point,
                        point.item() + "," + point.site() + ","
                                + String.join(
                                        ",",
                                        figures.stream()
                                                .map(f -> f.near(millionth).toString())
                                                .toList()));
            } catch (Loop e) {
                asked.clear();
            }
        }
        return new ArrayList<>(rows.values());
    }

    private Set<Point> allPoints() {
        Set<Point> all = new HashSet<>(company.planning.keySet());
        boolean more = true;
        while (more) {
            more = false;
            for (Tables.Row line : company.tables.rows("bom_lines")) {
                String parent = line.text("parent");
                boolean passes = List.of("kit", "phantom")
                        .contains(company.items.get(parent).text("kind"));
                if (passes && valid(line)) {
                    for (Point point : List.copyOf(all)) {
                        more |= point.item().equals(line.text("component")) && all.add(new Point(parent, point.site()));
                    }
                }
            }
        }
        return all;
    }

    private boolean valid(Tables.Row line) {
        return line.day("valid_from", Integer.MIN_VALUE) <= company.today
                && company.today <= line.day("valid_to", Integer.MAX_VALUE);
    }

    private Cost of(Point point) {
        if (known.containsKey(point)) {
            return known.get(point);
        }
        if (!asked.add(point)) {
            throw new Loop();
        }
        Cost cost = work(point);
        asked.remove(point);
        known.put(point, cost);
        return cost;
    }

    private Cost standard(String item) {
        return new Cost(company.items.get(item).number("standard_cost", Fraction.ZERO), Fraction.ZERO, Fraction.ZERO);
    }

    private Cost work(Point point) {
        Tables.Row item = company.items.get(point.item());
        Tables.Row row = company.planning.get(point);
        if (List.of("kit", "phantom").contains(item.text("kind"))) {
            return allPoints().contains(point)
                    ? parts(point.item(), point.site(), Fraction.ONE, true)
                    : standard(point.item());
        }
        if (row == null) {
            return standard(point.item());
        }
        Fraction yield = row.number("yield", Fraction.ONE);
        Fraction lot = item.number(
                "cost_batch",
                row.text("rule").equals("fixed_quantity")
                        ? row.number("fixed_quantity")
                        : row.number("min_quantity", Fraction.ONE));
        return switch (row.text("source")) {
            case "buy" -> {
                Fraction price = price(point.item(), row);
                yield price == null ? standard(point.item()) : new Cost(price, Fraction.ZERO, Fraction.ZERO);
            }
            case "transfer" -> of(new Point(point.item(), row.text("from_site")));
            case "make", "assemble" ->
                parts(point.item(), point.site(), lot, false)
                        .plus(new Cost(Fraction.ZERO, time(point, lot), Fraction.ZERO), Fraction.ONE)
                        .by(yield);
            case "subcontract" -> {
                Fraction price = price(point.item(), row);
                yield parts(point.item(), row.text("from_site"), lot, false)
                        .by(yield)
                        .plus(
                                new Cost(Fraction.ZERO, Fraction.ZERO, price == null ? Fraction.ZERO : price),
                                Fraction.ONE);
            }
            default -> standard(point.item());
        };
    }

    private Cost parts(String parent, String site, Fraction lot, boolean passes) {
        Cost sum = Cost.NOTHING;
        for (Tables.Row line : company.tables.rows("bom_lines")) {
            if (line.text("parent").equals(parent) && valid(line)) {
                String component = line.text("component");
                String unit = company.items.get(component).text("unit");
                Fraction much = line.number("quantity")
                        .times(Fraction.ONE.plus(line.number("scrap", Fraction.ZERO)))
                        .times(line.has("unit") ? company.factor(component, line.text("unit"), unit) : Fraction.ONE);
                boolean once = line.text("per").equals("order") && !passes;
                sum = sum.plus(of(new Point(component, site)), once ? much.by(lot) : much);
            }
        }
        return sum;
    }

    private Fraction time(Point point, Fraction lot) {
        Map<String, Tables.Row> steps = new TreeMap<>();
        for (String site : List.of("", point.site())) {
            for (Tables.Row row : company.tables.rows("operations")) {
                if (row.text("item").equals(point.item()) && row.text("site").equals(site)) {
                    steps.put(row.text("step"), row);
                }
            }
        }
        Fraction cost = Fraction.ZERO;
        for (Tables.Row row : steps.values()) {
            Tables.Row center = company.tables.rows("work_centers").stream()
                    .filter(r -> r.text("code").equals(row.text("work_center")))
                    .findFirst()
                    .orElseThrow();
            cost = cost.plus(row.number("setup_minutes", Fraction.ZERO)
                    .by(lot)
                    .plus(row.number("run_minutes_per_unit", Fraction.ZERO))
                    .by(center.number("efficiency", Fraction.ONE))
                    .times(center.number("cost_per_hour", Fraction.ZERO))
                    .by(Fraction.of(60)));
        }
        return cost;
    }

    /** Of the stock point's supplier, else of the one that is preferred, then by code; null: nobody has one. */
    private Fraction price(String item, Tables.Row row) {
        Tables.Row best = null;
        for (Tables.Row offer : company.offers(item)) {
            boolean first = best == null
                    || preference(offer) < preference(best)
                    || preference(offer) == preference(best)
                            && offer.text("supplier").compareTo(best.text("supplier")) < 0;
            if (row.has("supplier") ? offer.text("supplier").equals(row.text("supplier")) : first) {
                best = offer;
            }
        }
        if (best == null || !best.has("price")) {
            return null;
        }
        String unit = company.items.get(item).text("unit");
        return best.number("price").by(best.has("unit") ? company.factor(item, best.text("unit"), unit) : Fraction.ONE);
    }

    private static int preference(Tables.Row offer) {
        return offer.whole("preference", Integer.MAX_VALUE);
    }
}
