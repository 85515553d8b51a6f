package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.StockLot;

/**
 * The snapshot that changes make of another, and the stock points they touch. What documents, stock, forecasts, planning
 * rows and suppliers' terms change is put in its place; whatever may change who can ask whom makes the snapshot anew and
 * compares.
 */
public final class ChangedSnapshot {
    private final Snapshot before;
    private final BitSet touched = new BitSet();
    /** Points whose stock changed. */
    private final BitSet lots = new BitSet();

    private Rows rows;
    private SnapshotParts parts;
    private boolean anew;

    private ChangedSnapshot(Snapshot before) {
        this.before = before;
        this.rows = before.rows;
        this.parts = new SnapshotParts(before);
    }

    /**
     * @param touched the points whose own facts changed, by their number in both snapshots; null if points are numbered
     *     differently or everything has to be planned again
     */
    public record Result(Snapshot snapshot, BitSet touched) {}

    public static Result of(Snapshot before, List<Change> changes) {
        ChangedSnapshot changed = new ChangedSnapshot(before);
        changed.parts.demands = before.demands.copy();
        for (Change change : changes) {
            changed.apply(change);
        }
        changed.lots();
        return changed.result();
    }

    /** The same with everything made anew, whatever could not be planned before. */
    public static Snapshot anew(Snapshot before, List<Change> changes) {
        Rows rows = before.rows.with(Map.of());
        for (Change change : changes) {
            rows = ChangedRows.of(rows, change);
        }
        return new SnapshotAssembly(rows, before.numbers, before.lines).assemble();
    }

    private Result result() {
        if (!anew) {
            return new Result(new Snapshot(rows, parts), touched);
        }
        Snapshot snapshot = new SnapshotAssembly(rows, parts.numbers, parts.lines).assemble();
        boolean sameDays = snapshot.today == before.today && snapshot.horizonEnd == before.horizonEnd;
        boolean sameSettings = snapshot.forecastConsumption == before.forecastConsumption
                && snapshot.releaseAheadDays == before.releaseAheadDays;
        boolean sameRanks = parts.numbers.isKeptBy(snapshot.numbers) && parts.lines.isKeptBy(snapshot.lines);
        return new Result(
                snapshot,
                sameDays && sameSettings && sameRanks && snapshot.network.numbersLike(before.network)
                        ? Differences.between(before, snapshot)
                        : null);
    }

    private void apply(Change change) {
        if (!anew && change instanceof Change.CustomerOrder c) {
            customerOrder(c.line().number(), c.line().line(), c.line());
        } else if (!anew && change instanceof Change.NoCustomerOrder c) {
            customerOrder(c.number(), c.line(), null);
        } else if (!anew && change instanceof Change.Order c) {
            openOrder(c.order().number(), c.order().line(), c.order(), c.components());
        } else if (!anew && change instanceof Change.NoOrder c) {
            openOrder(c.number(), c.line(), null, List.of());
        } else if (!anew && change instanceof Change.Stock c) {
            stock(c.lot().item(), c.lot().site());
        } else if (!anew && change instanceof Change.NoStock c) {
            stock(c.item(), c.site());
        } else if (!anew && change instanceof Change.Forecast c) {
            anew |= !ranked(c.bucket().set());
        } else {
            anew |= !(change instanceof Change.Planning
                    || change instanceof Change.Terms
                    || change instanceof Change.BillOfMaterials
                    || change instanceof Change.NoForecast
                    || change instanceof Change.Shipped);
        }
        rows = ChangedRows.of(rows, change);
        if (!anew) {
            follow(change);
        }
    }

    /** Puts what the rows say now in its place. */
    private void follow(Change change) {
        if (change instanceof Change.Stock c) {
            lots.set(before.pointOf(c.lot().item(), c.lot().site()));
        } else if (change instanceof Change.NoStock c) {
            lots.set(before.pointOf(c.item(), c.site()));
        } else if (change instanceof Change.Planning c) {
            point(c.data().item, c.data().site);
            anew |= EarmarkedRows.concern(rows, c.data().item);
        } else if (change instanceof Change.Terms c) {
            anew |= EarmarkedRows.concern(rows, c.item());
            Set<String> sites = rows.planning.getOrDefault(c.item(), Map.of()).keySet();
            sites.forEach(site -> point(c.item(), site));
        } else if (change instanceof Change.BillOfMaterials c) {
            billOfMaterials(c.parent());
        } else if (change instanceof Change.Forecast c) {
            anew |= !outlook(c.bucket().item(), c.bucket().site());
        } else if (change instanceof Change.NoForecast c) {
            anew |= !outlook(c.item(), c.site());
        } else if (change instanceof Change.Shipped c) {
            outlook(c.shipment().item(), c.shipment().site());
        }
    }

