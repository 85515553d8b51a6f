package rescient.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** One making of a snapshot: numbers the points, resolves kits and sorts rows to their points. */
final class SnapshotAssembly {
    private final int today;
    private final int horizonEnd;
    private final TreeMap<String, Item> items;
    private final TreeMap<String, WorkCalendar> sites;
    private final Map<String, WorkCalendar> suppliers;
    private final Map<String, Map<String, PlanningData>> planning;
    private final Map<String, List<SupplierTerms>> supplierTerms;
    private final List<StockLot> stock;
    private final List<CustomerOrderLine> customerOrders;
    private final List<OpenOrder> openOrders;
    private final List<OpenOrderComponent> components;
    private final List<ForecastBucket> forecasts;
    private final List<Shipment> shipments;
    private final Map<String, WorkCenter> workCenters;
    private final Map<String, List<Operation>> operations;
    private final List<Item> itemList;
    private final List<String> siteList;
    private final Map<String, Integer> itemIndex;
    private final Map<String, Integer> siteIndex;
    private final Kits kits;
    private final Map<String, Integer> numberRank;
    private final Map<String, Integer> lineRank;
    private Network network;

    SnapshotAssembly(SnapshotBuilder from) {
        this.today = from.today;
        this.horizonEnd = from.horizonEnd;
        this.items = from.items;
        this.sites = from.sites;
        this.suppliers = from.suppliers;
        this.planning = from.planning;
        this.supplierTerms = from.supplierTerms;
        this.stock = from.stock;
        this.customerOrders = from.customerOrders;
        this.openOrders = from.openOrders;
        this.components = from.components;
        this.forecasts = from.forecasts;
        this.shipments = from.shipments;
        this.workCenters = from.workCenters;
        this.operations = from.operations;
        this.itemList = List.copyOf(items.values());
        this.siteList = List.copyOf(sites.keySet());
        this.itemIndex = positions(items.keySet());
        this.siteIndex = positions(sites.keySet());
        this.kits = new Kits(items, from.bomLines);
        this.numberRank = numberRanks();
        this.lineRank = lineRanks();
    }

    /** The parts of a snapshot that are made from the rows. */
    record Assembled(
            Network network,
            StockPoint[] points,
            DemandList[] demands,
            int[][] stockOf,
            int[][] openOrdersOf,
            List<ForecastConsumption.Outlook> outlooks,
            Map<String, Integer> setRank,
            int[] itemRank,
            int[] siteRank) {}

    Assembled assemble() {
        network = Network.of(seeds(), itemList.size(), siteList.size(), this::pointFor, kits, itemIndex);
        int n = network.points.length;
        DemandList[] demands = new DemandList[n];
        int[][] stockOf = new int[n][];
        int[][] ordersOf = new int[n][];
        for (int i = 0; i < stock.size(); i++) {
            append(stockOf, pointOf(stock.get(i).item(), stock.get(i).site()), i);
        }
        for (int i = 0; i < openOrders.size(); i++) {
            append(ordersOf, pointOf(openOrders.get(i).item(), openOrders.get(i).site()), i);
        }
        trim(stockOf);
        trim(ordersOf);
        addCustomerOrders(demands);
        addOpenOrderComponents(demands);
        return new Assembled(
                network,
                network.points,
                demands,
                stockOf,
                ordersOf,
                outlooks(),
                setRanks(),
                itemList.stream().mapToInt(i -> numberRank.get(i.code())).toArray(),
                siteList.stream().mapToInt(numberRank::get).toArray());
    }

    /** Points that exist whatever the bills of materials say. */
    private Set<Long> seeds() {
        Set<Long> seeds = new LinkedHashSet<>();
        planning.values().forEach(bySite -> bySite.values().forEach(p -> seeds.add(key(p.item, p.site))));
        stock.forEach(s -> seeds.add(key(s.item(), s.site())));
        openOrders.forEach(o -> seeds.add(key(o.item(), o.site())));
        customerOrders.forEach(o -> parts(o.item()).forEach(p -> seeds.add(key(p.component(), o.site()))));
        forecasts.forEach(f -> parts(f.item()).forEach(p -> seeds.add(key(p.component(), f.site()))));
        Map<String, OpenOrder> byKey = ordersByKey();
        components.forEach(c -> seeds.add(key(c.component(), issuingSite(orderOf(byKey, c)))));
        return seeds;
    }

    private List<Kits.Part> parts(String item) {
        return kits.resolve(item(item).code());
    }

    private void addCustomerOrders(DemandList[] demands) {
        for (int i = 0; i < customerOrders.size(); i++) {
            CustomerOrderLine order = customerOrders.get(i);
            if (order.dueDay() > horizonEnd || order.quantity() <= 0) {
                continue;
            }
            int day = Math.max(order.dueDay(), today);
            int position = 0;
            for (Kits.Part part : parts(order.item())) {
                if (part.validOn(day)) {
                    long step = Quantity.step(item(part.component()).decimals());
                    add(
                            demands,
                            pointOf(part.component(), order.site()),
                            DemandKind.CUSTOMER_ORDER,
                            i,
                            order.dueDay(),
                            part.needed(order.quantity(), step),
                            order.priority(),
                            order.number(),
                            order.line(),
                            -1,
                            position);
                }
                position++;
            }
        }
    }

