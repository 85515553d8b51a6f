package rescient.server.decisions;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;

/** Deciding on the plan: first the consequence, then the keeping, and the taking back. */
@RestController
@RequestMapping("/api/decisions")
class DecisionController {
    private final Decisions decisions;
    private final Offers offers;

    DecisionController(Decisions decisions, Offers offers) {
        this.decisions = decisions;
        this.offers = offers;
    }

    @PostMapping("/preview")
    Consequence preview(@Valid @RequestBody PlanCommand command) {
        return decisions.preview(command);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Decision keep(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @Valid @RequestBody PlanCommand command) {
        return decisions.keep(user, key, command);
    }

    @GetMapping
    List<Decision> latest(@AuthenticationPrincipal SignedIn user) {
        return decisions.latest(user);
    }

    @PostMapping("/{id}/undo")
    Decision undo(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        return decisions.undo(user, id);
    }

    /** Other ways to get what an order brings. */
    @GetMapping("/offers")
    List<Offers.Offer> offers(@RequestParam String key) {
        return offers.forOrder(key);
    }
}
