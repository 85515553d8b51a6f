package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Consumer;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/** What holds for every company, tried on random ones. */
class PlanPropertiesTest {
    private static final int ITEMS = 8;

    /** Rows of a random company, as things to do to a builder. */
    private static List<Consumer<SnapshotBuilder>> company(long seed) {
        Random random = new Random(seed);
        List<Consumer<SnapshotBuilder>> rows = new ArrayList<>();
        for (int i = 0; i < ITEMS; i++) {
            String item = "I" + i;
            boolean bottom = i >= ITEMS - 3;
            PlanningData data = new PlanningData(item, "W", bottom ? Source.BUY : Source.MAKE)
                    .leadTimeDays(random.nextInt(6))
                    .safetyTimeDays(random.nextInt(2))
                    .safetyStock(Quantity.of(random.nextInt(3) * 5));
            switch (random.nextInt(5)) {
                case 0 ->
                    data.rule(PlanningRule.FIXED_QUANTITY)
                            .fixedQuantity(Quantity.of(7 + random.nextInt(20)))
                            .reorderPoint(Quantity.of(random.nextInt(30)));
                case 1 ->
                    data.rule(PlanningRule.MIN_MAX)
                            .reorderPoint(Quantity.of(random.nextInt(20)))
                            .orderUpTo(Quantity.of(20 + random.nextInt(30)));
                case 2 -> data.rule(PlanningRule.PERIOD).period(1 + random.nextInt(2), PeriodUnit.WEEK);
                case 3 -> data.rule(PlanningRule.PER_ORDER);
                default ->
                    data.minQuantity(Quantity.of(random.nextInt(10))).multiple(Quantity.of(1 + random.nextInt(6)));
            }
            if (!bottom && random.nextBoolean()) {
                data.yield(Ratio.of(new java.math.BigDecimal("0.9")));
            }
            rows.add(b -> b.item(new Item(item, 0, ItemKind.STOCKED)));
            rows.add(b -> b.planning(data));
            long stock = random.nextInt(40);
            int expiry = random.nextInt(3) == 0 ? Example.TODAY + random.nextInt(60) : Integer.MAX_VALUE;
            rows.add(b -> b.stock(new StockLot(item, "W", "L1", null, Quantity.of(stock), expiry)));
            for (int c = i + 1; !bottom && c < ITEMS; c++) {
                if (random.nextInt(3) == 0) {
                    String component = "I" + c;
                    long each = 1 + random.nextInt(3);
                    rows.add(b -> b.bomLine(new BomLine(
                            item,
                            component,
                            component,
                            new Ratio(each, 1),
                            false,
                            Integer.MIN_VALUE,
                            Integer.MAX_VALUE)));
                }
            }
        }
        for (int o = 0; o < 12; o++) {
            CustomerOrderLine line = new CustomerOrderLine(
                    "C" + o,
                    "1",
                    "I" + random.nextInt(ITEMS),
                    "W",
                    Quantity.of(1 + random.nextInt(30)),
                    Example.TODAY - 5 + random.nextInt(90),
                    1 + random.nextInt(9));
            rows.add(b -> b.customerOrder(line));
        }
        for (int o = 0; o < 5; o++) {
            OpenOrder order = new OpenOrder(
                    "P" + o,
                    "1",
                    Source.BUY,
                    random.nextBoolean() ? Stage.RELEASED : Stage.FIRMED,
                    "I" + random.nextInt(ITEMS),
                    "W",
                    null,
                    null,
                    Quantity.of(1 + random.nextInt(40)),
                    Example.TODAY - 5 + random.nextInt(90),
                    OpenOrder.NO_DAY,
                    random.nextInt(4) == 0);
            rows.add(b -> b.openOrder(order));
        }
        return rows;
    }

    private static Plan plan(List<Consumer<SnapshotBuilder>> rows) {
        SnapshotBuilder builder = Snapshot.builder(Example.TODAY, Example.day("31 Dec"));
        builder.site("W", null);
        rows.forEach(row -> row.accept(builder));
        return new Planner().plan(builder.build(), PlanOptions.ALL);
    }

