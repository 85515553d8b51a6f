package rescient.dataset.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.FewTables;
import rescient.dataset.Table;

class UnderstoodTest {
    @TempDir
    private Path folder;

    private Facts facts;

    @BeforeEach
    void aCompany() {
        facts = new FewTables(folder)
                .table("items", "code,name,unit,price", "A,Bolt,pcs,1.50", "B,Nut,pcs,")
                .table("planning", "item,site,source,max_quantity", "A,W,buy,50")
                .facts();
    }

    private Mapping mapping(
            Sheet sheet, Map<Long, Map<String, String>> corrections, Set<Long> leftOut, boolean without) {
        Table table = ColumnMatch.table(sheet, facts);
        return new Mapping(
                table, ColumnMatch.of(table, sheet, facts), Map.of(), Habits.of(sheet), corrections, leftOut, without);
    }

    private Understood of(String text) {
        Sheet sheet = SheetReader.pasted(text);
        return Understood.of(facts, sheet, mapping(sheet, Map.of(), Set.of(), false), rows -> {});
    }

    @Test
    void newOnesComeOthersChangeWhereTheSheetSaysSomethingAndTheRestStays() {
        Understood understood =
                of("Part no\tDescription\tUoM\tPrice\nA\tBolt\tpcs\t1,75\nB\tNut\tpcs\t\nC\tWasher\tpcs\t0,05\n");
        assertThat(understood.faults()).isEmpty();
        assertThat(understood.added()).isEqualTo(1);
        assertThat(understood.changed()).isEqualTo(1);
        assertThat(understood.same()).isEqualTo(1);
        assertThat(understood.changes())
                .extracting(
                        change -> change.after().get(0).text("code"),
                        change -> change.after().get(0).text("price"))
                .containsExactly(tuple("A", "1.75"), tuple("C", "0.05"));
    }

    @Test
    void everyFaultIsToldWithItsRowAndWhatIsWrong() {
        Understood understood = of(
                "code,name,unit,price\nC,Washer,pcs,cheap\nD,Pin,piece,1\nE,Cap,pcs,=2*3\nC,Ring,pcs,2\nC,Hook,pcs,3\n");
        assertThat(understood.faults())
                .extracting(Understood.RowFault::row, Understood.RowFault::column, Understood.RowFault::value)
                .containsExactly(
                        tuple(2L, "price", "cheap"),
                        tuple(3L, "unit", "piece"),
                        tuple(4L, "price", "=2*3"),
                        tuple(6L, "", ""));
        assertThat(understood.faults().get(2).sentence()).contains("formula");
        assertThat(understood.faults().get(3).sentence()).contains("row 5");
        assertThat(understood.faulty()).isEqualTo(4);
    }

    @Test
    void aFaultyRowIsCorrectedOrLeftOut() {
        Sheet sheet = SheetReader.pasted("code,name,unit,price\nC,Washer,pcs,cheap\nD,Pin,piece,1\n");
        Understood corrected = Understood.of(
                facts, sheet, mapping(sheet, Map.of(2L, Map.of("price", "0.05")), Set.of(3L), false), rows -> {});
        assertThat(corrected.faults()).isEmpty();
        assertThat(corrected.changes())
                .singleElement()
                .satisfies(change ->
                        assertThat(change.after().get(0).text("price")).isEqualTo("0.05"));
        Understood without = Understood.of(facts, sheet, mapping(sheet, Map.of(), Set.of(3L), true), rows -> {});
        assertThat(without.faulty()).isEqualTo(1);
        assertThat(without.changes()).isEmpty();
    }

    /** A minimum of 80 is over the maximum of 50 that stands there: a rule of the company, told at the row. */
    @Test
    void theRulesOfTheCompanyAreAsked() {
        Understood understood = of("item,site,min_quantity\nA,W,80\nB,W,5\n");
        assertThat(understood.faults())
                .extracting(Understood.RowFault::row, Understood.RowFault::column)
                .contains(tuple(2L, "min_quantity"))
                // nothing says where B comes from
                .contains(tuple(3L, "source"));
    }

    @Test
    void whatIsNamedIsUnderstoodAsItsCode() {
        Understood understood = of("item,site,source,lead time\nnut,works,Buy,5\n");
        assertThat(understood.faults()).isEmpty();
        assertThat(understood.changes())
                .extracting(FactChange::after)
                .singleElement()
                .satisfies(rows -> assertThat(rows.get(0).cells())
                        .isEqualTo(Map.of("item", "B", "site", "W", "source", "buy", "lead_time_days", "5")));
    }

