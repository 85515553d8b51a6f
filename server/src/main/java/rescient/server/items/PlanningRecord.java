package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How one stock point is planned, before its group's defaults. */
@Entity
@Table(name = "planning")
class PlanningRecord extends PlanningColumns {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    String zone;
}
