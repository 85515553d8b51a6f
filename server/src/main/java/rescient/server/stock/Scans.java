package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import rescient.core.company.ItemFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.StockFacts;
import rescient.core.stock.ElementString;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** What a scanned code means: an element string, or a number or code of our own. */
@Component
class Scans {
    private final RecordedStock recorded;
    private final DeskRows desk;

    Scans(RecordedStock recorded, DeskRows desk) {
        this.recorded = recorded;
        this.desk = desk;
    }

    /**
     * What it is.
     *
     * @param kind lot, serial, item, order, customer_order or nothing
     * @param item null where it is an order, or nothing
     * @param count so many pieces, as the label says
     * @param number of the order
     */
    record ScanView(
            String kind,
            @Nullable String item,
            @Nullable String itemName,
            @Nullable String lot,
            @Nullable String serial,
            @Nullable LocalDate expiry,
            @Nullable BigDecimal count,
            @Nullable String number,
            String sentence) {
        private static ScanView order(String kind, String number) {
            return new ScanView(kind, null, null, null, null, null, null, number, "Order " + number);
        }
    }

    /** What could be meant, the first most likely; at least one. */
    List<ScanView> read(PlanVersion version, String code) {
        return ElementString.read(code, version.today())
                .map(label -> labelled(version, label))
                .orElseGet(() -> own(version, code.strip()));
    }

    private List<ScanView> labelled(PlanVersion version, ElementString label) {
        Directory directory = version.directory();
        String item = label.item() != null && directory.item(label.item()) != null
                ? label.item()
                : label.gtin() == null ? null : ofNumber(directory.facts(), label.gtin());
        if (item == null && (label.lot() != null || label.serial() != null)) {
            List<ScanView> lots = numbered(version, label.lot() == null ? label.serial() : label.lot());
            if (!lots.isEmpty()) {
                return lots.stream()
                        .map(one -> new ScanView(
                                one.kind,
                                one.item,
                                one.itemName,
                                one.lot,
                                one.serial,
                                label.expiry(),
                                label.count(),
                                null,
                                one.sentence))
                        .toList();
            }
        }
        if (item == null) {
            return nothing(
                    label.gtin() == null
                            ? "Nothing here has the number " + Objects.requireNonNullElse(label.lot(), label.serial())
                            : "No item has the number " + label.gtin()
                                    + "; give it as the supplier's code where he offers the item");
        }
        return List.of(found(directory, item, label.lot(), label.serial(), label.expiry(), label.count()));
    }

    private static ScanView found(
            Directory directory,
            String item,
            @Nullable String lot,
            @Nullable String serial,
            @Nullable LocalDate expiry,
            @Nullable BigDecimal count) {
        String kind = serial != null ? "serial" : lot != null ? "lot" : "item";
        String which = serial != null ? " " + serial : lot != null ? " lot " + lot : "";
        return new ScanView(
                kind,
                item,
                directory.itemName(item),
                lot,
                serial,
                expiry,
                count,
                null,
                item + which + (count == null ? "" : ", " + count.toPlainString()));
    }

    /** The item that is our own under a trade number, or a supplier's. */
    @Nullable
    private static String ofNumber(Facts facts, String gtin) {
        String bare = gtin.replaceFirst("^0+", "");
        return Stream.concat(
                        facts.all(ItemFacts.Item.class)
                                .map(ItemFacts.Item::code)
                                .filter(code -> isNumber(code, bare)),
                        facts.all(PartnerFacts.SupplierItem.class)
                                .filter(offer -> offer.supplierCode() != null && isNumber(offer.supplierCode(), bare))
                                .map(PartnerFacts.SupplierItem::item))
                .findFirst()
                .orElse(null);
    }

    private static boolean isNumber(String code, String bare) {
        return code.endsWith(bare) && code.replaceFirst("^0+", "").equals(bare);
    }

    private List<ScanView> own(PlanVersion version, String code) {
        Directory directory = version.directory();
        List<ScanView> found = new ArrayList<>();
        if (directory.item(code) != null) {
            found.add(found(directory, code, null, null, null, null));
        }
        if (desk.site(code).isPresent()) {
            found.add(ScanView.order("order", code));
        }
        if (!directory.facts().rows("customer_orders", "number", code).isEmpty()) {
            found.add(ScanView.order("customer_order", code));
        }
        found.addAll(numbered(version, code));
        return found.isEmpty() ? nothing("Nothing here is called " + code) : found;
    }

    /** The lots and serial numbers of that name, of whatever item. */
    private List<ScanView> numbered(PlanVersion version, String name) {
        Directory directory = version.directory();
        Set<RecordedStock.Numbered> all = new LinkedHashSet<>();
        directory
                .facts()
                .all(StockFacts.Stock.class)
                .filter(bin -> name.equals(bin.lot()) || name.equals(bin.serial()))
                .forEach(bin -> all.add(new RecordedStock.Numbered(bin.item(), bin.lot(), bin.serial())));
        all.addAll(recorded.numbered(name));
        return all.stream()
                .map(one -> found(directory, one.item(), one.lot(), one.serial(), null, null))
                .toList();
    }

    private static List<ScanView> nothing(String sentence) {
        return List.of(new ScanView("nothing", null, null, null, null, null, null, null, sentence));
    }
}
