package rescient.server.orders;

import jakarta.persistence.LockModeType;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface NumberRangeRepository extends JpaRepository<NumberRange, String> {
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from NumberRange r where r.kind = :kind")
    NumberRange locked(String kind);
}