    private void addOpenOrderComponents(DemandList[] demands) {
        Map<String, Integer> orderIndex = new HashMap<>();
        for (int i = 0; i < openOrders.size(); i++) {
            orderIndex.put(openOrders.get(i).number() + '\0' + openOrders.get(i).line(), i);
        }
        for (int i = 0; i < components.size(); i++) {
            OpenOrderComponent row = components.get(i);
            Integer index = orderIndex.get(row.number() + '\0' + row.line());
            OpenOrder order = openOrders.get(index);
            if (row.neededDay() > horizonEnd || row.quantity() <= 0) {
                continue;
            }
            boolean transfer = order.kind() == Source.TRANSFER;
            add(
                    demands,
                    pointOf(row.component(), issuingSite(order)),
                    transfer ? DemandKind.TRANSFER : DemandKind.COMPONENT,
                    index,
                    row.neededDay(),
                    row.quantity(),
                    CustomerOrderLine.DEFAULT_PRIORITY,
                    row.number(),
                    row.line(),
                    siteIndex.get(order.site()),
                    i);
        }
    }

    private void add(
            DemandList[] demands,
            int point,
            DemandKind kind,
            int document,
            int ownDay,
            long quantity,
            int priority,
            String number,
            String line,
            int parentSite,
            int position) {
        if (demands[point] == null) {
            demands[point] = new DemandList(2);
        }
        demands[point].add(
                kind,
                document,
                ownDay,
                Math.max(ownDay, today),
                quantity,
                priority,
                numberRank.get(number),
                lineRank.get(line),
                parentSite,
                -1,
                -1,
                position);
    }

    private List<ForecastConsumption.Outlook> outlooks() {
        Map<Long, List<Integer>> rows = new TreeMap<>();
        for (int i = 0; i < forecasts.size(); i++) {
            ForecastBucket bucket = forecasts.get(i);
            rows.computeIfAbsent(key(bucket.item(), bucket.site()), k -> new ArrayList<>())
                    .add(i);
        }
        Map<Long, List<Shipment>> shipped = new HashMap<>();
        shipments.forEach(s -> shipped.computeIfAbsent(key(s.item(), s.site()), k -> new ArrayList<>())
                .add(s));
        Map<Long, List<CustomerOrderLine>> ordered = new HashMap<>();
        customerOrders.forEach(o -> ordered.computeIfAbsent(key(o.item(), o.site()), k -> new ArrayList<>())
                .add(o));
        ordered.values().forEach(lines -> lines.sort(Comparator.comparingInt(CustomerOrderLine::dueDay)));
        List<ForecastConsumption.Outlook> outlooks = new ArrayList<>();
        rows.forEach((key, indices) -> outlooks.add(
                outlook(indices, shipped.getOrDefault(key, List.of()), ordered.getOrDefault(key, List.of()))));
        return outlooks;
    }

    private ForecastConsumption.Outlook outlook(
            List<Integer> rows, List<Shipment> shipped, List<CustomerOrderLine> ordered) {
        ForecastBucket first = forecasts.get(rows.get(0));
        PlanningData data = planning.getOrDefault(first.item(), Map.of())
                .getOrDefault(first.site(), new PlanningData(first.item(), first.site(), Source.NONE));
        List<Kits.Part> parts = parts(first.item());
        return new ForecastConsumption.Outlook(
                sites.get(first.site()),
                data.consumeBackDays,
                data.consumeForwardDays,
                data.demandFenceDays,
                rows.stream().mapToInt(Integer::intValue).toArray(),
                shipped,
                ordered,
                parts,
                parts.stream()
                        .mapToInt(p -> pointOf(p.component(), first.site()))
                        .toArray());
    }

    private Map<String, Integer> setRanks() {
        Map<String, Integer> ranks = new HashMap<>();
        forecasts.forEach(f -> ranks.put(f.set(), numberRank.get(f.set())));
        return ranks;
    }

    private StockPoint pointFor(long key) {
        int itemNumber = (int) (key / siteList.size());
        int siteNumber = (int) (key % siteList.size());
        Item item = itemList.get(itemNumber);
        String site = siteList.get(siteNumber);
        PlanningData data = planning.getOrDefault(item.code(), Map.of())
                .getOrDefault(site, new PlanningData(item.code(), site, Source.NONE));
        WorkCalendar siteCalendar = sites.get(site);
        SupplierTerms terms = data.source == Source.BUY ? termsFor(data) : null;
        String supplier = terms != null ? terms.supplier() : data.supplier;
        WorkCalendar supplierCalendar = supplier == null ? null : suppliers.get(supplier);
        int from = data.fromSite == null ? -1 : siteNumber(data.fromSite);
        WorkCalendar lead = switch (data.source) {
            case BUY -> supplierCalendar != null ? supplierCalendar : siteCalendar;
            case TRANSFER, SUBCONTRACT -> from < 0 ? siteCalendar : sites.get(siteList.get(from));
            default -> siteCalendar;
        };
        return new StockPoint(itemNumber, siteNumber, item, site, data, terms, from, siteCalendar, lead, routing(data));
    }

