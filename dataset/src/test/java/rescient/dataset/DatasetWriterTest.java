package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is read and written again is equal. */
class DatasetWriterTest {
    @TempDir
    Path folder;

    private Path given;

    @BeforeEach
    void aCompanyWithAwkwardValues() throws IOException {
        given = Files.createDirectory(folder.resolve("given"));
        file("units", "code,name,decimals", "pc,piece,0", "kg,\"kilo, gram\",6");
        file("calendars", "code,mon,sat", "C,false,true");
        file("sites", "code,name,calendar", "W,\"Works \"\"North\"\"\",C", "007,Depot,");
        file(
                "items",
                "code,name,unit,price",
                "A,\"two\nlines\",pc,12.50",
                "0010,ünïcode 木,kg,0.123456789012",
                "T,true,pc,");
        file("planning", "item,site,source,lead_time_days,yield", "A,W,make,3,0.95", "0010,W,none,,");
        file(
                "bom_lines",
                "parent,line,component,quantity,valid_from",
                "A,10,0010,999999999999.123456,2026-04-01",
                "A,9,0010,1.10,");
        file("stock", "item,site,lot,serial,quantity,quarantined", "A,W,,,5,", "A,W,12,,1,true", "A,W,012,,1,false");
        file("settings", "key,value", "today,2026-03-02", "horizon_end,2026-12-31");
    }

    private void file(String table, String... lines) throws IOException {
        Files.writeString(given.resolve(table + ".csv"), String.join("\r\n", lines) + "\r\n");
    }

