package rescient.server.production;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** One operation of a routing; without a site it counts at every site. */
@Entity
@Table(name = "operations")
class OperationRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String step;

    String site;

    @Column(nullable = false)
    String workCenter;

    @Column(precision = 30, scale = 12)
    BigDecimal queueMinutes;

    @Column(precision = 30, scale = 12)
    BigDecimal setupMinutes;

    @Column(precision = 30, scale = 12)
    BigDecimal runMinutesPerUnit;

    @Column(precision = 30, scale = 12)
    BigDecimal moveMinutes;

    String note;
}
