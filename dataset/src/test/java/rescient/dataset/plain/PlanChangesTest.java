package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.company.Change;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Column;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.PlanChanges;
import rescient.dataset.Row;
import rescient.dataset.RowDifference;
import rescient.dataset.Table;

/** Whatever row of whatever table is changed: the plan that follows is the plan of the changed company. */
class PlanChangesTest {
    private static final int COMPANIES = 240;
    private static final int STEPS = 10;

    /** What no other row refers to. */
    private static final Set<String> ALONE = Set.of(
            "calendar_exceptions",
            "planning",
            "bom_lines",
            "alternative_items",
            "operations",
            "supplier_items",
            "stock",
            "customer_orders",
            "forecasts",
            "shipments",
            "open_order_components");

    @TempDir
    Path folder;

    private int followed;
    private int anew;
    private final Set<String> tables = new HashSet<>();

    @Test
    void aPlanFollowsChangesOfEveryTable() throws IOException {
        for (long seed = 1; seed <= COMPANIES; seed++) {
            Path dataset = folder.resolve("d" + seed);
            RandomCompany.of(seed).write(dataset);
            try {
                follow(DatasetReader.read(dataset), new Random(seed));
            } catch (FaultyDatasetException e) {
                // a minimum over a maximum; another company
            }
        }
        assertThat(followed).isGreaterThan(5 * anew);
        assertThat(tables)
                .contains(
                        "customer_orders",
                        "stock",
                        "forecasts",
                        "open_orders",
                        "open_order_components",
                        "planning",
                        "items",
                        "bom_lines",
                        "supplier_items",
                        "operations",
                        "calendars",
                        "sites");
    }

    /** A group's lead time, a supplier's calendar, how the forecast is consumed: each row says something of many points. */
    @Test
    void whatOneRowSaysOfManyPointsIsFollowed() throws IOException {
        Tables tables = new Tables();
        tables.add("settings", "key", "today", "value", "2026-03-02");
        tables.add("settings", "key", "horizon_end", "value", "2026-06-30");
        tables.add("settings", "key", "forecast_set", "value", "Base");
        tables.add("units", "code", "pc", "decimals", "0");
        tables.add("calendars", "code", "FIVE");
        tables.add("calendars", "code", "SEVEN", "sat", "true", "sun", "true");
        tables.add("sites", "code", "HALL", "calendar", "FIVE");
        tables.add("suppliers", "code", "BOB", "calendar", "FIVE");
        tables.add("item_groups", "code", "NUTS", "source", "buy", "supplier", "BOB", "lead_time_days", "4");
        for (String item : List.of("A", "B")) {
            tables.add("items", "code", item, "unit", "pc", "group", "NUTS");
            tables.add(
                    "planning",
                    "item",
                    item,
                    "site",
                    "HALL",
                    "source",
                    "buy",
                    "supplier",
                    "BOB",
                    "consume_back_days",
                    "10");
            order(tables, item, 7);
            tables.add(
                    "forecasts",
                    "set",
                    "Base",
                    "item",
                    item,
                    "site",
                    "HALL",
                    "from_date",
                    "2026-03-30",
                    "bucket",
                    "week",
                    "quantity",
                    "20");
        }
        tables.write(folder.resolve("many"));
        Dataset dataset = DatasetReader.read(folder.resolve("many"));
        assertThat(follow(dataset, "item_groups", 0, "lead_time_days", "9")).hasSize(2);
        assertThat(follow(dataset, "suppliers", 0, "calendar", "SEVEN")).hasSize(1);
        assertThat(follow(dataset, "calendars", 0, "mon", "false")).hasSize(2);
        assertThat(follow(dataset, "items", 0, "name", "a nut")).isEmpty();
        assertThat(follow(dataset, "items", 0, "group", null)).hasSize(1);
    }

    private static void order(Tables tables, String item, int quantity) {
        tables.add(
                "customer_orders",
                "number",
                "SO-" + item,
                "line",
                "1",
                "item",
                item,
                "site",
                "HALL",
                "quantity",
                quantity,
                "due_date",
                "2026-04-01");
    }

