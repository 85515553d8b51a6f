package rescient.server.stock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rescient.core.company.BasicFacts;
import rescient.core.company.PartnerFacts;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.mail.PaperPdf;
import rescient.server.mail.PaperPdf.Column;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** The paper that goes with what was posted: a shipping note to a customer or another site, a receipt note of what came. */
@Component
class PostingNote {
    /** What is written of which movements. */
    private static final Map<String, String> TITLES = Map.of(
            "shipment", "Shipping note",
            "transfer_out", "Shipping note",
            "supplier_return", "Return note",
            "receipt", "Receipt note");

    private final KeptMovements kept;
    private final DeskRows desk;

    PostingNote(KeptMovements kept, DeskRows desk) {
        this.kept = kept;
        this.desk = desk;
    }

    /** @throws JobProblem 404 if there is no such posting, or no note goes with it */
    byte[] pdf(PlanVersion version, UUID key) {
        List<Row> movements = kept.movementsOf(List.of(key.toString())).stream()
                .filter(row -> TITLES.containsKey(row.text("kind")) && row.text("reverses") == null)
                .toList();
        if (movements.isEmpty()) {
            throw JobProblem.notFound("No note goes with this posting");
        }
        // who gets something, or brought it, has a paper of his own
        Map<String, List<Row>> byPartner = new LinkedHashMap<>();
        movements.forEach(row -> byPartner
                .computeIfAbsent(row.text("kind") + addressee(version.directory(), row), partner -> new ArrayList<>())
                .add(row));
        return PaperPdf.of(
                byPartner.values().stream().map(of -> paper(version, of)).toList());
    }

    private PaperPdf.Paper paper(PlanVersion version, List<Row> movements) {
        Row first = movements.get(0);
        Directory directory = version.directory();
        String orders = String.join(
                ", ",
                movements.stream().map(row -> row.text("number", "")).distinct().toList());
        return new PaperPdf.Paper(
                version.company(),
                directory.facts().setting("company_address"),
                addressee(directory, first),
                TITLES.get(first.text("kind")) + " " + first.text("movement"),
                PaperPdf.day(first.date("date")) + ", " + (orders.isEmpty() ? "" : "order " + orders) + ", "
                        + directory.siteName(first.text("site")),
                List.of(
                        Column.left("Order", 14),
                        Column.bold("Item", 15),
                        Column.left("", 34),
                        Column.left("Lot or serial", 18),
                        Column.right("Quantity", 14)),
                movements.stream().map(row -> line(directory, row)).toList(),
                List.of(new PaperPdf.Foot("Handed over:                                   Taken over:", false)));
    }

    private static List<String> line(Directory directory, Row movement) {
        String item = movement.text("item");
        return List.of(
                movement.text("number", "") + " " + movement.text("line", ""),
                item,
                directory.itemName(item) + (movement.flag("quarantined", false) ? "\nset aside" : ""),
                movement.text("lot", movement.text("serial", "")),
                PaperPdf.quantity(movement.decimal("quantity").abs(), directory.unit(item)));
    }

    /** To whom it goes, or from whom it came. */
    @Nullable
    private String addressee(Directory directory, Row movement) {
        Facts facts = directory.facts();
        String number = movement.text("number");
        if (number == null) {
            return null;
        }
        switch (movement.text("kind")) {
            case "shipment" -> {
                return facts.rows("customer_orders", "number", number).stream()
                        .map(row -> row.text("customer"))
                        .filter(code -> code != null)
                        .findFirst()
                        .map(code -> PaperPdf.addressed(
                                directory.customerName(code),
                                facts.one(PartnerFacts.Customer.class, code)
                                        .map(one -> one.contact().address())
                                        .orElse(null)))
                        .orElse(null);
            }
            case "transfer_out" -> {
                return desk.site(number)
                        .map(code -> PaperPdf.addressed(
                                directory.siteName(code),
                                facts.one(BasicFacts.Site.class, code)
                                        .map(BasicFacts.Site::address)
                                        .orElse(null)))
                        .orElse(null);
            }
            default -> {
                String supplier = desk.supplier(number);
                return supplier == null
                        ? null
                        : PaperPdf.addressed(
                                directory.supplierName(supplier),
                                facts.one(PartnerFacts.Supplier.class, supplier)
                                        .map(one -> one.contact().address())
                                        .orElse(null));
            }
        }
    }
}
