package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** One from-unit is factor to-units; for one item, or in general. */
@Entity
@Table(name = "unit_conversions")
class UnitConversion {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String item;

    @Column(nullable = false)
    String fromUnit;

    @Column(nullable = false)
    String toUnit;

    @Column(precision = 30, scale = 12, nullable = false)
    BigDecimal factor;
}
