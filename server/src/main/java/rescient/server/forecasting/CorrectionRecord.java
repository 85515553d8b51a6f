package rescient.server.forecasting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What a bucket of the history counts for. */
@Entity
@Table(name = "history_corrections")
class CorrectionRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    @Column(nullable = false)
    LocalDate fromDate;

    @Column(nullable = false)
    String bucket;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    String kind;

    String reason;
}
