package rescient.server.orders;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.order.OrderDraft;
import rescient.server.access.SignedIn;
import rescient.server.planning.Holds;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OpenOrderRows;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Canonical;
import rescient.server.platform.Cause;
import rescient.server.platform.CommandQueue;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;

/**
 * Turns planned orders into released ones: all of them in one transaction or none, and each only once, whatever another
 * browser, a reload or a lost connection does.
 */
@Service
class Releasing {
    private static final Duration RECENT = Duration.ofHours(24);
    /** How many orders a sentence names one by one. */
    private static final int NAMED = 4;

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    private final LivePlan live;
    private final Companies companies;
    private final Today today;
    private final SupplyOrderRepository orders;
    private final SupplyOrderComponentRepository components;
    private final NumberRangeRepository numbers;
    private final Holds holds;
    private final CommandRepository commands;
    private final EntityManager entities;
    private final CommandQueue turns;
    private final ObjectMapper json;
    private final Canonical canonical;

    Releasing(
            LivePlan live,
            Companies companies,
            Today today,
            SupplyOrderRepository orders,
            SupplyOrderComponentRepository components,
            NumberRangeRepository numbers,
            Holds holds,
            CommandRepository commands,
            EntityManager entities,
            CommandQueue turns,
            ObjectMapper json,
            Canonical canonical) {
        this.live = live;
        this.companies = companies;
        this.today = today;
        this.orders = orders;
        this.components = components;
        this.numbers = numbers;
        this.holds = holds;
        this.commands = commands;
        this.entities = entities;
        this.turns = turns;
        this.json = json;
        this.canonical = canonical;
    }

    /** A document that came out. */
    record Created(
            String number,
            String kind,
            @Nullable String partner,
            String siteName,
            int lines,
            @Nullable BigDecimal value) {}

    record Answer(List<Created> orders, List<Release.Obstacle> leftOut) {}

    /** What would be created, from the plan as it is. */
    Release preview(List<String> keys, boolean asPossible) {
        return release(live.current(), keys, asPossible);
    }

    /**
     * Releases planned orders.
     *
     * @param seen the plan in which they were last looked at
     * @param leaveOut those that cannot go stay behind; otherwise nothing goes
     * @param asPossible those that cannot be there in time are dated with the day on which they can
     * @throws JobProblem 409 if the plan no longer asks for one of them, or something happened at its stock point since, 422 if one cannot go
     */
    Answer release(
            SignedIn user,
            UUID commandKey,
            long seen,
            List<String> keys,
            boolean leaveOut,
            boolean asPossible,
            String note,
            Map<String, String> notes) {
        return turns.take(() -> inTurn(user, commandKey, seen, keys, leaveOut, asPossible, note, notes));
    }

    private Release release(PlanVersion version, List<String> keys, boolean asPossible) {
        Map<String, ReleaseLine> firmed = new HashMap<>();
        for (String key : keys) {
            if (OrderKey.isLine(key)) {
                orders.withLines(OrderKey.number(key)).stream()
                        .flatMap(o -> o.lines.stream())
                        .filter(l -> l.line.equals(OrderKey.line(key))
                                && l.stage.equals("firmed")
                                && l.quantity.signum() > 0)
                        .forEach(l -> firmed.put(
                                key,
                                ReleaseLine.firmed(
                                        version, key, l, components.findByOrderNumberOrderById(l.order.number))));
            }
        }
        return new Release(version, keys, firmed, holds.of(version), asPossible);
    }

    private Answer inTurn(
            SignedIn user,
            UUID commandKey,
            long seen,
            List<String> keys,
            boolean leaveOut,
            boolean asPossible,
            String note,
            Map<String, String> notes) {
        long revision = companies.lock();
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("orders", keys);
        request.put("leaveOut", leaveOut);
        request.put("note", note == null ? "" : note);
        request.put("notes", notes);
        if (asPossible) {
            request.put("asPossible", true);
        }
        Command before = commands.findById(commandKey).orElse(null);
        if (before != null) {
            if (!canonical.same(before.request, request) || !before.login.equals(user.getUsername())) {
                throw new JobProblem(HttpStatus.CONFLICT, "This command was carried out before, with another content");
            }
            return read(before.answer);
        }
        Release release = release(live.knowing(revision), keys, asPossible);
        refuse(user, release, leaveOut);
        refuseUnseen(release, seen);
        List<Change> changes = new ArrayList<>();
        Answer answer = create(user, release, note, notes, changes);
        entities.persist(
                new Command(commandKey, user.getUsername(), canonical.text(request), write(answer), today.now()));
        companies.changed(
                new Cause(Cause.Kind.RELEASE, user.name(), sentence(answer)),
                OpenOrderRows.changes(release.version.directory().facts(), changes));
        return answer;
    }

