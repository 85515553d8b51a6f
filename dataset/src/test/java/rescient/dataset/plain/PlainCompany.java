package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntPredicate;

/** Sections 1, 2 and 4: calendars, units, kits, and which stock point asks which. */
final class PlainCompany {
    static final int FOR_EVER = Integer.MAX_VALUE / 2;

    /** All digits by value, and before others; these by code point. */
    static final Comparator<String> NUMBERS = (a, b) -> {
        boolean x = a.matches("[0-9]+");
        boolean y = b.matches("[0-9]+");
        if (x && y) {
            int c = new java.math.BigInteger(a).compareTo(new java.math.BigInteger(b));
            return c != 0 ? c : a.compareTo(b);
        }
        return x != y ? (x ? -1 : 1) : a.compareTo(b);
    };

    record Point(String item, String site) implements Comparable<Point> {
        @Override
        public int compareTo(Point other) {
            int c = item.compareTo(other.item);
            return c != 0 ? c : site.compareTo(other.site);
        }
    }

    /** What one of a parent needs of an item; {@code once}: for the whole order. */
    record Part(String item, Fraction each, boolean once, int from, int to, String step) {
        boolean valid(int day) {
            return from <= day && day <= to;
        }

        Fraction exactly(Fraction parents) {
            return once ? each : each.times(parents);
        }
    }

    record Edge(Point below, Part part, int place) {}

    final Tables tables;
    final int today;
    final int horizon;
    final Map<String, Tables.Row> items = new HashMap<>();
    private final Map<String, Tables.Row> groups = new HashMap<>();
    final Map<Point, Tables.Row> planning = new TreeMap<>();
    private final Map<String, IntPredicate> calendars = new HashMap<>();
    private final Map<String, IntPredicate> sites = new HashMap<>();
    private final Map<String, IntPredicate> suppliers = new HashMap<>();
    final Set<Point> points = new TreeSet<>();
    final Map<Point, List<Edge>> edges = new HashMap<>();
    final Set<Point> loops = new TreeSet<>();
    final Set<Point> leftOut = new HashSet<>();

    PlainCompany(Tables tables) {
        this.tables = tables;
        this.today =
                (int) java.time.LocalDate.parse(tables.setting("today", "")).toEpochDay();
        this.horizon = (int)
                java.time.LocalDate.parse(tables.setting("horizon_end", "")).toEpochDay();
        tables.rows("items").forEach(r -> items.put(r.text("code"), r));
        tables.rows("item_groups").forEach(r -> groups.put(r.text("code"), r));
        for (Tables.Row row : tables.rows("planning")) {
            planning.put(new Point(row.text("item"), row.text("site")), withGroup(row));
        }
        tables.rows("calendars").forEach(r -> calendars.put(r.text("code"), calendar(r)));
        tables.rows("sites").forEach(r -> sites.put(r.text("code"), calendarOf(r)));
        tables.rows("suppliers").forEach(r -> suppliers.put(r.text("code"), calendarOf(r)));
        points();
        loops();
    }

    private Tables.Row withGroup(Tables.Row row) {
        Tables.Row group = groups.get(items.get(row.text("item")).text("group"));
        Map<String, String> cells = new LinkedHashMap<>(group == null ? Map.of() : group.cells());
        row.cells().forEach((column, value) -> {
            if (!value.isEmpty()) {
                cells.put(column, value);
            }
        });
        return new Tables.Row(cells);
    }

    // ---- days

    private IntPredicate calendar(Tables.Row row) {
        List<String> days = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");
        Map<Integer, Boolean> exceptions = new HashMap<>();
        for (Tables.Row e : tables.rows("calendar_exceptions")) {
            if (e.text("calendar").equals(row.text("code"))) {
                exceptions.put(e.day("date", 0), e.text("working").equals("true"));
            }
        }
        return day -> {
            int weekday = Math.floorMod(day + 3, 7);
            String flag = row.text(days.get(weekday));
            return exceptions.getOrDefault(day, flag.isEmpty() ? weekday < 5 : flag.equals("true"));
        };
    }

    private IntPredicate calendarOf(Tables.Row row) {
        return row.has("calendar") ? calendars.get(row.text("calendar")) : null;
    }

    IntPredicate site(String code) {
        return sites.get(code) == null ? day -> Math.floorMod(day + 3, 7) < 5 : sites.get(code);
    }

