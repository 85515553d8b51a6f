package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.base.DocumentOrder;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;

/** Applies changes to the rows a snapshot was made from. */
public final class ChangedRows {
    private ChangedRows() {}

    /** A copy of the rows with one change. */
    static Rows of(Rows rows, Change change) {
        Rows next = rows.copy();
        if (change instanceof Change.CustomerOrder c) {
            next.customerOrders = Rows.put(rows.customerOrders, c.line(), Rows.CUSTOMER_ORDERS);
        } else if (change instanceof Change.NoCustomerOrder c) {
            int at = customerOrder(rows, c.number(), c.line());
            next.customerOrders = at < 0 ? rows.customerOrders : rows.customerOrders.without(at);
        } else if (change instanceof Change.Stock c) {
            StockLot lot = c.lot();
            next.stock = Rows.put(
                    withoutLot(rows, lot.item(), lot.site(), lot.lot(), lot.serial()), lot, Rows.FIRST_EXPIRING);
        } else if (change instanceof Change.NoStock c) {
            next.stock = withoutLot(rows, c.item(), c.site(), c.lot(), c.serial());
        } else if (change instanceof Change.Order c) {
            next.openOrders = Rows.put(rows.openOrders, c.order(), Rows.OPEN_ORDERS);
            next.components = components(rows, c.order().number(), c.order().line(), c.components());
        } else if (change instanceof Change.NoOrder c) {
            int at = openOrder(rows, c.number(), c.line());
            next.openOrders = at < 0 ? rows.openOrders : Rows.without(rows.openOrders, at);
            next.components = components(rows, c.number(), c.line(), List.of());
        } else if (change instanceof Change.Forecast c) {
            next.forecasts = Rows.put(rows.forecasts, c.bucket(), Rows.FORECASTS);
        } else if (change instanceof Change.NoForecast c) {
            ForecastBucket key = new ForecastBucket(c.set(), c.item(), c.site(), c.fromDay(), PeriodUnit.DAY, 0);
            int at = Arrays.binarySearch(rows.forecasts, key, Rows.FORECASTS);
            next.forecasts = at < 0 ? rows.forecasts : Rows.without(rows.forecasts, at);
        } else if (change instanceof Change.Shipped c) {
            next.shipments = Rows.put(rows.shipments, c.shipment(), Rows.SHIPMENTS);
        } else {
            master(rows, next, change);
        }
        return next;
    }

    private static void master(Rows rows, Rows next, Change change) {
        if (change instanceof Change.Planning c) {
            next.planning = planning(rows, c.data().item, c.data().site, c.data());
        } else if (change instanceof Change.NoPlanning c) {
            next.planning = planning(rows, c.item(), c.site(), null);
        } else if (change instanceof Change.BillOfMaterials c) {
            List<BomLine> lines = new ArrayList<>(c.lines());
            Rows.byLine(lines);
            next.bomLines = with(rows.bomLines, c.parent(), lines);
        } else if (change instanceof Change.Terms c) {
            next.supplierTerms = with(rows.supplierTerms, c.item(), c.terms());
        } else if (change instanceof Change.Operations c) {
            next.operations = with(rows.operations, c.item(), c.operations());
        } else if (change instanceof Change.Center c) {
            next.workCenters = with(rows.workCenters, c.center().code(), c.center());
        } else if (change instanceof Change.NewItem c) {
            next.items = new TreeMap<>(rows.items);
            next.items.put(c.item().code(), c.item());
        } else if (change instanceof Change.Site c) {
            next.sites = new TreeMap<>(rows.sites);
            next.sites.put(c.code(), c.calendar() != null ? c.calendar() : WorkCalendar.mondayToFriday(rows.today));
        } else if (change instanceof Change.Supplier c) {
            next.suppliers = with(rows.suppliers, c.code(), c.calendar());
        } else if (change instanceof Change.Today c) {
            next.today = c.today();
            next.horizonEnd = c.horizonEnd();
        } else if (change instanceof Change.Settings c) {
            next.forecastConsumption = c.forecastConsumption();
            next.releaseAheadDays = c.releaseAheadDays();
        }
    }

