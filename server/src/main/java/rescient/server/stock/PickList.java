package rescient.server.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.stock.Movement;
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
            .thenComparing(Pick::zone)
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
     * @param zone where it lies at the site; empty: nobody said
     * @param lot or serial number; empty: none
     * @param missing of that, what is not there; null: nothing
     * @param act what is posted when it has been fetched, for {@code line} of {@code order} and, of its parts, {@code part}
     */
    record Pick(
            String site,
            String siteName,
            String zone,
            String item,
            String itemName,
            String lot,
            BigDecimal quantity,
            String unit,
            String order,
            String line,
            @Nullable BigDecimal missing,
            StockAct act,
            @Nullable String part) {}

    /** In the order of the shelves; empty if nothing is to be fetched. */
    record Picks(List<Pick> picks) {}

    Picks of(PlanVersion version, List<String> numbers) {
        List<PostingLine> wanted = numbers.stream()
                .distinct()
                .flatMap(number -> wanted(version.directory().facts(), number).stream())
                .toList();
        List<Pick> picks = wanted.isEmpty() ? List.of() : picks(version, wanted);
        return new Picks(picks.stream().sorted(BY_SHELF).toList());
    }

    /** @throws JobProblem 404 if nothing is to be fetched for any of them */
    byte[] pdf(PlanVersion version, List<String> numbers) {
        List<Pick> picks = of(version, numbers).picks;
        if (picks.isEmpty()) {
            throw JobProblem.notFound("Nothing is to be fetched for " + String.join(", ", numbers));
        }
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
                                pick.siteName + (pick.zone.isEmpty() ? "" : "\n" + pick.zone),
                                pick.item,
                                pick.itemName
                                        + (pick.missing == null
                                                ? ""
                                                : "\nmissing: " + PaperPdf.quantity(pick.missing, pick.unit)),
                                pick.lot,
                                PaperPdf.quantity(pick.quantity, pick.unit),
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
            picks.addAll(fetched(version.directory(), all, wanted));
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
                        .forEach(one -> picks.add(missing(version.directory(), line, one)));
            }
        }
        if (!had.isEmpty()) {
            picks.addAll(fetched(version.directory(), postings(version, had), had));
        }
        return picks;
    }

    private Postings postings(PlanVersion version, List<PostingLine> lines) {
        return desk.postings(version, new PostingWish(null, null, lines), UUID.randomUUID());
    }

    private static List<Pick> fetched(Directory directory, Postings postings, List<PostingLine> wanted) {
        List<Pick> picks = new ArrayList<>();
        for (Movement movement : postings.movements()) {
            if (movement.quantity().signum() >= 0 || movement.document() == null) {
                continue;
            }
            Movement.Bin bin = movement.bin();
            wanted.stream()
                    .filter(line -> line.number().equals(movement.document().number())
                            && line.line().equals(movement.document().line())
                            && (line.item() == null || line.item().equals(bin.item())))
                    .findFirst()
                    .ifPresent(line -> picks.add(pick(
                            directory,
                            bin.site(),
                            bin.item(),
                            bin.lot() + bin.serial(),
                            movement.quantity().negate(),
                            null,
                            line)));
        }
        return picks;
    }

    private static Pick missing(Directory directory, PostingLine line, Refused refused) {
        BigDecimal there = refused.there() == null ? BigDecimal.ZERO : refused.there();
        return pick(
                directory,
                refused.site() == null ? "" : refused.site(),
                refused.item(),
                "",
                refused.wanted(),
                refused.wanted().subtract(there),
                line);
    }

    private static Pick pick(
            Directory directory,
            String site,
            String item,
            String lot,
            BigDecimal quantity,
            @Nullable BigDecimal missing,
            PostingLine of) {
        return new Pick(
                site,
                site.isEmpty() ? "" : directory.siteName(site),
                directory.zone(item, site),
                item,
                directory.itemName(item),
                lot,
                StockDesk.plain(quantity),
                directory.unit(item),
                of.number(),
                of.line(),
                missing == null ? null : StockDesk.plain(missing),
                of.act(),
                of.item());
    }
}
