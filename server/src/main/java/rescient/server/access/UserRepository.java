package rescient.server.access;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface UserRepository extends JpaRepository<User, Long> {
    Optional<User> findByLogin(String login);

    void deleteByDemoTrue();
}
