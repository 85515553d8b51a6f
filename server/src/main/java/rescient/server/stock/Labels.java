package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockFacts;
import rescient.core.stock.ElementString;
import rescient.dataset.Row;
import rescient.server.mail.PaperPdf;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Labels of what came, of what lies somewhere, and a sheet of codes to try a scanner with. */
@Component
class Labels {
    private static final Set<String> IN = Set.of("receipt", "output", "transfer_in", "customer_return");
    /** On the sheet to try: two pages. */
    private static final int TRIED = 48;

    private static final int ORDERS = 12;

    private final KeptMovements kept;

    Labels(KeptMovements kept) {
        this.kept = kept;
    }

    /** One of each movement of a posting that brought something. */
    byte[] ofPosting(PlanVersion version, UUID key) {
        List<LabelSheet.Label> labels = new ArrayList<>();
        for (Row row : kept.movementsOf(List.of(key.toString()))) {
            if (IN.contains(row.text("kind")) && row.text("reverses") == null) {
                String item = row.text("item");
                labels.add(label(
                        version,
                        item,
                        row.text("lot"),
                        row.text("serial"),
                        expiry(version, item, row.text("lot"), row.text("serial")),
                        row.decimal("quantity"),
                        row.text("number")));
            }
        }
        return sheet(version, labels);
    }

    /** One of each lot or serial number of an item at a site. */
    byte[] ofPoint(PlanVersion version, String item, String site) {
        return sheet(
                version,
                version.directory().facts().where(StockFacts.Stock.class, "item", item).stream()
                        .filter(bin -> bin.site().equals(site))
                        .map(bin -> label(version, bin))
                        .toList());
    }

    /** Some of all that lies somewhere, and orders that are to come. */
    byte[] toTry(PlanVersion version) {
        Directory directory = version.directory();
        List<LabelSheet.Label> labels = new ArrayList<>();
        directory
                .facts()
                .all(StockFacts.Stock.class)
                .sorted(Comparator.comparing((StockFacts.Stock bin) -> bin.lot() == null && bin.serial() == null)
                        .thenComparing(StockFacts.Stock::item, DocumentOrder.INSTANCE))
                .limit(TRIED - ORDERS)
                .forEach(bin -> labels.add(label(version, bin)));
        directory
                .facts()
                .all(OrderFacts.OpenOrder.class)
                .filter(order -> order.kind() == Source.BUY && order.stage() == Stage.RELEASED)
                .sorted(Comparator.comparing(OrderFacts.OpenOrder::dueDate)
                        .thenComparing(OrderFacts.OpenOrder::number, DocumentOrder.INSTANCE))
                .map(OrderFacts.OpenOrder::number)
                .distinct()
                .limit(ORDERS)
                .forEach(number -> labels.add(
                        new LabelSheet.Label(number, List.of("Purchase order", "to be received"), number, number)));
        return sheet(version, labels);
    }

    private static byte[] sheet(PlanVersion version, List<LabelSheet.Label> labels) {
        if (labels.isEmpty()) {
            throw JobProblem.notFound("There is nothing to label");
        }
        return LabelSheet.pdf(version.company(), labels);
    }

    private static LabelSheet.Label label(PlanVersion version, StockFacts.Stock bin) {
        return label(version, bin.item(), bin.lot(), bin.serial(), bin.expiry(), bin.quantity(), null);
    }

    @Nullable
    private static LocalDate expiry(PlanVersion version, String item, @Nullable String lot, @Nullable String serial) {
        return version.directory().facts().where(StockFacts.Stock.class, "item", item).stream()
                .filter(bin -> Objects.equals(bin.lot(), lot) && Objects.equals(bin.serial(), serial))
                .map(StockFacts.Stock::expiry)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    private static LabelSheet.Label label(
            PlanVersion version,
            String item,
            @Nullable String lot,
            @Nullable String serial,
            @Nullable LocalDate expiry,
            BigDecimal quantity,
            @Nullable String order) {
        Directory directory = version.directory();
        List<String> lines = new ArrayList<>();
        lines.add(directory.itemName(item));
        lines.add((serial != null ? serial : lot != null ? "Lot " + lot : "")
                + (serial != null
                        ? ""
                        : (lot != null ? ", " : "") + PaperPdf.quantity(quantity, directory.unit(item))));
        if (expiry != null) {
            lines.add("Serves until before " + PaperPdf.day(expiry));
        }
        if (order != null) {
            lines.add("Came on " + order);
        }
        boolean whole = serial == null && quantity.stripTrailingZeros().scale() <= 0;
        String number = serial != null ? serial : lot != null ? lot : item;
        String code = new ElementString(null, item, lot, serial, expiry, whole ? quantity : null).sent();
        // what is too long for the form stands there by its number alone
        boolean fits = ElementString.read(code, version.today()).isPresent();
        return new LabelSheet.Label(item, lines, number, fits ? code : number);
    }
}
