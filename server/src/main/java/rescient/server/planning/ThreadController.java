package rescient.server.planning;

import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.CustomerOrderLine;
import rescient.core.Ends;
import rescient.core.PlanThread;
import rescient.core.PlannedOrder;
import rescient.core.Promise;
import rescient.dataset.Row;

/** Threads of the plan, and the customer orders that one starts from. */
@RestController
@RequestMapping("/api/plan/threads")
class ThreadController {
    private final VersionInView versions;

    ThreadController(VersionInView versions) {
        this.versions = versions;
    }

    /** Every line of a customer order with the day on which it can be met, by the day wanted. */
    @GetMapping("/customer-orders")
    List<PromiseRow> customerOrders() {
        PlanVersion version = versions.inView();
        return Promise.of(version.plan()).stream()
                .map(p -> PromiseRow.of(version, p))
                .toList();
    }

    /** The thread of all lines of a customer order. */
    @GetMapping("/customer-order")
    ThreadView customerOrder(@RequestParam String number) {
        PlanVersion version = versions.inView();
        return ThreadView.of(
                version,
                number,
                "The plan has no open line of the customer order " + number + ".",
                PlanThread.ofCustomerOrder(version.plan(), number));
    }

    /** The thread of a planned order, or of a line of a firmed or released one. */
    @GetMapping("/order")
    ThreadView order(@RequestParam String key) {
        PlanVersion version = versions.inView();
        if (OrderKey.isLine(key)) {
            String number = OrderKey.number(key);
            String line = OrderKey.line(key);
            Row row = version.directory().openOrder(number, line);
            return ThreadView.of(
                            version,
                            number,
                            "The plan does not count on " + number + " any more.",
                            PlanThread.ofOpen(version.plan(), number, line))
                    .serving(
                            row == null
                                    ? List.of()
                                    : ends(
                                            version,
                                            Ends.allOfOpen(
                                                    version.plan(), row.text("item"), row.text("site"), number, line)));
        }
        OrderKey wanted = OrderKey.parse(key);
        Optional<PlannedOrder> order = wanted.in(version.plan());
        return ThreadView.of(
                        version,
                        wanted.quantity() + " " + version.directory().itemName(wanted.item()),
                        "The plan no longer asks for " + wanted.quantity() + " " + wanted.item() + " on "
                                + Words.day((int) wanted.due().toEpochDay()) + ".",
                        order.map(o -> PlanThread.ofPlanned(version.plan(), o.item(), o.site(), o.sequence()))
                                .orElse(new PlanThread(List.of(), false)))
                .serving(order.map(o -> Ends.allOfPlanned(version.plan(), o.item(), o.site(), o.sequence()))
                        .map(lines -> ends(version, lines))
                        .orElse(List.of()));
    }

    private static List<End> ends(PlanVersion version, List<CustomerOrderLine> lines) {
        return lines.stream().map(line -> End.of(version, line)).toList();
    }

    /** The thread of all that is ordered of an item at a site. */
    @GetMapping("/stock-point")
    ThreadView stockPoint(@RequestParam String item, @RequestParam String site) {
        PlanVersion version = versions.inView();
        return ThreadView.of(
                version,
                version.directory().itemName(item),
                "Nothing is ordered or planned of " + item + " at "
                        + version.directory().siteName(site) + ".",
                PlanThread.ofPoint(version.plan(), item, site));
    }
}
