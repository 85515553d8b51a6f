package rescient.server.stock;

import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.costing.Variances;
import rescient.server.planning.LivePlan;

/** What stock is and was worth, and what differed from what was expected. */
@RestController
@RequestMapping("/api/stock")
class ValueController {
    private final LivePlan live;
    private final StockWorth worth;
    private final StockVariances variances;

    ValueController(LivePlan live, StockWorth worth, StockVariances variances) {
        this.live = live;
        this.worth = worth;
        this.variances = variances;
    }

    /** What stock was worth at the end of a day, by item, group or site. */
    @GetMapping("/worth")
    StockWorth.WorthView worth(
            @RequestParam(required = false) LocalDate day,
            @RequestParam(defaultValue = "group") @Size(max = 20) String by) {
        return worth.of(live.current(), day, by);
    }

    /** What differed from what was expected on days after {@code from} until {@code to}. */
    @GetMapping("/variances")
    List<StockVariances.VarianceGroup> variances(
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(defaultValue = "cause") @Pattern(regexp = "cause|item|center|month") String by) {
        return variances.of(live.current(), from, to, Variances.By.valueOf(by.toUpperCase(Locale.ROOT)));
    }
}
