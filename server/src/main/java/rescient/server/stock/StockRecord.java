package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** Stock on hand of one lot or serial number. */
@Entity
@Table(name = "stock")
class StockRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    String lot;

    String serial;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    LocalDate expiry;

    Boolean quarantined;

    String forOrder;

    String forLine;

    LocalDate received;
}
