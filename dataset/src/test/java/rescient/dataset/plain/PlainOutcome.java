package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import rescient.dataset.plain.PlainAct.Refusal;
import rescient.dataset.plain.PlainStock.Bin;
import rescient.dataset.plain.PlainStock.Layer;
import rescient.dataset.plain.PlainStock.Movement;

/** What postings came to, held against the tables that were written. */
final class PlainOutcome {
    private final PlainPosting plain;
    private final int refused;
    private final Tables out;

    /** @param refused so many refusals stand in the file of an earlier run */
    PlainOutcome(PlainPosting plain, int refused, Tables out) {
        this.plain = plain;
        this.refused = refused;
        this.out = out;
    }

    void same(String name) {
        assertThat(rows(
                        "movements",
                        "key",
                        "date",
                        "kind",
                        "item",
                        "site",
                        "lot",
                        "serial",
                        "quarantined",
                        "quantity",
                        "value",
                        "document",
                        "number",
                        "line",
                        "reverses"))
                .as(name + " movements")
                .isEqualTo(plain.stock.movements.stream().map(this::text).toList());
        assertThat(rows("refused", "key", "item", "site", "lot", "serial", "code", "wanted", "there"))
                .as(name + " refused")
                .isEqualTo(plain.refused.stream()
                        .skip(refused)
                        .map(Refusal::toString)
                        .toList());
        assertThat(sorted(rows(
                        "stock", "item", "site", "lot", "serial", "quarantined", "quantity", "expiry", "received")))
                .as(name + " stock")
                .isEqualTo(sorted(stock()));
        assertThat(sorted(rows("stock_values", "item", "site", "quantity", "value")))
                .as(name + " values")
                .isEqualTo(sorted(values()));
        assertThat(sorted(rows("stock_layers", "item", "site", "lot", "serial", "date", "number", "quantity", "value")))
                .as(name + " layers")
                .isEqualTo(sorted(layers()));
        assertThat(sorted(rows("order_costs", "number", "line", "material", "work", "outside", "put_out", "variance")))
                .as(name + " costs")
                .isEqualTo(sorted(costs()));
        assertThat(sorted(rows("open_orders", "number", "line", "quantity", "scrapped")))
                .as(name + " open orders")
                .isEqualTo(sorted(openOrders()));
        assertThat(sorted(rows(
                        "open_order_components",
                        "number",
                        "line",
                        "component",
                        "quantity",
                        "planned",
                        "issued",
                        "value")))
                .as(name + " components")
                .isEqualTo(sorted(components()));
        assertThat(sorted(rows("customer_orders", "number", "line", "quantity")))
                .as(name + " customer orders")
                .isEqualTo(sorted(customerOrders()));
        assertThat(sorted(rows("in_transit", "number", "line", "lot", "serial", "quantity", "value")))
                .as(name + " in transit")
                .isEqualTo(sorted(going()));
        assertThat(sorted(rows("shipments", "item", "site", "date", "number", "line", "quantity")))
                .as(name + " shipments")
                .isEqualTo(sorted(history("history")));
        // what comes back lowers what went; which day's row is not said
        assertThat(byOrder("usage"))
                .as(name + " usage")
                .isEqualTo(totals(plain.orders.figures.keySet().stream()
                        .filter(f -> f.startsWith("usage|"))
                        .map(f -> f.split("\\|"))
                        .collect(Collectors.toMap(
                                w -> w[4] + "," + w[5], w -> plain.orders.get("usage", rest(w)), Fraction::plus))));
        assertThat(byOrder("receipts"))
                .as(name + " receipts")
                .isEqualTo(totals(plain.orders.figures.keySet().stream()
                        .filter(f -> f.startsWith("came|"))
                        .map(f -> f.split("\\|", -1))
                        .collect(Collectors.toMap(
                                w -> w[1] + "," + w[2], w -> plain.orders.get("came", rest(w)), Fraction::plus))));
        assertThat(sorted(
                        rows("order_steps", "number", "line", "step", "reported", "scrapped", "booked", "minutes")
                                .stream()
                                .filter(row -> !row.split(",")[2].isEmpty())
                                .toList()))
                .as(name + " steps")
                .isEqualTo(sorted(steps()));
    }

