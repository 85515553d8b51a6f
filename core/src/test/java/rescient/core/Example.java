package rescient.core;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/**
 * A company small enough to be planned by hand. Today is Monday 2 March 2026; works W, depot D and coater C work Monday
 * to Friday; items are counted in pieces. Days are written as "20 Mar".
 */
public final class Example {
    public static final int TODAY = day("2 Mar");
    private static final DateTimeFormatter FORM = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    public final SnapshotBuilder builder;
    private int orders;

    public Example() {
        this(TODAY);
    }

    /** On another day than 2 March. */
    public Example(int today) {
        builder = Snapshot.builder(today, day("31 Dec"));
        builder.site("W", null).site("D", null).site("C", null);
    }

    public static int day(String text) {
        return Math.toIntExact(
                LocalDate.parse(text + " 2026", DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH))
                        .toEpochDay());
    }

    public static String text(int day) {
        return LocalDate.ofEpochDay(day).format(FORM).replace(" 2026", "");
    }

    public static PlanningData make(String item) {
        return new PlanningData(item, "W", Source.MAKE);
    }

    public static PlanningData buy(String item) {
        return new PlanningData(item, "W", Source.BUY).supplier("S");
    }

    public Example items(String... codes) {
        for (String code : codes) {
            builder.item(new Item(code, 0, ItemKind.STOCKED));
        }
        return this;
    }

    public Example item(String code, ItemKind kind) {
        builder.item(new Item(code, 0, kind));
        return this;
    }

    public Example planned(PlanningData... rows) {
        for (PlanningData row : rows) {
            items(row.item);
            builder.planning(row);
        }
        return this;
    }

    public Example bom(String parent, String component, String each) {
        orders++;
        builder.bomLine(new BomLine(
                parent,
                Integer.toString(orders * 10),
                component,
                Ratio.of(new java.math.BigDecimal(each)),
                false,
                Integer.MIN_VALUE,
                Integer.MAX_VALUE));
        return this;
    }

    public Example stock(String item, long pieces) {
        builder.stock(new StockLot(item, "W", null, null, Quantity.of(pieces), Integer.MAX_VALUE));
        return this;
    }

    public Example lot(String item, String lot, long pieces, String expiry) {
        builder.stock(new StockLot(item, "W", lot, null, Quantity.of(pieces), day(expiry)));
        return this;
    }

    /** A customer order at W, numbered 1, 2, 3 … in the order they are written. */
    public Example wanted(String item, long pieces, String day) {
        return wanted(item, "W", pieces, day, 5);
    }

    public Example wanted(String item, String site, long pieces, String day, int priority) {
        orders++;
        builder.customerOrder(new CustomerOrderLine(
                Integer.toString(orders), "1", item, site, Quantity.of(pieces), day(day), priority));
        return this;
    }

    public Example open(String number, Source kind, Stage stage, String item, long pieces, String due) {
        return open(number, kind, stage, item, pieces, due, null, false);
    }

    public Example open(
            String number,
            Source kind,
            Stage stage,
            String item,
            long pieces,
            String due,
            String start,
            boolean locked) {
        builder.openOrder(new OpenOrder(
                number,
                "1",
                kind,
                stage,
                item,
                "W",
                null,
                null,
                Quantity.of(pieces),
                day(due),
                start == null ? OpenOrder.NO_DAY : day(start),
                locked));
        return this;
    }

    public Example stillToIssue(String order, String component, long pieces, String needed) {
        builder.openOrderComponent(new OpenOrderComponent(order, "1", component, Quantity.of(pieces), day(needed)));
        return this;
    }

    public Plan plan() {
        return plan(PlanOptions.ALL);
    }

    public Plan plan(PlanOptions options) {
        return new Planner().plan(builder.build(), options);
    }

    /** Planned orders as "A 20: 17 Mar > 20 Mar" (quantity: start > due), in the plan's order. */
    public static List<String> orders(Plan plan) {
        return plan.plannedOrders().stream()
                .map(o -> o.item() + " " + Quantity.text(o.quantity()) + ": " + text(o.startDay()) + " > "
                        + text(o.dueDay()))
                .toList();
    }

    /** Signals as "push_back P1 10 Mar > 16 Mar"; the order number, or the item if there is none. */
    public static List<String> signals(Plan plan) {
        return plan.signals().stream()
                .map(s -> s.kind().name().toLowerCase(Locale.ROOT)
                        + " " + (s.orderNumber().isEmpty() ? s.item() : s.orderNumber())
                        + (s.day() == OpenOrder.NO_DAY ? "" : " " + text(s.day()))
                        + (s.newDay() == OpenOrder.NO_DAY ? "" : " > " + text(s.newDay())))
                .toList();
    }

    /** Stock points with a fact that cannot be calculated, as "A: what is wrong". */
    public static List<String> unplannable(Plan plan) {
        return plan.signals().stream()
                .filter(s -> s.kind() == Signal.Kind.UNPLANNABLE)
                .map(s -> s.item() + ": "
                        + plan.point(s.item(), s.site()).orElseThrow().unplannable())
                .toList();
    }

    public static List<String> balances(Plan plan, String item) {
        return plan.point(item, "W").orElseThrow().balances().stream()
                .map(b -> text(b.day()) + " " + Quantity.text(b.balance()))
                .toList();
    }
}
