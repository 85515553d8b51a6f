package rescient.server.stock;

import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;

/** What was posted on orders, and what they cost. */
@RestController
@RequestMapping("/api/orders")
class OrderCostController {
    private final LivePlan live;
    private final OrderCosts costs;
    private final OrderPostings postings;

    OrderCostController(LivePlan live, OrderCosts costs, OrderPostings postings) {
        this.live = live;
        this.costs = costs;
        this.postings = postings;
    }

    /** Expected against actual, of each line of an order on which something was posted. */
    @GetMapping("/costs")
    List<OrderCosts.CostStatement> orderCosts(@RequestParam @Size(max = 300) String number) {
        return costs.of(live.current(), number);
    }

    /** What was posted on an order, of ours or of a customer, the latest first. */
    @GetMapping("/postings")
    List<OrderPostings.PostedOnOrder> orderPostings(@RequestParam @Size(max = 300) String number) {
        return postings.of(number);
    }
}
