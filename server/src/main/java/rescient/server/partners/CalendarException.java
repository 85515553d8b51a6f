package rescient.server.partners;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** A day that works, or does not, whatever its weekday. */
@Entity
@Table(name = "calendar_exceptions")
class CalendarException {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String calendar;

    @Column(nullable = false)
    LocalDate date;

    @Column(nullable = false)
    Boolean working;
}
