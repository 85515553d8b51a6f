package rescient.server.stock;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** A correction of stock that waits for somebody's approval. */
@Entity
@Table(name = "waiting_postings")
class WaitingPosting {
    static final String WAITING = "waiting";

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** It is posted under this key, and so once. */
    @Column(nullable = false)
    UUID key;

    /** What is wanted, as JSON. */
    @Column(nullable = false)
    String wish;

    /** Of each line that counts what the book said when it was asked for, as JSON. */
    @Column(nullable = false)
    String books;

    @Column(nullable = false)
    String sentence;

    @Column(nullable = false)
    String madeBy;

    @Column(nullable = false)
    Instant madeAt;

    /** That it comes from; null: from none. */
    Long countList;

    /** Waiting, posted or rejected. */
    @Column(nullable = false)
    String state;

    String doneBy;

    Instant doneAt;

    /** It was rejected. */
    String why;

    @ElementCollection
    @CollectionTable(name = "waiting_approvals", joinColumns = @JoinColumn(name = "posting"))
    @OrderBy("at")
    List<Given> given = new ArrayList<>();

    /** Somebody has approved. */
    @Embeddable
    static class Given {
        @Column(nullable = false)
        String role;

        @Column(nullable = false)
        String name;

        /** Of all differences then. */
        @Column(nullable = false)
        BigDecimal value;

        @Column(nullable = false)
        Instant at;
    }
}
