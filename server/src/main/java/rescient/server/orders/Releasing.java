package rescient.server.orders;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.core.Change;
import rescient.core.Demand;
import rescient.core.OpenOrder;
import rescient.core.OpenOrderComponent;
import rescient.core.PlannedOrder;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.core.Stage;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
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
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    private final LivePlan live;
    private final Companies companies;
    private final Today today;
    private final SupplyOrderRepository orders;
    private final SupplyOrderComponentRepository components;
    private final NumberRangeRepository numbers;
    private final CommandRepository commands;
    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final ObjectMapper json;
    /** One at a time, so that those who wait hold no connection that the plan needs. */
    private final ReentrantLock turn = new ReentrantLock(true);

    Releasing(
            LivePlan live,
            Companies companies,
            Today today,
            SupplyOrderRepository orders,
            SupplyOrderComponentRepository components,
            NumberRangeRepository numbers,
            CommandRepository commands,
            EntityManager entities,
            TransactionTemplate transaction,
            ObjectMapper json) {
        this.live = live;
        this.companies = companies;
        this.today = today;
        this.orders = orders;
        this.components = components;
        this.numbers = numbers;
        this.commands = commands;
        this.entities = entities;
        this.transaction = transaction;
        this.json = json;
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
    Release preview(List<String> keys) {
        return new Release(live.current(), keys);
    }

    /**
     * Releases planned orders.
     *
     * @param leaveOut those that cannot go stay behind; otherwise nothing goes
     * @throws JobProblem 409 if the plan no longer asks for one of them, 422 if one cannot go
     */
    Answer release(SignedIn user, UUID commandKey, List<String> keys, boolean leaveOut, String note) {
        turn.lock();
        try {
            return transaction.execute(status -> inTurn(user, commandKey, keys, leaveOut, note));
        } finally {
            turn.unlock();
        }
    }

    private Answer inTurn(SignedIn user, UUID commandKey, List<String> keys, boolean leaveOut, String note) {
        long revision = companies.lock();
        String request = write(Map.of("orders", keys, "leaveOut", leaveOut, "note", note == null ? "" : note));
        Command before = commands.findById(commandKey).orElse(null);
        if (before != null) {
            if (!before.request.equals(request) || !before.login.equals(user.getUsername())) {
                throw new JobProblem(HttpStatus.CONFLICT, "This command was carried out before, with another content");
            }
            return read(before.answer);
        }
        Release release = new Release(live.knowing(revision), keys);
        refuse(user, release, leaveOut);
        List<Change> changes = new ArrayList<>();
        Answer answer = create(user, release, note, changes);
        entities.persist(new Command(commandKey, user.getUsername(), request, write(answer), today.now()));
        companies.changed(changes);
        return answer;
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
                    .with("keys", release.gone.stream().map(OrderKey::text).toList());
        }
        for (PlannedOrder order : release.ready.values()) {
            if (!user.role().mayRelease(Words.word(order.source()))) {
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

    /** What became of a planned order: released by somebody, or asked for otherwise. */
    private String whatHappened(PlanVersion version, OrderKey key) {
        Instant since = today.now().minus(RECENT);
        String wanted = key.quantity() + " " + key.item() + " for "
                + Words.day((int) key.due().toEpochDay());
        return orders.releasedAfter(key.item(), key.site(), since).stream()
                .filter(l -> l.dueDate.equals(key.due()) && l.ordered.compareTo(new BigDecimal(key.quantity())) == 0)
                .findFirst()
                .map(l -> wanted + " was released by " + l.order.createdBy + " at "
                        + CLOCK.format(LocalTime.ofInstant(l.order.createdAt, ZoneId.systemDefault())) + " as "
                        + l.order.number + ".")
                .orElseGet(() -> wanted + " is no longer asked for"
                        + version.plan()
                                .point(key.item(), key.site())
                                .flatMap(p -> p.plannedOrders().stream().findFirst())
                                .map(o -> "; next is " + Quantity.text(o.quantity()) + " on " + Words.day(o.dueDay()))
                                .orElse("")
                        + ".");
    }

    private Answer create(SignedIn user, Release release, String note, List<Change> changes) {
        List<Created> created = new ArrayList<>();
        for (Draft draft : release.drafts()) {
            SupplyOrder order = new SupplyOrder();
            order.number = numbers.locked(draft.kind()).take();
            order.kind = draft.kind();
            order.supplier = draft.supplier();
            order.site = draft.site();
            order.fromSite = draft.fromSite();
            order.note = note == null || note.isBlank() ? null : note.strip();
            order.createdBy = user.name();
            order.createdAt = today.now();
            int position = 0;
            for (Draft.Line line : draft.lines()) {
                order.lines.add(line(order, ++position, line, release.ready.get(line.key())));
            }
            entities.persist(order);
            List<SupplyOrderComponent> rows = components(release, order, draft);
            components.saveAll(rows);
            changes.addAll(changes(order, rows));
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

    /** What the plan has to know of a new order. */
    private static List<Change> changes(SupplyOrder order, List<SupplyOrderComponent> rows) {
        List<Change> changes = new ArrayList<>();
        for (SupplyOrderLine line : order.lines) {
            List<OpenOrderComponent> toIssue = rows.stream()
                    .filter(row -> row.line.equals(line.line))
                    .map(row -> new OpenOrderComponent(
                            order.number, row.line, row.component, Quantity.of(row.quantity), (int)
                                    row.neededDate.toEpochDay()))
                    .toList();
            changes.add(new Change.Order(
                    new OpenOrder(
                            order.number,
                            line.line,
                            Source.valueOf(order.kind.toUpperCase(Locale.ROOT)),
                            Stage.RELEASED,
                            line.item,
                            order.site,
                            order.fromSite,
                            order.supplier,
                            Quantity.of(line.quantity),
                            (int) line.dueDate.toEpochDay(),
                            line.startDate == null ? OpenOrder.NO_DAY : (int) line.startDate.toEpochDay(),
                            false),
                    toIssue));
        }
        return changes;
    }

    private static SupplyOrderLine line(SupplyOrder order, int position, Draft.Line draft, PlannedOrder planned) {
        SupplyOrderLine line = new SupplyOrderLine();
        line.order = order;
        line.line = Integer.toString(position);
        line.stage = "released";
        line.item = draft.item();
        line.ordered = draft.quantity();
        line.quantity = draft.quantity();
        line.startQuantity = Quantity.decimal(planned.startQuantity());
        line.dueDate = draft.due();
        line.startDate = draft.start();
        line.unit = draft.unit();
        line.unitQuantity = draft.unitQuantity();
        line.unitPrice = draft.unitPrice();
        return line;
    }

    /** What the order will have to issue: the demands that the planned order raised. */
    private static List<SupplyOrderComponent> components(Release release, SupplyOrder order, Draft draft) {
        List<SupplyOrderComponent> rows = new ArrayList<>();
        for (SupplyOrderLine line : order.lines) {
            PlannedOrder planned = release.ready.get(
                    draft.lines().get(order.lines.indexOf(line)).key());
            if (planned.source() == Source.BUY) {
                continue;
            }
            var point =
                    release.version.plan().point(planned.item(), planned.site()).orElseThrow();
            for (Demand need : point.needs(planned.sequence())) {
                SupplyOrderComponent row = new SupplyOrderComponent();
                row.orderNumber = order.number;
                row.line = line.line;
                row.component = need.item();
                row.quantity = Quantity.decimal(need.quantity());
                row.neededDate = Words.date(need.dueDay());
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
