package rescient.server.purchasing;

import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.company.PartnerFacts;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.decisions.PurchaseState;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.FactRows;
import rescient.server.tables.OrderImage;

/** A purchase order goes to its supplier by mail, once it is ready; sent again, it is a reminder. */
record SendPurchase(Purchases purchases, Mails mails, FactRows rows, String number) implements Command<MailView> {
    @Override
    public String kind() {
        return "SEND";
    }

    @Override
    public Object content() {
        return Map.of("number", number);
    }

    @Override
    public void permit(SignedIn who) {
        buyers(who);
    }

    /** @throws JobProblem 403 if it is not theirs to write to suppliers */
    static void buyers(SignedIn who) {
        if (!who.role().rights().mayRelease("buy")) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "Purchase orders are sent by buyers and planners; you are signed in as " + Words.word(who.role()));
        }
    }

    @Override
    public Outcome<MailView> carryOut(Turn turn) {
        OrderImage before = purchases.order(turn.version(), number);
        List<Row> lines = purchases.lines(before);
        PurchaseState state = PurchaseState.of(lines.get(0));
        if (state != PurchaseState.READY && !state.isOut()) {
            throw cannot(
                    state == PurchaseState.HELD
                            ? number + " is held; end its hold first"
                            : number + " waits to be approved");
        }
        PurchaseDocument document = purchases.document(turn.version(), before);
        String mail = address(document.supplier());
        boolean reminder = state.isOut();
        MailView kept = mails.keep(new Mails.Draft(
                reminder ? "reminder" : "purchase_order",
                number,
                mail,
                (reminder ? "Reminder: our purchase order " : "Our purchase order ") + number,
                (reminder
                                ? "Please tell us when our purchase order " + number + " comes; it is attached again."
                                : "Please find our purchase order " + number + " attached, and confirm its days.")
                        + "\n\n" + turn.version().company() + "\n",
                number + ".pdf",
                document.pdf(),
                number + ".xml",
                document.ubl(),
                turn.who().name(),
                turn.now()));
        if (reminder) {
            return Outcome.unchanged(kept);
        }
        OrderImage after = before.copy();
        lines.forEach(line -> after.put(
                line.with(PurchaseState.column(line), PurchaseState.SENT.word())
                        .with("sent_date", turn.version().today().toString()),
                before.issues(line.text("line"))));
        List<FactChange> changes = after.from(before);
        rows.keep(turn.facts(), changes);
        return new Outcome<>(
                kept, new Cause(Cause.Kind.DECISION, turn.who().name(), "Sent " + number + " to " + mail), changes);
    }

    /** @throws JobProblem 422 if nobody knows where to write */
    static String address(@Nullable PartnerFacts.Supplier supplier) {
        String mail = supplier == null ? null : supplier.email();
        if (mail == null || mail.isBlank()) {
            throw cannot("Nobody knows where to write: the supplier has no mail address");
        }
        return mail;
    }

    private static JobProblem cannot(String why) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, why);
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
