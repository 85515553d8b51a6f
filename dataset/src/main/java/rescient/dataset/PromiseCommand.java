package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.promise.Answer;
import rescient.core.promise.Promising;
import rescient.core.snapshot.PlanOptions;

/**
 * Promises what is asked for, without a database or a browser: {@code promise DATASET REQUESTS.csv --out FILE} with the
 * options of {@code plan}. Requests do not see each other; the lines of one do, in the order of their rows. Exit 0 answered;
 * 2 the dataset or the requests have faults, all of them on standard error and nothing written; 1 anything else.
 */
public final class PromiseCommand {
    private static final String[] COLUMNS = {
        "request",
        "line",
        "promised",
        "available_quantity",
        "cause_item",
        "cause_site",
        "limiting_component",
        "taken_from_number",
        "taken_from_line"
    };

    private PromiseCommand() {}

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private static void run(String[] words) {
        if (words.length < 2 || words[0].startsWith("--") || words[1].startsWith("--")) {
            throw new IllegalArgumentException(
                    "Say what is asked of which dataset: promise DATASET REQUESTS.csv --out FILE");
        }
        CommandWords options = CommandWords.of(words, 2, CommandWords.OF_A_PLAN);
        String out = options.needed("--out", "Say where the answers go: --out FILE");
        CommandWords.Progress progress = new CommandWords.Progress();
        Dataset dataset =
                DatasetReader.readTables(Path.of(words[0]), rows -> progress.tell("Reading: " + rows + " rows"));
        List<Row> requests = Requests.read(dataset, Path.of(words[1]));
        Plan plan = plan(dataset, options);
        Map<String, List<Integer>> byRequest = new LinkedHashMap<>();
        for (int i = 0; i < requests.size(); i++) {
            byRequest
                    .computeIfAbsent(requests.get(i).text("request"), r -> new ArrayList<>())
                    .add(i);
        }
        String[][] written = new String[requests.size()][];
        byRequest.forEach((request, places) -> {
            progress.tell("Promising: request " + request);
            List<Row> lines = places.stream().map(requests::get).toList();
            List<Answer> answers =
                    Promising.of(plan, lines.stream().map(Requests::request).toList());
            for (int i = 0; i < lines.size(); i++) {
                written[places.get(i)] = written(lines.get(i), answers.get(i), lines);
            }
        });
        write(Path.of(out), List.of(written));
        System.out.println("Answered " + requests.size() + (requests.size() == 1 ? " line" : " lines"));
    }

    /** Without customer orders a request stands alone; it is one itself, and counts. */
    private static Plan plan(Dataset dataset, CommandWords options) {
        Set<PlanOptions.Kind> without = EnumSet.noneOf(PlanOptions.Kind.class);
        without.addAll(options.without());
        Dataset counted =
                without.remove(PlanOptions.Kind.CUSTOMER_ORDERS) ? dataset.with("customer_orders", List.of()) : dataset;
        return new Planner()
                .plan(
                        Company.snapshot(
                                counted,
                                options.today(dataset),
                                options.horizonEnd(dataset),
                                options.forecastSet(dataset)),
                        new PlanOptions(without, Set.of()));
    }

    private static String[] written(Row line, Answer answer, List<Row> lines) {
        Answer.Taken taken = answer.takenFrom();
        Row mine = taken == null || taken.request() == null ? null : lines.get(taken.request());
        return new String[] {
            line.text("request"),
            line.text("line"),
            answer.promisedDay() == null
                    ? ""
                    : LocalDate.ofEpochDay(answer.promisedDay()).toString(),
            Quantity.text(answer.available()),
            said(answer.causeItem()),
            said(answer.causeSite()),
            said(answer.limitingComponent()),
            said(taken == null ? null : mine == null ? taken.number() : mine.text("request")),
            said(taken == null ? null : mine == null ? taken.line() : mine.text("line"))
        };
    }

    private static String said(String text) {
        return text == null ? "" : text;
    }

    private static void write(Path file, List<String[]> rows) {
        try {
            if (file.toAbsolutePath().getParent() != null) {
                Files.createDirectories(file.toAbsolutePath().getParent());
            }
            try (CsvWriter csv = CsvWriter.builder().build(file)) {
                csv.writeRecord(COLUMNS);
                rows.forEach(csv::writeRecord);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The answers cannot be written to " + file + ": " + e.getMessage(), e);
        }
    }
}
