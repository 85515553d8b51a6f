package rescient.server.items;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Quantity;
import rescient.core.company.Fact;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.trace.BillTree;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** Items, their stock points, and their bills of materials as a tree. */
@RestController
@RequestMapping("/api/items")
class ItemController {
    private final LivePlan live;
    private final int most;

    ItemController(LivePlan live, @Value("${rescient.list-most:1000}") int most) {
        this.most = most;
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

    /**
     * Items by code.
     *
     * @param rows the first of those that fit
     * @param total how many fit
     */
    record ItemRows(List<ItemRow> rows, int total) {}

    /** @param words of code, name or group */
    @GetMapping
    ItemRows list(@RequestParam(required = false) String kind, @RequestParam(required = false) String words) {
        PlanVersion version = live.current();
        Sought sought = new Sought(words);
        List<Fact.Item> fitting = version.directory().items().values().stream()
                .filter(item -> kind == null || kind.equals(Words.word(item.is())))
                .filter(item ->
                        sought.in(item.code(), item.name(), version.directory().groupName(item.group())))
                .toList();
        return new ItemRows(
                fitting.stream().limit(most).map(item -> row(version, item)).toList(), fitting.size());
    }

    @GetMapping("/one")
    ItemDetail one(@RequestParam String code) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        Fact.Item item = directory.item(code);
        if (item == null) {
            throw JobProblem.notFound("There is no item " + code);
        }
        return new ItemDetail(
                row(version, item),
                item.standardCost(),
                item.price(),
                points(version, code).map(p -> pointRow(version, p)).toList(),
                directory.bills().below(code).stream()
                        .map(line -> bomRow(directory, line))
                        .toList(),
                operations(directory, code),
                usedIn(directory, code),
                alternatives(version, code));
    }

    private static Stream<PointView> points(PlanVersion version, String item) {
        return version.directory().sites().keySet().stream().flatMap(site -> version.plan().point(item, site).stream());
    }

    private static ItemRow row(PlanVersion version, Fact.Item item) {
        String code = item.code();
        List<PointView> points = points(version, code).toList();
        return new ItemRow(
                code,
                item.name() == null ? code : item.name(),
                version.directory().groupName(item.group()),
                Words.word(item.is()),
                item.unit(),
                item.planner(),
                points.size(),
                onHand(points),
                !version.directory().bills().lines(code).isEmpty());
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

    private static BomRow bomRow(Directory directory, BillTree.Line of) {
        Fact.BomLine line = of.line();
        Fact.Item item = directory.item(line.component());
        return new BomRow(
                of.depth(),
                line.line(),
                item.code(),
                directory.itemName(item.code()),
                Words.word(item.is()),
                plain(line.quantity()),
                line.unit() == null ? item.unit() : line.unit(),
                line.perOrder(),
                line.scrap() == null ? null : plain(line.scrap()),
                line.validFrom(),
                line.validTo(),
                line.step(),
                of.loop(),
                of.more());
    }

    private static List<OperationRow> operations(Directory directory, String code) {
        return directory.operations(code).stream()
                .map(operation -> new OperationRow(
                        operation.step(),
                        directory.siteName(operation.site()),
                        directory.workCenterName(operation.workCenter()),
                        operation.queueMinutes(),
                        operation.setupMinutes(),
                        operation.runMinutesPerUnit(),
                        operation.moveMinutes(),
                        operation.note()))
                .toList();
    }

    private static List<UsedIn> usedIn(Directory directory, String code) {
        return directory.bills().usedIn(code).stream()
                .map(line -> new UsedIn(
                        line.parent(),
                        directory.itemName(line.parent()),
                        plain(line.quantity()),
                        line.unit() == null ? directory.unit(code) : line.unit()))
                .toList();
    }

    private static List<AlternativeRow> alternatives(PlanVersion version, String code) {
        Directory directory = version.directory();
        return Stream.concat(
                        directory.alternatives(code).rows().stream().map(row -> alternative(version, row, false)),
                        directory.facts().where(Fact.AlternativeItem.class, "alternative", code).stream()
                                .map(row -> alternative(version, row, true)))
                .toList();
    }

    private static AlternativeRow alternative(PlanVersion version, Fact.AlternativeItem row, boolean instead) {
        Directory directory = version.directory();
        String other = instead ? row.item() : row.alternative();
        return new AlternativeRow(
                instead,
                other,
                directory.itemName(other),
                row.parent(),
                directory.itemName(row.parent()),
                plain(row.units()),
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
