package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.UnfitException;
import rescient.core.order.CustomerOrderEntry;
import rescient.dataset.FactChange;
import rescient.server.decisions.CustomerOrderRows;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/** A customer order comes in. */
record OrderComes(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST) String customer,
        @Nullable @Size(max = LONGEST) String priority)
        implements Assumption {
    @Override
    public List<FactChange> apply(Assumed company) {
        return CustomerOrderRows.of(
                company.facts(),
                new CustomerOrderEntry.Head(null, customer, null, null, false, false),
                List.of(new CustomerOrderEntry.Line(item, site, quantity, null, due, null, null, urgent(), null)));
    }

    private Integer urgent() {
        if (priority == null || priority.isBlank()) {
            return null;
        }
        try {
            return Integer.valueOf(priority.strip());
        } catch (NumberFormatException e) {
            throw new UnfitException("A priority is a whole number: 1 is served first", "priority");
        }
    }

    @Override
    public String sentence(Directory directory) {
        String name = customer == null || customer.isBlank() ? "" : " for " + directory.customerName(customer.strip());
        return "An order of " + Assumed.some(quantity) + " " + item + name + ", wanted " + Assumed.day(due);
    }
}
