package rescient.server.purchasing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** What a supplier wrote: an answer to an order, a delivery note, an invoice, or something else. */
@Entity
@Table(name = "letters")
class Letter {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** Of the mail that it came with. */
    @Column(nullable = false)
    String messageId;

    /** What is made of it bears this key, and so is made once. */
    @Column(nullable = false)
    UUID key;

    @Column(nullable = false)
    String kind;

    @Column(nullable = false)
    String sender;

    @Column(nullable = false)
    String subject;

    /** The number of the order; null: it names none. */
    String about;

    String supplier;

    @Column(nullable = false)
    Instant receivedAt;

    byte[] document;

    /** Waiting, done, or put_aside. */
    @Column(nullable = false)
    String state;

    String doneBy;

    Instant doneAt;
}
