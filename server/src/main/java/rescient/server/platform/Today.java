package rescient.server.platform;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The day of the company, and the moment: the clock's, or a fixed day for demo and tests. */
@Component
public class Today {
    private final Clock clock;
    private final LocalDate fixed;

    Today(Clock clock, @Value("${rescient.today}") String fixed) {
        this.clock = clock;
        this.fixed = fixed.isBlank() ? null : LocalDate.parse(fixed);
    }

    public LocalDate day() {
        return fixed != null ? fixed : LocalDate.now(clock);
    }

    public Instant now() {
        return clock.instant();
    }
}
