package rescient.server.forecasting;

import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import rescient.server.platform.Nullable;

/** The rows of a list that is made beside the requests: who asks waits for a moment, and is then told how far it is. */
final class SeriesMaking {
    /** In milliseconds. */
    private static final long MOMENT = 1500;

    private final int total;
    private final long moment;
    private final AtomicInteger done = new AtomicInteger();
    private final CompletableFuture<List<ForecastSeriesList.SeriesRow>> rows;

    <T> SeriesMaking(Collection<T> of, Function<T, ForecastSeriesList.SeriesRow> row) {
        this(of, row, MOMENT);
    }

    /** @param moment so many milliseconds who asks waits */
    <T> SeriesMaking(Collection<T> of, Function<T, ForecastSeriesList.SeriesRow> row, long moment) {
        this.total = of.size();
        this.moment = moment;
        this.rows = CompletableFuture.supplyAsync(() -> of.parallelStream()
                .map(one -> {
                    ForecastSeriesList.SeriesRow made = row.apply(one);
                    done.incrementAndGet();
                    return made;
                })
                .filter(Objects::nonNull)
                .toList());
    }

    /** Null: they are not all there yet. */
    @Nullable
    List<ForecastSeriesList.SeriesRow> rows() {
        try {
            return rows.get(moment, TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            return null;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return null;
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e.getCause());
        }
    }

    int done() {
        return done.get();
    }

    int total() {
        return total;
    }
}
