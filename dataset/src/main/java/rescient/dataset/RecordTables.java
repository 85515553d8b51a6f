package rescient.dataset;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The tables of the stock record: what moved, what it is worth, and orders that are done. They belong to a dataset, but no plan
 * depends on them, and a company does not hold them in memory.
 */
public final class RecordTables {
    public static final List<Table> ALL = List.of(
                    "closed_orders",
                    "closed_order_components",
                    "closed_customer_orders",
                    "postings",
                    "posting_steps",
                    "movements",
                    "stock_values",
                    "stock_layers",
                    "order_costs",
                    "order_steps",
                    "in_transit",
                    "usage",
                    "receipts")
            .stream()
            .map(ExecutionTables.all()::get)
            .toList();

    private static final Map<String, Table> BY_NAME =
            ALL.stream().collect(Collectors.toUnmodifiableMap(Table::name, Function.identity()));

    private RecordTables() {}

    /** One of them, or null. */
    public static Table named(String name) {
        return BY_NAME.get(name);
    }

    /** Whether a dataset may have a table of this name. */
    static boolean mayBe(String name) {
        return Table.named(name) != null || BY_NAME.containsKey(name);
    }
}
