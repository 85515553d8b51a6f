package rescient.server.decisions;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.order.Approval;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** Approvals of documents: who may give them, given, and forgotten. */
final class Approvals {
    private Approvals() {}

    /**
     * Whether whoever decides is asked, and did not make the document; if not, it is said.
     *
     * @param maker who made it; null: nobody knows
     * @param next the role that is asked
     */
    static boolean mine(Proposing desk, String document, @Nullable String maker, @Nullable String next) {
        Proposing.Author author = desk.author();
        if (author.role() == null) {
            return true;
        }
        boolean asked = author.role().equals(next);
        boolean fourEyes = !"false".equals(desk.version().directory().facts().setting("four_eyes"));
        boolean others = Approval.may(author.name(), maker, fourEyes);
        if (!asked || !others) {
            desk.proposal()
                    .refusals
                    .add(document
                            + (asked
                                    ? " was made by you; somebody else approves it."
                                    : " waits for the approval of " + PurchaseWords.role(next) + "."));
        }
        return asked && others;
    }

    /** @param value what the document comes to; null: nobody knows */
    static void give(Proposing desk, String document, String role, @Nullable BigDecimal value) {
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("order_number", document);
        cells.put("role", role);
        cells.put("name", desk.author().name());
        cells.put("value", value == null ? null : value.toPlainString());
        cells.put("made_at", DeskRows.moment(desk.author().now()));
        desk.proposal()
                .changes
                .add(FactChange.of(
                        desk.desk().row(DeskTables.APPROVALS, document, role), Row.of(DeskTables.APPROVALS, cells)));
    }

    static void forget(Proposing desk, String document, List<Approval.Given> given) {
        for (Approval.Given one : given) {
            desk.proposal()
                    .changes
                    .add(FactChange.of(desk.desk().row(DeskTables.APPROVALS, document, one.role()), null));
        }
    }
}
