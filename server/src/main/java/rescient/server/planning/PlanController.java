package rescient.server.planning;

import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.plan.PointView;
import rescient.server.access.SignedIn;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The live plan: its state, its planned orders, one stock point, and every Why. */
@RestController
@RequestMapping("/api/plan")
class PlanController {
    private final LivePlan live;
    private final PlanNews news;
    private final DecideList lists;
    private final VersionInView versions;
    private final ChangeMarks marks;
    private final List<MoreSignals> others;

    PlanController(
            LivePlan live,
            PlanNews news,
            DecideList lists,
            VersionInView versions,
            ChangeMarks marks,
            List<MoreSignals> others) {
        this.others = others;
        this.live = live;
        this.news = news;
        this.lists = lists;
        this.versions = versions;
        this.marks = marks;
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
                version.plan().signalCount(),
                version.plan().lateOrderCount(),
                live.failure());
    }

    /** All that wants a decision, or the most urgent of it that fits. */
    @GetMapping("/orders")
    DecideList.PlannedOrderList orders(
            @AuthenticationPrincipal SignedIn user, HttpSession session, @ParameterObject ListFilter filter) {
        PlanVersion version = versions.inView();
        Set<String> others = Boolean.TRUE.equals(filter.changed())
                ? marks.sinceVisit(version, user.getUsername(), session)
                : Set.of();
        return lists.list(version, filter, versions.weekStart(), others);
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

    /**
     * Where the day comes from on which a planned or open order can be there.
     *
     * @param slip null once the plan no longer has the order
     */
    record PossibleInView(@Nullable Slip slip) {}

    @GetMapping("/possible")
    PossibleInView whyPossible(@RequestParam String key) {
        return new PossibleInView(Slip.possible(versions.inView(), key));
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
        return Stream.concat(
                        version.signals().stream().map(s -> SignalView.of(version, s)),
                        others.stream().flatMap(more -> more.of(version).stream()))
                .toList();
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
                .or(() -> others.stream()
                        .flatMap(more -> more.why(version, kind, item, site).stream())
                        .findFirst())
                .orElseThrow(() -> JobProblem.notFound("This signal is no longer raised"));
    }

    @GetMapping(path = "/news", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter news() {
        return news.listen(() -> live.current().number());
    }

    private static PointView point(PlanVersion version, String item, String site) {
        return version.plan().point(item, site).orElseThrow(() -> {
            ItemFacts.Item known = version.directory().item(item);
            return JobProblem.notFound(
                    known != null && known.is() == ItemKind.KIT
                            ? item + " is a kit: it is never stocked itself, look at its parts"
                            : "There is no stock point " + item + " at " + site);
        });
    }
}
