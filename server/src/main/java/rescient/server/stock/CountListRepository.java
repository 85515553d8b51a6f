package rescient.server.stock;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

/** Lists of what is to be counted. */
interface CountListRepository extends Repository<CountList, Long> {
    CountList save(CountList list);

    Optional<CountList> findById(long id);

    List<CountList> findAllByOrderByIdDesc(Limit limit);
}
