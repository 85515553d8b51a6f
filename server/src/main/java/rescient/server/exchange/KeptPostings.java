package rescient.server.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import rescient.core.stock.DocumentStep;
import rescient.dataset.Dataset;
import rescient.dataset.PostingRows;
import rescient.dataset.Row;

/** The postings of a dataset as they are kept: as it tells them, or else as their movements do. */
final class KeptPostings {
    private static final ObjectMapper JSON = new ObjectMapper();
    /** Where in a row the key stands of what it takes back. */
    private static final int REVERSES = 5;

    private final Map<String, List<String>> rows = new LinkedHashMap<>();
    private final Map<String, List<DocumentStep>> steps = new HashMap<>();
    private final Instant now;

    KeptPostings(Dataset dataset, Instant now) {
        this.now = now;
        PostingRows.steps(dataset.rows("posting_steps")).forEach((key, of) -> steps.put(key(key), of));
        for (Row row : dataset.rows("postings")) {
            String reverses = row.text("reverses");
            rows.put(
                    key(row.text("key")),
                    row(
                            key(row.text("key")),
                            row.text("date"),
                            row.text("sentence", "Posted"),
                            row.text("person", "unknown"),
                            entered(row, now),
                            reverses == null ? "" : key(reverses)));
        }
        byMovements(dataset.rows("movements"));
    }

    /** Key, date, sentence, person, moment, key of what it takes back, what it changed on documents as JSON. */
    Stream<List<String>> rows() {
        return rows.values().stream();
    }

    /** Number and key of each document that a posting touched, as far as that is known beside its movements. */
    Stream<List<String>> orders() {
        return rows.values().stream().flatMap(row -> {
            String key = row.get(0);
            // what takes another one back touches what that did
            return steps.getOrDefault(steps.containsKey(key) ? key : row.get(REVERSES), List.of()).stream()
                    .map(DocumentStep::number)
                    .distinct()
                    .map(number -> List.of(number, key));
        });
    }

    private List<String> row(String key, String date, String sentence, String person, String at, String reverses) {
        return List.of(key, date, sentence, person, at, reverses, json(key));
    }

    private String json(String key) {
        try {
            return steps.containsKey(key) ? JSON.writeValueAsString(steps.get(key)) : "";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** One for each key that nobody told of, those that are taken back before those that do. */
    private void byMovements(List<Row> movements) {
        Map<String, List<Row>> byKey = new LinkedHashMap<>();
        Map<String, String> keyOf = new HashMap<>();
        for (Row row : movements) {
            String key = key(row.text("key"));
            keyOf.put(row.text("movement"), key);
            byKey.computeIfAbsent(key, k -> new ArrayList<>()).add(row);
        }
        byKey.forEach((key, moved) -> {
            if (rows.containsKey(key)) {
                return;
            }
            Row first = moved.stream()
                    .min(Comparator.comparingLong(row -> Long.parseLong(row.text("movement"))))
                    .orElseThrow();
            String back = first.text("reverses") == null ? "" : keyOf.getOrDefault(first.text("reverses"), "");
            rows.put(
                    key,
                    row(
                            key,
                            first.text("date"),
                            back.isEmpty()
                                    ? PostingSentence.of(moved)
                                    : "Took back: " + PostingSentence.of(byKey.get(back)),
                            first.text("person", "unknown"),
                            entered(first, now),
                            back));
        });
    }

    /** A key of the application's own, or one made of what another wrote. */
    static String key(String text) {
        try {
            return UUID.fromString(text).toString();
        } catch (IllegalArgumentException e) {
            return UUID.nameUUIDFromBytes(text.getBytes(StandardCharsets.UTF_8)).toString();
        }
    }

    static String entered(Row row, Instant now) {
        String said = row.text("entered");
        try {
            return said == null ? now.toString() : Instant.parse(said).toString();
        } catch (DateTimeParseException e) {
            return now.toString();
        }
    }
}
