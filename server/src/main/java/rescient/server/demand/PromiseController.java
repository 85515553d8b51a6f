package rescient.server.demand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.decisions.EnteredLine;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** When a customer can have what he asks for. Looking is free: nothing is reserved. */
@RestController
@RequestMapping("/api/promise")
class PromiseController {
    /** Of one order. */
    private static final int MOST_LINES = 500;

    private final LivePlan live;
    private final OrderPromises promises;

    PromiseController(LivePlan live, OrderPromises promises) {
        this.live = live;
        this.promises = promises;
    }

    /**
     * An order that is being typed.
     *
     * @param number of an order that gets more lines; null: a new one
     * @param lines in turn: each that is promised is in the way of the next
     */
    record Asking(
            @Nullable @Size(max = 300) String number,
            @NotNull @Size(max = MOST_LINES) List<@Valid @NotNull EnteredLine> lines) {}

    /** The promises of all lines, by the plan as it is; what is wrong with a line stands in its place. */
    @PostMapping
    List<PromiseView> promise(@Valid @RequestBody Asking asking) {
        return promises.of(live.current(), asking.number(), asking.lines());
    }

    /** What else can be done for one line of them. */
    @PostMapping("/ways")
    WaysView ways(@RequestParam @Min(0) @Max(MOST_LINES) int at, @Valid @RequestBody Asking asking) {
        return promises.ways(live.current(), asking.number(), asking.lines(), at);
    }
}
