package rescient.server.stock;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import rescient.core.stock.DocumentStep;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Postings;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.decisions.InvoiceWithGoods;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.FactRows;

/**
 * One act of a person on the stock record: all its movements, or none and said why.
 *
 * @param people who asked for it and who approved it, which its movements bear; null: it needed nobody's approval
 */
record PostStock(
        StockDesk desk,
        KeptMovements kept,
        FactRows rows,
        ObjectMapper json,
        PostingWish wish,
        @Nullable String people) implements Command<PostStock.Posted> {
    PostStock(StockDesk desk, KeptMovements kept, FactRows rows, ObjectMapper json, PostingWish wish) {
        this(desk, kept, rows, json, wish, null);
    }

    /** Kept with the record of them. */
    private static final Set<String> ORDERS = Set.of("open_orders", "open_order_components");

    /**
     * What was posted.
     *
     * @param key by which it can be taken back; null: there was nothing to move
     */
    record Posted(@Nullable UUID key, StockDesk.PostingView posting) {}

    @Override
    public String kind() {
        return "POST";
    }

    @Override
    public Object content() {
        return wish;
    }

    /** Whoever was asked may post it, whatever the role. */
    boolean approved() {
        return people != null;
    }

    /** Goods are moved by stores; what is made is reported by who makes it, who takes his parts too. */
    @Override
    public void permit(SignedIn who) {
        if (approved()) {
            return;
        }
        Rights rights = who.role().rights();
        if (wish.charge() != null && !rights.mayRelease("buy")) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Invoices are entered by buyers and planners").field("charge");
        }
        if (wish.test() != null && !rights.stock()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Tests of lots are entered by stores and planners");
        }
        for (PostingLine line : wish.lines()) {
            boolean may = switch (line.act()) {
                case OUTPUT, FINISH -> rights.production() || (rights.stock() && line.act() == StockAct.FINISH);
                case ISSUE -> rights.production() || rights.stock();
                case REVERSE -> rights.production() || rights.stock() || rights.mayRelease("buy");
                case RECEIVE -> rights.stock() || rights.mayRelease("buy");
                default -> rights.stock();
            };
            if (!may) {
                throw new JobProblem(
                        HttpStatus.FORBIDDEN,
                        line.act() == StockAct.OUTPUT
                                ? "What was made is reported by the foreman and planners"
                                : "Stock is posted by stores and planners");
            }
        }
    }

    @Override
    public void rehearse(SignedIn who, PlanVersion present) {
        StockDesk.dated(wish, present.today());
    }

    @Override
    public Outcome<Posted> carryOut(Turn turn) {
        Facts facts = turn.facts();
        buyers(turn.who(), facts);
        PostingWish whole = wish.whole(facts, turn.company().today());
        Postings postings = desk.postings(turn.company(), whole, turn.key());
        InvoiceWithGoods.Entered invoice =
                desk.invoice(turn::version, facts, turn.who().name(), whole, postings);
        StockDesk.PostingView view = desk.view(turn.company(), turn.who(), whole, postings, invoice);
        List<FactChange> tested = wish.test() == null
                ? List.of()
                : List.of(wish.test().change(facts, wish.day(turn.company().today())));
        if (postings == null) {
            rows.keep(facts, tested);
            return new Outcome<>(
                    new Posted(null, view),
                    new Cause(Cause.Kind.DECISION, turn.who().name(), view.sentence()),
                    tested);
        }
        if (!view.refused().isEmpty()) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was posted. " + view.refused().get(0).sentence())
                    .with("refused", view.refused());
        }
        List<FactChange> changes = new ArrayList<>(tested);
        changes.addAll(postings.changes());
        if (invoice != null) {
            changes.addAll(invoice.changes());
        }
        if (postings.movements().isEmpty()
                && changes.isEmpty()
                && postings.lines().isEmpty()) {
            return Outcome.unchanged(new Posted(null, view));
        }
        PostingRecord posting = new PostingRecord();
        posting.key = turn.key();
        posting.date = wish.day(turn.company().today());
        posting.steps = steps(postings.steps());
        posting.sentence = view.sentence();
        posting.person = approved() ? people : turn.who().name();
        posting.at = turn.now();
        posting.reverses = whole.lines().get(0).reverses();
        rows.keep(
                facts,
                changes.stream()
                        .filter(change -> !ORDERS.contains(change.table().name()))
                        .toList());
        kept.keep(turn, postings, posting);
        return new Outcome<>(
                new Posted(turn.key(), view),
                new Cause(Cause.Kind.POSTING, turn.who().name(), view.sentence()),
                changes);
    }

    /** A buyer posts what never comes to a site, and takes his own back. */
    private void buyers(SignedIn who, Facts facts) {
        Rights rights = who.role().rights();
        if (approved() || rights.stock() || rights.production()) {
            return;
        }
        for (PostingLine line : wish.lines()) {
            boolean own = line.act() == StockAct.REVERSE
                    && kept.posting(line.reverses())
                            .filter(of -> of.person.equals(who.name()))
                            .isPresent();
            if (!own && PostingWish.direct(facts, line) == null) {
                throw new JobProblem(HttpStatus.FORBIDDEN, "Stock is posted by stores and planners");
            }
        }
    }

    private String steps(List<DocumentStep> steps) {
        try {
            return json.writeValueAsString(steps);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public String kept(Posted answer) {
        try {
            return json.writeValueAsString(answer);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public Posted answered(SignedIn who, String kept) {
        try {
            return json.readValue(kept, Posted.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
