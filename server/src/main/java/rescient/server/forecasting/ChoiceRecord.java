package rescient.server.forecasting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** How the forecast of an item at a site is made. */
@Entity
@Table(name = "forecast_choices")
class ChoiceRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    @Column(nullable = false)
    String bucket;

    String method;

    String parameters;

    LocalDate fromDate;

    LocalDate toDate;

    String likeItem;

    String likeSite;

    @Column(precision = 19, scale = 6)
    BigDecimal likePercent;

    String reason;
}
