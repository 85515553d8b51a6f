package rescient.server.purchasing;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rescient.core.order.Approval;
import rescient.dataset.DeskTables;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.decisions.PurchaseState;
import rescient.server.mail.MailView;
import rescient.server.mail.Mails;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;
import rescient.server.tables.FactRows;
import rescient.server.tables.OrderImage;

/** Purchase orders on their way to suppliers. */
@Service
class Purchases {
    /** Nothing of it is open. */
    private static final String CLOSED = "closed";

    private final DeskRows desk;
    private final FactRows rows;
    private final Mails mails;
    private final CommandPipeline pipeline;

    Purchases(DeskRows desk, FactRows rows, Mails mails, CommandPipeline pipeline) {
        this.desk = desk;
        this.rows = rows;
        this.mails = mails;
        this.pipeline = pipeline;
    }

    /**
     * How far an order has come.
     *
     * @param state held, awaiting_approval, ready, sent, confirmed or closed
     * @param asks the role that has to approve next; null: none
     * @param approved who approved so far
     * @param requests what the supplier is to be asked, or was
     */
    record PurchaseView(String state, @Nullable String asks, List<String> approved, List<ChangeRequest> requests) {}

    OrderImage order(PlanVersion version, String number) {
        return OrderImage.read(version.directory().facts(), desk, number);
    }

    /**
     * The open lines of an order that goes to a supplier.
     *
     * @throws JobProblem 404 if there are none
     */
    List<Row> lines(OrderImage order) {
        List<Row> lines =
                order.lines().stream().filter(PurchaseState::isPurchase).toList();
        if (lines.isEmpty()) {
            throw JobProblem.notFound(order.number() + " is no purchase order with anything open");
        }
        return lines;
    }

    PurchaseView view(PlanVersion version, String number) {
        Facts facts = version.directory().facts();
        List<Row> lines = order(version, number).lines().stream()
                .filter(PurchaseState::isPurchase)
                .toList();
        if (lines.isEmpty()) {
            return new PurchaseView(CLOSED, null, List.of(), List.of());
        }
        PurchaseState state = PurchaseState.of(lines.get(0));
        List<Approval.Given> given = PurchaseState.given(facts, desk, number);
        String asks = state.isOut()
                ? null
                : Approval.next(PurchaseState.limits(facts), PurchaseState.value(version.directory(), lines), given);
        return new PurchaseView(
                state.word(),
                asks,
                given.stream().map(one -> one.name() + ", " + one.role()).toList(),
                requests(number, lines));
    }

    PurchaseDocument document(PlanVersion version, OrderImage order) {
        return new PurchaseDocument(
                version,
                order.number(),
                lines(order),
                order.head() == null ? null : order.head().text("note"),
                Map.of());
    }

    /** What the supplier is asked to change. */
    PurchaseDocument change(PlanVersion version, OrderImage order, List<ChangeRequest> requests) {
        Map<String, ChangeRequest> byLine =
                requests.stream().collect(Collectors.toMap(ChangeRequest::line, Function.identity()));
        return new PurchaseDocument(
                version,
                order.number(),
                lines(order).stream()
                        .filter(line -> byLine.containsKey(line.text("line")))
                        .toList(),
                null,
                byLine);
    }

    /** What its supplier is to be asked, or was, of the lines that are open. */
    List<ChangeRequest> requests(String number, List<Row> lines) {
        return desk.rows(DeskTables.REQUESTS, "order_number", number).stream()
                .map(ChangeRequest::of)
                .filter(one -> lines.stream().anyMatch(line -> line.text("line").equals(one.line())))
                .toList();
    }

    /** A request as it is kept. */
    Row requestRow(String number, String line) {
        return desk.row(DeskTables.REQUESTS, number, line);
    }

    /** @param key repeated, nothing is sent again */
    MailView passOn(SignedIn who, UUID key, String number) {
        return pipeline.carryOut(who, key, new PassOnRequests(this, mails, rows, number));
    }

    /** @param key repeated, nothing is sent again */
    MailView send(SignedIn who, UUID key, String number) {
        return pipeline.carryOut(who, key, new SendPurchase(this, mails, rows, number));
    }
}
