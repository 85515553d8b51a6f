package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Sections 3, 7, 9 and 10: the whole plan, as the rows of its files. */
final class PlainPlan {
    private final PlainCompany company;
    private final int today;
    private final Map<PlainCompany.Point, PlainPoint> points = new TreeMap<>();
    private final Map<PlainCompany.Point, List<PlainPoint.Demand>> asked = new HashMap<>();
    private final Map<Tables.Row, List<PlainPoint.Demand>> ofDocument = new HashMap<>();
    private final Map<Tables.Row, List<PlainCompany.Point>> unmet = new HashMap<>();

    PlainPlan(Tables tables) {
        this.company = new PlainCompany(tables);
        this.today = company.today;
        documents();
        forecasts();
        for (PlainCompany.Point p : company.inTurn()) {
            PlainPoint point = new PlainPoint(company, p, asked.getOrDefault(p, new ArrayList<>()));
            points.put(p, point);
            explode(point);
        }
        for (PlainPoint point : points.values()) {
            for (PlainPoint.Open open : point.opens) {
                open.waits.addAll(ofDocument.getOrDefault(open.row, List.of()));
                open.unmet.addAll(unmet.getOrDefault(open.row, List.of()));
            }
        }
        points.values().forEach(this::date);
    }

    // ---- what is asked

    private PlainPoint.Demand ask(PlainCompany.Point at, String kind, Fraction exact, int day, Object by) {
        Fraction quantity = exact.up(company.step(at.item()));
        if (quantity.sign() <= 0 || day > company.horizon) {
            return null;
        }
        if (company.leftOut.contains(at)) {
            if (by instanceof Tables.Row row) {
                unmet.computeIfAbsent(row, r -> new ArrayList<>()).add(at);
            } else {
                ((PlainPoint.Planned) by).unmet.add(at);
            }
            return null;
        }
        PlainPoint.Demand demand = new PlainPoint.Demand();
        demand.kind = kind;
        demand.quantity = quantity;
        demand.own = day;
        demand.by = by;
        asked.computeIfAbsent(at, a -> new ArrayList<>()).add(demand);
        if (by instanceof Tables.Row row) {
            ofDocument.computeIfAbsent(row, r -> new ArrayList<>()).add(demand);
        } else {
            ((PlainPoint.Planned) by).waits.add(demand);
        }
        return demand;
    }

    private void documents() {
        for (Tables.Row r : company.tables.rows("customer_orders")) {
            parts(r, r.text("item"), r.text("site"), "customer_order", r.day("due_date", 0), r, "", 0)
                    .forEach(d -> d.priority = r.whole("priority", 5));
        }
        Map<Tables.Row, Integer> places = new HashMap<>();
        List<Tables.Row> rows = new ArrayList<>(company.tables.rows("open_order_components"));
        rows.sort(Comparator.comparing(r -> r.text("component")));
        for (Tables.Row r : rows) {
            Tables.Row order = company.order(r);
            String kind = order.text("kind").equals("transfer") ? "transfer" : "component";
            int first = places.merge(order, 100, Integer::sum);
            parts(
                    r,
                    r.text("component"),
                    company.issuedAt(order),
                    kind,
                    r.day("needed_date", 0),
                    order,
                    order.text("site"),
                    first);
        }
    }

    /** Asks for an item, or for the parts of a kit. */
    private List<PlainPoint.Demand> parts(
            Tables.Row row,
            String item,
            String site,
            String kind,
            int day,
            Tables.Row document,
            String parent,
            int first) {
        List<PlainPoint.Demand> all = new ArrayList<>();
        if (row.number("quantity").sign() <= 0) {
            return all;
        }
        int place = first;
        for (PlainCompany.Part part : company.parts(item)) {
            PlainPoint.Demand demand = part.valid(Math.max(day, today))
                    ? ask(
                            new PlainCompany.Point(part.item(), site),
                            kind,
                            part.exactly(row.number("quantity")),
                            day,
                            document)
                    : null;
            if (demand != null) {
                demand.number = document.text("number");
                demand.line = document.text("line");
                demand.parentSite = parent;
                demand.place = place;
                all.add(demand);
            }
            place++;
        }
        return all;
    }

