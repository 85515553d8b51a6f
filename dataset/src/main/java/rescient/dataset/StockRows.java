package rescient.dataset;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.Source;
import rescient.core.stock.Books;
import rescient.core.stock.Movement;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.SupplyLine;

/**
 * The rows of stock as movements leave them. A bin may lie in several: what was bought for one line of a customer order alone is
 * kept apart. What is taken for that line comes from there first, anything else from what is for all.
 */
final class StockRows {
    private static final Table STOCK = Table.named("stock");

    private final Facts facts;
    private final Books books;
    /** By key; a quantity of 0: nothing lies there any more. */
    private final Map<String, Row> after = new LinkedHashMap<>();

    /** A line of a customer order; both empty: for all. */
    private record For(String number, String line) {
        static final For ALL = new For("", "");
    }

    StockRows(Facts facts, Books books) {
        this.facts = facts;
        this.books = books;
    }

    List<FactChange> changes(List<Movement> movements) {
        Map<For, BigDecimal> turned = new HashMap<>();
        for (Movement movement : movements) {
            if (movement.quantity().signum() < 0) {
                Map<For, BigDecimal> taken = take(movement);
                if (movement.kind() == Movement.Kind.STATE) {
                    turned = taken;
                }
            } else if (movement.kind() == Movement.Kind.STATE) {
                turned.forEach((whose, quantity) -> put(movement.bin(), whose, quantity));
            } else if (movement.quantity().signum() > 0) {
                put(movement.bin(), whose(movement), movement.quantity());
            }
        }
        List<FactChange> changes = new ArrayList<>();
        after.values().forEach(row -> {
            Row before = facts.present(row);
            boolean gone = row.decimal("quantity").signum() == 0;
            if (before != null || !gone) {
                if (before == null || gone || !before.sameAs(row)) {
                    changes.add(FactChange.of(before, gone ? null : row));
                }
            }
        });
        return changes;
    }

    /** For whom it comes in: what was bought for one line alone, for that. */
    private For whose(Movement movement) {
        Movement.Document document = movement.document();
        if (document == null || !document.kind().equals(Source.BUY.name().toLowerCase(java.util.Locale.ROOT))) {
            return For.ALL;
        }
        return books.supplyLines().stream()
                .map(SupplyLine::order)
                .filter(order -> order.number().equals(document.number())
                        && order.line().equals(document.line())
                        && order.forOrder() != null)
                .findFirst()
                .map(order -> new For(order.forOrder(), order.forLine()))
                .orElse(For.ALL);
    }

    private Map<For, BigDecimal> take(Movement movement) {
        BigDecimal left = movement.quantity().negate();
        For first = movement.document() == null
                ? For.ALL
                : movement.document().kind().equals("customer_order")
                        ? new For(
                                movement.document().number(),
                                movement.document().line() == null
                                        ? ""
                                        : movement.document().line())
                        : whose(movement);
        Map<For, BigDecimal> taken = new LinkedHashMap<>();
        List<Row> there = new ArrayList<>(of(movement.bin()));
        there.sort(Comparator.comparing((Row row) -> !whose(row).equals(first))
                .thenComparing(row -> !whose(row).equals(For.ALL))
                .thenComparing(Row::key));
        for (Row row : there) {
            BigDecimal part = row.decimal("quantity").min(left);
            if (part.signum() > 0) {
                put(movement.bin(), whose(row), part.negate());
                taken.merge(whose(row), part, BigDecimal::add);
                left = left.subtract(part);
            }
        }
        return taken;
    }

    private static For whose(Row row) {
        return new For(row.text("for_order", ""), row.text("for_line", ""));
    }

    /** The rows of a bin, as they are by now. */
    private List<Row> of(Bin bin) {
        Map<String, Row> rows = new LinkedHashMap<>();
        facts.rows("stock", "item", bin.item()).stream()
                .filter(row -> isIn(row, bin))
                .forEach(row -> rows.put(row.key(), row));
        after.values().stream().filter(row -> isIn(row, bin)).forEach(row -> rows.put(row.key(), row));
        return List.copyOf(rows.values());
    }

    private static boolean isIn(Row row, Bin bin) {
        return row.text("item").equals(bin.item())
                && row.text("site").equals(bin.site())
                && row.text("lot", "").equals(bin.lot())
                && row.text("serial", "").equals(bin.serial())
                && row.flag("quarantined", false) == bin.quarantined();
    }

    private void put(Bin bin, For whose, BigDecimal more) {
        Row row = of(bin).stream()
                .filter(one -> whose(one).equals(whose))
                .findFirst()
                .orElseGet(() -> Row.of(
                        STOCK,
                        Map.of(
                                "item",
                                bin.item(),
                                "site",
                                bin.site(),
                                "lot",
                                bin.lot(),
                                "serial",
                                bin.serial(),
                                "quantity",
                                "0",
                                "quarantined",
                                bin.quarantined() ? "true" : "",
                                "for_order",
                                whose.number,
                                "for_line",
                                whose.line)));
        Row next = row.with("quantity", BooksWriter.said(row.decimal("quantity").add(more)))
                .with("expiry", BooksWriter.said(books.expiry(new Movement.Lot(bin.item(), bin.lot(), bin.serial()))))
                .with("received", BooksWriter.said(books.since(bin)));
        after.put(next.key(), next);
    }
}
