package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.OpenOrder;
import rescient.core.plan.Balance;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.Signal;
import rescient.core.trace.Scope;

/** Writes a plan as the CSV files of the open format. */
public final class PlanFiles {
    /** The columns of each file. */
    static final Map<String, List<String>> COLUMNS = new LinkedHashMap<>();

    static {
        columns(
                "planned_orders",
                "item, site, source, supplier, from_site, quantity, start_quantity, start_date,"
                        + " due_date, possible_date, for_order, for_line");
        columns(
                "signals",
                "kind, item, site, order_number, order_line, date, new_date, quantity, days, cause_item,"
                        + " cause_site");
        columns("demands", "item, site, kind, number, line, quantity, due_date, possible_date, days_late");
        columns(
                "pegs",
                "item, site, supply_kind, supply_number, supply_line, supply_date, demand_kind,"
                        + " demand_number, demand_line, demand_date, quantity");
        columns("balances", "item, site, date, receipts, demands, planned_receipts, expired, balance");
    }

    private static void columns(String file, String names) {
        COLUMNS.put(file, List.of(names.split(", ")));
    }

    private final Plan plan;
    private final Scope scope;

    private PlanFiles(Plan plan, Scope scope) {
        this.plan = plan;
        this.scope = scope;
    }

    private interface Content {
        void to(CsvWriter csv);
    }

    /**
     * Writes planned_orders, signals, demands, pegs and balances into a folder, which is made if it is missing.
     *
     * @param scope the stock points that are written
     * @throws UncheckedIOException if a file cannot be written
     */
    public static void write(Plan plan, Scope scope, Path folder) {
        PlanFiles files = new PlanFiles(plan, scope);
        try {
            Files.createDirectories(folder);
            write(folder, "planned_orders", files::plannedOrders);
            write(folder, "signals", files::signals);
            write(folder, "demands", files::demands);
            write(folder, "pegs", files::pegs);
            write(folder, "balances", files::balances);
        } catch (IOException e) {
            throw new UncheckedIOException("The plan cannot be written to " + folder + ": " + e.getMessage(), e);
        }
    }

