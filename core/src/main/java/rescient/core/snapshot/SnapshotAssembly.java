package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import rescient.core.base.ByPoint;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Parallel;
import rescient.core.base.PlanningException;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PointName;
import rescient.core.company.StockLot;

/** One making of a snapshot: numbers the points, resolves kits and sorts rows to their points. */
final class SnapshotAssembly {
    private static final StockLot[] NO_LOTS = {};

    private final Rows rows;
    private final List<Item> itemList;
    private final List<String> siteList;
    private final SnapshotParts parts = new SnapshotParts();
    private final Kits kits;
    private final StockPoints stockPoints;
    private final ItemSiteIndex orderPlaces;
    private final ItemSiteIndex supplyPlaces;
    private final ItemSiteIndex stockPlaces;
    private final ItemSiteIndex forecastPlaces;
    /** The items of what open orders still have to issue. */
    private int[] componentItem;

    /** See {@link #firstComponents()}. */
    private int[] firstComponent;

    SnapshotAssembly(Rows rows) {
        this(rows, Ranks.of(List.of()), Ranks.of(List.of()));
    }

    /** Numbers and lines keep the ranks they have, as long as there is room for those that are new. */
    SnapshotAssembly(Rows facts, Ranks numbers, Ranks lines) {
        parts.numbers = numbers;
        parts.lines = lines;
        this.rows = EarmarkedRows.of(facts);
        this.itemList = List.copyOf(rows.items.values());
        this.siteList = List.copyOf(rows.sites.keySet());
        parts.itemIndex = positions(rows.items.keySet());
        parts.siteIndex = positions(siteList);
        this.kits = new Kits(itemList, parts.itemIndex, rows.bomLines);
        parts.documents = new DocumentRows(rows, itemList, parts.itemIndex, parts.siteIndex, kits, this::pointAt);
        this.orderPlaces = places(rows.customerOrders, CustomerOrderLine::item, CustomerOrderLine::site);
        this.supplyPlaces = places(Arrays.asList(rows.openOrders), OpenOrder::item, OpenOrder::site);
        this.stockPlaces = places(Arrays.asList(rows.stock), StockLot::item, StockLot::site);
        this.forecastPlaces = places(Arrays.asList(rows.forecasts), ForecastBucket::item, ForecastBucket::site);
        this.componentItem = new int[rows.components.length];
        Parallel.each(0, componentItem.length, (from, to) -> {
            for (int c = from; c < to; c++) {
                componentItem[c] = itemNumber(rows.components[c].component());
            }
        });
        this.stockPoints = new StockPoints(rows, parts.siteIndex);
    }

    /** What cannot be calculated leaves its stock point out, and all below. */
    Snapshot assemble() {
        Impossible impossible = new Impossible();
        firstComponent = firstComponents();
        Parallel.together(
                () -> parts.network = Network.of(seeds(), siteList.size(), this::pointFor, kits, this::isLeftOut),
                this::rankNumbers);
        if (!rows.unplannable.keySet().containsAll(stockPoints.impossible().keySet())) {
            Map<PointName, String> all = new HashMap<>(stockPoints.impossible());
            all.putAll(rows.unplannable);
            return new SnapshotAssembly(rows.with(all), parts.numbers, parts.lines).assemble();
        }
        parts.network.rank(parts.itemRank, parts.siteRank);
        kitOrders();
        Parallel.together(
                this::stock,
                () -> new DemandLayout(
                                rows,
                                parts,
                                kits,
                                this::pointAt,
                                orderPlaces,
                                supplyPlaces,
                                componentItem,
                                firstComponent)
                        .all(impossible),
                () -> new ForecastSeries(rows, parts, this::pointOf).all(forecastPlaces, orderPlaces));
        Snapshot snapshot = new Snapshot(rows, parts);
        return impossible.isEmpty() ? snapshot : snapshot.without(impossible.all());
    }

    private void rankNumbers() {
        parts.numbers = parts.numbers.covering(numbers());
        parts.lines = parts.lines.covering(lines());
        parts.itemRank =
                itemList.stream().mapToInt(i -> parts.numbers.of(i.code())).toArray();
        parts.siteRank = siteList.stream().mapToInt(parts.numbers::of).toArray();
    }

    /** Points that exist whatever the bills of materials say, each once, in order. */
    private long[] seeds() {
        PointKeys seeds = new PointKeys((long) itemList.size() * siteList.size());
        rows.planning.values().forEach(bySite -> bySite.values().forEach(p -> seeds.add(key(p.item, p.site))));
        for (int i = 0; i < rows.stock.length; i++) {
            seeds.add(key(stockPlaces.item[i], stockPlaces.site[i]));
        }
        seedParts(orderPlaces, seeds);
        seedParts(forecastPlaces, seeds);
        for (int o = 0; o < rows.openOrders.length; o++) {
            OpenOrder order = rows.openOrders[o];
            seeds.add(key(supplyPlaces.item[o], supplyPlaces.site[o]));
            int site = firstComponent[o] == firstComponent[o + 1] ? -1 : siteNumber(DocumentRows.issuingSite(order));
            for (int c = firstComponent[o]; c < firstComponent[o + 1]; c++) {
                seedParts(componentItem[c], site, seeds);
            }
        }
        return seeds.inOrder();
    }

