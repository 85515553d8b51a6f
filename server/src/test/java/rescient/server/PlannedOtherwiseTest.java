package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.decisions.PlanningRows;
import rescient.server.planning.PlanVersion;

/** What planning data would do, calculated by what they touch, against the whole plan with them. */
class PlannedOtherwiseTest extends ServerTest {

    @ParameterizedTest
    @CsvSource({
        // what is needed longer before, in other lots, from another source with another network, from another supplier
        "GBX-410, LARKMOOR, lead_time_days, 25",
        "ROD-12, LARKMOOR, multiple, 7",
        "GBX-410, LARKMOOR, source, buy",
        "ENTR-R, LARKMOOR, supplier, EMBERLY"
    })
    void theTouchedAloneGiveTheWholePlan(String item, String site, String field, String value) {
        PlanVersion version = live.current();
        Dataset dataset = version.directory().dataset();
        Row planned = dataset.rows("planning").stream()
                .filter(row -> item.equals(row.text("item")) && site.equals(row.text("site")))
                .findFirst()
                .orElseThrow()
                .with(field, value);
        Dataset other = PlanningRows.with(dataset, planned);
        PlanVersion whole = version.with(other);
        PlanVersion touched = version.planned(planned, other);
        assertThat(touched.plan().plannedOrders()).isEqualTo(whole.plan().plannedOrders());
        assertThat(touched.signals()).isEqualTo(whole.signals());
        assertThat(whole.plan().plannedOrders()).isNotEqualTo(version.plan().plannedOrders());
    }
}
