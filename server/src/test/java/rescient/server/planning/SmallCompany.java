package rescient.server.planning;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.stream.Stream;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Facts;

/** A company of a few rows at works W, planned on Monday 2 March 2026, with units pcs and box. */
final class SmallCompany {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 2);

    private final Path folder;

    SmallCompany(Path folder) {
        this.folder = folder;
        table("units", "code,decimals", "pcs,0", "box,0");
        table("sites", "code,name", "W,Works", "D,Depot");
        table("suppliers", "code,name", "S,Sawmill");
    }

    SmallCompany table(String name, String... lines) {
        try {
            Files.writeString(folder.resolve(name + ".csv"), String.join("\n", lines) + "\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return this;
    }

    SmallCompany items(String... codes) {
        return table(
                "items",
                Stream.concat(Stream.of("code,name,unit"), Stream.of(codes).map(c -> c + ",name of " + c + ",pcs"))
                        .toArray(String[]::new));
    }

    PlanVersion planned() {
        Dataset dataset = DatasetReader.read(folder);
        LocalDate horizonEnd = LocalDate.of(2026, 12, 31);
        return new PlanVersion(
                1,
                Instant.EPOCH,
                1,
                TODAY,
                horizonEnd,
                "Small",
                false,
                new Planner().plan(Company.snapshot(dataset, TODAY, horizonEnd), PlanOptions.ALL),
                new Directory(Facts.of(dataset)));
    }

    static PointView point(PlanVersion version, String item) {
        return version.plan().point(item, "W").orElseThrow();
    }
}
