package rescient.dataset;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BasicFacts;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.MadeFor;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Operation;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.company.Units;
import rescient.core.company.WorkCenter;

/** What rows tell: a fact of the calculation for each. */
final class RowFacts {
    private static final String OPEN = "open";
    private static final String STOCK = "stock";
    private static final String DIRECT = "direct";
    private static final Words<ItemKind> ITEM_KINDS = Words.of(ItemKind.class);
    private static final Words<Source> SOURCES = Words.of(Source.class);
    private static final Words<PeriodUnit> UNITS = Words.of(PeriodUnit.class);
    private static final Words<Stage> STAGES = Words.of(Stage.class);

    /** What the words of the dataset mean: looked up a million times, so without making a name of each. */
    private record Words<E extends Enum<E>>(Map<String, E> meanings) {
        static <E extends Enum<E>> Words<E> of(Class<E> values) {
            Map<String, E> meanings = new HashMap<>();
            for (E value : values.getEnumConstants()) {
                meanings.put(value.name().toLowerCase(Locale.ROOT), value);
            }
            return new Words<>(meanings);
        }

        E of(String word) {
            return meanings.get(word);
        }
    }

    private final Units units;
    /** The stocking unit of an item. */
    private final UnaryOperator<String> unitOf;
    /** Of an item at a site; 1 where none is set. */
    private final BiFunction<String, String, Ratio> yieldOf;

    RowFacts(Units units, UnaryOperator<String> unitOf, BiFunction<String, String, Ratio> yieldOf) {
        this.units = units;
        this.unitOf = unitOf;
        this.yieldOf = yieldOf;
    }

    Item item(Row row) {
        return new Item(row.text("code"), units.decimals(row.text("unit")), ITEM_KINDS.of(row.text("kind", "stocked")));
    }

    /** @param exceptions whether one works, by day */
    static WorkCalendar calendar(Row row, Map<Integer, Boolean> exceptions, int today) {
        BasicFacts.Calendar calendar = Codec.of(BasicFacts.Calendar.class).read(row);
        boolean[] weekdays = new boolean[7];
        for (int d = 0; d < 7; d++) {
            weekdays[d] = calendar.works(d);
        }
        return new WorkCalendar(weekdays, exceptions, today);
    }

    static WorkCenter workCenter(Row row, WorkCalendar calendar) {
        return new WorkCenter(
                row.text("code"),
                row.text("site"),
                calendar,
                Ratio.of(row.decimal("minutes_per_day")),
                ratio(row.decimal("efficiency"), Ratio.ONE));
    }

    static Operation operation(Row row) {
        return new Operation(
                row.text("item"),
                row.text("step"),
                row.text("site"),
                row.text("work_center"),
                ratio(row.decimal("queue_minutes"), Ratio.ZERO),
                ratio(row.decimal("setup_minutes"), Ratio.ZERO),
                ratio(row.decimal("run_minutes_per_unit"), Ratio.ZERO),
                ratio(row.decimal("move_minutes"), Ratio.ZERO));
    }

    private static Ratio ratio(BigDecimal value, Ratio otherwise) {
        return value == null ? otherwise : Ratio.of(value);
    }

    BomLine bomLine(Row row) {
        String component = row.text("component");
        String unit = unitOf.apply(component);
        Ratio quantity = BomLine.needed(
                Ratio.of(row.quantity("quantity", 0)),
                units.factor(component, row.text("unit", unit), unit),
                row.decimal("scrap"));
        return new BomLine(
                row.text("parent"),
                row.text("line"),
                component,
                quantity,
                "order".equals(row.text("per")),
                row.day("valid_from", Integer.MIN_VALUE),
                row.day("valid_to", Integer.MAX_VALUE),
                row.text("step"));
    }

    /** On which terms a supplier offers an item. */
    SupplierTerms terms(Row row) {
        return terms(row, unitOf.apply(row.text("item")), units);
    }

