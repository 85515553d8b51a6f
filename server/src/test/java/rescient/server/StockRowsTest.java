package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import rescient.dataset.DatasetReader;
import rescient.dataset.Row;

/** What a posting does to the rows of stock in the database: to those that it moves, however many there are. */
class StockRowsTest extends ServerTest {
    private static final String FOUND = "{'act':'ADJUST','item':'%s','site':'LARKMOOR','quantity':%s}";
    private static final String OF_LOT = "{'act':'ADJUST','item':'SYRUP-5','site':'LARKMOOR','lot':'%s','quantity':%s}";

    private void post(String... lines) throws Exception {
        Reply reply = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'found','lines':[" + String.join(",", lines) + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
    }

    private List<Map<String, Object>> syrup() {
        return jdbc.queryForList(
                "select id, lot, quantity from stock where item = 'SYRUP-5' and site = 'LARKMOOR' order by lot");
    }

    /** Each of ten lines asks no more than one alone does: what is asked is asked for all at once. */
    @Test
    void manyLinesAskTheDatabaseAsOftenAsOne() throws Exception {
        post(String.format(FOUND, "MOTOR-180", 1));
        Statements.prepared();
        post(String.format(FOUND, "MOTOR-180", 1));
        List<String> one = Statements.prepared();
        assertThat(one).anyMatch(sql -> sql.startsWith("insert into movements"));
        List<String> items = jdbc.queryForList(
                "select s.item from stock s join items i on i.code = s.item where s.site = 'LARKMOOR' and"
                        + " coalesce(i.tracking, 'none') = 'none' order by s.item limit 10",
                String.class);
        Statements.prepared();
        post(items.stream().map(item -> String.format(FOUND, item, 1)).toArray(String[]::new));
        assertThat(Statements.prepared()).hasSizeLessThanOrEqualTo(one.size());
    }

    @Test
    void ofTwoLotsOnlyTheOneThatMovesIsWritten() throws Exception {
        List<Map<String, Object>> before = syrup();
        assertThat(before).extracting(row -> row.get("lot")).containsExactly("S-2605", "S-2611");
        post(String.format(OF_LOT, "S-2605", 5));
        assertThat(syrup())
                .extracting(row -> row.get("id"))
                .isEqualTo(before.stream().map(row -> row.get("id")).toList());
        assertThat((BigDecimal) syrup().get(0).get("quantity")).isEqualByComparingTo("75");
        post(String.format(OF_LOT, "S-2605", -75));
        assertThat(syrup())
                .extracting(row -> row.get("id"))
                .containsExactly(before.get(1).get("id"));
        post(String.format(OF_LOT, "S-2605", 2));
        assertThat(syrup()).hasSize(2);
        assertThat((BigDecimal) syrup().get(0).get("quantity")).isEqualByComparingTo("2");
    }

    /** Whether it says no or says nothing, free stock of a lot is the same. */
    @Test
    void whatIsSaidNotToBeSetAsideIsTheSameRow() throws Exception {
        List<Row> rows = DatasetReader.read(DEMO).rows("stock").stream()
                .map(row -> "S-2605".equals(row.text("lot")) ? row.with("quarantined", "false") : row)
                .toList();
        store.replace(DatasetReader.read(DEMO).with("stock", rows), "Larkmoor Hives", true);
        knowing();
        post(String.format(OF_LOT, "S-2605", 5));
        post(String.format(OF_LOT, "S-2605", -3));
        assertThat(syrup()).hasSize(2);
        assertThat((BigDecimal) syrup().get(0).get("quantity")).isEqualByComparingTo("72");
        post(String.format(OF_LOT, "S-2605", -72));
        assertThat(syrup()).extracting(row -> row.get("lot")).containsExactly("S-2611");
    }
}
