package rescient.server.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rescient.core.PointView;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The live plan: its state, its planned orders, one stock point, and every Why. */
@RestController
@RequestMapping("/api/plan")
class PlanController {
    private final LivePlan live;
    private final PlanNews news;
    private final WorkList work;
    private final VersionInView versions;

    PlanController(LivePlan live, PlanNews news, WorkList work, VersionInView versions) {
        this.live = live;
        this.news = news;
        this.work = work;
        this.versions = versions;
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

    /** Something to choose, by its code. */
    record Choice(String code, String name) {}

    /**
     * @param sites those in the list; so are planners, suppliers and item groups
     * @param allSites all there are; so are all suppliers and customers
     */
    record Choices(
            List<Choice> sites,
            List<Choice> planners,
            List<Choice> suppliers,
            List<Choice> groups,
            List<Choice> allSites,
            List<Choice> allSuppliers,
            List<Choice> allCustomers) {}

    /**
     * @param whole all orders are there; if not, the filter was asked and {@code more} others fit, or may fit
     * @param moreSignals that fit too
     */
    record PlannedOrderList(
            long version,
            List<PlannedOrders.PlannedOrderRow> orders,
            List<WorkList.SignalRow> signals,
            Choices choices,
            boolean whole,
            int more,
            int moreSignals) {}

    @GetMapping
    PlanState state() {
        PlanVersion version = versions.inView();
        return new PlanState(
                version.number(),
                version.madeAt(),
                version.tookMillis(),
                version.today(),
                version.horizonEnd(),
                version.company(),
                version.demo(),
                version.directory().currency(),
                version.plan().plannedOrderCount(),
                version.signals().size(),
                version.plan().lateOrderCount(),
                live.failure());
    }

    /** All that wants a decision, or the most urgent of it that fits. */
    @GetMapping("/orders")
    PlannedOrderList orders(@ParameterObject ListFilter filter) {
        PlanVersion version = versions.inView();
        WorkList.Listed listed = work.orders(version, filter);
        WorkList.ListedSignals signals = work.signals(version, filter);
        return new PlannedOrderList(
                version.number(),
                listed.orders(),
                signals.signals(),
                choices(version.directory(), listed),
                listed.whole(),
                listed.more(),
                signals.more());
    }

    /** Of a list that is not whole, all there are can be chosen. */
    private static Choices choices(Directory directory, WorkList.Listed listed) {
        List<PlannedOrders.PlannedOrderRow> orders = listed.orders();
        List<Choice> sites = choices(directory.sites().keySet(), directory::siteName);
        List<Choice> suppliers = choices(directory.suppliers(), directory::supplierName);
        return new Choices(
                listed.whole() ? choices(orders, PlannedOrders.PlannedOrderRow::site, directory::siteName) : sites,
                listed.whole()
                        ? choices(orders, PlannedOrders.PlannedOrderRow::planner, p -> p)
                        : choices(directory.planners(), p -> p),
                listed.whole()
                        ? choices(orders, PlannedOrders.PlannedOrderRow::supplier, directory::supplierName)
                        : suppliers,
                listed.whole()
                        ? choices(orders, PlannedOrders.PlannedOrderRow::itemGroup, directory::groupName)
                        : choices(directory.groups(), directory::groupName),
                sites,
                suppliers,
                choices(directory.customers(), directory::customerName));
    }

    private static List<Choice> choices(Collection<String> codes, UnaryOperator<String> name) {
        return codes.stream().map(c -> new Choice(c, name.apply(c))).toList();
    }

    private static List<Choice> choices(
            List<PlannedOrders.PlannedOrderRow> orders,
            Function<PlannedOrders.PlannedOrderRow, String> code,
            UnaryOperator<String> name) {
        return orders.stream()
                .map(code)
                .filter(Objects::nonNull)
                .distinct()
                .sorted()
                .map(c -> new Choice(c, name.apply(c)))
                .toList();
    }

    /**
     * A planned order that is looked at; it may go while one looks.
     *
     * @param gone that the plan no longer asks for it, in a sentence; null while it does
     */
    record PlannedOrderInView(
            @Nullable PlannedOrderDetail detail, @Nullable String gone) {}

    @GetMapping("/order")
    PlannedOrderInView order(@RequestParam String key) {
        PlanVersion version = versions.inView();
        OrderKey wanted = OrderKey.parse(key);
        return wanted.in(version.plan())
                .map(order -> new PlannedOrderInView(PlannedOrderDetail.of(version, wanted, order), null))
                .orElseGet(() -> new PlannedOrderInView(
                        null,
                        "The plan no longer asks for " + wanted.quantity() + " " + wanted.item() + " on "
                                + Words.day((int) wanted.due().toEpochDay()) + "."));
    }

    @GetMapping("/stock-point")
    StockPointView stockPoint(@RequestParam String item, @RequestParam String site) {
        PlanVersion version = versions.inView();
        return StockPointView.of(version, point(version, item, site));
    }

    @GetMapping("/balance")
    Slip whyBalance(@RequestParam String item, @RequestParam String site, @RequestParam LocalDate date) {
        PlanVersion version = versions.inView();
        PointView point = point(version, item, site);
        if (!point.planned()) {
            throw JobProblem.notFound(item + " lies on a loop, or below one; nothing is calculated for it");
        }
        return Slip.balance(version, point, (int) date.toEpochDay());
    }

    @GetMapping("/signals")
    List<SignalView> signals() {
        PlanVersion version = versions.inView();
        return version.signals().stream().map(s -> SignalView.of(version, s)).toList();
    }

    /**
     * Why a signal is raised.
     *
     * @param number of the order or lot it speaks of, if any; so is {@code date}
     */
    @GetMapping("/signal")
    Slip whySignal(
            @RequestParam String kind,
            @RequestParam String item,
            @RequestParam String site,
            @RequestParam(required = false) String number,
            @RequestParam(required = false) LocalDate date) {
        PlanVersion version = versions.inView();
        return version.signals().stream()
                .filter(s -> Words.word(s.kind()).equals(kind)
                        && s.item().equals(item)
                        && s.site().equals(site)
                        && (number == null || s.orderNumber().equals(number))
                        && (date == null || date.equals(Words.dateOrNull(s.day()))))
                .findFirst()
                .map(s -> SignalSlip.of(version, s))
                .orElseThrow(() -> JobProblem.notFound("This signal is no longer raised"));
    }

    @GetMapping(path = "/news", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter news() {
        return news.listen(() -> live.current().number());
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
