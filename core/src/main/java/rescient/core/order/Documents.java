package rescient.core.order;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import rescient.core.company.Source;

/** The documents that orders are given out on. */
public final class Documents {
    private Documents() {}

    private record Purchase(String supplier, String site) {}

    /**
     * What is bought from one supplier for one site goes out on one document; every other order is one of its own. Purchases
     * come first, each kind in the order in which its first line came.
     *
     * @param order what one of them comes to
     * @param numbered whether it has a number that others know already: then it stays a document of its own
     */
    public static <T> List<List<T>> of(Collection<T> going, Function<T, OrderDraft> order, Predicate<T> numbered) {
        Map<Purchase, List<T>> purchases = new LinkedHashMap<>();
        List<List<T>> others = new ArrayList<>();
        for (T one : going) {
            OrderDraft draft = order.apply(one);
            if (draft.source() == Source.BUY && !numbered.test(one)) {
                purchases
                        .computeIfAbsent(new Purchase(draft.supplier(), draft.site()), p -> new ArrayList<>())
                        .add(one);
            } else {
                others.add(List.of(one));
            }
        }
        List<List<T>> documents = new ArrayList<>(purchases.values());
        documents.addAll(others);
        return documents;
    }
}
