package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** What can be used in the place of an item that comes too late. */
@Entity
@Table(name = "alternative_items")
class AlternativeItem {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String alternative;

    String parent;

    @Column(precision = 30, scale = 12)
    BigDecimal factor;

    Integer preference;
}