    private void point(String item, String site) {
        int p = before.pointOf(item, site);
        if (p < 0) {
            anew = true;
            return;
        }
        StockPoint was = parts.network.points[p];
        StockPoint is =
                new StockPoints(rows, before.siteIndex).of(was.item, before.documents.item(item), was.site, site);
        if (!is.asksLike(was)) {
            anew = true;
            return;
        }
        parts.network = parts.network.with(p, is);
        touched.set(p);
        outlook(item, site);
    }

    private void billOfMaterials(String parent) {
        BitSet reached = OtherComponents.of(before, parts, rows, parent);
        anew = reached == null;
        if (!anew) {
            touched.or(reached);
        }
    }

    /** @return false if there is no forecast, or none any more */
    private boolean outlook(String item, String site) {
        int o = before.outlookOf(item, site);
        ForecastConsumption.Outlook now = o < 0 ? null : parts.outlooks[o].as(rows);
        if (now == null) {
            return false;
        }
        put(o, now);
        return true;
    }

    private void put(int o, ForecastConsumption.Outlook now) {
        parts.outlooks = parts.outlooks.clone();
        parts.outlooks[o] = now;
        for (int p : now.points()) {
            touched.set(p);
        }
    }

    /** Whether a number has a rank, giving it one if there is room. */
    private boolean ranked(String number) {
        Ranks numbers = parts.numbers.with(number);
        parts.numbers = numbers == null ? parts.numbers : numbers;
        return numbers != null;
    }

    /** Whether number and line have a rank, giving them one if there is room. */
    private boolean ranked(String number, String line) {
        Ranks numbers = parts.numbers.with(number);
        Ranks lines = parts.lines.with(line);
        if (numbers == null || lines == null) {
            return false;
        }
        parts.numbers = numbers;
        parts.lines = lines;
        return true;
    }

    private void customerOrder(String number, String line, CustomerOrderLine instead) {
        int at = ChangedRows.customerOrder(rows, number, line);
        CustomerOrderLine gone = at < 0 ? null : rows.customerOrders.get(at);
        if (gone == null && instead == null) {
            return;
        }
        if (!Objects.equals(alone(gone), alone(instead))) {
            anew = true;
            return;
        }
        boolean kit = (gone != null && isKit(gone.item())) || (instead != null && isKit(instead.item()));
        if (kit
                || (gone != null && mayVanish(gone.item(), gone.site()))
                || (instead != null && (!isKnown(instead.item(), instead.site()) || !ranked(number, line)))) {
            anew = true;
            return;
        }
        Map<Integer, DocumentDemands> demands = new HashMap<>();
        if (instead != null) {
            before.documents.add(instead, parts.numbers.of(number), parts.lines.of(line), p -> collected(demands, p));
        }
        Set<Integer> points = new LinkedHashSet<>(demands.keySet());
        for (CustomerOrderLine order : Arrays.asList(gone, instead)) {
            if (order != null) {
                points.add(before.pointOf(order.item(), order.site()));
            }
        }
        replace(points, gone, demands);
        consume(gone, instead);
    }

    /** What makes a stock point or a kit of a line's own. */
    private static List<Object> alone(CustomerOrderLine line) {
        return line == null || !line.alone() ? null : Arrays.asList(line.bought(), line.parts());
    }

    private boolean isKit(String item) {
        return before.documents.item(item).kind() == ItemKind.KIT;
    }

    private boolean isKnown(String item, String site) {
        return before.pointOf(item, site) >= 0;
    }

    /** A stock point that only a document or a lot makes one is none without it. */
    private boolean mayVanish(String item, String site) {
        int p = before.pointOf(item, site);
        return before.network.incomingStart[p] == before.network.incomingStart[p + 1]
                && !rows.planning.getOrDefault(item, Map.of()).containsKey(site);
    }

    private static DocumentDemands collected(Map<Integer, DocumentDemands> demands, int point) {
        return demands.computeIfAbsent(point, p -> new DocumentDemands(2));
    }

    private void replace(Set<Integer> points, Object gone, Map<Integer, DocumentDemands> instead) {
        for (int p : points) {
            parts.demands.open(p);
            parts.demands.put(p, parts.demands.get(p).with(gone, instead.getOrDefault(p, DocumentDemands.NONE)));
            touched.set(p);
        }
    }

    /** Another customer order line takes from the forecast. */
    private void consume(CustomerOrderLine gone, CustomerOrderLine instead) {
        int loses = gone == null ? -1 : before.outlookOf(gone.item(), gone.site());
        int gains = instead == null ? -1 : before.outlookOf(instead.item(), instead.site());
        if (loses >= 0) {
            consume(loses, gone, loses == gains ? instead : null);
        }
        if (gains >= 0 && gains != loses) {
            consume(gains, null, instead);
        }
    }

