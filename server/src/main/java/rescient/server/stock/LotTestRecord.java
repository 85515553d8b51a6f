package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What a test of a lot or serial number came to. */
@Entity
@Table(name = "lot_tests")
class LotTestRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    String lot;

    String serial;

    @Column(nullable = false)
    String name;

    @Column(precision = 19, scale = 6)
    BigDecimal value;

    String unit;

    @Column(precision = 19, scale = 6)
    BigDecimal lower;

    @Column(precision = 19, scale = 6)
    BigDecimal upper;

    LocalDate date;
}