    /** What happened at the stock points of planned orders after the plan that somebody saw. */
    List<String> since(Release release, long seen) {
        return Since.sentences(companies.since(PlanVersion.revisionOf(seen)), release.places());
    }

    /** The plan may ask for the same again, same place, day and quantity; whoever releases it has to know of the first. */
    private void refuseUnseen(Release release, long seen) {
        List<String> since = since(release, seen);
        if (!since.isEmpty()) {
            throw new JobProblem(
                            HttpStatus.CONFLICT,
                            "Nothing was released: something happened there since you looked. "
                                    + String.join(" ", since) + " Look again, and release it if it is still wanted.")
                    .with("changes", since);
        }
    }

    private static String sentence(Answer answer) {
        List<String> numbers = answer.orders.stream().map(Created::number).toList();
        return numbers.size() <= NAMED
                ? "Released " + String.join(", ", numbers)
                : "Released " + numbers.size() + " orders, " + numbers.get(0) + " to "
                        + numbers.get(numbers.size() - 1);
    }

    private void refuse(SignedIn user, Release release, boolean leaveOut) {
        if (!release.gone.isEmpty()) {
            List<String> changes = release.gone.stream()
                    .map(key -> whatHappened(release.version, key))
                    .toList();
            throw new JobProblem(
                            HttpStatus.CONFLICT,
                            "The plan has changed; nothing was released. " + String.join(" ", changes))
                    .with("changes", changes)
                    .with(
                            "keys",
                            release.gone.stream().map(Release.Missing::key).toList());
        }
        for (ReleaseLine going : release.ready.values()) {
            OrderDraft order = going.order();
            if (!user.role().rights().mayRelease(Words.word(order.source()))) {
                throw new JobProblem(
                        HttpStatus.FORBIDDEN,
                        "You are signed in as " + Words.word(user.role()) + ", who may not release "
                                + Words.word(order.source()) + " orders");
            }
        }
        if (!release.obstacles.isEmpty() && !leaveOut) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was released. "
                                    + String.join(
                                            " ",
                                            release.obstacles.stream()
                                                    .map(Release.Obstacle::sentence)
                                                    .toList()))
                    .with("obstacles", release.obstacles);
        }
        if (release.ready.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is nothing that can be released");
        }
    }

    /** What became of an order: released by somebody, or asked for otherwise. */
    private String whatHappened(PlanVersion version, Release.Missing missing) {
        OrderKey key = missing.planned();
        String wanted = key == null
                ? OrderKey.number(missing.key())
                : key.quantity() + " " + key.item() + " for "
                        + Words.day((int) key.due().toEpochDay());
        String released = whoReleased(missing.key());
        if (released != null) {
            return wanted + released;
        }
        if (key == null) {
            return wanted + " is no longer firmed: it was changed or taken back.";
        }
        return wanted + " is no longer asked for"
                + version.plan()
                        .point(key.item(), key.site())
                        .flatMap(p -> p.plannedOrders().stream().findFirst())
                        .map(o -> "; next is " + Quantity.text(o.quantity()) + " on " + Words.day(o.dueDay()))
                        .orElse("")
                + ".";
    }

    /** {@code  was released by Ida Holm at 10:05 as PO-2012.}, or null if nobody released it of late. */
    private String whoReleased(String key) {
        for (Command command : commands.naming(write(key), today.now().minus(RECENT))) {
            Answer answer = read(command.answer);
            List<String> numbers = answer.orders.stream().map(Created::number).toList();
            if (answer.leftOut.stream().noneMatch(left -> left.key().equals(key)) && !numbers.isEmpty()) {
                String by = orders.findById(numbers.get(0))
                        .map(order -> order.createdBy)
                        .orElse(command.login);
                String as = numbers.size() <= NAMED
                        ? String.join(", ", numbers)
                        : "one of " + numbers.get(0) + " to " + numbers.get(numbers.size() - 1);
                return " was released by " + by + " at "
                        + CLOCK.format(LocalTime.ofInstant(command.createdAt, ZoneId.systemDefault())) + " as " + as
                        + ".";
            }
        }
        return null;
    }

    private Answer create(
            SignedIn user, Release release, String note, Map<String, String> notes, List<Change> changes) {
        List<Created> created = new ArrayList<>();
        for (ReleaseDocument draft : release.drafts()) {
            List<ReleaseLine> lines =
                    draft.lines().stream().map(l -> release.ready.get(l.key())).toList();
            SupplyOrder order = lines.get(0).numbered() ? lines.get(0).firmed().order : null;
            String own = note(notes.get(draft.lines().get(0).key()), note);
            if (order == null) {
                order = document(user, draft, own);
                takeBack(lines, changes);
                for (int i = 0; i < lines.size(); i++) {
                    addLine(order, Integer.toString(i + 1), draft.lines().get(i), lines.get(i));
                }
                entities.persist(order);
                components.saveAll(issues(order, lines));
            } else {
                lines.get(0).firmed().stage = "released";
                if (own != null) {
                    order.note = order.note == null ? own : order.note + "\n" + own;
                }
            }
            for (int i = 0; i < lines.size(); i++) {
                String line = lines.get(i).numbered() ? lines.get(i).firmed().line : Integer.toString(i + 1);
                changes.add(lines.get(i).as(order.number, line));
            }
            created.add(new Created(
                    order.number,
                    order.kind,
                    draft.partner(),
                    draft.siteName(),
                    draft.lines().size(),
                    draft.value()));
        }
        return new Answer(created, release.obstacles);
    }

    private static String note(String own, String ofAll) {
        String note = own == null || own.isBlank() ? ofAll : own;
        return note == null || note.isBlank() ? null : note.strip();
    }

    private SupplyOrder document(SignedIn user, ReleaseDocument draft, String note) {
        SupplyOrder order = new SupplyOrder();
        order.number = numbers.locked(draft.kind()).take();
        order.kind = draft.kind();
        order.supplier = draft.supplier();
        order.site = draft.site();
        order.fromSite = draft.fromSite();
        order.note = note;
        order.createdBy = user.name();
        order.createdAt = today.now();
        return order;
    }

    /** Firmed orders become lines of documents; what they were goes. */
    private void takeBack(List<ReleaseLine> lines, List<Change> changes) {
        for (ReleaseLine going : lines) {
            SupplyOrderLine firmed = going.firmed();
            if (firmed != null) {
                components.deleteAll(components.findByOrderNumberOrderById(firmed.order.number).stream()
                        .filter(c -> c.line.equals(firmed.line))
                        .toList());
                SupplyOrder order = firmed.order;
                order.lines.remove(firmed);
                entities.flush();
                entities.remove(firmed);
                if (order.lines.isEmpty()) {
                    entities.flush();
                    entities.remove(order);
                }
                changes.add(new Change.NoOrder(order.number, firmed.line));
            }
        }
    }

    private static void addLine(SupplyOrder order, String name, ReleaseDocument.Line draft, ReleaseLine going) {
        SupplyOrderLine line = new SupplyOrderLine();
        line.order = order;
        line.line = name;
        line.stage = "released";
        line.item = draft.item();
        line.ordered = draft.quantity();
        line.quantity = draft.quantity();
        line.startQuantity = Quantity.decimal(going.order().startQuantity());
        line.dueDate = draft.due();
        line.startDate = draft.start();
        line.unit = draft.unit();
        line.unitQuantity = draft.unitQuantity();
        line.unitPrice = draft.unitPrice();
        order.lines.add(line);
    }

    /** What the orders will have to issue. */
    private static List<SupplyOrderComponent> issues(SupplyOrder order, List<ReleaseLine> lines) {
        List<SupplyOrderComponent> rows = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            for (OrderDraft.Need need : lines.get(i).order().needs()) {
                SupplyOrderComponent row = new SupplyOrderComponent();
                row.orderNumber = order.number;
                row.line = Integer.toString(i + 1);
                row.component = need.item();
                row.quantity = Quantity.decimal(need.quantity());
                row.neededDate = Words.date(need.day());
                rows.add(row);
            }
        }
        return rows;
    }

    private String write(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private Answer read(String answer) {
        try {
            return json.readValue(answer, Answer.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
