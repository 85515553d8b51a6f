package rescient.server.orders;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SupplyOrderComponentRepository extends JpaRepository<SupplyOrderComponent, Long> {
    List<SupplyOrderComponent> findByOrderNumberOrderById(String orderNumber);
}
