package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.company.InvoiceFacts;
import rescient.core.order.Approval;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * Invoices that say otherwise than what was agreed or received: approved in turn, or sent back.
 *
 * @param reason why they go back
 */
record AdvanceInvoices(
        @Nullable @Size(max = 500) List<@NotNull @Valid Name> invoices,
        @Nullable Step step,
        @Nullable @Size(max = LONGEST_NOTE) String reason)
        implements PlanCommand {
    /** @param number the supplier's own */
    record Name(
            @NotNull @Size(max = LONGEST) String supplier,
            @NotNull @Size(max = LONGEST) String number) {}

    /** What is done with them. */
    enum Step {
        APPROVE,
        REJECT
    }

    @Override
    public void propose(Proposing desk) {
        if (step == null || invoices == null || invoices.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which invoices, and what is done with them");
        }
        if (step == Step.REJECT && (reason == null || reason.isBlank())) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say why it goes back").field("reason");
        }
        invoices.stream().distinct().forEach(one -> advance(desk, one));
        String which = invoices.size() == 1 ? "invoice " + invoices.get(0).number() : invoices.size() + " invoices";
        desk.say(step == Step.APPROVE ? "Approved " + which : "Rejected " + which + ": " + reason.strip());
    }

    private void advance(Proposing desk, Name name) {
        Facts facts = desk.version().directory().facts();
        List<InvoiceFacts.Invoice> there = InvoiceCheck.invoice(facts, name.supplier(), name.number());
        List<String> refusals = desk.proposal().refusals;
        if (there.isEmpty()) {
            refusals.add("There is no invoice " + name.number() + " of " + name.supplier() + ".");
            return;
        }
        InvoiceFacts.Invoice invoice = there.get(0);
        if (invoice.state() != InvoiceFacts.InvoiceState.AWAITING_APPROVAL) {
            refusals.add("Invoice " + name.number() + " waits for nobody's approval.");
            return;
        }
        BigDecimal value = InvoiceCheck.value(InvoiceCheck.lines(facts, name.supplier(), name.number()));
        List<Approval.Given> given =
                new ArrayList<>(InvoiceCheck.given(facts, desk.desk(), name.supplier(), name.number()));
        String next = InvoiceCheck.asks(facts, value, given);
        String kept = InvoiceCheck.name(name.supplier(), name.number());
        if (!Approvals.mine(desk, "Invoice " + name.number(), invoice.enteredBy(), next)) {
            return;
        }
        if (step == Step.REJECT) {
            Approvals.forget(desk, kept, given);
            become(desk, invoice, InvoiceFacts.InvoiceState.REJECTED, reason.strip());
            return;
        }
        given.removeIf(one -> one.role().equals(next));
        given.add(new Approval.Given(next, desk.author().name(), value));
        Approvals.give(desk, kept, next, value);
        if (InvoiceCheck.asks(facts, value, given) == null) {
            become(desk, invoice, InvoiceFacts.InvoiceState.APPROVED, invoice.note());
        }
    }

    private static void become(
            Proposing desk, InvoiceFacts.Invoice invoice, InvoiceFacts.InvoiceState state, String note) {
        Codec<InvoiceFacts.Invoice> codec = Codec.of(InvoiceFacts.Invoice.class);
        desk.proposal().changes.add(FactChange.of(codec.write(invoice), codec.write(invoice.become(state, note))));
    }

    /** Who is asked is known of the invoice. */
    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return true;
    }
}
