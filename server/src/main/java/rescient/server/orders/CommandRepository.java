package rescient.server.orders;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CommandRepository extends JpaRepository<Command, UUID> {}
