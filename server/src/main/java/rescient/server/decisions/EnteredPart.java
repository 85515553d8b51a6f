package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import rescient.core.base.Ratio;
import rescient.core.company.CustomerOrderLine;
import rescient.core.order.CustomerOrderEntry;
import rescient.server.platform.Nullable;

/**
 * A part of a kit for one line of a customer order alone, as it is typed.
 *
 * @param quantity for one kit, in the component's unit
 */
public record EnteredPart(
        @Nullable @Size(max = PlanCommand.LONGEST) String component,

        @Nullable @Positive @DecimalMax(PlanCommand.MOST) @Digits(integer = 13, fraction = 6)
        BigDecimal quantity) {
    /** So many at most for one line. */
    static final int MOST = 200;

    CustomerOrderEntry.Part part() {
        return new CustomerOrderEntry.Part(component, quantity);
    }

    /** @return null if nothing is said of them */
    static List<CustomerOrderEntry.Part> parts(List<EnteredPart> parts) {
        return parts == null ? null : parts.stream().map(EnteredPart::part).toList();
    }

    /** What is asked of the plan. */
    CustomerOrderLine.KitPart asked() {
        return new CustomerOrderLine.KitPart(component, Ratio.of(quantity));
    }
}
