package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** A supplier. */
@Entity
@Table(name = "suppliers")
class Supplier {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    String name;

    String calendar;

    String email;

    String currency;

    @Column(precision = 19, scale = 6)
    BigDecimal minimumOrderValue;

    String address;

    String contact;

    String phone;

    Integer paymentDays;

    String taxNumber;

    @Column(precision = 19, scale = 6)
    BigDecimal taxRate;

    String orderText;

    Boolean retired;
}
