package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningData;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;

/**
 * Gives what is bought for one line of a customer order alone an item of its own, planned after the stock point of the
 * item and offered on its suppliers' terms: so it takes no part in the netting of that stock point, in the consumption of
 * its forecast or in what is free of it. A kit with other parts for one line is a kit of its own with these.
 */
final class EarmarkedRows {
    private final Rows before;
    private final Rows rows;

    private EarmarkedRows(Rows before) {
        this.before = before;
        this.rows = before.copy();
    }

    /** The rows with an item for each line that is bought for, and each order that is open for one, and for no other. */
    static Rows of(Rows rows) {
        Map<String, String> siteOf = new HashMap<>();
        Map<String, CustomerOrderLine> lineOf = new HashMap<>();
        for (OpenOrder order : rows.openOrders) {
            if (Earmark.isCode(order.item())) {
                siteOf.put(order.item(), order.site());
            }
        }
        for (StockLot lot : rows.stock) {
            if (Earmark.isCode(lot.item())) {
                siteOf.put(lot.item(), lot.site());
            }
        }
        for (CustomerOrderLine line : rows.customerOrders) {
            if (line.alone()) {
                siteOf.put(line.item(), line.site());
                lineOf.put(line.item(), line);
            }
        }
        if (siteOf.isEmpty() && rows.earmarks.isEmpty()) {
            return rows;
        }
        EarmarkedRows made = new EarmarkedRows(rows);
        made.forget();
        siteOf.forEach((code, site) -> made.add(code, site, lineOf.get(code)));
        made.rows.earmarks = Set.copyOf(siteOf.keySet());
        return made.rows;
    }

    /** Whether what changes of an item may change what is bought of it for a line. */
    static boolean concern(Rows rows, String item) {
        for (String code : rows.earmarks) {
            if (code.startsWith(item) && Earmark.item(code).equals(item)) {
                return true;
            }
        }
        return false;
    }

    private void forget() {
        rows.items = new TreeMap<>(before.items);
        rows.planning = new HashMap<>(before.planning);
        rows.supplierTerms = new HashMap<>(before.supplierTerms);
        rows.bomLines = new HashMap<>(before.bomLines);
        rows.bomLines.keySet().removeAll(before.earmarks);
        rows.items.keySet().removeAll(before.earmarks);
        rows.planning.keySet().removeAll(before.earmarks);
        rows.supplierTerms.keySet().removeAll(before.earmarks);
    }

    private void add(String code, String site, CustomerOrderLine line) {
        String item = Earmark.item(code);
        Item of = rows.items.get(item);
        if (of == null) {
            return;
        }
        if (line != null && line.parts() != null) {
            rows.items.put(code, new Item(code, of.decimals(), ItemKind.KIT));
            rows.bomLines.put(code, parts(code, line.parts()));
            return;
        }
        rows.items.put(code, new Item(code, of.decimals(), ItemKind.STOCKED));
        PlanningData data = before.planning(item, site).forLine(code, line == null ? null : line.bought());
        Map<String, PlanningData> bySite = new HashMap<>(rows.planning.getOrDefault(code, Map.of()));
        bySite.put(site, data);
        rows.planning.put(code, bySite);
        List<SupplierTerms> terms = new ArrayList<>();
        before.supplierTerms.getOrDefault(item, List.of()).forEach(t -> terms.add(t.forLine(code)));
        rows.supplierTerms.put(code, terms);
    }

    private static List<BomLine> parts(String kit, List<CustomerOrderLine.KitPart> parts) {
        List<BomLine> lines = new ArrayList<>();
        for (CustomerOrderLine.KitPart part : parts) {
            lines.add(new BomLine(
                    kit,
                    Integer.toString(lines.size() + 1),
                    part.component(),
                    part.quantity(),
                    false,
                    Integer.MIN_VALUE,
                    Integer.MAX_VALUE));
        }
        return lines;
    }
}
