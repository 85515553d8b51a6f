package rescient.server.purchasing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** From a value on, a role is asked before a document goes on. */
@Entity
@Table(name = "approval_limits")
class ApprovalLimit {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String document;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal fromValue;

    @Column(nullable = false)
    String role;
}
