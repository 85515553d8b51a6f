package rescient.dataset;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ForecastFacts;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.StockFacts;

/**
 * From a row of a table to the fact that it tells, and back. A column belongs to the component of the same name
 * ({@code lead_time_days} to {@code leadTimeDays}); a component that is a record itself holds columns of its own.
 *
 * @param <F> the facts of the table
 */
public final class Codec<F extends Fact> {
    /** How a value is read from a text that is not empty, and written. */
    private record Value(Function<String, Object> read, Function<Object, String> write) {}

    private static final Map<Class<?>, Value> VALUES = Map.of(
            String.class, new Value(text -> text, Object::toString),
            BigDecimal.class,
                    new Value(BigDecimal::new, value -> Texts.withoutZeros(((BigDecimal) value).toPlainString())),
            LocalDate.class, new Value(text -> LocalDate.ofEpochDay(Texts.day(text)), Object::toString),
            Integer.class, new Value(Integer::valueOf, Object::toString),
            int.class, new Value(Integer::valueOf, Object::toString),
            Boolean.class, new Value(Boolean::valueOf, Object::toString),
            boolean.class, new Value(Boolean::valueOf, Object::toString));

    private static final Map<Class<? extends Fact>, Codec<?>> ALL = new LinkedHashMap<>();

    static {
        put(BasicFacts.Setting.class, "settings");
        put(BasicFacts.Calendar.class, "calendars");
        put(BasicFacts.CalendarException.class, "calendar_exceptions");
        put(BasicFacts.Unit.class, "units");
        put(BasicFacts.Site.class, "sites");
        put(PartnerFacts.Supplier.class, "suppliers");
        put(PartnerFacts.Customer.class, "customers");
        put(ItemFacts.ItemGroup.class, "item_groups");
        put(ItemFacts.Item.class, "items");
        put(BasicFacts.UnitConversion.class, "unit_conversions");
        put(ItemFacts.Planning.class, "planning");
        put(MakingFacts.BomLine.class, "bom_lines");
        put(ItemFacts.AlternativeItem.class, "alternative_items");
        put(MakingFacts.WorkCenter.class, "work_centers");
        put(MakingFacts.Operation.class, "operations");
        put(PartnerFacts.SupplierItem.class, "supplier_items");
        put(StockFacts.Stock.class, "stock");
        put(OrderFacts.CustomerOrder.class, "customer_orders");
        put(OrderFacts.CustomerOrderPart.class, "customer_order_parts");
        put(ForecastFacts.Forecast.class, "forecasts");
        put(StockFacts.Shipment.class, "shipments");
        put(ForecastFacts.HistoryCorrection.class, "history_corrections");
        put(ForecastFacts.ForecastChoice.class, "forecast_choices");
        put(ForecastFacts.ForecastAdjustment.class, "forecast_adjustments");
        put(ForecastFacts.ForecastVersion.class, "forecast_versions");
        put(InvoiceFacts.ApprovalLimit.class, "approval_limits");
        put(InvoiceFacts.Invoice.class, "invoices");
        put(InvoiceFacts.InvoiceLine.class, "invoice_lines");
        put(StockFacts.Lot.class, "lots");
        put(StockFacts.LotTest.class, "lot_tests");
        put(OrderFacts.OpenOrder.class, "open_orders");
        put(OrderFacts.OpenOrderComponent.class, "open_order_components");
    }

    /** A record whose components are columns, or records of columns. */
    private record Shape(MethodHandle maker, List<Part> parts) {}

    /**
     * A component of a record.
     *
     * @param column its place in the table; negative if {@code below} has columns of its own
     */
    private record Part(MethodHandle getter, int column, Value value, Shape below) {}

    private final Table table;
    private final Shape shape;

    private Codec(Table table, Class<F> kind) {
        this.table = table;
        this.shape = shape(table, kind);
    }

    private static <F extends Fact> void put(Class<F> kind, String table) {
        ALL.put(kind, new Codec<>(Table.named(table), kind));
    }

