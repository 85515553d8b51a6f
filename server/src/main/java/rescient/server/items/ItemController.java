package rescient.server.items;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Quantity;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.trace.BillTree;
import rescient.core.trace.MaterialCost;
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
    private final LivePlan live;
    private final ItemList list;

    ItemController(LivePlan live, ItemList list) {
        this.live = live;
        this.list = list;
    }

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

    /** @param lines of bills of materials that stand in the tree, as they are kept, each once */
    record ItemDetail(
            ItemList.ItemRow item,
            @Nullable BigDecimal standardCost,
            @Nullable BigDecimal price,
            List<PointRow> points,
            List<BomRow> components,
            List<Map<String, String>> lines,
            List<OperationRow> operations,
            List<UsedIn> usedIn,
            List<AlternativeRow> alternatives,
            @Nullable BigDecimal materialCost) {}

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
     * @param row the place of the line among those of the tree: the same line may stand there often
     * @param perOrder the quantity is for the whole order
     * @param each so much is in one of the item that the tree is of, in the component's own unit; null where a quantity is for
     *     a whole order
     * @param cost what that is worth at standard, null if no cost is known
     * @param onHand of the component at the site in view
     * @param enough for so many of the item, as the stock lies there; null without {@code each}
     * @param loop the component stands above itself; what is below is not shown
     */
    record BomRow(
            int depth,
            String parent,
            String line,
            int row,
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
            String ownUnit,
            @Nullable BigDecimal each,
            @Nullable BigDecimal cost,
            BigDecimal onHand,
            @Nullable BigDecimal enough,
            @Nullable Integer leadTimeDays,
            boolean loop,
            boolean hasComponents) {}

    /** Those that fit, in windows. */
    @GetMapping
    ItemList.ItemRows list(@ParameterObject ItemFilter filter) {
        return list.find(live.current(), filter);
    }

    @GetMapping("/one")
    ItemDetail one(@RequestParam String code, @RequestParam(required = false) String site) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        ItemFacts.Item item = directory.item(code);
        if (item == null) {
            throw JobProblem.notFound("There is no item " + code);
        }
        List<BillTree.Line> below =
                new BillTree(directory.facts(), directory.facts().units()).below(code);
        Tree tree = new Tree(version, siteInView(version, code, site));
        return new ItemDetail(
                list.row(version, item),
                item.standardCost(),
                item.price(),
                list.points(version, code).stream()
                        .map(p -> pointRow(version, p))
                        .toList(),
                tree.rows(below),
                tree.lines,
                operations(directory, code),
                usedIn(directory, code),
                alternatives(version, code),
                MaterialCost.of(directory.facts(), below, version.today()));
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
                ItemList.sum(point, Supply.Kind.STOCK),
                ItemList.sum(point, Supply.Kind.OPEN),
                point.plannedOrderCount(),
                point.signals().size());
    }

    /** The site that was asked for, or else the first at which the item is planned; null if it is planned nowhere. */
    private String siteInView(PlanVersion version, String code, String asked) {
        return asked != null
                ? asked
                : list.points(version, code).stream()
                        .findFirst()
                        .map(PointView::site)
                        .orElse(null);
    }

    /** What is said of a component wherever it stands in the tree. */
    private record There(ItemFacts.Item item, String name, BigDecimal onHand, Integer leadTimeDays) {
        static There of(PlanVersion version, String component, String site) {
            ItemFacts.Item item = version.directory().item(component);
            Optional<PointView> point =
                    site == null ? Optional.empty() : version.plan().point(component, site);
            return new There(
                    item,
                    version.directory().itemName(component),
                    point.map(p -> ItemList.sum(p, Supply.Kind.STOCK)).orElse(BigDecimal.ZERO),
                    point.map(PointView::leadTimeDays).orElse(null));
        }
    }

    /** The lines of a tree, and what is known of the rows and components that stand in it, each looked for once. */
    private static final class Tree {
        private final PlanVersion version;
        private final String site;
        private final Map<String, There> components = new HashMap<>();
        private final Map<MakingFacts.BomLine, Integer> places = new IdentityHashMap<>();
        private final List<Map<String, String>> lines = new ArrayList<>();

        Tree(PlanVersion version, String site) {
            this.version = version;
            this.site = site;
        }

        List<BomRow> rows(List<BillTree.Line> below) {
            return below.stream()
                    .map(line -> bomRow(
                            line,
                            place(line.line()),
                            components.computeIfAbsent(
                                    line.line().component(), component -> There.of(version, component, site))))
                    .toList();
        }

        private int place(MakingFacts.BomLine line) {
            return places.computeIfAbsent(line, l -> {
                lines.add(version.directory()
                        .facts()
                        .row("bom_lines", l.parent(), l.line())
                        .cells());
                return lines.size() - 1;
            });
        }
    }

    private static BomRow bomRow(BillTree.Line of, int place, There there) {
        MakingFacts.BomLine line = of.line();
        ItemFacts.Item item = there.item;
        BigDecimal each = of.each() == null ? null : Quantity.decimal(of.each().up(Quantity.ONE, 1));
        return new BomRow(
                of.depth(),
                line.parent(),
                line.line(),
                place,
                item.code(),
                there.name,
                Words.word(item.is()),
                plain(line.quantity()),
                line.unit() == null ? item.unit() : line.unit(),
                line.perOrder(),
                line.scrap() == null ? null : plain(line.scrap()),
                line.validFrom(),
                line.validTo(),
                line.step(),
                item.unit(),
                each,
                each == null || item.standardCost() == null ? null : plain(each.multiply(item.standardCost())),
                there.onHand,
                each == null || each.signum() == 0 ? null : there.onHand.divide(each, 0, RoundingMode.FLOOR),
                there.leadTimeDays,
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

    private List<AlternativeRow> alternatives(PlanVersion version, String code) {
        Directory directory = version.directory();
        return Stream.concat(
                        directory.alternatives(code).rows().stream().map(row -> alternative(version, row, false)),
                        directory.facts().where(ItemFacts.AlternativeItem.class, "alternative", code).stream()
                                .map(row -> alternative(version, row, true)))
                .toList();
    }

    private AlternativeRow alternative(PlanVersion version, ItemFacts.AlternativeItem row, boolean instead) {
        Directory directory = version.directory();
        String other = instead ? row.item() : row.alternative();
        return new AlternativeRow(
                instead,
                other,
                directory.itemName(other),
                row.parent(),
                directory.itemName(row.parent()),
                plain(row.units()),
                ItemList.onHand(list.points(version, other)),
                directory.unit(other));
    }

    private static BigDecimal plain(BigDecimal value) {
        return Quantity.decimal(Quantity.of(value.setScale(6, RoundingMode.HALF_UP)));
    }
}