    /** The supplier's calendar, or the receiving site's. */
    IntPredicate supplier(String code, String site) {
        return suppliers.get(code) == null ? site(site) : suppliers.get(code);
    }

    IntPredicate workCenter(Tables.Row center) {
        IntPredicate own = calendarOf(center);
        return own == null ? site(center.text("site")) : own;
    }

    static int back(IntPredicate calendar, int from, int n) {
        int day = from;
        while (!calendar.test(day)) {
            day--;
        }
        for (int i = 0; i < n; i++) {
            do {
                day--;
            } while (!calendar.test(day));
        }
        return day;
    }

    static int forth(IntPredicate calendar, int from, int n) {
        int day = from;
        while (!calendar.test(day)) {
            day++;
        }
        for (int i = 0; i < n; i++) {
            do {
                day++;
            } while (!calendar.test(day));
        }
        return day;
    }

    /** The smallest n with forth(from, n) not before {@code to}. */
    static int delay(IntPredicate calendar, int from, int to) {
        int n = 0;
        while (forth(calendar, from, n) < to) {
            n++;
        }
        return n;
    }

    // ---- units

    Fraction step(String item) {
        return unitStep(items.get(item).text("unit"));
    }

    Fraction unitStep(String unit) {
        int decimals = tables.rows("units").stream()
                .filter(r -> r.text("code").equals(unit))
                .findFirst()
                .orElseThrow()
                .whole("decimals", 0);
        Fraction step = Fraction.ONE;
        for (int i = 0; i < decimals; i++) {
            step = step.by(Fraction.of(10));
        }
        return step;
    }

    Fraction factor(String item, String from, String to) {
        if (from.equals(to)) {
            return Fraction.ONE;
        }
        for (String whose : List.of(item, "")) {
            for (boolean inverted : List.of(false, true)) {
                for (Tables.Row r : tables.rows("unit_conversions")) {
                    boolean same = r.text("item").equals(whose)
                            && r.text("from_unit").equals(inverted ? to : from)
                            && r.text("to_unit").equals(inverted ? from : to);
                    if (same) {
                        return inverted ? Fraction.ONE.by(r.number("factor")) : r.number("factor");
                    }
                }
            }
        }
        throw new IllegalStateException("no factor");
    }

    // ---- who asks whom

    boolean isKit(String item) {
        return items.get(item).text("kind").equals("kit");
    }

    boolean isPhantom(Point point) {
        return items.get(point.item).text("kind").equals("phantom");
    }

    private List<Part> lines(String parent) {
        List<Tables.Row> rows = new ArrayList<>(tables.rows("bom_lines").stream()
                .filter(r -> r.text("parent").equals(parent))
                .toList());
        rows.sort(Comparator.comparing(r -> r.text("line"), NUMBERS));
        List<Part> parts = new ArrayList<>();
        for (Tables.Row r : rows) {
            String component = r.text("component");
            String unit = items.get(component).text("unit");
            Fraction each = r.number("quantity")
                    .times(factor(component, r.has("unit") ? r.text("unit") : unit, unit))
                    .times(Fraction.ONE.plus(r.number("scrap", Fraction.ZERO)));
            parts.add(new Part(
                    component,
                    each,
                    r.text("per").equals("order"),
                    r.day("valid_from", -FOR_EVER),
                    r.day("valid_to", FOR_EVER),
                    r.text("step")));
        }
        return parts;
    }

    /** A part itself, or what it is made up of if it is a kit. */
    private void pass(Part part, List<Part> into) {
        if (!isKit(part.item)) {
            into.add(part);
            return;
        }
        for (Part line : lines(part.item)) {
            Fraction each = line.once ? line.each : part.each.times(line.each);
            pass(
                    new Part(
                            line.item,
                            each,
                            part.once || line.once,
                            Math.max(part.from, line.from),
                            Math.min(part.to, line.to),
                            part.step),
                    into);
        }
    }

    List<Part> parts(String item) {
        List<Part> parts = new ArrayList<>();
        pass(new Part(item, Fraction.ONE, false, -FOR_EVER, FOR_EVER, ""), parts);
        return parts;
    }

    private List<Part> components(String item) {
        List<Part> parts = new ArrayList<>();
        lines(item).forEach(line -> pass(line, parts));
        return parts;
    }

    String source(Point point) {
        return planning.containsKey(point) ? planning.get(point).text("source") : "none";
    }

