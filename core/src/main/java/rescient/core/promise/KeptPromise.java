package rescient.core.promise;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;

/**
 * What became of a promise: the day the customer was told, held against what was shipped to him. What comes back later does
 * not change it, and neither does another day that he was told when the first was over: the line has one promise, the last.
 *
 * @param ordered in all, in the item's unit
 * @param inTime shipped by the promised day, never more than was ordered
 * @param shipped in all
 * @param last the day on which the last of it went; null: nothing did
 * @param days calendar days after the promised day; 0 or less: not after it. Of what is still open: so far. Of what was closed
 *     with less, until the last of it went
 */
public record KeptPromise(
        OrderFacts.CustomerOrder line,
        BigDecimal ordered,
        BigDecimal inTime,
        BigDecimal shipped,
        LocalDate last,
        Turned turned,
        int days) {
    /** How it turned out. */
    public enum Turned {
        /** All of it went by the promised day. */
        KEPT,
        /** All of it went, and not all by that day. */
        LATE,
        /** The line was closed with less than was ordered. */
        SHORT,
        /** The day is over and not all of it went. */
        OVERDUE
    }

    /** What was ordered and never went, or not yet; 0 if more went. */
    public BigDecimal left() {
        return ordered.subtract(shipped).max(BigDecimal.ZERO);
    }

    /**
     * @param shipments of this line
     * @return empty if nothing was promised, if it was taken back, or if the day is not over and not all of it went
     */
    public static Optional<KeptPromise> of(
            OrderFacts.CustomerOrder line, Collection<StockFacts.Shipment> shipments, LocalDate today) {
        LocalDate promised = line.agreed().promisedDate();
        boolean done = line.state() == OrderFacts.OrderState.DONE;
        if (promised == null || !(done || line.counts())) {
            return Optional.empty();
        }
        List<StockFacts.Shipment> inTurn = shipments.stream()
                .sorted(Comparator.comparing(StockFacts.Shipment::date))
                .toList();
        BigDecimal shipped = sum(inTurn);
        BigDecimal ordered = line.agreed().ordered() != null
                ? line.agreed().ordered()
                : line.quantity().add(shipped);
        BigDecimal inTime = sum(inTurn.stream()
                        .filter(one -> !one.date().isAfter(promised))
                        .toList())
                .min(ordered);
        LocalDate last = inTurn.isEmpty() ? null : inTurn.get(inTurn.size() - 1).date();
        LocalDate whole = whole(inTurn, ordered);
        Turned turned;
        LocalDate until;
        if (whole != null) {
            until = whole;
            turned = whole.isAfter(promised) ? Turned.LATE : Turned.KEPT;
        } else if (done) {
            until = last == null ? promised : last;
            turned = Turned.SHORT;
        } else if (today.isAfter(promised)) {
            until = today;
            turned = Turned.OVERDUE;
        } else {
            return Optional.empty();
        }
        int days = Math.toIntExact(ChronoUnit.DAYS.between(promised, until));
        return Optional.of(new KeptPromise(line, ordered, inTime, shipped, last, turned, days));
    }

    private static BigDecimal sum(Collection<StockFacts.Shipment> shipments) {
        return shipments.stream().map(StockFacts.Shipment::quantity).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The day on which all of it had gone; null: it has not. */
    private static LocalDate whole(List<StockFacts.Shipment> inTurn, BigDecimal ordered) {
        BigDecimal so = BigDecimal.ZERO;
        for (StockFacts.Shipment one : inTurn) {
            so = so.add(one.quantity());
            if (so.compareTo(ordered) >= 0) {
                return one.date();
            }
        }
        return null;
    }
}
