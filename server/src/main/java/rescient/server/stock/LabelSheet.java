package rescient.server.stock;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.MultiFormatWriter;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.lowagie.text.Document;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfContentByte;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import org.librepdf.openpdf.fonts.Liberation;
import rescient.server.platform.Nullable;

/** Labels on A4, three beside each other and eight below: a QR code of all that is said, and the number as Code 128. */
final class LabelSheet {
    /**
     * One label.
     *
     * @param title in bold, such as the item's code
     * @param lines below it
     * @param number as Code 128, in plain letters below it; null: none
     * @param code as QR
     */
    record Label(String title, List<String> lines, @Nullable String number, String code) {}

    private static final int COLUMNS = 3;
    private static final int ROWS = 8;
    private static final float WIDTH = PageSize.A4.getWidth() / COLUMNS;
    private static final float HEIGHT = PageSize.A4.getHeight() / ROWS;
    private static final float AIR = 9;
    private static final float SQUARE = 54;
    private static final float BARS = 18;
    private static final float LARGE = 11;
    private static final float SMALL = 7;
    private static final int LINES = 4;
    /** What is longer, or in other letters, has no room as bars, and stands there in letters alone. */
    private static final int LONGEST = 30;

    private LabelSheet() {}

    static byte[] pdf(String company, List<Label> labels) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Document document = new Document(PageSize.A4, 0, 0, 0, 0)) {
            PdfWriter writer = PdfWriter.getInstance(document, out);
            document.addTitle("Labels");
            document.addCreator(company);
            document.open();
            for (int i = 0; i < labels.size(); i++) {
                int place = i % (COLUMNS * ROWS);
                if (i > 0 && place == 0) {
                    document.newPage();
                }
                float x = place % COLUMNS * WIDTH;
                float top = PageSize.A4.getHeight() - place / COLUMNS * HEIGHT;
                draw(writer.getDirectContent(), labels.get(i), x + AIR, top - AIR);
            }
        }
        return out.toByteArray();
    }

    private static void draw(PdfContentByte page, Label label, float x, float top) {
        matrix(page, code(label.code, BarcodeFormat.QR_CODE), x, top, SQUARE, SQUARE);
        float text = x + SQUARE + AIR / 2;
        float room = WIDTH - 2 * AIR - SQUARE - AIR / 2;
        write(page, fitting(label.title, font(true), LARGE, room), font(true), LARGE, text, top - LARGE);
        float y = top - LARGE;
        for (String line : label.lines.subList(0, Math.min(LINES, label.lines.size()))) {
            y -= SMALL + 2;
            write(page, fitting(line, font(false), SMALL, room), font(false), SMALL, text, y);
        }
        if (label.number != null) {
            float bars = top - SQUARE - 4;
            float wide = WIDTH - 2 * AIR;
            if (label.number.chars().allMatch(c -> c >= ' ' && c <= '~') && label.number.length() <= LONGEST) {
                matrix(page, code(label.number, BarcodeFormat.CODE_128), x, bars, wide, BARS);
            }
            write(
                    page,
                    fitting(label.number, font(false), SMALL, wide),
                    font(false),
                    SMALL,
                    x,
                    bars - BARS - SMALL - 1);
        }
    }

    private static BitMatrix code(String text, BarcodeFormat form) {
        try {
            Map<EncodeHintType, ?> hints = form == BarcodeFormat.QR_CODE
                    ? Map.of(EncodeHintType.MARGIN, 0, EncodeHintType.CHARACTER_SET, "UTF-8")
                    : Map.of(EncodeHintType.MARGIN, 0);
            return new MultiFormatWriter().encode(text, form, 0, form == BarcodeFormat.QR_CODE ? 0 : 1, hints);
        } catch (WriterException | IllegalArgumentException e) {
            throw new IllegalStateException("No code can be drawn of " + text, e);
        }
    }

    /** Module by module, so that it is as sharp as the printer. */
    private static void matrix(PdfContentByte page, BitMatrix bits, float x, float top, float width, float height) {
        float wide = width / bits.getWidth();
        float high = height / bits.getHeight();
        for (int row = 0; row < bits.getHeight(); row++) {
            for (int from = 0; from < bits.getWidth(); ) {
                int to = from;
                while (to < bits.getWidth() && bits.get(to, row)) {
                    to++;
                }
                if (to > from) {
                    page.rectangle(x + from * wide, top - (row + 1) * high, (to - from) * wide, high);
                }
                from = Math.max(to, from + 1);
            }
        }
        page.fill();
    }

    private static BaseFont font(boolean bold) {
        try {
            Font font = (bold ? Liberation.SANS_BOLD : Liberation.SANS).create((int) LARGE);
            return font.getBaseFont();
        } catch (IOException e) {
            throw new UncheckedIOException("The fonts of labels cannot be read", e);
        }
    }

    private static String fitting(String text, BaseFont font, float size, float room) {
        String shown = text;
        while (shown.length() > 1 && font.getWidthPoint(shown, size) > room) {
            shown = shown.substring(0, shown.length() - 2) + "…";
        }
        return shown;
    }

    private static void write(PdfContentByte page, String text, BaseFont font, float size, float x, float y) {
        page.beginText();
        page.setFontAndSize(font, size);
        page.setTextMatrix(x, y);
        page.showText(text);
        page.endText();
    }
}
