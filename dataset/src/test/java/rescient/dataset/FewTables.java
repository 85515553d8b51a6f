package rescient.dataset;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;

/** A company of a few rows in a folder, on Monday 2 March 2026, with the units pcs and kg and the works W. */
public final class FewTables {
    private final Path folder;

    public FewTables(Path folder) {
        this.folder = folder;
        table("units", "code,decimals", "pcs,0", "kg,3");
        table("sites", "code,name", "W,Works", "D,Depot");
    }

    public FewTables table(String name, String... lines) {
        try {
            Files.writeString(folder.resolve(name + ".csv"), String.join("\n", lines) + "\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return this;
    }

    public Facts facts() {
        return Facts.of(DatasetReader.read(folder));
    }

    public Plan plan() {
        return new Planner()
                .plan(
                        Company.snapshot(
                                DatasetReader.read(folder), LocalDate.of(2026, 3, 2), LocalDate.of(2026, 12, 31)),
                        PlanOptions.ALL);
    }
}
