package rescient.server.stock;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.stock.LotTrace;
import rescient.core.stock.Movement;
import rescient.server.platform.Nullable;

/** The stock record as traces read it: by lot and by order, each only once for a trace. */
@Component
public class TracedMovements {
    private static final String SELECT =
            "select number, key, date, kind, item, site, lot, serial, quantity, document, order_number, order_line"
                    + " from movements where ";

    private final JdbcTemplate database;

    TracedMovements(JdbcTemplate database) {
        this.database = database;
    }

    /** For one trace. */
    public LotTrace.Record record() {
        Map<List<String>, List<Movement>> orders = new HashMap<>();
        return new LotTrace.Record() {
            @Override
            public List<Movement> ofLot(Movement.Lot lot) {
                return ofNumber(lot);
            }

            @Override
            public List<Movement> ofOrder(String number, String line) {
                return orders.computeIfAbsent(
                        List.of(number, line == null ? "" : line),
                        order -> database.query(
                                SELECT + "order_number = ? and coalesce(order_line, '') = ? order by number",
                                TracedMovements::movement,
                                number,
                                line == null ? "" : line));
            }
        };
    }

    /** As the index has them: what is not set is null. */
    private List<Movement> ofNumber(Movement.Lot lot) {
        if (lot.lot().isEmpty() && lot.serial().isEmpty()) {
            return List.of();
        }
        List<String> values = Stream.of(lot.item(), lot.lot(), lot.serial())
                .filter(text -> !text.isEmpty())
                .toList();
        return database.query(
                SELECT + "item = ? and lot " + (lot.lot().isEmpty() ? "is null" : "= ?") + " and serial "
                        + (lot.serial().isEmpty() ? "is null" : "= ?") + " order by number",
                TracedMovements::movement,
                values.toArray());
    }

    /** Of whom an order was bought, or null. */
    @Nullable
    public String supplier(String number) {
        return database
                .queryForList("select supplier from supply_orders where number = ?", String.class, number)
                .stream()
                .findFirst()
                .orElse(null);
    }

    /** What was shipped of a line of a customer order, less what came back, in the order it went. */
    public List<Movement> shipped(String number, String line) {
        return database.query(
                SELECT
                        + "order_number = ? and order_line = ? and kind in ('shipment', 'customer_return') order by number",
                TracedMovements::movement,
                number,
                line);
    }

    private static String text(String text) {
        return text == null ? "" : text;
    }

    private static Movement movement(ResultSet row, int place) throws SQLException {
        String document = row.getString(10);
        return new Movement(
                row.getLong(1),
                row.getString(2),
                row.getDate(3).toLocalDate(),
                Movement.Kind.valueOf(row.getString(4).toUpperCase(Locale.ROOT)),
                new Movement.Bin(
                        row.getString(5), row.getString(6), text(row.getString(7)), text(row.getString(8)), false),
                row.getBigDecimal(9),
                java.math.BigDecimal.ZERO,
                document == null ? null : new Movement.Document(document, row.getString(11), row.getString(12)),
                null,
                null,
                List.of());
    }
}