    /** The operations of a made or assembled point; those that name its site before those for every site. */
    private Routing routing(PlanningData data) {
        if (data.source != Source.MAKE && data.source != Source.ASSEMBLE) {
            return null;
        }
        TreeMap<String, Operation> byStep = new TreeMap<>(DocumentOrder.INSTANCE);
        for (Operation operation : operations.getOrDefault(data.item, List.of())) {
            boolean here = data.site.equals(operation.site());
            if (here || (operation.site() == null && !byStep.containsKey(operation.step()))) {
                byStep.put(operation.step(), operation);
            }
        }
        List<Routing.Step> steps = new ArrayList<>();
        byStep.forEach((step, operation) -> {
            WorkCenter center = workCenters.get(operation.workCenter());
            if (center == null) {
                throw new PlanningException("There is no work center " + operation.workCenter());
            }
            WorkCalendar calendar = center.calendar() != null ? center.calendar() : sites.get(center.site());
            steps.add(new Routing.Step(step, calendar, operation, center.minutesPerDay(), center.efficiency()));
        });
        return steps.isEmpty() ? null : new Routing(steps);
    }

    private SupplierTerms termsFor(PlanningData data) {
        return supplierTerms.getOrDefault(data.item, List.of()).stream()
                .filter(t -> data.supplier == null || data.supplier.equals(t.supplier()))
                .min((a, b) -> {
                    int c = Integer.compare(a.preference(), b.preference());
                    return c != 0 ? c : DocumentOrder.byCodePoint(a.supplier(), b.supplier());
                })
                .orElse(null);
    }

    private Map<String, OpenOrder> ordersByKey() {
        Map<String, OpenOrder> byKey = new HashMap<>();
        openOrders.forEach(o -> byKey.put(o.number() + '\0' + o.line(), o));
        return byKey;
    }

    private OpenOrder orderOf(Map<String, OpenOrder> byKey, OpenOrderComponent row) {
        OpenOrder order = byKey.get(row.number() + '\0' + row.line());
        if (order == null) {
            throw new PlanningException("There is no open order " + row.number() + " line " + row.line());
        }
        return order;
    }

    private String issuingSite(OpenOrder order) {
        boolean elsewhere = order.kind() == Source.TRANSFER || order.kind() == Source.SUBCONTRACT;
        return elsewhere && order.fromSite() != null ? order.fromSite() : order.site();
    }

    private Item item(String code) {
        Item item = items.get(code);
        if (item == null) {
            throw new PlanningException("There is no item " + code);
        }
        return item;
    }

    private int siteNumber(String code) {
        Integer index = siteIndex.get(code);
        if (index == null) {
            throw new PlanningException("There is no site " + code);
        }
        return index;
    }

    private long key(String itemCode, String siteCode) {
        return (long) itemIndex.get(item(itemCode).code()) * siteList.size() + siteNumber(siteCode);
    }

    private int pointOf(String itemCode, String siteCode) {
        return network.pointOf(key(itemCode, siteCode));
    }

    private Map<String, Integer> numberRanks() {
        List<String> numbers = new ArrayList<>(items.keySet());
        numbers.addAll(sites.keySet());
        customerOrders.forEach(o -> numbers.add(o.number()));
        openOrders.forEach(o -> numbers.add(o.number()));
        forecasts.forEach(f -> numbers.add(f.set()));
        return DocumentOrder.ranks(numbers);
    }

    private Map<String, Integer> lineRanks() {
        List<String> lines = new ArrayList<>();
        customerOrders.forEach(o -> lines.add(o.line()));
        openOrders.forEach(o -> lines.add(o.line()));
        return DocumentOrder.ranks(lines);
    }

    private static Map<String, Integer> positions(Set<String> codes) {
        Map<String, Integer> positions = new HashMap<>();
        codes.forEach(code -> positions.put(code, positions.size()));
        return positions;
    }

    /** Appends with room to spare: the first cell holds the length until {@link #trim}. */
    private static void append(int[][] lists, int at, int value) {
        int[] list = lists[at];
        if (list == null) {
            list = new int[3];
        } else if (list[0] + 1 == list.length) {
            list = Arrays.copyOf(list, list.length * 2);
        }
        list[++list[0]] = value;
        lists[at] = list;
    }

    private static void trim(int[][] lists) {
        for (int i = 0; i < lists.length; i++) {
            if (lists[i] != null) {
                lists[i] = Arrays.copyOfRange(lists[i], 1, lists[i][0] + 1);
            }
        }
    }
}
