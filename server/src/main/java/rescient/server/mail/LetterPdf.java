package rescient.server.mail;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.librepdf.openpdf.fonts.Liberation;

/** A document with lines, as it goes to a customer or a supplier: what is ordered, and when each line comes. */
public final class LetterPdf {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final float MARGIN = 56;
    private static final float[] WIDTHS = {6, 14, 32, 12, 12, 12, 14};
    /** The first column with numbers. */
    private static final int NUMBERS = 3;

    private static final int SMALL = 8;
    private static final int TEXT = 9;
    private static final int LARGE = 16;

    private final Letter letter;

    /**
     * @param company who writes
     * @param address of the company, or null
     * @param addressee by name, with the address if it is known
     * @param title {@code Order confirmation}, {@code Quote}, {@code Purchase order}
     * @param days what the days of the lines are, as {@code Goes on}
     * @param note below the lines, or null
     * @param currency of the prices
     */
    public record Letter(
            String company,
            String address,
            String addressee,
            String title,
            String days,
            String note,
            String number,
            String reference,
            LocalDate date,
            String currency,
            boolean complete,
            List<Line> lines) {}

    /**
     * @param price null: none is known
     * @param parts of a kit, in words, null: they are not told
     */
    public record Line(
            String line,
            String item,
            String name,
            BigDecimal quantity,
            String unit,
            BigDecimal price,
            LocalDate day,
            boolean promised,
            String parts) {}

    private LetterPdf(Letter letter) {
        this.letter = letter;
    }

    public static byte[] of(Letter letter) {
        return new LetterPdf(letter).written();
    }

    private byte[] written() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Document document = new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN)) {
            PdfWriter.getInstance(document, out);
            document.addTitle(letter.title + " " + letter.number);
            document.addCreator(letter.company);
            document.open();
            head(document);
            document.add(table());
            foot(document);
        }
        return out.toByteArray();
    }

    private static Font font(int size, boolean bold) {
        try {
            return (bold ? Liberation.SANS_BOLD : Liberation.SANS).create(size);
        } catch (IOException e) {
            throw new UncheckedIOException("The fonts of documents cannot be read", e);
        }
    }

    private void head(Document document) {
        document.add(new Paragraph(letter.company, font(TEXT, true)));
        if (letter.address != null) {
            document.add(new Paragraph(letter.address, font(SMALL, false)));
        }
        Paragraph customer = new Paragraph(letter.addressee, font(TEXT, false));
        customer.setSpacingBefore(MARGIN / 2);
        document.add(customer);
        Paragraph title = new Paragraph(letter.title + " " + letter.number, font(LARGE, true));
        title.setSpacingBefore(MARGIN / 2);
        document.add(title);
        String about =
                DAY.format(letter.date) + (letter.reference == null ? "" : ", your reference " + letter.reference);
        Paragraph line = new Paragraph(about, font(TEXT, false));
        line.setSpacingAfter(LARGE);
        document.add(line);
    }

    private PdfPTable table() {
        PdfPTable table = new PdfPTable(WIDTHS);
        table.setWidthPercentage(100);
        table.setHeaderRows(1);
        List<String> names = List.of("Line", "Item", "", "Quantity", "Price", "Value", letter.days);
        for (int i = 0; i < names.size(); i++) {
            table.addCell(cell(names.get(i), font(SMALL, false), i >= NUMBERS));
        }
        for (Line line : letter.lines) {
            table.addCell(cell(line.line, font(TEXT, false), false));
            table.addCell(cell(line.item, font(TEXT, true), false));
            table.addCell(cell(line.name + (line.parts == null ? "" : "\n" + line.parts), font(TEXT, false), false));
            table.addCell(cell(plain(line.quantity) + " " + line.unit, font(TEXT, false), true));
            table.addCell(cell(line.price == null ? "" : money(line.price), font(TEXT, false), true));
            table.addCell(
                    cell(line.price == null ? "" : money(line.price.multiply(line.quantity)), font(TEXT, false), true));
            table.addCell(
                    cell((line.promised ? "" : "about ") + DAY.format(line.day), font(TEXT, line.promised), true));
        }
        return table;
    }

    private static PdfPCell cell(String text, Font font, boolean right) {
        PdfPCell cell = new PdfPCell(new Phrase(text, font));
        cell.setBorder(Rectangle.BOTTOM);
        cell.setBorderWidth(0.4f);
        cell.setPadding(4);
        cell.setHorizontalAlignment(right ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
        return cell;
    }

    private void foot(Document document) {
        boolean priced = letter.lines.stream().allMatch(line -> line.price != null);
        if (priced) {
            BigDecimal sum = letter.lines.stream()
                    .map(line -> line.price.multiply(line.quantity).setScale(2, RoundingMode.HALF_UP))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            Paragraph total =
                    new Paragraph("In all " + letter.currency + " " + money(sum) + ", net of tax", font(TEXT, true));
            total.setAlignment(Element.ALIGN_RIGHT);
            total.setSpacingBefore(LARGE / 2f);
            document.add(total);
        }
        if (letter.note != null) {
            Paragraph note = new Paragraph(letter.note, font(TEXT, false));
            note.setSpacingBefore(LARGE / 2f);
            document.add(note);
        }
        if (letter.complete) {
            LocalDate last = letter.lines.stream()
                    .map(Line::day)
                    .max(LocalDate::compareTo)
                    .orElse(letter.date);
            Paragraph together =
                    new Paragraph("All lines go together, on " + DAY.format(last) + ".", font(TEXT, false));
            together.setSpacingBefore(LARGE / 2f);
            document.add(together);
        }
    }

    private static String money(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP).toPlainString();
    }

    private static String plain(BigDecimal quantity) {
        return quantity.stripTrailingZeros().toPlainString();
    }
}
