package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.prices.CustomerCharge;
import rescient.core.prices.InvoiceTotal;
import rescient.core.stock.StockValue;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * Customers are charged for what was shipped to them: one invoice for each order, and a credit note where more came back than went.
 *
 * @param orders their numbers
 */
record InvoiceCustomers(
        @Nullable @Size(max = 500) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        if (orders == null || orders.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which orders are charged");
        }
        Map<String, List<CustomerCharge>> byOrder = new LinkedHashMap<>();
        orders.stream().distinct().forEach(number -> byOrder.put(number, new ArrayList<>()));
        CustomerCharges.of(desk.version().directory(), desk.desk(), byOrder.keySet())
                .forEach(charge -> byOrder.get(charge.line().number()).add(charge));
        List<String> numbers = new ArrayList<>();
        byOrder.forEach((order, charges) -> {
            if (charges.isEmpty()) {
                desk.proposal().refusals.add("Nothing of " + order + " was shipped that was not charged yet.");
            } else {
                numbers.add(invoice(desk, order, charges));
            }
        });
        desk.say(
                numbers.size() == 1 && orders.size() == 1
                        ? "Charged " + orders.get(0) + " with " + numbers.get(0)
                        : "Charged " + numbers.size() + " orders");
    }

    private String invoice(Proposing desk, String order, List<CustomerCharge> charges) {
        Facts facts = desk.version().directory().facts();
        String number = desk.author().numbers().apply(DocumentNumbers.INVOICE);
        String customer = charges.get(0).line().customer();
        Codec<InvoiceFacts.InvoiceLine> each = Codec.of(InvoiceFacts.InvoiceLine.class);
        int at = 0;
        for (CustomerCharge charge : charges) {
            if (charge.price() == null) {
                desk.proposal()
                        .refusals
                        .add("Line " + charge.line().line() + " of " + order
                                + " has no price: give it one at the order, or the item.");
                continue;
            }
            desk.proposal()
                    .changes
                    .add(FactChange.of(
                            null,
                            each.write(new InvoiceFacts.InvoiceLine(
                                    null,
                                    customer,
                                    number,
                                    Integer.toString(++at),
                                    order,
                                    charge.line().line(),
                                    charge.left(),
                                    null,
                                    charge.price()))));
        }
        PartnerFacts.Customer of =
                facts.one(PartnerFacts.Customer.class, customer).orElseThrow();
        int decimals = StockValue.decimals(facts.setting("currency"));
        List<BigDecimal> values = charges.stream()
                .filter(charge -> charge.price() != null)
                .map(charge -> InvoiceTotal.ofLine(charge.left(), charge.price(), decimals))
                .toList();
        InvoiceTotal total = InvoiceTotal.of(values, of.contact().taxRate(), decimals);
        desk.proposal()
                .remark(order + ", " + desk.version().directory().customerName(customer) + ": "
                        + total.gross().abs().toPlainString() + " "
                        + desk.version().directory().currency()
                        + (total.gross().signum() < 0 ? " credited." : " with tax."));
        desk.proposal()
                .changes
                .add(
                        0,
                        FactChange.of(
                                null,
                                Codec.of(InvoiceFacts.Invoice.class)
                                        .write(new InvoiceFacts.Invoice(
                                                null,
                                                customer,
                                                number,
                                                desk.version().today(),
                                                of.contact().due(desk.version().today()),
                                                InvoiceFacts.InvoiceState.APPROVED,
                                                desk.author().name(),
                                                note == null || note.isBlank() ? null : note.strip()))));
        return number;
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.customerOrders();
    }
}
