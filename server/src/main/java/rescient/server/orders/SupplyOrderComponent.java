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

    /** Of the routing, at which it is needed. */
    String step;

    @Column(precision = 19, scale = 6)
    BigDecimal planned;

    @Column(precision = 19, scale = 6)
    BigDecimal issued;

    /** Put out with the product already. */
    @Column(precision = 31, scale = 12)
    BigDecimal used;

    /** Of what is issued and not put out. */
    @Column(precision = 19, scale = 4)
    BigDecimal value;

    String per;
    String issue;
}
