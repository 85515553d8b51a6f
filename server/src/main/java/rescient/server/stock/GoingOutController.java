package rescient.server.stock;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;

/** What goes out to customers. */
@RestController
@RequestMapping("/api/stock/out")
class GoingOutController {
    private final LivePlan live;
    private final GoingOut out;

    GoingOutController(LivePlan live, GoingOut out) {
        this.live = live;
        this.out = out;
    }

    /** What customers are to get until a day, and what of it can go. */
    @GetMapping
    GoingOut.OutLines goingOut(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 300) String customer,
            @RequestParam(required = false) LocalDate until,
            @RequestParam(required = false) @Size(max = 20) String state) {
        return out.list(live.current(), words, customer, until, state);
    }
}
