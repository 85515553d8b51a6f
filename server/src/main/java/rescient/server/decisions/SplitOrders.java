package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.order.Parts;
import rescient.server.platform.Nullable;

/**
 * An order becomes several.
 *
 * @param parts quantities, with other dates if wanted; the rest stays
 * @param into so many parts, as equal as they can be
 */
record SplitOrders(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Size(max = 100) List<@NotNull @Valid Part> parts,
        @Nullable @Min(2) @Max(100) Integer into,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    /** A part of a split order. */
    record Part(
            @NotNull @Positive @DecimalMax(MOST) BigDecimal quantity,
            @Nullable LocalDate due) {}

    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        desk.note(note);
        desk.say("Split " + Proposing.named(chosen));
        chosen.forEach(target -> split(desk, target));
    }

    private void split(Proposing desk, Target target) {
        if (target instanceof Target.Open open && !open.firmed() && !open.held()) {
            desk.refuse(target, "has been released and cannot be split");
            return;
        }
        List<Part> all = partsOf(desk, target);
        if (all.size() < 2) {
            desk.refuse(target, "stays as it is: name parts that are smaller than the whole");
            return;
        }
        if (all.stream().anyMatch(part -> desk.refusedAsPast(target, part.due()))) {
            return;
        }
        Drafter.Way way = Drafter.Way.of(target.as());
        List<Drafter.Drafted> drafted = all.stream()
                .map(part -> desk.asItStood(
                        target,
                        desk.drafter()
                                .draft(way, part.quantity(), null, desk.working(way, part.due()), target.due())
                                .hangingLike(target.as())))
                .toList();
        if (target instanceof Target.Open open && open.held()) {
            desk.redraw(open, drafted.get(0));
            drafted.stream().skip(1).forEach(part -> desk.holdNew(open, part));
        } else {
            desk.takeAway(List.of(target));
            drafted.forEach(desk::firmNew);
        }
        desk.say("Split " + target.label() + " into " + all.size() + " orders");
    }

    private List<Part> partsOf(Proposing desk, Target target) {
        long whole = target.as().quantity();
        List<Part> named = parts == null ? List.of() : parts;
        List<Long> sizes = into != null
                ? Parts.equal(
                        whole,
                        into,
                        Quantity.step(
                                desk.version().directory().decimals(target.as().item())))
                : Parts.andTheRest(
                        whole,
                        named.stream().map(p -> Quantity.of(p.quantity())).toList());
        List<Part> all = new ArrayList<>();
        for (int i = 0; i < sizes.size(); i++) {
            all.add(new Part(
                    Quantity.decimal(sizes.get(i)),
                    into == null && i < named.size() ? named.get(i).due() : null));
        }
        return all;
    }
}
