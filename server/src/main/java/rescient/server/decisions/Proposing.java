package rescient.server.decisions;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import rescient.core.company.Earmark;
import rescient.core.order.Drafting;
import rescient.core.order.Obstacle;
import rescient.core.order.OrderDraft;
import rescient.core.order.WantedDay;
import rescient.core.plan.NeedName;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.planning.Holds;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;
import rescient.server.tables.OrderImage;

/** The proposal that a command is being worked out to, and what commands need for it. Nothing is written here. */
final class Proposing {
    private final DeskRows desk;
    private final Proposal proposal;
    private final PlanVersion version;
    private final Author author;
    private final Drafter drafter;
    private final Targets targets;
    private final Alternatives alternatives;
    private String note;

    /**
     * Who decides.
     *
     * @param role as the limits of approval name it; null: somebody only looks
     * @param numbers the next number of a kind of orders
     */
    record Author(String name, @Nullable String role, Instant now, UnaryOperator<String> numbers) {}

    private Proposing(DeskRows desk, PlanVersion version, Author author) {
        this.desk = desk;
        this.version = version;
        this.author = author;
        this.proposal = new Proposal(version);
        this.drafter = new Drafter(version);
        this.targets = new Targets(desk, version);
        this.alternatives = new Alternatives(version, targets);
    }

    /** What a command comes to. */
    static Proposal of(DeskRows desk, PlanVersion version, Author author, PlanCommand command) {
        return of(desk, version, author, command::propose);
    }

    static Proposal of(DeskRows desk, PlanVersion version, Author author, Consumer<Proposing> work) {
        Proposing proposing = new Proposing(desk, version, author);
        work.accept(proposing);
        return proposing.proposal;
    }

    /** What it would come to, for somebody who only looks. */
    static Proposal look(DeskRows desk, PlanVersion version, PlanCommand command) {
        int[] place = {0};
        return of(desk, version, new Author("", null, Instant.EPOCH, kind -> "new " + ++place[0]), command);
    }

    DeskRows desk() {
        return desk;
    }

    Author author() {
        return author;
    }

    Proposal proposal() {
        return proposal;
    }

    PlanVersion version() {
        return version;
    }

    Drafter drafter() {
        return drafter;
    }

    Alternatives alternatives() {
        return alternatives;
    }

    /** What is written on every order that comes out. */
    void note(@Nullable String said) {
        note = said;
    }

    void say(String sentence) {
        proposal.sentence = sentence;
    }

    /** The orders of these keys that are still there; the others are told as gone. */
    List<Target> chosen(List<String> keys) {
        List<Target> chosen = new ArrayList<>();
        keys.stream()
                .distinct()
                .forEach(key -> targets.find(key).ifPresentOrElse(chosen::add, () -> proposal.gone.add(key)));
        chosen.forEach(t -> proposal.point(t.as().item(), t.as().site()));
        return chosen;
    }

    /** {@code 126 ROD-12}, or how many they are. */
    static String named(List<Target> chosen) {
        return chosen.size() == 1 ? chosen.get(0).label() : chosen.size() + " orders";
    }

    /** Whether all that comes of it is that suppliers are asked. */
    boolean asksOnly() {
        return !proposal.lines.isEmpty() && proposal.lines.stream().allMatch(Proposal.Line::asked);
    }

    void refuse(Target target, String why) {
        proposal.refusals.add(target.label() + " " + why + ".");
    }

    boolean isPast(LocalDate day) {
        return WantedDay.isPast((int) day.toEpochDay(), (int) version.today().toEpochDay());
    }

    boolean isAhead(LocalDate day) {
        return WantedDay.isAhead((int) day.toEpochDay(), (int) version.today().toEpochDay());
    }

    boolean refusedAsPast(Target target, @Nullable LocalDate day) {
        if (day != null && isPast(day)) {
            refuse(target, "cannot be moved to " + day + ", which is past");
            return true;
        }
        return false;
    }

