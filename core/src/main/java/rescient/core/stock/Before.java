package rescient.core.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.stock.SupplyLine.Cost;

/**
 * Postings that were carried out before the books began, as far as their movements tell: so they are known by their keys, and
 * can be taken back.
 */
final class Before {
    private final Books books;
    private final Deed deed;

    private Before(Books books, Deed deed) {
        this.books = books;
        this.deed = deed;
    }

    static Map<String, Poster.Posted> of(Books books) {
        Map<String, List<Movement>> byKey = new LinkedHashMap<>();
        Set<Long> reversed = new HashSet<>();
        for (Movement movement : books.movements()) {
            byKey.computeIfAbsent(movement.key(), key -> new ArrayList<>()).add(movement);
            if (movement.reverses() != null) {
                reversed.add(movement.reverses());
            }
        }
        Map<String, Poster.Posted> posted = new HashMap<>();
        byKey.forEach((key, movements) -> {
            Deed deed = Deed.before(books, key, movements);
            new Before(books, deed).documents(movements);
            Poster.Posted one =
                    new Poster.Posted(deed, movements.stream().anyMatch(movement -> movement.reverses() != null));
            one.reversed(movements.stream().anyMatch(movement -> reversed.contains(movement.number())));
            posted.put(key, one);
        });
        books.journal().keep();
        return posted;
    }

    /** What movements did to their documents, with the way back; the documents know it already. */
    private void documents(List<Movement> movements) {
        for (Movement movement : movements) {
            Movement.Document of = movement.document();
            if (of == null) {
                continue;
            }
            if (of.kind().equals("customer_order")) {
                books.customer(of.number()).stream()
                        .filter(line -> line.line().equals(of.line()))
                        .findFirst()
                        .ifPresent(line -> customer(line, movement));
            } else {
                books.supply(of.number()).stream()
                        .filter(line -> line.order().line().equals(of.line()))
                        .findFirst()
                        .ifPresent(line -> supply(line, movement));
            }
        }
    }

    private void customer(CustomerLine line, Movement movement) {
        BigDecimal out = movement.quantity().negate();
        deed.known(() -> deed.left(line, movement.bin().ofLot(), out), false);
        if (movement.kind() == Movement.Kind.SHIPMENT
                && line.item().equals(movement.bin().item())) {
            line.beganWith(BigDecimal.ZERO);
            deed.known(() -> deed.ship(line, out), true);
            if (line.ended() != null) {
                deed.wayBack(() -> line.end(null));
            }
        }
    }

    private void supply(SupplyLine line, Movement movement) {
        BigDecimal quantity = movement.quantity();
        BigDecimal value = movement.value();
        Movement.Lot lot = movement.bin().ofLot();
        deed.touch(line);
        switch (movement.kind()) {
            case RECEIPT, OUTPUT -> {
                if (line.isMade()) {
                    deed.known(() -> deed.cost(line, Cost.PUT_OUT, value), true);
                } else {
                    deed.known(() -> deed.receipt(line, lot, quantity, value), false);
                    deed.known(
                            () -> {
                                deed.cost(line, Cost.MATERIAL, value);
                                deed.cost(line, Cost.PUT_OUT, value);
                            },
                            true);
                }
                deed.known(() -> deed.come(line, quantity, quantity), true);
                if (line.ended() != null && !line.finished()) {
                    deed.wayBack(() -> line.end(null, false));
                }
            }
            case SUPPLIER_RETURN -> deed.known(() -> deed.receipt(line, lot, quantity, value), false);
            case ISSUE -> {
                deed.known(() -> deed.issued(line, lot, quantity.negate(), value.negate()), false);
                line.parts().stream()
                        .filter(part -> part.component().equals(lot.item()))
                        .findFirst()
                        .ifPresent(part -> deed.known(
                                () -> {
                                    deed.part(line, part, quantity.negate(), BigDecimal.ZERO, value.negate());
                                    deed.cost(line, Cost.MATERIAL, value.negate());
                                },
                                true));
            }
            case TRANSFER_OUT -> {
                line.parts().stream()
                        .filter(part -> part.component().equals(lot.item()))
                        .findFirst()
                        .ifPresent(part -> deed.known(
                                () -> deed.part(line, part, quantity.negate(), quantity.negate(), BigDecimal.ZERO),
                                true));
                deed.known(
                        () -> {
                            deed.way(line, lot, quantity.negate(), value.negate(), books.expiry(lot));
                            deed.cost(line, Cost.MATERIAL, value.negate());
                        },
                        true);
            }
            case TRANSFER_IN ->
                deed.known(
                        () -> {
                            deed.way(line, lot, quantity.negate(), value.negate(), null);
                            deed.cost(line, Cost.PUT_OUT, value);
                            deed.come(line, quantity, quantity);
                        },
                        true);
            default -> {
                // it touches no order
            }
        }
    }
}
