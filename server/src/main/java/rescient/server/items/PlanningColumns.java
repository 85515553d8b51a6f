package rescient.server.items;

import jakarta.persistence.Column;
import jakarta.persistence.MappedSuperclass;
import java.math.BigDecimal;

/** The planning parameters that a stock point and, as defaults, an item group can hold. */
@MappedSuperclass
abstract class PlanningColumns {
    String source;
    String supplier;
    String fromSite;
    String rule;

    @Column(precision = 19, scale = 6)
    BigDecimal safetyStock;

    @Column(precision = 19, scale = 6)
    BigDecimal reorderPoint;

    @Column(precision = 19, scale = 6)
    BigDecimal orderUpTo;

    @Column(precision = 19, scale = 6)
    BigDecimal fixedQuantity;

    Integer periodCount;
    String periodUnit;

    @Column(precision = 19, scale = 6)
    BigDecimal minQuantity;

    @Column(precision = 19, scale = 6)
    BigDecimal maxQuantity;

    @Column(precision = 19, scale = 6)
    BigDecimal multiple;

    @Column(precision = 19, scale = 12)
    BigDecimal yield;

    Integer leadTimeDays;

    @Column(precision = 19, scale = 6)
    BigDecimal leadTimePerUnitDays;

    Integer safetyTimeDays;
    Integer frozenDays;
    Integer demandFenceDays;
    Integer consumeBackDays;
    Integer consumeForwardDays;
    Integer rescheduleToleranceDays;
    Integer pullInDays;
}
