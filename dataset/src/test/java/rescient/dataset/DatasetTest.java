package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.Ratio;

class DatasetTest {

    private static List<Row> rows(String table, String csv) {
        String[] lines = csv.split("\n");
        String[] names = lines[0].split(",");
        List<Row> rows = new ArrayList<>();
        for (String line : List.of(lines).subList(1, lines.length)) {
            String[] values = line.split(",", -1);
            Map<String, String> byName = new HashMap<>();
            for (int i = 0; i < names.length; i++) {
                byName.put(names[i], values[i]);
            }
            rows.add(Row.of(Table.named(table), byName));
        }
        return rows;
    }

    @Test
    void movingADatasetMovesItsDatesAndNothingElse() {
        Dataset dataset = new Dataset(Map.of(
                "settings", rows("settings", "key,value\ntoday,2026-03-02\ncurrency,EUR\n"),
                "stock", rows("stock", "item,site,lot,quantity,expiry\nA,W,2026-03-02,5,2026-03-09\nB,W,,5,\n")));
        Dataset moved = dataset.moved(14);
        assertThat(moved.setting("today")).isEqualTo("2026-03-16");
        assertThat(moved.setting("currency")).isEqualTo("EUR");
        assertThat(moved.rows("stock").get(0).text("expiry")).isEqualTo("2026-03-23");
        // a lot number that looks like a date is none
        assertThat(moved.rows("stock").get(0).text("lot")).isEqualTo("2026-03-02");
        assertThat(moved.rows("stock").get(1).text("expiry")).isNull();
    }

    @Test
    void conversionsAreTheItemsOwnThenGeneralAsGivenThenInverted() {
        Units units = new Units(
                new Dataset(
                        Map.of(
                                "units", rows("units", "code,decimals\npcs,0\nbox,0\nkg,3\ng,0\n"),
                                "unit_conversions",
                                        rows(
                                                "unit_conversions",
                                                "item,from_unit,to_unit,factor\n,box,pcs,12\nA,box,pcs,500\nB,pcs,box,0.01\n,kg,g,1000\n"))));
        assertThat(units.factor("A", "box", "pcs")).isEqualTo(new Ratio(500, 1));
        assertThat(units.factor("B", "box", "pcs")).isEqualTo(new Ratio(100, 1));
        assertThat(units.factor("C", "box", "pcs")).isEqualTo(new Ratio(12, 1));
        assertThat(units.factor("C", "g", "kg")).isEqualTo(new Ratio(1, 1000));
        assertThat(units.factor("C", "pcs", "pcs")).isEqualTo(Ratio.ONE);
        assertThat(units.factor("C", "kg", "pcs")).isNull();
    }

    @Test
    void aTableThatIsMissingIsEmptyAndOneThatDoesNotExistAnError() {
        Dataset dataset = new Dataset(Map.of());
        assertThat(dataset.rows("stock")).isEmpty();
        assertThat(dataset.setting("today")).isNull();
        assertThatThrownBy(() -> dataset.rows("stok")).hasMessageContaining("stok");
    }

    @Test
    void everyReferenceNamesATableThatStandsBefore() {
        for (Table table : Table.ALL) {
            for (Column column : table.columns()) {
                if (column.references() != null) {
                    int here = Table.ALL.indexOf(table);
                    int there = Table.ALL.indexOf(Table.named(column.references()));
                    assertThat(there).as(table.name() + "." + column.name()).isBetween(0, here - 1);
                }
            }
        }
    }
}
