package rescient.server.platform;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The one row about the company itself. */
@Entity
@Table(name = "company")
class Company {
    @Id
    @Column(name = "only_row")
    boolean onlyRow = true;

    @Column(nullable = false)
    String name;

    boolean demo;
    boolean loaded;
    /** Counts the committed changes of whatever the plan depends on. */
    long revision;
}
