package rescient.core.company;

import java.util.ArrayList;
import java.util.List;

/** A new item that is like another: with its bill of materials, routing, planning data, suppliers and conversions. */
public final class ItemCopy {
    private final CompanyFacts company;
    private final ItemFacts.Item item;

    /** @throws UnfitException if there is no such item */
    public ItemCopy(CompanyFacts company, String item) {
        this.company = company;
        this.item = company.known(ItemFacts.Item.class, item, "item");
    }

    /** What of the other is copied besides the item itself. */
    public record Parts(boolean bill, boolean routing, boolean planning, boolean suppliers) {
        public static final Parts ALL = new Parts(true, true, true, true);
    }

    /**
     * All that comes in.
     *
     * @param code of the new item
     * @param name null or blank: that of the other
     * @throws UnfitException if the code is missing or in use
     */
    public List<FactEdit<?>> as(String code, String name, Parts parts) {
        if (code == null || code.isBlank()) {
            throw new UnfitException("Say the code of the new item", "code");
        }
        String as = code.strip();
        if (company.one(ItemFacts.Item.class, as).isPresent()) {
            throw new UnfitException("There is an item " + as + " already", "code");
        }
        List<FactEdit<?>> edits = new ArrayList<>();
        edits.add(FactEdit.added(item.as(as, name == null || name.isBlank() ? item.name() : name.strip())));
        for (BasicFacts.UnitConversion row : company.where(BasicFacts.UnitConversion.class, "item", item.code())) {
            edits.add(FactEdit.added(new BasicFacts.UnitConversion(as, row.fromUnit(), row.toUnit(), row.factor())));
        }
        if (parts.routing) {
            company.where(MakingFacts.Operation.class, "item", item.code())
                    .forEach(row -> edits.add(FactEdit.added(row.of(as))));
        }
        if (parts.bill) {
            company.where(MakingFacts.BomLine.class, "parent", item.code())
                    .forEach(row -> edits.add(FactEdit.added(line(row, as, parts))));
        }
        if (parts.planning) {
            company.where(ItemFacts.Planning.class, "item", item.code())
                    .forEach(row -> edits.add(FactEdit.added(new ItemFacts.Planning(as, row.site(), row.planned()))));
        }
        if (parts.suppliers) {
            company.where(PartnerFacts.SupplierItem.class, "item", item.code())
                    .forEach(row -> edits.add(FactEdit.added(row.of(as))));
        }
        return edits;
    }

    /** Without its routing a line names no step. */
    private static MakingFacts.BomLine line(MakingFacts.BomLine row, String as, Parts parts) {
        return row.of(as, parts.routing ? row.step() : null);
    }
}
