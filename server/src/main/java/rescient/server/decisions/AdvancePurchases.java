package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.order.Approval;
import rescient.core.order.OrderDraft;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * Purchase orders go on before they go out: the hold ends, they are approved in turn, or go back to be changed.
 *
 * @param numbers of the orders
 * @param reason why it is rejected, or sent back
 */
record AdvancePurchases(
        @Nullable @Size(max = 500) List<@NotNull @Size(max = LONGEST) String> numbers,
        @Nullable Step step,
        @Nullable @Size(max = LONGEST_NOTE) String reason)
        implements PlanCommand {
    /** What is done with them. */
    enum Step {
        END_HOLD,
        APPROVE,
        REJECT,
        /** What is ready, or waits, may be changed again. */
        HOLD,
        /** What is held goes back to who planned it, firmed as it is. */
        SEND_BACK
    }

    @Override
    public void propose(Proposing desk) {
        if (step == null || numbers == null || numbers.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which orders, and what is done with them");
        }
        if ((step == Step.REJECT || step == Step.SEND_BACK) && (reason == null || reason.isBlank())) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            step == Step.REJECT ? "Say why it is rejected" : "Say why it goes back")
                    .field("reason");
        }
        for (String number : numbers.stream().distinct().toList()) {
            advance(desk, number);
        }
        String which = numbers.size() == 1 ? numbers.get(0) : numbers.size() + " orders";
        desk.say(
                switch (step) {
                    case END_HOLD -> "Ended the hold of " + which;
                    case APPROVE -> "Approved " + which;
                    case REJECT -> "Rejected " + which + ": " + reason.strip();
                    case HOLD -> "Held " + which + " again";
                    case SEND_BACK -> "Sent " + which + " back to the planner: " + reason.strip();
                });
    }

    private void advance(Proposing desk, String number) {
        Facts facts = desk.version().directory().facts();
        OrderImage before = OrderImage.read(facts, desk.desk(), number);
        List<Row> lines =
                before.lines().stream().filter(PurchaseState::isPurchase).toList();
        if (lines.isEmpty()) {
            desk.proposal().refusals.add(number + " is no purchase order with anything open.");
            return;
        }
        PurchaseState state = PurchaseState.of(lines.get(0));
        BigDecimal value = PurchaseState.value(desk.version().directory(), lines);
        List<Approval.Limit> limits = PurchaseState.limits(facts);
        List<Approval.Given> given = new ArrayList<>(PurchaseState.given(facts, desk.desk(), number));
        String next = Approval.next(limits, value, given);
        switch (step) {
            case END_HOLD -> {
                if (expected(desk, number, state, PurchaseState.HELD)) {
                    become(desk, before, next == null ? PurchaseState.READY : PurchaseState.AWAITING_APPROVAL);
                }
            }
            case APPROVE -> {
                if (expected(desk, number, state, PurchaseState.AWAITING_APPROVAL) && mine(desk, before, next)) {
                    given.removeIf(one -> one.role().equals(next));
                    given.add(new Approval.Given(next, desk.author().name(), value));
                    Approvals.give(desk, number, next, value);
                    if (Approval.next(limits, value, given) == null) {
                        become(desk, before, PurchaseState.READY);
                    }
                }
            }
            case REJECT -> {
                if (expected(desk, number, state, PurchaseState.AWAITING_APPROVAL) && mine(desk, before, next)) {
                    Approvals.forget(desk, number, given);
                    become(desk, before, PurchaseState.HELD);
                }
            }
            case SEND_BACK -> {
                if (expected(desk, number, state, PurchaseState.HELD)) {
                    sendBack(desk, before, lines);
                }
            }
            case HOLD -> {
                if (state.isOut() || state == PurchaseState.HELD) {
                    desk.proposal().refusals.add(number + " is " + PurchaseWords.of(state) + ".");
                } else {
                    Approvals.forget(desk, number, given);
                    become(desk, before, PurchaseState.HELD);
                }
            }
        }
    }

    /** What was ready, or waited, became another one: whoever buys looks at it again, and whoever is asked too. */
    static void holdAgain(Proposing desk, OrderImage order) {
        for (Row line : List.copyOf(order.lines())) {
            if (PurchaseState.isPurchase(line)) {
                order.put(
                        line.with(PurchaseState.column(line), PurchaseState.HELD.word()),
                        order.issues(line.text("line")));
            }
        }
        Approvals.forget(
                desk,
                order.number(),
                PurchaseState.given(desk.version().directory().facts(), desk.desk(), order.number()));
        desk.proposal().remark(order.number() + " is held again until somebody ends its hold.");
    }

    private static boolean expected(Proposing desk, String number, PurchaseState state, PurchaseState wanted) {
        if (state != wanted) {
            desk.proposal().refusals.add(number + " is " + PurchaseWords.of(state) + ".");
        }
        return state == wanted;
    }

    private static boolean mine(Proposing desk, OrderImage order, String next) {
        String maker = order.head() == null ? null : order.head().text("created_by");
        return Approvals.mine(desk, order.number(), maker, next);
    }

    private static void become(Proposing desk, OrderImage before, PurchaseState state) {
        OrderImage after = before.copy();
        for (Row line : before.lines()) {
            if (PurchaseState.isPurchase(line)) {
                after.put(line.with(PurchaseState.column(line), state.word()), before.issues(line.text("line")));
            }
        }
        desk.proposal().changes.addAll(after.from(before));
    }

    /** Its lines are the planner's again, firmed, each under a number of its own that says why. */
    private void sendBack(Proposing desk, OrderImage before, List<Row> lines) {
        OrderImage after = before.copy();
        desk.note("Sent back by " + desk.author().name() + ": " + reason.strip());
        for (Row line : lines) {
            String name = line.text("line");
            OrderDraft draft = OrderRows.draft(line, before.issues(name));
            after.remove(name);
            desk.refirm(draft, line, before.issues(name));
        }
        desk.proposal().changes.addAll(after.from(before));
    }

    /** Who is asked is known of the order; whoever buys ends holds. */
    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return step == Step.APPROVE || step == Step.REJECT || rights.mayRelease("buy");
    }
}
