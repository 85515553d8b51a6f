package rescient.server.demand;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.StockFacts;
import rescient.server.access.SignedIn;
import rescient.server.mail.MailView;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Promises;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Customer orders: their lines in a list, and one order as a whole. */
@RestController
@RequestMapping("/api/demand")
class DemandController {
    private static final int USUAL = 12;

    private final LivePlan live;
    private final OrderLines lines;
    private final Confirmations confirmations;
    private final OrderVersions versions;
    private final Promises promises;

    DemandController(
            LivePlan live, OrderLines lines, Confirmations confirmations, OrderVersions versions, Promises promises) {
        this.live = live;
        this.lines = lines;
        this.confirmations = confirmations;
        this.versions = versions;
        this.promises = promises;
    }

    /**
     * A customer order.
     *
     * @param lines all of it, also what is done or cancelled
     */
    record OrderView(
            String number,
            @Nullable String customer,
            @Nullable String customerName,
            @Nullable String customerEmail,
            @Nullable String reference,
            @Nullable LocalDate entered,
            boolean complete,
            String state,
            List<OrderLineRow> lines,
            @Nullable BigDecimal value) {}

    /**
     * What a customer usually buys.
     *
     * @param times on how many lines it was ordered or shipped
     * @param quantity of the latest of them
     * @param latest its day
     */
    record UsualView(String item, String itemName, String unit, int times, BigDecimal quantity, LocalDate latest) {}

    @GetMapping("/lines")
    OrderLines.OrderLineRows orderLines(@ParameterObject OrderLineFilter filter) {
        return lines.find(live.current(), filter);
    }

    @GetMapping("/order")
    OrderView order(@RequestParam String number) {
        PlanVersion version = live.current();
        List<OrderLineRow> rows = lines.order(version, number);
        if (rows.isEmpty()) {
            throw JobProblem.notFound("There is no customer order " + number);
        }
        OrderLineRow first = rows.get(0);
        PartnerFacts.Customer customer = first.customer() == null
                ? null
                : version.directory()
                        .facts()
                        .one(PartnerFacts.Customer.class, first.customer())
                        .orElse(null);
        return new OrderView(
                number,
                first.customer(),
                first.customerName(),
                customer == null ? null : customer.email(),
                first.reference(),
                first.entered(),
                first.complete(),
                state(rows),
                rows,
                rows.stream()
                        .filter(row -> row.state().equals("open") || row.state().equals("quote"))
                        .map(OrderLineRow::value)
                        .reduce(BigDecimal.ZERO, (sum, value) -> sum == null || value == null ? null : sum.add(value)));
    }

    /** @param broken how many lines were promised for an earlier day than the plan can keep */
    record AtRisk(int broken) {}

    /** How many promises the plan does not keep. */
    @GetMapping("/at-risk")
    AtRisk atRisk() {
        return new AtRisk(promises.broken(live.current()));
    }

    /** How an order stood after each change of it, the first version first. */
    @GetMapping("/versions")
    List<OrderVersions.VersionView> versions(@RequestParam @Size(max = 300) String number) {
        return versions.of(live.current(), number);
    }

    /** An order as it is confirmed, to be printed. */
    @GetMapping("/confirmation")
    ResponseEntity<byte[]> confirmation(@RequestParam String number) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(number.replaceAll("[^A-Za-z0-9._-]", "-") + ".pdf")
                                .build()
                                .toString())
                .body(confirmations.pdf(live.current(), number));
    }

    /** Confirms an order to its customer by mail. */
    @PostMapping("/confirmation")
    @ResponseStatus(HttpStatus.CREATED)
    MailView confirm(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @RequestParam @Size(max = 300) String number) {
        return confirmations.send(user, key, number);
    }

    /** Open as long as one of its lines is, then a quote, then done. */
    private static String state(List<OrderLineRow> rows) {
        for (String state : List.of("open", "quote", "done")) {
            if (rows.stream().anyMatch(row -> row.state().equals(state))) {
                return state;
            }
        }
        return "cancelled";
    }

    /** What a customer ordered or got most often, to order it again. */
    @GetMapping("/usual")
    List<UsualView> usual(@RequestParam String customer) {
        Directory directory = live.current().directory();
        Map<String, UsualView> usual = new LinkedHashMap<>();
        directory
                .facts()
                .where(OrderFacts.CustomerOrder.class, "customer", customer)
                .forEach(line -> add(
                        directory,
                        usual,
                        line.item(),
                        line.agreed().ordered() == null
                                ? line.quantity()
                                : line.agreed().ordered(),
                        line.agreed().entered() == null
                                ? line.dueDate()
                                : line.agreed().entered()));
        directory.facts().where(StockFacts.Shipment.class, "customer", customer).stream()
                // what was ordered here is counted with its order
                .filter(one -> one.line() == null
                        || directory.facts().row("customer_orders", one.number(), one.line()) == null)
                .forEach(one -> add(directory, usual, one.item(), one.quantity(), one.date()));
        return usual.values().stream()
                .filter(one -> !directory.isRetired("items", one.item()))
                .sorted(Comparator.comparingInt(UsualView::times)
                        .thenComparing(UsualView::latest)
                        .reversed()
                        .thenComparing(UsualView::item))
                .limit(USUAL)
                .toList();
    }

    private static void add(
            Directory directory, Map<String, UsualView> usual, String item, BigDecimal quantity, LocalDate day) {
        usual.merge(
                item, new UsualView(item, directory.itemName(item), directory.unit(item), 1, quantity, day), (a, b) -> {
                    UsualView later = b.latest.isAfter(a.latest) ? b : a;
                    return new UsualView(item, a.itemName, a.unit, a.times + b.times, later.quantity, later.latest);
                });
    }
}
