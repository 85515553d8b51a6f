package rescient.server.planning;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.platform.Sought;

/** Threads of the plan in view, and the customer orders that one starts from. */
@RestController
@RequestMapping("/api/plan/threads")
class ThreadController {
    private final VersionInView versions;
    private final Threads threads;

    ThreadController(VersionInView versions, Threads threads) {
        this.versions = versions;
        this.threads = threads;
    }

    /** @param words of number, customer or item, or of the item that makes it late */
    @GetMapping("/customer-orders")
    PromiseList customerOrders(
            @RequestParam(defaultValue = "") String words, @RequestParam(defaultValue = "false") boolean onlyLate) {
        return threads.customerOrders(versions.inView(), new Sought(words), onlyLate);
    }

    @GetMapping("/customer-order")
    ThreadView customerOrder(@RequestParam String number) {
        return threads.customerOrder(versions.inView(), number);
    }

    @GetMapping("/order")
    ThreadView order(@RequestParam String key) {
        return threads.order(versions.inView(), key);
    }

    @GetMapping("/stock-point")
    ThreadView stockPoint(@RequestParam String item, @RequestParam String site) {
        return threads.stockPoint(versions.inView(), item, site);
    }
}
