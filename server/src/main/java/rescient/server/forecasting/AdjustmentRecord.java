package rescient.server.forecasting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What is known of a bucket to come. */
@Entity
@Table(name = "forecast_adjustments")
class AdjustmentRecord {
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

    @Column(precision = 19, scale = 6)
    BigDecimal amount;

    @Column(precision = 19, scale = 6)
    BigDecimal percent;

    String kind;

    String reason;
}