    /** The codec of the facts of a kind. */
    @SuppressWarnings("unchecked") // put with the class that it belongs to
    public static <F extends Fact> Codec<F> of(Class<F> kind) {
        return (Codec<F>) ALL.get(kind);
    }

    /** All of them, in the order of the tables. */
    static List<Codec<?>> all() {
        return List.copyOf(ALL.values());
    }

    /** The table whose rows tell these facts. */
    public Table table() {
        return table;
    }

    /** The columns that belong to components, in their order. */
    List<String> columns() {
        List<String> columns = new ArrayList<>();
        columns(shape, columns);
        return columns;
    }

    private void columns(Shape of, List<String> into) {
        for (Part part : of.parts) {
            if (part.below == null) {
                into.add(table.columns().get(part.column).name());
            } else {
                columns(part.below, into);
            }
        }
    }

    /** What a row tells. */
    @SuppressWarnings("unchecked") // the maker is that of the codec's own kind
    public F read(Row row) {
        return (F) read(row, shape);
    }

    private static Object read(Row row, Shape shape) {
        Object[] values = new Object[shape.parts.size()];
        for (int i = 0; i < values.length; i++) {
            Part part = shape.parts.get(i);
            if (part.below != null) {
                values[i] = read(row, part.below);
            } else {
                String text = row.at(part.column);
                values[i] = text.isEmpty() ? null : part.value.read.apply(text);
            }
        }
        return made(shape.maker, values);
    }

    /** The row that tells a fact. */
    public Row write(F fact) {
        String[] texts = new String[table.columns().size()];
        Arrays.fill(texts, "");
        write(fact, shape, texts);
        return new Row(table, 0, texts);
    }

    private static void write(Object of, Shape shape, String[] texts) {
        for (Part part : shape.parts) {
            Object value = got(part.getter, of);
            if (part.below != null) {
                write(value, part.below, texts);
            } else if (value != null) {
                texts[part.column] = part.value.write.apply(value);
            }
        }
    }

    private static Shape shape(Table table, Class<?> kind) {
        RecordComponent[] components = kind.getRecordComponents();
        List<Part> parts = new ArrayList<>();
        try {
            for (RecordComponent component : components) {
                MethodHandle getter = MethodHandles.publicLookup()
                        .unreflect(component.getAccessor())
                        .asType(MethodType.methodType(Object.class, Object.class));
                Class<?> type = component.getType();
                if (type.isRecord()) {
                    parts.add(new Part(getter, -1, null, shape(table, type)));
                } else {
                    parts.add(new Part(getter, column(table, component.getName()), value(type), null));
                }
            }
            Class<?>[] types =
                    Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
            MethodHandle maker = MethodHandles.publicLookup()
                    .unreflectConstructor(kind.getConstructor(types))
                    .asSpreader(Object[].class, types.length)
                    .asType(MethodType.methodType(Object.class, Object[].class));
            return new Shape(maker, List.copyOf(parts));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("No facts of " + table + " can be made of " + kind, e);
        }
    }

    private static int column(Table table, String component) {
        String name = component.replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
        int column = table.indexOf(name);
        if (column < 0) {
            throw new IllegalStateException("There is no column " + name + " in " + table);
        }
        return column;
    }

    private static Value value(Class<?> type) {
        if (!type.isEnum()) {
            return VALUES.get(type);
        }
        Map<String, Object> meanings = new HashMap<>();
        for (Object constant : type.getEnumConstants()) {
            meanings.put(word(constant), constant);
        }
        return new Value(meanings::get, Codec::word);
    }

    private static String word(Object constant) {
        return ((Enum<?>) constant).name().toLowerCase(Locale.ROOT);
    }

    private static Object made(MethodHandle maker, Object[] values) {
        try {
            return maker.invokeExact(values);
        } catch (RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException(e);
        }
    }

    private static Object got(MethodHandle getter, Object of) {
        try {
            return getter.invokeExact(of);
        } catch (RuntimeException | Error e) {
            throw e;
        } catch (Throwable e) {
            throw new IllegalStateException(e);
        }
    }
}
