package rescient.core.order;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import rescient.core.company.Source;

/** What is to be known of an order before it is kept, although nothing forbids it. */
public enum Doubt {
    /** It is made, and nothing would be issued for it. */
    NO_COMPONENTS,
    /** Its supplier has no terms for the item: the price is not known, and the lead time is the stock point's. */
    NO_TERMS;

    /** @param hasTerms whether a supplier has terms for an item */
    public static List<Doubt> of(OrderDraft order, BiPredicate<String, String> hasTerms) {
        List<Doubt> doubts = new ArrayList<>();
        if (order.source().fromComponents() && order.needs().isEmpty()) {
            doubts.add(NO_COMPONENTS);
        }
        if (order.source() == Source.BUY
                && order.supplier() != null
                && !hasTerms.test(order.supplier(), order.item())) {
            doubts.add(NO_TERMS);
        }
        return doubts;
    }
}
