package rescient.server.standin;

import jakarta.persistence.LockModeType;
import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.Repository;

/** What simulated suppliers will write. */
interface SupplierActRepository extends Repository<SupplierAct, Long> {
    SupplierAct save(SupplierAct act);

    /** Nobody else has them in hand: what another server writes is passed over. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = "jakarta.persistence.lock.timeout", value = "-2"))
    List<SupplierAct> findByDoneAtIsNullAndDueAtLessThanEqualOrderByDueAt(Instant now, Limit limit);

    List<SupplierAct> findByDoneAtIsNullOrderByDueAt(Limit limit);

    List<SupplierAct> findByAboutAndDoneAtIsNull(String about);

    boolean existsByAbout(String about);

    Optional<SupplierAct> findFirstByAboutAndKindOrderById(String about, String kind);

    boolean existsByAboutAndKindAndDoneAtIsNotNull(String about, String kind);
}
