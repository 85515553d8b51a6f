package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.PostCommand;
import rescient.dataset.plain.PlainAct.Refusal;
import rescient.dataset.plain.PlainAct.Unsaid;

/** Random postings on random companies come to what the rules say, read one sentence after the other. */
class PlainPostingTest {
    private static final int COMPANIES = Integer.getInteger("rescient.companies", 25);
    private static final long FIRST = Long.getLong("rescient.company", 1);
    private static final int POSTINGS = 40;
    private static final List<String> COLUMNS = List.of(
            "key",
            "date",
            "action",
            "number",
            "line",
            "item",
            "site",
            "lot",
            "serial",
            "quantity",
            "unit",
            "quarantined",
            "scrapped",
            "price",
            "minutes",
            "step",
            "expiry",
            "reverses");
    /** What a later run can take back by its movements alone. */
    private static final List<String> TOLD_BY_MOVEMENTS =
            List.of("ship", "ship_transfer", "adjust", "count", "quarantine", "free");

    @TempDir(cleanup = CleanupMode.ON_SUCCESS)
    Path folder;

    private int posted;

    @Test
    void randomPostingsComeToWhatTheRulesSay() throws IOException {
        for (long seed = FIRST; seed < FIRST + COMPANIES; seed++) {
            RandomPostings random = new RandomPostings(seed, true, "", "average", "standard", "fifo", "specific");
            PlainPosting plain = new PlainPosting(random.tables);
            List<String> lines = post(random, plain, POSTINGS, new ArrayList<>());
            Path dataset = folder.resolve("d" + seed);
            random.tables.write(dataset);
            same(plain, 0, dataset, lines, "company " + seed);
        }
        assertThat(posted).isGreaterThan(COMPANIES * 8);
    }

    /** What one run leaves the next begins with; of items with layers nothing is taken back that was posted before. */
    @Test
    void twoRunsComeToWhatOneDoes() throws IOException {
        twoRuns(false, keys -> keys.clear(), "", "average", "standard", "fifo", "specific");
    }

    /** Movements tell what was shipped, corrected and set aside. */
    @Test
    void aLaterRunTakesBackWhatMovementsTell() throws IOException {
        twoRuns(false, keys -> {}, "", "standard");
    }

    /** A dataset that tells of its postings tells everything: time, scrap, parts that were put out, and ends. */
    @Test
    void aLaterRunTakesBackEverythingThatPostingsTell() throws IOException {
        twoRuns(true, null, "", "standard");
    }

    /** @param allowed leaves of the first run's keys what may be taken back; null: all of them */
    private void twoRuns(boolean told, Consumer<List<String>> allowed, String... costing) throws IOException {
        for (long seed = FIRST; seed < FIRST + COMPANIES; seed++) {
            // stock does not tell when a lot expires that is gone
            RandomPostings random = new RandomPostings(seed, false, costing);
            if (told) {
                random.tables.add("postings", "key", "begun", "date", RandomPostings.TODAY);
            }
            PlainPosting plain = new PlainPosting(random.tables);
            List<String> keys = new ArrayList<>();
            List<String> first = post(random, plain, POSTINGS / 2, keys);
            int refused = plain.refused.size();
            if (allowed != null) {
                allowed.accept(keys);
                keys.removeIf(key -> !toldByMovements(plain, first, key));
            }
            PlainStock half = plain.stock.copy();
            List<String> then = post(random, plain, POSTINGS, keys);
            if (cameBack(half, plain.stock)) {
                continue;
            }
            Path dataset = folder.resolve("d" + seed);
            random.tables.write(dataset);
            Path between = folder.resolve("h" + seed);
            PostCommand.post(dataset, Files.write(folder.resolve("f" + seed + ".csv"), first), between, null);
            same(plain, refused, between, then, "two runs of company " + seed);
        }
        assertThat(posted).isGreaterThan(COMPANIES * 8);
    }

    private static boolean toldByMovements(PlainPosting plain, List<String> lines, String key) {
        List<PlainStock.Movement> own =
                plain.stock.movements.stream().filter(m -> m.key().equals(key)).toList();
        return !own.isEmpty()
                && own.stream().noneMatch(m -> m.kind().equals("output"))
                && lines.stream()
                        .filter(line -> line.startsWith(key + ","))
                        .allMatch(line -> TOLD_BY_MOVEMENTS.contains(line.split(",")[2]));
    }

    /** A later run does not know since when something lay there that was gone in between. */
    private static boolean cameBack(PlainStock half, PlainStock end) {
        return end.movements.stream()
                .skip(half.movements.size())
                .anyMatch(m -> m.quantity().sign() > 0
                        && (half.bins().contains(m.bin())
                                || half.bins().contains(m.bin().with(!m.bin().quarantined())))
                        && half.now(m.bin()).sign() == 0
                        && half.now(m.bin().with(!m.bin().quarantined())).sign() == 0);
    }

    /** Rows of postings until there are so many; what the rules do not say is left out. */
    private List<String> post(RandomPostings random, PlainPosting plain, int until, List<String> keys) {
        List<String> lines = new ArrayList<>(List.of(String.join(",", COLUMNS)));
        while (random.made() < until) {
            List<Tables.Row> rows = random.posting(keys);
            try {
                List<Refusal> refused = plain.post(rows);
                rows.forEach(r ->
                        lines.add(String.join(",", COLUMNS.stream().map(r::text).toList())));
                if (refused.isEmpty()) {
                    keys.add(rows.get(0).text("key"));
                    posted++;
                }
            } catch (Unsaid e) {
                // left out of the file
            }
        }
        return lines;
    }

    private void same(PlainPosting plain, int refused, Path dataset, List<String> lines, String name)
            throws IOException {
        Path out = folder.resolve("out");
        PostCommand.post(dataset, Files.write(folder.resolve("postings.csv"), lines), out, null);
        new PlainOutcome(plain, refused, Tables.read(out)).same(name);
    }
}
