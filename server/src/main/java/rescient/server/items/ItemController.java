package rescient.server.items;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Quantity;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Items, their stock points, and their bills of materials as a tree. */
@RestController
@RequestMapping("/api/items")
class ItemController {
    private static final int DEEPEST = 60;

    private final LivePlan live;

    ItemController(LivePlan live) {
        this.live = live;
    }

    record ItemRow(
            String code,
            String name,
            @Nullable String group,
            String kind,
            String unit,
            @Nullable String planner,
            int stockPoints,
            BigDecimal onHand,
            boolean made) {}

    record PointRow(
            String site,
            String siteName,
            String source,
            String rule,
            @Nullable String partner,
            int leadTimeDays,
            BigDecimal safetyStock,
            BigDecimal onHand,
            BigDecimal onOrder,
            int plannedOrders,
            int signals) {}

    record UsedIn(String parent, String parentName, BigDecimal quantity, String unit) {}

    /**
     * That one item can be used in the place of another.
     *
     * @param instead the item in view is used in the place of {@code item}; otherwise {@code item} in its place
     * @param parent what it may be used in, or null if in everything
     * @param factor how many units of the alternative do what one unit of the item does
     */
    record AlternativeRow(
            boolean instead,
            String item,
            String itemName,
            @Nullable String parent,
            @Nullable String parentName,
            BigDecimal factor,
            BigDecimal onHand,
            String unit) {}

    record ItemDetail(
            ItemRow item,
            @Nullable BigDecimal standardCost,
            @Nullable BigDecimal price,
            List<PointRow> points,
            List<BomRow> components,
            List<OperationRow> operations,
            List<UsedIn> usedIn,
            List<AlternativeRow> alternatives) {}

    /**
     * One operation of the item's routing; times in minutes, null where none is given.
     *
     * @param siteName the site it holds for; null: every site
     */
    record OperationRow(
            String step,
            @Nullable String siteName,
            String workCenter,
            @Nullable BigDecimal queue,
            @Nullable BigDecimal setup,
            @Nullable BigDecimal runPerUnit,
            @Nullable BigDecimal move,
            @Nullable String note) {}

    /**
     * A line of the tree, each followed by what stands below it.
     *
     * @param depth 0: the item's own lines
     * @param perOrder the quantity is for the whole order
     * @param loop the component stands above itself; what is below is not shown
     */
    record BomRow(
            int depth,
            String line,
            String item,
            String name,
            String kind,
            BigDecimal quantity,
            String unit,
            boolean perOrder,
            @Nullable BigDecimal scrap,
            @Nullable LocalDate validFrom,
            @Nullable LocalDate validTo,
            @Nullable String step,
            boolean loop,
            boolean hasComponents) {}

    @GetMapping
    List<ItemRow> list(@RequestParam(required = false) String kind) {
        PlanVersion version = live.current();
        return version.directory().items().values().stream()
                .filter(row -> kind == null || kind.equals(row.text("kind", "stocked")))
                .map(row -> row(version, row))
                .toList();
    }

