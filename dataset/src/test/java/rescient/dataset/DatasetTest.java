package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

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

    /** Told on Wed 18 instead of Mon 2 Mar: 4 weekdays later is Tue 24, Sat after Fri 6 (4 weekdays) is the day after it. */
    @Test
    void aSettingWithoutAValueIsNotSet() {
        Dataset dataset =
                new Dataset(Map.of("settings", rows("settings", "key,value\ntoday,\nforecast_set,\ncurrency,EUR\n")));
        assertThat(dataset.setting("today")).isNull();
        assertThat(dataset.setting("currency")).isEqualTo("EUR");
        assertThat(DatasetReader.checked(dataset)).isSameAs(dataset);
        assertThat(Facts.of(dataset).setting("forecast_set")).isNull();
    }

    @Test
    void aStoryToldOnAnotherDayKeepsItsWorkingDays() {
        Dataset dataset = new Dataset(Map.of(
                "settings", rows("settings", "key,value\ntoday,2026-03-02\nhorizon_end,2026-03-12\ncurrency,EUR\n"),
                "stock",
                        rows(
                                "stock",
                                "item,site,lot,quantity,expiry\nA,W,2026-03-02,5,2026-03-06\nB,W,,5,\nC,W,,5,2026-03-07\n"),
                "open_orders",
                        rows(
                                "open_orders",
                                "number,line,kind,stage,item,site,quantity,due_date,start_date\n1,1,buy,firmed,A,W,5,2026-03-03,2026-02-27\n"),
                "calendar_exceptions",
                        rows(
                                "calendar_exceptions",
                                "calendar,date,working\nW,2026-03-06,false\nW,2026-03-07,false\nW,2026-03-14,true\n"),
                "forecasts", rows("forecasts", "set,item,site,from_date,bucket,quantity\nF,A,W,2026-03-02,week,5\n")));
        Dataset told = dataset.toldOn(LocalDate.of(2026, 3, 18));
        assertThat(told.setting("today")).isEqualTo("2026-03-18");
        assertThat(told.setting("horizon_end")).isEqualTo("2026-03-28");
        assertThat(told.setting("currency")).isEqualTo("EUR");
        assertThat(told.rows("stock"))
                .extracting(r -> r.text("expiry"))
                .containsExactly("2026-03-24", null, "2026-03-25");
        // a lot number that looks like a date is none
        assertThat(told.rows("stock").get(0).text("lot")).isEqualTo("2026-03-02");
        assertThat(told.rows("open_orders").get(0).text("due_date")).isEqualTo("2026-03-19");
        assertThat(told.rows("open_orders").get(0).text("start_date")).isEqualTo("2026-03-17");
        // the Saturday that is closed anyway is not told, the one that works stays a Saturday
        assertThat(told.rows("calendar_exceptions"))
                .extracting(r -> r.text("date"))
                .containsExactly("2026-03-24", "2026-03-28");
        assertThat(told.rows("forecasts").get(0).text("from_date")).isEqualTo("2026-03-16");
        // on a Saturday the story of the Monday after
        Dataset saturday = dataset.toldOn(LocalDate.of(2026, 3, 7));
        assertThat(saturday.setting("today")).isEqualTo("2026-03-07");
        assertThat(saturday.rows("open_orders").get(0).text("due_date")).isEqualTo("2026-03-10");
        assertThat(saturday.rows("forecasts").get(0).text("from_date")).isEqualTo("2026-03-09");
        assertThat(dataset.toldOn(LocalDate.of(2026, 3, 2)).rows("stock"))
                .extracting(Row::values)
                .isEqualTo(dataset.rows("stock").stream().map(Row::values).toList());
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
