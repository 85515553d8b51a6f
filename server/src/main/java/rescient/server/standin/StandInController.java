package rescient.server.standin;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.platform.JobProblem;

/** How simulated suppliers behave, and what they are about to write. */
@RestController
@RequestMapping("/api/stand-ins")
class StandInController {
    private static final int DAY = 86_400;
    private static final int SHOWN = 50;

    private final SimulatedSuppliers suppliers;
    private final HabitsRepository habits;
    private final SupplierActRepository acts;

    StandInController(SimulatedSuppliers suppliers, HabitsRepository habits, SupplierActRepository acts) {
        this.suppliers = suppliers;
        this.habits = habits;
        this.acts = acts;
    }

    /**
     * How they behave.
     *
     * @param on they answer what the stand-in of a mail server is handed
     * @param answerSeconds until they answer; {@code deliverySeconds} from then to each delivery, {@code invoiceSeconds} to the
     *     invoice after the last
     * @param latePercent so many lines of a hundred come late; likewise in two parts, and at a higher price
     * @param seed the same seed and the same order: the same behaviour
     */
    record SupplierHabits(
            boolean on,
            @Min(0) @Max(DAY) int answerSeconds,
            @Min(0) @Max(DAY) int deliverySeconds,
            @Min(0) @Max(DAY) int invoiceSeconds,
            @Min(0) @Max(100) int latePercent,
            @Min(0) @Max(100) int shortPercent,
            @Min(0) @Max(100) int pricePercent,
            long seed) {}

    /** What one of them is about to write. */
    record LetterAhead(String sender, String kind, String about, Instant dueAt) {}

    record StandInView(SupplierHabits habits, List<LetterAhead> ahead) {}

    @GetMapping("/suppliers")
    @Transactional(readOnly = true)
    StandInView simulated() {
        Habits of = suppliers.habits();
        return new StandInView(
                new SupplierHabits(
                        suppliers.areOn(of),
                        of.answerSeconds,
                        of.deliverySeconds,
                        of.invoiceSeconds,
                        of.latePercent,
                        of.shortPercent,
                        of.pricePercent,
                        of.seed),
                acts.findByDoneAtIsNullOrderByDueAt(Limit.of(SHOWN)).stream()
                        .map(act -> new LetterAhead(act.sender, act.kind, act.about, act.dueAt))
                        .toList());
    }

    /** What was ordered before keeps to what was said then. */
    @PutMapping("/suppliers")
    @Transactional
    StandInView behave(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody SupplierHabits said) {
        if (!user.role().rights().mayRelease("buy")) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "How simulated suppliers behave is said by buyers and planners");
        }
        Habits of = suppliers.habits();
        of.enabled = said.on;
        of.answerSeconds = said.answerSeconds;
        of.deliverySeconds = said.deliverySeconds;
        of.invoiceSeconds = said.invoiceSeconds;
        of.latePercent = said.latePercent;
        of.shortPercent = said.shortPercent;
        of.pricePercent = said.pricePercent;
        of.seed = said.seed;
        habits.save(of);
        return simulated();
    }
}
