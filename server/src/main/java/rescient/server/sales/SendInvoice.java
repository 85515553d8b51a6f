package rescient.server.sales;

import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;

/** An invoice goes to its customer by mail, as a document for people and one for machines. */
record SendInvoice(CustomerInvoices invoices, Mails mails, String key) implements Command<MailView> {
    @Override
    public String kind() {
        return "SEND_INVOICE";
    }

    @Override
    public Object content() {
        return Map.of("key", key);
    }

    @Override
    public void permit(SignedIn who) {
        if (!who.role().rights().customerOrders()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "Invoices go out from planners and the sales desk; you are signed in as " + Words.word(who.role()));
        }
    }

    @Override
    public Outcome<MailView> carryOut(Turn turn) {
        CustomerInvoices.InvoiceOutView view = invoices.written(turn.version(), key);
        if (view.email() == null || view.email().isBlank()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY, "Nobody knows where to write: the customer has no mail address");
        }
        String number = view.row().number();
        return Outcome.unchanged(mails.keep(new Mails.Draft(
                "invoice",
                number,
                view.email(),
                "Our invoice " + number,
                "Please find our invoice " + number + " attached.\n\n"
                        + turn.version().company() + "\n",
                number + ".pdf",
                invoices.pdf(turn.version(), key, false),
                number + ".xml",
                invoices.ubl(turn.version(), key),
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
