package rescient.server.orders;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SupplyOrderRepository extends JpaRepository<SupplyOrder, String> {
    @Query("select distinct o from SupplyOrder o left join fetch o.lines")
    List<SupplyOrder> allWithLines();

    @Query("select o from SupplyOrder o left join fetch o.lines where o.number = :number")
    Optional<SupplyOrder> withLines(String number);
}
