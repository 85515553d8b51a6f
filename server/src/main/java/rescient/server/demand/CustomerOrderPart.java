package rescient.server.demand;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** What a kit consists of for one line of a customer order alone. */
@Entity
@Table(name = "customer_order_parts")
class CustomerOrderPart {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String number;

    @Column(nullable = false)
    String line;

    @Column(nullable = false)
    String component;

    @Column(precision = 30, scale = 12, nullable = false)
    BigDecimal quantity;
}
