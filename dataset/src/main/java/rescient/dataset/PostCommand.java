package rescient.dataset;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.stock.Books;
import rescient.core.stock.Poster;
import rescient.core.stock.Refused;

/**
 * Carries out postings on a dataset, without a database or a browser: {@code post DATASET POSTINGS.csv --out FOLDER [--today
 * DATE]}. Writes the dataset as it is afterwards, with its movements, values, costs and what was refused. Exit 0 posted,
 * whatever was refused; 2 the dataset or the postings have faults, all of them on standard error and nothing written; 1
 * anything else.
 */
public final class PostCommand {
    private PostCommand() {}

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private static void run(String[] words) {
        if (words.length < 2 || words[0].startsWith("--") || words[1].startsWith("--")) {
            throw new IllegalArgumentException(
                    "Say what is posted on which dataset: post DATASET POSTINGS.csv --out FOLDER");
        }
        CommandWords options = CommandWords.of(words, 2, Set.of("--out", "--today"));
        Path out = Path.of(options.needed("--out", "Say where the dataset goes: --out FOLDER"));
        post(Path.of(words[0]), Path.of(words[1]), out, options.given().get("--today"));
    }

    /** @param day null: the dataset's */
    public static void post(Path from, Path file, Path out, String day) {
        Map<String, List<Row>> dataset = ExecutionTables.read(from);
        List<Row> postings = read(file);
        ExecutionData data = new ExecutionData(dataset, today(day, dataset), PostingFile.steps(postings));
        Books books = BooksReader.read(data);
        Poster poster = new Poster(books);
        List<Refused> refused = poster.post(
                postings.stream().map(row -> PostingFile.row(data, row)).toList());
        new BooksWriter(data, books).write(out, refused, poster.carriedOut());
        System.out.println("Posted " + books.movements().size() + " movements, refused "
                + refused.stream().map(Refused::key).distinct().count());
    }

    static LocalDate today(String day, Map<String, List<Row>> dataset) {
        String text = day;
        if (text == null) {
            text = dataset.getOrDefault("settings", List.of()).stream()
                    .filter(row -> row.text("key").equals("today"))
                    .map(row -> row.text("value"))
                    .findFirst()
                    .orElseThrow(
                            () -> new IllegalArgumentException("Say today, in settings.csv or on the command line"));
        }
        return LocalDate.parse(text);
    }

    private static List<Row> read(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return PostingFile.read(in);
        } catch (IOException e) {
            throw new UncheckedIOException("The postings " + file + " cannot be read: " + e.getMessage(), e);
        }
    }
}
