package rescient.dataset.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SheetReaderTest {
    @TempDir
    private Path folder;

    private Path file(String name, byte[] content) {
        try {
            return Files.write(folder.resolve(name), content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private List<Sheet> read(String name, byte[] content) {
        return SheetReader.read(file(name, content), name, rows -> {});
    }

    private Sheet csv(String text) {
        return read("a.csv", text.getBytes(StandardCharsets.UTF_8)).get(0);
    }

    @Test
    void anyOfTheUsualSeparatorsIsFound() {
        for (String separator : List.of(",", ";", "\t", "|")) {
            Sheet sheet = csv(String.join(separator, "code", "name", "unit") + "\n"
                    + String.join(separator, "A", "\"Bolt, long\"", "pcs") + "\n");
            assertThat(sheet.header()).containsExactly("code", "name", "unit");
            assertThat(sheet.rows().get(0)).containsExactly("A", "Bolt, long", "pcs");
        }
    }

    @Test
    void rowsAreAsWideAsTheHeaderAndBlankOnesAtTheEndAreNone() {
        Sheet sheet = csv("\n code , name ,\nA\nB,b,c,d\n,,\n");
        assertThat(sheet.header()).containsExactly("code", "name");
        assertThat(sheet.rows()).hasSize(2);
        assertThat(sheet.rows().get(0)).containsExactly("A", "");
        assertThat(sheet.rows().get(1)).containsExactly("B", "b");
    }

    @Test
    void textIsReadInTheCharactersItWasWrittenIn() {
        String text = "code;name\nA;Größe\n";
        for (Charset characters :
                List.of(StandardCharsets.UTF_8, Charset.forName("windows-1252"), StandardCharsets.UTF_16)) {
            assertThat(read("a.csv", text.getBytes(characters)).get(0).rows().get(0)[1])
                    .isEqualTo("Größe");
        }
    }

    @Test
    void aWorkbookIsKnownByWhatItIs() throws IOException {
        Path path = folder.resolve("what.csv");
        try (OutputStream out = Files.newOutputStream(path);
                Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = book.newWorksheet("items");
            sheet.value(0, 0, "code");
            sheet.value(0, 1, "price");
            sheet.value(0, 2, "since");
            sheet.value(0, 3, "total");
            sheet.value(1, 0, "A");
            sheet.value(1, 1, 0.1);
            sheet.value(1, 2, LocalDate.of(2026, 3, 2));
            sheet.style(1, 2).format("dd/mm/yyyy").set();
            sheet.formula(1, 3, "B2*2");
            book.newWorksheet("empty");
        }
        List<Sheet> sheets = SheetReader.read(path, "what.csv", rows -> {});
        assertThat(sheets).extracting(Sheet::name).containsExactly("items");
        // a formula is told as one, not taken for a value
        assertThat(sheets.get(0).rows().get(0)).containsExactly("A", "0.1", "2026-03-02", "=B2*2");
    }

    @Test
    void aZipOfCsvFilesIsAsManySheets() throws IOException {
        Path path = folder.resolve("a.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(path))) {
            for (String name : List.of("data/items.csv", "data/units.csv")) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write("code\nA\n".getBytes(StandardCharsets.UTF_8));
            }
        }
        assertThat(SheetReader.read(path, "a.zip", rows -> {}))
                .extracting(Sheet::name)
                .containsExactly("items.csv", "units.csv");
    }

    @Test
    void aSmallFileThatGrowsIsRefused() throws IOException {
        Path path = folder.resolve("bomb.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(path))) {
            zip.putNextEntry(new ZipEntry("items.csv"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 200; i++) {
                zip.write(zeros);
            }
        }
        assertThatThrownBy(() -> SheetReader.read(path, "bomb.zip", rows -> {}))
                .isInstanceOf(UnreadableSheetException.class)
                .hasMessageContaining("grows");
    }

    /** A workbook that names a file of the reader's machine as an entity: nothing of that file comes in. */
    @Test
    void anEntityThatNamesAnotherFileIsNotFollowed() throws IOException {
        Path secret = file("secret.txt", "top secret".getBytes(StandardCharsets.UTF_8));
        Path path = folder.resolve("entity.xlsx");
        String entity = "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY e SYSTEM \"" + secret.toUri() + "\">]>";
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(path))) {
            entry(
                    zip,
                    "xl/workbook.xml",
                    entity + "<workbook xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\""
                            + " xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\"><sheets>"
                            + "<sheet name=\"s\" sheetId=\"1\" r:id=\"rId1\"/></sheets></workbook>");
            entry(
                    zip,
                    "xl/_rels/workbook.xml.rels",
                    "<?xml version=\"1.0\"?><Relationships"
                            + " xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\""
                            + " Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet\""
                            + " Target=\"worksheets/sheet1.xml\"/></Relationships>");
            entry(
                    zip,
                    "xl/worksheets/sheet1.xml",
                    entity + "<worksheet"
                            + " xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData><row r=\"1\">"
                            + "<c r=\"A1\" t=\"inlineStr\"><is><t>&e;</t></is></c></row></sheetData></worksheet>");
        }
        String all;
        try {
            all = SheetReader.read(path, "entity.xlsx", rows -> {}).toString()
                    + SheetReader.read(path, "entity.xlsx", rows -> {}).get(0).header();
        } catch (UnreadableSheetException e) {
            all = e.getMessage();
        }
        assertThat(all).doesNotContain("top secret");
    }

    private static void entry(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsNoTableIsSaidToBeWhatItIs() {
        assertThatThrownBy(() -> read("a.xls", new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, 0, 0}))
                .hasMessageContaining("old .xls");
        assertThatThrownBy(() -> read("a.csv", "%PDF-1.7 x".getBytes(StandardCharsets.US_ASCII)))
                .hasMessageContaining("a PDF");
        assertThatThrownBy(() -> read("a.csv", new byte[] {'a', 0, 'b', ',', 0}))
                .hasMessageContaining("no text");
        assertThatThrownBy(() -> read("a.csv", new byte[0])).hasMessageContaining("is empty");
        assertThatThrownBy(() -> csv("\n , \n")).hasMessageContaining("no rows");
        assertThatThrownBy(() -> csv("a" + ",a".repeat(SheetReader.MOST_COLUMNS)))
                .hasMessageContaining("columns");
        assertThatThrownBy(() -> csv("a\n" + "x".repeat(2_001))).hasMessageContaining("row 2");
    }
}
