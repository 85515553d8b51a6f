package rescient.server.mail;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A mail with a document: kept when it is asked for, sent soon after. */
@Entity
@Table(name = "mails")
class Mail {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String kind;

    /** The number of the document it is about. */
    @Column(nullable = false)
    String about;

    @Column(nullable = false)
    String recipient;

    @Column(nullable = false)
    String subject;

    @Column(nullable = false)
    String message;

    @Column(nullable = false)
    String attachmentName;

    @Column(nullable = false)
    byte[] attachment;

    /** The same document for machines, or null. */
    String dataName;

    byte[] data;

    /** Who asked for it. */
    @Column(nullable = false)
    String name;

    @Column(nullable = false)
    Instant madeAt;

    /** Null: it waits. */
    Instant sentAt;

    int tries;

    /** Why it could not be sent the last time. */
    String failure;
}
