package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The working weekdays of a site, a supplier or a work center. */
@Entity
@Table(name = "calendars")
class CalendarRecord {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String code;

    Boolean mon;

    Boolean tue;

    Boolean wed;

    Boolean thu;

    Boolean fri;

    Boolean sat;

    Boolean sun;
}
