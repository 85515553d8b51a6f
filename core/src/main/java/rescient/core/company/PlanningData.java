package rescient.core.company;

import java.math.BigDecimal;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/**
 * How one stock point is planned: a form to fill in and hand to {@code Snapshot.Builder#planning}, which copies it.
 * Quantities are millionths of the item's unit, {@link Quantity#NOT_SET} where not set; times are working days.
 */
public final class PlanningData {
    public final String item;
    public final String site;
    public final Source source;
    public String supplier;
    public String fromSite;
    public PlanningRule rule = PlanningRule.LOT_FOR_LOT;
    public long safetyStock;
    public long reorderPoint = Quantity.NOT_SET;
    public long orderUpTo = Quantity.NOT_SET;
    public long fixedQuantity = Quantity.NOT_SET;
    public int periodCount = 1;
    public PeriodUnit periodUnit = PeriodUnit.DAY;
    public long minQuantity = Quantity.NOT_SET;
    public long maxQuantity = Quantity.NOT_SET;
    public long multiple = Quantity.NOT_SET;
    public Ratio yield = Ratio.ONE;
    public int leadTimeDays;
    public Ratio leadTimePerUnit = Ratio.ZERO;
    public int safetyTimeDays;
    public int frozenDays;
    public int rescheduleTolerance;
    public int pullInDays = Integer.MAX_VALUE;
    public int demandFenceDays;
    public int consumeBackDays;
    public int consumeForwardDays;

    /** Received on any day of the week: it goes to the customer and never comes to the site. */
    public boolean anyDay;

    /** Stands for a row that is not there. */
    private boolean absent;

    public PlanningData(String item, String site, Source source) {
        this.item = item;
        this.site = site;
        this.source = source;
    }

    /**
     * What is said of a stock point, and of its group behind it; what nobody says is as the fields stand here.
     *
     * @param planned with a source
     */
    public static PlanningData of(String item, String site, ItemFacts.Planned planned) {
        PlanningData data = new PlanningData(item, site, planned.source())
                .supplier(planned.supplier())
                .fromSite(planned.fromSite())
                .safetyStock(quantity(planned.safetyStock(), 0))
                .reorderPoint(quantity(planned.reorderPoint(), Quantity.NOT_SET))
                .orderUpTo(quantity(planned.orderUpTo(), Quantity.NOT_SET))
                .fixedQuantity(quantity(planned.fixedQuantity(), Quantity.NOT_SET))
                .minQuantity(quantity(planned.minQuantity(), Quantity.NOT_SET))
                .maxQuantity(quantity(planned.maxQuantity(), Quantity.NOT_SET))
                .multiple(multiple(planned.multiple()))
                .leadTimeDays(whole(planned.leadTimeDays(), 0))
                .safetyTimeDays(whole(planned.safetyTimeDays(), 0))
                .frozenDays(whole(planned.frozenDays(), 0))
                .rescheduleTolerance(whole(planned.rescheduleToleranceDays(), 0))
                .pullInDays(whole(planned.pullInDays(), Integer.MAX_VALUE))
                .demandFenceDays(whole(planned.demandFenceDays(), 0))
                .consume(whole(planned.consumeBackDays(), 0), whole(planned.consumeForwardDays(), 0));
        if (planned.rule() != null) {
            data.rule(planned.rule());
        }
        if (planned.periodUnit() != null) {
            data.period(whole(planned.periodCount(), 1), planned.periodUnit());
        }
        if (planned.yield() != null) {
            data.yield(Ratio.of(planned.yield()));
        }
        if (planned.leadTimePerUnitDays() != null) {
            data.leadTimePerUnit(Ratio.of(planned.leadTimePerUnitDays()));
        }
        return data;
    }

    /** A multiple in millionths; one of 0 is none. */
    public static long multiple(BigDecimal multiple) {
        return multiple == null || multiple.signum() == 0 ? Quantity.NOT_SET : Quantity.of(multiple);
    }

    private static long quantity(BigDecimal value, long otherwise) {
        return value == null ? otherwise : Quantity.of(value);
    }

    private static int whole(Integer value, int otherwise) {
        return value == null ? otherwise : value;
    }

    /** A stock point that no row plans has no source. */
    public static PlanningData absent(String item, String site) {
        PlanningData data = new PlanningData(item, site, Source.NONE);
        data.absent = true;
        return data;
    }

    /** Only where it comes from: enough for a point that is not planned. */
    public PlanningData sourceOnly() {
        return new PlanningData(item, site, source).supplier(supplier).fromSite(fromSite);
    }

