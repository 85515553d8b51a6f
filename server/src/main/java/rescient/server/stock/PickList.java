package rescient.server.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.stock.Refused;
import rescient.dataset.Facts;
import rescient.dataset.Postings;
import rescient.dataset.Row;
import rescient.server.mail.PaperPdf;
import rescient.server.mail.PaperPdf.Column;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * What is to be fetched for orders, one or many together: what a posting would take now, with the lots it would take, in the
 * order of the shelves. Nothing is kept for them by it.
 */
@Component
class PickList {
    private static final Comparator<Pick> BY_SHELF = Comparator.comparing(Pick::site)
            .thenComparing(Pick::item)
            .thenComparing(Pick::lot)
            .thenComparing(Pick::order, DocumentOrder.INSTANCE);

    private final StockDesk desk;

    PickList(StockDesk desk) {
        this.desk = desk;
    }

    /**
     * A line of it.
     *
     * @param lot or serial number; empty: none
     * @param missing of that, what is not there; null: nothing
     */
    private record Pick(
            String site,
            String item,
            String lot,
            BigDecimal quantity,
            String order,
            @Nullable BigDecimal missing) {}

    /** @throws JobProblem 404 if nothing is to be fetched for any of them */
    byte[] pdf(PlanVersion version, List<String> numbers) {
        Directory directory = version.directory();
        List<PostingLine> wanted = numbers.stream()
                .distinct()
                .flatMap(number -> wanted(directory.facts(), number).stream())
                .toList();
        List<Pick> picks = wanted.isEmpty() ? List.of() : picks(version, wanted);
        if (picks.isEmpty()) {
            throw JobProblem.notFound("Nothing is to be fetched for " + String.join(", ", numbers));
        }
        picks.sort(BY_SHELF);
        return PaperPdf.of(new PaperPdf.Paper(
                version.company(),
                null,
                null,
                "Pick list",
                PaperPdf.day(version.today()) + ", for " + String.join(", ", numbers),
                List.of(
                        Column.left("From", 16),
                        Column.bold("Item", 14),
                        Column.left("", 28),
                        Column.left("Lot", 14),
                        Column.right("Quantity", 13),
                        Column.left("For", 13),
                        Column.left("Fetched", 12)),
                picks.stream()
                        .map(pick -> List.of(
                                directory.siteName(pick.site),
                                pick.item,
                                directory.itemName(pick.item)
                                        + (pick.missing == null
                                                ? ""
                                                : "\nmissing: "
                                                        + PaperPdf.quantity(pick.missing, directory.unit(pick.item))),
                                pick.lot,
                                PaperPdf.quantity(pick.quantity, directory.unit(pick.item)),
                                pick.order,
                                "[    ]"))
                        .toList(),
                List.of()));
    }

    /** What could be posted to fetch all of it: each component, and each line that goes out. */
    private static List<PostingLine> wanted(Facts facts, String number) {
        List<PostingLine> wanted = new ArrayList<>();
        for (Row line : facts.rows("open_orders", "number", number)) {
            String kind = line.text("kind");
            // what a subcontractor uses up lies at his place
            if (!line.text("stage").equals("released") || kind.equals("buy") || kind.equals("subcontract")) {
                continue;
            }
            if (kind.equals("transfer")) {
                wanted.add(PostingLine.of(StockAct.SHIP_TRANSFER, number, line.text("line"), null));
                continue;
            }
            facts.components(number, line.text("line")).stream()
                    .filter(part -> part.decimal("quantity").signum() > 0)
                    .map(part -> part.text("component"))
                    .distinct()
                    .forEach(part -> wanted.add(PostingLine.of(StockAct.ISSUE, number, line.text("line"), part)));
        }
        for (Row line : facts.rows("customer_orders", "number", number)) {
            if (line.text("state", "open").equals("open")) {
                wanted.add(PostingLine.of(StockAct.SHIP, number, line.text("line"), null));
            }
        }
        return wanted;
    }

    private List<Pick> picks(PlanVersion version, List<PostingLine> wanted) {
        Postings all = postings(version, wanted);
        List<Pick> picks = new ArrayList<>();
        if (all.refused().isEmpty()) {
            picks.addAll(fetched(all));
            return picks;
        }
        // what cannot be had stays out, with all that is missing of it; the others are taken in turn
        List<PostingLine> had = new ArrayList<>();
        for (PostingLine line : wanted) {
            had.add(line);
            List<Refused> refused = postings(version, had).refused();
            if (!refused.isEmpty()) {
                had.remove(had.size() - 1);
                refused.stream()
                        .filter(one -> one.wanted() != null && one.item() != null)
                        .forEach(one -> picks.add(missing(line, one)));
            }
        }
        if (!had.isEmpty()) {
            picks.addAll(fetched(postings(version, had)));
        }
        return picks;
    }

    private Postings postings(PlanVersion version, List<PostingLine> lines) {
        return desk.postings(version, new PostingWish(null, null, lines), UUID.randomUUID());
    }

    private static List<Pick> fetched(Postings postings) {
        return postings.movements().stream()
                .filter(movement -> movement.quantity().signum() < 0 && movement.document() != null)
                .map(movement -> new Pick(
                        movement.bin().site(),
                        movement.bin().item(),
                        movement.bin().lot() + movement.bin().serial(),
                        movement.quantity().negate(),
                        movement.document().number(),
                        null))
                .toList();
    }

    private static Pick missing(PostingLine line, Refused refused) {
        BigDecimal there = refused.there() == null ? BigDecimal.ZERO : refused.there();
        return new Pick(
                refused.site() == null ? "" : refused.site(),
                refused.item(),
                "",
                refused.wanted(),
                line.number(),
                refused.wanted().subtract(there));
    }
}
