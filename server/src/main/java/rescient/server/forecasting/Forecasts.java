package rescient.server.forecasting;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.stream.DoubleStream;
import org.springframework.stereotype.Component;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Forecaster;
import rescient.core.forecast.Method;
import rescient.core.forecast.SalesHistory;
import rescient.server.platform.Nullable;

/** Forecasts that were made: a series that is as it was is not forecast again, whatever else changed. */
@Component
class Forecasts {
    private static final int KEPT = 50_000;

    private final Cache<Asked, Forecast> made =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    private record Asked(List<Double> values, int season, int periods, Method method) {}

    /** @param method null: the one with the least error */
    Forecast of(SalesHistory history, int periods, @Nullable Method method) {
        Asked asked = new Asked(
                DoubleStream.of(history.values()).boxed().toList(),
                history.buckets().season(),
                periods,
                method);
        return made.get(asked, a -> Forecaster.of(history.values(), a.season, a.periods, a.method));
    }
}
