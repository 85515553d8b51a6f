package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** One immutable line of the stock record; see {@link rescient.core.stock.Movement}. */
@Entity
@Immutable
@Table(name = "movements")
class MovementRecord {
    @Id
    Long number;

    @Column(nullable = false)
    UUID key;

    @Column(nullable = false)
    LocalDate date;

    @Column(nullable = false)
    String kind;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    String lot;

    String serial;

    boolean quarantined;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    @Column(precision = 19, scale = 4, nullable = false)
    BigDecimal value;

    String document;

    String orderNumber;

    String orderLine;

    Long reverses;

    String reason;

    @Column(nullable = false)
    String person;

    @Column(nullable = false)
    Instant entered;
}
