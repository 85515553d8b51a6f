package rescient.server.stock;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.stock.Books;
import rescient.core.stock.StockValue;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.Cause;
import rescient.server.platform.CompanyChanged;

/**
 * What stock is worth where its rows are changed as data, and not by a posting: each piece is worth as much as before, and where
 * nothing lay its standard cost. Layers are laid anew from the rows. In the transaction of the change.
 */
@Component
class ValuesFollow {
    private final JdbcTemplate database;
    private final RecordedStock recorded;

    ValuesFollow(JdbcTemplate database, RecordedStock recorded) {
        this.database = database;
        this.recorded = recorded;
    }

    @EventListener
    void changed(CompanyChanged change) {
        boolean ofStock = change.changes() != null
                && change.changes().stream().anyMatch(one -> one.table().name().equals("stock"));
        if (!ofStock || isPosting(change.revision())) {
            return;
        }
        Map<String, BigDecimal> values = recorded.values(change.changes().stream()
                .filter(one -> one.table().name().equals("stock"))
                .map(one -> one.any().text("item"))
                .distinct()
                .toList());
        Map<Books.Point, BigDecimal> more = new LinkedHashMap<>();
        for (FactChange one : change.changes()) {
            if (one.table().name().equals("stock")) {
                Books.Point point =
                        new Books.Point(one.any().text("item"), one.any().text("site"));
                if (values.containsKey(point.item() + '\0' + point.site())) {
                    more.merge(point, sum(one.after()).subtract(sum(one.before())), BigDecimal::add);
                }
            }
        }
        more.forEach((point, quantity) -> follow(point, values.get(point.item() + '\0' + point.site()), quantity));
    }

    private boolean isPosting(long revision) {
        return database.queryForList("select kind from plan_causes where revision = ?", String.class, revision)
                .contains(Cause.Kind.POSTING.name());
    }

    private static BigDecimal sum(List<Row> rows) {
        return rows.stream().map(row -> row.decimal("quantity")).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private void follow(Books.Point point, BigDecimal value, BigDecimal more) {
        BigDecimal now = database.queryForObject(
                "select coalesce(sum(quantity), 0) from stock where item = ? and site = ?",
                BigDecimal.class,
                point.item(),
                point.site());
        BigDecimal cost = database.queryForObject(
                "select coalesce(standard_cost, 0) from items where code = ?", BigDecimal.class, point.item());
        int decimals = StockValue.decimals(
                database.queryForList("select value from settings where key = 'currency'", String.class).stream()
                        .findFirst()
                        .orElse(null));
        BigDecimal worth = StockValue.following(value, now.subtract(more), now, cost, decimals);
        database.update(
                "update stock_values set value = ? where item = ? and site = ?", worth, point.item(), point.site());
        database.update("delete from stock_layers where item = ? and site = ?", point.item(), point.site());
    }
}
