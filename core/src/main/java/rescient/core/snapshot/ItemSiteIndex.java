package rescient.core.snapshot;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import rescient.core.base.Parallel;
import rescient.core.base.PlanningException;

/** The numbers of the item and the site that each row of a list names. Codes are looked up once, on all cores. */
final class ItemSiteIndex {
    final int[] item;
    final int[] site;

    private ItemSiteIndex(int size) {
        item = new int[size];
        site = new int[size];
    }

    /** @throws PlanningException if an item or a site is not known */
    static <T> ItemSiteIndex of(
            List<T> rows,
            Map<String, Integer> items,
            Function<T, String> itemOf,
            Map<String, Integer> sites,
            Function<T, String> siteOf) {
        ItemSiteIndex places = new ItemSiteIndex(rows.size());
        Parallel.each(0, rows.size(), (from, to) -> {
            for (int i = from; i < to; i++) {
                places.item[i] = number(items, itemOf.apply(rows.get(i)), "item");
                places.site[i] = number(sites, siteOf.apply(rows.get(i)), "site");
            }
        });
        return places;
    }

    /** @throws PlanningException if the code has no number */
    static int number(Map<String, Integer> numbers, String code, String what) {
        Integer number = numbers.get(code);
        if (number == null) {
            throw new PlanningException("There is no " + what + " " + code);
        }
        return number;
    }
}