    /** The working day that a wish for a day means; it is said if that is another one. */
    @Nullable
    LocalDate working(Drafter.Way way, @Nullable LocalDate wanted) {
        if (wanted == null) {
            return null;
        }
        int named = Math.toIntExact(wanted.toEpochDay());
        int horizonEnd = version.plan().snapshot().horizonEnd();
        WantedDay day = WantedDay.of(drafter.point(way), named, horizonEnd);
        if (day.moved()) {
            proposal.remark(Words.weekday(named) + " is a day off at "
                    + version.directory().siteName(way.site()) + ": moved to " + Words.weekday(day.day()) + ".");
        }
        if (day.beyond()) {
            proposal.remark(Words.weekday(day.day()) + " is after the end of the plan, " + Words.weekday(horizonEnd)
                    + ": the plan does not count what comes later.");
        }
        return Words.date(day.day());
    }

    /** A planned order becomes a firmed one, unless something stands in its way. */
    void firm(Target.Planned planned, Drafter.Drafted drafted) {
        if (!obstructed(planned, drafted)) {
            firm(planned.key(), planned.as(), drafted);
        }
    }

    /** An order that is none of the plan's becomes a firmed one. */
    void firmNew(Drafter.Drafted drafted) {
        firm(null, null, drafted);
    }

    void firm(@Nullable String key, @Nullable OrderDraft before, Drafter.Drafted drafted) {
        String number = author.numbers().apply(DocumentNumbers.FIRMED);
        OrderImage image = OrderImage.none(number);
        image.head(OrderRows.head(number, note, author.name(), author.now()));
        put(image, "1", drafted);
        proposal.changes.addAll(image.from(OrderImage.none(number)));
        proposal.lines.add(new Proposal.Line(key, number, before, drafted.order(), false));
    }

    /** A line that was given out is firmed again as it stands, under another number. */
    void refirm(OrderDraft draft, Row line, List<Row> issues) {
        String number = author.numbers().apply(DocumentNumbers.FIRMED);
        OrderImage image = OrderImage.none(number);
        image.head(OrderRows.head(number, note, author.name(), author.now()));
        image.put(
                line.with("number", number)
                        .with("line", "1")
                        .with("stage", "firmed")
                        .with("state", null)
                        .with("purchase_state", null),
                issues.stream()
                        .map(row -> row.with("number", number).with("line", "1"))
                        .toList());
        proposal.changes.addAll(image.from(OrderImage.none(number)));
        proposal.point(draft.item(), draft.site());
        proposal.lines.add(new Proposal.Line(null, number, draft, draft, false));
    }

    private static void put(OrderImage image, String line, Drafter.Drafted drafted) {
        put(image, line, drafted, image.line(line));
    }

    /** @param before whose stage and state it has; null: it is firmed */
    private static void put(OrderImage image, String line, Drafter.Drafted drafted, @Nullable Row before) {
        Row row = OrderRows.line(image.number(), line, "firmed", drafted.order(), drafted.worth());
        // a purchase that is held stays given out, and held
        if (before != null) {
            row = row.with("stage", before.text("stage"))
                    .with("state", before.text("state"))
                    .with("purchase_state", before.text("purchase_state"));
        }
        image.put(row, OrderRows.issues(image.number(), line, drafted.order().needs()));
    }

    private boolean obstructed(Target target, Drafter.Drafted drafted) {
        String obstacle = PlannedOrders.words(Obstacle.of(drafted.order()));
        if (obstacle != null) {
            refuse(target, "has " + obstacle);
            return true;
        }
        proposal.point(drafted.order().item(), drafted.order().site());
        return false;
    }

    /** With the alternatives that the order uses now. */
    Drafter.Drafted asItStood(Target target, Drafter.Drafted next) {
        OrderDraft carried =
                target instanceof Target.Open open && !open.as().needs().isEmpty()
                        ? alternatives.carriedOver(ordinary(open), open.as(), next.order())
                        : next.order();
        return new Drafter.Drafted(carried, next.worth());
    }

    boolean usesAlternatives(Target.Open open) {
        OrderDraft ordinary = ordinary(open);
        return alternatives.carriedOver(ordinary, open.as(), ordinary) != ordinary;
    }

