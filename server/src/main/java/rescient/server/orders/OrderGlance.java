package rescient.server.orders;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.order.OrderStatus;
import rescient.server.decisions.PurchaseState;
import rescient.server.platform.Nullable;

/** So much of a line as says how far its order is, and by what it is found. */
public record OrderGlance(
        String number,
        String kind,
        String supplier,
        String site,
        String fromSite,
        String stage,
        String item,
        BigDecimal quantity,
        LocalDate dueDate,
        LocalDate closedDate,
        String state,
        String purchaseState) {
    /** Where a line is on its way to the supplier, or null. */
    @Nullable
    static PurchaseState way(
            String kind, String stage, @Nullable LocalDate closed, @Nullable String state, @Nullable String purchase) {
        boolean bought = kind.equals("buy");
        if (!stage.equals("released") || closed != null || !(bought || kind.equals("subcontract"))) {
            return null;
        }
        return PurchaseState.of(bought ? state : purchase);
    }

    @Nullable
    PurchaseState way() {
        return way(kind, stage, closedDate, state, purchaseState);
    }

    OrderStatus.Line status() {
        return new OrderStatus.Line(stage.equals("firmed"), closedDate == null, (int) dueDate.toEpochDay());
    }
}
