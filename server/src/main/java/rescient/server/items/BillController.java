package rescient.server.items;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Quantity;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.trace.BillComparison;
import rescient.core.trace.BillTree;
import rescient.core.trace.Buildable;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What bills of materials say: how many could be built, how two differ, where something is used. */
@RestController
@RequestMapping("/api/bills")
class BillController {
    private static final int MOST = 20;
    private static final int MOST_USES = 500;

    private final LivePlan live;

    BillController(LivePlan live) {
        this.live = live;
    }

    /**
     * What stops a build.
     *
     * @param needed for one more than could be built
     * @param comes the day on which more of it comes, as far as it is ordered; null if nothing is
     */
    record Limit(
            String item,
            String itemName,
            String unit,
            BigDecimal needed,
            BigDecimal there,
            BigDecimal missing,
            @Nullable LocalDate comes,
            @Nullable BigDecimal comesQuantity) {}

    /** @param open nothing limits it */
    record Built(BigDecimal quantity, boolean open, List<Limit> limits) {}

    /**
     * How many could be built at a site of what lies there.
     *
     * @param direct of its own components as they lie there
     * @param deep with components made there too, on all levels
     */
    record BuildableView(String item, String site, String siteName, String unit, Built direct, Built deep) {}

    /** A line of a bill of materials beside another. */
    record LineView(
            String line,
            BigDecimal quantity,
            String unit,
            boolean perOrder,
            @Nullable BigDecimal scrap,
            @Nullable LocalDate validFrom,
            @Nullable LocalDate validTo,
            @Nullable String step) {}

    record PairView(
            String component,
            String componentName,
            boolean same,
            @Nullable LineView left,
            @Nullable LineView right) {}

    /**
     * A line in which an item is used.
     *
     * @param last the parent is used in nothing
     */
    record UseView(
            int depth,
            String parent,
            String parentName,
            String line,
            BigDecimal quantity,
            String unit,
            boolean perOrder,
            boolean last) {}

    /** @param direct in how many bills of materials the item itself stands */
    record UsesView(List<UseView> rows, int direct, boolean more) {}

    @GetMapping("/buildable")
    BuildableView buildable(@RequestParam @Size(max = 300) String item, @RequestParam @Size(max = 300) String site) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        directory.facts().known(ItemFacts.Item.class, item, "item");
        directory.facts().known(BasicFacts.Site.class, site, "site");
        Buildable buildable = new Buildable(
                directory.facts(),
                directory.facts().units(),
                site,
                Math.toIntExact(version.today().toEpochDay()),
                code -> version.plan()
                        .point(code, site)
                        .map(BillController::onHand)
                        .orElse(0L));
        return new BuildableView(
                item,
                site,
                directory.siteName(site),
                directory.unit(item),
                view(version, site, buildable.fromComponents(item)),
                view(version, site, buildable.throughAllLevels(item)));
    }

    private static long onHand(PointView point) {
        return point.supplies().stream()
                .filter(supply -> supply.kind() == Supply.Kind.STOCK)
                .mapToLong(Supply::quantity)
                .sum();
    }

    private static Built view(PlanVersion version, String site, Buildable.Built built) {
        return new Built(
                Quantity.decimal(built.quantity()),
                built.open(),
                built.limits().stream()
                        .limit(MOST)
                        .map(missing -> limit(version, site, missing))
                        .toList());
    }

    private static Limit limit(PlanVersion version, String site, Buildable.Missing missing) {
        Optional<Supply> next = version.plan().point(missing.item(), site).stream()
                .flatMap(point -> point.supplies().stream())
                .filter(supply -> supply.kind() == Supply.Kind.OPEN)
                .min((a, b) -> Integer.compare(a.day(), b.day()));
        return new Limit(
                missing.item(),
                version.directory().itemName(missing.item()),
                version.directory().unit(missing.item()),
                Quantity.decimal(missing.needed()),
                Quantity.decimal(missing.there()),
                Quantity.decimal(missing.quantity()),
                next.map(supply -> Words.date(supply.day())).orElse(null),
                next.map(supply -> Quantity.decimal(supply.quantity())).orElse(null));
    }

    @GetMapping("/compare")
    List<PairView> compare(@RequestParam @Size(max = 300) String left, @RequestParam @Size(max = 300) String right) {
        Directory directory = live.current().directory();
        directory.facts().known(ItemFacts.Item.class, left, "left");
        directory.facts().known(ItemFacts.Item.class, right, "right");
        return BillComparison.of(directory.facts(), left, right).stream()
                .map(pair -> new PairView(
                        pair.component(),
                        directory.itemName(pair.component()),
                        pair.same(),
                        view(directory, pair.left()),
                        view(directory, pair.right())))
                .toList();
    }

    private static LineView view(Directory directory, MakingFacts.BomLine line) {
        return line == null
                ? null
                : new LineView(
                        line.line(),
                        plain(line.quantity()),
                        line.unit() == null ? directory.unit(line.component()) : line.unit(),
                        line.perOrder(),
                        line.scrap() == null ? null : plain(line.scrap()),
                        line.validFrom(),
                        line.validTo(),
                        line.step());
    }

    private static BigDecimal plain(BigDecimal value) {
        return Quantity.decimal(Quantity.of(value));
    }

    /** @param all up to what is used in nothing; otherwise only where the item itself stands */
    @GetMapping("/where-used")
    UsesView whereUsed(
            @RequestParam @Size(max = 300) String item,
            @RequestParam(defaultValue = "false") boolean all,
            @RequestParam(defaultValue = "" + MOST_USES) int limit) {
        Directory directory = live.current().directory();
        if (directory.item(item) == null) {
            throw JobProblem.notFound("There is no item " + item);
        }
        int most = Math.max(1, Math.min(limit, MOST_USES));
        BillTree bills = directory.bills();
        int direct = directory
                .facts()
                .where(MakingFacts.BomLine.class, "component", item)
                .size();
        List<BillTree.Use> uses = all
                ? bills.above(item, most + 1)
                : bills.usedIn(item).stream()
                        .limit(most + 1L)
                        .map(line -> new BillTree.Use(0, line, false))
                        .toList();
        return new UsesView(
                uses.stream().limit(most).map(use -> view(directory, use)).toList(), direct, uses.size() > most);
    }

    private static UseView view(Directory directory, BillTree.Use use) {
        MakingFacts.BomLine line = use.line();
        return new UseView(
                use.depth(),
                line.parent(),
                directory.itemName(line.parent()),
                line.line(),
                plain(line.quantity()),
                line.unit() == null ? directory.unit(line.component()) : line.unit(),
                line.perOrder(),
                use.last());
    }
}
