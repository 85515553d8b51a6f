package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/** One act of a person on the stock record. */
@Entity
@Table(name = "postings")
class PostingRecord {
    @Id
    UUID key;

    @Column(nullable = false)
    LocalDate date;

    @Column(nullable = false)
    String sentence;

    @Column(nullable = false)
    String person;

    @Column(nullable = false)
    Instant at;

    /** The posting that it takes back, or null. */
    UUID reverses;

    /** What it changed on documents, as JSON; null: only its movements tell. */
    String steps;
}