    private void forecasts() {
        String set = company.tables.setting("forecast_set", "");
        boolean consumption =
                !company.tables.setting("forecast_consumption", "true").equals("false");
        Map<PlainCompany.Point, List<PlainBucket>> series = new TreeMap<>();
        for (Tables.Row r : company.tables.rows("forecasts")) {
            if (r.text("set").equals(set)) {
                series.computeIfAbsent(new PlainCompany.Point(r.text("item"), r.text("site")), s -> new ArrayList<>())
                        .add(new PlainBucket(r, today));
            }
        }
        series.forEach((at, buckets) -> {
            buckets.sort(Comparator.comparingInt(b -> b.first));
            if (consumption) {
                PlainBucket.consume(company, at, buckets);
            }
            buckets.forEach(bucket -> forecast(set, at, bucket));
        });
    }

    private void forecast(String set, PlainCompany.Point at, PlainBucket bucket) {
        Tables.Row data = company.planning.getOrDefault(at, new Tables.Row(Map.of()));
        int working = PlainCompany.forth(company.site(at.site()), bucket.first, 0);
        int day = Math.max(working <= bucket.last ? working : bucket.first, today);
        boolean current = bucket.first <= today && today <= bucket.last;
        boolean fenced = day < today + data.whole("demand_fence_days", 0) && !current;
        if (bucket.left.sign() <= 0 || fenced) {
            return;
        }
        int place = 0;
        for (PlainCompany.Part part : company.parts(at.item())) {
            PlainCompany.Point to = new PlainCompany.Point(part.item(), at.site());
            PlainPoint.Demand demand =
                    part.valid(day) ? ask(to, "forecast", part.exactly(bucket.left), day, bucket.row) : null;
            if (demand != null) {
                demand.number = set;
                demand.line = LocalDate.ofEpochDay(bucket.first).toString();
                demand.priority = 9;
                demand.kit = company.isKit(at.item()) ? at.item() : "";
                demand.place = place;
            }
            place++;
        }
    }

    /** What the planned orders of a point need below. */
    private void explode(PlainPoint point) {
        PlainSizes routing = new PlainSizes(company, point.point, point.data, point.source);
        for (int o = 0; o < point.planned.size(); o++) {
            PlainPoint.Planned order = point.planned.get(o);
            for (PlainCompany.Edge edge : company.edges.get(point.point)) {
                PlainCompany.Part part = edge.part();
                int step = order.steps == null || part.step().isEmpty() ? -1 : routing.operation(part.step());
                boolean transfer = point.source.equals("transfer") && !point.phantom;
                PlainPoint.Demand demand = part.valid(Math.max(order.start, today))
                        ? ask(
                                edge.below(),
                                transfer ? "transfer" : "component",
                                part.exactly(order.started),
                                step < 0 ? order.start : order.steps[step],
                                order)
                        : null;
                if (demand != null) {
                    demand.number = transfer ? point.point.site() : point.point.item();
                    demand.line = LocalDate.ofEpochDay(order.due).toString();
                    demand.parentSite = point.point.site();
                    demand.parentOrder = o;
                    demand.place = edge.place();
                }
            }
        }
    }

    // ---- what is really possible

    private void date(PlainPoint point) {
        point.demands.forEach(d -> date(point, d));
        point.planned.forEach(o -> date(point, o));
        point.opens.forEach(o -> date(point, o));
    }

    private PlainPoint of(PlainPoint.Demand demand) {
        return points.values().stream()
                .filter(p -> p.demands.contains(demand))
                .findFirst()
                .orElseThrow();
    }

    private void date(PlainPoint point, PlainPoint.Demand demand) {
        if (demand.dated) {
            return;
        }
        demand.dated = true;
        demand.possible = demand.own;
        demand.cause = point.point;
        int latest = Integer.MIN_VALUE;
        for (PlainPoint.Peg peg : demand.pegs) {
            Integer day = today;
            PlainCompany.Point cause = point.point;
            if (peg.supply() instanceof PlainPoint.Planned order) {
                date(point, order);
                day = order.possible;
                cause = order.cause;
            } else if (peg.supply() instanceof PlainPoint.Open open) {
                date(point, open);
                day = open.possible;
                cause = open.cause;
            }
            int value = day == null ? Integer.MAX_VALUE : day;
            if (value > latest) {
                latest = value;
                demand.cause = cause;
            }
        }
        if (PlainPoint.served(demand).less(demand.quantity)) {
            demand.possible = null;
            demand.cause = point.point;
        } else {
            demand.possible = latest == Integer.MAX_VALUE ? null : Integer.valueOf(Math.max(latest, demand.own));
        }
    }

