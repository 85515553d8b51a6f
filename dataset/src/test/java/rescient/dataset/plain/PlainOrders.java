package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Documents as they stand: what a dataset says of them, and every figure that postings change, by its name. */
final class PlainOrders {
    /** A part of an order, as the order was given out with. */
    record Part(String item, Fraction planned, boolean perOrder, boolean backflush, String step) {}

    /** An operation, of the order's site. */
    record Step(String name, Fraction setup, Fraction run, Fraction efficiency, Fraction rate) {}

    final PlainFacts facts;
    final Map<String, Fraction> figures;

    PlainOrders(PlainFacts facts) {
        this.facts = facts;
        figures = new TreeMap<>();
        for (Tables.Row row : facts.rows("open_orders")) {
            String order = id(row);
            Fraction before = ordered(row).minus(row.number("quantity"));
            add("good", order, before);
            List<Step> steps = steps(row);
            add(
                    "reported",
                    order + "|"
                            + (steps.isEmpty()
                                    ? ""
                                    : steps.get(steps.size() - 1).name()),
                    before);
            steps.forEach(step -> add("booked", order + "|" + step.name(), before));
        }
        for (Tables.Row row : facts.rows("open_order_components")) {
            String part = id(row) + "|" + row.text("component");
            add("issued", part, row.number("issued", Fraction.ZERO));
            add("used", part, row.number("used", Fraction.ZERO));
            add("worth", part, row.number("value", Fraction.ZERO));
        }
        for (Tables.Row row : facts.rows("order_costs")) {
            for (String figure : List.of("material", "work", "outside", "put_out", "variance")) {
                add(figure, id(row), row.number(figure, Fraction.ZERO));
            }
            add("worked_out", id(row), row.number("work", Fraction.ZERO));
        }
        for (Tables.Row row : facts.rows("open_orders")) {
            if (row.text("kind").equals("transfer")) {
                underway(row);
            }
        }
        for (Tables.Row row : facts.rows("customer_orders")) {
            add(
                    "shipped",
                    id(row),
                    row.number("ordered", row.number("quantity")).minus(row.number("quantity")));
        }
    }

    /** What is on its way; where nobody says, what is open less what is still to ship, at standard cost. */
    private void underway(Tables.Row line) {
        String order = id(line);
        Fraction toShip = parts(line).stream()
                .map(p -> p.planned().minus(get("issued", order + "|" + p.item())))
                .reduce(Fraction.ZERO, Fraction::plus);
        Fraction going = line.number("quantity").minus(toShip);
        Fraction worth = facts.money(facts.standardCost(line.text("item")).times(going));
        for (Tables.Row row : facts.rows("in_transit")) {
            if (id(row).equals(order)) {
                going = row.number("quantity");
                worth = row.number("value");
            }
        }
        if (going.sign() > 0) {
            add("going", order + "||", going);
            add("going_worth", order + "||", worth);
            add("material", order, worth);
        }
    }

    private PlainOrders(PlainOrders from) {
        facts = from.facts;
        figures = new TreeMap<>(from.figures);
    }

    PlainOrders copy() {
        return new PlainOrders(this);
    }

    static String id(Tables.Row row) {
        return row.text("number") + "|" + row.text("line");
    }

    static Fraction ordered(Tables.Row row) {
        return row.number("ordered", row.number("quantity"));
    }

    Fraction get(String figure, String of) {
        return figures.getOrDefault(figure + "|" + of, Fraction.ZERO);
    }

    void add(String figure, String of, Fraction much) {
        if (much.sign() != 0) {
            figures.merge(figure + "|" + of, much, Fraction::plus);
        }
    }

    Tables.Row line(String table, String number, String line) {
        List<Tables.Row> lines = facts.rows(table).stream()
                .filter(r -> r.text("number").equals(number))
                .filter(r -> line.isEmpty() || r.text("line").equals(line))
                .toList();
        return lines.size() == 1 ? lines.get(0) : null;
    }

    boolean finished(Tables.Row line) {
        return get("finished", id(line)).sign() > 0;
    }

    Fraction open(Tables.Row line) {
        return ordered(line)
                .minus(get("good", id(line)))
                .minus(get("lost", id(line)))
                .most(Fraction.ZERO);
    }

    boolean made(Tables.Row line) {
        return List.of("make", "assemble").contains(line.text("kind"));
    }

    /** Nothing of it is taken any more. */
    boolean closed(Tables.Row line) {
        return !line.text("stage").equals("released")
                || finished(line)
                || !made(line) && open(line).sign() == 0;
    }

    Fraction customerOpen(Tables.Row line) {
        return line.number("ordered", line.number("quantity"))
                .minus(get("shipped", id(line)))
                .most(Fraction.ZERO);
    }

    List<Part> parts(Tables.Row line) {
        List<Part> parts = new ArrayList<>();
        for (Tables.Row row : facts.rows("open_order_components")) {
            if (id(row).equals(id(line))) {
                Fraction planned =
                        row.number("planned", row.number("quantity").plus(row.number("issued", Fraction.ZERO)));
                String issue = row.text("issue").isEmpty()
                        ? facts.item(row.text("component")).text("issue")
                        : row.text("issue");
                parts.add(new Part(
                        row.text("component"),
                        planned,
                        row.text("per").equals("order"),
                        issue.equals("backflush"),
                        row.text("step")));
            }
        }
        for (String figure : figures.keySet()) {
            if (figure.startsWith("other|" + id(line) + "|")
                    && figures.get(figure).sign() > 0) {
                parts.add(new Part(figure.split("\\|")[3], Fraction.ZERO, false, false, ""));
            }
        }
        parts.sort(Comparator.comparing(Part::item));
        return parts;
    }

    Fraction startQuantity(Tables.Row line) {
        return line.number("start_quantity", ordered(line));
    }

    List<Step> steps(Tables.Row line) {
        if (!made(line)) {
            return List.of();
        }
        Map<String, Tables.Row> rows = new TreeMap<>(PlainFacts::byValue);
        for (String site : List.of("", line.text("site"))) {
            for (Tables.Row row : facts.rows("operations")) {
                if (row.text("item").equals(line.text("item"))
                        && row.text("site").equals(site)) {
                    rows.put(row.text("step"), row);
                }
            }
        }
        List<Step> steps = new ArrayList<>();
        for (Tables.Row row : rows.values()) {
            Tables.Row center = facts.one("work_centers", "code", row.text("work_center"));
            steps.add(new Step(
                    row.text("step"),
                    row.number("setup_minutes", Fraction.ZERO),
                    row.number("run_minutes_per_unit", Fraction.ZERO),
                    center.number("efficiency", Fraction.ONE),
                    center.number("cost_per_hour", Fraction.ZERO)));
        }
        return steps;
    }
}