    private static String rest(String[] words) {
        return String.join("|", List.of(words).subList(1, words.length));
    }

    private static Map<String, String> totals(Map<String, Fraction> sums) {
        Map<String, String> totals = new TreeMap<>();
        sums.forEach((order, sum) -> {
            if (sum.sign() != 0) {
                totals.put(order, sum.toString());
            }
        });
        return totals;
    }

    private Map<String, String> byOrder(String table) {
        return totals(out.rows(table).stream()
                .collect(Collectors.toMap(
                        row -> row.text("number") + "," + row.text("line"),
                        row -> row.number("quantity"),
                        Fraction::plus)));
    }

    private static List<String> sorted(List<String> rows) {
        return rows.stream().sorted().toList();
    }

    /** Numbers as they are alike: 2.50 is 2.5, and 0 is nothing where a column may be empty. */
    private List<String> rows(String table, String... columns) {
        List<String> rows = new ArrayList<>();
        for (Tables.Row row : out.rows(table)) {
            List<String> cells = new ArrayList<>();
            for (String column : columns) {
                String cell = row.text(column);
                boolean number = List.of(
                                        "quantity",
                                        "value",
                                        "wanted",
                                        "there",
                                        "material",
                                        "work",
                                        "outside",
                                        "put_out",
                                        "variance",
                                        "scrapped",
                                        "planned",
                                        "issued",
                                        "reported",
                                        "minutes")
                                .contains(column)
                        && !cell.isEmpty();
                cells.add(number ? Fraction.of(cell).toString() : cell.equals("false") ? "" : cell);
            }
            rows.add(String.join(",", cells));
        }
        return rows;
    }

    private static String aside(Bin bin) {
        return bin.quarantined() ? "true" : "";
    }

    private String text(Movement m) {
        return String.join(
                ",",
                m.key(),
                LocalDate.ofEpochDay(m.date()).toString(),
                m.kind(),
                m.bin().item(),
                m.bin().site(),
                m.bin().lot(),
                m.bin().serial(),
                aside(m.bin()),
                m.quantity().toString(),
                m.value().toString(),
                m.document(),
                m.order(),
                m.line(),
                m.reverses() == 0 ? "" : "" + m.reverses());
    }

    private List<String> stock() {
        return plain.stock.bins().stream()
                .filter(b -> plain.stock.now(b).sign() != 0)
                .map(b -> b.name() + "," + aside(b) + "," + plain.stock.now(b) + ","
                        + plain.stock.expiry.getOrDefault(PlainStock.lot(b), "") + "," + since(b))
                .toList();
    }

    private String since(Bin bin) {
        int day = plain.stock.received.getOrDefault(bin.with(false), PlainStock.ALWAYS);
        return day == PlainStock.ALWAYS ? "" : LocalDate.ofEpochDay(day).toString();
    }

    private List<String> values() {
        Map<String, String> values = new TreeMap<>();
        for (Bin bin : plain.stock.bins()) {
            Fraction much = plain.stock.quantity(bin.item(), bin.site());
            Fraction worth = plain.stock.value(bin.item(), bin.site());
            if (much.sign() != 0 || worth.sign() != 0) {
                values.put(bin.item() + "," + bin.site(), much + "," + worth);
            }
        }
        return values.entrySet().stream()
                .map(e -> e.getKey() + "," + e.getValue())
                .toList();
    }

    private List<String> layers() {
        return plain.stock.layers.stream()
                .filter(l -> l.quantity().sign() != 0)
                .map(this::text)
                .toList();
    }

    private String text(Layer l) {
        return String.join(
                ",",
                l.item(),
                l.site(),
                l.lot(),
                l.serial(),
                l.date() == PlainStock.ALWAYS
                        ? ""
                        : LocalDate.ofEpochDay(l.date()).toString(),
                "" + l.number(),
                l.quantity().toString(),
                l.value().toString());
    }

