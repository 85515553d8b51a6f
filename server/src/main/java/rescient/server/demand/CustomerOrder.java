package rescient.server.demand;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;

/** A line of a customer order. */
@Entity
@Table(name = "customer_orders")
class CustomerOrder {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(nullable = false)
    String number;

    @Column(nullable = false)
    String line;

    String customer;

    @Column(nullable = false)
    String item;

    @Column(nullable = false)
    String site;

    @Column(precision = 19, scale = 6, nullable = false)
    BigDecimal quantity;

    @Column(nullable = false)
    LocalDate dueDate;

    Integer priority;

    @Column(precision = 19, scale = 6)
    BigDecimal price;

    @Column(precision = 19, scale = 6)
    BigDecimal ordered;

    String unit;

    LocalDate entered;

    LocalDate wantedDate;

    LocalDate promisedDate;

    String reference;

    String state;

    Boolean complete;

    String supply;

    String supplier;
}