    /** What the plan had to know, after looking whether it follows. */
    private static List<Change> follow(Dataset dataset, String table, int at, String column, String value) {
        LocalDate today = LocalDate.parse(dataset.setting("today"));
        LocalDate end = LocalDate.parse(dataset.setting("horizon_end"));
        List<Row> rows = new ArrayList<>(dataset.rows(table));
        rows.set(at, rows.get(at).with(column, value));
        Dataset other = dataset.with(table, rows);
        Facts facts = Facts.of(dataset);
        List<FactChange> changed = RowDifference.between(facts, other);
        List<Change> changes = PlanChanges.of(facts, facts.after(changed), changed, (int) today.toEpochDay())
                .orElseThrow();
        Plan plan = new Planner().plan(Company.snapshot(dataset, today, end), PlanOptions.ALL);
        Plan full = new Planner().plan(Company.snapshot(other, today, end), PlanOptions.ALL);
        assertSame(plan.after(changes), full, changed.toString());
        return changes;
    }

    private void follow(Dataset dataset, Random random) {
        LocalDate today = LocalDate.parse(dataset.setting("today"));
        LocalDate end = LocalDate.parse(dataset.setting("horizon_end"));
        Facts facts = Facts.of(dataset);
        Plan plan = new Planner().plan(Company.snapshot(dataset, today, end), PlanOptions.ALL);
        for (int step = 0; step < STEPS; step++) {
            Dataset other = changed(facts.dataset(), random);
            if (other == null) {
                continue;
            }
            List<FactChange> rows = RowDifference.between(facts, other);
            Facts next = facts.after(rows);
            assertThat(contents(next.dataset()))
                    .as(rows.toString())
                    .containsExactlyInAnyOrderElementsOf(contents(other));
            Facts back = next.after(rows.stream().map(FactChange::reversed).toList());
            assertThat(contents(back.dataset()))
                    .as("back from " + rows)
                    .containsExactlyInAnyOrderElementsOf(contents(facts.dataset()));
            Plan full = new Planner().plan(Company.snapshot(other, today, end), PlanOptions.ALL);
            Optional<List<Change>> changes = PlanChanges.of(facts, next, rows, (int) today.toEpochDay());
            if (changes.isPresent()) {
                followed++;
                plan = plan.after(changes.get());
                rows.forEach(row -> tables.add(row.table().name()));
                assertSame(plan, full, rows.toString());
            } else {
                anew++;
                plan = full;
            }
            facts = next;
        }
    }

    /** A row of some table otherwise, gone, or twice; null if the company cannot be so. */
    private static Dataset changed(Dataset dataset, Random random) {
        List<Table> filled = Table.ALL.stream()
                .filter(table -> !dataset.rows(table.name()).isEmpty())
                .toList();
        Table table = filled.get(random.nextInt(filled.size()));
        List<Row> rows = new ArrayList<>(dataset.rows(table.name()));
        int at = random.nextInt(rows.size());
        Row row = rows.get(at);
        if (random.nextInt(5) == 0) {
            if (!ALONE.contains(table.name())) {
                return null;
            }
            rows.remove(at);
        } else {
            Column column = table.columns().get(random.nextInt(table.columns().size()));
            String value = rows.get(random.nextInt(rows.size())).text(column.name());
            if (row.text(column.name(), "").equals(value == null ? "" : value)
                    || (table.name().equals("settings")
                            && List.of("today", "horizon_end").contains(row.text("key")))) {
                return null;
            }
            Row other = row.with(column.name(), value);
            if (column.key()) {
                if (rows.stream().anyMatch(r -> sameKey(table, r, other))) {
                    return null;
                }
                rows.add(other);
            } else {
                rows.set(at, other);
            }
        }
        try {
            return DatasetReader.checked(dataset.with(table.name(), rows));
        } catch (FaultyDatasetException e) {
            return null;
        }
    }

    private static boolean sameKey(Table table, Row a, Row b) {
        return table.columns().stream()
                .filter(Column::key)
                .allMatch(c -> a.text(c.name(), "").equals(b.text(c.name(), "")));
    }

    private static Set<String> contents(Dataset dataset) {
        Set<String> rows = new HashSet<>();
        Table.ALL.forEach(table -> dataset.rows(table.name()).forEach(row -> rows.add(table + " " + row.values())));
        return rows;
    }

    private static void assertSame(Plan plan, Plan full, String what) {
        assertThat(plan.plannedOrders()).as(what).isEqualTo(full.plannedOrders());
        assertThat(plan.allSignals()).as(what).isEqualTo(full.allSignals());
        assertThat(plan.points()).as(what).hasSameSizeAs(full.points());
        for (PointView point : full.points()) {
            PointView same = plan.point(point.item(), point.site()).orElseThrow();
            assertThat(same.demands()).as(what).isEqualTo(point.demands());
            assertThat(same.pegs()).as(what).isEqualTo(point.pegs());
            assertThat(same.balances()).as(what).isEqualTo(point.balances());
        }
    }
}