    @Property(tries = 300)
    void theOrderOfInputRowsChangesNothing(@ForAll long seed, @ForAll long shuffle) {
        List<Consumer<SnapshotBuilder>> rows = company(seed);
        Plan plan = plan(rows);
        Collections.shuffle(rows, new Random(shuffle));
        Plan other = plan(rows);
        assertThat(other.plannedOrders()).isEqualTo(plan.plannedOrders());
        assertThat(other.signals()).isEqualTo(plan.signals());
        for (PointView point : plan.points()) {
            PointView same = other.point(point.item(), point.site()).orElseThrow();
            assertThat(same.balances()).isEqualTo(point.balances());
            assertThat(same.pegs()).isEqualTo(point.pegs());
        }
    }

    @Property(tries = 300)
    void quantityIsConservedAtEveryStockPoint(@ForAll long seed) {
        for (PointView point : plan(company(seed)).points()) {
            List<Balance> rows = point.balances();
            long stock = point.supplies().stream()
                    .filter(s -> s.kind() == Supply.Kind.STOCK)
                    .mapToLong(Supply::quantity)
                    .sum();
            long supplied =
                    point.supplies().stream().mapToLong(Supply::quantity).sum() - stock;
            long demanded = point.demands().stream().mapToLong(Demand::quantity).sum();
            long expired = rows.stream().mapToLong(Balance::expired).sum();
            assertThat(rows.get(rows.size() - 1).balance()).isEqualTo(stock + supplied - expired - demanded);
        }
    }

    @Property(tries = 300)
    void nothingFallsBelowSafetyStockWithoutASignal(@ForAll long seed) {
        Plan plan = plan(company(seed));
        Set<String> told = new HashSet<>();
        plan.signals().stream()
                .filter(s -> s.kind() == Signal.Kind.BELOW_SAFETY)
                .forEach(s -> told.add(s.item()));
        for (PointView point : plan.points()) {
            boolean below = point.balances().stream().anyMatch(b -> b.balance() < point.safetyStock());
            assertThat(told.contains(point.item())).isEqualTo(below);
        }
    }

    @Property(tries = 300)
    void everyDemandIsPeggedAndNoSupplyTwice(@ForAll long seed) {
        for (PointView point : plan(company(seed)).points()) {
            for (Demand demand : point.demands()) {
                long served = point.pegs().stream()
                        .filter(p -> p.demand().equals(demand))
                        .mapToLong(Peg::quantity)
                        .sum();
                assertThat(served).isEqualTo(demand.quantity());
            }
            for (Supply supply : new HashSet<>(point.supplies())) {
                long used = point.pegs().stream()
                        .filter(p -> p.supply().equals(supply))
                        .mapToLong(Peg::quantity)
                        .sum();
                assertThat(used).isLessThanOrEqualTo(supply.quantity());
            }
        }
    }

    @Property(tries = 300)
    void everySlipAddsUp(@ForAll long seed) {
        for (PointView point : plan(company(seed)).points()) {
            for (PlannedOrder order : point.plannedOrders()) {
                long sum = 0;
                for (Why.Term term : point.whyQuantity(order.sequence()).terms()) {
                    boolean subtotal = term.kind() == Why.Kind.WOULD_BE_LEFT || term.kind() == Why.Kind.POSITION;
                    sum += term.kind().adds() ? term.quantity() : 0;
                    if (subtotal) {
                        assertThat(term.quantity()).isEqualTo(sum);
                    }
                    if (term.kind() == Why.Kind.TO_ORDER) {
                        assertThat(term.quantity()).isEqualTo(order.quantity());
                    }
                }
            }
            for (Balance row : point.balances()) {
                List<Why.Term> terms = point.whyBalance(row.day()).terms();
                assertThat(terms.get(terms.size() - 1).quantity()).isEqualTo(row.balance());
            }
        }
    }

