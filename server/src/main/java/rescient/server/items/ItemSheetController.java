package rescient.server.items;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.ItemFacts;
import rescient.core.company.PlanningOrigins;
import rescient.core.company.SupplierTerms;
import rescient.core.health.HealthCheck;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.dataset.Column;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.health.FindingView;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** One item with all that is kept of it, as it stands in the tables: to be changed in place. */
@RestController
@RequestMapping("/api/items")
class ItemSheetController {
    private static final List<String> OWN_TABLES =
            List.of("bom_lines", "operations", "supplier_items", "unit_conversions", "alternative_items");

    private final LivePlan live;
    private final ItemList list;

    ItemSheetController(LivePlan live, ItemList list) {
        this.live = live;
        this.list = list;
    }

    /**
     * A value that a stock point is planned by.
     *
     * @param origin own, group, supplier, routing or default
     * @param value the one that counts, null if there is none
     * @param group what the group says, null if nothing
     * @param matters the source and the rule make something of it
     */
    record PlannedValue(
            String column,
            String origin,
            @Nullable String value,
            @Nullable String group,
            boolean matters) {}

    /**
     * A stock point of the item.
     *
     * @param row as it is kept; null: no row plans it
     * @param doubts what is doubtful in how it is planned
     */
    record PointSheet(
            String site,
            String siteName,
            @Nullable Map<String, String> row,
            List<PlannedValue> values,
            BigDecimal onHand,
            BigDecimal onOrder,
            int plannedOrders,
            int signals,
            List<FindingView> doubts) {}

    /**
     * One item.
     *
     * @param rows of the tables that say something about it, by table
     * @param names of the codes that they name, by table
     */
    record ItemSheet(
            String code,
            Map<String, String> item,
            String unit,
            List<PointSheet> points,
            Map<String, List<Map<String, String>>> rows,
            Map<String, Map<String, String>> names) {}

    @GetMapping("/sheet")
    ItemSheet sheet(@RequestParam @Size(max = 300) String code) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        Facts facts = directory.facts();
        Row item = facts.row("items", code);
        if (item == null) {
            throw JobProblem.notFound("There is no item " + code);
        }
        Map<String, List<Map<String, String>>> rows = new LinkedHashMap<>();
        Map<String, Map<String, String>> names = new LinkedHashMap<>();
        name(facts, item, names);
        for (String table : OWN_TABLES) {
            String column = table.equals("bom_lines") ? "parent" : "item";
            List<Row> own = new ArrayList<>(facts.rows(table, column, code));
            own.sort((a, b) -> byKey(a, b));
            own.forEach(row -> name(facts, row, names));
            rows.put(table, own.stream().map(Row::cells).toList());
        }
        return new ItemSheet(code, item.cells(), item.text("unit"), points(version, code, names), rows, names);
    }

    private static int byKey(Row a, Row b) {
        for (Column column : a.table().columns()) {
            int order = column.key()
                    ? DocumentOrder.INSTANCE.compare(a.text(column.name(), ""), b.text(column.name(), ""))
                    : 0;
            if (order != 0) {
                return order;
            }
        }
        return 0;
    }

    private List<PointSheet> points(PlanVersion version, String code, Map<String, Map<String, String>> names) {
        Facts facts = version.directory().facts();
        Map<String, PointSheet> bySite = new LinkedHashMap<>();
        for (PointView point : list.points(version, code)) {
            bySite.put(point.site(), point(version, point, facts.row("planning", code, point.site()), names));
        }
        return List.copyOf(bySite.values());
    }

    private static PointSheet point(
            PlanVersion version, PointView point, Row row, Map<String, Map<String, String>> names) {
        Facts facts = version.directory().facts();
        if (row != null) {
            name(facts, row, names);
        }
        return new PointSheet(
                point.site(),
                version.directory().siteName(point.site()),
                row == null ? null : row.cells(),
                values(facts, point),
                ItemList.sum(point, Supply.Kind.STOCK),
                ItemList.sum(point, Supply.Kind.OPEN),
                point.plannedOrderCount(),
                point.signals().size(),
                HealthCheck.of(facts, point).stream()
                        .map(finding -> FindingView.of(version.directory(), finding))
                        .toList());
    }

    private static List<PlannedValue> values(Facts facts, PointView point) {
        ItemFacts.Planning own =
                facts.one(ItemFacts.Planning.class, point.item(), point.site()).orElse(null);
        if (own == null) {
            return List.of();
        }
        String group =
                facts.one(ItemFacts.Item.class, point.item()).orElseThrow().group();
        ItemFacts.Planned ofGroup = group == null
                ? null
                : facts.one(ItemFacts.ItemGroup.class, group)
                        .map(ItemFacts.ItemGroup::planned)
                        .orElse(null);
        SupplierTerms terms = facts.terms(point.item()).stream()
                .filter(offered -> offered.supplier().equals(point.supplier()))
                .max(Comparator.comparingInt(SupplierTerms::validFrom))
                .orElse(null);
        List<PlannedValue> values = new ArrayList<>();
        PlanningOrigins.of(own.planned(), ofGroup, terms, point.routed())
                .forEach((column, value) -> values.add(new PlannedValue(
                        column,
                        value.origin().name().toLowerCase(Locale.ROOT),
                        counts(point, terms, column, value),
                        text(value.group()),
                        value.matters())));
        return values;
    }

    /** The value that counts, in words of the dataset; of a supplier in the unit that he sells. */
    private static String counts(PointView point, SupplierTerms terms, String column, PlanningOrigins.Value value) {
        return switch (value.origin()) {
            case SUPPLIER ->
                switch (column) {
                    case "lead_time_days" -> Integer.toString(terms.leadTimeDays());
                    case "min_quantity" -> quantity(terms.minQuantity());
                    case "max_quantity" -> quantity(terms.maxQuantity());
                    default ->
                        terms.multiple() == Quantity.NOT_SET ? quantity(terms.step()) : quantity(terms.multiple());
                };
            case ROUTING -> column.equals("lead_time_days") ? Integer.toString(point.leadTimeDays(Quantity.ONE)) : null;
            default -> value.value() == null && column.equals("supplier") ? point.supplier() : text(value.value());
        };
    }

    private static String quantity(long millionths) {
        return Quantity.text(millionths);
    }

    private static String text(Object value) {
        if (value == null) {
            return null;
        }
        return value instanceof Enum<?> word
                ? word.name().toLowerCase(Locale.ROOT)
                : value instanceof BigDecimal number
                        ? number.stripTrailingZeros().toPlainString()
                        : value.toString();
    }

    private static void name(Facts facts, Row row, Map<String, Map<String, String>> names) {
        for (Column column : row.table().columns()) {
            String code = row.text(column.name());
            if (column.references() == null || code == null) {
                continue;
            }
            Row named = facts.row(column.references(), code);
            if (named != null && Table.named(column.references()).indexOf("name") >= 0) {
                names.computeIfAbsent(column.references(), t -> new LinkedHashMap<>())
                        .put(code, Objects.toString(named.text("name"), code));
            }
        }
    }
}
