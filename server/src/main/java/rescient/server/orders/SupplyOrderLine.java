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
import java.util.Locale;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.company.Source;

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
        return forOrder == null || hangs() ? item : new Earmark(item, forOrder, forLine).code();
    }

    private boolean hangs() {
        return MadeFor.hangs(kind());
    }

    private Source kind() {
        return Source.valueOf(order.kind.toUpperCase(Locale.ROOT));
    }

    /** The line that it hangs on, or null. */
    MadeFor madeFor() {
        return MadeFor.of(kind(), forOrder, forLine);
    }

    /** The unit it is bought in, with the quantity and the price in that unit. */
    String unit;

    @Column(precision = 19, scale = 6)
    BigDecimal unitQuantity;

    @Column(precision = 19, scale = 6)
    BigDecimal unitPrice;
}