    @GetMapping("/one")
    ItemDetail one(@RequestParam String code) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        Row item = directory.item(code);
        if (item == null) {
            throw JobProblem.notFound("There is no item " + code);
        }
        Set<String> above = new HashSet<>();
        above.add(code);
        List<BomRow> components = new ArrayList<>();
        explode(directory, code, above, components);
        return new ItemDetail(
                row(version, item),
                item.decimal("standard_cost"),
                item.decimal("price"),
                points(version, code).map(p -> pointRow(version, p)).toList(),
                components,
                operations(directory, code),
                usedIn(directory, code),
                alternatives(version, code));
    }

    private static Stream<PointView> points(PlanVersion version, String item) {
        return version.directory().sites().keySet().stream().flatMap(site -> version.plan().point(item, site).stream());
    }

    private static ItemRow row(PlanVersion version, Row item) {
        String code = item.text("code");
        List<PointView> points = points(version, code).toList();
        return new ItemRow(
                code,
                item.text("name", code),
                version.directory().groupName(item.text("group")),
                item.text("kind", "stocked"),
                item.text("unit"),
                item.text("planner"),
                points.size(),
                onHand(points),
                !version.directory().bomLines(code).isEmpty());
    }

    private static PointRow pointRow(PlanVersion version, PointView point) {
        Directory directory = version.directory();
        return new PointRow(
                point.site(),
                directory.siteName(point.site()),
                Words.word(point.source()),
                Words.word(point.rule()),
                directory.supplierName(point.supplier()),
                point.leadTimeDays(),
                Quantity.decimal(point.safetyStock()),
                sum(point, Supply.Kind.STOCK),
                sum(point, Supply.Kind.OPEN),
                point.plannedOrderCount(),
                point.signals().size());
    }

    private static BigDecimal sum(PointView point, Supply.Kind kind) {
        return Quantity.decimal(point.supplies().stream()
                .filter(s -> s.kind() == kind)
                .mapToLong(Supply::quantity)
                .sum());
    }

    private static void explode(Directory directory, String parent, Set<String> above, List<BomRow> into) {
        for (Row line : directory.bomLines(parent)) {
            String component = line.text("component");
            boolean loop = !above.add(component);
            boolean deeper = !loop && above.size() <= DEEPEST;
            into.add(bomRow(directory, line, above.size() - (loop ? 1 : 2), loop, deeper));
            if (deeper) {
                explode(directory, component, above, into);
            }
            if (!loop) {
                above.remove(component);
            }
        }
    }

    private static BomRow bomRow(Directory directory, Row line, int depth, boolean loop, boolean deeper) {
        String component = line.text("component");
        Row item = directory.item(component);
        return new BomRow(
                depth,
                line.text("line"),
                component,
                item.text("name", component),
                item.text("kind", "stocked"),
                plain(line.decimal("quantity")),
                line.text("unit", item.text("unit")),
                "order".equals(line.text("per")),
                line.decimal("scrap") == null ? null : plain(line.decimal("scrap")),
                line.date("valid_from"),
                line.date("valid_to"),
                line.text("step"),
                loop,
                deeper && !directory.bomLines(component).isEmpty());
    }

    private static List<OperationRow> operations(Directory directory, String code) {
        return directory.operations(code).stream()
                .map(row -> new OperationRow(
                        row.text("step"),
                        row.text("site") == null ? null : directory.siteName(row.text("site")),
                        directory.workCenterName(row.text("work_center")),
                        row.decimal("queue_minutes"),
                        row.decimal("setup_minutes"),
                        row.decimal("run_minutes_per_unit"),
                        row.decimal("move_minutes"),
                        row.text("note")))
                .toList();
    }

    private static List<UsedIn> usedIn(Directory directory, String code) {
        return directory.items().keySet().stream()
                .flatMap(parent -> directory.bomLines(parent).stream())
                .filter(line -> code.equals(line.text("component")))
                .map(line -> new UsedIn(
                        line.text("parent"),
                        directory.itemName(line.text("parent")),
                        plain(line.decimal("quantity")),
                        line.text("unit", directory.unit(code))))
                .toList();
    }

    private static List<AlternativeRow> alternatives(PlanVersion version, String code) {
        Directory directory = version.directory();
        return Stream.concat(
                        directory.alternatives(code).stream().map(row -> alternative(version, row, false)),
                        directory.facts().rows("alternative_items").stream()
                                .filter(row -> code.equals(row.text("alternative")))
                                .map(row -> alternative(version, row, true)))
                .toList();
    }

    private static AlternativeRow alternative(PlanVersion version, Row row, boolean instead) {
        Directory directory = version.directory();
        String other = row.text(instead ? "item" : "alternative");
        String parent = row.text("parent");
        BigDecimal factor = row.decimal("factor");
        return new AlternativeRow(
                instead,
                other,
                directory.itemName(other),
                parent,
                parent == null ? null : directory.itemName(parent),
                factor == null ? BigDecimal.ONE : plain(factor),
                onHand(points(version, other).toList()),
                directory.unit(other));
    }

    private static BigDecimal onHand(List<PointView> points) {
        return points.stream().map(p -> sum(p, Supply.Kind.STOCK)).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static BigDecimal plain(BigDecimal value) {
        return Quantity.decimal(Quantity.of(value));
    }
}
