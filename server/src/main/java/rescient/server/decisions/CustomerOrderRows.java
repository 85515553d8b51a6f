package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.Fact;
import rescient.core.order.CustomerOrderEntry;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;

/** Lines of customer orders that come in. */
public final class CustomerOrderRows {
    private CustomerOrderRows() {}

    /**
     * A line of a customer order, the next one of its order.
     *
     * @param number null: the next one
     * @param customer null: nobody in particular
     * @param priority as it was typed; null: the ordinary one
     * @throws rescient.core.company.UnfitException with the field that is missing or unknown
     */
    public static List<FactChange> entered(
            Facts facts,
            String item,
            String site,
            BigDecimal quantity,
            LocalDate due,
            String number,
            String customer,
            String priority) {
        Fact.CustomerOrder line = new CustomerOrderEntry(facts).line(item, site, quantity, due, number, customer);
        Row row = Codec.of(Fact.CustomerOrder.class)
                .write(line)
                .with("priority", priority == null ? "" : priority.strip());
        return PlanningRows.checked(facts, List.of(FactChange.of(null, row)), "This cannot be a customer order");
    }
}
