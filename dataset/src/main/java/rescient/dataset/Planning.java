package rescient.dataset;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.ItemFacts;
import rescient.core.company.PlanningData;

/**
 * How a stock point is planned: its row, and the defaults of its item's group behind it.
 *
 * @param row of the stock point itself
 */
record Planning(Row row, String item, String site, ItemFacts.Planned planned) {
    private static final Codec<ItemFacts.Planning> ROWS = Codec.of(ItemFacts.Planning.class);
    private static final Codec<ItemFacts.ItemGroup> GROUPS = Codec.of(ItemFacts.ItemGroup.class);

    private static Planning of(Row row, ItemFacts.Planned group) {
        ItemFacts.Planning own = ROWS.read(row);
        return new Planning(row, own.item(), own.site(), own.planned().or(group));
    }

    /** All planning rows of a dataset, in its order. */
    static List<Planning> of(Dataset dataset) {
        Map<String, ItemFacts.Planned> groups = new HashMap<>();
        dataset.rows("item_groups")
                .forEach(g -> groups.put(g.text("code"), GROUPS.read(g).planned()));
        Map<String, ItemFacts.Planned> groupOfItem = new HashMap<>();
        if (!groups.isEmpty()) {
            dataset.rows("items").forEach(i -> groupOfItem.put(i.text("code"), groups.get(i.text("group", ""))));
        }
        return dataset.rows("planning").stream()
                .map(row -> of(row, groupOfItem.get(row.text("item"))))
                .toList();
    }

    /** A planning row with what the company says of its item's group. */
    static Planning of(Facts facts, Row row) {
        String group = facts.row("items", row.text("item")).text("group");
        return of(
                row,
                group == null
                        ? null
                        : GROUPS.read(facts.row("item_groups", group)).planned());
    }

    PlanningData data() {
        return PlanningData.of(item, site, planned);
    }
}
