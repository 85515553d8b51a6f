package rescient.core.order;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/**
 * What became of a line of a purchase order: what came of it and when, held against the day that its supplier promised first,
 * or that was wanted if he never promised any. What he said later does not excuse him.
 *
 * @param came what of it came, the first first
 * @param inTime came by that day, never more than was ordered
 * @param received in all, also what went back again
 * @param turned how it turned out; null: its day is not over, or nobody knows it
 * @param days calendar days after its day; below 0: before it. Of what is still open: so far; 0 where {@code turned} is null
 */
public record DeliveredLine(
        Bought line, List<Came> came, BigDecimal inTime, BigDecimal received, Turned turned, int days) {
    /**
     * The line, as it was bought. Quantities in the item's unit, values in the company's currency.
     *
     * @param wanted null: only what came of it is known
     * @param firstConfirmed null: he never promised a day
     * @param done nothing more comes of it
     * @param value of what was ordered, at the price agreed; null: no price is known
     * @param listValue the same by the price list; null: the list has no price
     * @param returned what went back to him
     * @param doubtful what was put into quarantine of it, when it came or later
     */
    public record Bought(
            String number,
            String line,
            String supplier,
            String item,
            String site,
            BigDecimal ordered,
            LocalDate wanted,
            LocalDate firstConfirmed,
            boolean done,
            BigDecimal value,
            BigDecimal listValue,
            BigDecimal returned,
            BigDecimal doubtful) {
        /** The day that it is judged by; null: nobody knows one. */
        public LocalDate by() {
            return firstConfirmed == null ? wanted : firstConfirmed;
        }
    }

    /**
     * What came of it on a day.
     *
     * @param sent when the order had gone to the supplier
     * @param on not before {@code sent}
     */
    public record Came(LocalDate sent, LocalDate on, BigDecimal quantity) {
        /** Calendar days from sending to receiving. */
        public int leadDays() {
            return Math.toIntExact(ChronoUnit.DAYS.between(sent, on));
        }
    }

    /** How it turned out. */
    public enum Turned {
        /** All of it came by its day. */
        IN_TIME,
        /** All of it came, and not all by that day. */
        LATE,
        /** It was closed with less than was ordered. */
        SHORT,
        /** The day is over and not all of it came. */
        OVERDUE
    }

    public DeliveredLine {
        came = List.copyOf(came);
    }

    /** More came than was ordered, and stayed. */
    public boolean over() {
        return received.subtract(line.returned()).compareTo(line.ordered()) > 0;
    }

    /** The day on which the last of it came; null: nothing did. */
    public LocalDate last() {
        return came.isEmpty() ? null : came.get(came.size() - 1).on();
    }

    /** What became of a line on a day. */
    public static DeliveredLine of(Bought line, Collection<Came> receipts, LocalDate today) {
        List<Came> came =
                receipts.stream().sorted(Comparator.comparing(Came::on)).toList();
        BigDecimal received = sum(came);
        LocalDate by = line.by();
        if (by == null) {
            return new DeliveredLine(line, came, BigDecimal.ZERO, received, null, 0);
        }
        BigDecimal inTime =
                sum(came.stream().filter(one -> !one.on().isAfter(by)).toList()).min(line.ordered());
        LocalDate whole = whole(came, line.ordered());
        Turned turned = null;
        LocalDate until = by;
        if (whole != null) {
            turned = whole.isAfter(by) ? Turned.LATE : Turned.IN_TIME;
            until = whole;
        } else if (line.done()) {
            turned = Turned.SHORT;
            until = came.isEmpty() ? by : came.get(came.size() - 1).on();
        } else if (today.isAfter(by)) {
            turned = Turned.OVERDUE;
            until = today;
        }
        return new DeliveredLine(
                line, came, inTime, received, turned, Math.toIntExact(ChronoUnit.DAYS.between(by, until)));
    }

    private static BigDecimal sum(Collection<Came> came) {
        return came.stream().map(Came::quantity).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The day on which all of it had come; null: it has not. */
    private static LocalDate whole(List<Came> came, BigDecimal ordered) {
        BigDecimal so = BigDecimal.ZERO;
        for (Came one : came) {
            so = so.add(one.quantity());
            if (so.compareTo(ordered) >= 0) {
                return one.on();
            }
        }
        return null;
    }
}
