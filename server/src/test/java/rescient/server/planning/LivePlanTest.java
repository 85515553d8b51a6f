package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.longThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.exchange.CompanyStore;
import rescient.server.platform.Companies;
import rescient.server.platform.CompanyChanged;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Memory;
import rescient.server.platform.Today;

/** The live plan with a store that answers as it is told. */
class LivePlanTest {
    private static final long PATIENCE = 10_000;

    private final Dataset demo = DatasetReader.read(Path.of("../demo/dataset"));
    private final CompanyStore store = mock(CompanyStore.class);
    private final Companies companies = mock(Companies.class);
    private final Today today = mock(Today.class);
    private final PlanNews news = mock(PlanNews.class);
    private LivePlan live;

    @BeforeEach
    void aPlan() {
        when(today.day()).thenReturn(LocalDate.of(2026, 11, 23));
        when(today.now()).thenReturn(Instant.parse("2026-11-23T08:00:00Z"));
        when(store.read()).thenReturn(stored(1));
        live = new LivePlan(store, companies, today, news, List.of(), List.of(), new Memory(), true);
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
        long first = live.current().number();
        when(store.read()).thenReturn(stored(2));
        live.changed(new CompanyChanged(2, null));
        PlanVersion next = live.knowing(2);
        assertThat(next.number()).isGreaterThan(first);
        verify(news, timeout(PATIENCE)).tell(next.number());
    }

    @Test
    void whenACalculationFailsTheLastCompletePlanStays() {
        assertThat(live.current().revision()).isEqualTo(1);
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        live.changed(new CompanyChanged(2, null));
        verify(store, timeout(PATIENCE).times(2)).read();
        // what comes after the failed one is made again
        org.mockito.Mockito.reset(store);
        when(store.read()).thenReturn(stored(3));
        live.changed(new CompanyChanged(3, null));
        assertThat(live.knowing(3).revision()).isEqualTo(3);
        assertThat(live.failure()).isNull();
    }

    @Test
    void withoutAnyPlanTheReasonIsTold() {
        when(store.read()).thenThrow(new IllegalStateException("the quantity of A is too large"));
        LivePlan none = new LivePlan(store, companies, today, news, List.of(), List.of(), new Memory(), true);
        none.start();
        assertThatThrownBy(none::current)
                .isInstanceOf(JobProblem.class)
                .hasMessageContaining("the quantity of A is too large");
        none.destroy();
    }

    @Test
    void thePlanIsWarmedUpOnceBeforeItIsSeen() {
        List<Long> rehearsed = new CopyOnWriteArrayList<>();
        LivePlan slow = new LivePlan(
                store,
                companies,
                today,
                news,
                List.of(),
                List.of(
                        version -> {
                            throw new IllegalStateException("forgot the words");
                        },
                        version -> rehearsed.add(version.revision())),
                new Memory(),
                true);
        slow.start();
        assertThat(slow.current().revision()).isEqualTo(1);
        assertThat(rehearsed).containsExactly(1L);
        when(store.read()).thenReturn(stored(2));
        slow.changed(new CompanyChanged(2, null));
        assertThat(slow.knowing(2).revision()).isEqualTo(2);
        assertThat(rehearsed).containsExactly(1L);
        slow.destroy();
    }

    @Test
    void aNewDayMakesANewPlan() {
        assertThat(live.current().today()).isEqualTo(LocalDate.of(2026, 11, 23));
        live.whenTheDayChanges();
        long before = live.current().number();
        when(today.day()).thenReturn(LocalDate.of(2026, 11, 24));
        live.whenTheDayChanges();
        verify(news, timeout(PATIENCE)).tell(longThat(number -> number > before));
        assertThat(live.current().today()).isEqualTo(LocalDate.of(2026, 11, 24));
        verify(news, timeout(PATIENCE).times(2)).tell(anyLong());
    }

    private static FactChange ordered(String number) {
        return FactChange.of(
                null,
                Row.of(
                        Table.named("open_orders"),
                        Map.of(
                                "number",
                                number,
                                "line",
                                "1",
                                "kind",
                                "buy",
                                "stage",
                                "released",
                                "item",
                                "NAIL-20",
                                "site",
                                "LARKMOOR",
                                "supplier",
                                "HOLLIN",
                                "quantity",
                                "1000",
                                "due_date",
                                "2026-12-01")));
    }