    private static <T> Map<String, T> with(Map<String, T> map, String key, T value) {
        Map<String, T> copy = new HashMap<>(map);
        copy.put(key, value);
        return copy;
    }

    private static Map<String, Map<String, PlanningData>> planning(
            Rows rows, String item, String site, PlanningData data) {
        Map<String, PlanningData> bySite = new HashMap<>(rows.planning.getOrDefault(item, Map.of()));
        if (data == null) {
            bySite.remove(site);
        } else {
            bySite.put(site, data);
        }
        return with(rows.planning, item, bySite);
    }

    /** The place of a line of a customer order, or a negative number. */
    static int customerOrder(Rows rows, String number, String line) {
        return Collections.binarySearch(
                rows.customerOrders, new CustomerOrderLine(number, line, "", "", 0, 0, 0), Rows.CUSTOMER_ORDERS);
    }

    /** All lines of a customer order. */
    public static List<CustomerOrderLine> customerOrders(Rows rows, String number) {
        // no line stands before "0"
        int first = customerOrder(rows, number, "0");
        List<CustomerOrderLine> lines = new ArrayList<>();
        for (int i = first < 0 ? -first - 1 : first;
                i < rows.customerOrders.size()
                        && rows.customerOrders.get(i).number().equals(number);
                i++) {
            lines.add(rows.customerOrders.get(i));
        }
        return lines;
    }

    /** The place of a line of an open order, or a negative number. */
    public static int openOrder(Rows rows, String number, String line) {
        return Arrays.binarySearch(
                rows.openOrders,
                new OpenOrder(number, line, Source.BUY, Stage.FIRMED, "", "", null, null, 0, 0, 0, false),
                Rows.OPEN_ORDERS);
    }

    private static StockLot[] withoutLot(Rows rows, String item, String site, String lot, String serial) {
        for (int i = 0; i < rows.stock.length; i++) {
            StockLot row = rows.stock[i];
            if (row.item().equals(item)
                    && row.site().equals(site)
                    && java.util.Objects.equals(row.lot(), lot)
                    && java.util.Objects.equals(row.serial(), serial)) {
                return Rows.without(rows.stock, i);
            }
        }
        return rows.stock;
    }

    /** What an open order still has to issue. */
    static List<OpenOrderComponent> componentsOf(Rows rows, String number, String line) {
        int from = firstComponent(rows, number, line);
        return List.of(Arrays.copyOfRange(rows.components, from, endOfComponents(rows, from, number, line)));
    }

    private static int firstComponent(Rows rows, String number, String line) {
        int at = Arrays.binarySearch(rows.components, new OpenOrderComponent(number, line, "", 0, 0), Rows.COMPONENTS);
        return at < 0 ? -at - 1 : at;
    }

    private static int endOfComponents(Rows rows, int from, String number, String line) {
        int to = from;
        while (to < rows.components.length
                && DocumentOrder.compare(rows.components[to].number(), rows.components[to].line(), number, line) == 0) {
            to++;
        }
        return to;
    }

    private static OpenOrderComponent[] components(
            Rows rows, String number, String line, List<OpenOrderComponent> instead) {
        List<OpenOrderComponent> sorted = new ArrayList<>(instead);
        sorted.sort(Rows.COMPONENTS);
        int from = firstComponent(rows, number, line);
        int to = endOfComponents(rows, from, number, line);
        OpenOrderComponent[] next = new OpenOrderComponent[rows.components.length - (to - from) + sorted.size()];
        System.arraycopy(rows.components, 0, next, 0, from);
        for (int i = 0; i < sorted.size(); i++) {
            next[from + i] = sorted.get(i);
        }
        System.arraycopy(rows.components, to, next, from + sorted.size(), rows.components.length - to);
        return next;
    }
}
