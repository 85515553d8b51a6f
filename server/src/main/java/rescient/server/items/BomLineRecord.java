package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** A line of a bill of materials. */
@Entity
@Table(name = "bom_lines")
class BomLineRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String parent;

    @Column(nullable = false)
    String line;

    @Column(nullable = false)
    String component;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    String unit;

    String per;

    @Column(precision = 19, scale = 6)
    BigDecimal scrap;

    LocalDate validFrom;

    LocalDate validTo;
    String step;

    String issue;
}