    private void date(PlainPoint point, PlainPoint.Planned order) {
        if (order.dated) {
            return;
        }
        order.dated = true;
        if (point.source.equals("buy") && !point.phantom) {
            order.possible = Math.max(order.due, point.earliest(today, today, order.started));
            order.cause = point.point;
            return;
        }
        Delay delay = new Delay(point, order.start < today ? order.start : today);
        order.waits.forEach(d -> delay.waitFor(d, d.own));
        order.unmet.forEach(delay::never);
        order.possible = delay.moved(order.due);
        order.cause = delay.cause;
    }

    private void date(PlainPoint point, PlainPoint.Open open) {
        if (open.dated) {
            return;
        }
        open.dated = true;
        Tables.Row row = open.row;
        open.cause = point.point;
        if (row.text("kind").equals("buy")) {
            open.possible = Math.max(open.due, today);
            if (!open.released()) {
                int lead = company.offers(point.point.item()).stream()
                        .filter(r -> r.text("supplier").equals(row.text("supplier")) && r.has("lead_time_days"))
                        .map(r -> r.whole("lead_time_days", 0))
                        .findFirst()
                        .orElse(point.data.whole("lead_time_days", 0));
                var supplier = company.supplier(row.text("supplier"), point.point.site());
                int there = PlainCompany.forth(supplier, today, lead);
                open.possible = Math.max(open.possible, PlainCompany.forth(point.site, there, 0));
            }
            return;
        }
        boolean slips = !open.released() && row.has("start_date") && row.day("start_date", 0) < today;
        Delay delay = new Delay(point, slips ? row.day("start_date", 0) : today);
        open.waits.forEach(d -> delay.waitFor(d, open.released() ? Math.max(d.own, today) : d.own));
        open.unmet.forEach(delay::never);
        open.possible = delay.moved(open.due);
        open.cause = delay.cause;
    }

    /** The largest delay of an order. */
    private final class Delay {
        private final PlainPoint point;
        private int largest;
        private String item = "";
        PlainCompany.Point cause;

        Delay(PlainPoint point, int start) {
            this.point = point;
            this.largest = between(start, today);
            this.cause = point.point;
        }

        private int between(int from, int to) {
            return to <= from ? 0 : point.phantom ? to - from : PlainCompany.delay(point.site, from, to);
        }

        void waitFor(PlainPoint.Demand demand, int needed) {
            PlainPoint below = of(demand);
            date(below, demand);
            int days = demand.possible == null ? Integer.MAX_VALUE : between(needed, demand.possible);
            take(days, below.point.item(), demand.cause);
        }

        void never(PlainCompany.Point below) {
            take(Integer.MAX_VALUE, below.item(), below);
        }

        private void take(int days, String of, PlainCompany.Point because) {
            if (days > largest || days == largest && days > 0 && !item.isEmpty() && of.compareTo(item) < 0) {
                largest = days;
                item = of;
                cause = because;
            }
        }

        Integer moved(int due) {
            if (largest == Integer.MAX_VALUE) {
                return null;
            }
            int day = largest == 0 ? due : point.phantom ? due + largest : PlainCompany.forth(point.site, due, largest);
            return Math.max(day, today);
        }
    }

    // ---- the files

    private static String day(Integer day) {
        return day == null ? "" : LocalDate.ofEpochDay(day).toString();
    }

    private static String row(Object... cells) {
        List<String> texts = new ArrayList<>();
        for (Object cell : cells) {
            texts.add(cell == null ? "" : cell.toString());
        }
        return String.join(",", texts);
    }

    List<String> plannedOrders() {
        List<String> rows = new ArrayList<>();
        for (PlainPoint p : points.values()) {
            boolean from = List.of("transfer", "subcontract").contains(p.source);
            for (PlainPoint.Planned o : p.phantom ? List.<PlainPoint.Planned>of() : p.planned) {
                rows.add(row(
                        p.point.item(),
                        p.point.site(),
                        p.source,
                        p.supplier(),
                        from ? p.data.text("from_site") : "",
                        o.good,
                        o.started,
                        day(o.start),
                        day(o.due),
                        day(o.possible),
                        o.made == null ? "" : o.made.number,
                        o.made == null ? "" : o.made.line));
            }
        }
        return sorted(rows);
    }

