package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DatasetReaderTest {
    @TempDir
    Path folder;

    @BeforeEach
    void aSmallCompany() throws IOException {
        file("units", "code,name,decimals", "pc,piece,0", "kg,kilogram,3", "box,box,0");
        file("sites", "code,name,kind,calendar", "W,Works,works,");
        file("suppliers", "code", "S");
        file("items", "code,name,unit", "A,a,pc", "B,b,kg");
        file("planning", "item,site,source,supplier", "A,W,make,", "B,W,buy,S");
    }

    private void file(String table, String... lines) throws IOException {
        Files.writeString(folder.resolve(table + ".csv"), String.join("\r\n", lines) + "\r\n");
    }

    private List<String> faults() {
        FaultyDatasetException refused =
                catchThrowableOfType(FaultyDatasetException.class, () -> DatasetReader.read(folder));
        assertThat(refused).as("the dataset is refused").isNotNull();
        return refused.faults().stream()
                .map(f -> f.file() + ":" + f.row() + " " + f.column() + " " + f.value() + " " + f.wrong())
                .toList();
    }

    @Test
    void rowsAreReadByColumnNameInAnyOrderWithAByteOrderMark() throws IOException {
        file("items", "\uFEFFunit,code,name", "pc,A,\"a, with a comma\"", "kg,B,");
        Row row = DatasetReader.read(folder).rows("items").get(0);
        assertThat(row.text("code")).isEqualTo("A");
        assertThat(row.text("name")).isEqualTo("a, with a comma");
        assertThat(row.text("group")).isNull();
    }

    @Test
    void everyFaultOfEveryFileIsReportedTogether() throws IOException {
        file("items", "code,name,unit,kind", "A,a,pc,stocked", "B,b,stone,kit", "A,again,pc,thing", ",,pc,");
        file("stock", "item,site,quantity,expiry", "A,W,ten,2026-13-01", "Z,W,1,");
        assertThat(faults())
                .containsExactlyInAnyOrder(
                        "items.csv:4 kind thing is not one of the words allowed here",
                        "items.csv:4   stands there twice: A",
                        "items.csv:5 code  is empty",
                        "items.csv:3 unit stone is not in units.csv",
                        "stock.csv:2 quantity ten is not a decimal number",
                        "stock.csv:2 expiry 2026-13-01 is not a date",
                        "stock.csv:3 item Z is not in items.csv");
    }

    @Test
    void unknownColumnsAndFilesAreRefusedByName() throws IOException {
        file("items", "code,colour,unit", "A,red,pc");
        file("colours", "code", "red");
        assertThat(faults())
                .contains(
                        "items.csv:1 colour colour is not a column of this table",
                        "colours.csv:0   is not a table of a dataset");
    }

    @Test
    void aMissingRequiredColumnIsNamed() throws IOException {
        file("items", "code,name", "A,a", "B,b");
        assertThat(faults()).contains("items.csv:1 unit  is missing");
    }

    @Test
    void aTableThatOthersNeedAndThatIsMissingIsOneFault() throws IOException {
        Files.delete(folder.resolve("items.csv"));
        file("stock", "item,site,quantity", "A,W,1", "B,W,2", "C,W,3");
        assertThat(faults()).containsExactly("items.csv:0   is missing");
    }

    @Test
    void aCharacterOfNumberZeroIsNoText() throws IOException {
        file("items", "code,name,unit", "A,a\0b,pc", "B,b,kg");
        assertThat(faults())
                .containsExactly("items.csv:2 name a\uFFFDb has a character of number 0 (NUL), which is no text");
    }

    /** A sheet with one forgotten cell far to the right of the header, and one in a row. */
    @Test
    void aCellFarToTheRightIsOneFault() throws IOException {
        Path file = folder.resolve("book.xlsx");
        try (var out = Files.newOutputStream(file);
                var book = new org.dhatim.fastexcel.Workbook(out, "T", "1.0")) {
            var units = book.newWorksheet("units");
            units.value(0, 0, "code");
            units.value(0, 1, "name");
            units.value(0, 2, "decimals");
            units.value(0, 16_000, "oops");
            var sites = book.newWorksheet("sites");
            sites.value(0, 0, "code");
            sites.value(1, 0, "W");
            sites.value(1, 16_000, "oops");
        }
        FaultyDatasetException refused =
                catchThrowableOfType(FaultyDatasetException.class, () -> DatasetReader.read(file));
        assertThat(refused.faults().stream().map(f -> f.file() + ":" + f.row() + " " + f.wrong()))
                .containsExactlyInAnyOrder(
                        "units.csv:1 is not a column of this table",
                        "units.csv:1 has 15997 columns without a name, up to column 16001",
                        "sites.csv:2 has 16001 values");
    }

    /** 200 MB of blanks are some 200 kB in a zip. */
    @Test
    void aSmallFileThatGrowsIsRefusedBeforeItIsRead() throws IOException {
        Path file = folder.resolve("grows.zip");
        byte[] blanks = " ".repeat(1 << 20).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        try (var zip = new java.util.zip.ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new java.util.zip.ZipEntry("items.csv"));
            for (int i = 0; i < 200; i++) {
                zip.write(blanks);
            }
            zip.closeEntry();
        }
        assertThatThrownBy(() -> DatasetReader.read(file)).hasMessageContaining("grows to more than 64 MB");
    }

    @Test
    void aRowWithTooManyValuesIsAFault() throws IOException {
        file("items", "code,unit", "A,pc,oops", "B,kg");
        assertThat(faults()).contains("items.csv:2   has 3 values");
    }

    @Test
    void onlyTheFirstThousandFaultsAreKeptButAllAreCounted() throws IOException {
        String[] rows = new String[1_501];
        rows[0] = "number,line,item,site,quantity,due_date";
        for (int i = 1; i < rows.length; i++) {
            rows[i] = i + ",1,A,W,-1,2026-03-20";
        }
        file("customer_orders", rows);
        FaultyDatasetException refused =
                catchThrowableOfType(FaultyDatasetException.class, () -> DatasetReader.read(folder));
        assertThat(refused.faults()).hasSize(1_000);
        assertThat(refused.count()).isEqualTo(1_500);
        assertThat(refused).hasMessageContaining("and 500 more");
    }

    @Test
    void anAlternativeIsAnotherItemThatIsStocked() throws IOException {
        file("items", "code,unit,kind", "A,pc,", "B,kg,", "K,pc,kit");
        file(
                "alternative_items",
                "item,alternative,parent,factor,preference",
                "B,A,,1.5,1",
                "B,A,A,,2",
                "B,B,,,",
                "B,K,,,",
                "B,A,A,2,",
                "B,C,,0,");
        assertThat(faults())
                .containsExactlyInAnyOrder(
                        "alternative_items.csv:6   stands there twice: B, A, A",
                        "alternative_items.csv:7 alternative C is not in items.csv",
                        "alternative_items.csv:7 factor 0 is out of range");
        file("alternative_items", "item,alternative,parent,factor", "B,A,,1.5", "B,A,A,", "B,B,,", "B,K,,");
        assertThat(faults())
                .containsExactly(
                        "alternative_items.csv:4 alternative B is the item itself",
                        "alternative_items.csv:5 alternative K is a kit, which is never issued itself");
    }

    @Test
    void theRulesNameWhatIsMissingOrTooLarge() throws IOException {
        file(
                "planning",
                "item,site,source,rule,min_quantity,max_quantity,multiple,reorder_point,order_up_to",
                "A,W,transfer,fixed_quantity,20,10,15,,",
                "B,W,,min_max,,,,9,5");
        assertThat(faults())
                .containsExactly(
                        "planning.csv:2 from_site  is missing for a transfer",
                        "planning.csv:2 fixed_quantity  is missing for the rule fixed_quantity",
                        "planning.csv:2 min_quantity 20 is over the max_quantity of 10",
                        "planning.csv:2 multiple 15 is over the max_quantity of 10",
                        "planning.csv:3 source  is missing here and in the item's group");
    }

    @Test
    void quantitiesWithMoreDecimalsThanTheirUnitAreFaults() throws IOException {
        file("stock", "item,site,quantity", "A,W,1.5", "B,W,1.5000");
        assertThat(faults()).containsExactly("stock.csv:2 quantity 1.5 has more decimals than the unit pc");
    }

    /** A carton holds 50: 0.02 carton for each, though cartons are counted in whole pieces. */
    @Test
    void ratiosHaveUpToSixDecimalsWhateverTheUnit() throws IOException {
        file("units", "code,decimals", "pc,0", "kg,3", "box,0");
        file(
                "bom_lines",
                "parent,line,component,quantity,scrap",
                "A,10,B,0.000001,0.123456",
                "A,20,B,0.0000001,0.1234567");
        file("unit_conversions", "item,from_unit,to_unit,factor", ",box,pc,0.333333", ",box,kg,0.3333333");
        assertThat(faults())
                .containsExactlyInAnyOrder(
                        "unit_conversions.csv:3 factor 0.3333333 has more than 6 decimals",
                        "bom_lines.csv:3 quantity 0.0000001 has more than 6 decimals",
                        "bom_lines.csv:3 scrap 0.1234567 has more than 6 decimals");
    }

    /**
     * As they count after the supplier's terms. A: 7 in whole steps of 5 are 10, of at most 12 again 10: fits. Its supplier
     * asks for at least 11, which are 15 in steps of 5. B: the stock point's multiple of 80 is over its maximum of 60, but
     * it is bought in boxes of 12, of which 5 are 60; where it is made of one's own nothing takes its place.
     */
    @Test
    void theMinimumAndTheMultipleAreComparedAsTheyCount() throws IOException {
        file("units", "code,decimals", "pc,0", "box,0");
        file("items", "code,unit", "A,pc", "B,pc");
        file("sites", "code", "W", "D");
        file("suppliers", "code", "S", "T");
        file("unit_conversions", "item,from_unit,to_unit,factor", "B,box,pc,12");
        file(
                "planning",
                "item,site,source,min_quantity,max_quantity,multiple",
                "A,D,make,7,12,5",
                "A,W,buy,7,12,5",
                "B,W,buy,,60,80",
                "B,D,make,,60,80");
        file("supplier_items", "supplier,item,from_quantity,unit,min_quantity", "S,A,0,,11", "T,A,1,,1", "S,B,0,box,5");
        assertThat(faults())
                .containsExactly(
                        "planning.csv:3 min_quantity 11 is over the max_quantity of 12,"
                                + " both in whole steps of 5, by the terms of S",
                        "planning.csv:5 multiple 80 is over the max_quantity of 60");
    }

    @Test
    void aUnitThatCannotBeConvertedIsAFault() throws IOException {
        file("bom_lines", "parent,line,component,quantity,unit", "A,10,B,2,box");
        assertThat(faults()).containsExactly("bom_lines.csv:2 unit box cannot be converted to kg");
    }

    @Test
    void kitsAreNotPlannedAndCalendarsWorkSomeDay() throws IOException {
        file("items", "code,unit,kind", "A,pc,kit", "B,kg,");
        file("calendars", "code,mon,tue,wed,thu,fri", "NEVER,false,false,false,false,false");
        assertThat(faults())
                .containsExactly(
                        "calendars.csv:2 code NEVER has no working day",
                        "planning.csv:2 item A is a kit, which is never planned itself");
    }

    @Test
    void componentsBelongToAnOpenOrder() throws IOException {
        file("open_order_components", "number,line,component,quantity,needed_date", "M1,1,B,2,2026-03-02");
        assertThat(faults()).containsExactly("open_order_components.csv:2 number M1 has no line 1 in open_orders.csv");
    }

    @Test
    void aFolderThatIsNotThereIsSaidSo() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> DatasetReader.read(folder.resolve("nowhere")))
                .hasMessageContaining("nowhere")
                .hasMessageContaining("there is no such folder");
    }

    @Test
    void stepsWorkCentersAndTheirMinutesAreChecked() throws IOException {
        file("work_centers", "code,site,minutes_per_day,efficiency", "M,W,480,", "N,W,0,-1");
        file("operations", "item,step,work_center,setup_minutes", "A,10,M,30", "A,20,GONE,30");
        file("bom_lines", "parent,line,component,quantity,step", "A,10,B,2,10");
        assertThat(faults())
                .containsExactlyInAnyOrder(
                        "work_centers.csv:3 minutes_per_day 0 is out of range",
                        "work_centers.csv:3 efficiency -1 is out of range",
                        "operations.csv:3 work_center GONE is not in work_centers.csv");
        file("work_centers", "code,site,minutes_per_day", "M,W,480");
        file("operations", "item,step,work_center", "A,10,M");
        file("bom_lines", "parent,line,component,quantity,step", "A,10,B,2,30");
        assertThat(faults()).containsExactly("bom_lines.csv:2 step 30 is no operation of A");
    }

    @Test
    void bucketsOfOneForecastMustNotOverlap() throws IOException {
        file(
                "forecasts",
                "set,item,site,from_date,bucket,quantity",
                "Base,A,W,2026-03-09,week,10",
                "Base,A,W,2026-03-15,day,10",
                "Strong,A,W,2026-03-15,day,10",
                "Base,A,W,2026-03-16,month,10");
        assertThat(faults()).containsExactly("forecasts.csv:3 from_date 2026-03-15 lies in the bucket from 2026-03-09");
    }

    @Test
    void whatALineCannotHaveForItselfIsAFault() throws IOException {
        file(
                "items",
                "code,name,unit,kind",
                "A,a,pc,stocked",
                "B,b,kg,stocked",
                "K,k,pc,kit",
                "A → 1 / 1,x,pc,stocked");
        file(
                "customer_orders",
                "number,line,item,site,quantity,due_date,supply",
                "1,1,K,W,1,2026-03-20,own",
                "1,2,A,W,1,2026-03-20,direct",
                "1,3,K,W,1,2026-03-20,");
        file("customer_order_parts", "number,line,component,quantity", "1,2,B,1", "1,3,K,1", "1,4,A,1", "1,3,A,1");
        assertThat(faults())
                .containsExactlyInAnyOrder(
                        "items.csv:5 code A → 1 / 1 holds an arrow, after which a customer order is named",
                        "customer_orders.csv:2 supply own cannot be for a kit, which is never bought itself",
                        "customer_order_parts.csv:2 line 2 is for A, which is no kit",
                        "customer_order_parts.csv:3 component K is the kit itself",
                        "customer_order_parts.csv:4 number 1 has no line 4 in customer_orders.csv");
    }

    /** It is told with all others, though buckets are looked at for whether they overlap. */
    @Test
    void aForecastThatIsTooFineIsAFaultLikeAnyOther() throws IOException {
        file("items", "code,name,unit", "A,a,pc");
        file("planning", "item,site,source,supplier", "A,W,make,");
        file(
                "forecasts",
                "set,item,site,from_date,bucket,quantity",
                "F,A,W,2026-03-01,month,0.1234567",
                "F,A,W,2026-03-15,month,7");
        assertThat(faults())
                .hasSize(2)
                .anyMatch(fault -> fault.startsWith("forecasts.csv:2 quantity 0.1234567"))
                .anyMatch(fault -> fault.startsWith("forecasts.csv:3 from_date"));
    }
}
