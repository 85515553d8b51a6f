package rescient.server.orders;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SupplyOrderRepository extends JpaRepository<SupplyOrder, String> {
    /** All lines, those of an order together and in their order. */
    @Query(
            "select new rescient.server.orders.OrderGlance(o.number, o.kind, o.supplier, o.site, o.fromSite, l.stage,"
                    + " l.item, l.quantity, l.dueDate, l.closedDate, l.state, l.purchaseState) from SupplyOrderLine l join l.order o order by o.number, l.id")
    List<OrderGlance> glance();

    @Query("select distinct o from SupplyOrder o left join fetch o.lines where o.number in :numbers")
    List<SupplyOrder> withLines(Collection<String> numbers);

    @Query("select o from SupplyOrder o left join fetch o.lines where o.number = :number")
    Optional<SupplyOrder> withLines(String number);
}
