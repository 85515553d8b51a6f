package rescient.core.snapshot;

import java.util.List;
import java.util.Map;
import java.util.function.IntBinaryOperator;
import rescient.core.base.Quantity;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Item;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Source;

/** From the rows of documents to what they demand of stock points (section 2), kits resolved into their parts. */
public final class DocumentRows {
    /** Where the demands of a point are collected. */
    interface Collector {
        DocumentDemands of(int point);
    }

    private final int today;
    private final int horizonEnd;
    private final List<Item> items;
    private final Map<String, Integer> itemIndex;
    private final Map<String, Integer> siteIndex;
    private final Kits kits;
    private final IntBinaryOperator pointOf;

    /** @param pointOf the stock point of an item and a site, by their numbers */
    DocumentRows(
            Rows rows,
            List<Item> items,
            Map<String, Integer> itemIndex,
            Map<String, Integer> siteIndex,
            Kits kits,
            IntBinaryOperator pointOf) {
        this.today = rows.today;
        this.horizonEnd = rows.horizonEnd;
        this.items = items;
        this.itemIndex = itemIndex;
        this.siteIndex = siteIndex;
        this.kits = kits;
        this.pointOf = pointOf;
    }

    /** The site where an open order's components are issued. */
    static String issuingSite(OpenOrder order) {
        boolean elsewhere = order.kind() == Source.TRANSFER || order.kind() == Source.SUBCONTRACT;
        return elsewhere && order.fromSite() != null ? order.fromSite() : order.site();
    }

    public List<Kits.Part> parts(String item) {
        return kits.resolve(number(item));
    }

    /** Parts of a kit for one line alone, resolved where they are kits themselves. */
    public List<Kits.Part> parts(List<CustomerOrderLine.KitPart> own) {
        return kits.resolve(own);
    }

    Item item(String code) {
        return items.get(number(code));
    }

    private int number(String item) {
        return ItemSiteIndex.number(itemIndex, item, "item");
    }

    void add(CustomerOrderLine order, int numberRank, int lineRank, Collector into) {
        add(
                order,
                number(order.item()),
                siteIndex.get(order.site()),
                order.dueDay(),
                order.quantity(),
                order.priority(),
                numberRank,
                lineRank,
                -1,
                0,
                into);
    }

    /** @param first how many parts the order's components before this one have */
    int add(OpenOrder order, OpenOrderComponent row, int first, int numberRank, int lineRank, Collector into) {
        int item = number(row.component());
        add(
                order,
                item,
                siteIndex.get(issuingSite(order)),
                row.neededDay(),
                row.quantity(),
                CustomerOrderLine.DEFAULT_PRIORITY,
                numberRank,
                lineRank,
                siteIndex.get(order.site()),
                first,
                into);
        return first + partsOf(item);
    }

    /** How many parts an item has for a document: itself, or those of the kit. */
    int partsOf(int item) {
        return kits.isPassedThrough(item) ? kits.resolve(item).size() : 1;
    }

    private void add(
            Object document,
            int item,
            int site,
            int day,
            long quantity,
            int priority,
            int number,
            int line,
            int parentSite,
            int first,
            Collector into) {
        if (asksNothing(day, quantity)) {
            return;
        }
        if (!kits.isPassedThrough(item)) {
            into.of(pointOf.applyAsInt(item, site))
                    .add(document, day, needed(item, quantity), priority, number, line, parentSite, first);
            return;
        }
        List<Kits.Part> parts = kits.resolve(item);
        for (int i = 0; i < parts.size(); i++) {
            if (asksFor(parts.get(i), day, quantity)) {
                into.of(pointOf.applyAsInt(parts.get(i).item(), site))
                        .add(
                                document,
                                day,
                                needed(parts.get(i), quantity),
                                priority,
                                number,
                                line,
                                parentSite,
                                first + i);
            }
        }
    }

    /** Whether a row for this day and quantity asks for nothing that is planned. */
    boolean asksNothing(int day, long quantity) {
        return day > horizonEnd || quantity <= 0;
    }

    /** Whether a row of a kit asks for this part of it. */
    boolean asksFor(Kits.Part part, int day, long quantity) {
        return quantity > 0 && !part.quantity().isZero() && part.validOn(Math.max(day, today));
    }

    /** What a row asks for of an item that is no kit. */
    long needed(int item, long quantity) {
        return Quantity.roundUp(quantity, step(item));
    }

    long needed(Kits.Part part, long quantity) {
        return part.needed(quantity, step(part.item()));
    }

    private long step(int item) {
        return Quantity.step(items.get(item).decimals());
    }

    /** Kits resolved by other bills of materials of items that are none. */
    Kits kits(Map<String, List<BomLine>> bomLines) {
        return new Kits(items, itemIndex, bomLines);
    }
}
