package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** A customer. */
@Entity
@Table(name = "customers")
class Customer {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    String name;

    String email;

    String address;

    String contact;

    String phone;

    Integer paymentDays;

    String taxNumber;

    @Column(precision = 19, scale = 6)
    BigDecimal taxRate;

    Boolean retired;
}
