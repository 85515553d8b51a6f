package rescient.server.standin;

import java.util.Optional;
import org.springframework.data.repository.Repository;

/** How simulated suppliers behave. */
interface HabitsRepository extends Repository<Habits, Short> {
    Optional<Habits> findById(short id);

    Habits save(Habits habits);
}
