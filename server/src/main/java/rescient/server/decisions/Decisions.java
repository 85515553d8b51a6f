package rescient.server.decisions;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import rescient.dataset.Dataset;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
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

/** Decisions on the plan: seen before they are kept, kept whole or not at all, and taken back until the order is released. */
@Service
public class Decisions {
    private static final int LATEST = 60;

    private final LivePlan live;
    private final Companies companies;
    private final CommandQueue turns;
    private final KeptRows rows;
    private final JdbcTemplate database;
    private final ObjectMapper json;
    private final Canonical canonical;
    private final Today today;
    /** What decisions change besides the company, by table. */
    private final Map<String, TakenBack> elsewhere;

    Decisions(
            LivePlan live,
            Companies companies,
            CommandQueue turns,
            KeptRows rows,
            JdbcTemplate database,
            ObjectMapper json,
            Canonical canonical,
            Today today,
            List<TakenBack> elsewhere) {
        this.elsewhere = elsewhere.stream().collect(Collectors.toMap(TakenBack::table, e -> e));
        this.live = live;
        this.companies = companies;
        this.turns = turns;
        this.rows = rows;
        this.database = database;
        this.json = json;
        this.canonical = canonical;
        this.today = today;
    }

    /**
     * A decision that was kept.
     *
     * @param orders keys of the orders that came out
     * @param about keys of the orders it was about
     */
    public record Decision(
            long id,
            String name,
            boolean mine,
            Instant madeAt,
            String kind,
            String sentence,
            List<String> orders,
            List<String> about,
            @Nullable Instant undoneAt,
            @Nullable String undoneBy) {}

    Consequence preview(Wish wish) {
        AtomicInteger place = new AtomicInteger();
        return Consequence.of(
                new Proposing(rows, live.current(), wish, "", () -> "new " + place.incrementAndGet()).work());
    }

    /**
     * Keeps a decision.
     *
     * @param command repeated after a lost connection, it does nothing and answers the same
     * @throws JobProblem 409 if the plan no longer has an order, 422 if it cannot be, 403 if this person may not
     */
    Decision keep(SignedIn user, UUID command, Wish wish) {
        mayAtAll(user, wish);
        List<Decision> answered = find(user, "where command = ?", command);
        if (!answered.isEmpty()) {
            return repeated(answered.get(0), wish);
        }
        refuseImpossible(wish, user.name());
        return turns.take(() -> {
            long revision = companies.lock();
            List<Decision> before = find(user, "where command = ?", command);
            if (!before.isEmpty()) {
                return repeated(before.get(0), wish);
            }
            Proposal proposal = new Proposing(rows, live.knowing(revision), wish, user.name(), this::number).work();
            refuse(user, wish, proposal);
            List<Edit> done = apply(proposal.edits);
            announce(new Cause(Cause.Kind.DECISION, user.name(), proposal.sentence), proposal.version, done);
            insert(user, command, wish.kind().name(), canonical.text(wish), proposal, done);
            return find(user, "where command = ?", command).get(0);
        });
    }

