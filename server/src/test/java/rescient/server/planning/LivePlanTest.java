package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.server.exchange.CompanyStore;
import rescient.server.platform.CompanyChanged;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;

/** The live plan with a store that answers as it is told. */
class LivePlanTest {
    private static final long PATIENCE = 10_000;

    private final Dataset demo = DatasetReader.read(Path.of("../demo/dataset"));
    private final CompanyStore store = mock(CompanyStore.class);
    private final Today today = mock(Today.class);
    private final PlanNews news = mock(PlanNews.class);
    private LivePlan live;

    @BeforeEach
    void aPlan() {
        when(today.day()).thenReturn(LocalDate.of(2026, 11, 23));
        when(today.now()).thenReturn(Instant.parse("2026-11-23T08:00:00Z"));
        when(store.read()).thenReturn(stored(1));
        live = new LivePlan(store, today, news, List.of(), List.of());
        live.start();
    }

    @AfterEach
    void end() {
        live.destroy();
    }

    private CompanyStore.Stored stored(long revision) {
        return new CompanyStore.Stored(demo, revision, "Larkmoor Hives", true);
    }

    @Test
    void aCommittedChangeMakesANewVersionAndTellsTheBrowsers() {
        assertThat(live.current().number()).isEqualTo(1);
        when(store.read()).thenReturn(stored(2));
        live.changed(new CompanyChanged(2, null));
        assertThat(live.knowing(2).number()).isEqualTo(2);
        verify(news, timeout(PATIENCE)).tell(2);
    }

    @Test
    void whenACalculationFailsTheLastCompletePlanStays() {
        assertThat(live.current().number()).isEqualTo(1);
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        live.changed(new CompanyChanged(2, null));
        verify(store, timeout(PATIENCE).times(2)).read();
        // what comes after the failed one is made again
        org.mockito.Mockito.reset(store);
        when(store.read()).thenReturn(stored(3));
        live.changed(new CompanyChanged(3, null));
        assertThat(live.knowing(3).number()).isEqualTo(2);
        assertThat(live.failure()).isNull();
    }

    @Test
    void withoutAnyPlanTheReasonIsTold() {
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        LivePlan none = new LivePlan(store, today, news, List.of(), List.of());
        none.start();
        assertThatThrownBy(none::current)
                .isInstanceOf(JobProblem.class)
                .hasMessageContaining("the quantity of A is too large");
        none.destroy();
    }

    @Test
    void thePlanIsRehearsedOnceBeforeItIsSeen() {
        List<Long> rehearsed = new CopyOnWriteArrayList<>();
        LivePlan slow = new LivePlan(
                store,
                today,
                news,
                List.of(),
                List.of(
                        version -> {
                            throw new IllegalStateException("forgot the words");
                        },
                        version -> rehearsed.add(version.number())));
        slow.start();
        assertThat(slow.current().number()).isEqualTo(1);
        assertThat(rehearsed).containsExactly(1L);
        when(store.read()).thenReturn(stored(2));
        slow.changed(new CompanyChanged(2, null));
        assertThat(slow.knowing(2).number()).isEqualTo(2);
        assertThat(rehearsed).containsExactly(1L);
        slow.destroy();
    }

    @Test
    void aNewDayMakesANewPlan() {
        assertThat(live.current().today()).isEqualTo(LocalDate.of(2026, 11, 23));
        live.whenTheDayChanges();
        when(today.day()).thenReturn(LocalDate.of(2026, 11, 24));
        live.whenTheDayChanges();
        verify(news, timeout(PATIENCE)).tell(2);
        assertThat(live.current().today()).isEqualTo(LocalDate.of(2026, 11, 24));
        verify(news, timeout(PATIENCE).times(2)).tell(anyLong());
    }

    @Test
    void aChangeThatIsToldInFullIsCalculatedWithoutReadingTheCompany() {
        assertThat(live.current().number()).isEqualTo(1);
        OpenOrder order = new OpenOrder(
                "PO-9999",
                "1",
                Source.BUY,
                Stage.RELEASED,
                "NAIL-20",
                "LARKMOOR",
                null,
                "HOLLIN",
                Quantity.of(1000),
                (int) LocalDate.of(2026, 12, 1).toEpochDay(),
                OpenOrder.NO_DAY,
                false);
        live.changed(new CompanyChanged(2, List.of(new Change.Order(order, List.of()))));
        PlanVersion next = live.knowing(2);
        assertThat(next.plan().point("NAIL-20", "LARKMOOR").orElseThrow().supplies())
                .anyMatch(supply -> supply.number().equals("PO-9999"));
        assertThat(next.directory().openOrder("PO-9999", "1")).isNotNull();
        verify(store, org.mockito.Mockito.times(1)).read();
    }

    @Test
    void aChangeThatDoesNotFollowOnThePlanHasTheCompanyReadAgain() {
        assertThat(live.current().number()).isEqualTo(1);
        when(store.read()).thenReturn(stored(3));
        live.changed(new CompanyChanged(3, List.of()));
        assertThat(live.knowing(3).revision()).isEqualTo(3);
        verify(store, org.mockito.Mockito.times(2)).read();
    }
}