    private static void write(Path folder, String name, Content content) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(folder.resolve(name + ".csv"))) {
            csv.writeRecord(COLUMNS.get(name));
            content.to(csv);
        }
    }

    /** The stock points of an item at a site: its own, and those of what is bought for one line alone. */
    private record Place(String item, String site) {}

    private Map<Place, List<PointView>> places() {
        Map<Place, List<PointView>> places = new LinkedHashMap<>();
        for (PointView point : plan.points()) {
            if (scope.holds(point.item(), point.site())) {
                Place place = new Place(Earmark.item(point.item()), point.site());
                places.computeIfAbsent(place, p -> new ArrayList<>(1)).add(point);
            }
        }
        return places;
    }

    private List<PlannedOrder> orders() {
        List<PlannedOrder> orders = plan.plannedOrders().stream()
                .filter(o -> scope.holds(o.item(), o.site()))
                .toList();
        return orders.stream().noneMatch(o -> Earmark.isCode(o.item()))
                ? orders
                : orders.stream()
                        .sorted(Comparator.comparing(
                                        (PlannedOrder o) -> Earmark.item(o.item()), DocumentOrder::byCodePoint)
                                .thenComparing(PlannedOrder::site, DocumentOrder::byCodePoint)
                                .thenComparing(PlannedOrder.OF_ONE_POINT))
                        .toList();
    }

    private List<Signal> told() {
        List<Signal> signals = plan.signals().stream()
                .filter(s -> scope.holds(s.item(), s.site()))
                .toList();
        return signals.stream().noneMatch(s -> Earmark.isCode(s.item()))
                ? signals
                : signals.stream()
                        .sorted(Comparator.comparing((Signal s) -> Earmark.item(s.item()), DocumentOrder::byCodePoint)
                                .thenComparing(Signal::site, DocumentOrder::byCodePoint)
                                .thenComparing(s -> word(s.kind()))
                                .thenComparing(s -> text(s.orderNumber()), DocumentOrder.INSTANCE)
                                .thenComparing(s -> text(s.orderLine()), DocumentOrder.INSTANCE)
                                .thenComparingInt(Signal::day))
                        .toList();
    }

    private void plannedOrders(CsvWriter csv) {
        for (PlannedOrder o : orders()) {
            csv.writeRecord(
                    Earmark.item(o.item()),
                    o.site(),
                    word(o.source()),
                    o.supplier(),
                    o.fromSite(),
                    Quantity.text(o.quantity()),
                    Quantity.text(o.startQuantity()),
                    date(o.startDay()),
                    date(o.dueDay()),
                    o.possibleDay() == null ? "" : date(o.possibleDay()),
                    o.forOrder(),
                    o.forLine());
        }
    }

    private void signals(CsvWriter csv) {
        for (Signal s : told()) {
            csv.writeRecord(
                    word(s.kind()),
                    Earmark.item(s.item()),
                    s.site(),
                    s.orderNumber(),
                    s.orderLine(),
                    date(s.day()),
                    date(s.newDay()),
                    s.quantity() == Quantity.NOT_SET ? "" : Quantity.text(s.quantity()),
                    s.days() == Signal.NO_DAYS ? "" : Integer.toString(s.days()),
                    s.causeItem() == null ? null : Earmark.item(s.causeItem()),
                    s.causeSite());
        }
    }

    private void demands(CsvWriter csv) {
        places().forEach((place, points) -> points.stream()
                .flatMap(point -> point.demands().stream())
                .sorted(Comparator.comparingInt(Demand::dueDay)
                        .thenComparing(d -> word(d.kind()))
                        .thenComparing(Demand::number, DocumentOrder.INSTANCE)
                        .thenComparing(Demand::line, DocumentOrder.INSTANCE))
                .forEach(d -> csv.writeRecord(
                        place.item,
                        place.site,
                        word(d.kind()),
                        d.number(),
                        d.line(),
                        Quantity.text(d.quantity()),
                        date(d.dueDay()),
                        d.possibleDay() == null ? "" : date(d.possibleDay()),
                        d.daysLate() == null ? "" : d.daysLate().toString())));
    }

    private record PegKey(
            Supply.Kind supplyKind,
            String supplyNumber,
            String supplyLine,
            int supplyDay,
            String demandKind,
            String demandNumber,
            String demandLine,
            int demandDay) {}

    private void pegs(CsvWriter csv) {
        Comparator<PegKey> order = Comparator.comparingInt(PegKey::demandDay)
                .thenComparing(PegKey::demandKind)
                .thenComparing(PegKey::demandNumber, DocumentOrder.INSTANCE)
                .thenComparing(PegKey::demandLine, DocumentOrder.INSTANCE)
                .thenComparingInt(PegKey::supplyDay)
                .thenComparing(PegKey::supplyNumber, DocumentOrder.INSTANCE);
        places().forEach((place, points) -> {
            Map<PegKey, Long> sums = new LinkedHashMap<>();
            for (Peg peg : points.stream().flatMap(p -> p.pegs().stream()).toList()) {
                Supply supply = peg.supply();
                Demand demand = peg.demand();
                PegKey key = new PegKey(
                        supply.kind(),
                        supply.number(),
                        supply.line(),
                        supply.day(),
                        word(demand.kind()),
                        demand.number(),
                        demand.line(),
                        demand.dueDay());
                sums.merge(key, peg.quantity(), Long::sum);
            }
            List<PegKey> keys = sums.keySet().stream().sorted(order).toList();
            for (PegKey key : keys) {
                csv.writeRecord(
                        place.item,
                        place.site,
                        word(key.supplyKind),
                        key.supplyNumber,
                        key.supplyLine,
                        date(key.supplyDay),
                        key.demandKind,
                        key.demandNumber,
                        key.demandLine,
                        date(key.demandDay),
                        Quantity.text(sums.get(key)));
            }
        });
    }

    /** What is bought for one line alone is nothing that others could have. */
    private void balances(CsvWriter csv) {
        for (PointView point : plan.points()) {
            boolean shown = scope.holds(point.item(), point.site()) && !Earmark.isCode(point.item());
            for (Balance row : shown ? point.balances() : List.<Balance>of()) {
                csv.writeRecord(
                        point.item(),
                        point.site(),
                        date(row.day()),
                        Quantity.text(row.receipts()),
                        Quantity.text(row.demands()),
                        Quantity.text(row.plannedReceipts()),
                        Quantity.text(row.expired()),
                        Quantity.text(row.balance()));
            }
        }
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    private static String date(int day) {
        return day == OpenOrder.NO_DAY ? "" : LocalDate.ofEpochDay(day).toString();
    }
}
