package rescient.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** One making of a snapshot: numbers the points, resolves kits and sorts rows to their points. */
final class SnapshotAssembly {
    private static final StockLot[] NO_LOTS = {};
    private static final OpenSupply[] NO_ORDERS = {};

    private final Rows rows;
    private final List<Item> itemList;
    private final List<String> siteList;
    private final SnapshotParts parts = new SnapshotParts();
    private final Kits kits;
    private final StockPoints stockPoints;

    SnapshotAssembly(Rows rows) {
        this(rows, Ranks.of(List.of()), Ranks.of(List.of()));
    }

    /** Numbers and lines keep the ranks they have, as long as there is room for those that are new. */
    SnapshotAssembly(Rows rows, Ranks numbers, Ranks lines) {
        parts.numbers = numbers;
        parts.lines = lines;
        this.rows = rows;
        this.itemList = List.copyOf(rows.items.values());
        this.siteList = List.copyOf(rows.sites.keySet());
        parts.itemIndex = positions(rows.items.keySet());
        parts.siteIndex = positions(siteList);
        this.kits = new Kits(rows.items, rows.bomLines);
        parts.documents = new DocumentRows(rows, kits, parts.siteIndex, (item, site) -> pointOf(item, site));
        this.stockPoints = new StockPoints(rows, parts.siteIndex);
    }

    Snapshot assemble() {
        parts.numbers = parts.numbers.covering(numbers());
        parts.lines = parts.lines.covering(lines());
        parts.itemRank =
                itemList.stream().mapToInt(i -> parts.numbers.of(i.code())).toArray();
        parts.siteRank = siteList.stream().mapToInt(parts.numbers::of).toArray();
        parts.network = Network.of(seeds(), siteList.size(), this::pointFor, kits, parts.itemIndex);
        int n = parts.network.points.length;
        stock(n);
        parts.demands = new DocumentDemands[n];
        Arrays.fill(parts.demands, DocumentDemands.NONE);
        kitOrders();
        for (CustomerOrderLine order : rows.customerOrders) {
            parts.documents.add(order, parts.numbers, parts.lines, this::demandsOf);
        }
        openOrders(n);
        new Outlooks(rows, parts, this::pointOf).all();
        pack();
        return new Snapshot(rows, parts);
    }

    /** Lays what belongs to each point side by side, in the order in which points are planned. */
    private void pack() {
        for (int p = 0; p < parts.demands.length; p++) {
            parts.network.points[p] = parts.network.points[p].copy();
            parts.demands[p] = parts.demands[p].packed();
            if (parts.stockOf[p].length > 0) {
                parts.stockOf[p] = parts.stockOf[p].clone();
            }
            if (parts.openOrdersOf[p].length > 0) {
                OpenSupply[] orders = parts.openOrdersOf[p].clone();
                for (int i = 0; i < orders.length; i++) {
                    orders[i] = orders[i].copy();
                }
                parts.openOrdersOf[p] = orders;
            }
        }
    }

    private DocumentDemands demandsOf(int point) {
        if (parts.demands[point] == DocumentDemands.NONE) {
            parts.demands[point] = new DocumentDemands(2);
        }
        return parts.demands[point];
    }

    /** Points that exist whatever the bills of materials say. */
    private Set<Long> seeds() {
        Set<Long> seeds = new LinkedHashSet<>();
        rows.planning.values().forEach(bySite -> bySite.values().forEach(p -> seeds.add(key(p.item, p.site))));
        for (StockLot lot : rows.stock) {
            seeds.add(key(lot.item(), lot.site()));
        }
        for (CustomerOrderLine order : rows.customerOrders) {
            seedParts(order.item(), order.site(), seeds);
        }
        for (ForecastBucket bucket : rows.forecasts) {
            seedParts(bucket.item(), bucket.site(), seeds);
        }
        Map<OpenOrder, List<OpenOrderComponent>> waiting = components();
        for (OpenOrder order : rows.openOrders) {
            seeds.add(key(order.item(), order.site()));
            for (OpenOrderComponent row : waiting.getOrDefault(order, List.of())) {
                seedParts(row.component(), DocumentRows.issuingSite(order), seeds);
            }
        }
        return seeds;
    }

    private void seedParts(String item, String site, Set<Long> seeds) {
        for (Kits.Part part : parts.documents.parts(item)) {
            seeds.add(key(part.component(), site));
        }
    }

    /** What each open order still has to issue; both lie by number and line. */
    private Map<OpenOrder, List<OpenOrderComponent>> components() {
        Map<OpenOrder, List<OpenOrderComponent>> byOrder = new LinkedHashMap<>();
        int o = 0;
        for (OpenOrderComponent row : rows.components) {
            while (o < rows.openOrders.length && compare(rows.openOrders[o], row) < 0) {
                o++;
            }
            if (o == rows.openOrders.length || compare(rows.openOrders[o], row) != 0) {
                throw new PlanningException("There is no open order " + row.number() + " line " + row.line());
            }
            byOrder.computeIfAbsent(rows.openOrders[o], k -> new ArrayList<>()).add(row);
        }
        return byOrder;
    }

