package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;
import rescient.core.company.UnfitException;
import rescient.core.order.CustomerOrderEntry;
import rescient.core.order.TransferRoute;
import rescient.core.promise.Answer;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.Words;
import rescient.server.platform.Asked;
import rescient.server.platform.Nullable;

/**
 * A customer order comes in.
 *
 * @param number null: the next one; of an order that there is: these are more lines of it
 * @param reference the customer's own number
 * @param quote it is none yet
 * @param complete all lines go together
 */
record EnterCustomerOrder(
        @Nullable @Size(max = LONGEST) String number,
        @Nullable @Size(max = LONGEST) String customer,
        @Nullable @Size(max = LONGEST) String reference,
        @Nullable Boolean quote,
        @Nullable Boolean complete,
        @Nullable @Size(max = EnterCustomerOrder.MOST_LINES) List<@Valid @NotNull EnteredLine> lines)
        implements PlanCommand {
    /** Of one order that is entered at a time. */
    static final int MOST_LINES = 500;

    private static final Codec<OrderFacts.CustomerOrder> ORDERS = Codec.of(OrderFacts.CustomerOrder.class);

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        List<EnteredLine> entered = lines == null ? List.of() : lines;
        List<FactChange> rows = CustomerOrderRows.of(
                facts,
                new CustomerOrderEntry.Head(
                        number,
                        customer,
                        reference,
                        desk.version().today(),
                        Boolean.TRUE.equals(quote),
                        Boolean.TRUE.equals(complete)),
                entered.stream().map(EnteredLine::line).toList());
        for (int i = 0; i < entered.size(); i++) {
            if (desk.isPast(entered.get(i).wanted())) {
                throw new UnfitException("A customer order cannot be wanted in the past", "lines." + i + ".wanted");
            }
        }
        List<OrderFacts.CustomerOrder> order = rows.stream()
                .filter(row -> row.table() == ORDERS.table())
                .map(row -> ORDERS.read(row.after().get(0)))
                .toList();
        Proposal proposal = desk.proposal();
        proposal.changes.addAll(rows);
        if (!Boolean.TRUE.equals(quote)) {
            hold(desk, entered, order);
            bring(desk, entered, order);
        }
        for (OrderFacts.CustomerOrder line : order) {
            proposal.entered.add(OrderKey.ofLine(line.number(), line.line()));
            proposal.point(line.item(), line.site());
            Remarks.usualOfCustomers(desk.version(), line.item(), line.site(), Quantity.of(line.quantity()))
                    .ifPresent(proposal::remark);
        }
        desk.say(sentence(desk.version().directory(), order));
    }

    /** What was promised while it was typed must still be so: somebody else may have been promised it meanwhile. */
    private static void hold(Proposing desk, List<EnteredLine> entered, List<OrderFacts.CustomerOrder> order) {
        if (entered.stream().allMatch(line -> line.promised() == null)) {
            return;
        }
        Proposal proposal = desk.proposal();
        OrderFacts.CustomerOrder first = order.get(0);
        Promising promising = Promising.of(desk.version().plan(), first.number(), Integer.parseInt(first.line()));
        for (int i = 0; i < order.size(); i++) {
            OrderFacts.CustomerOrder line = order.get(i);
            Request request = entered.get(i).request(line.quantity(), line.dueDate());
            if (entered.get(i).promised() == null) {
                promising = promising.with(request, request.wantedDay(), Asked.watch());
                continue;
            }
            Promising.Promised promised = promising.promise(request, Asked.watch());
            promising = promised.after();
            Integer day = promised.answer().promisedDay();
            if (day == null || day != line.dueDate().toEpochDay()) {
                proposal.stale = true;
                String sentence = sentence(desk.version().directory(), line, promised.answer());
                proposal.refusals.add(sentence);
                proposal.faults.add(new Proposal.FaultAt(i, "promised", sentence));
            }
        }
    }

    /** What a line has brought from another site for itself is a firmed transfer, kept and taken back with the order. */
    private static void bring(Proposing desk, List<EnteredLine> entered, List<OrderFacts.CustomerOrder> order) {
        for (int i = 0; i < order.size(); i++) {
            String from = entered.get(i).bringing();
            OrderFacts.CustomerOrder line = order.get(i);
            if (from == null) {
                continue;
            }
            TransferRoute route = TransferRoute.of(desk.version().plan().snapshot(), line.item(), from, line.site());
            if (route == null) {
                throw new UnfitException(
                        "Nobody knows how long a transfer of " + line.item() + " from " + from + " to " + line.site()
                                + " takes",
                        "lines." + i + ".transferFrom");
            }
            desk.note("for " + line.number() + " line " + line.line());
            Drafter.Way way = new Drafter.Way(line.item(), line.site(), Source.TRANSFER, null, from);
            int due = Math.toIntExact(line.dueDate().toEpochDay());
            desk.proposal().point(line.item(), from);
            desk.firmNew(desk.drafter()
                    .draft(way, line.quantity(), Words.date(route.start(due)), line.dueDate(), line.dueDate()));
        }
        desk.note(null);
    }

    private static String sentence(Directory directory, OrderFacts.CustomerOrder line, Answer answer) {
        Answer.Taken taken = answer.takenFrom();
        String why = taken != null && taken.number() != null
                ? ", or " + taken.number() + " would get it later"
                : answer.causeItem() == null
                        ? ""
                        : ": it waits for " + answer.causeItem() + " at " + directory.siteName(answer.causeSite());
        return Quantity.text(Quantity.of(line.quantity())) + " " + line.item() + " can no longer be promised for "
                + line.dueDate() + why
                + (answer.promisedDay() == null
                        ? "; now not at all within the plan"
                        : "; now for " + Words.date(answer.promisedDay()))
                + ".";
    }

    private static String sentence(Directory directory, List<OrderFacts.CustomerOrder> order) {
        OrderFacts.CustomerOrder first = order.get(0);
        String whose = first.customer() == null ? "" : " for " + directory.customerName(first.customer());
        String what = order.size() == 1
                ? Quantity.text(Quantity.of(first.quantity())) + " " + first.item() + whose + ", wanted "
                        + first.agreed().wantedDate()
                : order.size() + " lines" + whose;
        return "Entered " + (first.state() == OrderFacts.OrderState.QUOTE ? "the quote " : "") + first.number() + ": "
                + what;
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.customerOrders();
    }
}
