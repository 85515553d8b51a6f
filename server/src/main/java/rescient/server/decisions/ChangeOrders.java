package rescient.server.decisions;

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
import java.util.function.UnaryOperator;
import rescient.core.company.Stage;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PointView;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * Other quantity, dates, supplier, site or source; a planned order becomes firmed. What is null stays as it is.
 *
 * @param days moves every due date by so many calendar days
 */
record ChangeOrders(
        @Nullable @Size(max = MOST_ORDERS) List<@NotNull @Size(max = LONGEST) String> orders,
        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable LocalDate start,
        @Nullable @Min(-3650) @Max(3650) Integer days,
        @Nullable @Size(max = LONGEST) String source,
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = LONGEST) String fromSite,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements OfOrders {
    static final String RELEASED = "has been released; only its date can be moved, or it can be cancelled";

    @Override
    public void propose(Proposing desk, List<Target> chosen) {
        desk.note(note);
        for (Target target : chosen) {
            if (target instanceof Target.Open open && !open.changeable()) {
                move(desk, open);
            } else {
                change(desk, target);
            }
        }
        desk.say((desk.asksOnly()
                        ? "Asked for " + Proposing.named(chosen) + " otherwise"
                        : "Changed " + Proposing.named(chosen))
                + otherwise(desk, chosen));
    }

    private LocalDate wanted(Target target) {
        return due != null || days == null ? due : target.due().plusDays(days);
    }

    private void change(Proposing desk, Target target) {
        LocalDate wanted = wanted(target);
        if (desk.refusedAsPast(target, wanted) || desk.refusedAsPast(target, start)) {
            return;
        }
        Drafter.Way standing = Drafter.Way.of(target.as());
        Drafter.Way way = standing.otherwise(source, supplier, fromSite, site);
        String sent =
                target instanceof Target.Open open ? SubcontractParts.whyNotElsewhere(desk.version(), open, way) : null;
        if (sent != null) {
            desk.refuse(target, sent);
            return;
        }
        LocalDate day = desk.working(way, wanted);
        LocalDate begin = desk.working(way, start);
        boolean asItIs = target instanceof Target.Planned
                && day == null
                && begin == null
                && quantity == null
                && way.equals(standing);
        Drafter.Drafted drafted = asItIs
                ? desk.drafter().as(((Target.Planned) target).point(), target.as())
                : desk.drafter()
                        .draft(way, quantity == null ? target.quantity() : quantity, begin, day, target.due())
                        .hangingLike(target.as());
        if (target instanceof Target.Planned planned) {
            desk.firm(planned, drafted);
        } else {
            desk.redraw((Target.Open) target, drafted);
        }
    }

    /** What lies with somebody is moved; a supplier is asked for it. */
    private void move(Proposing desk, Target.Open open) {
        boolean onlyDates = quantity == null && source == null && supplier == null && site == null && fromSite == null;
        LocalDate wanted = wanted(open);
        if (!onlyDates || wanted == null) {
            desk.refuse(open, RELEASED);
            return;
        }
        if (desk.refusedAsPast(open, wanted)) {
            return;
        }
        int before = open.as().dueDay();
        int after = (int) desk.working(Drafter.Way.of(open.as()), wanted).toEpochDay();
        PointView point =
                desk.version().plan().point(open.as().item(), open.as().site()).orElseThrow();
        UnaryOperator<LocalDate> move = day -> Words.date(point.movedLike((int) day.toEpochDay(), before, after));
        OrderImage image = open.image().copy();
        image.put(
                OrderRows.shifted(image.line(open.line()), Words.date(after), move),
                OrderRows.shifted(image.issues(open.line()), move));
        OrderDraft moved = OrderRows.draft(image.line(open.line()), image.issues(open.line()));
        if (open.outside()) {
            desk.ask(open, after < before ? "bring_forward" : "push_back", Words.date(after));
            desk.proposal().asked.add(moved.as(open.number(), open.line(), Stage.RELEASED));
        } else {
            desk.proposal().changes.addAll(image.from(open.image()));
        }
        desk.proposal().lines.add(new Proposal.Line(open.key(), open.number(), open.as(), moved, open.outside()));
    }

    private String otherwise(Proposing desk, List<Target> chosen) {
        Target one = chosen.size() == 1 ? chosen.get(0) : null;
        List<String> words = new ArrayList<>();
        if (quantity != null && (one == null || one.quantity().compareTo(quantity) != 0)) {
            words.add(quantity.toPlainString());
        }
        if (start != null) {
            words.add("start " + start);
        }
        if (due != null) {
            words.add("due " + due);
        }
        if (days != null) {
            words.add((days > 0 ? "+" : "−") + Math.abs(days) + " days");
        }
        if (source != null && (one == null || Drafter.source(source) != one.as().source())) {
            words.add(source);
        }
        if (supplier != null) {
            words.add("from " + desk.version().directory().supplierName(supplier));
        }
        if (site != null) {
            words.add("at " + desk.version().directory().siteName(site));
        }
        return words.isEmpty() ? "" : ": " + String.join(", ", words);
    }
}
