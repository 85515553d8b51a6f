package rescient.server.orders;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.order.OrderStatus;

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
        LocalDate closedDate) {
    OrderStatus.Line status() {
        return new OrderStatus.Line(stage.equals("firmed"), closedDate == null, (int) dueDate.toEpochDay());
    }
}
