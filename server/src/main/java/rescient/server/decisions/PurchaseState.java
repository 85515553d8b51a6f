package rescient.server.decisions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import rescient.core.company.BasicFacts;
import rescient.core.company.InvoiceFacts;
import rescient.core.order.Approval;
import rescient.core.prices.OrderTotal;
import rescient.dataset.DeskTables;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderValue;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** How far a purchase order has come on its way to the supplier. */
public enum PurchaseState {
    /** It may change freely. */
    HELD,
    AWAITING_APPROVAL,
    /** It may go out. */
    READY,
    SENT,
    CONFIRMED;

    private static final List<String> KINDS = List.of("buy", "subcontract");

    /** As a row says it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether a line belongs to an order that goes to a supplier. */
    public static boolean isPurchase(Row line) {
        return KINDS.contains(line.text("kind")) && line.text("stage").equals("released");
    }

    /** The column that says it: the service that a subcontractor is asked for has its own. */
    public static String column(Row line) {
        return line.text("kind").equals("buy") ? "state" : "purchase_state";
    }

    /** Of a released purchase; what says nothing went out before anybody kept this. */
    public static PurchaseState of(Row line) {
        return of(line.text(column(line)));
    }

    /** @param word of a row; null: it went out before anybody kept this */
    public static PurchaseState of(@Nullable String word) {
        for (PurchaseState state : values()) {
            if (state.word().equals(word)) {
                return state;
            }
        }
        return SENT;
    }

    /** The supplier knows of it. */
    public boolean isOut() {
        return this == SENT || this == CONFIRMED;
    }

    /** What an order comes to that is released for a site: whether somebody looks at it first. */
    public static PurchaseState released(Facts facts, String site) {
        return facts.one(BasicFacts.Site.class, site)
                .filter(of -> of.purchaseRelease() == BasicFacts.PurchaseRelease.READY)
                .map(of -> READY)
                .orElse(HELD);
    }

    /** What all open lines of an order come to, or null if that is not known of each. */
    @Nullable
    public static BigDecimal value(Directory directory, Iterable<Row> lines) {
        List<BigDecimal> values = new ArrayList<>();
        for (Row line : lines) {
            values.add(OrderValue.of(directory, line).value());
        }
        return values.stream().allMatch(Objects::nonNull) ? OrderTotal.of(values) : null;
    }

    /** From which values on who is asked for purchase orders. */
    public static List<Approval.Limit> limits(Facts facts) {
        return facts.all(InvoiceFacts.ApprovalLimit.class)
                .filter(limit -> limit.document() == InvoiceFacts.Document.PURCHASE_ORDER)
                .map(limit -> new Approval.Limit(limit.fromValue(), Words.word(limit.role())))
                .toList();
    }

    /** Who approved an order so far. */
    public static List<Approval.Given> given(Facts facts, DeskRows desk, String number) {
        return limits(facts).stream()
                .map(Approval.Limit::role)
                .distinct()
                .map(role -> desk.row(DeskTables.APPROVALS, number, role))
                .filter(Objects::nonNull)
                .map(row -> new Approval.Given(row.text("role"), row.text("name"), row.decimal("value")))
                .toList();
    }
}
