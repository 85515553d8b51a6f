package rescient.server.decisions;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The numbers of orders that decisions make. */
@Component
class DocumentNumbers {
    /** Of firmed orders, whatever their kind. */
    static final String FIRMED = "firmed";

    static final String PURCHASE = "buy";
    /** To customers. */
    static final String INVOICE = "invoice";

    private final JdbcTemplate database;

    DocumentNumbers(JdbcTemplate database) {
        this.database = database;
    }

    /** Takes the next one of a kind, in the transaction that is under way. */
    String next(String kind) {
        return database.queryForObject(
                "update number_ranges set next = next + 1 where kind = ? returning prefix || (next - 1)",
                String.class,
                kind);
    }
}
