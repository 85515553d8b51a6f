package rescient.server.forecasting;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** The forecast sets there are, and the one that the plan uses. */
@RestController
@RequestMapping("/api/forecast-sets")
class ForecastSetController {
    private final ForecastSettings settings;
    private final CommandPipeline pipeline;
    private final LivePlan live;

    ForecastSetController(ForecastSettings settings, CommandPipeline pipeline, LivePlan live) {
        this.live = live;
        this.settings = settings;
        this.pipeline = pipeline;
    }

    /**
     * @param used the set that the plan uses; null: it uses none
     * @param names of all sets, in order
     */
    record ForecastSets(@Nullable String used, List<String> names) {}

    /**
     * @param name of a set; not said together with {@code none}
     * @param none plans without a forecast, which has to be said
     */
    record ForecastChoice(
            @Nullable @Size(max = 200) String name,
            @Nullable Boolean none) {
        boolean isClear() {
            return name == null ? Boolean.TRUE.equals(none) : !Boolean.TRUE.equals(none);
        }
    }

    @GetMapping
    @Transactional(readOnly = true)
    ForecastSets sets() {
        return new ForecastSets(settings.used(), settings.sets());
    }

    /**
     * An item at a site in two sets.
     *
     * @param first what the first says in all, {@code second} the other; null: nothing
     */
    record ComparedSeries(
            String key,
            String item,
            String itemName,
            String siteName,
            String unit,
            @Nullable BigDecimal first,
            @Nullable BigDecimal second,
            @Nullable BigDecimal difference) {}

    /**
     * @param difference of all in money, the second less the first
     * @param others how many series there are beside those that are listed
     */
    record ComparedSets(List<ComparedSeries> rows, BigDecimal difference, int others) {}

    /** What differs between two sets from this month on, what differs most in money first. */
    @GetMapping("/compared")
    ComparedSets compared(@RequestParam @Size(max = 200) String first, @RequestParam @Size(max = 200) String second) {
        return ComparedForecasts.of(live.current(), first, second);
    }

    /** Has the plan use another set, or none. */
    @PutMapping("/used")
    ForecastSets use(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody ForecastChoice choice) {
        return pipeline.carryOut(user, UUID.randomUUID(), new UseForecast(settings, choice));
    }
}