    private void seedParts(ItemSiteIndex places, PointKeys seeds) {
        for (int i = 0; i < places.item.length; i++) {
            seedParts(places.item[i], places.site[i], seeds);
        }
    }

    private void seedParts(int item, int site, PointKeys seeds) {
        if (kits.isPassedThrough(item)) {
            kits.resolve(item).forEach(part -> seeds.add(key(part.item(), site)));
        } else {
            seeds.add(key(item, site));
        }
    }

    private <T> ItemSiteIndex places(List<T> list, Function<T, String> item, Function<T, String> site) {
        return ItemSiteIndex.of(list, parts.itemIndex, item, parts.siteIndex, site);
    }

    /**
     * Where the rows of what each open order still has to issue begin, and behind the last where they end; both lie by
     * number and line.
     */
    private int[] firstComponents() {
        int[] first = new int[rows.openOrders.length + 1];
        int c = 0;
        for (int o = 0; o < rows.openOrders.length; o++) {
            first[o] = c;
            while (c < rows.components.length && compare(rows.openOrders[o], rows.components[c]) == 0) {
                c++;
            }
        }
        first[rows.openOrders.length] = c;
        if (c < rows.components.length) {
            OpenOrderComponent row = rows.components[c];
            throw new PlanningException("There is no open order " + row.number() + " line " + row.line());
        }
        return first;
    }

    private static int compare(OpenOrder order, OpenOrderComponent row) {
        if (order.number().equals(row.number()) && order.line().equals(row.line())) {
            return 0;
        }
        return DocumentOrder.compare(order.number(), order.line(), row.number(), row.line());
    }

    private void stock() {
        int n = parts.network.points.length;
        int[] at = new int[rows.stock.length];
        for (int i = 0; i < at.length; i++) {
            at[i] = pointAt(stockPlaces.item[i], stockPlaces.site[i]);
        }
        ByPoint stocked = ByPoint.of(at, n);
        parts.stockOf = new StockLot[n][];
        for (int p = 0; p < n; p++) {
            StockLot[] lots = stocked.count(p) == 0 ? NO_LOTS : new StockLot[stocked.count(p)];
            for (int k = 0; k < lots.length; k++) {
                lots[k] = rows.stock[stocked.row[stocked.start[p] + k]];
            }
            parts.stockOf[p] = lots;
        }
    }

    private void kitOrders() {
        parts.kitOrders = new ArrayList<>();
        for (int i = 0; i < rows.customerOrders.size(); i++) {
            CustomerOrderLine order = rows.customerOrders.get(i);
            int site = orderPlaces.site[i];
            if (kits.isPassedThrough(orderPlaces.item[i])) {
                int[] points = kits.resolve(orderPlaces.item[i]).stream()
                        .mapToInt(p -> pointAt(p.item(), site))
                        .distinct()
                        .toArray();
                parts.kitOrders.add(new Snapshot.KitOrder(order, points));
            }
        }
    }

    private boolean isLeftOut(StockPoint point) {
        return !rows.unplannable.isEmpty()
                && rows.unplannable.containsKey(new PointName(point.itemCode, point.siteCode));
    }

    private StockPoint pointFor(long key) {
        int item = (int) (key / siteList.size());
        int site = (int) (key % siteList.size());
        return stockPoints.ofAny(item, itemList.get(item), site, siteList.get(site));
    }

    private long key(String item, String site) {
        return key(itemNumber(item), siteNumber(site));
    }

    private long key(int item, int site) {
        return (long) item * siteList.size() + site;
    }

    private int itemNumber(String code) {
        return ItemSiteIndex.number(parts.itemIndex, code, "item");
    }

    private int siteNumber(String code) {
        return ItemSiteIndex.number(parts.siteIndex, code, "site");
    }

    private int pointOf(String item, String site) {
        return parts.network.pointOf(key(item, site));
    }

    private int pointAt(int item, int site) {
        return parts.network.pointOf(key(item, site));
    }

    private List<String> numbers() {
        List<String> numbers = new ArrayList<>(rows.items.keySet());
        numbers.addAll(rows.sites.keySet());
        addNew(numbers, rows.customerOrders, CustomerOrderLine::number);
        addNew(numbers, Arrays.asList(rows.openOrders), OpenOrder::number);
        addNew(numbers, Arrays.asList(rows.forecasts), ForecastBucket::set);
        return numbers;
    }

    /** Adds the texts of rows that are not those of the row before. */
    private static <T> void addNew(List<String> texts, List<T> ofRows, Function<T, String> text) {
        String before = null;
        for (T row : ofRows) {
            String here = text.apply(row);
            if (!here.equals(before)) {
                texts.add(here);
            }
            before = here;
        }
    }

    private Set<String> lines() {
        Set<String> lines = new HashSet<>();
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

    /** By due date; those of one day stay by number and line. */
    static List<CustomerOrderLine> byDueDate(List<CustomerOrderLine> lines) {
        List<CustomerOrderLine> sorted = new ArrayList<>(lines);
        sorted.sort(Comparator.comparingInt(CustomerOrderLine::dueDay));
        return sorted;
    }
}
