package rescient.server.standin;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A mail that a simulated supplier will write, when it is time. */
@Entity
@Table(name = "supplier_acts")
class SupplierAct {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    Instant dueAt;

    @Column(nullable = false)
    String sender;

    @Column(nullable = false)
    String subject;

    @Column(nullable = false)
    String message;

    @Column(nullable = false)
    String name;

    @Column(nullable = false)
    byte[] document;

    /** The number of the order. */
    @Column(nullable = false)
    String about;

    /** Answer, dispatch or invoice. */
    @Column(nullable = false)
    String kind;

    Instant doneAt;
}
