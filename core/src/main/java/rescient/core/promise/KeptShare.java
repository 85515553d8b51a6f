package rescient.core.promise;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.function.Function;
import rescient.core.company.OrderFacts;
import rescient.core.promise.KeptPromise.Turned;

/**
 * How well promises were kept, all of a month, of a customer, of a group of items.
 *
 * @param lines that were promised and can be judged: kept, late, closed short or overdue
 * @param medianDays after the promised day of those that were late or are overdue, the lower of two in the middle; null: none is
 * @param value of what was promised, in the company's currency; lines without a price count 0
 * @param inTime the value of what of it went by the promised day
 */
public record KeptShare(
        int lines, int kept, int late, int cut, int overdue, Integer medianDays, BigDecimal value, BigDecimal inTime) {
    /** So many of a hundred lines were kept, half up; null: there are none. */
    public Integer percent() {
        return lines == 0 ? null : (Integer) Math.toIntExact(Math.round(kept * 100.0 / lines));
    }

    /** What was promised and did not go by its day. */
    public BigDecimal notInTime() {
        return value.subtract(inTime);
    }

    /** @param price of one of a line in the item's unit; null: not known */
    public static KeptShare of(Collection<KeptPromise> promises, Function<OrderFacts.CustomerOrder, BigDecimal> price) {
        int[] turned = new int[Turned.values().length];
        BigDecimal value = BigDecimal.ZERO;
        BigDecimal inTime = BigDecimal.ZERO;
        for (KeptPromise one : promises) {
            turned[one.turned().ordinal()]++;
            BigDecimal each = price.apply(one.line());
            if (each != null) {
                value = value.add(each.multiply(one.ordered()));
                inTime = inTime.add(each.multiply(one.inTime()));
            }
        }
        int[] days = promises.stream()
                .filter(one -> one.turned() == Turned.LATE || one.turned() == Turned.OVERDUE)
                .mapToInt(KeptPromise::days)
                .sorted()
                .toArray();
        return new KeptShare(
                promises.size(),
                turned[Turned.KEPT.ordinal()],
                turned[Turned.LATE.ordinal()],
                turned[Turned.SHORT.ordinal()],
                turned[Turned.OVERDUE.ordinal()],
                days.length == 0 ? null : (Integer) days[(days.length - 1) / 2],
                value,
                inTime);
    }
}
