package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.base.DocumentOrder;
import rescient.core.base.PlanningException;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Operation;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.company.WorkCenter;

/**
 * Collects the facts of a company in its own words and makes the dense {@link Snapshot} of them. The order in which
 * rows are added does not matter.
 *
 * @see Snapshot#builder(int, int)
 */
public final class SnapshotBuilder {
    final int today;
    final int horizonEnd;
    int releaseAheadDays;
    final TreeMap<String, Item> items = new TreeMap<>(DocumentOrder::byCodePoint);
    final TreeMap<String, WorkCalendar> sites = new TreeMap<>(DocumentOrder::byCodePoint);
    final Map<String, WorkCalendar> suppliers = new HashMap<>();
    final Map<String, Map<String, PlanningData>> planning = new HashMap<>();
    final Map<String, List<BomLine>> bomLines = new HashMap<>();
    final Map<String, List<SupplierTerms>> supplierTerms = new HashMap<>();
    final List<StockLot> stock = new ArrayList<>();
    final List<CustomerOrderLine> customerOrders = new ArrayList<>();
    final List<OpenOrder> openOrders = new ArrayList<>();
    final List<OpenOrderComponent> components = new ArrayList<>();
    final List<ForecastBucket> forecasts = new ArrayList<>();
    final List<Shipment> shipments = new ArrayList<>();
    final Map<String, WorkCenter> workCenters = new HashMap<>();
    final Map<String, List<Operation>> operations = new HashMap<>();
    boolean forecastConsumption = true;

    SnapshotBuilder(int today, int horizonEnd) {
        if (horizonEnd < today) {
            throw new PlanningException("The horizon must not end before today");
        }
        this.today = today;
        this.horizonEnd = horizonEnd;
    }

    /** A start from today to this many calendar days later raises {@code release_due}; default 0. */
    public SnapshotBuilder releaseAheadDays(int days) {
        this.releaseAheadDays = days;
        return this;
    }

    public SnapshotBuilder item(Item item) {
        items.put(item.code(), item);
        return this;
    }

    /** A site; without a calendar (null) Monday to Friday work. */
    public SnapshotBuilder site(String code, WorkCalendar calendar) {
        sites.put(code, calendar == null ? WorkCalendar.mondayToFriday(today) : calendar);
        return this;
    }

    /** A supplier; without a calendar (null) the receiving site's is used. */
    public SnapshotBuilder supplier(String code, WorkCalendar calendar) {
        suppliers.put(code, calendar);
        return this;
    }

    public SnapshotBuilder planning(PlanningData data) {
        // most items are planned at one site
        planning.computeIfAbsent(data.item, i -> new HashMap<>(2)).put(data.site, data);
        return this;
    }

    public SnapshotBuilder bomLine(BomLine line) {
        bomLines.computeIfAbsent(line.parent(), p -> new ArrayList<>(4)).add(line);
        return this;
    }

    public SnapshotBuilder supplierTerms(SupplierTerms terms) {
        supplierTerms.computeIfAbsent(terms.item(), i -> new ArrayList<>(2)).add(terms);
        return this;
    }

    public SnapshotBuilder stock(StockLot lot) {
        stock.add(lot);
        return this;
    }

    public SnapshotBuilder customerOrder(CustomerOrderLine line) {
        customerOrders.add(line);
        return this;
    }

    public SnapshotBuilder openOrder(OpenOrder order) {
        openOrders.add(order);
        return this;
    }

    public SnapshotBuilder openOrderComponent(OpenOrderComponent component) {
        components.add(component);
        return this;
    }

    /** A row of the one forecast set that is used; rows of one item and site must not overlap. */
    public SnapshotBuilder forecast(ForecastBucket bucket) {
        forecasts.add(bucket);
        return this;
    }

    public SnapshotBuilder workCenter(WorkCenter center) {
        workCenters.put(center.code(), center);
        return this;
    }

    public SnapshotBuilder operation(Operation operation) {
        operations.computeIfAbsent(operation.item(), i -> new ArrayList<>()).add(operation);
        return this;
    }

    public SnapshotBuilder shipment(Shipment shipment) {
        shipments.add(shipment);
        return this;
    }

    /** Whether shipments and customer orders consume the forecast; they do unless told otherwise. */
    public SnapshotBuilder forecastConsumption(boolean on) {
        this.forecastConsumption = on;
        return this;
    }

    /**
     * The snapshot of all that was added; the builder is used up.
     *
     * @throws PlanningException if a row names an item, a site or an order that was not added
     */
    public Snapshot build() {
        return new SnapshotAssembly(new Rows(this)).assemble();
    }
}
