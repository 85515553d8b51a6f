package rescient.server.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;

/** What lies in one bin, as the book had it when it was counted, and as it was counted. */
@Entity
@Table(name = "count_lines")
class CountLine {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    @JoinColumn(name = "list")
    CountList list;

    int place;

    @Column(nullable = false)
    String item;

    String lot;

    String serial;

    boolean quarantined;

    /** Null: not yet. */
    @Column(precision = 19, scale = 6)
    BigDecimal counted;

    @Column(precision = 19, scale = 6)
    BigDecimal book;

    String countedBy;

    Instant countedAt;
}
