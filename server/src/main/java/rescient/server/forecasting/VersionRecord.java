package rescient.server.forecasting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What was forecast of a bucket, and when. */
@Entity
@Table(name = "forecast_versions")
class VersionRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(name = "`set`", nullable = false)
    String forecastSet;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    @Column(nullable = false)
    String bucket;

    @Column(nullable = false)
    LocalDate made;

    @Column(nullable = false)
    LocalDate fromDate;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal adjusted;

    @Column(precision = 19, scale = 6)
    BigDecimal naive;

    String method;
}
