package rescient.server.stock;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.stock.Refused;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.PostingFile;
import rescient.dataset.Postings;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The postings of a file, as of a day's scans: looked at as a whole, then posted one by one, each whole or not at all. */
@Component
class PostingFileDesk {
    /** Rows of a file. */
    private static final int MOST = 20_000;

    private final StockDesk desk;
    private final KeptMovements kept;

    PostingFileDesk(StockDesk desk, KeptMovements kept) {
        this.desk = desk;
        this.kept = kept;
    }

    /**
     * A posting of a file.
     *
     * @param key as it is written
     * @param before it was posted already, and is not again
     * @param refused why it cannot be, after those before it; none: it can
     */
    record FilePosting(String key, String sentence, int lines, boolean before, List<StockDesk.RefusedLine> refused) {}

    /** @param posted how many were, or would be; {@code before} how many were already */
    record FilePostings(List<FilePosting> postings, int posted, int before, int refused) {
        static FilePostings of(List<FilePosting> postings) {
            int before = (int) postings.stream().filter(FilePosting::before).count();
            int refused = (int)
                    postings.stream().filter(one -> !one.refused().isEmpty()).count();
            return new FilePostings(postings, postings.size() - before - refused, before, refused);
        }
    }

    /** One of the postings as something to post. */
    record Written(String text, UUID key, PostingWish wish) {}

    /** The key of a posting that a file names. */
    static UUID key(String text) {
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            return UUID.nameUUIDFromBytes(text.getBytes(StandardCharsets.UTF_8));
        }
    }

    /**
     * The postings of a file, in their order.
     *
     * @throws JobProblem 422 with all that is wrong with the file
     */
    List<Written> read(String file) {
        List<Row> rows;
        try (InputStream bytes = new ByteArrayInputStream(file.getBytes(StandardCharsets.UTF_8))) {
            rows = PostingFile.read(bytes);
        } catch (FaultyDatasetException e) {
            List<String> faults = e.faults().stream().map(Object::toString).toList();
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was posted: the file has faults. " + faults.get(0))
                    .with("wrong", faults);
        } catch (IOException e) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The file cannot be read: " + e.getMessage());
        }
        if (rows.isEmpty() || rows.size() > MOST) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    rows.isEmpty() ? "There is no posting in the file" : "A file has " + MOST + " rows at most");
        }
        Map<String, List<Row>> byKey = new LinkedHashMap<>();
        String last = null;
        for (Row row : rows) {
            String text = row.text("key");
            if (!text.equals(last) && byKey.containsKey(text)) {
                throw new JobProblem(
                        HttpStatus.UNPROCESSABLE_ENTITY, "The key " + text + " comes twice, with others between");
            }
            byKey.computeIfAbsent(text, k -> new ArrayList<>()).add(row);
            last = text;
        }
        List<Written> all = new ArrayList<>();
        byKey.forEach((text, of) -> all.add(new Written(
                text,
                key(text),
                new PostingWish(
                        of.get(0).date("date"),
                        of.get(0).text("reason"),
                        of.stream().map(PostingLine::of).toList()))));
        return all;
    }

    /** What would come of them, one after the other. */
    FilePostings preview(PlanVersion version, List<Written> all) {
        List<Written> others =
                all.stream().filter(one -> kept.posting(one.key()).isEmpty()).toList();
        Map<String, List<Refused>> refused = new LinkedHashMap<>();
        if (!others.isEmpty()) {
            List<Row> rows = others.stream()
                    .flatMap(one -> one
                            .wish()
                            .rows(
                                    one.key(),
                                    version.today(),
                                    version.directory().facts())
                            .stream())
                    .toList();
            Postings.of(version.directory().facts(), kept, version.today(), rows)
                    .refused()
                    .forEach(one -> refused.computeIfAbsent(one.key(), k -> new ArrayList<>())
                            .add(one));
        }
        return FilePostings.of(all.stream()
                .map(one -> new FilePosting(
                        one.text(),
                        desk.sentence(version, one.wish(), List.of()),
                        one.wish().lines().size(),
                        !others.contains(one),
                        refused.getOrDefault(one.key().toString(), List.of()).stream()
                                .map(line -> new Refusal(version, one.wish(), line).line())
                                .toList()))
                .toList());
    }

    /** How one is posted, after it was asked for. */
    interface Post {
        /** @throws JobProblem if it cannot be */
        PostStock.Posted post(SignedIn who, UUID key, PostingWish wish);
    }

    /** Posts them one by one; what cannot be is left out, and said. */
    FilePostings post(SignedIn who, PlanVersion version, List<Written> all, Post post) {
        List<FilePosting> done = new ArrayList<>();
        for (Written one : all) {
            boolean before = kept.posting(one.key()).isPresent();
            String sentence = desk.sentence(version, one.wish(), List.of());
            List<StockDesk.RefusedLine> refused = List.of();
            try {
                post.post(who, one.key(), one.wish());
            } catch (JobProblem e) {
                if (e.status().is5xxServerError() || e.status() == HttpStatus.FORBIDDEN) {
                    throw e;
                }
                refused = List.of(told(e.getMessage()));
            }
            done.add(new FilePosting(one.text(), sentence, one.wish().lines().size(), before, refused));
        }
        return FilePostings.of(done);
    }

    private static StockDesk.RefusedLine told(@Nullable String sentence) {
        return new StockDesk.RefusedLine(
                "refused", null, null, null, null, null, null, String.valueOf(sentence), List.of());
    }
}
