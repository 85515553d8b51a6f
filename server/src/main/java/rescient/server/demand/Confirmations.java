package rescient.server.demand;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.company.ItemFacts;
import rescient.core.company.PartnerFacts;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.mail.LetterPdf;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/** Confirms customer orders: as a document, and by mail. */
@Component
class Confirmations {
    private final OrderLines lines;
    private final Mails mails;
    private final CommandPipeline pipeline;

    Confirmations(OrderLines lines, Mails mails, CommandPipeline pipeline) {
        this.lines = lines;
        this.mails = mails;
        this.pipeline = pipeline;
    }

    /**
     * Sends the confirmation of an order to its customer.
     *
     * @param key repeated, nothing is sent again
     */
    MailView send(SignedIn who, UUID key, String number) {
        return pipeline.carryOut(who, key, new ConfirmOrder(this, mails, number));
    }

    /** @throws JobProblem 404 if there is no such order with something open */
    byte[] pdf(PlanVersion version, String number) {
        return LetterPdf.of(letter(version, number, open(version, number)));
    }

    /** What of an order is confirmed: quotes and open lines. */
    List<OrderLineRow> open(PlanVersion version, String number) {
        List<OrderLineRow> open = lines.order(version, number).stream()
                .filter(line -> line.state().equals("open") || line.state().equals("quote"))
                .toList();
        if (open.isEmpty()) {
            throw JobProblem.notFound("There is no customer order " + number + " with anything open");
        }
        return open;
    }

    /** Who gets it; null: nobody in particular, or nobody knows how to write to him. */
    static PartnerFacts.Customer customer(PlanVersion version, OrderLineRow line) {
        return line.customer() == null
                ? null
                : version.directory()
                        .facts()
                        .one(PartnerFacts.Customer.class, line.customer())
                        .orElse(null);
    }

    private static LetterPdf.Letter letter(PlanVersion version, String number, List<OrderLineRow> open) {
        Directory directory = version.directory();
        OrderLineRow first = open.get(0);
        PartnerFacts.Customer customer = customer(version, first);
        String whom = customer == null
                ? "To whom it may concern"
                : directory.customerName(customer.code())
                        + (customer.contact().address() == null
                                ? ""
                                : "\n" + customer.contact().address().replace(", ", "\n"));
        return new LetterPdf.Letter(
                version.company(),
                directory.facts().setting("company_address"),
                whom,
                first.state().equals("quote") ? "Quote" : "Order confirmation",
                "Goes on",
                null,
                number,
                first.reference(),
                version.today(),
                directory.currency(),
                first.complete(),
                open.stream().map(line -> line(directory, line)).toList());
    }

    private static LetterPdf.Line line(Directory directory, OrderLineRow line) {
        LocalDate day = line.promised() != null ? line.promised() : line.due();
        return new LetterPdf.Line(
                line.line(),
                line.item(),
                line.itemName(),
                line.quantity(),
                line.unit(),
                line.price(),
                day,
                line.promised() != null,
                parts(directory, line));
    }

    /** Those of a kit, if documents name them; those that are others for this order are always named. */
    private static String parts(Directory directory, OrderLineRow line) {
        ItemFacts.Item item = directory.item(line.item());
        boolean named = line.ownParts() || (line.kit() && item != null && Boolean.TRUE.equals(item.showParts()));
        return named
                ? line.parts().stream()
                        .map(part -> part.quantity().stripTrailingZeros().toPlainString() + " " + part.componentName())
                        .collect(Collectors.joining(", "))
                : null;
    }

    static JobProblem cannot(String why) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, why);
    }
}