    private void points() {
        points.addAll(planning.keySet());
        tables.rows("stock").forEach(r -> points.add(new Point(r.text("item"), r.text("site"))));
        for (String table : List.of("customer_orders", "forecasts")) {
            for (Tables.Row r : tables.rows(table)) {
                parts(r.text("item")).forEach(part -> points.add(new Point(part.item, r.text("site"))));
            }
        }
        for (Tables.Row r : tables.rows("open_orders")) {
            points.add(new Point(r.text("item"), r.text("site")));
        }
        for (Tables.Row r : tables.rows("open_order_components")) {
            parts(r.text("component")).forEach(part -> points.add(new Point(part.item, issuedAt(order(r)))));
        }
        List<Point> open = new ArrayList<>(points);
        while (!open.isEmpty()) {
            Point point = open.remove(open.size() - 1);
            edges.put(point, edgesOf(point));
            for (Edge edge : edges.get(point)) {
                if (points.add(edge.below)) {
                    open.add(edge.below);
                }
            }
        }
    }

    Tables.Row order(Tables.Row component) {
        return tables.rows("open_orders").stream()
                .filter(o -> o.text("number").equals(component.text("number"))
                        && o.text("line").equals(component.text("line")))
                .findFirst()
                .orElseThrow();
    }

    String issuedAt(Tables.Row order) {
        boolean elsewhere = List.of("transfer", "subcontract").contains(order.text("kind"));
        return order.text(elsewhere ? "from_site" : "site");
    }

    private List<Edge> edgesOf(Point point) {
        String source = source(point);
        String site = point.site;
        List<Part> parts;
        if (source.equals("transfer")) {
            parts = List.of(new Part(point.item, Fraction.ONE, false, -FOR_EVER, FOR_EVER, ""));
            site = planning.get(point).text("from_site");
        } else if (isPhantom(point) || List.of("make", "assemble").contains(source)) {
            parts = components(point.item);
        } else if (source.equals("subcontract")) {
            parts = components(point.item);
            site = planning.get(point).text("from_site");
        } else {
            parts = List.of();
        }
        List<Edge> all = new ArrayList<>();
        for (Part part : parts) {
            all.add(new Edge(new Point(part.item, site), part, all.size()));
        }
        return all;
    }

    private void loops() {
        Map<Point, Set<Point>> reach = new HashMap<>();
        for (Point point : points) {
            Set<Point> seen = new HashSet<>();
            List<Point> open = new ArrayList<>(List.of(point));
            while (!open.isEmpty()) {
                for (Edge edge : edges.get(open.remove(open.size() - 1))) {
                    if (seen.add(edge.below)) {
                        open.add(edge.below);
                    }
                }
            }
            reach.put(point, seen);
        }
        for (Point point : points) {
            if (reach.get(point).contains(point)) {
                loops.add(point);
                leftOut.add(point);
                leftOut.addAll(reach.get(point));
            }
        }
    }

    /** The points that are planned, each after all that can ask it. */
    List<Point> inTurn() {
        Map<Point, Integer> waiting = new HashMap<>();
        points.forEach(p -> edges.get(p).forEach(e -> waiting.merge(e.below, 1, Integer::sum)));
        List<Point> ready = new ArrayList<>(
                points.stream().filter(p -> !waiting.containsKey(p)).toList());
        for (int i = 0; i < ready.size(); i++) {
            for (Edge edge : edges.get(ready.get(i))) {
                if (waiting.merge(edge.below, -1, Integer::sum) == 0) {
                    ready.add(edge.below);
                }
            }
        }
        ready.removeAll(leftOut);
        return ready;
    }

    /** The base rows of an item that hold today, of each supplier the one that began last. */
    List<Tables.Row> offers(String item) {
        Map<String, Tables.Row> last = new TreeMap<>();
        for (Tables.Row r : tables.rows("supplier_items")) {
            boolean base =
                    r.text("item").equals(item) && r.number("from_quantity").sign() == 0;
            if (base && r.day("valid_from", -FOR_EVER) <= today && today <= r.day("valid_to", FOR_EVER)) {
                last.merge(
                        r.text("supplier"),
                        r,
                        (a, b) -> a.day("valid_from", -FOR_EVER) > b.day("valid_from", -FOR_EVER) ? a : b);
            }
        }
        return List.copyOf(last.values());
    }
}