    private static Map<String, List<List<String>>> contents(Dataset dataset) {
        return Table.ALL.stream()
                .collect(Collectors.toMap(
                        Table::name,
                        t -> dataset.rows(t.name()).stream().map(Row::values).toList()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"again", "again.zip", "again.xlsx"})
    void whatIsReadAndWrittenAgainIsEqual(String name) {
        Dataset dataset = DatasetReader.read(given);
        DatasetWriter.write(dataset, folder.resolve(name));
        assertThat(contents(DatasetReader.read(folder.resolve(name)))).isEqualTo(contents(dataset));
    }

    @Test
    void aTableThatHasNoRowsAnyMoreLeavesNoFileBehind() throws IOException {
        Dataset dataset = DatasetReader.read(given);
        Path again = folder.resolve("again");
        DatasetWriter.write(dataset, again);
        Files.delete(given.resolve("stock.csv"));
        DatasetWriter.write(DatasetReader.read(given), again);
        assertThat(again.resolve("stock.csv")).doesNotExist();
        assertThat(contents(DatasetReader.read(again)).get("stock")).isEmpty();
    }

    @Test
    void datesAndNumbersTypedIntoASheetAreTaken() throws IOException {
        Path sheet = folder.resolve("typed.xlsx");
        try (var out = Files.newOutputStream(sheet)) {
            var book = new org.dhatim.fastexcel.Workbook(out, "test", null);
            var units = book.newWorksheet("units");
            units.value(0, 0, "decimals");
            units.value(0, 1, "code");
            units.value(1, 0, 0);
            units.value(1, 1, "pc");
            var sites = book.newWorksheet("sites");
            sites.value(0, 0, "code");
            sites.value(1, 0, "W");
            var items = book.newWorksheet("items");
            items.value(0, 0, "code");
            items.value(0, 1, "unit");
            items.value(0, 2, "price");
            items.value(1, 0, 1001);
            items.value(1, 1, "pc");
            items.value(1, 2, 0.1 + 0.2);
            items.value(2, 0, "B");
            items.value(2, 1, "pc");
            var stock = book.newWorksheet("stock");
            List<String> header = List.of("item", "site", "quantity", "expiry", "quarantined");
            for (int c = 0; c < header.size(); c++) {
                stock.value(0, c, header.get(c));
            }
            stock.value(1, 0, 1001);
            stock.value(1, 1, "W");
            stock.value(1, 2, 7);
            stock.value(1, 3, java.time.LocalDate.of(2026, 5, 4));
            stock.value(1, 4, false);
            book.finish();
        }
        Dataset dataset = DatasetReader.read(sheet);
        assertThat(dataset.rows("items").get(0).text("code")).isEqualTo("1001");
        // in binary 0.1 + 0.2 is a little more than 0.3
        assertThat(dataset.rows("items").get(0).decimal("price")).isEqualByComparingTo("0.3");
        Row lot = dataset.rows("stock").get(0);
        assertThat(lot.text("quantity")).isEqualTo("7");
        assertThat(lot.text("expiry")).isEqualTo("2026-05-04");
        assertThat(lot.flag("quarantined", true)).isFalse();
    }

    @Test
    void aSheetThatIsNoTableIsAFault() throws IOException {
        Path sheet = folder.resolve("notes.xlsx");
        try (var out = Files.newOutputStream(sheet)) {
            var book = new org.dhatim.fastexcel.Workbook(out, "test", null);
            book.newWorksheet("my notes").value(0, 0, "x");
            book.finish();
        }
        FaultyDatasetException refused = org.assertj.core.api.Assertions.catchThrowableOfType(
                FaultyDatasetException.class, () -> DatasetReader.read(sheet));
        assertThat(refused.faults()).singleElement().asString().startsWith("sheet my notes: is not a table");
    }

    @Test
    void aFolderInsideAZipIsFound() throws IOException {
        Path zip = folder.resolve("company.zip");
        try (var out = new java.util.zip.ZipOutputStream(Files.newOutputStream(zip))) {
            for (String table : List.of("units", "sites", "items", "planning", "calendars")) {
                out.putNextEntry(new java.util.zip.ZipEntry("company/" + table + ".csv"));
                out.write(Files.readAllBytes(given.resolve(table + ".csv")));
                out.closeEntry();
            }
        }
        assertThat(DatasetReader.read(zip).rows("items")).hasSize(3);
    }

    @Test
    void theDataPackageSaysTypesKeysAndReferences() throws IOException {
        DatasetWriter.write(DatasetReader.read(given), folder.resolve("again"));
        JsonNode about = new ObjectMapper()
                .readTree(folder.resolve("again").resolve("datapackage.json").toFile());
        JsonNode planning = null;
        for (JsonNode resource : about.get("resources")) {
            assertThat(folder.resolve("again").resolve(resource.get("path").asText()))
                    .exists();
            planning = resource.get("name").asText().equals("planning") ? resource : planning;
        }
        JsonNode schema = planning.get("schema");
        assertThat(schema.get("primaryKey").toString()).isEqualTo("[\"item\",\"site\"]");
        assertThat(schema.get("foreignKeys").get(0).toString())
                .isEqualTo("{\"fields\":[\"item\"],\"reference\":{\"resource\":\"items\",\"fields\":[\"code\"]}}");
        JsonNode yield = schema.get("fields").get(Table.named("planning").indexOf("yield"));
        assertThat(yield.get("type").asText()).isEqualTo("number");
        assertThat(yield.get("constraints").toString()).isEqualTo("{\"exclusiveMinimum\":0,\"maximum\":1}");
    }

    @Test
    void aTemplateHasEveryTableAndIsAnEmptyDataset() {
        DatasetWriter.writeTemplate(folder.resolve("template"));
        for (Table table : Table.ALL) {
            assertThat(folder.resolve("template").resolve(table.name() + ".csv"))
                    .exists();
        }
        assertThat(DatasetReader.read(folder.resolve("template")).rows("items")).isEmpty();
        DatasetWriter.writeTemplate(folder.resolve("template.xlsx"));
        assertThat(DatasetReader.read(folder.resolve("template.xlsx")).rows("items"))
                .isEmpty();
    }

    @Test
    void everyTableAndColumnSaysWhatItMeansAndTheGuideIsCurrent() throws IOException {
        for (Table table :
                Stream.concat(Table.ALL.stream(), RecordTables.ALL.stream()).toList()) {
            assertThat(Meanings.of(table)).as(table.name()).isNotBlank();
            for (Column column : table.columns()) {
                assertThat(Meanings.of(table, column))
                        .as(table.name() + "." + column.name())
                        .isNotBlank();
            }
        }
        assertThat(Files.readString(Path.of("..", "docs", "dataset.md")))
                .as("docs/dataset.md; make it again with ./rescient guide")
                .isEqualTo(DatasetGuide.text());
    }
}
