package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** What is known of a lot or serial number. */
@Entity
@Table(name = "lots")
class LotRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    String lot;

    String serial;

    LocalDate expiry;

    String supplierLot;

    String document;

    String note;
}
