package rescient.server.stock;

import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;

/** What orders cost. */
@RestController
@RequestMapping("/api/orders/costs")
class OrderCostController {
    private final LivePlan live;
    private final OrderCosts costs;

    OrderCostController(LivePlan live, OrderCosts costs) {
        this.live = live;
        this.costs = costs;
    }

    /** Expected against actual, of each line of an order on which something was posted. */
    @GetMapping
    List<OrderCosts.CostStatement> orderCosts(@RequestParam @Size(max = 300) String number) {
        return costs.of(live.current(), number);
    }
}
