package rescient.server.purchasing;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What suppliers wrote. */
interface LetterRepository extends Repository<Letter, Long> {
    Letter save(Letter letter);

    java.util.Optional<Letter> findById(long id);

    boolean existsByMessageId(String messageId);

    List<Letter> findAllByOrderByIdDesc(Limit limit);

    List<Letter> findByStateOrderByIdDesc(String state, Limit limit);

    List<Letter> findByAboutOrderByIdDesc(String about);

    long countByState(String state);

    /** Whether what was decided or posted under a key was taken back or reversed. */
    @Query(nativeQuery = true, value = """
                    select exists (select from decisions where command = :key and undone_at is not null)
                        or exists (select from postings where reverses = :key)""")
    boolean wasTakenBack(UUID key);
}
