package rescient.server.decisions;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.tables.DeskRows;
import rescient.server.tables.FactRows;

/** Keeps what a {@link PlanCommand} comes to. */
record Keeping(DecisionLog log, DeskRows desk, FactRows facts, DocumentNumbers numbers, PlanCommand wanted)
        implements DecisionCommand {
    @Override
    public String kind() {
        return wanted.kind();
    }

    @Override
    public Object content() {
        return wanted;
    }

    @Override
    public void permit(SignedIn who) {
        if (!wanted.permitted(who.role().rights(), List.of())) {
            throw forbidden(who);
        }
    }

    /** What cannot be calculated is refused when it is kept as when it is looked at. */
    @Override
    public void rehearse(SignedIn who, PlanVersion present) {
        Proposal trial = Proposing.look(desk, present, wanted);
        List<String> impossible = trial.refusals.isEmpty() && trial.gone.isEmpty() ? trial.impossible() : List.of();
        if (!impossible.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing was kept. " + String.join(" ", impossible));
        }
    }

    @Override
    public Outcome<Decision> carryOut(Turn turn) {
        Proposal proposal = Proposing.of(
                desk,
                turn.version(),
                new Proposing.Author(turn.who().name(), Words.word(turn.who().role()), turn.now(), numbers::next),
                wanted);
        refuse(turn.who(), proposal);
        facts.keep(turn.facts(), proposal.changes);
        long id = log.add(turn, kind(), proposal.sentence, outcomes(proposal));
        List<String> about = wanted instanceof OfOrders orders && orders.orders() != null ? orders.orders() : List.of();
        return new Outcome<>(
                log.made(turn.who(), id, about),
                new Cause(Cause.Kind.DECISION, turn.who().name(), proposal.sentence),
                proposal.changes);
    }

    private static List<String> outcomes(Proposal proposal) {
        return Stream.concat(
                        proposal.entered.stream(),
                        proposal.lines.stream()
                                .filter(l -> l.number() != null && l.after() != null)
                                .map(Proposal.Line::outcome))
                .toList();
    }

    private void refuse(SignedIn who, Proposal proposal) {
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
        if (!wanted.permitted(who.role().rights(), sources)) {
            throw forbidden(who);
        }
        if (!proposal.refusals.isEmpty()) {
            throw new JobProblem(
                            proposal.stale ? HttpStatus.CONFLICT : HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was kept. " + String.join(" ", proposal.refusals))
                    .with("faults", proposal.faults)
                    .with("conflicts", proposal.conflicts);
        }
        if (proposal.changes.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing is chosen, or nothing would be otherwise");
        }
    }

    private String whatChanged(PlanVersion version, String key) {
        String what = OrderKey.isLine(key)
                ? OrderKey.number(key)
                : OrderKey.parse(key).quantity() + " " + OrderKey.parse(key).item() + " for "
                        + OrderKey.parse(key).due();
        String by = log.about(key)
                .map(d -> " (" + d.name() + ": " + d.sentence() + ")")
                .orElse("");
        String instead = Consequence.instead(version, key);
        return what + " is no longer there" + by
                + (instead == null
                        ? "."
                        : "; now it is " + OrderKey.parse(instead).quantity() + " for "
                                + OrderKey.parse(instead).due() + ".");
    }

    private static JobProblem forbidden(SignedIn who) {
        return new JobProblem(
                HttpStatus.FORBIDDEN,
                "This is for planners to decide"
                        + (who.role().rights().decide().isEmpty() ? "" : ", or for buyers if it is bought")
                        + "; you are signed in as " + Words.word(who.role()));
    }
}
