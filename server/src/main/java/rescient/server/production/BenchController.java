package rescient.server.production;

import jakarta.validation.constraints.Size;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;

/** The foreman's list. */
@RestController
@RequestMapping("/api/bench")
class BenchController {
    private final LivePlan live;
    private final Benches benches;

    BenchController(LivePlan live, Benches benches) {
        this.live = live;
        this.benches = benches;
    }

    /** What runs, what can start, what waits for what; {@code state} is one of them, or late. */
    @GetMapping
    Benches.BenchView bench(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 20) String state,
            @RequestParam(required = false) @Size(max = 300) String center) {
        return benches.view(live.current(), words, state, center);
    }
}