    private void isFollowed(String number, long revision) {
        PlanVersion next = live.knowing(revision);
        assertThat(next.plan().point("NAIL-20", "LARKMOOR").orElseThrow().supplies())
                .anyMatch(supply -> supply.number().equals(number));
        assertThat(next.directory().openOrder(number, "1")).isNotNull();
        verify(store, org.mockito.Mockito.times(1)).read();
    }

    @Test
    void aChangeThatIsToldInFullIsCalculatedWithoutReadingTheCompany() {
        assertThat(live.current().revision()).isEqualTo(1);
        live.changed(new CompanyChanged(2, List.of(ordered("PO-9999"))));
        isFollowed("PO-9999", 2);
    }

    /** Another server made them; this one hears of the last alone. */
    @Test
    void changesThatWereMadeElsewhereAreReadAndFollowed() {
        assertThat(live.current().revision()).isEqualTo(1);
        when(companies.changes(1, 3))
                .thenReturn(List.of(
                        new CompanyChanged(2, List.of(ordered("PO-9998"))),
                        new CompanyChanged(3, List.of(ordered("PO-9999")))));
        live.known(3);
        isFollowed("PO-9998", 3);
        isFollowed("PO-9999", 3);
    }

    /** What came between is not known, and neither is what was changed by a program that tells nothing. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void aChangeThatDoesNotFollowOnThePlanHasTheCompanyReadAgain(boolean told) {
        assertThat(live.current().revision()).isEqualTo(1);
        when(store.read()).thenReturn(stored(3));
        when(companies.changes(1, 3)).thenReturn(told ? List.of(new CompanyChanged(2, null)) : List.of());
        live.changed(new CompanyChanged(3, List.of()));
        assertThat(live.knowing(3).revision()).isEqualTo(3);
        verify(store, org.mockito.Mockito.times(2)).read();
    }

    /** Facts are there while their plan is still being made; what waits meanwhile is planned together. */
    @Test
    void whoNeedsFactsAloneDoesNotWaitForThePlan() {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch goOn = new CountDownLatch(1);
        List<Long> planned = new CopyOnWriteArrayList<>();
        LivePlan slow = new LivePlan(
                store,
                companies,
                today,
                news,
                List.of((before, next) -> {
                    planned.add(next.revision());
                    if (next.revision() == 2) {
                        begun.countDown();
                        awaited(goOn);
                    }
                }),
                List.of(),
                new Memory(),
                true);
        slow.start();
        assertThat(slow.moment(1)).isSameAs(slow.current());
        slow.changed(new CompanyChanged(2, List.of(ordered("PO-9992"))));
        awaited(begun);
        for (int revision = 3; revision <= 7; revision++) {
            slow.changed(new CompanyChanged(revision, List.of(ordered("PO-999" + revision))));
        }
        CompanyMoment moment = slow.moment(7);
        assertThat(slow.current().revision()).isEqualTo(1);
        assertThat(moment.revision()).isEqualTo(7);
        assertThat(moment.directory().openOrder("PO-9992", "1")).isNotNull();
        assertThat(moment.directory().openOrder("PO-9997", "1")).isNotNull();
        assertThat(slow.current().directory().openOrder("PO-9992", "1")).isNull();
        goOn.countDown();
        PlanVersion all = slow.knowing(7);
        assertThat(all.plan().point("NAIL-20", "LARKMOOR").orElseThrow().supplies())
                .anyMatch(supply -> supply.number().equals("PO-9992"))
                .anyMatch(supply -> supply.number().equals("PO-9997"));
        assertThat(planned).startsWith(1L, 2L).endsWith(7L).hasSize(3);
        assertThat(slow.moment(7)).isSameAs(all);
        slow.destroy();
    }

    private static void awaited(CountDownLatch latch) {
        try {
            assertThat(latch.await(PATIENCE, TimeUnit.MILLISECONDS)).isTrue();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Another server changed it meanwhile; what is missing is read. */
    @Test
    void factsThatWereMadeElsewhereAreReadWithoutAPlan() {
        assertThat(live.current().revision()).isEqualTo(1);
        when(companies.changes(1, 3))
                .thenReturn(List.of(
                        new CompanyChanged(2, List.of(ordered("PO-9998"))),
                        new CompanyChanged(3, List.of(ordered("PO-9999")))));
        CompanyMoment moment = live.moment(3);
        assertThat(moment.directory().openOrder("PO-9998", "1")).isNotNull();
        assertThat(moment.directory().openOrder("PO-9999", "1")).isNotNull();
        assertThat(moment.plan()).isSameAs(live.current().plan());
    }
}
