package rescient.server.decisions;

import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OrderFacts;
import rescient.core.order.CustomerOrderEntry;
import rescient.core.promise.Request;
import rescient.server.platform.Nullable;

/**
 * A line of a customer order, as it is typed.
 *
 * @param unit of the quantity; null: the item's
 * @param wanted the day the customer asks for
 * @param promised the day he is told, if the plan holds it: it is refused if the plan does not; null: he gets no promise
 * @param due the day on which it is planned to go without a promise; null: the day that is wanted
 * @param priority null: the ordinary one
 * @param price of one of the item's unit; null: the item's
 * @param supply null: from stock
 * @param supplier of whom it is bought for this line; null: the stock point's
 * @param parts of what the kit consists for this line alone; null: of what its bill of materials says
 * @param transferFrom the site from which a transfer of its own brings it; null: no such transfer
 */
public record EnteredLine(
        @Nullable @Size(max = PlanCommand.LONGEST) String item,
        @Nullable @Size(max = PlanCommand.LONGEST) String site,
        @Nullable @Positive @DecimalMax(PlanCommand.MOST) BigDecimal quantity,
        @Nullable @Size(max = PlanCommand.LONGEST) String unit,
        @Nullable LocalDate wanted,
        @Nullable LocalDate promised,
        @Nullable LocalDate due,
        @Nullable @Min(1) @Max(1_000_000) Integer priority,

        @Nullable @PositiveOrZero @DecimalMax(PlanCommand.MOST)
        BigDecimal price,

        @Nullable OrderFacts.LineSupply supply,
        @Nullable @Size(max = PlanCommand.LONGEST) String supplier,
        @Nullable @Size(max = EnteredPart.MOST) List<@Valid @NotNull EnteredPart> parts,
        @Nullable @Size(max = PlanCommand.LONGEST) String transferFrom) {

    public CustomerOrderEntry.Line line() {
        return new CustomerOrderEntry.Line(
                item,
                site,
                quantity,
                unit,
                wanted,
                promised,
                due,
                priority,
                price,
                supply,
                supplier,
                EnteredPart.parts(parts));
    }

    /** The site from which it is brought; null: from none. What is bought for a line alone is brought from nowhere. */
    @JsonIgnore
    String bringing() {
        return bought() != null || transferFrom == null || transferFrom.isBlank() ? null : transferFrom.strip();
    }

    private CustomerOrderLine.BoughtForLine bought() {
        boolean fromStock = supply == null || supply == OrderFacts.LineSupply.STOCK;
        return fromStock
                ? null
                : new CustomerOrderLine.BoughtForLine(
                        supplier == null || supplier.isBlank() ? null : supplier,
                        supply == OrderFacts.LineSupply.DIRECT);
    }

    /**
     * What is asked of the plan.
     *
     * @param inItsUnit the quantity in the item's unit
     * @param day on which it is to go
     */
    public Request request(BigDecimal inItsUnit, LocalDate day) {
        return new Request(
                item,
                site,
                Quantity.of(inItsUnit),
                Math.toIntExact(day.toEpochDay()),
                priority == null ? CustomerOrderLine.DEFAULT_PRIORITY : priority,
                bought(),
                parts == null ? null : parts.stream().map(EnteredPart::asked).toList(),
                bringing());
    }
}
