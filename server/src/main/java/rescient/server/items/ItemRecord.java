package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** An item. */
@Entity
@Table(name = "items")
class ItemRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    String name;

    @Column(name = "`group`")
    String itemGroup;

    @Column(nullable = false)
    String unit;

    String kind;

    String tracking;

    @Column(precision = 19, scale = 6)
    BigDecimal standardCost;

    @Column(precision = 19, scale = 6)
    BigDecimal price;

    String costing;

    String planner;

    Boolean retired;

    Boolean showParts;

    String issue;

    @Column(precision = 19, scale = 6)
    BigDecimal costBatch;

    String lotPattern;
}
