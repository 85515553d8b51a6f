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
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.librepdf.openpdf.fonts.Liberation;
import rescient.server.platform.Nullable;

/** A paper of the company on A4: who writes to whom, a title, a table and what is said below it. */
public final class PaperPdf {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final float MARGIN = 56;
    private static final int SMALL = 8;
    private static final int TEXT = 9;
    private static final int LARGE = 16;

    /**
     * @param address of the company, or null
     * @param addressee by name, with the address if it is known; null: it stays in the house
     * @param about below the title
     * @param rows as many texts each as there are columns
     */
    public record Paper(
            String company,
            @Nullable String address,
            @Nullable String addressee,
            String title,
            String about,
            List<Column> columns,
            List<List<String>> rows,
            List<Foot> foot) {}

    /**
     * @param width in parts of all
     * @param right its texts stand at the right
     */
    public record Column(String name, float width, boolean right, boolean bold) {
        public static Column left(String name, float width) {
            return new Column(name, width, false, false);
        }

        public static Column bold(String name, float width) {
            return new Column(name, width, false, true);
        }

        public static Column right(String name, float width) {
            return new Column(name, width, true, false);
        }
    }

    /** What is said below the table. */
    public record Foot(String text, boolean right) {}

    private PaperPdf() {}

    public static byte[] of(Paper paper) {
        return of(List.of(paper));
    }

    /** Each begins on a page of its own. */
    public static byte[] of(List<Paper> papers) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Document document = new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN)) {
            PdfWriter.getInstance(document, out);
            document.addTitle(papers.get(0).title);
            document.addCreator(papers.get(0).company);
            document.open();
            for (Paper paper : papers) {
                document.newPage();
                add(document, paper);
            }
        }
        return out.toByteArray();
    }

    private static void add(Document document, Paper paper) {
        head(document, paper);
        document.add(table(paper));
        for (Foot foot : paper.foot) {
            Paragraph said = new Paragraph(foot.text, font(TEXT, foot.right));
            said.setAlignment(foot.right ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
            said.setSpacingBefore(LARGE / 2f);
            document.add(said);
        }
    }

    public static String day(LocalDate day) {
        return DAY.format(day);
    }

    public static String quantity(BigDecimal quantity, String unit) {
        return quantity.stripTrailingZeros().toPlainString() + " " + unit;
    }

    /** A name with the address below it, part by part. */
    public static String addressed(String name, @Nullable String address) {
        return address == null ? name : name + "\n" + address.replace(", ", "\n");
    }

    private static Font font(int size, boolean bold) {
        try {
            return (bold ? Liberation.SANS_BOLD : Liberation.SANS).create(size);
        } catch (IOException e) {
            throw new UncheckedIOException("The fonts of documents cannot be read", e);
        }
    }

    private static void head(Document document, Paper paper) {
        document.add(new Paragraph(paper.company, font(TEXT, true)));
        if (paper.address != null) {
            document.add(new Paragraph(paper.address, font(SMALL, false)));
        }
        if (paper.addressee != null) {
            Paragraph to = new Paragraph(paper.addressee, font(TEXT, false));
            to.setSpacingBefore(MARGIN / 2);
            document.add(to);
        }
        Paragraph title = new Paragraph(paper.title, font(LARGE, true));
        title.setSpacingBefore(MARGIN / 2);
        document.add(title);
        Paragraph about = new Paragraph(paper.about, font(TEXT, false));
        about.setSpacingAfter(LARGE);
        document.add(about);
    }

    private static PdfPTable table(Paper paper) {
        float[] widths = new float[paper.columns.size()];
        for (int i = 0; i < widths.length; i++) {
            widths[i] = paper.columns.get(i).width;
        }
        PdfPTable table = new PdfPTable(widths);
        table.setWidthPercentage(100);
        table.setHeaderRows(1);
        paper.columns.forEach(column -> table.addCell(cell(column.name, font(SMALL, false), column.right)));
        for (List<String> row : paper.rows) {
            for (int i = 0; i < widths.length; i++) {
                Column column = paper.columns.get(i);
                table.addCell(cell(row.get(i), font(TEXT, column.bold), column.right));
            }
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
}
