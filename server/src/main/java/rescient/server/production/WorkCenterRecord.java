package rescient.server.production;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** Where operations are done. */
@Entity
@Table(name = "work_centers")
class WorkCenterRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    String name;

    @Column(nullable = false)
    String site;

    String calendar;

    @Column(precision = 30, scale = 12, nullable = false)
    BigDecimal minutesPerDay;

    @Column(precision = 30, scale = 12)
    BigDecimal efficiency;

    @Column(precision = 19, scale = 6)
    BigDecimal costPerHour;
}