    List<String> demands() {
        List<String> rows = new ArrayList<>();
        for (PlainPoint p : points.values()) {
            for (PlainPoint.Demand d : p.demands) {
                rows.add(row(
                        p.point.item(),
                        p.point.site(),
                        d.kind,
                        d.number,
                        d.line,
                        d.quantity,
                        day(d.own),
                        day(d.possible),
                        d.possible == null ? "" : d.possible - d.own));
            }
        }
        return sorted(rows);
    }

    List<String> pegs() {
        List<String> rows = new ArrayList<>();
        for (PlainPoint p : points.values()) {
            Map<String, Fraction> sums = new TreeMap<>();
            for (PlainPoint.Demand d : p.demands) {
                for (PlainPoint.Peg peg : d.pegs) {
                    String supply;
                    if (peg.supply() instanceof PlainPoint.Lot lot) {
                        supply = row("stock", lot.row.text("lot"), lot.row.text("serial"), day(today));
                    } else if (peg.supply() instanceof PlainPoint.Open open) {
                        supply = row("open", open.row.text("number"), open.row.text("line"), day(open.counts));
                    } else {
                        supply = row("planned", "", "", day(((PlainPoint.Planned) peg.supply()).due));
                    }
                    sums.merge(
                            row(p.point.item(), p.point.site(), supply, d.kind, d.number, d.line, day(d.own)),
                            peg.quantity(),
                            Fraction::plus);
                }
            }
            sums.forEach((key, sum) -> rows.add(key + "," + sum));
        }
        return sorted(rows);
    }

    /** Only days on which anything happens. */
    List<String> balances() {
        List<String> rows = new ArrayList<>();
        for (PlainPoint p : points.values()) {
            for (int d = today; d <= company.horizon; d++) {
                int day = d;
                Fraction receipts = sum(p.opens.stream()
                        .filter(o -> o.counts == day)
                        .map(o -> o.quantity)
                        .toList());
                Fraction planned = sum(p.planned.stream()
                        .filter(o -> o.due == day)
                        .map(o -> o.good)
                        .toList());
                Fraction demands = p.leaving(day);
                Fraction expired = p.expiring(day);
                if (receipts.sign() != 0 || planned.sign() != 0 || demands.sign() != 0 || expired.sign() != 0) {
                    rows.add(row(
                            p.point.item(),
                            p.point.site(),
                            day(day),
                            receipts,
                            demands,
                            planned,
                            expired,
                            p.balance(day)));
                }
            }
        }
        return sorted(rows);
    }

    private static Fraction sum(List<Fraction> all) {
        return all.stream().reduce(Fraction.ZERO, Fraction::plus);
    }

    private static List<String> sorted(List<String> rows) {
        return rows.stream().sorted().toList();
    }

    List<String> signals() {
        PlainSignals signals = new PlainSignals(company);
        points.values().forEach(signals::of);
        company.loops.forEach(p -> signals.add("loop", p, "", "", null, null, null, null, null));
        for (Tables.Row r : company.tables.rows("customer_orders")) {
            late(signals, r);
        }
        return sorted(signals.rows);
    }

    private void late(PlainSignals signals, Tables.Row r) {
        boolean kit = company.isKit(r.text("item"));
        PlainCompany.Point at = new PlainCompany.Point(r.text("item"), r.text("site"));
        record Met(String item, int day, PlainCompany.Point cause) {}
        List<Met> met = new ArrayList<>();
        for (PlainPoint.Demand d : ofDocument.getOrDefault(r, List.of())) {
            met.add(new Met(of(d).point.item(), d.possible == null ? Integer.MAX_VALUE : d.possible, d.cause));
        }
        if (kit) {
            unmet.getOrDefault(r, List.of()).forEach(p -> met.add(new Met(p.item(), Integer.MAX_VALUE, p)));
        }
        Met latest = met.stream()
                .min(Comparator.<Met>comparingInt(m -> -m.day).thenComparing(m -> m.item))
                .orElse(null);
        int due = r.day("due_date", 0);
        if (latest != null && latest.day > due) {
            boolean never = latest.day == Integer.MAX_VALUE;
            signals.add(
                    "demand_late",
                    at,
                    r.text("number"),
                    r.text("line"),
                    due,
                    never ? null : latest.day,
                    r.number("quantity"),
                    never ? null : latest.day - due,
                    latest.cause);
        }
    }
}
