package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.company.Fact;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * A customer order comes in.
 *
 * @param number null: the next one
 */
record EnterCustomerOrder(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST) String customer,
        @Nullable @Size(max = LONGEST) String number,
        @Nullable @Size(max = LONGEST) String priority)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        List<FactChange> entered =
                CustomerOrderRows.entered(facts, item, site, quantity, due, number, customer, priority);
        if (desk.isPast(due)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "A customer order cannot be wanted in the past")
                    .field("due");
        }
        Proposal proposal = desk.proposal();
        proposal.changes.addAll(entered);
        proposal.point(item, site);
        Remarks.usualOfCustomers(desk.version(), item, site, Quantity.of(quantity))
                .ifPresent(proposal::remark);
        Fact.CustomerOrder line =
                Codec.of(Fact.CustomerOrder.class).read(entered.get(0).after().get(0));
        desk.say("Entered " + line.number() + ": " + Quantity.text(Quantity.of(quantity)) + " " + item
                + (line.customer() == null
                        ? ""
                        : " for " + desk.version().directory().customerName(line.customer()))
                + ", wanted " + due);
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.customerOrders();
    }
}
