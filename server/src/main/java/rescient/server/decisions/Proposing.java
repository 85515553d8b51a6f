package rescient.server.decisions;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.order.Drafting;
import rescient.core.order.Obstacle;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PointView;
import rescient.server.planning.NeedName;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;

/** Works out what a wish comes to: which rows change, and into what. Nothing is written here. */
final class Proposing {
    private final KeptRows rows;
    private final Proposal proposal;
    private final PlanVersion version;
    private final Wish wish;
    private final String person;
    private final Supplier<String> numbers;
    private final Drafter drafter;
    private final Targets targets;
    private final Alternatives alternatives;

    /**
     * @param person who decides
     * @param numbers the next number of a firmed order
     */
    Proposing(KeptRows rows, PlanVersion version, Wish wish, String person, Supplier<String> numbers) {
        this.rows = rows;
        this.version = version;
        this.wish = wish;
        this.person = person;
        this.numbers = numbers;
        this.proposal = new Proposal(version);
        this.drafter = new Drafter(version);
        this.targets = new Targets(rows, version);
        this.alternatives = new Alternatives(version, targets);
    }

    Proposal work() {
        boolean holds = wish.kind() == Wish.Kind.HOLD;
        if (holds && (wish.until() == null || !wish.until().isAfter(version.today()))) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "A hold needs a day after today").field("until");
        }
        List<Target> chosen = new ArrayList<>();
        for (String key : wish.targets()) {
            targets.find(key).ifPresentOrElse(chosen::add, () -> proposal.gone.add(key));
        }
        chosen.forEach(t -> proposal.point(t.as().item(), t.as().site()));
        switch (wish.kind()) {
            case FIRM, CHANGE -> chosen.forEach(this::change);
            case MERGE -> merge(chosen);
            case SPLIT -> chosen.forEach(this::split);
            case HOLD, RESUME -> chosen.forEach(this::hold);
            case CANCEL -> chosen.forEach(this::cancel);
            case SUBSTITUTE -> new Substituting(proposal, wish, alternatives, drafter, this::firm).use(chosen);
            case ADD -> add();
            case PLANNING -> new DataWish(rows, proposal, wish).planning();
            case BILL -> new DataWish(rows, proposal, wish).bill();
            case ENTER -> new CustomerOrderEntry(rows, proposal, wish).enter();
        }
        if (proposal.sentence.isEmpty()) {
            proposal.sentence = new Sentence(wish, proposal, chosen).text();
        }
        return proposal;
    }

    // ---- firm and change

    private void change(Target target) {
        if (target instanceof Target.Open open && !open.firmed()) {
            moveReleased(open);
            return;
        }
        if (wish.kind() == Wish.Kind.FIRM && target instanceof Target.Open) {
            refuse(target, "is firmed already");
            return;
        }
        LocalDate wanted = wish.due() != null
                ? wish.due()
                : wish.days() != null ? target.due().plusDays(wish.days()) : null;
        if (refusedAsPast(target, wanted) || refusedAsPast(target, wish.start())) {
            return;
        }
        Drafter.Way way = Drafter.Way.of(target.as()).with(wish);
        LocalDate due = working(way, wanted);
        LocalDate start = working(way, wish.start());
        boolean asItIs = target instanceof Target.Planned
                && due == null
                && start == null
                && wish.quantity() == null
                && way.equals(Drafter.Way.of(target.as()));
        Drafter.Drafted drafted = asItIs
                ? drafter.as(((Target.Planned) target).point(), target.as())
                : drafter.draft(
                        way, wish.quantity() == null ? target.quantity() : wish.quantity(), start, due, target.due());
        String obstacle = PlannedOrders.words(Obstacle.of(drafted.order()));
        if (obstacle != null) {
            refuse(target, "has " + obstacle);
            return;
        }
        proposal.point(way.item(), way.site());
        if (target instanceof Target.Open open) {
            redraw(open, asItStood(open, drafted));
        } else {
            firm(target.key(), target.as(), drafted);
        }
    }

    /** The working day that a wish for a day means; it is said if that is another one. */
    private LocalDate working(Drafter.Way way, LocalDate wanted) {
        if (wanted == null) {
            return null;
        }
        PointView point = drafter.point(way);
        int day = Math.toIntExact(wanted.toEpochDay());
        int working = point.workingDay(day);
        String site = version.directory().siteName(way.site());
        if (working != day) {
            proposal.remark(
                    Words.weekday(day) + " is a day off at " + site + ": moved to " + Words.weekday(working) + ".");
        }
        if (working > version.plan().snapshot().horizonEnd()) {
            proposal.remark(Words.weekday(working) + " is after the end of the plan, "
                    + Words.weekday(version.plan().snapshot().horizonEnd())
                    + ": the plan does not count what comes later.");
        }
        return Words.date(working);
    }

    private boolean refusedAsPast(Target target, LocalDate day) {
        if (day != null && day.isBefore(version.today())) {
            refuse(target, "cannot be moved to " + Words.day((int) day.toEpochDay()) + ", which is past");
            return true;
        }
        return false;
    }

    private void refuse(Target target, String why) {
        proposal.refusals.add(target.label() + " " + why + ".");
    }

    private void firm(String key, OrderDraft before, Drafter.Drafted drafted) {
        String number = numbers.get();
        OrderImage image = OrderImage.none();
        image.head().add(OrderRows.head(number, drafted.order(), wish.note(), person));
        OrderRows.addLine(image, number, "1", "firmed", drafted);
        proposal.edits.addAll(image.from(OrderImage.none(), number));
        proposal.lines.add(new Proposal.Line(key, number, before, drafted.order(), false));
    }

    /** With the alternatives that the order uses now. */
    private Drafter.Drafted asItStood(Target target, Drafter.Drafted next) {
        OrderDraft carried =
                target instanceof Target.Open open && !open.as().needs().isEmpty()
                        ? alternatives.carriedOver(ordinary(open), open.as(), next.order())
                        : next.order();
        return new Drafter.Drafted(carried, next.worth());
    }

    /** A firmed order as it would be by the bill of materials. */
    private OrderDraft ordinary(Target.Open open) {
        OrderDraft order = open.as();
        return Drafting.of(drafter.point(Drafter.Way.of(order)))
                .between(order.quantity(), order.startDay(), order.dueDay());
    }

    /** A firmed order with other content under its own number. */
    private void redraw(Target.Open open, Drafter.Drafted drafted) {
        OrderImage image = open.image().copy();
        boolean sameHead = Drafter.Way.of(open.as()).equals(Drafter.Way.of(drafted.order()));
        if (!sameHead && image.lines().size() > 1) {
            refuse(open, "stands on an order with other lines, which all have one supplier and one site");
            return;
        }
        if (!sameHead) {
            ObjectNode head = OrderRows.head(open.number(), drafted.order(), null, person);
            head.set("note", image.head().get(0).get("note"));
            head.set("created_by", image.head().get(0).get("created_by"));
            head.set("created_at", image.head().get(0).get("created_at"));
            image.head().removeAll();
            image.head().add(head);
        }
        image.remove(open.line());
        if (image.head().isEmpty()) {
            image.head().add(open.image().head().get(0));
        }
        OrderRows.addLine(image, open.number(), open.line(), "firmed", drafted);
        proposal.edits.addAll(image.from(open.image(), open.number()));
        proposal.lines.add(new Proposal.Line(open.key(), open.number(), open.as(), drafted.order(), false));
    }

    /** What lies with somebody is moved; a supplier is asked for it. */
    private void moveReleased(Target.Open open) {
        boolean onlyDates = wish.quantity() == null
                && wish.source() == null
                && wish.supplier() == null
                && wish.site() == null
                && wish.fromSite() == null;
        LocalDate wanted = wish.due() != null
                ? wish.due()
                : wish.days() != null ? open.due().plusDays(wish.days()) : null;
        if (wish.kind() != Wish.Kind.CHANGE || !onlyDates || wanted == null) {
            refuse(open, "has been released; only its date can be moved, or it can be cancelled");
            return;
        }
        if (refusedAsPast(open, wanted)) {
            return;
        }
        LocalDate due = working(Drafter.Way.of(open.as()), wanted);
        int shift = (int) (due.toEpochDay() - open.as().dueDay());
        OrderImage image = open.image().copy();
        PointView point =
                version.plan().point(open.as().item(), open.as().site()).orElseThrow();
        OrderRows.shift(
                image,
                open.line(),
                day -> Words.date(
                        point.movedLike((int) day.toEpochDay(), open.as().dueDay(), (int) due.toEpochDay())));
        image.line(open.line()).put("due_date", due.toString());
        OrderDraft moved = Targets.draft(image, open.line());
        if (open.outside()) {
            String kind = shift < 0 ? "bring_forward" : "push_back";
            proposal.edits.add(OrderRows.request(rows, open, kind, due, person));
            proposal.asked.add(moved.as(open.number(), open.line(), Stage.RELEASED));
        } else {
            proposal.edits.addAll(image.from(open.image(), open.number()));
        }
        proposal.lines.add(new Proposal.Line(open.key(), open.number(), open.as(), moved, open.outside()));
    }

    // ---- merge and split

    private void merge(List<Target> chosen) {
        if (chosen.size() < 2) {
            proposal.refusals.add("Choose at least two orders of one stock point to make one of them.");
            return;
        }
        Drafter.Way way = Drafter.Way.of(chosen.get(0).as());
        LocalDate due = working(way, wish.due());
        BigDecimal sum = BigDecimal.ZERO;
        for (Target target : chosen) {
            if (target instanceof Target.Open open && !open.firmed()) {
                refuse(target, "has been released and cannot be merged");
                return;
            }
            if (target instanceof Target.Open open && usesAlternatives(open)) {
                refuse(target, "uses an alternative item and stays an order of its own");
                return;
            }
            if (!Drafter.Way.of(target.as()).equals(way)) {
                refuse(
                        target,
                        "cannot be merged with " + chosen.get(0).label()
                                + ": item, site, source and supplier have to be the same");
                return;
            }
            sum = sum.add(target.quantity());
            if (wish.due() == null && (due == null || target.due().isBefore(due))) {
                due = target.due();
            }
        }
        takeAway(chosen);
        firm(null, null, drafter.draft(way, wish.quantity() == null ? sum : wish.quantity(), null, due, due));
        proposal.sentence = "Merged " + chosen.size() + " orders of " + way.item() + " into "
                + Quantity.text(
                        proposal.lines.get(proposal.lines.size() - 1).after().quantity()) + " for "
                + Words.day((int) due.toEpochDay());
    }

    private boolean usesAlternatives(Target.Open open) {
        OrderDraft ordinary = ordinary(open);
        return alternatives.carriedOver(ordinary, open.as(), ordinary) != ordinary;
    }

    /** Planned orders go by themselves when another one covers their need; firmed ones are taken away. */
    private void takeAway(List<Target> chosen) {
        Map<String, OrderImage> images = new LinkedHashMap<>();
        Map<String, OrderImage> before = new LinkedHashMap<>();
        for (Target target : chosen) {
            proposal.lines.add(new Proposal.Line(target.key(), null, target.as(), null, false));
            if (target instanceof Target.Open open) {
                before.putIfAbsent(open.number(), open.image());
                images.computeIfAbsent(open.number(), n -> open.image().copy()).remove(open.line());
            }
        }
        images.forEach((number, image) -> proposal.edits.addAll(image.from(before.get(number), number)));
    }

    private void split(Target target) {
        if (target instanceof Target.Open open && !open.firmed()) {
            refuse(target, "has been released and cannot be split");
            return;
        }
        List<Wish.Part> parts = parts(target);
        if (parts.size() < 2) {
            refuse(target, "stays as it is: name parts that are smaller than the whole");
            return;
        }
        Drafter.Way way = Drafter.Way.of(target.as());
        takeAway(List.of(target));
        for (Wish.Part part : parts) {
            if (refusedAsPast(target, part.due())) {
                return;
            }
            Drafter.Drafted drafted = drafter.draft(way, part.quantity(), null, working(way, part.due()), target.due());
            firm(null, null, asItStood(target, drafted));
        }
        proposal.sentence = "Split " + target.label() + " into " + parts.size() + " orders";
    }

    /** The parts that were named, and the rest; or so many that are as equal as they can be. */
    private List<Wish.Part> parts(Target target) {
        List<Wish.Part> parts = new ArrayList<>();
        BigDecimal left = target.quantity();
        if (wish.into() != null) {
            BigDecimal each = left.divide(
                    BigDecimal.valueOf(wish.into()),
                    version.directory().decimals(target.as().item()),
                    RoundingMode.UP);
            for (int i = 0; i < wish.into() && left.signum() > 0; i++) {
                BigDecimal part = each.min(left);
                parts.add(new Wish.Part(part, null));
                left = left.subtract(part);
            }
            return parts;
        }
        for (Wish.Part part : wish.parts() == null ? List.<Wish.Part>of() : wish.parts()) {
            parts.add(part);
            left = left.subtract(part.quantity());
        }
        if (left.signum() > 0) {
            parts.add(new Wish.Part(left, null));
        }
        return parts;
    }

    // ---- hold

    private void hold(Target target) {
        boolean resume = wish.kind() == Wish.Kind.RESUME;
        if (!(target instanceof Target.Planned planned)) {
            refuse(target, "is firmed; only planned orders are held");
            return;
        }
        NeedName need = NeedName.of(planned.point()).get(planned.order().sequence());
        Map<String, String> key = new LinkedHashMap<>();
        key.put("item", planned.order().item());
        key.put("site", planned.order().site());
        key.put("need", need.need());
        key.put("place", Integer.toString(need.place()));
        ArrayNode after = JsonNodeFactory.instance.arrayNode();
        if (!resume) {
            ObjectNode row = after.addObject();
            key.forEach(row::put);
            row.put("until", wish.until().toString());
            row.put("note", wish.note());
            row.put("name", person);
            row.put("made_at", OrderRows.now());
        }
        proposal.edits.add(new Edit("holds", key, rows.read("holds", key), after));
        proposal.lines.add(new Proposal.Line(target.key(), null, target.as(), target.as(), false));
    }

    // ---- cancel

    private void cancel(Target target) {
        if (!(target instanceof Target.Open open)) {
            refuse(target, "is only planned: it goes when nothing needs it; leave its demand out, or hold it");
            return;
        }
        proposal.lines.add(new Proposal.Line(open.key(), open.number(), open.as(), null, open.outside()));
        if (open.outside()) {
            proposal.edits.add(OrderRows.request(rows, open, "cancel", null, person));
            proposal.asked.add(new rescient.core.company.Change.NoOrder(open.number(), open.line()));
        } else {
            OrderImage image = open.image().copy();
            image.remove(open.line());
            proposal.edits.addAll(image.from(open.image(), open.number()));
        }
    }

    // ---- orders the plan does not ask for

    private void add() {
        if (wish.item() == null || wish.site() == null || wish.quantity() == null || wish.due() == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "A new order needs item, site, quantity and date");
        }
        Source source = wish.source() != null
                ? Drafter.source(wish.source())
                : version.plan()
                        .point(wish.item(), wish.site())
                        .map(p -> p.source())
                        .orElse(Source.BUY);
        Drafter.Way way = new Drafter.Way(wish.item(), wish.site(), source, wish.supplier(), wish.fromSite());
        if (source == Source.NONE) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say how " + wish.item() + " is to be replenished")
                    .field("source");
        }
        Drafter.Drafted drafted = drafter.draft(way, wish.quantity(), null, working(way, wish.due()), wish.due());
        String obstacle = PlannedOrders.words(Obstacle.of(drafted.order()));
        if (obstacle != null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The order has " + obstacle).field("supplier");
        }
        proposal.point(way.item(), way.site());
        firm(null, null, drafted);
        proposal.sentence = "Added " + Quantity.text(drafted.order().quantity()) + " " + wish.item() + " for "
                + Words.day(drafted.order().dueDay());
    }
}
