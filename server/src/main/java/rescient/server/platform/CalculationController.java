package rescient.server.platform;

import jakarta.validation.constraints.Size;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Ends calculations that are no longer wanted. */
@RestController
class CalculationController {
    private static final int LONGEST = 100;

    private final Calculations calculations;

    CalculationController(Calculations calculations) {
        this.calculations = calculations;
    }

    /** Ends one's own calculation of this name; one that is over already is no error. */
    @DeleteMapping("/api/calculations/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable @Size(max = LONGEST) String name, Principal person) {
        calculations.end(person.getName(), name);
    }
}
