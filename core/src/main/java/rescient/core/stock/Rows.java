package rescient.core.stock;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import rescient.core.company.Source;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Refused.Code;

/** The rows of a posting in turn: each finds its document and is carried out by those who know such documents. */
final class Rows {
    private final Deed deed;
    private final Map<String, Poster.Posted> posted;
    private final Sales sales;

    Rows(Deed deed, Map<String, Poster.Posted> posted) {
        this.deed = deed;
        this.posted = posted;
        this.sales = new Sales(deed);
    }

    void carryOut() {
        for (PostingRow row : deed.rows()) {
            int mark = deed.books().journal().mark();
            int refused = deed.refused().size();
            carryOut(row);
            // what is short counts as far as it goes, everything else that is refused changes nothing
            boolean changesNothing = deed
                    .refused()
                    .subList(refused, deed.refused().size())
                    .stream()
                    .anyMatch(one -> one.code() != Code.SHORT);
            if (changesNothing) {
                deed.books().journal().takeBack(mark);
            }
        }
        sales.choicesLeft();
        deed.revalue();
    }

    private void carryOut(PostingRow row) {
        switch (row.action()) {
            case RECEIVE -> {
                SupplyLine line = supply(row, List.of(Source.BUY, Source.SUBCONTRACT));
                if (line != null && line.kind() == Source.BUY) {
                    new Purchases(deed).receive(row, line);
                } else if (line != null) {
                    new Production(deed).receive(row, line);
                }
            }
            case RETURN_TO_SUPPLIER -> {
                SupplyLine line = supply(row, List.of(Source.BUY));
                if (line != null) {
                    new Purchases(deed).returned(row, line);
                }
            }
            case ISSUE -> {
                SupplyLine line = supply(row, List.of(Source.MAKE, Source.ASSEMBLE, Source.SUBCONTRACT));
                if (line != null) {
                    new Issuing(deed).issue(row, line);
                }
            }
            case OUTPUT -> {
                SupplyLine line = supply(row, List.of(Source.MAKE, Source.ASSEMBLE));
                if (line != null) {
                    new Production(deed).output(row, line);
                }
            }
            case FINISH -> {
                SupplyLine line = supply(row, List.of(Source.values()));
                if (line != null) {
                    new Production(deed).finish(row, line);
                }
            }
            case SHIP_TRANSFER -> {
                SupplyLine line = supply(row, List.of(Source.TRANSFER));
                if (line != null) {
                    new Transfers(deed).ship(row, line);
                }
            }
            case RECEIVE_TRANSFER -> {
                SupplyLine line = supply(row, List.of(Source.TRANSFER));
                if (line != null) {
                    new Transfers(deed).receive(row, line);
                }
            }
            case SHIP -> {
                CustomerLine line = customer(row);
                if (line != null) {
                    sales.ship(row, line);
                }
            }
            case RETURN_FROM_CUSTOMER -> {
                CustomerLine line = customer(row);
                if (line != null) {
                    sales.returned(row, line);
                }
            }
            case ADJUST, COUNT, QUARANTINE, FREE -> new Stocktaking(deed).carryOut(row);
            case REVERSE -> new Reversal(posted).carryOut(deed, row);
        }
    }

    /** The line that a row names, if it is of such a kind and the item and site that are said agree. */
    private SupplyLine supply(PostingRow row, List<Source> kinds) {
        Collection<SupplyLine> lines =
                row.number() == null ? List.of() : deed.books().supply(row.number());
        SupplyLine line = row.line() == null
                ? (lines.size() == 1 ? lines.iterator().next() : null)
                : lines.stream()
                        .filter(one -> one.order().line().equals(row.line()))
                        .findFirst()
                        .orElse(null);
        if (line == null) {
            deed.refuse(row, row.item(), row.site(), Code.UNKNOWN);
            return null;
        }
        if (!kinds.contains(line.kind())) {
            deed.refuse(
                    row,
                    row.item() == null ? line.order().item() : row.item(),
                    row.site() == null ? line.order().site() : row.site(),
                    Code.UNKNOWN);
            return null;
        }
        boolean ofPart = row.action() == PostingRow.Action.ISSUE;
        boolean agrees =
                (ofPart || row.item() == null || row.item().equals(line.order().item()))
                        && (row.site() == null || row.site().equals(site(row, line)));
        if (!agrees) {
            deed.refuse(
                    row,
                    row.item() == null ? line.order().item() : row.item(),
                    row.site() == null ? site(row, line) : row.site(),
                    Code.UNKNOWN);
            return null;
        }
        return line;
    }

    /** Where it happens. */
    static String site(PostingRow row, SupplyLine line) {
        boolean from = row.action() == PostingRow.Action.SHIP_TRANSFER
                || (row.action() == PostingRow.Action.ISSUE && line.kind() == Source.SUBCONTRACT);
        return from ? line.order().fromSite() : line.order().site();
    }

    private CustomerLine customer(PostingRow row) {
        Collection<CustomerLine> lines =
                row.number() == null ? List.of() : deed.books().customer(row.number());
        CustomerLine line = row.line() == null
                ? (lines.size() == 1 ? lines.iterator().next() : null)
                : lines.stream()
                        .filter(one -> one.line().equals(row.line()))
                        .findFirst()
                        .orElse(null);
        if (line == null) {
            deed.refuse(row, row.item(), row.site(), Code.UNKNOWN);
            return null;
        }
        boolean kit = deed.company().item(line.item()).kit();
        boolean agrees = (kit || row.item() == null || row.item().equals(line.item()))
                && (row.site() == null || row.site().equals(line.site()));
        if (!agrees) {
            deed.refuse(
                    row,
                    row.item() == null ? line.item() : row.item(),
                    row.site() == null ? line.site() : row.site(),
                    Code.UNKNOWN);
            return null;
        }
        return line;
    }

    static Document document(SupplyLine line) {
        return new Document(
                line.kind().name().toLowerCase(java.util.Locale.ROOT),
                line.order().number(),
                line.order().line());
    }

    static Document document(CustomerLine line) {
        return new Document("customer_order", line.number(), line.line());
    }

    /** Whether a quantity is above 0; it is refused otherwise. */
    static boolean positive(Deed deed, PostingRow row, String item, String site, BigDecimal quantity) {
        if (quantity.signum() <= 0) {
            deed.refuse(row, item, site, Code.QUANTITY);
            return false;
        }
        return true;
    }
}
