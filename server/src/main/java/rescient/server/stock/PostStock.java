package rescient.server.stock;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import rescient.core.stock.DocumentStep;
import rescient.dataset.FactChange;
import rescient.dataset.Postings;
import rescient.server.access.Rights;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.FactRows;

/** One act of a person on the stock record: all its movements, or none and said why. */
record PostStock(StockDesk desk, KeptMovements kept, FactRows rows, ObjectMapper json, PostingWish wish)
        implements Command<PostStock.Posted> {
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

    /** Goods are moved by stores; what is made is reported by who makes it, who takes his parts too. */
    @Override
    public void permit(SignedIn who) {
        Rights rights = who.role().rights();
        for (PostingLine line : wish.lines()) {
            boolean may = switch (line.act()) {
                case OUTPUT, FINISH -> rights.production() || (rights.stock() && line.act() == StockAct.FINISH);
                case ISSUE, REVERSE -> rights.production() || rights.stock();
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
        Postings postings = desk.postings(turn.version(), wish, turn.key());
        StockDesk.PostingView view = desk.view(turn.version(), wish, postings);
        if (!postings.refused().isEmpty()) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was posted. " + view.refused().get(0).sentence())
                    .with("refused", view.refused());
        }
        List<FactChange> changes = postings.changes();
        if (postings.movements().isEmpty()
                && changes.isEmpty()
                && postings.lines().isEmpty()) {
            return Outcome.unchanged(new Posted(null, view));
        }
        PostingRecord posting = new PostingRecord();
        posting.key = turn.key();
        posting.date = wish.date() == null ? turn.version().today() : wish.date();
        posting.steps = steps(postings.steps());
        posting.sentence = view.sentence();
        posting.person = turn.who().name();
        posting.at = turn.now();
        posting.reverses = wish.lines().get(0).reverses();
        rows.keep(
                turn.version().directory().facts(),
                changes.stream()
                        .filter(change -> !ORDERS.contains(change.table().name()))
                        .toList());
        kept.keep(turn, postings, posting);
        return new Outcome<>(
                new Posted(turn.key(), view),
                new Cause(Cause.Kind.POSTING, turn.who().name(), view.sentence()),
                changes);
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
