package rescient.server.stock;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** What is to be counted at a site, and what was. */
@Entity
@Table(name = "count_lists")
class CountList {
    static final String OPEN = "open";
    static final String ASKED = "asked";
    static final String POSTED = "posted";

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** Its posting bears this key, and so is made once. */
    @Column(nullable = false)
    UUID key;

    @Column(nullable = false)
    String site;

    /** What it was made of, in words. */
    @Column(nullable = false)
    String what;

    /** Who counts does not see what should be there. */
    boolean blind;

    @Column(nullable = false)
    String state;

    @Column(nullable = false)
    String madeBy;

    @Column(nullable = false)
    Instant madeAt;

    String doneBy;

    Instant doneAt;

    @OneToMany(mappedBy = "list", cascade = CascadeType.ALL)
    @OrderBy("place")
    List<CountLine> lines = new ArrayList<>();

    boolean isCounted() {
        return lines.stream().allMatch(line -> line.counted != null);
    }
}
