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
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
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
        live = new LivePlan(store, today, news);
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
        live.changed(new CompanyChanged(2));
        assertThat(live.knowing(2).number()).isEqualTo(2);
        verify(news, timeout(PATIENCE)).tell(2);
    }

    @Test
    void whenACalculationFailsTheLastCompletePlanStays() {
        assertThat(live.current().number()).isEqualTo(1);
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        live.changed(new CompanyChanged(2));
        verify(store, timeout(PATIENCE).times(2)).read();
        // what comes after the failed one is made again
        org.mockito.Mockito.reset(store);
        when(store.read()).thenReturn(stored(3));
        live.changed(new CompanyChanged(3));
        assertThat(live.knowing(3).number()).isEqualTo(2);
        assertThat(live.failure()).isNull();
    }

    @Test
    void withoutAnyPlanTheReasonIsTold() {
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        LivePlan none = new LivePlan(store, today, news);
        none.start();
        assertThatThrownBy(none::current)
                .isInstanceOf(JobProblem.class)
                .hasMessageContaining("the quantity of A is too large");
        none.destroy();
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
}
