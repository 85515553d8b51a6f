package rescient.core;

import java.util.List;
import java.util.Map;
import java.util.function.IntBinaryOperator;

/** From the rows of documents to what they demand of stock points (section 2), kits resolved into their parts. */
final class DocumentRows {
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

    List<Kits.Part> parts(String item) {
        return kits.resolve(number(item));
    }

    Item item(String code) {
        return items.get(number(code));
    }

    private int number(String item) {
        return Places.number(itemIndex, item, "item");
    }

    void add(CustomerOrderLine order, int numberRank, int lineRank, Collector into) {
        add(order, number(order.item()), siteIndex.get(order.site()), numberRank, lineRank, into);
    }

    /** The same for a line whose item and site are known by number. */
    void add(CustomerOrderLine order, int item, int site, int numberRank, int lineRank, Collector into) {
        add(order, item, site, order.dueDay(), order.quantity(), order.priority(), numberRank, lineRank, -1, 0, into);
    }

    /** @param first how many parts the order's components before this one have */
    int add(OpenOrder order, OpenOrderComponent row, int first, int numberRank, int lineRank, Collector into) {
        return add(order, row, number(row.component()), first, numberRank, lineRank, into);
    }

    /** The same for a component that is known by number. */
    int add(
            OpenOrder order,
            OpenOrderComponent row,
            int item,
            int first,
            int numberRank,
            int lineRank,
            Collector into) {
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
        return first + (kits.isPassedThrough(item) ? kits.resolve(item).size() : 1);
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
        if (day > horizonEnd || quantity <= 0) {
            return;
        }
        if (!kits.isPassedThrough(item)) {
            long needed = Quantity.roundUp(quantity, step(item));
            into.of(pointOf.applyAsInt(item, site))
                    .add(document, day, needed, priority, number, line, parentSite, first);
            return;
        }
        List<Kits.Part> parts = kits.resolve(item);
        for (int i = 0; i < parts.size(); i++) {
            Kits.Part part = parts.get(i);
            long needed = part.needed(quantity, step(part.item()));
            if (needed > 0 && part.validOn(Math.max(day, today))) {
                into.of(pointOf.applyAsInt(part.item(), site))
                        .add(document, day, needed, priority, number, line, parentSite, first + i);
            }
        }
    }

    private long step(int item) {
        return Quantity.step(items.get(item).decimals());
    }
}