    /** Enough stock points on a level for every core to have many: 300 that are made of 200 that are bought. */
    @Property(tries = 20)
    void theNumberOfThreadsChangesNothing(@ForAll long seed) throws Exception {
        List<Consumer<SnapshotBuilder>> rows = wide(seed);
        ForkJoinPool one = new ForkJoinPool(1);
        Plan plan = one.submit(() -> plan(rows)).get();
        one.shutdown();
        ForkJoinPool four = new ForkJoinPool(4);
        for (int time = 0; time < 3; time++) {
            Plan other = four.submit(() -> plan(rows)).get();
            assertThat(other.plannedOrders()).isEqualTo(plan.plannedOrders());
            assertThat(other.signals()).isEqualTo(plan.signals());
        }
        four.shutdown();
    }

    private static List<Consumer<SnapshotBuilder>> wide(long seed) {
        Random random = new Random(seed);
        List<Consumer<SnapshotBuilder>> rows = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            String part = "P" + i;
            int lead = random.nextInt(9);
            rows.add(b -> b.item(new Item(part, 0, ItemKind.STOCKED)));
            rows.add(b -> b.planning(Example.buy(part).leadTimeDays(lead)));
        }
        for (int i = 0; i < 300; i++) {
            String made = "M" + i;
            rows.add(b -> b.item(new Item(made, 0, ItemKind.STOCKED)));
            rows.add(b -> b.planning(Example.make(made).leadTimeDays(2)));
            for (int line = 0; line < 3; line++) {
                String name = Integer.toString(line);
                String part = "P" + random.nextInt(200);
                Ratio each = new Ratio(1 + random.nextInt(4), 1);
                rows.add(b ->
                        b.bomLine(new BomLine(made, name, part, each, false, Integer.MIN_VALUE, Integer.MAX_VALUE)));
            }
            String number = "S" + i;
            long wanted = Quantity.of(1 + random.nextInt(50));
            int day = Example.TODAY + random.nextInt(40);
            rows.add(b -> b.customerOrder(new CustomerOrderLine(number, "1", made, "W", wanted, day, 5)));
        }
        return rows;
    }

    @Property(tries = 300)
    void whatIsStartedRespectsMinimumAndMultipleAndYieldsWhatIsGood(
            @ForAll @net.jqwik.api.constraints.LongRange(min = 1, max = 500) long wanted,
            @ForAll @net.jqwik.api.constraints.LongRange(min = 0, max = 60) long minimum,
            @ForAll @net.jqwik.api.constraints.LongRange(min = 1, max = 25) long multiple,
            @ForAll @net.jqwik.api.constraints.IntRange(min = 50, max = 100) int yield) {
        PlanningData data = Example.make("A")
                .minQuantity(Quantity.of(minimum))
                .multiple(Quantity.of(multiple))
                .yield(Ratio.of(java.math.BigDecimal.valueOf(yield, 2)));
        PlannedOrder order = new Example()
                .planned(data)
                .wanted("A", wanted, "20 Mar")
                .plan()
                .plannedOrders()
                .get(0);
        long started = order.startQuantity() / Quantity.ONE;
        long good = order.quantity() / Quantity.ONE;
        assertThat(started).isGreaterThanOrEqualTo(minimum);
        assertThat(started % multiple).isZero();
        assertThat(good).isGreaterThanOrEqualTo(wanted);
        assertThat(good).isEqualTo(started * yield / 100);
        // one multiple less would not have been enough
        long less = started - multiple;
        assertThat(less < minimum || less * yield / 100 < wanted).isTrue();
    }

    @Property(tries = 200)
    void aDateIsPossibleOnlyWhenAllItWaitsForIs(@ForAll long seed) {
        Plan plan = plan(company(seed));
        for (PointView point : plan.points()) {
            for (Peg peg : point.pegs()) {
                Integer possible = peg.demand().possibleDay();
                assertThat(possible).isNotNull();
                assertThat(possible)
                        .isGreaterThanOrEqualTo(Math.max(peg.demand().dueDay(), Example.TODAY));
                if (peg.supply().kind() == Supply.Kind.PLANNED) {
                    PlannedOrder order = point.plannedOrders().get(peg.supply().sequence());
                    assertThat(possible).isGreaterThanOrEqualTo(order.possibleDay());
                    assertThat(order.possibleDay()).isGreaterThanOrEqualTo(Math.max(order.dueDay(), Example.TODAY));
                }
            }
        }
    }
}
