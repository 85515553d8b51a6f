package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.order.InvoiceMatch;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * A supplier's invoice, or credit note: what he charges of what came, or gives back of what went back. What is as it was agreed and received may be paid; all else waits for an
 * approval. One that was rejected is entered anew under its number.
 *
 * @param number the supplier's own
 * @param due when it is to be paid; null: by the supplier's terms
 */
record EnterInvoice(
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = LONGEST) String number,
        @Nullable LocalDate date,
        @Nullable LocalDate due,
        @Nullable @Size(max = 500) List<@NotNull @Valid Charge> lines,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements PlanCommand {
    /**
     * What came of a line of an order.
     *
     * @param quantity in the item's unit
     */
    record Came(String order, String line, BigDecimal quantity) {}

    /**
     * A line of an order that is charged.
     *
     * @param quantity in the order's unit, below 0: that is credited, {@code price} of one, net of tax
     */
    record Charge(
            @NotNull @Size(max = LONGEST) String order,
            @NotNull @Size(max = LONGEST) String line,

            @NotNull @DecimalMin("-" + MOST) @DecimalMax(MOST) @Digits(integer = 13, fraction = 6)
            BigDecimal quantity,

            @NotNull @PositiveOrZero @DecimalMax(MOST) @Digits(integer = 13, fraction = 6)
            BigDecimal price) {}

    @Override
    public void propose(Proposing desk) {
        enter(desk, List.of());
    }

    /** @param coming what comes in the same act, and may be charged with it */
    void enter(Proposing desk, List<Came> coming) {
        Facts facts = desk.version().directory().facts();
        PartnerFacts.Supplier of = supplier == null
                ? null
                : facts.one(PartnerFacts.Supplier.class, supplier).orElse(null);
        if (of == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say whose invoice it is").field("supplier");
        }
        if (number == null || number.isBlank()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "An invoice has the number that its sender gave it")
                    .field("number");
        }
        if (date == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say of which day it is").field("date");
        }
        if (lines == null || lines.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say what it charges").field("lines");
        }
        String name = desk.version().directory().supplierName(supplier);
        Proposal proposal = desk.proposal();
        if (desk.isAhead(date)) {
            proposal.refusals.add("An invoice of " + date + " cannot be here yet.");
        }
        String own = number.strip();
        List<InvoiceFacts.Invoice> there = InvoiceCheck.invoice(facts, supplier, own);
        if (there.stream().anyMatch(one -> one.state() != InvoiceFacts.InvoiceState.REJECTED)) {
            proposal.refusals.add(
                    "Invoice " + own + " of " + name + " of " + there.get(0).date() + " is here already.");
            return;
        }
        List<InvoiceFacts.InvoiceLine> charged = charged(desk, name, coming);
        if (!proposal.refusals.isEmpty()) {
            return;
        }
        InvoiceFacts.InvoiceState state = proposal.remarks.isEmpty()
                ? InvoiceFacts.InvoiceState.APPROVED
                : InvoiceFacts.InvoiceState.AWAITING_APPROVAL;
        InvoiceFacts.Invoice invoice = new InvoiceFacts.Invoice(
                supplier,
                null,
                own,
                date,
                due == null ? of.contact().due(date) : due,
                state,
                desk.author().name(),
                note == null || note.isBlank() ? null : note.strip());
        // what was approved of an entry that was taken back is not approved of this one
        Approvals.forget(desk, InvoiceCheck.name(supplier, own), InvoiceCheck.given(facts, desk.desk(), supplier, own));
        Codec<InvoiceFacts.Invoice> head = Codec.of(InvoiceFacts.Invoice.class);
        Codec<InvoiceFacts.InvoiceLine> each = Codec.of(InvoiceFacts.InvoiceLine.class);
        proposal.changes.add(FactChange.of(there.isEmpty() ? null : head.write(there.get(0)), head.write(invoice)));
        for (InvoiceFacts.InvoiceLine before : InvoiceCheck.lines(facts, supplier, own)) {
            if (charged.stream().noneMatch(one -> one.line().equals(before.line()))) {
                proposal.changes.add(FactChange.of(each.write(before), null));
            }
        }
        for (InvoiceFacts.InvoiceLine line : charged) {
            InvoiceFacts.InvoiceLine before = InvoiceCheck.lines(facts, supplier, own).stream()
                    .filter(one -> one.line().equals(line.line()))
                    .findFirst()
                    .orElse(null);
            proposal.changes.add(FactChange.of(before == null ? null : each.write(before), each.write(line)));
        }
        BigDecimal value = InvoiceCheck.value(charged);
        desk.say("Entered " + (value.signum() < 0 ? "credit note " : "invoice ") + own + " of " + name + ", "
                + value.abs().setScale(2, RoundingMode.HALF_UP).toPlainString() + " "
                + desk.version().directory().currency());
    }

    /** The lines as they are charged; what is otherwise than it should be is told. */
    private List<InvoiceFacts.InvoiceLine> charged(Proposing desk, String name, List<Came> coming) {
        InvoiceCheck check = InvoiceCheck.of(desk.version().directory(), desk.desk(), supplier, null)
                .and(coming);
        List<InvoiceFacts.InvoiceLine> charged = new ArrayList<>();
        for (Charge one : lines) {
            if (one.quantity().signum() == 0) {
                desk.proposal()
                        .refusals
                        .add("Of " + one.order() + " line " + one.line() + " nothing is charged: leave it out.");
                continue;
            }
            InvoiceCheck.Chargeable line = check.line(one.order(), one.line());
            if (line == null) {
                desk.proposal()
                        .refusals
                        .add("Of " + one.order() + " line " + one.line() + " nothing came from " + name
                                + "; receive it first.");
                continue;
            }
            for (InvoiceMatch.Difference difference : check.differences(line, one.quantity(), one.price())) {
                desk.proposal().remark(check.sentence(line, difference));
            }
            check.charge(one.order(), one.line(), one.quantity());
            charged.add(new InvoiceFacts.InvoiceLine(
                    supplier,
                    null,
                    number.strip(),
                    Integer.toString(charged.size() + 1),
                    one.order(),
                    one.line(),
                    one.quantity(),
                    line.unit(),
                    one.price()));
        }
        return charged;
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.mayRelease("buy");
    }
}
