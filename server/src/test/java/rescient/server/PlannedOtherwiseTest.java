package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;

/** What planning data would do, calculated by what they touch, against the whole plan with them. */
class PlannedOtherwiseTest extends ServerTest {
    @Autowired
    private Companies companies;

    @Autowired
    private TransactionTemplate transaction;

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
        Row before = version.directory().facts().row("planning", item, site);
        Row planned = before.with(field, value);
        Plan whole = anew(version, version.directory().dataset().with(planned));
        PlanVersion touched = version.changed(List.of(FactChange.of(before, planned)));
        assertThat(touched.plan().plannedOrders()).isEqualTo(whole.plannedOrders());
        assertThat(touched.signals()).isEqualTo(whole.allSignals());
        assertThat(whole.plannedOrders()).isNotEqualTo(version.plan().plannedOrders());
    }

    /** Kept and taken back, too: the names stay those that were read, and the plan is the one that would be made anew. */
    @Test
    void whatIsKeptIsFollowedWithoutReadingTheCompanyAgain() throws Exception {
        PlanVersion before = live.current();
        Reply kept = decide(
                "ida",
                "{'kind':'PLANNING','item':'GBX-410','site':'LARKMOOR','fields':{'lead_time_days':'25','source':'buy'}}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        PlanVersion after = live.current();
        assertThat(after.plan().plannedOrders()).isNotEqualTo(before.plan().plannedOrders());
        assertThat(after.directory().facts().rows("items"))
                .isSameAs(before.directory().facts().rows("items"));
        sameAsReadAgain(after);

        undo("ida", kept);
        knowing();
        assertThat(live.current().directory().facts().rows("items"))
                .isSameAs(before.directory().facts().rows("items"));
        assertThat(live.current().plan().plannedOrders())
                .isEqualTo(before.plan().plannedOrders());
        sameAsReadAgain(live.current());
    }

    /** A name is nothing to the calculation, and stands in the list all the same. */
    @Test
    void anotherNameIsInTheListAtOnce() throws Exception {
        assertThat(nameInTheList()).isEqualTo("Bearing 6202, sealed");
        Row before = live.current().directory().facts().row("items", "BRG-6202");
        transaction.executeWithoutResult(status -> {
            jdbc.update("update items set name = 'Ball bearing' where code = 'BRG-6202'");
            companies.changed(
                    new Cause(Cause.Kind.SETTING, "Ida Holm", "Named otherwise"),
                    List.of(FactChange.of(before, before.with("name", "Ball bearing"))));
        });
        knowing();
        assertThat(nameInTheList()).isEqualTo("Ball bearing");
        sameAsReadAgain(live.current());
    }

    private String nameInTheList() throws Exception {
        return get("ida", "/api/plan/orders")
                .body()
                .get("orders")
                .get(0)
                .get("itemName")
                .asText();
    }

    /** All of it calculated, nothing followed. */
    private static Plan anew(PlanVersion version, Dataset dataset) {
        return new Planner().plan(Company.snapshot(dataset, version.today(), version.horizonEnd()), PlanOptions.ALL);
    }

    private void sameAsReadAgain(PlanVersion version) {
        Plan again = anew(version, store.read().dataset());
        assertThat(version.plan().plannedOrders()).isEqualTo(again.plannedOrders());
        assertThat(version.signals()).isEqualTo(again.allSignals());
    }
}
