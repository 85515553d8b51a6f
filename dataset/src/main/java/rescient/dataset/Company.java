package rescient.dataset;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.PartnerFacts;
import rescient.core.company.PlanningData;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/** From the rows of a checked dataset to the snapshot that is planned. */
public final class Company {
    private final Dataset dataset;
    private final int today;
    private final SnapshotBuilder builder;
    private final RowFacts facts;
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
        this.facts = new RowFacts(
                Facts.unitsOf(dataset.rows("units"), dataset.rows("unit_conversions")),
                unitOf::get,
                (item, site) -> yields.getOrDefault(List.of(item, site), Ratio.ONE));
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
                        this::customerOrders,
                        () -> each("items", this::item),
                        () -> Planning.of(dataset).forEach(row -> {
                            PlanningData data = row.data();
                            builder.planning(data);
                            if (data.yield != Ratio.ONE) {
                                yields.put(List.of(row.item(), row.site()), data.yield);
                            }
                        })));
        // these need the units of the items
        SideBySide.run(
                SideBySide.CORES,
                List.of(
                        () -> each("bom_lines", row -> builder.bomLine(facts.bomLine(row))),
                        () -> each("open_order_components", row -> builder.openOrderComponent(RowFacts.component(row))),
                        () -> each("forecasts", this::forecast),
                        () -> each("open_orders", row -> builder.openOrder(facts.openOrder(row))),
                        () -> each("stock", this::stock),
                        () -> each("supplier_items", this::supplierItem),
                        () -> each("shipments", row -> builder.shipment(RowFacts.shipment(row))),
                        () -> each("operations", row -> builder.operation(RowFacts.operation(row)))));
        return builder.build();
    }

    private void each(String table, Consumer<Row> fact) {
        dataset.rows(table).forEach(fact);
    }

    private void customerOrders() {
        Map<List<String>, List<Row>> parts = dataset.rows("customer_order_parts").stream()
                .collect(Collectors.groupingBy(row -> List.of(row.text("number"), row.text("line"))));
        each("customer_orders", row -> {
            if (RowFacts.counts(row)) {
                List<Row> own = parts.isEmpty()
                        ? List.of()
                        : parts.getOrDefault(List.of(row.text("number"), row.text("line")), List.of());
                builder.customerOrder(RowFacts.customerOrder(row, own));
            }
        });
    }

    private void item(Row row) {
        unitOf.put(row.text("code"), row.text("unit"));
        builder.item(facts.item(row));
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
            calendars.put(
                    row.text("code"),
                    RowFacts.calendar(row, exceptions.getOrDefault(row.text("code"), Map.of()), today));
        }
        return calendars;
    }

    private void workCenters(Map<String, WorkCalendar> calendars) {
        for (Row row : dataset.rows("work_centers")) {
            builder.workCenter(RowFacts.workCenter(row, calendars.get(row.text("calendar", ""))));
        }
    }

    private void supplierItem(Row row) {
        if (isBase(row)) {
            builder.supplierTerms(facts.terms(row));
        }
    }

    /** Whether a row of supplier_items holds for every quantity. */
    static boolean isBase(Row row) {
        return SupplierTerms.areBase(row.decimal("from_quantity"));
    }

    /** The same of those that hold on a day; null: of all. */
    static boolean isBase(Row row, LocalDate day) {
        return isBase(row)
                && (day == null
                        || Codec.of(PartnerFacts.SupplierItem.class).read(row).holdsOn(day));
    }

    private void stock(Row row) {
        if (StockLot.counts(row.flag("quarantined", false))) {
            builder.stock(RowFacts.lot(row));
        }
    }

    /** Only those of the one set that the settings choose. */
    private void forecast(Row row) {
        if (row.text("set").equals(forecastSet)) {
            builder.forecast(RowFacts.bucket(row));
        }
    }
}
