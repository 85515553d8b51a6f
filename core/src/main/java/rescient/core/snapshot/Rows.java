package rescient.core.snapshot;

import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntFunction;
import rescient.core.base.ChunkedList;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Parallel;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Operation;
import rescient.core.company.PlanningData;
import rescient.core.company.PointName;
import rescient.core.company.Shipment;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.company.WorkCenter;

/**
 * The facts a snapshot was made from, in the one order that does not depend on how they came. Never changed: a change
 * makes a copy that shares what stayed.
 */
public final class Rows implements Cloneable {
    int today;
    int horizonEnd;
    int releaseAheadDays;
    boolean forecastConsumption;
    public TreeMap<String, Item> items;
    TreeMap<String, WorkCalendar> sites;
    /** Of what never comes to a site. */
    final WorkCalendar everyDay;

    Map<String, WorkCalendar> suppliers;
    Map<String, Map<String, PlanningData>> planning;
    /** Each list by line. */
    Map<String, List<BomLine>> bomLines;

    Map<String, List<SupplierTerms>> supplierTerms;
    Map<String, WorkCenter> workCenters;
    Map<String, List<Operation>> operations;
    /** First-expiring first, then by lot and serial number. */
    StockLot[] stock;
    /** By number and line; so are the next two. */
    public ChunkedList<CustomerOrderLine> customerOrders;

    public OpenOrder[] openOrders;
    OpenOrderComponent[] components;
    ForecastBucket[] forecasts;
    Shipment[] shipments;
    /** The items among the others that are {@link EarmarkedRows} only. */
    Set<String> earmarks = Set.of();
    /** Stock points with a fact that cannot be calculated, each with what is wrong. */
    public Map<PointName, String> unplannable = Map.of();

    static final Comparator<StockLot> FIRST_EXPIRING = Comparator.comparingInt(StockLot::expiry)
            .thenComparing(lot -> text(lot.lot()), DocumentOrder.INSTANCE)
            .thenComparing(lot -> text(lot.serial()), DocumentOrder.INSTANCE)
            .thenComparing(StockLot::item, DocumentOrder::byCodePoint)
            .thenComparing(StockLot::site, DocumentOrder::byCodePoint);
    public static final Comparator<CustomerOrderLine> CUSTOMER_ORDERS =
            (a, b) -> DocumentOrder.compare(a.number(), a.line(), b.number(), b.line());
    static final Comparator<OpenOrder> OPEN_ORDERS =
            (a, b) -> DocumentOrder.compare(a.number(), a.line(), b.number(), b.line());
    static final Comparator<OpenOrderComponent> COMPONENTS = (a, b) -> {
        int c = DocumentOrder.compare(a.number(), a.line(), b.number(), b.line());
        return c != 0 ? c : DocumentOrder.byCodePoint(a.component(), b.component());
    };
    static final Comparator<ForecastBucket> FORECASTS = Comparator.comparingInt(ForecastBucket::fromDay)
            .thenComparing(ForecastBucket::item, DocumentOrder::byCodePoint)
            .thenComparing(ForecastBucket::site, DocumentOrder::byCodePoint)
            .thenComparing(ForecastBucket::set, DocumentOrder::byCodePoint);
    static final Comparator<Shipment> SHIPMENTS = Comparator.comparingInt(Shipment::day)
            .thenComparing(Shipment::number, DocumentOrder.INSTANCE)
            .thenComparing(Shipment::line, DocumentOrder.INSTANCE)
            .thenComparing(Shipment::item, DocumentOrder::byCodePoint)
            .thenComparing(Shipment::site, DocumentOrder::byCodePoint);

    Rows(SnapshotBuilder from) {
        this.today = from.today;
        this.horizonEnd = from.horizonEnd;
        this.releaseAheadDays = from.releaseAheadDays;
        this.forecastConsumption = from.forecastConsumption;
        this.items = from.items;
        this.sites = from.sites;
        this.everyDay = WorkCalendar.everyDay(from.today);
        this.suppliers = from.suppliers;
        this.planning = from.planning;
        this.bomLines = from.bomLines;
        this.supplierTerms = from.supplierTerms;
        this.workCenters = from.workCenters;
        this.operations = from.operations;
        Parallel.together(
                () -> customerOrders = ChunkedList.of(
                        Arrays.asList(sorted(from.customerOrders, CUSTOMER_ORDERS, CustomerOrderLine[]::new)),
                        CustomerOrderLine[]::new),
                () -> components = sorted(from.components, COMPONENTS, OpenOrderComponent[]::new),
                () -> forecasts = sorted(from.forecasts, FORECASTS, ForecastBucket[]::new),
                () -> openOrders = sorted(from.openOrders, OPEN_ORDERS, OpenOrder[]::new),
                () -> stock = sorted(from.stock, FIRST_EXPIRING, StockLot[]::new),
                () -> bomLines.values().forEach(Rows::byLine),
                () -> shipments = sorted(from.shipments, SHIPMENTS, Shipment[]::new));
    }

    /** How an item is planned at a site; without a row it has no source. */
    PlanningData planning(String item, String site) {
        PlanningData data = planning.getOrDefault(item, Map.of()).get(site);
        return data != null ? data : PlanningData.absent(item, site);
    }

    static void byLine(List<BomLine> lines) {
        lines.sort((a, b) -> DocumentOrder.INSTANCE.compare(a.line(), b.line()));
    }

    /** The same with other stock points that cannot be planned. */
    Rows with(Map<PointName, String> others) {
        Rows copy = copy();
        copy.unplannable = Map.copyOf(others);
        return copy;
    }

    Rows copy() {
        try {
            return (Rows) clone();
        } catch (CloneNotSupportedException e) {
            throw new AssertionError(e);
        }
    }

    private static <T> T[] sorted(List<T> rows, Comparator<T> order, IntFunction<T[]> array) {
        T[] all = rows.toArray(array);
        Arrays.parallelSort(all, order);
        return all;
    }

    /** The rows with this one in the place of the one that is equal to it by order, or between the others. */
    static <T> T[] put(T[] rows, T row, Comparator<T> order) {
        int at = Arrays.binarySearch(rows, row, order);
        if (at >= 0) {
            T[] copy = rows.clone();
            copy[at] = row;
            return copy;
        }
        int to = -at - 1;
        T[] more = Arrays.copyOf(rows, rows.length + 1);
        System.arraycopy(rows, to, more, to + 1, rows.length - to);
        more[to] = row;
        return more;
    }

    /** The same with rows that share what stays. */
    static <T> ChunkedList<T> put(ChunkedList<T> rows, T row, Comparator<T> order) {
        int at = Collections.binarySearch(rows, row, order);
        return at >= 0 ? rows.with(at, row) : rows.inserted(-at - 1, row);
    }

    /** The rows without the one at this place. */
    static <T> T[] without(T[] rows, int at) {
        T[] fewer = Arrays.copyOf(rows, rows.length - 1);
        System.arraycopy(rows, at + 1, fewer, at, rows.length - at - 1);
        return fewer;
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
