package rescient.server.decisions;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The numbers of firmed orders. */
@Component
class FirmedNumbers {
    private final JdbcTemplate database;

    FirmedNumbers(JdbcTemplate database) {
        this.database = database;
    }

    /** Takes the next one, in the transaction that is under way. */
    String next() {
        return database.queryForObject(
                "update number_ranges set next = next + 1 where kind = 'firmed' returning prefix || (next - 1)",
                String.class);
    }
}
