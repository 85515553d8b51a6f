package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** What a supplier asks for an item, from a quantity on. */
@Entity
@Table(name = "supplier_items")
class SupplierItem {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String supplier;

    @Column(nullable = false)
    String item;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal fromQuantity;

    String unit;

    @Column(precision = 19, scale = 6)
    BigDecimal price;

    Integer leadTimeDays;

    @Column(precision = 19, scale = 6)
    BigDecimal minQuantity;

    @Column(precision = 19, scale = 6)
    BigDecimal multiple;

    @Column(precision = 19, scale = 6)
    BigDecimal maxQuantity;

    Integer preference;

    LocalDate validFrom;

    LocalDate validTo;

    String supplierCode;

    @Column(precision = 19, scale = 6)
    BigDecimal overReceiptPercent;

    String orderText;
}
