package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
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
        books.did().values().stream()
                .filter(did -> !byKey.containsKey(did.key()))
                .forEach(did -> byKey.put(did.key(), List.of()));
        byKey.forEach((key, movements) -> {
            Books.Did did = books.did().get(key);
            LocalDate date = did != null ? did.date() : movements.get(0).date();
            Deed deed = Deed.before(books, key, date, movements);
            if (did == null || did.steps() == null) {
                new Before(books, deed).documents(movements);
            } else {
                new Before(books, deed).steps(date, did.steps());
            }
            boolean reversal = movements.stream().anyMatch(movement -> movement.reverses() != null);
            Poster.Posted one = new Poster.Posted(deed, reversal || (did != null && did.reversal()));
            one.reversed((did != null && did.reversed())
                    || movements.stream().anyMatch(movement -> reversed.contains(movement.number())));
            posted.put(key, one);
        });
        books.journal().keep();
        return posted;
    }

    /** What a posting is known to have changed on documents, with the way back; the documents know it already. */
    private void steps(LocalDate date, List<DocumentStep> steps) {
        for (DocumentStep step : steps) {
            books.supply(step.number()).stream()
                    .filter(line -> line.order().line().equals(step.line()))
                    .findFirst()
                    .ifPresent(line -> supply(line, date, step));
            books.customer(step.number()).stream()
                    .filter(line -> line.line().equals(step.line()))
                    .findFirst()
                    .ifPresent(line -> customer(line, date, step));
        }
    }

    private void supply(SupplyLine line, LocalDate date, DocumentStep step) {
        Movement.Lot lot = lot(step);
        int at = step.step() == null ? 0 : step.step();
        switch (step.kind()) {
            case COME -> deed.known(() -> deed.come(line, step.a(), step.b()), true);
            case SCRAP -> deed.known(() -> deed.scrap(line, step.a()), true);
            case COST -> deed.known(() -> deed.cost(line, Cost.valueOf(step.what()), step.a()), true);
            case PART ->
                part(line, step)
                        .ifPresent(part -> deed.known(() -> deed.part(line, part, step.a(), step.b(), step.c()), true));
            case PLANNED -> part(line, step).ifPresent(part -> deed.wayBack(() -> line.planned(part, step.b())));
            // what was moved of lots is counted by movements
            case ISSUED -> deed.known(() -> deed.issued(line, lot, step.a(), step.b()), false);
            case RECEIPT -> deed.known(() -> deed.receipt(line, lot, step.a(), step.b()), false);
            case WAY -> deed.known(() -> deed.way(line, lot, step.a(), step.b(), books.expiry(lot)), true);
            case REPORT -> deed.known(() -> deed.report(line, at, step.a(), step.b()), true);
            case BOOK -> deed.known(() -> deed.book(line, at, step.a()), true);
            case MINUTES -> deed.lessMinutes(line, at, step.a(), step.b().signum() > 0);
            case END -> deed.ended(line, step.a().signum() > 0);
            case PAST -> deed.known(() -> deed.past(past(date, step, line, null)), true);
            default -> {
                // of a customer order
            }
        }
    }

    private void customer(CustomerLine line, LocalDate date, DocumentStep step) {
        switch (step.kind()) {
            case SHIP -> deed.known(() -> deed.ship(line, step.a()), true);
            case LEFT -> deed.known(() -> deed.left(line, lot(step), step.a()), false);
            case PAST -> deed.known(() -> deed.past(past(date, step, null, line)), true);
            default -> {
                // of an order
            }
        }
    }

    private static Movement.Lot lot(DocumentStep step) {
        return step.item() == null ? null : new Movement.Lot(step.item(), step.lot(), step.serial());
    }

    private static Books.Past past(LocalDate date, DocumentStep step, SupplyLine order, CustomerLine line) {
        return new Books.Past(
                Books.Past.Table.valueOf(step.what()),
                date,
                order,
                line,
                new Movement.Bin(step.item(), step.site(), step.lot(), step.serial(), false),
                step.a());
    }

    private static Optional<SupplyLine.Part> part(SupplyLine line, DocumentStep step) {
        return line.parts().stream()
                .filter(part -> part.component().equals(step.what()) && Objects.equals(part.step(), step.step()))
                .findFirst();
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
            past(Books.Past.Table.SHIPMENTS, movement, null, line, out);
        }
    }

    /** It stands in the history already; taken back, it is lowered there. */
    private void past(
            Books.Past.Table table, Movement movement, SupplyLine order, CustomerLine line, BigDecimal quantity) {
        deed.known(
                () -> deed.past(new Books.Past(table, movement.date(), order, line, movement.bin(), quantity)), true);
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
                if (movement.kind() == Movement.Kind.RECEIPT) {
                    past(Books.Past.Table.RECEIPTS, movement, line, null, quantity);
                }
            }
            case SUPPLIER_RETURN -> {
                deed.known(() -> deed.receipt(line, lot, quantity, value), false);
                past(Books.Past.Table.RECEIPTS, movement, line, null, quantity);
            }
            case ISSUE -> {
                past(Books.Past.Table.USAGE, movement, line, null, quantity.negate());
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
                past(Books.Past.Table.USAGE, movement, line, null, quantity.negate());
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