    /** 1 March and 1 April of item A; the empty cell of item B is nothing. */
    @Test
    void oneColumnAMonthIsAForecast() {
        Sheet wide = SheetReader.pasted("Item\tMar 2026\tApr 2026\nA\t10\t12\nB\t5\t\n");
        Sheet sheet = PeriodColumns.upright(wide, Habits.of(wide));
        Table table = ColumnMatch.table(wide, facts);
        assertThat(table.name()).isEqualTo("forecasts");
        Mapping mapping = new Mapping(
                table,
                ColumnMatch.of(table, sheet, facts),
                Map.of("set", "Base", "site", "W"),
                Habits.of(wide),
                new HashMap<>(),
                Set.of(),
                false);
        Understood understood = Understood.of(facts, sheet, mapping, rows -> {});
        assertThat(understood.faults()).isEmpty();
        assertThat(understood.changes())
                .extracting(change -> change.after().get(0).values())
                .containsExactly(
                        List.of("Base", "A", "W", "2026-03-01", "month", "10"),
                        List.of("Base", "A", "W", "2026-04-01", "month", "12"),
                        List.of("Base", "B", "W", "2026-03-01", "month", "5"));
    }

    /** A sheet of forecasts as it goes out comes in again: what was tested and what came before is no part of it. */
    @Test
    void whatWentOutComesInAgain() {
        Sheet wide =
                SheetReader.pasted("item,name,site,unit,method,mase,bias,signal,odd_buckets,last_year,change,value,"
                        + "2026-11-01,2026-12-01\nA,Bolt,W,pcs,Holt,0.9,0.1,,0,120,0.05,180,10,12\n");
        Sheet sheet = PeriodColumns.upright(wide, Habits.of(wide));
        Table table = ColumnMatch.table(wide, facts);
        assertThat(table.name()).isEqualTo("forecasts");
        Map<String, Integer> columns = ColumnMatch.of(table, sheet, facts);
        Understood understood = Understood.of(
                facts,
                sheet,
                new Mapping(table, columns, Map.of("set", "Base"), Habits.of(wide), Map.of(), Set.of(), false),
                rows -> {});
        assertThat(understood.faults()).isEmpty();
        assertThat(understood.changes())
                .extracting(change -> change.after().get(0).values())
                .containsExactly(
                        List.of("Base", "A", "W", "2026-11-01", "month", "10"),
                        List.of("Base", "A", "W", "2026-12-01", "month", "12"));
    }

    /** Week 10 of 2026 begins on Monday, 2 March; Mondays name weeks, other days in a row name days, firsts name months. */
    @Test
    void oneColumnAWeekOrADayIsAForecastToo() {
        assertThat(upright("Item\tW10 2026\t2026-W11\nA\t10\t12\n"))
                .containsExactly(List.of("A", "2026-03-02", "week", "10"), List.of("A", "2026-03-09", "week", "12"));
        assertThat(upright("Item\t2026-03-02\t2026-03-09\nA\t10\t\n"))
                .containsExactly(List.of("A", "2026-03-02", "week", "10"));
        assertThat(upright("Item\t2026-03-01\t2026-03-02\nA\t3\t4\n"))
                .containsExactly(List.of("A", "2026-03-01", "day", "3"), List.of("A", "2026-03-02", "day", "4"));
        assertThat(upright("Item\t2026-03-01\t2026-04-01\nA\t3\t4\n"))
                .containsExactly(List.of("A", "2026-03-01", "month", "3"), List.of("A", "2026-04-01", "month", "4"));
        // there is no week 54, so that one week is left, which is no row of periods
        assertThat(upright("Item\tW10 2026\tW54 2026\nA\t10\t12\n")).containsExactly(List.of("A", "10", "12"));
    }

    /** What left is history: one row a delivery, with the number of its note. */
    @Test
    void deliveriesOfThePastAreHistory() {
        Sheet sheet = SheetReader.pasted(
                "Item\tSite\tDate\tNumber\tQty\nA\tW\t2026-02-03\tN-1\t5\nnut\tW\t2026-02-04\tN-2\tfew\n");
        Table table = Table.named("shipments");
        Mapping mapping = new Mapping(
                table, ColumnMatch.of(table, sheet, facts), Map.of(), Habits.of(sheet), Map.of(), Set.of(), true);
        Understood understood = Understood.of(facts, sheet, mapping, rows -> {});
        assertThat(understood.faults())
                .extracting(Understood.RowFault::row, Understood.RowFault::column)
                .containsExactly(tuple(3L, "quantity"));
        assertThat(understood.changes())
                .singleElement()
                .satisfies(change -> assertThat(change.after().get(0).cells())
                        .containsAllEntriesOf(Map.of(
                                "item", "A", "site", "W", "date", "2026-02-03", "number", "N-1", "quantity", "5")));
    }

    private static List<List<String>> upright(String pasted) {
        Sheet wide = SheetReader.pasted(pasted);
        return PeriodColumns.upright(wide, Habits.of(wide)).rows().stream()
                .map(List::of)
                .toList();
    }

    @Test
    void columnsAreFoundByWhatStandsInThem() {
        Sheet sheet = SheetReader.pasted("what\twhere\tquantity\nA\tW\t5\nB\tW\t6\n");
        assertThat(ColumnMatch.of(Table.named("stock"), sheet, facts))
                .containsAllEntriesOf(Map.of("item", 0, "site", 1, "quantity", 2));
    }
}