    private static int compare(OpenOrder order, OpenOrderComponent row) {
        return DocumentOrder.compare(order.number(), order.line(), row.number(), row.line());
    }

    private void stock(int n) {
        parts.stockOf = new StockLot[n][];
        Arrays.fill(parts.stockOf, NO_LOTS);
        for (StockLot lot : rows.stock) {
            int p = pointOf(lot.item(), lot.site());
            parts.stockOf[p] = appended(parts.stockOf[p], lot);
        }
    }

    private void openOrders(int n) {
        parts.openOrdersOf = new OpenSupply[n][];
        Arrays.fill(parts.openOrdersOf, NO_ORDERS);
        int[] levels = parts.network.levelOfPoints();
        Map<OpenOrder, List<OpenOrderComponent>> waiting = components();
        for (OpenOrder order : rows.openOrders) {
            int[] waitsAt = waitsAt(order, waiting.getOrDefault(order, List.of()));
            int p = pointOf(order.item(), order.site());
            for (int below : waitsAt) {
                parts.ordersWaitBelow &= levels[below] > levels[p];
            }
            OpenSupply supply =
                    new OpenSupply(order, parts.numbers.of(order.number()), parts.lines.of(order.line()), waitsAt);
            parts.openOrdersOf[p] = appended(parts.openOrdersOf[p], supply);
        }
    }

    /** Adds the demands of an open order, and says at which points they are. */
    private int[] waitsAt(OpenOrder order, List<OpenOrderComponent> components) {
        if (components.isEmpty()) {
            return OpenSupply.NOWHERE;
        }
        Set<Integer> points = new LinkedHashSet<>();
        int position = 0;
        for (OpenOrderComponent row : components) {
            position = parts.documents.add(order, row, position, parts.numbers, parts.lines, p -> {
                points.add(p);
                return demandsOf(p);
            });
        }
        return points.stream().mapToInt(Integer::intValue).toArray();
    }

    private void kitOrders() {
        parts.kitOrders = new ArrayList<>();
        for (CustomerOrderLine order : rows.customerOrders) {
            if (parts.documents.item(order.item()).kind() == ItemKind.KIT) {
                int[] points = parts.documents.parts(order.item()).stream()
                        .mapToInt(p -> pointOf(p.component(), order.site()))
                        .distinct()
                        .toArray();
                parts.kitOrders.add(new Snapshot.KitOrder(order, points));
            }
        }
    }

    private StockPoint pointFor(long key) {
        int item = (int) (key / siteList.size());
        int site = (int) (key % siteList.size());
        return stockPoints.of(item, itemList.get(item), site, siteList.get(site));
    }

    private long key(String itemCode, String siteCode) {
        Integer item = parts.itemIndex.get(itemCode);
        if (item == null) {
            throw new PlanningException("There is no item " + itemCode);
        }
        Integer site = parts.siteIndex.get(siteCode);
        if (site == null) {
            throw new PlanningException("There is no site " + siteCode);
        }
        return (long) item * siteList.size() + site;
    }

    private int pointOf(String itemCode, String siteCode) {
        return parts.network.pointOf(key(itemCode, siteCode));
    }

    private Set<String> numbers() {
        Set<String> numbers = new LinkedHashSet<>(rows.items.keySet());
        numbers.addAll(rows.sites.keySet());
        for (CustomerOrderLine order : rows.customerOrders) {
            numbers.add(order.number());
        }
        for (OpenOrder order : rows.openOrders) {
            numbers.add(order.number());
        }
        for (ForecastBucket bucket : rows.forecasts) {
            numbers.add(bucket.set());
        }
        return numbers;
    }

    private Set<String> lines() {
        Set<String> lines = new LinkedHashSet<>();
        for (CustomerOrderLine order : rows.customerOrders) {
            lines.add(order.line());
        }
        for (OpenOrder order : rows.openOrders) {
            lines.add(order.line());
        }
        return lines;
    }

    private static Map<String, Integer> positions(Iterable<String> codes) {
        Map<String, Integer> positions = new HashMap<>();
        codes.forEach(code -> positions.put(code, positions.size()));
        return positions;
    }

    static <T> T[] appended(T[] list, T element) {
        T[] longer = Arrays.copyOf(list, list.length + 1);
        longer[list.length] = element;
        return longer;
    }

    /** By due date; those of one day stay by number and line. */
    static List<CustomerOrderLine> byDueDate(List<CustomerOrderLine> lines) {
        List<CustomerOrderLine> sorted = new ArrayList<>(lines);
        sorted.sort(Comparator.comparingInt(CustomerOrderLine::dueDay));
        return sorted;
    }
}
