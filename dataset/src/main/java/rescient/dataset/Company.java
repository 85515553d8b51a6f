package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
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
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/** From the rows of a checked dataset to the snapshot that is planned. */
public final class Company {
    static final List<String> WEEKDAYS = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");

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

    private final Dataset dataset;
    private final int today;
    private final SnapshotBuilder builder;
    private final Units units;
    private final String forecastSet;
    /** The stocking unit of each item. */
    private final Map<String, String> unitOf = new HashMap<>();
    /** Of the stock points that have one. */
    private final Map<List<String>, Ratio> yields = new HashMap<>();

    private Company(Dataset dataset, LocalDate today, LocalDate horizonEnd, String forecastSet) {
        this.forecastSet = forecastSet;
        this.dataset = dataset;
        this.today = Math.toIntExact(today.toEpochDay());
        this.builder = Snapshot.builder(this.today, Math.toIntExact(horizonEnd.toEpochDay()));
        this.units = new Units(dataset);
    }

    /** The snapshot of a dataset on a day, up to and including {@code horizonEnd}. */
    public static Snapshot snapshot(Dataset dataset, LocalDate today, LocalDate horizonEnd) {
        return snapshot(dataset, today, horizonEnd, dataset.setting("forecast_set"));
    }

    /** The same with another forecast set than the settings choose; null: none. */
    public static Snapshot snapshot(Dataset dataset, LocalDate today, LocalDate horizonEnd, String forecastSet) {
        return new Company(dataset, today, horizonEnd, forecastSet).build();
    }

    private Snapshot build() {
        String ahead = dataset.setting("release_ahead_days");
        builder.releaseAheadDays(ahead == null ? 0 : Integer.parseInt(ahead));
        Map<String, WorkCalendar> calendars = calendars();
        for (Row site : dataset.rows("sites")) {
            builder.site(site.text("code"), calendars.get(site.text("calendar", "")));
        }
        for (Row supplier : dataset.rows("suppliers")) {
            builder.supplier(supplier.text("code"), calendars.get(supplier.text("calendar", "")));
        }
        workCenters(calendars);
        builder.forecastConsumption(!"false".equals(dataset.setting("forecast_consumption")));
        // the builder keeps each kind for itself, so that several can be added at once; the largest first
        SideBySide.run(
                SideBySide.CORES,
                List.of(
                        () -> each("customer_orders", row -> builder.customerOrder(customerOrder(row))),
                        () -> each("items", this::item),
                        () -> Planning.of(dataset).forEach(row -> {
                            builder.planning(planning(row));
                            if (row.decimal("yield") != null) {
                                yields.put(List.of(row.item(), row.site()), Ratio.of(row.decimal("yield")));
                            }
                        })));
        // these need the units of the items
        SideBySide.run(
                SideBySide.CORES,
                List.of(
                        () -> each("bom_lines", row -> builder.bomLine(bomLine(row))),
                        () -> each("open_order_components", row -> builder.openOrderComponent(component(row))),
                        () -> each("forecasts", this::forecast),
                        () -> each("open_orders", row -> builder.openOrder(openOrder(row))),
                        () -> each("stock", this::stock),
                        () -> each("supplier_items", this::supplierItem),
                        () -> each("shipments", row -> builder.shipment(shipment(row))),
                        () -> each("operations", this::operation)));
        return builder.build();
    }

    private void each(String table, Consumer<Row> fact) {
        dataset.rows(table).forEach(fact);
    }

    private void item(Row row) {
        unitOf.put(row.text("code"), row.text("unit"));
        builder.item(new Item(
                row.text("code"), units.decimals(row.text("unit")), ITEM_KINDS.of(row.text("kind", "stocked"))));
    }

