package rescient.server.purchasing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** What a line of an order is charged for on an invoice. */
@Entity
@Table(name = "invoice_lines")
class InvoiceLine {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String supplier;

    String customer;

    @Column(nullable = false)
    String number;

    @Column(nullable = false)
    String line;

    @Column(nullable = false)
    String orderNumber;

    @Column(nullable = false)
    String orderLine;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    String unit;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal price;
}
