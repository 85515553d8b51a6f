package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.PostCommand;
import rescient.dataset.plain.PlainAct.Refusal;
import rescient.dataset.plain.PlainAct.Unsaid;

/** Random postings on random companies come to what the rules say, read one sentence after the other. */
class PlainPostingTest {
    private static final int COMPANIES = Integer.getInteger("rescient.companies", 60);
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

    @TempDir(cleanup = CleanupMode.ON_SUCCESS)
    Path folder;

    @Test
    void randomPostingsComeToWhatTheRulesSay() throws IOException {
        int posted = 0;
        for (long seed = FIRST; seed < FIRST + COMPANIES; seed++) {
            RandomPostings random = new RandomPostings(seed);
            PlainPosting plain = new PlainPosting(random.tables);
            List<String> keys = new ArrayList<>();
            List<String> lines = new ArrayList<>(List.of(String.join(",", COLUMNS)));
            for (int i = 1; i <= POSTINGS; i++) {
                List<Tables.Row> rows = random.posting("k" + i, keys);
                try {
                    List<Refusal> refused = plain.post(rows);
                    rows.forEach(r -> lines.add(
                            String.join(",", COLUMNS.stream().map(r::text).toList())));
                    if (refused.isEmpty()) {
                        keys.add("k" + i);
                        posted++;
                    }
                } catch (Unsaid e) {
                    // left out of the file
                }
            }
            Path dataset = folder.resolve("d" + seed);
            random.tables.write(dataset);
            Path file = Files.write(folder.resolve("p" + seed + ".csv"), lines);
            Path out = folder.resolve("o" + seed);
            PostCommand.post(dataset, file, out, null);
            new PlainOutcome(plain, Tables.read(out)).same("company " + seed);
        }
        assertThat(posted).isGreaterThan(COMPANIES * 8);
    }
}
