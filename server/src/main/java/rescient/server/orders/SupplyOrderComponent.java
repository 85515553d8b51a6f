package rescient.server.orders;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What a line of an order still has to issue; for a transfer the item itself, still to ship. */
@Entity
@Table(name = "supply_order_components")
class SupplyOrderComponent {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String orderNumber;

    @Column(nullable = false)
    String line;

    @Column(nullable = false)
    String component;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    @Column(nullable = false)
    LocalDate neededDate;
}
