package rescient.server.commands;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** What was carried out. */
public interface CommandRecordRepository extends JpaRepository<CommandRecord, UUID> {
    /** Those of a kind after a moment whose content holds a text, newest first. */
    @Query("""
            select c from CommandRecord c where c.kind = :kind and c.createdAt > :after and locate(:named, c.request) > 0
            order by c.createdAt desc""")
    List<CommandRecord> naming(String kind, String named, Instant after);
}
