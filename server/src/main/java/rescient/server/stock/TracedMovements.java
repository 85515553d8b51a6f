package rescient.server.stock;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.stock.LotTrace;
import rescient.core.stock.Movement;

/** The stock record as traces read it: by lot and by order, each only once for a trace. */
@Component
class TracedMovements {
    private static final String SELECT =
            "select number, key, date, kind, item, site, lot, serial, quantity, document, order_number, order_line"
                    + " from movements where ";

    private final JdbcTemplate database;

    TracedMovements(JdbcTemplate database) {
        this.database = database;
    }

    /** For one trace. */
    LotTrace.Record record() {
        Map<List<String>, List<Movement>> orders = new HashMap<>();
        return new LotTrace.Record() {
            @Override
            public List<Movement> ofLot(Movement.Lot lot) {
                return database.query(
                        SELECT + "item = ? and coalesce(lot, '') = ? and coalesce(serial, '') = ?"
                                + " and (lot is not null or serial is not null) order by number",
                        TracedMovements::movement,
                        lot.item(),
                        lot.lot(),
                        lot.serial());
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

    /** Of whom an order was bought, or null. */
    String supplier(String number) {
        return database
                .queryForList("select supplier from supply_orders where number = ?", String.class, number)
                .stream()
                .findFirst()
                .orElse(null);
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
