package rescient.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Row;

class LarkmoorTest {
    private static final Path COMMITTED = Path.of("dataset");

    private final Dataset dataset = DatasetReader.read(COMMITTED);
    private final Plan plan =
            new Planner().plan(Company.snapshot(dataset, Larkmoor.BASE, Larkmoor.BASE.plusDays(270)), PlanOptions.ALL);

    @Test
    void theSameSeedGrowsTheSameCompany(@TempDir Path grown) throws IOException {
        Larkmoor.write(grown);
        try (var files = Files.list(COMMITTED)) {
            for (Path file : files.toList()) {
                assertThat(grown.resolve(file.getFileName())).hasSameTextualContentAs(file);
            }
        }
    }

    @Test
    void itIsLargeEnoughToBeReal() {
        assertThat(dataset.rows("items")).hasSizeBetween(155, 165);
        assertThat(dataset.rows("bom_lines")).hasSizeBetween(420, 480);
        assertThat(dataset.rows("customer_orders"))
                .filteredOn(row -> !"done".equals(row.text("state")))
                .hasSizeBetween(215, 230);
        assertThat(dataset.rows("open_orders")).hasSize(61);
        assertThat(dataset.rows("work_centers")).hasSize(9);
        assertThat(dataset.rows("suppliers")).hasSize(14);
        assertThat(dataset.rows("customers")).hasSize(40);
        assertThat(words("planning", "source")).contains("subcontract", "transfer");
        // lot-for-lot is what no word says
        assertThat(words("planning", "rule")).contains("per_order", "period", "fixed_quantity", "min_max");
        assertThat(words("items", "kind")).contains("kit", "phantom");
    }

    @Test
    void threeAndAHalfYearsOfShipmentsHaveASeasonAPromotionAndAnItemThatIsAskedForNowAndThen() {
        LocalDate first = dataset.rows("shipments").stream()
                .map(row -> row.date("date"))
                .min(LocalDate::compareTo)
                .orElseThrow();
        assertThat(first).isBetween(Larkmoor.BASE.minusWeeks(184), Larkmoor.BASE.minusWeeks(180));
        Map<Integer, Double> months = shipped("HIVE-10N")
                .collect(Collectors.groupingBy(
                        row -> row.date("date").getMonthValue(),
                        Collectors.summingDouble(row -> row.decimal("quantity").doubleValue())));
        assertThat(months.get(3)).isGreaterThan(2 * months.get(9));
        double most = shipped("SMOKER-S")
                .mapToDouble(row -> row.decimal("quantity").doubleValue())
                .max()
                .orElseThrow();
        double usual = shipped("SMOKER-S")
                .mapToDouble(row -> row.decimal("quantity").doubleValue())
                .average()
                .orElseThrow();
        assertThat(most).isGreaterThan(4 * usual);
        assertThat(shipped("OBS-HIVE").count()).isLessThan(40);
    }

    @Test
    void bothForecastSetsReachNineMonthsAndTheStrongSpringAsksForMore() {
        Map<String, Double> sums = dataset.rows("forecasts").stream()
                .collect(Collectors.groupingBy(
                        row -> row.text("set"),
                        Collectors.summingDouble(row -> row.decimal("quantity").doubleValue())));
        assertThat(sums).containsOnlyKeys("Base", "Strong spring");
        assertThat(sums.get("Strong spring")).isGreaterThan(sums.get("Base"));
        LocalDate last = dataset.rows("forecasts").stream()
                .map(row -> row.date("from_date"))
                .max(LocalDate::compareTo)
                .orElseThrow();
        assertThat(last).isAfter(Larkmoor.BASE.plusDays(260));
        Plan strong = new Planner()
                .plan(
                        Company.snapshot(dataset, Larkmoor.BASE, Larkmoor.BASE.plusDays(270), "Strong spring"),
                        PlanOptions.ALL);
        assertThat(strong.plannedOrders()).isNotEqualTo(plan.plannedOrders());
    }

    @Test
    void thePaintShopIsOverloadedInMarch() {
        // minutes of all planned orders that are finished in March, against 23 working days of 120 minutes at 90 %
        double asked = 0;
        for (PlannedOrder order : plan.plannedOrders()) {
            LocalDate due = LocalDate.ofEpochDay(order.dueDay());
            for (Row operation : dataset.rows("operations")) {
                boolean paints = operation.text("item").equals(order.item())
                        && operation.text("work_center").equals("PAINT")
                        && due.getYear() == 2027
                        && due.getMonthValue() == 3;
                if (paints) {
                    double pieces = Quantity.decimal(order.startQuantity()).doubleValue();
                    asked += operation.decimal("setup_minutes").doubleValue()
                            + pieces * operation.decimal("run_minutes_per_unit").doubleValue();
                }
            }
        }
        assertThat(asked / 0.9).isGreaterThan(23 * 120.0);
    }

