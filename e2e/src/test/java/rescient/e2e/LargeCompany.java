package rescient.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Locale;
import rescient.bench.CompanyFolder;
import rescient.dataset.DatasetReader;

/** A generated company of {@code rescient.points} stock points, loaded and planned. */
final class LargeCompany {
    private LargeCompany() {}

    static void load(DeskTest test, Path folder) {
        int points = Integer.getInteger("rescient.points", 10_000);
        try {
            CompanyFolder.write(points, 7, folder);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        long begun = System.nanoTime();
        test.store.replace(DatasetReader.read(folder), "large", true);
        System.out.printf(
                Locale.ROOT, "%,d stock points loaded in %.1f s%n", points, (System.nanoTime() - begun) / 1e9);
        long revision = test.jdbc.queryForObject("select revision from company", Long.class);
        while (test.live.current().revision() < revision) {
            try {
                test.live.knowing(revision);
            } catch (RuntimeException e) {
                System.out.println("planning …");
            }
        }
        System.out.printf(
                Locale.ROOT,
                "%,d planned orders, %,d signals; the plan took %,d ms%n",
                test.live.current().plan().plannedOrderCount(),
                test.live.current().signals().size(),
                test.live.current().tookMillis());
    }
}
