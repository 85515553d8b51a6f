package rescient.server.orders;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SupplyOrderRepository extends JpaRepository<SupplyOrder, String> {
    @Query("select distinct o from SupplyOrder o left join fetch o.lines")
    List<SupplyOrder> allWithLines();

    @Query("select o from SupplyOrder o left join fetch o.lines where o.number = :number")
    Optional<SupplyOrder> withLines(String number);

    /** What was released for a stock point after a moment, newest first. */
    @Query("""
            select l from SupplyOrderLine l join fetch l.order o
            where l.item = :item and o.site = :site and o.createdAt > :after order by o.createdAt desc""")
    List<SupplyOrderLine> releasedAfter(String item, String site, Instant after);
}
