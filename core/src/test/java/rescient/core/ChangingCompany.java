package rescient.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Shipment;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/** A company as maps, from which a snapshot can be built anew at any time. */
public final class ChangingCompany {
    private static final int ITEMS = 9;

    public final Random random;
    public final TreeMap<String, Item> items = new TreeMap<>();
    public final TreeMap<String, WorkCalendar> sites = new TreeMap<>();
    public final TreeMap<String, PlanningData> planning = new TreeMap<>();
    public final TreeMap<String, List<BomLine>> bom = new TreeMap<>();
    public final TreeMap<String, StockLot> stock = new TreeMap<>();
    public final TreeMap<String, CustomerOrderLine> orders = new TreeMap<>();
    public final TreeMap<String, Change.Order> open = new TreeMap<>();
    public final TreeMap<String, ForecastBucket> forecasts = new TreeMap<>();
    public final TreeMap<String, Shipment> shipments = new TreeMap<>();
    public final TreeMap<String, List<SupplierTerms>> terms = new TreeMap<>();
    public boolean consumption = true;

    /** No lot sizes, no forecasts and no open orders: nobody gets what was made for somebody else. */
    public final boolean plain;

    public ChangingCompany(long seed) {
        this(seed, false);
    }

    public ChangingCompany(long seed, boolean plain) {
        this.plain = plain;
        random = new Random(seed);
        sites.put("W", WorkCalendar.mondayToFriday(Example.TODAY));
        sites.put("D", WorkCalendar.mondayToFriday(Example.TODAY));
        for (int i = 0; i < ITEMS; i++) {
            items.put("I" + i, new Item("I" + i, 0, i == 4 ? ItemKind.PHANTOM : ItemKind.STOCKED));
            if (i != 4) {
                put(planning(i, "W"));
            }
            if (i < ITEMS - 3) {
                bom.put("I" + i, billOfMaterials(i));
            }
        }
        items.put("K", new Item("K", 0, ItemKind.KIT));
        bom.put("K", List.of(line("K", 0, "I1"), line("K", 1, "I3")));
        put(planning(0, "D"));
        for (int n = 0; n < 12; n++) {
            change();
        }
    }

    private void put(PlanningData data) {
        planning.put(data.item + " " + data.site, data);
    }

    private PlanningData planning(int i, String site) {
        String item = "I" + i;
        boolean depot = site.equals("D");
        Source source = depot ? Source.TRANSFER : i >= ITEMS - 3 ? Source.BUY : Source.MAKE;
        PlanningData data = new PlanningData(item, site, source)
                .fromSite(depot ? "W" : null)
                .leadTimeDays(random.nextInt(6))
                .safetyStock(Quantity.of(random.nextInt(3) * 4))
                .consume(random.nextInt(20), random.nextInt(20));
        if (plain) {
            return data;
        }
        switch (random.nextInt(5)) {
            case 0 ->
                data.rule(PlanningRule.FIXED_QUANTITY)
                        .fixedQuantity(Quantity.of(5 + random.nextInt(20)))
                        .reorderPoint(Quantity.of(random.nextInt(20)));
            case 1 -> data.rule(PlanningRule.PERIOD).period(1 + random.nextInt(2), PeriodUnit.WEEK);
            case 2 -> data.rule(PlanningRule.PER_ORDER);
            default -> data.multiple(Quantity.of(1 + random.nextInt(5)));
        }
        return data;
    }

    private List<BomLine> billOfMaterials(int i) {
        List<BomLine> lines = new ArrayList<>();
        for (int c = i + 1; c < ITEMS; c++) {
            if (random.nextInt(3) == 0) {
                lines.add(line("I" + i, c, "I" + c));
            }
        }
        return lines;
    }

    private BomLine line(String parent, int at, String component) {
        return new BomLine(
                parent,
                Integer.toString(at),
                component,
                new Ratio(1 + random.nextInt(3), 1),
                random.nextInt(6) == 0,
                random.nextInt(4) == 0 ? Example.TODAY + random.nextInt(40) : Integer.MIN_VALUE,
                Integer.MAX_VALUE);
    }

    private String anyItem() {
        return "I" + random.nextInt(ITEMS);
    }

    private int anyDay() {
        return Example.TODAY - 5 + random.nextInt(80);
    }

    /** One change, made here too. */
    public Change change() {
        return switch (plain ? random.nextInt(7) : random.nextInt(14)) {
            case 0, 1, 2, 3 -> customerOrder();
            case 4 -> {
                String number = "C" + random.nextInt(10);
                orders.remove(number);
                yield new Change.NoCustomerOrder(number, "1");
            }
            case 5 -> stock();
            case 6 -> {
                String item = anyItem();
                stock.remove(item);
                yield new Change.NoStock(item, "W", "L", null);
            }
            case 7, 8 -> openOrder();
            case 9 -> {
                String number = "O" + random.nextInt(6);
                open.remove(number);
                yield new Change.NoOrder(number, "1");
            }
            case 10 -> forecast();
            case 11 -> {
                int i = random.nextInt(ITEMS);
                PlanningData data = planning(i == 4 ? 5 : i, "W");
                put(data);
                yield new Change.Planning(data);
            }
            case 12 -> {
                int i = random.nextInt(ITEMS - 3);
                List<BomLine> lines = billOfMaterials(i);
                bom.put("I" + i, lines);
                yield new Change.BillOfMaterials("I" + i, lines);
            }
            default -> other();
        };
    }