    /**
     * How what is bought for one line alone is planned: exactly what is open of it, at the line's supplier or else the
     * stock point's.
     *
     * @param earmark in the place of the item
     * @param bought null if no line asks for it any more
     */
    public PlanningData forLine(String earmark, CustomerOrderLine.BoughtForLine bought) {
        PlanningData data = new PlanningData(earmark, site, Source.BUY)
                .rule(PlanningRule.PER_ORDER)
                .supplier(bought == null || bought.supplier() == null ? supplier : bought.supplier())
                .leadTimeDays(leadTimeDays)
                .rescheduleTolerance(rescheduleTolerance)
                .pullInDays(pullInDays);
        data.anyDay = bought != null && bought.direct();
        return data.anyDay ? data : data.safetyTimeDays(safetyTimeDays);
    }

    /**
     * The same without minimum, multiple and fixed quantity, so that an order is no larger than needed; itself if it has none
     * of them.
     */
    public PlanningData withoutSizes() {
        boolean fixed = rule == PlanningRule.FIXED_QUANTITY;
        if (minQuantity == Quantity.NOT_SET && multiple == Quantity.NOT_SET && !fixed) {
            return this;
        }
        PlanningData copy = new PlanningData(item, site, source)
                .supplier(supplier)
                .fromSite(fromSite)
                .rule(fixed ? PlanningRule.LOT_FOR_LOT : rule)
                .safetyStock(safetyStock)
                .reorderPoint(reorderPoint)
                .orderUpTo(orderUpTo)
                .period(periodCount, periodUnit)
                .maxQuantity(maxQuantity)
                .yield(yield)
                .leadTimeDays(leadTimeDays)
                .leadTimePerUnit(leadTimePerUnit)
                .safetyTimeDays(safetyTimeDays)
                .frozenDays(frozenDays)
                .rescheduleTolerance(rescheduleTolerance)
                .pullInDays(pullInDays)
                .demandFenceDays(demandFenceDays)
                .consume(consumeBackDays, consumeForwardDays);
        copy.anyDay = anyDay;
        return copy;
    }

    public boolean isSame(PlanningData other) {
        return this == other || (absent && other.absent);
    }

    /** The supplier's code, for a bought point; null lets the supplier's preference decide. */
    public PlanningData supplier(String code) {
        this.supplier = code;
        return this;
    }

    /** The sending site of a transfer, or the premises of a subcontractor. */
    public PlanningData fromSite(String code) {
        this.fromSite = code;
        return this;
    }

    public PlanningData rule(PlanningRule value) {
        this.rule = value;
        return this;
    }

    public PlanningData safetyStock(long quantity) {
        this.safetyStock = quantity;
        return this;
    }

    public PlanningData reorderPoint(long quantity) {
        this.reorderPoint = quantity;
        return this;
    }

    public PlanningData orderUpTo(long quantity) {
        this.orderUpTo = quantity;
        return this;
    }

    public PlanningData fixedQuantity(long quantity) {
        this.fixedQuantity = quantity;
        return this;
    }

    public PlanningData period(int count, PeriodUnit unit) {
        this.periodCount = count;
        this.periodUnit = unit;
        return this;
    }

    public PlanningData minQuantity(long quantity) {
        this.minQuantity = quantity;
        return this;
    }

    public PlanningData maxQuantity(long quantity) {
        this.maxQuantity = quantity;
        return this;
    }

    public PlanningData multiple(long quantity) {
        this.multiple = quantity;
        return this;
    }

    /** The good part of what is started, more than 0 and at most 1. */
    public PlanningData yield(Ratio part) {
        this.yield = part;
        return this;
    }

    public PlanningData leadTimeDays(int days) {
        this.leadTimeDays = days;
        return this;
    }

    /** Working days for each unit started. */
    public PlanningData leadTimePerUnit(Ratio days) {
        this.leadTimePerUnit = days;
        return this;
    }

    public PlanningData safetyTimeDays(int days) {
        this.safetyTimeDays = days;
        return this;
    }

    public PlanningData frozenDays(int days) {
        this.frozenDays = days;
        return this;
    }

    public PlanningData rescheduleTolerance(int days) {
        this.rescheduleTolerance = days;
        return this;
    }

    /** Up to how many days later an open order may lie to be pulled in; calendar days. */
    public PlanningData pullInDays(int days) {
        this.pullInDays = days;
        return this;
    }

    /** Net forecast before today and this many calendar days does not count. */
    public PlanningData demandFenceDays(int days) {
        this.demandFenceDays = days;
        return this;
    }

    /** How many calendar days earlier and later customer orders may take from the forecast. */
    public PlanningData consume(int backDays, int forwardDays) {
        this.consumeBackDays = backDays;
        this.consumeForwardDays = forwardDays;
        return this;
    }
}
