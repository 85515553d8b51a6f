package rescient.server.orders;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** A purchase, production, assembly, subcontract or transfer order. */
@Entity
@Table(name = "supply_orders")
class SupplyOrder {
    @Id
    String number;

    @Column(nullable = false)
    String kind;

    String supplier;

    @Column(nullable = false)
    String site;

    String fromSite;
    String note;
    String createdBy;
    Instant createdAt;

    @OneToMany(mappedBy = "order", cascade = CascadeType.PERSIST)
    @OrderBy("id")
    List<SupplyOrderLine> lines = new ArrayList<>();
}
