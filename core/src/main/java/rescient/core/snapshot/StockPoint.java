package rescient.core.snapshot;

import java.util.Objects;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderSizes;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.SupplierTerms;

/** One stock point with everything that planning it needs, resolved: the row behind a dense point number. */
public final class StockPoint implements Cloneable {
    public final int item;
    public final int site;
    public final String itemCode;
    public final String siteCode;
    /** Passed through: a phantom, or a kit that contains itself and so cannot be resolved. */
    public final boolean phantom;

    public final long step;
    public final Source source;
    /** Of a bought or subcontracted point: the chosen supplier's code, or null. */
    public final String supplier;
    /** Sending site or subcontractor's premises, -1 if none. */
    final int fromSite;
    /** Its code, null unless it is a transfer or a subcontract. */
    public final String fromSiteCode;

    public final PlanningRule rule;
    public final long safetyStock;
    public final long reorderPoint;
    public final long orderUpTo;
    public final long fixedQuantity;
    public final int periodCount;
    public final PeriodUnit periodUnit;
    public final Ratio yield;
    /** What has to be started for one good unit. */
    public final Ratio perGood;
    /** Item units in one order unit; sizes below are in order units. */
    public final Ratio orderUnit;

    public final Ratio toOrderUnit;
    public final long orderStep;
    public final long minQuantity;
    public final long maxQuantity;
    public final long multiple;
    public final int leadTimeDays;
    public final Ratio leadTimePerUnit;
    public final int safetyTimeDays;
    public final int frozenDays;
    public final int rescheduleTolerance;
    public final int pullInDays;
    public final WorkCalendar siteCalendar;
    public final WorkCalendar leadCalendar;
    /** What it was made from, to see whether a change touched it. */
    private final Item ofItem;

    private final PlanningData ofData;
    private final SupplierTerms ofTerms;
    /** The operations by which it is made or assembled, or null. */
    public final Routing routing;

    StockPoint(
            int itemIndex,
            int siteIndex,
            Item item,
            String siteCode,
            PlanningData data,
            SupplierTerms terms,
            int fromSite,
            WorkCalendar siteCalendar,
            WorkCalendar leadCalendar,
            Routing routing) {
        this.routing = routing;
        this.ofItem = item;
        this.ofData = data;
        this.ofTerms = terms;
        this.item = itemIndex;
        this.site = siteIndex;
        this.itemCode = item.code();
        this.siteCode = siteCode;
        this.phantom = item.kind() != ItemKind.STOCKED;
        this.step = Quantity.step(item.decimals());
        this.source = data.source;
        boolean fromOutside = data.source == Source.BUY || data.source == Source.SUBCONTRACT;
        this.supplier = !fromOutside ? null : terms != null ? terms.supplier() : data.supplier;
        this.fromSite = fromSite;
        boolean elsewhere = data.source == Source.TRANSFER || data.source == Source.SUBCONTRACT;
        this.fromSiteCode = elsewhere ? data.fromSite : null;
        this.rule = data.rule;
        this.safetyStock = data.safetyStock;
        this.reorderPoint = data.reorderPoint;
        this.orderUpTo = data.orderUpTo;
        this.fixedQuantity = data.fixedQuantity;
        this.periodCount = data.periodCount;
        this.periodUnit = data.periodUnit;
        this.yield = data.source.fromComponents() ? data.yield : Ratio.ONE;
        this.perGood = yield.inverse();
        this.safetyTimeDays = data.safetyTimeDays;
        this.frozenDays = data.frozenDays;
        this.rescheduleTolerance = data.rescheduleTolerance;
        this.pullInDays = data.pullInDays;
        this.siteCalendar = siteCalendar;
        this.leadCalendar = leadCalendar;
        OrderSizes sizes = OrderSizes.of(data, terms, step);
        this.orderUnit = sizes.orderUnit();
        this.orderStep = sizes.step();
        this.toOrderUnit = orderUnit.inverse();
        this.minQuantity = sizes.minQuantity();
        this.maxQuantity = sizes.maxQuantity();
        this.multiple = sizes.multiple();
        this.leadTimeDays = data.source == Source.BUY && terms != null && terms.leadTimeDays() >= 0
                ? terms.leadTimeDays()
                : data.leadTimeDays;
        this.leadTimePerUnit = data.source == Source.BUY ? Ratio.ZERO : data.leadTimePerUnit;
    }

    /** Whether its orders ask for the components of its bill of materials. */
    boolean madeOfComponents() {
        return phantom || source.fromComponents();
    }

    StockPoint copy() {
        try {
            return (StockPoint) clone();
        } catch (CloneNotSupportedException e) {
            throw new AssertionError(e);
        }
    }

    /** Whether the other is planned in the same way. */
    boolean plannedAs(StockPoint other) {
        return ofItem.equals(other.ofItem)
                && ofData.isSame(other.ofData)
                && Objects.equals(ofTerms, other.ofTerms)
                && siteCalendar == other.siteCalendar
                && leadCalendar == other.leadCalendar
                && Objects.equals(routing, other.routing);
    }

    /** Whether the other, of the same item and site, sends demand to the same points. */
    boolean asksLike(StockPoint other) {
        boolean nobody = !asks() && !other.asks();
        return phantom == other.phantom
                && (phantom || nobody || (source == other.source && fromSite == other.fromSite));
    }

    private boolean asks() {
        return source.fromComponents() || source == Source.TRANSFER;
    }

    /** Whether its orders are demands of the item itself at another site. */
    public boolean transfers() {
        return source == Source.TRANSFER && !phantom;
    }

    /** Fixed quantity and min-max with a reorder point. */
    public boolean byReorderPoint() {
        return reorderPoint != Quantity.NOT_SET
                && (rule == PlanningRule.FIXED_QUANTITY || rule == PlanningRule.MIN_MAX);
    }

    /** {@code receipt(day)} of the planning rules. */
    public int receipt(int day, int today) {
        int moved = siteCalendar.back(day, safetyTimeDays);
        return moved < today ? siteCalendar.forth(today, 0) : moved;
    }
}