    private void consume(int o, CustomerOrderLine gone, CustomerOrderLine instead) {
        List<CustomerOrderLine> orders = new ArrayList<>(parts.outlooks[o].orders());
        orders.remove(gone);
        if (instead != null) {
            orders.add(instead);
            orders.sort(Rows.CUSTOMER_ORDERS);
        }
        put(o, parts.outlooks[o].with(SnapshotAssembly.byDueDate(orders)));
    }

    private void openOrder(String number, String line, OpenOrder instead, List<OpenOrderComponent> components) {
        int at = ChangedRows.openOrder(rows, number, line);
        OpenOrder gone = at < 0 ? null : rows.openOrders[at];
        if (gone == null && instead == null) {
            return;
        }
        boolean vanishing = gone != null && (mayVanish(gone) || Earmark.isCode(gone.item()));
        if (vanishing || (instead != null && !(known(instead, components) && ranked(number, line)))) {
            anew = true;
            return;
        }
        Map<Integer, DocumentDemands> demands = new HashMap<>();
        List<OpenOrderComponent> sorted = new ArrayList<>(components);
        sorted.sort(Rows.COMPONENTS);
        int position = 0;
        for (OpenOrderComponent row : sorted) {
            position = before.documents.add(
                    instead, row, position, parts.numbers.of(number), parts.lines.of(line), p -> collected(demands, p));
        }
        Set<Integer> points = new LinkedHashSet<>(demands.keySet());
        boolean fits = true;
        parts.openOrdersOf = parts.openOrdersOf.clone();
        if (gone != null) {
            points.addAll(takeAway(gone));
        }
        if (instead != null) {
            int[] waitsAt = demands.keySet().stream()
                    .mapToInt(Integer::intValue)
                    .sorted()
                    .toArray();
            OpenSupply supply = new OpenSupply(instead, parts.numbers.of(number), parts.lines.of(line), waitsAt);
            int p = before.pointOf(instead.item(), instead.site());
            parts.openOrdersOf[p] = Rows.put(parts.openOrdersOf[p], supply, OpenSupply.BY_NUMBER);
            touched.set(p);
            fits = parts.waves.fit(p, waitsAt);
        }
        if (!fits || parts.waves == DatingOrder.NONE) {
            parts.waves = DatingOrder.counted(parts.network, parts.openOrdersOf);
        }
        replace(points, gone, demands);
    }

    private boolean mayVanish(OpenOrder order) {
        boolean vanishing = mayVanish(order.item(), order.site());
        for (OpenOrderComponent row : ChangedRows.componentsOf(rows, order.number(), order.line())) {
            for (Kits.Part part : before.documents.parts(row.component())) {
                vanishing |= mayVanish(part.component(), DocumentRows.issuingSite(order));
            }
        }
        return vanishing;
    }

    /** Whether all points are known. */
    private boolean known(OpenOrder order, List<OpenOrderComponent> components) {
        boolean all = isKnown(order.item(), order.site());
        for (OpenOrderComponent row : components) {
            for (Kits.Part part : before.documents.parts(row.component())) {
                all &= isKnown(part.component(), DocumentRows.issuingSite(order));
            }
        }
        return all;
    }

    private List<Integer> takeAway(OpenOrder gone) {
        int p = before.pointOf(gone.item(), gone.site());
        OpenSupply[] orders = parts.openOrdersOf[p];
        int i = 0;
        while (orders[i].order() != gone) {
            i++;
        }
        parts.openOrdersOf[p] = Rows.without(orders, i);
        touched.set(p);
        return Arrays.stream(orders[i].waitsAt()).boxed().toList();
    }

    private void stock(String item, String site) {
        anew |= !isKnown(item, site) || mayVanish(item, site) || Earmark.isCode(item);
    }

    /** What lies then at the points where stock changed, looked up once for all. */
    private void lots() {
        if (anew || lots.isEmpty()) {
            return;
        }
        Map<Integer, List<StockLot>> there = new HashMap<>();
        lots.stream().forEach(p -> there.put(p, new ArrayList<>()));
        Set<String> items = new HashSet<>();
        lots.stream().forEach(p -> items.add(before.points[p].itemCode));
        for (StockLot lot : rows.stock) {
            if (items.contains(lot.item())) {
                List<StockLot> at = there.get(before.pointOf(lot.item(), lot.site()));
                if (at != null) {
                    at.add(lot);
                }
            }
        }
        parts.stockOf = parts.stockOf.clone();
        there.forEach((p, all) -> parts.stockOf[p] = all.toArray(StockLot[]::new));
        touched.or(lots);
    }
}
