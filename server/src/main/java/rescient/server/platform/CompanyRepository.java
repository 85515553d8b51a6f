package rescient.server.platform;

import jakarta.persistence.LockModeType;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface CompanyRepository extends JpaRepository<Company, Boolean> {
    /** The row, locked until the transaction ends: changes of what the plan depends on come one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select c from Company c")
    Company locked();

    @Query("select c from Company c")
    Company only();
}
