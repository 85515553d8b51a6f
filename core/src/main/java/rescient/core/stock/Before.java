package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
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
        Set<SupplyLine> byMovements = new LinkedHashSet<>();
        byKey.forEach((key, movements) -> {
            EarlierPosting did = books.did().get(key);
            LocalDate date = did != null ? did.date() : movements.get(0).date();
            Deed deed = Deed.before(books, key, date, movements);
            boolean reversal = movements.stream().anyMatch(movement -> movement.reverses() != null)
                    || (did != null && did.reversal());
            boolean taken = movements.stream().anyMatch(movement -> reversed.contains(movement.number()))
                    || (did != null && did.reversed());
            // of what moved nothing, and of which nobody says what it changed, nothing can be taken back
            boolean unknown = movements.isEmpty() && (did == null || did.steps() == null);
            // what was taken back and what took it back make up for each other, and neither is taken back again
            if (!reversal && !taken) {
                Before before = new Before(books, deed);
                if (did == null || did.steps() == null) {
                    before.documents(movements);
                    byMovements.addAll(deed.touched());
                } else {
                    before.steps(date, did.steps());
                }
            }
            Poster.Posted one = new Poster.Posted(deed, reversal);
            one.reversed(taken || unknown);
            posted.put(key, one);
        });
        byMovements.forEach(line -> line.receiptsCost(books.company().moneyDecimals()));
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

    private static Optional<OrderPart> part(SupplyLine line, DocumentStep step) {
        return line.parts().stream()
                .filter(part -> part.component().equals(step.what()) && Objects.equals(part.step(), step.step()))
                .findFirst();
    }

    /** What movements did to their documents, with the way back; the documents know it already. */
    private void documents(List<Movement> movements) {
        Map<CustomerLine, Map<String, BigDecimal>> ofKits = new LinkedHashMap<>();
        for (Movement movement : movements) {
            Movement.Document of = movement.document();
            if (of == null) {
                continue;
            }
            if (of.kind().equals("customer_order")) {
                books.customer(of.number()).stream()
                        .filter(line -> line.line().equals(of.line()))
                        .findFirst()
                        .ifPresent(line -> customer(line, movement, ofKits));
            } else {
                books.supply(of.number()).stream()
                        .filter(line -> line.order().line().equals(of.line()))
                        .findFirst()
                        .ifPresent(line -> supply(line, movement));
            }
        }
        ofKits.forEach(this::kits);
    }

    /** The movements name parts: as many kits were shipped as these make. */
    private void kits(CustomerLine line, Map<String, BigDecimal> parts) {
        BigDecimal kits = new Sales(deed).kitsOf(line, parts);
        if (kits.signum() > 0) {
            shipped(line, new Movement.Bin(line.item(), line.site(), "", "", false), kits);
        }
    }

    private void shipped(CustomerLine line, Movement.Bin bin, BigDecimal quantity) {
        line.beganWith(BigDecimal.ZERO);
        deed.known(() -> deed.ship(line, quantity), true);
        deed.known(
                () -> deed.past(new Books.Past(Books.Past.Table.SHIPMENTS, deed.date(), null, line, bin, quantity)),
                true);
    }

    private void customer(CustomerLine line, Movement movement, Map<CustomerLine, Map<String, BigDecimal>> ofKits) {
        BigDecimal out = movement.quantity().negate();
        deed.known(() -> deed.left(line, movement.bin().ofLot(), out), false);
        if (movement.kind() != Movement.Kind.SHIPMENT) {
            return;
        }
        if (line.item().equals(movement.bin().item())) {
            shipped(line, movement.bin(), out);
        } else {
            ofKits.computeIfAbsent(line, kit -> new TreeMap<>())
                    .merge(movement.bin().item(), out, BigDecimal::add);
        }
    }

    /** It stands in the history already; taken back, it is lowered there. */
    private void past(Books.Past.Table table, Movement movement, SupplyLine order, BigDecimal quantity) {
        deed.known(
                () -> deed.past(new Books.Past(table, movement.date(), order, null, movement.bin(), quantity)), true);
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
                    past(Books.Past.Table.RECEIPTS, movement, line, quantity);
                }
            }
            case SUPPLIER_RETURN -> {
                // of what these pieces cost the part that went back
                BigDecimal credit = line.receiptsOf(lot).worth(quantity.negate(), deed.decimals());
                deed.known(() -> deed.receipt(line, lot, quantity, credit.negate()), false);
                deed.known(
                        () -> {
                            deed.cost(line, Cost.MATERIAL, credit.negate());
                            deed.cost(line, Cost.PUT_OUT, value);
                            deed.cost(line, Cost.VARIANCE, credit.negate().subtract(value));
                        },
                        true);
                past(Books.Past.Table.RECEIPTS, movement, line, quantity);
            }
            case ISSUE -> {
                past(Books.Past.Table.USAGE, movement, line, quantity.negate());
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
                past(Books.Past.Table.USAGE, movement, line, quantity.negate());
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
