package rescient.server.stock;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import rescient.core.stock.Movement;
import rescient.server.planning.Directory;

/**
 * What a posting did, in one sentence in the past tense.
 *
 * @param moved by it, as far as that is known: what does not say how much says it by them
 */
record PostingWords(Directory directory, PostingWish wish, List<Movement> moved) {
    /** @param earlier the sentence of a posting that is taken back, if it is known */
    String text(Function<UUID, Optional<String>> earlier) {
        if (wish.test() != null) {
            return wish.test().sentence();
        }
        PostingLine first = wish.lines().get(0);
        if (first.act() == StockAct.REVERSE) {
            return "Took back: " + earlier.apply(first.reverses()).orElse("a posting");
        }
        String what = what(first);
        boolean oneOrder = wish.lines().stream().allMatch(line -> Objects.equals(line.number(), first.number()));
        String on = first.number() == null || !oneOrder ? "" : " on " + first.number();
        String more = wish.lines().size() > 1 ? wish.lines().size() + " lines" : what;
        return switch (first.act()) {
            case RECEIVE -> "Received " + more + on;
            case RETURN_TO_SUPPLIER -> "Sent back " + more + on;
            case ISSUE -> "Issued " + more + on;
            case OUTPUT -> "Reported " + more + scrap(first) + on;
            case FINISH -> "Finished " + first.number();
            case SHIP_TRANSFER -> "Sent " + more + on;
            case RECEIVE_TRANSFER -> "Received " + more + scrap(first) + on;
            case SHIP -> "Shipped " + more + on;
            case RETURN_FROM_CUSTOMER -> "Took back from the customer " + more + on;
            case ADJUST -> "Adjusted " + more + because();
            case COUNT -> "Counted " + more;
            case QUARANTINE -> "Quarantined " + more + because();
            default -> "Freed " + more + because();
        };
    }

    private static String scrap(PostingLine line) {
        return line.scrapped() == null || line.scrapped().signum() == 0
                ? ""
                : ", " + StockDesk.plain(line.scrapped()).toPlainString() + " scrapped";
    }

    private String because() {
        return wish.reason() == null || wish.reason().isBlank()
                ? ""
                : ": " + wish.reason().strip();
    }

    private String what(PostingLine line) {
        String item = line.item();
        if (item == null && line.number() != null) {
            item = Stream.of("open_orders", "customer_orders")
                    .flatMap(table -> directory.facts().rows(table, "number", line.number()).stream())
                    .filter(row -> line.line() == null || row.text("line").equals(line.line()))
                    .map(row -> row.text("item"))
                    .findFirst()
                    .orElse("line " + line.line());
        }
        String quantity = line.quantity() == null
                ? all(item)
                : (line.act() == StockAct.ADJUST && line.quantity().signum() > 0 ? "+" : "")
                        + StockDesk.plain(line.quantity()).toPlainString() + " "
                        + (line.unit() == null ? "" : line.unit() + " ");
        String lot = line.lot() != null ? " lot " + line.lot() : line.serial() != null ? " " + line.serial() : "";
        return quantity + item + lot;
    }

    /** So much of an item as moved, in or out: what is made for a shipment does both. */
    private String all(String item) {
        List<BigDecimal> quantities = moved.stream()
                .filter(movement -> movement.bin().item().equals(item))
                .map(Movement::quantity)
                .toList();
        BigDecimal came = sum(quantities.stream().filter(quantity -> quantity.signum() > 0));
        BigDecimal went = sum(quantities.stream().filter(quantity -> quantity.signum() < 0))
                .negate();
        BigDecimal all = StockDesk.plain(came.max(went));
        return all.signum() == 0 ? "" : all.toPlainString() + " " + directory.unit(item) + " ";
    }

    private static BigDecimal sum(Stream<BigDecimal> quantities) {
        return quantities.reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
