package rescient.server.purchasing;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.core.company.PartnerFacts;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.tables.DeskRows;
import rescient.server.tables.FactRows;
import rescient.server.tables.OrderImage;

/** What the plan wants otherwise of an order goes to its supplier by mail; what he was asked before, again. */
record PassOnRequests(Purchases purchases, Mails mails, FactRows rows, String number) implements Command<MailView> {
    @Override
    public String kind() {
        return "PASS_ON";
    }

    @Override
    public Object content() {
        return Map.of("number", number);
    }

    @Override
    public void permit(SignedIn who) {
        SendPurchase.buyers(who);
    }

    @Override
    public Outcome<MailView> carryOut(Turn turn) {
        OrderImage order = purchases.order(turn.version(), number);
        List<ChangeRequest> requests = purchases.requests(number, purchases.lines(order));
        if (requests.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing is to be asked of " + number);
        }
        PurchaseDocument document = purchases.change(turn.version(), order, requests);
        PartnerFacts.Supplier supplier = document.supplier();
        String mail = SendPurchase.address(supplier);
        MailView kept = mails.keep(new Mails.Draft(
                "change_request",
                number,
                mail,
                "Change of our purchase order " + number,
                "Please tell us whether our purchase order " + number + " can be changed as attached.\n\n"
                        + turn.version().company() + "\n",
                number + "-change.pdf",
                document.pdf(),
                number + "-change.xml",
                document.ubl(),
                turn.who().name(),
                turn.now()));
        Set<String> fresh = requests.stream()
                .filter(one -> !one.sent())
                .map(ChangeRequest::line)
                .collect(Collectors.toSet());
        if (fresh.isEmpty()) {
            return Outcome.unchanged(kept);
        }
        List<FactChange> changes = fresh.stream()
                .sorted()
                .map(line -> {
                    Row row = purchases.requestRow(number, line);
                    return FactChange.of(row, row.with("sent_at", DeskRows.moment(turn.now())));
                })
                .toList();
        rows.keep(turn.facts(), changes);
        return new Outcome<>(
                kept,
                new Cause(Cause.Kind.DECISION, turn.who().name(), "Asked " + mail + " to change " + number),
                changes);
    }

    @Override
    public String kept(MailView answer) {
        return Long.toString(answer.id());
    }

    @Override
    public MailView answered(SignedIn who, String kept) {
        return mails.one(Long.parseLong(kept));
    }
}
