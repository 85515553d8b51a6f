package rescient.dataset;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import rescient.core.stock.EarlierPosting;

/**
 * The stock record as it is kept: movements, values and what orders cost, of which postings ask for as much as they need. Rows
 * of tables as {@link #row} makes them.
 */
public interface KeptRecord {
    /** A row of a table of the record, or of one that execution knows more of. */
    static Row row(String table, Map<String, String> cells) {
        return Row.of(ExecutionTables.all().get(table), cells);
    }

    /** The number of the last movement, 0 before the first. */
    long last();

    /** Movements of these postings, by number; no other. */
    List<Row> movementsOf(Collection<String> keys);

    /** Movements on the lines of these documents. */
    List<Row> movementsOn(Collection<String> numbers);

    /** Movements of these items after a day. */
    List<Row> movementsAfter(Collection<String> items, LocalDate day);

    /** Rows of {@code stock_values} or {@code stock_layers} of these items. */
    List<Row> ofItems(String table, Collection<String> items);

    /**
     * Rows of these documents, of {@code open_orders} and {@code closed_orders} with their components, {@code order_steps},
     * {@code in_transit}, {@code order_costs}, {@code usage} or {@code receipts}.
     */
    List<Row> ofOrders(String table, Collection<String> numbers);

    /** What is known of these postings beside their movements; only of those that are kept. */
    List<EarlierPosting> did(Collection<String> keys);

    /** The orders, done or not, that hang on lines of these customer orders. */
    List<String> hangingOn(Collection<String> customerOrders);
}
