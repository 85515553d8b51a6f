package rescient.core;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToIntBiFunction;

/** From the rows of documents to what they demand of stock points (section 2), kits resolved into their parts. */
final class DocumentRows {
    /** Where the demands of a point are collected. */
    interface Collector {
        DocumentDemands of(int point);
    }

    private final int today;
    private final int horizonEnd;
    private final TreeMap<String, Item> items;
    private final Map<String, Integer> siteIndex;
    private final Kits kits;
    private final ToIntBiFunction<String, String> pointOf;

    DocumentRows(Rows rows, Kits kits, Map<String, Integer> siteIndex, ToIntBiFunction<String, String> pointOf) {
        this.today = rows.today;
        this.horizonEnd = rows.horizonEnd;
        this.items = rows.items;
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
        return kits.resolve(item(item).code());
    }

    Item item(String code) {
        Item item = items.get(code);
        if (item == null) {
            throw new PlanningException("There is no item " + code);
        }
        return item;
    }

    void add(CustomerOrderLine order, Ranks numbers, Ranks lines, Collector into) {
        add(
                order,
                parts(order.item()),
                order.site(),
                order.dueDay(),
                order.quantity(),
                order.priority(),
                numbers.of(order.number()),
                lines.of(order.line()),
                -1,
                0,
                into);
    }

    /** @param first how many parts the order's components before this one have */
    int add(OpenOrder order, OpenOrderComponent row, int first, Ranks numbers, Ranks lines, Collector into) {
        List<Kits.Part> parts = parts(row.component());
        add(
                order,
                parts,
                issuingSite(order),
                row.neededDay(),
                row.quantity(),
                CustomerOrderLine.DEFAULT_PRIORITY,
                numbers.of(row.number()),
                lines.of(row.line()),
                siteIndex.get(order.site()),
                first,
                into);
        return first + parts.size();
    }

    private void add(
            Object document,
            List<Kits.Part> parts,
            String site,
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
        for (int i = 0; i < parts.size(); i++) {
            Kits.Part part = parts.get(i);
            long needed =
                    part.needed(quantity, Quantity.step(item(part.component()).decimals()));
            if (needed > 0 && part.validOn(Math.max(day, today))) {
                into.of(pointOf.applyAsInt(part.component(), site))
                        .add(document, day, needed, priority, number, line, parentSite, first + i);
            }
        }
    }
}