    @Test
    void aFortnightOfMovementsEndsWithWhatLiesThereToday() {
        assertThat(words("movements", "kind"))
                .contains(
                        "receipt",
                        "issue",
                        "output",
                        "transfer_out",
                        "transfer_in",
                        "shipment",
                        "customer_return",
                        "supplier_return",
                        "adjustment",
                        "count");
        assertThat(dataset.rows("movements"))
                .allSatisfy(row -> assertThat(row.date("date"))
                        .isBetween(Larkmoor.BASE.minusDays(30), Larkmoor.BASE.minusDays(1)));
        // two extractors with bearings of one lot are at customers', one of them in a kit
        assertThat(dataset.rows("movements"))
                .filteredOn(row -> "shipment".equals(row.text("kind")) && "EXTR-4".equals(row.text("item")))
                .extracting(row -> row.text("number"), row -> row.text("serial"))
                .contains(
                        org.assertj.core.groups.Tuple.tuple("SO-193", "X4-2647-0001"),
                        org.assertj.core.groups.Tuple.tuple("SO-598", "X4-2647-0002"));
        assertThat(dataset.rows("in_transit"))
                .extracting(row -> row.text("number"))
                .containsExactly("TO-58");
        assertThat(dataset.rows("stock"))
                .filteredOn(row -> "SILVERLEAF".equals(row.text("site")))
                .extracting(
                        row -> row.text("item"), row -> row.decimal("quantity").intValueExact())
                .containsExactly(org.assertj.core.groups.Tuple.tuple("DRM-380", 8));
        assertThat(words("invoices", "state")).contains("approved", "awaiting_approval");
    }

    @Test
    void whatIsKeptByLotsLiesThereByLots() {
        Map<String, String> tracking = dataset.rows("items").stream()
                .collect(Collectors.toMap(row -> row.text("code"), row -> row.text("tracking")));
        assertThat(dataset.rows("stock")).allSatisfy(row -> {
            switch (tracking.get(row.text("item"))) {
                case "lot" ->
                    assertThat(row.text("lot"))
                            .as("lot of %s", row.text("item"))
                            .isNotNull();
                case "serial" ->
                    assertThat(row.text("serial"))
                            .as("serial number of %s", row.text("item"))
                            .isNotNull();
                default -> assertThat(row.text("serial")).isNull();
            }
        });
    }

    private Stream<Row> shipped(String item) {
        return dataset.rows("shipments").stream().filter(row -> row.text("item").equals(item));
    }

    private Stream<String> words(String table, String column) {
        return dataset.rows(table).stream()
                .map(row -> row.text(column))
                .filter(Objects::nonNull)
                .distinct();
    }

    /** A week of November, one of spring and one around a new year; a day off is among each. */
    static Stream<LocalDate> days() {
        return Stream.of(LocalDate.of(2026, 11, 23), LocalDate.of(2027, 3, 4), LocalDate.of(2026, 12, 28))
                .flatMap(first -> first.datesUntil(first.plusDays(7)));
    }

    @ParameterizedTest
    @MethodSource("days")
    void theTourIsTrueOnEveryDay(LocalDate day) {
        Plan told = on(dataset.toldOn(day), day);
        int today = Math.toIntExact(day.toEpochDay());
        // one bearing four levels down makes a customer order late
        assertThat(signals(told, Signal.Kind.DEMAND_LATE))
                .extracting(Signal::orderNumber, Signal::item, Signal::causeItem)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("SO-790", "EXTR-4", "BRG-6202"));
        PlannedOrder bearing = told.plannedOrders().stream()
                .filter(o -> o.item().equals("BRG-6202"))
                .findFirst()
                .orElseThrow();
        // it should have been ordered some two weeks ago, and can be there as much too late
        assertThat(today - bearing.startDay()).isBetween(14, 20);
        assertThat(bearing.possibleDay() - bearing.dueDay()).isBetween(14, 20);
        assertThat(signals(told, Signal.Kind.RECEIPT_OVERDUE))
                .extracting(Signal::orderNumber)
                .contains("PO-2032");
        assertThat(signals(told, Signal.Kind.CANCEL))
                .extracting(Signal::orderNumber)
                .contains("PO-2040");
        assertThat(signals(told, Signal.Kind.PUSH_BACK))
                .extracting(Signal::orderNumber)
                .contains("PO-2041");
        assertThat(signals(told, Signal.Kind.NO_SUPPLIER))
                .extracting(Signal::item)
                .containsExactly("ENTR-R");
        assertThat(signals(told, Signal.Kind.EXPIRING)).extracting(Signal::item).containsExactly("SYRUP-5");
        assertThat(signals(told, Signal.Kind.LOOP)).isEmpty();
        assertThat(told.allSignals())
                .filteredOn(s -> s.kind() == Signal.Kind.REORDER_POINT_LOW)
                .isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("days")
    void anotherSupplierCouldBringTheBearingOnTimeOnEveryDay(LocalDate day) {
        Dataset told = dataset.toldOn(day);
        Row bearing = told.rows("planning").stream()
                .filter(r -> r.text("item").equals("BRG-6202"))
                .findFirst()
                .orElseThrow();
        Plan other = on(told.with(bearing.with("supplier", "WIDDOW")), day);
        assertThat(signals(other, Signal.Kind.DEMAND_LATE)).isEmpty();
    }

    private static Plan on(Dataset told, LocalDate day) {
        return new Planner().plan(Company.snapshot(told, day, day.plusDays(270)), PlanOptions.ALL);
    }

    private static List<Signal> signals(Plan plan, Signal.Kind kind) {
        return plan.signals().stream().filter(s -> s.kind() == kind).toList();
    }
}
