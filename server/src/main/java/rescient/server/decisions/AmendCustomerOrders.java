package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rescient.core.base.Quantity;
import rescient.core.company.FactEdit;
import rescient.core.company.OrderFacts;
import rescient.core.company.UnfitException;
import rescient.core.order.CustomerOrderChange;
import rescient.core.order.CustomerOrderEntry;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.access.Rights;
import rescient.server.planning.OrderKey;
import rescient.server.platform.Nullable;

/**
 * Lines of customer orders are otherwise: another quantity, day or item, another turn, firm instead of a quote, cancelled or
 * taken up again.
 *
 * @param orders keys of the lines
 * @param due the day on which they are planned to go
 * @param wanted the customer wants them on this day
 * @param promised the customer is told this day
 * @param asPlanned the customer is told the day on which each line is planned to go
 * @param priority 1 = served first
 * @param state open, or cancelled
 * @param supply from stock, bought for it alone, or shipped straight to the customer by the supplier
 * @param supplier of whom it is bought for it
 * @param kitParts of what a kit consists for the line alone; none: of what its bill of materials says
 * @param note why
 */
record AmendCustomerOrders(
        @Nullable @Size(max = AmendCustomerOrders.MOST_LINES)
        List<@NotNull @Size(max = LONGEST) String> orders,

        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable LocalDate wanted,
        @Nullable LocalDate promised,
        @Nullable Boolean asPlanned,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Min(1) @Max(1_000_000) Integer priority,
        @Nullable @Pattern(regexp = "open|cancelled") String state,
        @Nullable OrderFacts.LineSupply supply,
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = EnteredPart.MOST) List<@Valid @NotNull EnteredPart> kitParts,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements PlanCommand {
    /** So many at most together. */
    static final int MOST_LINES = 2000;

    private static final Map<OrderFacts.LineSupply, String> HOW = Map.of(
            OrderFacts.LineSupply.STOCK, "from stock",
            OrderFacts.LineSupply.OWN, "bought for it alone",
            OrderFacts.LineSupply.DIRECT, "straight from the supplier");

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        Proposal proposal = desk.proposal();
        if (isPast(desk, due) || isPast(desk, promised)) {
            throw new UnfitException(
                    "A customer order cannot be moved into the past", due == null ? "promised" : "due");
        }
        CustomerOrderChange change = new CustomerOrderChange(
                quantity,
                due,
                wanted,
                promised,
                Boolean.TRUE.equals(asPlanned),
                stripped(item),
                stripped(site),
                priority,
                state == null ? null : OrderFacts.OrderState.valueOf(state.toUpperCase(Locale.ROOT)),
                supply,
                stripped(supplier));
        List<OrderFacts.CustomerOrder> chosen = new ArrayList<>();
        List<FactChange> rows = new ArrayList<>();
        for (String key :
                orders == null ? List.<String>of() : orders.stream().distinct().toList()) {
            Optional<OrderFacts.CustomerOrder> line = OrderKey.isLine(key)
                    ? facts.one(OrderFacts.CustomerOrder.class, OrderKey.number(key), OrderKey.line(key))
                    : Optional.empty();
            if (line.isEmpty()) {
                proposal.gone.add(key);
                continue;
            }
            chosen.add(line.get());
            proposal.point(line.get().item(), line.get().site());
            if (line.get().state() == OrderFacts.OrderState.DONE) {
                proposal.refusals.add(named(line.get()) + " is done; nothing of it can be changed any more.");
                continue;
            }
            OrderFacts.CustomerOrder next = change.of(line.get(), facts);
            if (!next.equals(line.get())) {
                rows.add(FactChange.of(new FactEdit<>(line.get(), next)));
                proposal.point(next.item(), next.site());
            }
            rows.addAll(partsInstead(facts, next));
        }
        proposal.changes.addAll(PlanningRows.checked(facts, rows, "This cannot be a customer order"));
        desk.say(sentence(chosen) + (note == null || note.isBlank() ? "" : ": " + note.strip()));
    }

    /** Part by part; another item has no parts of the line's own, if none are said. */
    private List<FactChange> partsInstead(Facts facts, OrderFacts.CustomerOrder line) {
        Map<String, Row> before = new LinkedHashMap<>();
        facts.parts(line.number(), line.line()).forEach(row -> before.put(row.text("component"), row));
        boolean other = item != null && !item.isBlank() && !before.isEmpty();
        if (kitParts == null && !other) {
            return List.of();
        }
        List<FactChange> changes = new ArrayList<>();
        if (kitParts != null && !kitParts.isEmpty()) {
            new CustomerOrderEntry(facts)
                    .parts(line.number(), line.line(), line.item(), EnteredPart.parts(kitParts)).stream()
                            .map(Codec.of(OrderFacts.CustomerOrderPart.class)::write)
                            .map(after -> FactChange.of(before.remove(after.text("component")), after))
                            .filter(change -> change.before().isEmpty()
                                    || !change.before().get(0).sameAs(change.any()))
                            .forEach(changes::add);
        }
        before.values().forEach(row -> changes.add(FactChange.of(row, null)));
        return changes;
    }

    private static boolean isPast(Proposing desk, LocalDate day) {
        return day != null && desk.isPast(day);
    }

    private static String stripped(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    private static String named(OrderFacts.CustomerOrder line) {
        return line.number() + " line " + line.line();
    }

    private String sentence(List<OrderFacts.CustomerOrder> chosen) {
        String what = chosen.size() == 1 ? named(chosen.get(0)) : chosen.size() + " lines of customer orders";
        if ("cancelled".equals(state)) {
            return "Cancelled " + what;
        }
        List<String> said = new ArrayList<>();
        if (state != null) {
            said.add("firm");
        }
        if (quantity != null) {
            said.add(Quantity.text(Quantity.of(quantity)) + " of it");
        }
        if (item != null && !item.isBlank()) {
            said.add(item.strip());
        }
        if (site != null && !site.isBlank()) {
            said.add("from " + site.strip());
        }
        if (kitParts != null) {
            said.add(kitParts.isEmpty() ? "the usual parts" : "other parts");
        }
        if (supply != null) {
            said.add(HOW.get(supply));
        }
        if (supplier != null && !supplier.isBlank()) {
            said.add("bought from " + supplier.strip());
        }
        if (wanted != null) {
            said.add("wanted " + wanted);
        }
        if (promised != null) {
            said.add("promised " + promised);
        }
        if (Boolean.TRUE.equals(asPlanned)) {
            said.add("promised as planned");
        }
        if (due != null) {
            said.add("due " + due);
        }
        if (priority != null) {
            said.add("priority " + priority);
        }
        return "Changed " + what + (said.isEmpty() ? "" : ": " + String.join(", ", said));
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.customerOrders();
    }
}