    /** What a row of supplier_items says of an item that is kept in the unit {@code own}. */
    static SupplierTerms terms(Row row, String own, Units units) {
        String item = row.text("item");
        String unit = row.text("unit", own);
        boolean other = !unit.equals(own);
        return new SupplierTerms(
                row.text("supplier"),
                item,
                other ? units.factor(item, unit, own) : null,
                units.step(unit),
                row.whole("lead_time_days", -1),
                row.quantity("min_quantity", Quantity.NOT_SET),
                PlanningData.multiple(row.decimal("multiple")),
                row.quantity("max_quantity", Quantity.NOT_SET),
                row.whole("preference", Integer.MAX_VALUE),
                row.day("valid_from", Integer.MIN_VALUE),
                row.day("valid_to", Integer.MAX_VALUE));
    }

    static StockLot lot(Row row) {
        return new StockLot(
                itemOf(row),
                row.text("site"),
                row.text("lot"),
                row.text("serial"),
                row.quantity("quantity", 0),
                row.day("expiry", Integer.MAX_VALUE));
    }

    /** Whether a row of customer_orders is planned for: a quote is not yet, what is done or cancelled not any more. */
    static boolean counts(Row row) {
        return row.text("state", OPEN).equals(OPEN);
    }

    /** @param parts of the kit for this line alone; none: those of its bill of materials */
    static CustomerOrderLine customerOrder(Row row, List<Row> parts) {
        CustomerOrderLine line = new CustomerOrderLine(
                row.text("number"),
                row.text("line"),
                row.text("item"),
                row.text("site"),
                row.quantity("quantity", 0),
                row.day("due_date", 0),
                row.whole("priority", CustomerOrderLine.DEFAULT_PRIORITY));
        if (!parts.isEmpty()) {
            return line.of(parts.stream()
                    .sorted(Comparator.comparing(part -> part.text("component"), DocumentOrder::byCodePoint))
                    .map(part ->
                            new CustomerOrderLine.KitPart(part.text("component"), Ratio.of(part.decimal("quantity"))))
                    .toList());
        }
        String supply = row.text("supply", STOCK);
        return supply.equals(STOCK) ? line : line.boughtBy(row.text("supplier"), supply.equals(DIRECT));
    }

    /** The item of an open order: only what is bought is for a line alone. */
    private static String itemOf(Row order, Source kind) {
        return kind == Source.BUY ? itemOf(order) : order.text("item");
    }

    /** The item of a lot or a purchase: of what is for one line alone, its earmark. */
    static String itemOf(Row row) {
        String item = row.text("item");
        String number = row.text("for_order");
        String line = row.text("for_line");
        return number != null && line != null ? new Earmark(item, number, line).code() : item;
    }

    static Shipment shipment(Row row) {
        return new Shipment(
                row.text("item"),
                row.text("site"),
                row.day("date", 0),
                row.text("number"),
                row.text("line", ""),
                row.quantity("quantity", 0));
    }

    static ForecastBucket bucket(Row row) {
        return bucket(row, row.quantity("quantity", 0));
    }

    /** A bucket with its days alone: its quantity may be none. */
    static ForecastBucket span(Row row) {
        return bucket(row, 0);
    }

    private static ForecastBucket bucket(Row row, long quantity) {
        return new ForecastBucket(
                row.text("set"),
                row.text("item"),
                row.text("site"),
                row.day("from_date", 0),
                UNITS.of(row.text("bucket")),
                quantity);
    }

    OpenOrder openOrder(Row row) {
        Source kind = SOURCES.of(row.text("kind"));
        long open = row.quantity("quantity", 0);
        String item = row.text("item");
        String site = row.text("site");
        return new OpenOrder(
                row.text("number"),
                row.text("line"),
                kind,
                STAGES.of(row.text("stage")),
                itemOf(row, kind),
                site,
                row.text("from_site"),
                row.text("supplier"),
                open,
                row.day("confirmed_date", row.day("due_date", 0)),
                row.day("start_date", OpenOrder.NO_DAY),
                row.flag("locked", false),
                OpenOrder.toStart(
                        kind,
                        open,
                        row.quantity("ordered", Quantity.NOT_SET),
                        row.quantity("start_quantity", Quantity.NOT_SET),
                        yieldOf.apply(item, site),
                        units.step(unitOf.apply(item))),
                MadeFor.of(kind, row.text("for_order"), row.text("for_line")));
    }

    static OpenOrderComponent component(Row row) {
        return new OpenOrderComponent(
                row.text("number"),
                row.text("line"),
                row.text("component"),
                row.quantity("quantity", 0),
                row.day("needed_date", 0));
    }
}
