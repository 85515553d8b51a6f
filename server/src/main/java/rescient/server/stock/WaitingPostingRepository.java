package rescient.server.stock;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

/** Corrections of stock that wait, or waited, for approval. */
interface WaitingPostingRepository extends Repository<WaitingPosting, Long> {
    WaitingPosting save(WaitingPosting posting);

    Optional<WaitingPosting> findById(long id);

    /** Two do not approve at once. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<WaitingPosting> findWithLockById(long id);

    Optional<WaitingPosting> findByKey(UUID key);

    Optional<WaitingPosting> findByCountListAndState(long countList, String state);

    List<WaitingPosting> findAllByOrderByIdDesc(Limit limit);
}