    private Change customerOrder() {
        String number = "C" + random.nextInt(10);
        boolean kit = random.nextInt(6) == 0;
        CustomerOrderLine line = new CustomerOrderLine(
                number,
                "1",
                kit ? "K" : anyItem(),
                random.nextInt(5) == 0 ? "D" : "W",
                Quantity.of(1 + random.nextInt(30)),
                anyDay(),
                1 + random.nextInt(9));
        long pieces = line.quantity() / Quantity.ONE;
        if (!plain && !kit && pieces % 7 == 0) {
            line = line.boughtBy(pieces == 7 ? null : "S", line.priority() % 2 == 0);
        }
        orders.put(number, line);
        return new Change.CustomerOrder(line);
    }

    private Change stock() {
        int expiry = random.nextInt(3) == 0 ? anyDay() : Integer.MAX_VALUE;
        StockLot lot = new StockLot(anyItem(), "W", "L", null, Quantity.of(random.nextInt(40)), expiry);
        stock.put(lot.item(), lot);
        return new Change.Stock(lot);
    }

    private Change openOrder() {
        String number = "O" + random.nextInt(6);
        boolean bought = random.nextBoolean();
        OpenOrder order = new OpenOrder(
                number,
                "1",
                bought ? Source.BUY : Source.MAKE,
                random.nextBoolean() ? Stage.RELEASED : Stage.FIRMED,
                anyItem(),
                "W",
                null,
                null,
                Quantity.of(1 + random.nextInt(30)),
                anyDay(),
                anyDay(),
                random.nextInt(5) == 0);
        if (!plain && bought && order.quantity() % Quantity.of(5) == 0) {
            order = forLine(order);
        }
        List<OpenOrderComponent> components = new ArrayList<>();
        for (int c = 0; !bought && c < 2; c++) {
            String component = "I" + (3 * c + random.nextInt(3));
            components.add(
                    new OpenOrderComponent(number, "1", component, Quantity.of(1 + random.nextInt(10)), anyDay()));
        }
        Change.Order change = new Change.Order(order, components);
        open.put(number, change);
        return change;
    }

    /** Bought for one of the customer orders alone, whether that is so bought for or not. */
    private static OpenOrder forLine(OpenOrder order) {
        String number = "C" + Math.floorMod(order.dueDay(), 10);
        return new OpenOrder(
                order.number(),
                order.line(),
                order.kind(),
                order.stage(),
                new Earmark(order.item(), number, "1").code(),
                order.site(),
                null,
                null,
                order.quantity(),
                order.dueDay(),
                order.startDay(),
                order.locked());
    }

    private Change forecast() {
        int week = random.nextInt(8);
        ForecastBucket bucket = new ForecastBucket(
                "BASE",
                "I0",
                random.nextBoolean() ? "W" : "D",
                Example.TODAY + 7 * week,
                PeriodUnit.WEEK,
                Quantity.of(random.nextInt(30)));
        forecasts.put(bucket.site() + week, bucket);
        return new Change.Forecast(bucket);
    }

    private Change other() {
        switch (random.nextInt(5)) {
            case 0 -> {
                Shipment shipment = new Shipment("I0", "W", Example.TODAY - random.nextInt(3), "S1", Quantity.of(3));
                shipments.put(shipment.day() + "", shipment);
                return new Change.Shipped(shipment);
            }
            case 1 -> {
                boolean[] days = {true, true, true, true, random.nextBoolean(), false, false};
                WorkCalendar calendar = new WorkCalendar(days, java.util.Map.of(), Example.TODAY);
                sites.put("W", calendar);
                return new Change.Site("W", calendar);
            }
            case 2 -> {
                String key = "W" + random.nextInt(8);
                ForecastBucket gone = forecasts.remove(key);
                int day = gone == null ? 0 : gone.fromDay();
                return new Change.NoForecast("BASE", "I0", "W", day);
            }
            case 3 -> {
                String item = "I" + (ITEMS - 1 - random.nextInt(3));
                List<SupplierTerms> offered = new ArrayList<>();
                for (int n = random.nextInt(3); n > 0; n--) {
                    offered.add(terms("S" + n, item));
                }
                terms.put(item, offered);
                return new Change.Terms(item, offered);
            }
            default -> {
                consumption = !consumption;
                return new Change.Settings(consumption, 0);
            }
        }
    }

    public SupplierTerms terms(String supplier, String item) {
        return new SupplierTerms(
                supplier,
                item,
                null,
                Quantity.ONE,
                random.nextInt(9) - 1,
                Quantity.NOT_SET,
                Quantity.of(1 + random.nextInt(5)),
                Quantity.NOT_SET,
                random.nextInt(3));
    }

    public Snapshot snapshot() {
        SnapshotBuilder builder = Snapshot.builder(Example.TODAY, Example.day("31 Dec"));
        items.values().forEach(builder::item);
        sites.forEach(builder::site);
        planning.values().forEach(builder::planning);
        bom.values().forEach(lines -> lines.forEach(builder::bomLine));
        terms.values().forEach(offered -> offered.forEach(builder::supplierTerms));
        stock.values().forEach(builder::stock);
        orders.values().forEach(builder::customerOrder);
        open.values().forEach(o -> {
            builder.openOrder(o.order());
            o.components().forEach(builder::openOrderComponent);
        });
        forecasts.values().forEach(builder::forecast);
        shipments.values().forEach(builder::shipment);
        return builder.forecastConsumption(consumption).build();
    }
}
