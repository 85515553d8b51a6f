package rescient.core.order;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What an order needs otherwise than before, of one component.
 *
 * @param before millionths, all of it that the order needed; 0 if it needed none
 * @param after the same now
 */
public record NeedChange(String item, long before, long after) {
    /** Components of which an order needs more or less, in the order of its bill of materials now, then of that before. */
    public static List<NeedChange> between(OrderDraft before, OrderDraft after) {
        Map<String, Long> was = sums(before);
        Map<String, Long> is = sums(after);
        was.keySet().forEach(item -> is.putIfAbsent(item, 0L));
        return is.keySet().stream()
                .map(item -> new NeedChange(item, was.getOrDefault(item, 0L), is.get(item)))
                .filter(change -> change.before != change.after)
                .toList();
    }

    private static Map<String, Long> sums(OrderDraft order) {
        Map<String, Long> sums = new LinkedHashMap<>();
        order.needs().forEach(need -> sums.merge(need.item(), need.quantity(), Math::addExact));
        return sums;
    }
}