    /**
     * Keeps other rows in the place of the company's, as one decision that can be taken back.
     *
     * @param otherwise makes another company of the present one
     * @param request tells one content of the command from another, by its canonical form
     * @param besides what else it changes: does it, in the same transaction, and says it; a {@link TakenBack} puts it back
     * @throws JobProblem 409 if this command was carried out with another content, 422 if nothing would be otherwise, 403
     *     if this person is no planner
     */
    public Decision takeOver(
            SignedIn user,
            UUID command,
            Object request,
            String sentence,
            Function<PlanVersion, Dataset> otherwise,
            Supplier<Edit> besides) {
        if (!user.role().rights().takeOver()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "This is for planners to decide; you are signed in as " + Words.word(user.role()));
        }
        return turns.take(() -> {
            long revision = companies.lock();
            List<Decision> before = find(user, "where command = ?", command);
            if (!before.isEmpty()) {
                return repeated(before.get(0), request);
            }
            Proposal proposal = new Proposal(live.knowing(revision));
            proposal.sentence = sentence;
            proposal.edits.addAll(
                    TableEdits.between(rows, proposal.version.directory().facts(), otherwise.apply(proposal.version)));
            if (proposal.edits.isEmpty()) {
                throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing would be otherwise");
            }
            List<Edit> done = apply(proposal.edits);
            announce(new Cause(Cause.Kind.DECISION, user.name(), sentence), proposal.version, done);
            List<Edit> all = new ArrayList<>(done);
            all.add(besides.get());
            insert(user, command, "TAKE_OVER", canonical.text(request), proposal, all);
            return find(user, "where command = ?", command).get(0);
        });
    }

    private void insert(SignedIn user, UUID command, String kind, String request, Proposal proposal, List<Edit> done) {
        database.update(
                "insert into decisions (command, login, name, made_at, kind, request, sentence, orders, edits)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?, ?)",
                command,
                user.getUsername(),
                user.name(),
                Timestamp.from(today.now()),
                kind,
                request,
                proposal.sentence,
                write(keys(proposal)),
                write(done));
    }

    private Decision repeated(Decision before, Object content) {
        String request = database.queryForObject("select request from decisions where id = ?", String.class, before.id);
        if (!before.mine || !canonical.same(request, content)) {
            throw new JobProblem(HttpStatus.CONFLICT, "This command was carried out before, with another content");
        }
        return before;
    }

    private static List<String> keys(Proposal proposal) {
        return proposal.lines.stream()
                .filter(l -> l.number() != null && l.after() != null)
                .map(Proposal.Line::outcome)
                .toList();
    }

    private String number() {
        return database.queryForObject(
                "update number_ranges set next = next + 1 where kind = 'firmed' returning prefix || (next - 1)",
                String.class);
    }

    private List<Edit> apply(List<Edit> edits) {
        try {
            return rows.apply(edits);
        } catch (KeptRows.StaleRowsException e) {
            throw new JobProblem(
                    HttpStatus.CONFLICT,
                    "Nothing was kept: " + String.join(" ", e.edit().key().values())
                            + " has been changed meanwhile; look at it again");
        }
    }

    private void announce(Cause cause, PlanVersion version, List<Edit> done) {
        companies.changed(cause, EditedRows.of(version.directory().facts(), done));
    }

    private void refuse(SignedIn user, Wish wish, Proposal proposal) {
        if (!proposal.gone.isEmpty()) {
            List<String> changes = proposal.gone.stream()
                    .map(key -> whatChanged(proposal.version, key))
                    .toList();
            throw new JobProblem(
                            HttpStatus.CONFLICT, "The plan has changed; nothing was kept. " + String.join(" ", changes))
                    .with("changes", changes)
                    .with("keys", proposal.gone)
                    .with(
                            "instead",
                            proposal.gone.stream()
                                    .map(key -> Consequence.instead(proposal.version, key))
                                    .toList());
        }
        List<String> sources = proposal.lines.stream()
                .flatMap(l -> Stream.of(l.before(), l.after()))
                .filter(Objects::nonNull)
                .map(order -> Words.word(order.source()))
                .distinct()
                .toList();
        if (!mayDecide(user.role().rights(), wish.kind(), sources)) {
            throw forbidden(user);
        }
        if (!proposal.refusals.isEmpty()) {
            throw new JobProblem(
                    proposal.stale ? HttpStatus.CONFLICT : HttpStatus.UNPROCESSABLE_ENTITY,
                    "Nothing was kept. " + String.join(" ", proposal.refusals));
        }
        if (proposal.edits.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing is chosen, or nothing would be otherwise");
        }
    }

    /** Before anything is worked out, and outside the turn of those who may. */
    private static void mayAtAll(SignedIn user, Wish wish) {
        if (!mayDecide(user.role().rights(), wish.kind(), List.of())) {
            throw forbidden(user);
        }
    }

    /** What cannot be calculated is refused when it is kept as when it is looked at. */
    private void refuseImpossible(Wish wish, String person) {
        Proposal trial = new Proposing(rows, live.current(), wish, person, () -> "new").work();
        List<String> impossible = trial.refusals.isEmpty() && trial.gone.isEmpty() ? trial.impossible() : List.of();
        if (!impossible.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing was kept. " + String.join(" ", impossible));
        }
    }

    private static boolean mayDecide(Rights rights, Wish.Kind kind, List<String> sources) {
        return switch (kind) {
            case PLANNING -> rights.planningData();
            case BILL -> rights.materials();
            case ENTER -> rights.customerOrders();
            default -> rights.mayDecide(sources);
        };
    }

    private static JobProblem forbidden(SignedIn user) {
        return new JobProblem(
                HttpStatus.FORBIDDEN,
                "This is for planners to decide"
                        + (user.role().rights().decide().isEmpty() ? "" : ", or for buyers if it is bought")
                        + "; you are signed in as " + Words.word(user.role()));
    }

    private String whatChanged(PlanVersion version, String key) {
        String what = OrderKey.isLine(key)
                ? OrderKey.number(key)
                : OrderKey.parse(key).quantity() + " " + OrderKey.parse(key).item() + " for "
                        + Words.day((int) OrderKey.parse(key).due().toEpochDay());
        String by = find(null, "order by id desc limit " + LATEST).stream()
                .filter(d -> d.undoneAt == null && touched(d.id, key))
                .findFirst()
                .map(d -> " (" + d.name + ": " + d.sentence + ")")
                .orElse("");
        String instead = Consequence.instead(version, key);
        return what + " is no longer there" + by
                + (instead == null
                        ? "."
                        : "; now it is " + OrderKey.parse(instead).quantity() + " for "
                                + Words.day((int) OrderKey.parse(instead).due().toEpochDay()) + ".");
    }

    private boolean touched(long id, String key) {
        String request = database.queryForObject("select request from decisions where id = ?", String.class, id);
        return request != null && request.contains("\"" + key + "\"");
    }

    /** The latest decisions of everybody, newest first. */
    List<Decision> latest(SignedIn user) {
        return find(user, "order by id desc limit " + LATEST);
    }

    /**
     * Takes a decision back.
     *
     * @throws JobProblem 409 if what it changed has changed since, or its order has been released
     */
    Decision undo(SignedIn user, long id) {
        return turns.take(() -> {
            long revision = companies.lock();
            Decision decision = find(user, "where id = ?", id).stream()
                    .findFirst()
                    .orElseThrow(() -> JobProblem.notFound("There is no such decision"));
            if (decision.undoneAt != null) {
                return decision;
            }
            if (!decision.mine && !user.role().rights().undoOthers()) {
                throw new JobProblem(HttpStatus.FORBIDDEN, "Only planners take back what others decided");
            }
            Map<Boolean, List<Edit>> edits =
                    read(id).stream().collect(Collectors.partitioningBy(edit -> elsewhere.containsKey(edit.table())));
            List<Edit> done = edits.get(false).stream().map(Edit::reversed).toList();
            try {
                done = rows.apply(done);
            } catch (KeptRows.StaleRowsException e) {
                throw new JobProblem(
                        HttpStatus.CONFLICT,
                        "\"" + decision.sentence + "\" cannot be taken back: "
                                + String.join(" ", e.edit().key().values())
                                + " has been released or changed since");
            }
            announce(
                    new Cause(Cause.Kind.TAKEN_BACK, user.name(), "Took back: " + decision.sentence),
                    live.knowing(revision),
                    done);
            edits.get(true).forEach(edit -> elsewhere.get(edit.table()).takenBack(edit));
            database.update(
                    "update decisions set undone_at = ?, undone_by = ? where id = ?",
                    Timestamp.from(today.now()),
                    user.name(),
                    id);
            return find(user, "where id = ?", id).get(0);
        });
    }

    private List<Decision> find(SignedIn user, String which, Object... values) {
        return database.query(
                "select id, name, login, made_at, kind, sentence, orders, undone_at, undone_by, request from decisions "
                        + which,
                (row, i) -> {
                    Timestamp undone = row.getTimestamp(8);
                    return new Decision(
                            row.getLong(1),
                            row.getString(2),
                            user != null && Objects.equals(user.getUsername(), row.getString(3)),
                            row.getTimestamp(4).toInstant(),
                            row.getString(5),
                            row.getString(6),
                            strings(row.getString(7)),
                            about(row.getString(5), row.getString(10)),
                            undone == null ? null : undone.toInstant(),
                            row.getString(9));
                },
                values);
    }

    private List<Edit> read(long id) {
        try {
            return rows.json()
                    .readValue(
                            database.queryForObject("select edits from decisions where id = ?", String.class, id),
                            new TypeReference<ArrayList<Edit>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What is taken over is asked for in other terms than a wish. */
    private List<String> about(String kind, String request) {
        boolean wished = Stream.of(Wish.Kind.values()).map(Wish.Kind::name).anyMatch(kind::equals);
        try {
            List<String> orders = wished ? json.readValue(request, Wish.class).orders() : null;
            return orders == null ? List.of() : orders;
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private List<String> strings(String text) {
        try {
            return json.readValue(text, new TypeReference<ArrayList<String>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private String write(Object value) {
        try {
            return rows.json().writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
