package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * Held purchase orders to one supplier become one: the lines of the others go on to the first.
 *
 * @param numbers of the orders
 */
record CombinePurchases(@Nullable @Size(max = 500) List<@NotNull @Size(max = LONGEST) String> numbers)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        List<String> all =
                numbers == null ? List.of() : numbers.stream().distinct().toList();
        if (all.size() < 2) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY, "Choose at least two held orders to make one of them");
        }
        Facts facts = desk.version().directory().facts();
        List<OrderImage> orders = new ArrayList<>();
        for (String number : all) {
            OrderImage order = OrderImage.read(facts, desk.desk(), number);
            String why = whyNot(order, orders.isEmpty() ? null : orders.get(0));
            if (why != null) {
                desk.proposal().refusals.add(number + " " + why + ".");
                return;
            }
            orders.add(order);
        }
        OrderImage first = orders.get(0);
        OrderImage whole = first.copy();
        for (OrderImage other : orders.subList(1, orders.size())) {
            OrderImage rest = other.copy();
            for (Row line : List.copyOf(other.lines())) {
                String name = whole.nextLine();
                whole.put(
                        line.with("number", whole.number()).with("line", name),
                        other.issues(line.text("line")).stream()
                                .map(part -> part.with("number", whole.number()).with("line", name))
                                .toList());
                rest.remove(line.text("line"));
            }
            desk.proposal().changes.addAll(rest.from(other));
        }
        desk.proposal().changes.addAll(whole.from(first));
        desk.say("Combined " + String.join(", ", all.subList(1, all.size())) + " with " + first.number());
    }

    @Nullable
    private static String whyNot(OrderImage order, @Nullable OrderImage first) {
        if (order.lines().isEmpty()) {
            return "is no purchase order with anything open";
        }
        for (Row line : order.lines()) {
            if (!line.text("kind").equals("buy") || !PurchaseState.isPurchase(line)) {
                return "is no purchase order";
            }
            if (PurchaseState.of(line) != PurchaseState.HELD) {
                return "is " + PurchaseWords.of(PurchaseState.of(line)) + ", and only held orders are combined";
            }
        }
        Row line = order.lines().iterator().next();
        Row other = first == null ? line : first.lines().iterator().next();
        boolean same = Objects.equals(line.text("supplier"), other.text("supplier"))
                && line.text("site").equals(other.text("site"));
        return same ? null : "goes to another supplier or site than " + first.number();
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.mayRelease("buy");
    }
}
