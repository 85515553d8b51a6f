package rescient.server.orders;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CommandRepository extends JpaRepository<Command, UUID> {
    /** The releases after a moment whose request names an order, newest first. */
    @Query("""
            select c from Command c where c.createdAt > :after and locate(:named, c.request) > 0
            order by c.createdAt desc""")
    List<Command> naming(String named, Instant after);
}
