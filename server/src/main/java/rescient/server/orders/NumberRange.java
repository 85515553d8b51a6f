package rescient.server.orders;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The next number of a kind of order. */
@Entity
@Table(name = "number_ranges")
class NumberRange {
    @Id
    String kind;

    @Column(nullable = false)
    String prefix;

    @Column(nullable = false)
    long next;

    /** The next number; none is ever skipped, for the row is locked until the order is committed. */
    String take() {
        return prefix + next++;
    }
}
