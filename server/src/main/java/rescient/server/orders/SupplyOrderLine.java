package rescient.server.orders;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.company.Source;
import rescient.dataset.Row;
import rescient.server.decisions.PurchaseState;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderValue;
import rescient.server.platform.Nullable;

/** One item on an order: {@code ordered} in all, {@code quantity} still open, both in the item's unit. */
@Entity
@Table(name = "supply_order_lines")
class SupplyOrderLine {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    @JoinColumn(name = "order_number")
    SupplyOrder order;

    @Column(nullable = false)
    String line;

    @Column(nullable = false)
    String stage;

    @Column(nullable = false)
    String item;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal ordered;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    /** What is started, before yield. */
    @Column(precision = 19, scale = 6)
    BigDecimal startQuantity;

    @Column(nullable = false)
    LocalDate dueDate;

    LocalDate startDate;

    /** The line of a customer order that it is bought for alone, or null. */
    String forOrder;

    String forLine;
    Boolean locked;

    /** Under which item it is planned. */
    String plannedAs() {
        Source kind = Source.valueOf(order.kind.toUpperCase(Locale.ROOT));
        return forOrder == null || MadeFor.hangs(kind) ? item : new Earmark(item, forOrder, forLine).code();
    }

    /** Where it is on its way to the supplier, or null if it goes to none, is not given out, or done. */
    @Nullable
    PurchaseState way() {
        return OrderGlance.way(order.kind, stage, closedDate, state, purchaseState);
    }

    /** What all that was ordered comes to. */
    OrderValue worth(Directory directory) {
        Map<String, String> cells = new HashMap<>();
        cells.put("kind", order.kind);
        cells.put("supplier", order.supplier);
        cells.put("item", item);
        cells.put("ordered", ordered.toPlainString());
        cells.put("start_quantity", startQuantity == null ? null : startQuantity.toPlainString());
        cells.put("unit", unit);
        cells.put("price", unitPrice == null ? null : unitPrice.toPlainString());
        return OrderValue.of(directory, Row.of(rescient.dataset.Table.named("open_orders"), cells));
    }

    /** The day on which it will come, as its supplier says; null: he has not. */
    LocalDate confirmedDate;

    /** How far it has come; of the purchase of a service {@code purchaseState}. */
    String state;

    String purchaseState;

    /** The day on which it was done; null: it is open. */
    LocalDate closedDate;

    /** The unit it is bought in, with the price in that unit. */
    String unit;

    @Column(precision = 19, scale = 6)
    BigDecimal unitPrice;
}
