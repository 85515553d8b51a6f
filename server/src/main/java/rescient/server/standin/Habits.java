package rescient.server.standin;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How simulated suppliers behave; one row. */
@Entity
@Table(name = "simulated_suppliers")
class Habits {
    static final short ONLY = 1;

    @Id
    Short id;

    /** Null: as the installation says. */
    Boolean enabled;

    @Column(nullable = false)
    int answerSeconds;

    /** After the answer, and once more for what comes later. */
    @Column(nullable = false)
    int deliverySeconds;

    /** After the last delivery. */
    @Column(nullable = false)
    int invoiceSeconds;

    /** So many of a hundred lines come later than wanted; likewise in two parts, and at another price. */
    @Column(nullable = false)
    int latePercent;

    @Column(nullable = false)
    int shortPercent;

    @Column(nullable = false)
    int pricePercent;

    @Column(nullable = false)
    long seed;
}
