package rescient.server.demand;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What was shipped to a customer. */
@Entity
@Table(name = "shipments")
class ShipmentRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    @Column(nullable = false)
    LocalDate date;

    @Column(nullable = false)
    String number;

    String line;

    String customer;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;
}
