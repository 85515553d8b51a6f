package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Keys that stand there twice. */
class RowKeysTest {
    private final Table stock = Table.named("stock");
    private final List<Row> rows = new ArrayList<>();
    private final RowKeys keys = new RowKeys(stock, rows);

    private boolean isNew(String item, String lot, String quantity) {
        rows.add(Row.of(stock, Map.of("item", item, "site", "MAIN", "lot", lot, "quantity", quantity)));
        return keys.isNew(rows.size() - 1);
    }

    @Test
    void ofAThousandRowsOnlyTheRepeatedOneIsNotNew() {
        for (int i = 0; i < 1_000; i++) {
            assertThat(isNew("ITEM-" + i, "", "1")).isTrue();
        }
        assertThat(isNew("ITEM-777", "", "2")).isFalse();
        assertThat(isNew("ITEM-777", "B", "2")).isTrue();
    }

    @Test
    void textsOfOneHashAreDifferentKeys() {
        // both hash to 2112
        assertThat("Aa".hashCode()).isEqualTo("BB".hashCode());
        assertThat(isNew("Aa", "", "1")).isTrue();
        assertThat(isNew("BB", "", "1")).isTrue();
        assertThat(isNew("Aa", "", "1")).isFalse();
    }

    @Test
    void itSaysTheKeyAsItStandsInTheFile() {
        isNew("HIVE", "L1", "4");
        assertThat(keys.say(rows.get(0))).isEqualTo("HIVE, MAIN, L1, , , , ");
    }
}
