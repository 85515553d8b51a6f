package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A place that holds stock. */
@Entity
@Table(name = "sites")
class Site {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    String name;

    String kind;

    String calendar;

    String address;

    String purchaseRelease;

    Boolean retired;
}
