package rescient.server.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.TreeSet;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rescient.core.PlannedOrder;
import rescient.core.PointView;
import rescient.core.Signal;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The live plan: its state, its planned orders, one stock point, and every Why. */
@RestController
@RequestMapping("/api/plan")
class PlanController {
    private final LivePlan live;
    private final PlanNews news;

    PlanController(LivePlan live, PlanNews news) {
        this.live = live;
        this.news = news;
    }

    /**
     * The state of the plan.
     *
     * @param failure what kept the last calculation from being completed
     * @param lateOrders customer orders that will be late or can never be met
     */
    record PlanState(
            long version,
            Instant madeAt,
            long tookMillis,
            LocalDate today,
            LocalDate horizonEnd,
            String company,
            boolean demo,
            String currency,
            int plannedOrders,
            int signals,
            int lateOrders,
            @Nullable String failure) {}

    /** What the list can be narrowed to. */
    record Choice(String code, String name) {}

    record Choices(List<Choice> sites, List<Choice> planners, List<Choice> suppliers) {}

    record PlannedOrderList(long version, List<PlannedOrders.PlannedOrderRow> orders, Choices choices) {}

    @GetMapping
    PlanState state() {
        PlanVersion version = live.current();
        long late = version.signals().stream()
                .filter(s -> s.kind() == Signal.Kind.DEMAND_LATE)
                .map(Signal::orderNumber)
                .distinct()
                .count();
        return new PlanState(
                version.number(),
                version.madeAt(),
                version.tookMillis(),
                version.today(),
                version.horizonEnd(),
                version.company(),
                version.demo(),
                version.directory().currency(),
                version.plan().plannedOrders().size(),
                version.signals().size(),
                (int) late,
                live.failure());
    }

    @GetMapping("/orders")
    PlannedOrderList orders(
            @RequestParam(required = false) String site,
            @RequestParam(required = false) String planner,
            @RequestParam(required = false) String supplier,
            @RequestParam(required = false) String source,
            @RequestParam(required = false) LocalDate until) {
        PlanVersion version = live.current();
        Directory directory = version.directory();
        List<PlannedOrders.PlannedOrderRow> all = PlannedOrders.of(version);
        List<PlannedOrders.PlannedOrderRow> orders = all.stream()
                .filter(o -> site == null || site.equals(o.site()))
                .filter(o -> planner == null || planner.equals(directory.planner(o.item())))
                .filter(o -> supplier == null || supplier.equals(o.supplier()))
                .filter(o -> source == null || source.equals(o.source()))
                .filter(o -> until == null || !o.start().isAfter(until))
                .toList();
        return new PlannedOrderList(version.number(), orders, choices(directory, all));
    }

    private static Choices choices(Directory directory, List<PlannedOrders.PlannedOrderRow> all) {
        TreeSet<String> sites = new TreeSet<>();
        TreeSet<String> planners = new TreeSet<>();
        TreeSet<String> suppliers = new TreeSet<>();
        for (PlannedOrders.PlannedOrderRow order : all) {
            sites.add(order.site());
            String planner = directory.planner(order.item());
            if (planner != null) {
                planners.add(planner);
            }
            if (order.supplier() != null) {
                suppliers.add(order.supplier());
            }
        }
        return new Choices(
                sites.stream().map(s -> new Choice(s, directory.siteName(s))).toList(),
                planners.stream().map(p -> new Choice(p, p)).toList(),
                suppliers.stream()
                        .map(s -> new Choice(s, directory.supplierName(s)))
                        .toList());
    }

    @GetMapping("/order")
    PlannedOrderDetail order(@RequestParam String key) {
        PlanVersion version = live.current();
        OrderKey wanted = OrderKey.parse(key);
        PlannedOrder order = wanted.in(version.plan())
                .orElseThrow(() -> JobProblem.notFound("The plan no longer asks for " + wanted.quantity() + " "
                        + wanted.item() + " on "
                        + Words.day((int) wanted.due().toEpochDay())));
        return PlannedOrderDetail.of(version, wanted, order);
    }

    @GetMapping("/stock-point")
    StockPointView stockPoint(@RequestParam String item, @RequestParam String site) {
        PlanVersion version = live.current();
        return StockPointView.of(version, point(version, item, site));
    }

    @GetMapping("/balance")
    Slip whyBalance(@RequestParam String item, @RequestParam String site, @RequestParam LocalDate date) {
        PlanVersion version = live.current();
        PointView point = point(version, item, site);
        if (!point.planned()) {
            throw JobProblem.notFound(item + " lies on a loop, or below one; nothing is calculated for it");
        }
        return Slip.balance(version, point, (int) date.toEpochDay());
    }

    @GetMapping("/signals")
    List<SignalView> signals() {
        PlanVersion version = live.current();
        return version.signals().stream().map(s -> SignalView.of(version, s)).toList();
    }

    @GetMapping(path = "/news", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter news() {
        return news.listen(live.current().number());
    }

    private static PointView point(PlanVersion version, String item, String site) {
        return version.plan().point(item, site).orElseThrow(() -> {
            Row row = version.directory().items().get(item);
            return JobProblem.notFound(
                    row != null && "kit".equals(row.text("kind"))
                            ? item + " is a kit: it is never stocked itself, look at its parts"
                            : "There is no stock point " + item + " at " + site);
        });
    }
}
