package rescient.dataset;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Operation;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Shipment;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.company.WorkCenter;

/** What rows tell: a fact of the calculation for each. */
final class RowFacts {
    private static final Words<ItemKind> ITEM_KINDS = Words.of(ItemKind.class);
    private static final Words<Source> SOURCES = Words.of(Source.class);
    private static final Words<PlanningRule> RULES = Words.of(PlanningRule.class);
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
        boolean[] weekdays = new boolean[7];
        for (int d = 0; d < 7; d++) {
            weekdays[d] = Company.works(row, d);
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

    static PlanningData planning(Planning row) {
        Source source = SOURCES.of(row.text("source"));
        PlanningData data = new PlanningData(row.item(), row.site(), source)
                .supplier(row.text("supplier"))
                .fromSite(row.text("from_site"))
                .safetyStock(row.quantity("safety_stock", 0))
                .reorderPoint(row.quantity("reorder_point", Quantity.NOT_SET))
                .orderUpTo(row.quantity("order_up_to", Quantity.NOT_SET))
                .fixedQuantity(row.quantity("fixed_quantity", Quantity.NOT_SET))
                .minQuantity(row.quantity("min_quantity", Quantity.NOT_SET))
                .maxQuantity(row.quantity("max_quantity", Quantity.NOT_SET))
                .multiple(positive(row.quantity("multiple", 0)))
                .leadTimeDays(row.whole("lead_time_days", 0))
                .safetyTimeDays(row.whole("safety_time_days", 0))
                .frozenDays(row.whole("frozen_days", 0))
                .rescheduleTolerance(row.whole("reschedule_tolerance_days", 0))
                .pullInDays(row.whole("pull_in_days", Integer.MAX_VALUE))
                .demandFenceDays(row.whole("demand_fence_days", 0))
                .consume(row.whole("consume_back_days", 0), row.whole("consume_forward_days", 0));
        if (row.text("rule") != null) {
            data.rule(RULES.of(row.text("rule")));
        }
        if (row.text("period_unit") != null) {
            data.period(row.whole("period_count", 1), UNITS.of(row.text("period_unit")));
        }
        if (row.decimal("yield") != null) {
            data.yield(Ratio.of(row.decimal("yield")));
        }
        if (row.decimal("lead_time_per_unit_days") != null) {
            data.leadTimePerUnit(Ratio.of(row.decimal("lead_time_per_unit_days")));
        }
        return data;
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
        Ratio quantity = Ratio.of(row.quantity("quantity", 0))
                .times(units.factor(component, row.text("unit", unit), unit))
                .times(row.decimal("scrap") == null ? Ratio.ONE : Ratio.of(BigDecimal.ONE.add(row.decimal("scrap"))));
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
                Quantity.step(units.decimals(unit)),
                row.whole("lead_time_days", -1),
                row.quantity("min_quantity", Quantity.NOT_SET),
                positive(row.quantity("multiple", 0)),
                row.quantity("max_quantity", Quantity.NOT_SET),
                row.whole("preference", Integer.MAX_VALUE));
    }

    static StockLot lot(Row row) {
        return new StockLot(
                row.text("item"),
                row.text("site"),
                row.text("lot"),
                row.text("serial"),
                row.quantity("quantity", 0),
                row.day("expiry", Integer.MAX_VALUE));
    }

    static CustomerOrderLine customerOrder(Row row) {
        return new CustomerOrderLine(
                row.text("number"),
                row.text("line"),
                row.text("item"),
                row.text("site"),
                row.quantity("quantity", 0),
                row.day("due_date", 0),
                row.whole("priority", CustomerOrderLine.DEFAULT_PRIORITY));
    }

    static Shipment shipment(Row row) {
        return new Shipment(
                row.text("item"),
                row.text("site"),
                row.day("date", 0),
                row.text("number"),
                row.quantity("quantity", 0));
    }

    static ForecastBucket bucket(Row row) {
        return new ForecastBucket(
                row.text("set"),
                row.text("item"),
                row.text("site"),
                row.day("from_date", 0),
                UNITS.of(row.text("bucket")),
                row.quantity("quantity", 0));
    }

    OpenOrder openOrder(Row row) {
        long open = row.quantity("quantity", 0);
        long ordered = Math.max(open, row.quantity("ordered", open));
        long started = row.quantity("start_quantity", Quantity.NOT_SET);
        if (started == Quantity.NOT_SET) {
            Ratio yield = yieldOf.apply(row.text("item"), row.text("site"));
            boolean made = SOURCES.of(row.text("kind")).fromComponents();
            String unit = unitOf.apply(row.text("item"));
            started = made ? yield.inverse().up(ordered, Quantity.step(units.decimals(unit))) : ordered;
        }
        return new OpenOrder(
                row.text("number"),
                row.text("line"),
                SOURCES.of(row.text("kind")),
                STAGES.of(row.text("stage")),
                row.text("item"),
                row.text("site"),
                row.text("from_site"),
                row.text("supplier"),
                row.quantity("quantity", 0),
                row.day("due_date", 0),
                row.day("start_date", OpenOrder.NO_DAY),
                row.flag("locked", false),
                ordered == 0 ? 0 : Ratio.part(open, ordered).up(started, 1));
    }

    static OpenOrderComponent component(Row row) {
        return new OpenOrderComponent(
                row.text("number"),
                row.text("line"),
                row.text("component"),
                row.quantity("quantity", 0),
                row.day("needed_date", 0));
    }

    /** A multiple of 0 is none. */
    private static long positive(long value) {
        return value == 0 ? Quantity.NOT_SET : value;
    }
}
