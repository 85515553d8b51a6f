package rescient.server.purchasing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** An invoice of a supplier, or to a customer. */
@Entity
@Table(name = "invoices")
class Invoice {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String supplier;

    String customer;

    @Column(nullable = false)
    String number;

    @Column(nullable = false)
    LocalDate date;

    LocalDate due;

    @Column(nullable = false)
    String state;

    String enteredBy;

    String note;
}
