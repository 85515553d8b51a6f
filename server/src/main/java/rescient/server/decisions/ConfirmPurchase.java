package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.order.OrderDraft;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.access.Rights;
import rescient.server.planning.OrderKey;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * What a supplier says of an order: when its lines come. The plan counts on these days from then on. A line that comes in
 * several parts is confirmed several times; each further part becomes a line of its own.
 *
 * @param lines those that are not named are confirmed as they are
 */
record ConfirmPurchase(
        @Nullable @Size(max = LONGEST) String number,
        @Nullable @Size(max = 500) List<@NotNull @Valid Said> lines) implements PlanCommand {
    /**
     * A part of a line.
     *
     * @param quantity in the item's unit; null: all that is open; 0: it does not come at all
     */
    record Said(
            @NotNull @Size(max = LONGEST) String line,
            @NotNull LocalDate date,
            @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal quantity) {}

    @Override
    public void propose(Proposing desk) {
        if (number == null || lines == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which order was confirmed, and for when");
        }
        OrderImage before = OrderImage.read(desk.version().directory().facts(), desk.desk(), number);
        List<Row> open =
                before.lines().stream().filter(PurchaseState::isPurchase).toList();
        if (open.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, number + " is no purchase order with anything open");
        }
        if (!PurchaseState.of(open.get(0)).isOut()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    number + " is " + PurchaseWords.of(PurchaseState.of(open.get(0)))
                            + "; its supplier cannot have confirmed it");
        }
        Map<String, List<Said>> said = new LinkedHashMap<>();
        for (Said one : lines) {
            if (before.line(one.line()) == null) {
                throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, number + " has no open line " + one.line());
            }
            if (desk.isPast(one.date())) {
                desk.proposal()
                        .refusals
                        .add("Line " + one.line() + " cannot come on " + one.date() + ", which is past.");
            }
            said.computeIfAbsent(one.line(), line -> new java.util.ArrayList<>())
                    .add(one);
        }
        OrderImage after = before.copy();
        for (Row line : open) {
            confirm(desk, before, after, line, said.getOrDefault(line.text("line"), List.of()));
        }
        desk.proposal().changes.addAll(after.from(before));
        desk.say("Confirmed " + number + sentence());
    }

    private String sentence() {
        if (lines.size() != 1) {
            return lines.isEmpty() ? " as it was ordered" : " in " + lines.size() + " parts";
        }
        return " line " + lines.get(0).line() + " for " + lines.get(0).date();
    }

    private void confirm(Proposing desk, OrderImage before, OrderImage after, Row line, List<Said> parts) {
        String name = line.text("line");
        BigDecimal open = line.decimal("quantity");
        BigDecimal rest = open;
        Row confirmed = line.with(PurchaseState.column(line), PurchaseState.CONFIRMED.word());
        if (parts.isEmpty()) {
            String day = line.text("confirmed_date", line.text("due_date"));
            after.put(comes(confirmed, day), before.issues(name));
            return;
        }
        if (parts.stream().allMatch(ConfirmPurchase::isNothing)) {
            giveUp(desk, after, line);
            return;
        }
        for (int i = 0; i < parts.size(); i++) {
            Said part = parts.get(i);
            boolean last = i == parts.size() - 1;
            BigDecimal quantity = part.quantity() == null ? rest : part.quantity();
            if (isNothing(part)) {
                desk.proposal().refusals.add("Line " + name + ": it comes, or it does not come at all.");
                return;
            }
            if (quantity.compareTo(rest) > 0 || (!last && quantity.compareTo(rest) == 0)) {
                desk.proposal()
                        .refusals
                        .add("Line " + name + ": of "
                                + open.stripTrailingZeros().toPlainString() + " no more can be confirmed.");
                return;
            }
            rest = rest.subtract(quantity);
            String day = part.date().toString();
            if (i == 0) {
                // what was received of the line stays with it
                BigDecimal ordered = line.decimal("ordered") == null ? open : line.decimal("ordered");
                BigDecimal others = open.subtract(quantity);
                Row first = comes(confirmed, day);
                if (parts.size() > 1) {
                    first = first.with("quantity", quantity.toPlainString())
                            .with("ordered", ordered.subtract(others).toPlainString())
                            .with("start_quantity", null);
                }
                after.put(first, before.issues(name));
            } else {
                String next = after.nextLine();
                after.put(
                        comes(confirmed, day)
                                .with("line", next)
                                .with("quantity", quantity.toPlainString())
                                .with("ordered", quantity.toPlainString())
                                .with("start_quantity", null)
                                .with("split_of", name),
                        List.of());
            }
        }
        if (rest.signum() > 0) {
            desk.proposal()
                    .refusals
                    .add("Line " + name + ": " + rest.stripTrailingZeros().toPlainString()
                            + " are left; say when they come.");
        }
        answered(desk, name);
        OrderDraft was = OrderRows.draft(line, before.issues(name));
        OrderDraft is = OrderRows.draft(after.line(name), after.issues(name));
        desk.proposal().point(was.item(), was.site());
        desk.proposal().lines.add(new Proposal.Line(OrderKey.ofLine(number, name), number, was, is, false));
    }

    private static boolean isNothing(Said part) {
        return part.quantity() != null && part.quantity().signum() == 0;
    }

    /** A line that does not come at all; of one that came in part the rest is closed by who receives it. */
    private void giveUp(Proposing desk, OrderImage after, Row line) {
        String name = line.text("line");
        BigDecimal ordered = line.decimal("ordered");
        if (ordered != null && ordered.compareTo(line.decimal("quantity")) != 0) {
            desk.proposal().refusals.add("Line " + name + " came in part; say at the line that nothing more comes.");
            return;
        }
        OrderDraft was = OrderRows.draft(line, after.issues(name));
        after.remove(name);
        answered(desk, name);
        desk.proposal().point(was.item(), was.site());
        desk.proposal().lines.add(new Proposal.Line(OrderKey.ofLine(number, name), number, was, null, false));
    }

    /** What was asked of the supplier is answered. */
    private void answered(Proposing desk, String name) {
        Row asked = desk.desk().row(DeskTables.REQUESTS, number, name);
        if (asked != null) {
            desk.proposal().changes.add(FactChange.of(asked, null));
        }
    }

    /** What was promised first stays, whatever is said later. */
    private static Row comes(Row line, String day) {
        return line.with("confirmed_date", day).with("first_confirmed_date", line.text("first_confirmed_date", day));
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.mayRelease("buy");
    }
}