    private Map<String, WorkCalendar> calendars() {
        Map<String, Map<Integer, Boolean>> exceptions = new HashMap<>();
        for (Row row : dataset.rows("calendar_exceptions")) {
            exceptions
                    .computeIfAbsent(row.text("calendar"), c -> new HashMap<>())
                    .put(row.day("date", 0), row.flag("working", false));
        }
        Map<String, WorkCalendar> calendars = new HashMap<>();
        for (Row row : dataset.rows("calendars")) {
            boolean[] weekdays = new boolean[7];
            for (int d = 0; d < 7; d++) {
                weekdays[d] = works(row, d);
            }
            calendars.put(
                    row.text("code"),
                    new WorkCalendar(weekdays, exceptions.getOrDefault(row.text("code"), Map.of()), today));
        }
        return calendars;
    }

    /** Whether a calendar works on a weekday: as given, or Monday to Friday where the day is not set. */
    static boolean works(Row calendar, int weekday) {
        return calendar.flag(WEEKDAYS.get(weekday), weekday < 5);
    }

    /**
     * What a row of the planning table says, with the defaults of its item's group behind it.
     *
     * @param row of an item of the dataset; it need not be one of its rows
     */
    public static PlanningData planning(Dataset dataset, Row row) {
        return planning(Planning.of(dataset, row));
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

    private void workCenters(Map<String, WorkCalendar> calendars) {
        for (Row row : dataset.rows("work_centers")) {
            builder.workCenter(new WorkCenter(
                    row.text("code"),
                    row.text("site"),
                    calendars.get(row.text("calendar", "")),
                    Ratio.of(row.decimal("minutes_per_day")),
                    ratio(row.decimal("efficiency"), Ratio.ONE)));
        }
    }

    private void operation(Row row) {
        builder.operation(new Operation(
                row.text("item"),
                row.text("step"),
                row.text("site"),
                row.text("work_center"),
                ratio(row.decimal("queue_minutes"), Ratio.ZERO),
                ratio(row.decimal("setup_minutes"), Ratio.ZERO),
                ratio(row.decimal("run_minutes_per_unit"), Ratio.ZERO),
                ratio(row.decimal("move_minutes"), Ratio.ZERO)));
    }

    private static Ratio ratio(BigDecimal value, Ratio otherwise) {
        return value == null ? otherwise : Ratio.of(value);
    }

    private BomLine bomLine(Row row) {
        String component = row.text("component");
        String unit = unitOf.get(component);
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

    private void supplierItem(Row row) {
        if (isBase(row)) {
            builder.supplierTerms(terms(row, unitOf.get(row.text("item")), units));
        }
    }

    /** Whether a row of supplier_items holds for every quantity. */
    static boolean isBase(Row row) {
        return row.decimal("from_quantity").signum() == 0;
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

    /** What is in quarantine cannot be planned with. */
    private void stock(Row row) {
        if (!row.flag("quarantined", false)) {
            builder.stock(new StockLot(
                    row.text("item"),
                    row.text("site"),
                    row.text("lot"),
                    row.text("serial"),
                    row.quantity("quantity", 0),
                    row.day("expiry", Integer.MAX_VALUE)));
        }
    }

    private static CustomerOrderLine customerOrder(Row row) {
        return new CustomerOrderLine(
                row.text("number"),
                row.text("line"),
                row.text("item"),
                row.text("site"),
                row.quantity("quantity", 0),
                row.day("due_date", 0),
                row.whole("priority", CustomerOrderLine.DEFAULT_PRIORITY));
    }

    /** Only those of the one set that the settings choose. */
    private void forecast(Row row) {
        if (row.text("set").equals(forecastSet)) {
            builder.forecast(bucket(row));
        }
    }

    private static Shipment shipment(Row row) {
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

    private OpenOrder openOrder(Row row) {
        long open = row.quantity("quantity", 0);
        long ordered = Math.max(open, row.quantity("ordered", open));
        long started = row.quantity("start_quantity", Quantity.NOT_SET);
        if (started == Quantity.NOT_SET) {
            Ratio yield = yields.getOrDefault(List.of(row.text("item"), row.text("site")), Ratio.ONE);
            boolean made = SOURCES.of(row.text("kind")).fromComponents();
            String unit = unitOf.get(row.text("item"));
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

    private static OpenOrderComponent component(Row row) {
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
