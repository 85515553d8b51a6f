package rescient.core.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import rescient.core.company.Source;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;

/** A posting is taken back, all of it (posting rules, "Reversal"). */
record Reversal(Map<String, Poster.Posted> posted) {
    /** Nothing is taken back before it was done. */
    boolean isTooEarly(PostingRow row) {
        Poster.Posted of = row.reverses() == null ? null : posted.get(row.reverses());
        return row.action() == PostingRow.Action.REVERSE
                && of != null
                && row.date().isBefore(of.deed().date());
    }

    void carryOut(Deed deed, PostingRow row) {
        Poster.Posted of = row.reverses() == null ? null : posted.get(row.reverses());
        if (of == null) {
            deed.refuse(row, row.item(), row.site(), Code.UNKNOWN);
            return;
        }
        if (of.closed()) {
            deed.refuse(row, row.item(), row.site(), Code.CLOSED);
            return;
        }
        Deed before = of.deed();
        List<SupplyLine> ended = before.touched().stream()
                .filter(line -> line.kind() != Source.BUY
                        && line.finished()
                        && !before.finished().contains(line))
                .sorted(Comparator.comparing((SupplyLine line) -> line.order().number())
                        .thenComparing(line -> line.order().line()))
                .toList();
        if (!ended.isEmpty()) {
            ended.forEach(
                    line -> deed.refuse(row, line.order().item(), line.order().site(), Code.CLOSED));
            return;
        }
        of.reversed(true);
        deed.books().journal().did(() -> of.reversed(false));
        stock(deed, row, before);
        before.takeBackDocuments();
        documents(deed, row, before);
    }

    private static void stock(Deed deed, PostingRow row, Deed before) {
        Books books = deed.books();
        List<Refused> twice = new ArrayList<>();
        List<Refused> missing = new ArrayList<>();
        List<Movement> movements = before.movements();
        for (int i = movements.size() - 1; i >= 0; i--) {
            Movement movement = movements.get(i);
            Movement.Bin bin = movement.bin();
            if (movement.kind() == Kind.REVALUATION) {
                continue;
            }
            BigDecimal there = books.there(bin, deed.date());
            if (movement.quantity().signum() > 0 && there.compareTo(movement.quantity()) < 0) {
                missing.add(line(row, bin, Code.SHORT, movement.quantity(), there));
            }
            boolean comesBack =
                    movement.quantity().signum() < 0 && !bin.serial().isEmpty();
            if (comesBack && movement.kind() != Kind.STATE && lies(books, movement, before)) {
                twice.add(line(row, bin, Code.SERIAL_TWICE, null, null));
            }
            deed.takeBack(row, movement);
        }
        deed.refused().addAll(twice.isEmpty() ? missing : twice);
    }

    /** Whether a serial number lies elsewhere: on its way by this very posting it does not. */
    private static boolean lies(Books books, Movement movement, Deed before) {
        Lot lot = movement.bin().ofLot();
        boolean sent = movement.kind() == Kind.TRANSFER_OUT
                && before.held().values().stream()
                        .anyMatch(held -> held.lot().equals(lot)
                                && held.added().signum() > 0
                                && held.left().signum() > 0);
        return books.lots().lies(lot) && !sent;
    }

    private static Refused line(PostingRow row, Movement.Bin bin, Code code, BigDecimal wanted, BigDecimal there) {
        return new Refused(
                row.key(),
                bin.item(),
                bin.site(),
                bin.lot().isEmpty() ? null : bin.lot(),
                bin.serial().isEmpty() ? null : bin.serial(),
                code,
                wanted,
                there);
    }

    /** Parts that were put out, goods on their way and what was returned may be gone. */
    private static void documents(Deed deed, PostingRow row, Deed before) {
        if (deed.refused().stream().anyMatch(one -> one.code() == Code.SERIAL_TWICE)) {
            return;
        }
        before.held().values().stream()
                .filter(held -> held.left().signum() < 0)
                .sorted(Comparator.comparing((Deed.Held held) -> held.lot().item())
                        .thenComparing(held -> held.lot().lot())
                        .thenComparing(held -> held.lot().serial()))
                .forEach(held -> {
                    int decimals = deed.company().item(held.lot().item()).decimals();
                    deed.refused()
                            .add(new Refused(
                                    row.key(),
                                    held.lot().item(),
                                    null,
                                    held.lot().lot().isEmpty()
                                            ? null
                                            : held.lot().lot(),
                                    held.lot().serial().isEmpty()
                                            ? null
                                            : held.lot().serial(),
                                    Code.SHORT,
                                    held.added(),
                                    OrderPart.whole(
                                            held.left().add(held.added()).max(BigDecimal.ZERO), decimals)));
                });
    }
}
