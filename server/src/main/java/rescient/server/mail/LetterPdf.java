package rescient.server.mail;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.server.mail.PaperPdf.Column;
import rescient.server.mail.PaperPdf.Foot;

/** A document with lines, as it goes to a customer or a supplier: what is ordered, and when each line comes. */
public final class LetterPdf {
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

    private LetterPdf() {}

    public static byte[] of(Letter letter) {
        String about =
                PaperPdf.day(letter.date) + (letter.reference == null ? "" : ", your reference " + letter.reference);
        return PaperPdf.of(new PaperPdf.Paper(
                letter.company,
                letter.address,
                letter.addressee,
                letter.title + " " + letter.number,
                about,
                List.of(
                        Column.left("Line", 6),
                        Column.bold("Item", 14),
                        Column.left("", 32),
                        Column.right("Quantity", 12),
                        Column.right("Price", 12),
                        Column.right("Value", 12),
                        Column.right(letter.days, 14)),
                letter.lines.stream().map(LetterPdf::row).toList(),
                foot(letter)));
    }

    private static List<String> row(Line line) {
        return List.of(
                line.line,
                line.item,
                line.name + (line.parts == null ? "" : "\n" + line.parts),
                PaperPdf.quantity(line.quantity, line.unit),
                line.price == null ? "" : money(line.price),
                line.price == null ? "" : money(line.price.multiply(line.quantity)),
                (line.promised ? "" : "about ") + PaperPdf.day(line.day));
    }

    private static List<Foot> foot(Letter letter) {
        List<Foot> foot = new ArrayList<>();
        if (letter.lines.stream().allMatch(line -> line.price != null)) {
            BigDecimal sum = letter.lines.stream()
                    .map(line -> line.price.multiply(line.quantity).setScale(2, RoundingMode.HALF_UP))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            foot.add(new Foot("In all " + letter.currency + " " + money(sum) + ", net of tax", true));
        }
        if (letter.note != null) {
            foot.add(new Foot(letter.note, false));
        }
        if (letter.complete) {
            LocalDate last = letter.lines.stream()
                    .map(Line::day)
                    .max(LocalDate::compareTo)
                    .orElse(letter.date);
            foot.add(new Foot("All lines go together, on " + PaperPdf.day(last) + ".", false));
        }
        return foot;
    }

    private static String money(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP).toPlainString();
    }
}
