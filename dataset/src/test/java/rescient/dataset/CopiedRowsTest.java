package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;

class CopiedRowsTest {
    private static final Table STOCK = Table.named("stock");

    private final CopiedRows copied = new CopiedRows();

    private Row row(Table table, String text) {
        return copied.row(table, text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsNotSetIsEmptyAndFlagsAndDecimalsReadAsInADataset() {
        Row row = row(STOCK, "BRG-6202\tEAST\tL-1\t\t12.500000\t2026-03-20\tt\tSO-7\t1\t2026-01-09\n");
        assertThat(row.values())
                .containsExactly(
                        "BRG-6202", "EAST", "L-1", "", "12.5", "2026-03-20", "true", "SO-7", "1", "2026-01-09");
        Row bare = row(STOCK, "BRG-6202\tEAST\t\\N\t\\N\t7\t\\N\tf\t\\N\t\\N\t\\N\n");
        assertThat(bare.values()).containsExactly("BRG-6202", "EAST", "", "", "7", "", "false", "", "", "");
        assertThat(bare.text("lot")).isNull();
        assertThat(bare.day("expiry", -1)).isEqualTo(-1);
        assertThat(bare.flag("quarantined", true)).isFalse();
    }

    @Test
    void theLastColumnMayBeNotSetWithoutALineFeed() {
        assertThat(row(STOCK, "A\tEAST\t\t\t1\t\\N\t\\N\t\\N\t\\N\t\\N").values())
                .containsExactly("A", "EAST", "", "", "1", "", "", "", "", "");
    }

    @Test
    void quantitiesAreExactWhateverTheirLength() {
        for (String text :
                List.of("0", "0.000001", "12.5", "-3", "123456789012", "1234567890123.5", "4.100000000000")) {
            Row row = row(STOCK, "A\tEAST\t\\N\t\\N\t" + text + "\t\\N\t\\N\t\\N\t\\N\n");
            assertThat(row.quantity("quantity", 0)).as(text).isEqualTo(Quantity.of(new java.math.BigDecimal(text)));
        }
    }

    @Test
    void daysAreThoseOfTheDate() {
        Row row = row(STOCK, "A\tEAST\t\\N\t\\N\t1\t2028-02-29\t\\N\t\\N\t\\N\n");
        assertThat(row.day("expiry", 0)).isEqualTo(LocalDate.of(2028, 2, 29).toEpochDay());
    }

    @Test
    void whatTheCopyEscapesIsTheTextAgain() {
        Table items = Table.named("items");
        Row row = row(
                items,
                "Ä\\\\1\tBoard, \"wide\\t\\nand\\r long\"\t\\N\tpcs"
                        + "\t\\N".repeat(items.columns().size() - 4));
        assertThat(row.text("code")).isEqualTo("Ä\\1");
        assertThat(row.text("name")).isEqualTo("Board, \"wide\t\nand\r long\"");
        assertThat(row.text("unit")).isEqualTo("pcs");
    }

    @Test
    void aCodeThatComesAgainIsTheSameObject() {
        Row one = row(STOCK, "BRG-6202\tEAST\t\\N\t\\N\t1\t\\N\t\\N\t\\N\t\\N\n");
        Row other = row(STOCK, "BRG-6202\tWEST\t\\N\t\\N\t1\t\\N\t\\N\t\\N\t\\N\n");
        assertThat(one.text("item")).isSameAs(other.text("item"));
        assertThat(other.text("site")).isEqualTo("WEST");
    }
}
