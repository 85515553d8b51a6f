package rescient.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.Plan;
import rescient.core.PlanOptions;
import rescient.core.Planner;
import rescient.core.Signal;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;

class LarkmoorTest {
    private static final Path COMMITTED = Path.of("dataset");

    private final Dataset dataset = DatasetReader.read(COMMITTED);
    private final Plan plan =
            new Planner().plan(Company.snapshot(dataset, Larkmoor.BASE, Larkmoor.BASE.plusDays(270)), PlanOptions.ALL);

    @Test
    void theSameSeedGrowsTheSameCompany(@TempDir Path grown) throws IOException {
        Larkmoor.write(grown);
        try (var files = Files.list(COMMITTED)) {
            for (Path file : files.toList()) {
                assertThat(grown.resolve(file.getFileName())).hasSameTextualContentAs(file);
            }
        }
    }

    @Test
    void itIsLargeEnoughToBeReal() {
        assertThat(dataset.rows("items")).hasSizeGreaterThanOrEqualTo(80);
        assertThat(dataset.rows("customer_orders")).hasSizeGreaterThanOrEqualTo(100);
        assertThat(dataset.rows("planning").stream().map(r -> r.text("source")).distinct())
                .contains("subcontract", "transfer");
    }

    @Test
    void oneBearingFourLevelsDownMakesACustomerOrderLate() {
        assertThat(signals(Signal.Kind.DEMAND_LATE))
                .extracting(Signal::orderNumber, Signal::item, Signal::causeItem)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("SO-790", "EXTR-4", "BRG-6202"));
    }

    @Test
    void itsTroublesAreFindable() {
        assertThat(signals(Signal.Kind.RECEIPT_OVERDUE))
                .extracting(Signal::orderNumber)
                .contains("PO-2032");
        assertThat(signals(Signal.Kind.CANCEL)).extracting(Signal::orderNumber).contains("PO-2040");
        assertThat(signals(Signal.Kind.PUSH_BACK))
                .extracting(Signal::orderNumber)
                .contains("PO-2041");
        assertThat(signals(Signal.Kind.NO_SUPPLIER)).extracting(Signal::item).containsExactly("ENTR-R");
        assertThat(signals(Signal.Kind.EXPIRING)).extracting(Signal::item).containsExactly("SYRUP-5");
        assertThat(signals(Signal.Kind.LOOP)).isEmpty();
    }

    private List<Signal> signals(Signal.Kind kind) {
        return plan.signals().stream().filter(s -> s.kind() == kind).toList();
    }
}
