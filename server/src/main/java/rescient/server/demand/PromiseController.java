package rescient.server.demand;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.promise.Answer;
import rescient.core.promise.Free;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;
import rescient.server.decisions.CustomerOrderRows;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Asked;
import rescient.server.platform.Nullable;

/** When a customer can have what he asks for. Looking is free: nothing is reserved. */
@RestController
@RequestMapping("/api/promise")
class PromiseController {
    private final LivePlan live;

    PromiseController(LivePlan live) {
        this.live = live;
    }

    /**
     * A line that the wanted day would make later.
     *
     * @param customer by name, null if nobody in particular
     */
    record TakenView(String number, String line, @Nullable String customer) {}

    /**
     * The promise for one line.
     *
     * @param promised null: not within the horizon
     * @param asWanted it is the wanted day, or the first working day after it
     * @param available so much could go on the wanted day, in the item's unit
     * @param freeNow so much stock and open orders leave over from today on; null where nothing is known of it there
     * @param freeThen the same from the wanted day on
     * @param causeItem of the supply that stands against the wanted day
     * @param limiting the part of a kit that comes last
     */
    record PromiseView(
            @Nullable LocalDate promised,
            boolean asWanted,
            BigDecimal available,
            String unit,
            @Nullable BigDecimal freeNow,
            @Nullable BigDecimal freeThen,
            @Nullable String causeItem,
            @Nullable String causeName,
            @Nullable String causeSite,
            @Nullable String limiting,
            @Nullable String limitingName,
            @Nullable TakenView takenFrom) {}

    /** The promise for a line that is being entered, by the plan as it is. */
    @GetMapping
    PromiseView promise(
            @RequestParam @Size(max = 300) String item,
            @RequestParam @Size(max = 300) String site,
            @RequestParam @Positive @DecimalMax("1000000000000") BigDecimal quantity,
            @RequestParam LocalDate wanted,
            @RequestParam(required = false) @Min(1) @Max(1_000_000) Integer priority) {
        PlanVersion version = live.current();
        CustomerOrderRows.entered(version.directory().facts(), item, site, quantity, wanted, null, null, null);
        Answer answer = Promising.of(
                        version.plan(),
                        List.of(new Request(
                                item,
                                site,
                                Quantity.of(quantity),
                                Math.toIntExact(wanted.toEpochDay()),
                                priority == null ? CustomerOrderLine.DEFAULT_PRIORITY : priority)),
                        Asked.watch())
                .get(0);
        return view(
                version.directory(),
                item,
                answer,
                free(version, item, site, version.today()),
                free(version, item, site, wanted));
    }

    private static BigDecimal free(PlanVersion version, String item, String site, LocalDate day) {
        Free.Figure figure = Free.on(version.plan(), item, site, Math.toIntExact(day.toEpochDay()));
        return figure == null ? null : Quantity.decimal(figure.quantity());
    }

    private static PromiseView view(
            Directory directory, String item, Answer answer, BigDecimal freeNow, BigDecimal freeThen) {
        Answer.Taken taken = answer.takenFrom();
        return new PromiseView(
                answer.promisedDay() == null ? null : Words.date(answer.promisedDay()),
                answer.promisedDay() != null && answer.causeItem() == null,
                Quantity.decimal(answer.available()),
                directory.unit(item),
                freeNow,
                freeThen,
                answer.causeItem(),
                answer.causeItem() == null ? null : directory.itemName(answer.causeItem()),
                answer.causeSite() == null ? null : directory.siteName(answer.causeSite()),
                answer.limitingComponent(),
                answer.limitingComponent() == null ? null : directory.itemName(answer.limitingComponent()),
                taken == null
                        ? null
                        : new TakenView(
                                taken.number(), taken.line(), directory.customerOf(taken.number(), taken.line())));
    }
}
