package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.prices.PriceBreaks;
import rescient.dataset.Dataset;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.JobProblem;

class DirectoryTest {
    private final Directory directory = new Directory(
            Facts.of(
                    new Dataset(
                            Map.of(
                                    "items",
                                            rows("items", "code,name,unit,standard_cost\nA,Board,pcs,2.345\nB,,pcs,\n"),
                                    "suppliers", rows("suppliers", "code,name,minimum_order_value\nS,Sawmill,250\n"),
                                    "supplier_items",
                                            rows(
                                                    "supplier_items",
                                                    "supplier,item,from_quantity,unit,price\nS,A,0,bundle,100\nS,A,10,bundle,90\nS,A,50,bundle,\n")))));

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
    void thePriceIsThatOfTheHighestStepReached() {
        assertThat(directory.purchasePrice("S", "A", new BigDecimal("9"))).isEqualByComparingTo("100");
        assertThat(directory.purchasePrice("S", "A", new BigDecimal("10"))).isEqualByComparingTo("90");
        // a step without a price says nothing about it
        assertThat(directory.purchasePrice("S", "A", new BigDecimal("60"))).isEqualByComparingTo("90");
        assertThat(directory.purchasePrice("S", "B", BigDecimal.ONE)).isNull();
    }

    @Test
    void thePriceIsThatOfTheDay() {
        String terms = """
                supplier,item,from_quantity,unit,price,valid_from,valid_to
                S,A,0,bundle,100,,
                S,A,0,bundle,120,2027-01-01,
                S,A,10,bundle,90,,2026-12-31
                """;
        Directory year = new Directory(Facts.of(new Dataset(Map.of(
                "items", rows("items", "code,unit\nA,pcs\n"), "supplier_items", rows("supplier_items", terms)))));
        Directory december = year.on(LocalDate.of(2026, 12, 31));
        assertThat(december.purchasePrice("S", "A", BigDecimal.TEN)).isEqualByComparingTo("90");
        assertThat(december.purchasePrice("S", "A", BigDecimal.ONE)).isEqualByComparingTo("100");
        Directory january = year.on(LocalDate.of(2027, 1, 1));
        assertThat(january.purchasePrice("S", "A", BigDecimal.TEN)).isEqualByComparingTo("120");
    }

    @Test
    void valuesAreRoundedToTheCent() {
        assertThat(directory.standardValue("A", new BigDecimal("3"))).isEqualTo(new BigDecimal("7.04"));
        assertThat(directory.standardValue("B", BigDecimal.ONE)).isNull();
        assertThat(PriceBreaks.value(new BigDecimal("2.5"), new BigDecimal("1.11")))
                .isEqualTo(new BigDecimal("2.78"));
        assertThat(PriceBreaks.value(BigDecimal.ONE, null)).isNull();
    }

    @Test
    void whatHasNoNameGoesByItsCode() {
        assertThat(directory.itemName("A")).isEqualTo("Board");
        assertThat(directory.itemName("B")).isEqualTo("B");
        assertThat(directory.supplierName("UNKNOWN")).isEqualTo("UNKNOWN");
        assertThat(directory.supplierName(null)).isNull();
        assertThat(directory.purchaseUnit("S", "A")).isEqualTo("bundle");
        assertThat(directory.purchaseUnit("S", "B")).isEqualTo("pcs");
    }

    @Test
    void aKeyIsReadBackWhateverTheCodesHold() {
        OrderKey key = new OrderKey("A~1 / 2", "W%", LocalDate.of(2026, 3, 20), "12.5", 1);
        assertThat(OrderKey.parse(key.text())).isEqualTo(key);
        for (String wrong : new String[] {"", "A~W", "A~W~soon~1~0", "A~W~2026-03-20~1~x"}) {
            assertThatThrownBy(() -> OrderKey.parse(wrong)).isInstanceOf(JobProblem.class);
        }
    }

    @Test
    void amountsInSentencesHaveThinSpacesAndTheirUnit() {
        assertThat(Words.amount(Quantity.of("1234567.5"), "kg")).isEqualTo("1\u2009234\u2009567.5 kg");
        assertThat(Words.amount(Quantity.of(-28), "pcs")).isEqualTo("−28 pcs");
        assertThat(Words.days(1)).isEqualTo("1 day");
        assertThat(Words.days(5)).isEqualTo("5 days");
    }
}
