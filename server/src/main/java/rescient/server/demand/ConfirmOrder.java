package rescient.server.demand;

import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.company.PartnerFacts;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;

/** An order is confirmed to its customer by mail. Nothing is told that the plan cannot keep. */
record ConfirmOrder(Confirmations confirmations, Mails mails, String number) implements Command<MailView> {
    @Override
    public String kind() {
        return "CONFIRM";
    }

    @Override
    public Object content() {
        return Map.of("number", number);
    }

    @Override
    public void permit(SignedIn who) {
        if (!who.role().rights().customerOrders()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "Customer orders are confirmed by planners and the sales desk; you are signed in as "
                            + Words.word(who.role()));
        }
    }

    @Override
    public Outcome<MailView> carryOut(Turn turn) {
        List<OrderLineRow> open = confirmations.open(turn.version(), number);
        for (OrderLineRow line : open) {
            if (line.promised() == null && line.state().equals("open")) {
                throw Confirmations.cannot("Line " + line.line() + " has no promise yet; promise it first");
            }
            if (line.broken()) {
                throw Confirmations.cannot("Line " + line.line() + " was promised for " + line.promised()
                        + ", which the plan does not keep"
                        + (line.possible() == null ? "" : "; promise " + line.possible() + " first"));
            }
        }
        PartnerFacts.Customer customer = Confirmations.customer(turn.version(), open.get(0));
        if (customer == null || customer.email() == null || customer.email().isBlank()) {
            throw Confirmations.cannot("Nobody knows where to write: the customer has no mail address");
        }
        boolean quote = open.get(0).state().equals("quote");
        String subject = (quote ? "Our quote " : "Your order ") + number;
        return Outcome.unchanged(mails.keep(new Mails.Draft(
                "confirmation",
                number,
                customer.email(),
                subject,
                (quote ? "Please find our quote " : "Please find the confirmation of your order ") + number
                        + " attached.\n\n" + turn.version().company() + "\n",
                number + ".pdf",
                confirmations.pdf(turn.version(), number),
                null,
                null,
                turn.who().name(),
                turn.now())));
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
