package rescient.server.planning;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OrderFacts;
import rescient.core.plan.PlannedOrder;
import rescient.core.trace.Ends;
import rescient.core.trace.PlanThread;
import rescient.server.platform.Sought;

/** Threads of a plan, and the customer orders that one starts from. */
@Component
class Threads implements WarmUp {
    private static final int TIMES = 30;

    private final ObjectMapper json;
    private final Promises promises;

    private final int most;

    Threads(ObjectMapper json, Promises promises, @Value("${rescient.list-most:1000}") int most) {
        this.json = json;
        this.promises = promises;
        this.most = most;
    }

    /** Those lines of customer orders that are looked for. */
    PromiseList customerOrders(PlanVersion version, Sought sought, boolean onlyLate) {
        return PromiseList.of(version, promises.of(version), sought, onlyLate, most);
    }

    /** The thread of all lines of a customer order. */
    ThreadView customerOrder(PlanVersion version, String number) {
        return ThreadView.of(
                version,
                number,
                "The plan has no open line of the customer order " + number + ".",
                PlanThread.ofCustomerOrder(version.plan(), number));
    }

    /** The thread of a planned order, or of a line of a firmed or released one. */
    ThreadView order(PlanVersion version, String key) {
        if (OrderKey.isLine(key)) {
            String number = OrderKey.number(key);
            String line = OrderKey.line(key);
            OrderFacts.OpenOrder row = version.directory().openOrder(number, line);
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
                                            Ends.allOfOpen(version.plan(), row.plannedAs(), row.site(), number, line)));
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
    ThreadView stockPoint(PlanVersion version, String item, String site) {
        return ThreadView.of(
                version,
                version.directory().itemName(item),
                "Nothing is ordered or planned of " + item + " at "
                        + version.directory().siteName(site) + ".",
                PlanThread.ofPoint(version.plan(), item, site));
    }

    @Override
    public void warmUp(PlanVersion version) throws JsonProcessingException {
        for (String key : OrderKey.some(version.plan(), TIMES)) {
            json.writeValueAsBytes(order(version, key));
        }
    }
}
