package rescient.server.planning;

import java.time.LocalDate;
import rescient.core.company.CustomerOrderLine;
import rescient.server.platform.Nullable;

/** A line of a customer order that an order serves in the end. */
record End(String number, String line, @Nullable String customer, String item, LocalDate due) {
    /** @param line null: none */
    static End of(PlanVersion version, CustomerOrderLine line) {
        if (line == null) {
            return null;
        }
        return new End(
                line.number(),
                line.line(),
                version.directory().customerOf(line.number(), line.line()),
                line.item(),
                Words.date(line.dueDay()));
    }
}
