package rescient.server.forecasting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.awaitility.Awaitility.await;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

/** A list that takes long says how far it is; and when a run over all series is due. */
class SeriesMakingTest {
    /** The second of two waits until it has been looked at: one of two is done, then there is nothing left to tell. */
    @Test
    void whoAsksIsToldHowFarItIs() {
        CountDownLatch looked = new CountDownLatch(1);
        SeriesMaking making = new SeriesMaking(
                List.of("A", "B"),
                item -> {
                    if (item.equals("B")) {
                        waitFor(looked);
                    }
                    return null;
                },
                10);
        await().until(() -> making.done() == 1);
        assertThat(making.rows()).isNull();
        assertThat(making.total()).isEqualTo(2);
        looked.countDown();
        await().until(() -> making.rows() != null);
        assertThat(making.rows()).isEmpty();
        assertThat(making.done()).isEqualTo(2);
    }

    private static void waitFor(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void whatFailsIsSaid() {
        SeriesMaking making = new SeriesMaking(
                List.of("A"),
                item -> {
                    throw new IllegalStateException("no series");
                },
                1000);
        assertThatThrownBy(making::rows).hasMessageContaining("no series");
    }

    /** 24 November 2026 is a Tuesday. */
    @Test
    void aRunIsDueByItsSchedule() {
        LocalDate tuesday = LocalDate.of(2026, 11, 24);
        assertThat(ForecastSchedule.due("daily", tuesday)).isEqualTo(tuesday);
        assertThat(ForecastSchedule.due("weekly", tuesday)).isEqualTo(tuesday.minusDays(1));
        assertThat(ForecastSchedule.due("monthly", tuesday)).isEqualTo("2026-11-01");
        assertThat(ForecastSchedule.due(null, tuesday)).isNull();
    }
}
