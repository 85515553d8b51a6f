package rescient.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** A plan after changes is the plan that a full calculation of the changed company makes, value for value. */
class AfterTest {
    /** A company as maps, from which a snapshot can be built anew at any time. */
    static final class Model {
        private static final int ITEMS = 9;

        final Random random;
        final TreeMap<String, Item> items = new TreeMap<>();
        final TreeMap<String, WorkCalendar> sites = new TreeMap<>();
        final TreeMap<String, PlanningData> planning = new TreeMap<>();
        final TreeMap<String, List<BomLine>> bom = new TreeMap<>();
        final TreeMap<String, StockLot> stock = new TreeMap<>();
        final TreeMap<String, CustomerOrderLine> orders = new TreeMap<>();
        final TreeMap<String, Change.Order> open = new TreeMap<>();
        final TreeMap<String, ForecastBucket> forecasts = new TreeMap<>();
        final TreeMap<String, Shipment> shipments = new TreeMap<>();
        final TreeMap<String, List<SupplierTerms>> terms = new TreeMap<>();
        boolean consumption = true;

        /** No lot sizes, no forecasts and no open orders: nobody gets what was made for somebody else. */
        final boolean plain;

        Model(long seed) {
            this(seed, false);
        }

        Model(long seed, boolean plain) {
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
        Change change() {
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
                    Shipment shipment =
                            new Shipment("I0", "W", Example.TODAY - random.nextInt(3), "S1", Quantity.of(3));
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

        private SupplierTerms terms(String supplier, String item) {
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

        Snapshot snapshot() {
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

    private static void assertSame(Plan plan, Plan full) {
        assertThat(plan.plannedOrders()).isEqualTo(full.plannedOrders());
        assertThat(plan.signals()).isEqualTo(full.signals());
        assertThat(plan.points()).hasSameSizeAs(full.points());
        for (PointView point : full.points()) {
            PointView same = plan.point(point.item(), point.site()).orElseThrow();
            assertThat(same.demands()).isEqualTo(point.demands());
            assertThat(same.pegs()).isEqualTo(point.pegs());
            assertThat(same.balances()).isEqualTo(point.balances());
            for (PlannedOrder order : point.plannedOrders()) {
                assertThat(same.needs(order.sequence())).isEqualTo(point.needs(order.sequence()));
            }
        }
    }

    @Property(tries = 800)
    void aPlanAfterChangesIsTheFullPlan(@ForAll long seed) {
        Model model = new Model(seed);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        for (int step = 0; step < 12; step++) {
            List<Change> changes = new ArrayList<>();
            int together = 1 + model.random.nextInt(2);
            for (int i = 0; i < together; i++) {
                changes.add(model.change());
            }
            plan = plan.after(changes);
            assertSame(plan, new Planner().plan(model.snapshot(), PlanOptions.ALL));
        }
    }

    /** What cannot change who asks whom leaves the network as it lies in memory. */
    @Test
    void planningTermsAndForecastsArePutInPlace() {
        Model model = new Model(7);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        int[] edges = plan.snapshot.network.edgeTo;
        PlanningData slower = new PlanningData("I8", "W", Source.BUY).leadTimeDays(30);
        plan = plan.after(List.of(
                new Change.Planning(slower),
                new Change.Terms("I7", List.of(model.terms("S1", "I7"))),
                new Change.Shipped(new Shipment("I0", "W", Example.TODAY, "S9", Quantity.ONE))));

        assertThat(plan.snapshot.network.edgeTo).isSameAs(edges);
        assertThat(plan.snapshot.points[plan.snapshot.pointOf("I8", "W")].leadTimeDays)
                .isEqualTo(30);

        PlanningData made = new PlanningData("I8", "W", Source.TRANSFER).fromSite("D");
        assertThat(plan.after(List.of(new Change.Planning(made))).snapshot.network.edgeTo)
                .isNotEqualTo(edges);
    }

    @Property(tries = 200)
    void whatIsLeftOutStaysLeftOut(@ForAll long seed) {
        Model model = new Model(seed);
        PlanOptions options = new PlanOptions(
                java.util.Set.of(PlanOptions.Kind.values()[Math.floorMod(seed, 8)]),
                java.util.Set.of(new PlanOptions.Line("C1", "1")));
        Plan plan = new Planner().plan(model.snapshot(), options);
        for (int step = 0; step < 6; step++) {
            plan = plan.after(List.of(model.change()));
            assertSame(plan, new Planner().plan(model.snapshot(), options));
        }
    }

    @Property(tries = 1000)
    void aDemandLeftOutNeverMakesAnotherLater(@ForAll long seed) {
        Model model = new Model(seed, true);
        Snapshot snapshot = model.snapshot();
        var before = possible(new Planner().plan(snapshot, PlanOptions.ALL));
        for (CustomerOrderLine line : model.orders.values()) {
            PlanOptions without =
                    new PlanOptions(java.util.Set.of(), java.util.Set.of(new PlanOptions.Line(line.number(), "1")));
            possible(new Planner().plan(snapshot, without)).forEach((demand, day) -> {
                assertThat(day).as(demand).isLessThanOrEqualTo(before.get(demand));
            });
        }
    }

    /** The possible day of each customer order line at each stock point, the end of time if there is none. */
    private static java.util.Map<String, Integer> possible(Plan plan) {
        java.util.Map<String, Integer> days = new TreeMap<>();
        for (PointView point : plan.points()) {
            for (Demand demand : point.demands()) {
                if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
                    Integer day = demand.possibleDay();
                    days.merge(point.item() + " " + demand.number(), day == null ? Integer.MAX_VALUE : day, Math::max);
                }
            }
        }
        return days;
    }

    @Test
    void onlyWhatAChangeTouchesIsPlannedAgain() {
        // A is made of B; X of Y. An order for A more touches A and B, and leaves X and Y what they were.
        Example example = new Example()
                .planned(
                        Example.make("A").leadTimeDays(1),
                        Example.buy("B").leadTimeDays(2),
                        Example.make("X").leadTimeDays(1),
                        Example.buy("Y").leadTimeDays(2));
        example.bom("A", "B", "2").bom("X", "Y", "1");
        example.builder.customerOrder(line("1", "X", 4));
        Plan before = new Planner().plan(example.builder.build(), PlanOptions.ALL);
        Plan after = before.after(List.of(new Change.CustomerOrder(line("2", "A", 3))));
        assertThat(after.point("B", "W").orElseThrow().plannedOrders())
                .singleElement()
                .extracting(PlannedOrder::quantity)
                .isEqualTo(Quantity.of(6));
        for (String item : List.of("X", "Y")) {
            int p = before.snapshot.pointOf(item, "W");
            assertThat(after.plans.get(p)).isSameAs(before.plans.get(p));
        }
    }

    private static CustomerOrderLine line(String number, String item, int pieces) {
        return new CustomerOrderLine(number, "1", item, "W", Quantity.of(pieces), Example.day("20 Mar"), 5);
    }
}
