package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** When nothing is left, if nothing more is ordered. Today is Monday 2 March 2026. */
class RunOutTest {
    private static RunOut of(Example example) {
        return RunOut.of(example.plan().point("A", "W").orElseThrow()).orElse(null);
    }

    /** Ten are there and five come on the 9th, not sooner; 12 go on the 6th, so that two are short until the 9th, and 8 on the 16th: five. */
    @Test
    void theFirstDayAndTheMostThatIsShort() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(3))
                .stock("A", 10)
                .open("P", Source.BUY, Stage.RELEASED, "A", 5, "9 Mar", null, true)
                .wanted("A", 12, "6 Mar")
                .wanted("A", 8, "16 Mar");
        assertThat(of(example)).isEqualTo(new RunOut(day("6 Mar"), Quantity.of(5)));
    }

    /** The forecast of April takes what customer orders leave. */
    @Test
    void forecastsCount() {
        Example example = new Example().planned(buy("A").leadTimeDays(3)).stock("A", 10);
        example.builder.forecast(new ForecastBucket("F", "A", "W", day("1 Apr"), PeriodUnit.MONTH, Quantity.of(14)));
        assertThat(of(example)).isEqualTo(new RunOut(day("1 Apr"), Quantity.of(4)));
    }

    /** Safety stock may be used up: it is there for that. */
    @Test
    void whatLastsNeverRunsOut() {
        assertThat(of(new Example()
                        .planned(buy("A").leadTimeDays(3).safetyStock(Quantity.of(9)))
                        .stock("A", 10)
                        .wanted("A", 10, "6 Mar")))
                .isNull();
    }
}
