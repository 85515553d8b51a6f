package rescient.server.planning;

import java.time.LocalDate;
import rescient.core.company.CustomerOrderLine;
import rescient.dataset.Row;
import rescient.server.platform.Nullable;

/** A line of a customer order that an order serves in the end. */
record End(String number, String line, @Nullable String customer, String item, LocalDate due) {
    /** @param line null: none */
    static End of(PlanVersion version, CustomerOrderLine line) {
        if (line == null) {
            return null;
        }
        Row row = version.directory().customerOrder(line.number(), line.line());
        return new End(
                line.number(),
                line.line(),
                row == null ? null : version.directory().customerName(row.text("customer")),
                line.item(),
                Words.date(line.dueDay()));
    }
}