    private List<String> costs() {
        List<String> costs = new ArrayList<>();
        for (Tables.Row line : plain.facts.rows("open_orders")) {
            String order = PlainOrders.id(line);
            List<Fraction> figures = List.of("material", "work", "outside", "put_out", "variance").stream()
                    .map(f -> plain.orders.get(f, order))
                    .toList();
            if (figures.stream().anyMatch(f -> f.sign() != 0)) {
                costs.add(order.replace('|', ',')
                        + ","
                        + String.join(
                                ",", figures.stream().map(Fraction::toString).toList()));
            }
        }
        return costs;
    }

    private boolean gone(Tables.Row line) {
        return plain.orders.finished(line)
                || line.text("stage").equals("released")
                        && !plain.orders.made(line)
                        && plain.orders.open(line).sign() == 0;
    }

    private List<String> openOrders() {
        return plain.facts.rows("open_orders").stream()
                .filter(line -> !gone(line))
                .map(line ->
                        PlainOrders.id(line).replace('|', ',') + "," + plain.orders.open(line) + "," + scrapped(line))
                .toList();
    }

    private String scrapped(Tables.Row line) {
        return plain.orders.figures.entrySet().stream()
                .filter(e -> e.getKey().startsWith("scrapped|" + PlainOrders.id(line) + "|"))
                .map(Map.Entry::getValue)
                .reduce(plain.orders.get("lost", PlainOrders.id(line)), Fraction::plus)
                .toString();
    }

    private List<String> components() {
        List<String> parts = new ArrayList<>();
        for (Tables.Row line : plain.facts.rows("open_orders")) {
            if (!gone(line)) {
                for (PlainOrders.Part part : plain.orders.parts(line)) {
                    String name = PlainOrders.id(line) + "|" + part.item();
                    Fraction issued = plain.orders.get("issued", name);
                    if (issued.sign() == 0 && part.planned().sign() == 0) {
                        continue;
                    }
                    parts.add(String.join(
                            ",",
                            name.replace('|', ','),
                            part.planned().minus(issued).most(Fraction.ZERO).toString(),
                            part.planned().toString(),
                            issued.toString(),
                            plain.orders.get("worth", name).toString()));
                }
            }
        }
        return parts;
    }

    private List<String> customerOrders() {
        return plain.facts.rows("customer_orders").stream()
                .filter(line -> plain.orders.customerOpen(line).sign() > 0)
                .map(line -> PlainOrders.id(line).replace('|', ',') + "," + plain.orders.customerOpen(line))
                .toList();
    }

    private List<String> going() {
        List<String> going = new ArrayList<>();
        for (Tables.Row line : plain.facts.rows("open_orders")) {
            String start = "going|" + PlainOrders.id(line) + "|";
            plain.orders.figures.forEach((figure, much) -> {
                if (figure.startsWith(start) && much.sign() > 0) {
                    String lot = figure.substring("going|".length());
                    going.add(lot.replace('|', ',') + "," + much + "," + plain.orders.get("going_worth", lot));
                }
            });
        }
        return going;
    }

    private List<String> history(String figure) {
        return plain.orders.figures.entrySet().stream()
                .filter(e -> e.getKey().startsWith(figure + "|") && e.getValue().sign() != 0)
                .map(e -> e.getKey().substring(figure.length() + 1).split("\\|"))
                .map(w -> String.join(
                                ",",
                                w[0],
                                w[1],
                                LocalDate.ofEpochDay(Long.parseLong(w[2])).toString(),
                                w[3],
                                w[4])
                        + ","
                        + plain.orders.get(figure, String.join("|", w)))
                .toList();
    }

    private List<String> steps() {
        List<String> steps = new ArrayList<>();
        for (Tables.Row line : plain.facts.rows("open_orders")) {
            for (PlainOrders.Step step : plain.orders.steps(line)) {
                String name = PlainOrders.id(line) + "|" + step.name();
                boolean given = plain.orders.get("given", name).sign() > 0;
                List<String> figures = List.of("reported", "scrapped", "booked").stream()
                        .map(f -> plain.orders.get(f, name).toString())
                        .toList();
                if (given || figures.stream().anyMatch(f -> !f.equals("0"))) {
                    steps.add(String.join(
                            ",",
                            name.replace('|', ','),
                            String.join(",", figures),
                            given ? plain.orders.get("minutes", name).toString() : ""));
                }
            }
        }
        return steps;
    }
}