    /** A firmed order as it would be by the bill of materials. */
    private OrderDraft ordinary(Target.Open open) {
        OrderDraft order = open.as();
        return Drafting.of(drafter.point(Drafter.Way.of(order)))
                .between(order.quantity(), order.startDay(), order.dueDay());
    }

    /** A firmed order gets another content under its own number, with the alternatives that it uses. */
    void redraw(Target.Open open, Drafter.Drafted next) {
        if (obstructed(open, next)) {
            return;
        }
        Drafter.Drafted drafted = asItStood(open, next);
        OrderImage image = open.image().copy();
        boolean sameHead = Drafter.Way.of(open.as()).equals(Drafter.Way.of(drafted.order()));
        if (!sameHead && image.lines().size() > 1) {
            refuse(open, "stands on an order with other lines, which all have one supplier and one site");
            return;
        }
        put(image, open.line(), drafted);
        boolean sameValue = sameHead && open.as().quantity() == drafted.order().quantity();
        if (!open.firmed() && !open.held() && !sameValue) {
            AdvancePurchases.holdAgain(this, image);
        }
        proposal.changes.addAll(image.from(open.image()));
        proposal.lines.add(new Proposal.Line(open.key(), open.number(), open.as(), drafted.order(), false));
    }

    /** A part of a held purchase becomes one of its own, held as that is. */
    void holdNew(Target.Open like, Drafter.Drafted drafted) {
        Row line = like.image().line(like.line());
        String number = author.numbers().apply(line.text("kind"));
        OrderImage image = OrderImage.none(number);
        image.head(OrderRows.head(number, note, author.name(), author.now()));
        put(image, "1", drafted, line);
        proposal.changes.addAll(image.from(OrderImage.none(number)));
        proposal.lines.add(new Proposal.Line(null, number, null, drafted.order(), false));
    }

    /** Planned orders go by themselves when another one covers their need; firmed ones are taken away. */
    void takeAway(List<Target> chosen) {
        Map<String, OrderImage> images = new LinkedHashMap<>();
        Map<String, OrderImage> before = new LinkedHashMap<>();
        for (Target target : chosen) {
            proposal.lines.add(new Proposal.Line(target.key(), null, target.as(), null, false));
            if (target instanceof Target.Open open) {
                before.putIfAbsent(open.number(), open.image());
                images.computeIfAbsent(open.number(), n -> open.image().copy()).remove(open.line());
            }
        }
        images.forEach((number, image) -> proposal.changes.addAll(image.from(before.get(number))));
    }

    /** A supplier is to be asked for another day, or to cancel. */
    void ask(Target.Open open, String kind, @Nullable LocalDate due) {
        proposal.changes.add(OrderRows.request(desk, open, kind, due, author));
    }

    /** @param until null: it is held no longer */
    void hold(Target target, @Nullable LocalDate until, @Nullable String reason) {
        if (!(target instanceof Target.Planned planned)) {
            refuse(target, "is firmed; only planned orders are held");
            return;
        }
        Earmark bought = Earmark.of(planned.order().item());
        if (bought != null) {
            refuse(
                    target,
                    "is bought for " + bought.number() + " line " + bought.line() + " alone; move that line instead");
            return;
        }
        NeedName need = NeedName.of(planned.point()).get(planned.order().sequence());
        String item = planned.order().item();
        String site = planned.order().site();
        String place = Integer.toString(need.place());
        Row before = desk.row(DeskTables.HOLDS, item, site, Holds.need(need), place);
        Row after = null;
        if (until != null) {
            Map<String, String> cells = new LinkedHashMap<>();
            cells.put("item", item);
            cells.put("site", site);
            cells.put("need", Holds.need(need));
            cells.put("place", place);
            cells.put("until", until.toString());
            cells.put("note", reason);
            cells.put("name", author.name());
            cells.put("made_at", DeskRows.moment(author.now()));
            after = Row.of(DeskTables.HOLDS, cells);
        }
        if (before != null || after != null) {
            proposal.changes.add(FactChange.of(before, after));
        }
        proposal.lines.add(new Proposal.Line(target.key(), null, target.as(), target.as(), false));
    }
}
