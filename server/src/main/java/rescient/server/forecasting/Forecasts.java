package rescient.server.forecasting;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import org.springframework.stereotype.Component;
import rescient.core.forecast.Choice;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Forecaster;

/** Forecasts that were made: a series that is as it was is not forecast again, whatever else changed. */
@Component
class Forecasts implements DemandSeries.Maker {
    private static final int KEPT = 50_000;

    private final Cache<Asked, Forecast> made =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    private record Asked(double[] values, int season, int periods, Choice choice) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Asked asked
                    && season == asked.season
                    && periods == asked.periods
                    && choice.equals(asked.choice)
                    && Arrays.equals(values, asked.values);
        }

        @Override
        public int hashCode() {
            return 31 * (31 * Arrays.hashCode(values) + periods) + choice.hashCode();
        }
    }

    @Override
    public Forecast of(double[] history, int length, int horizon, Choice choice) {
        return made.get(
                new Asked(history, length, horizon, choice),
                asked -> Forecaster.of(asked.values, asked.season, asked.periods, asked.choice));
    }
}
