package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code forecast} as it is typed: a dataset in, forecasts and the methods they were made by out. */
class ForecastCommandTest {
    private static final int[] YEAR = {12, 14, 22, 30, 32, 28, 20, 16, 12, 10, 14, 18};

    @TempDir
    private Path folder;

    /** A repeats its year exactly from 2023 on; Z is one number, then nothing; today is the 10th of March 2026. */
    @BeforeEach
    void aSmallCompany() throws IOException {
        file("settings", "key,value", "today,2026-03-10");
        file("units", "code,decimals", "PC,0", "kg,3");
        file("sites", "code", "W");
        file("items", "code,unit", "A,PC", "Z,kg");
        List<String> shipments = new ArrayList<>(List.of("item,site,date,number,line,quantity"));
        int number = 0;
        for (LocalDate day = LocalDate.of(2023, 1, 5);
                day.isBefore(LocalDate.of(2026, 3, 1));
                day = day.plusMonths(1)) {
            // twice a month, and together what the year says
            int half = YEAR[day.getMonthValue() - 1] / 2;
            shipments.add("A,W," + day + ",S" + ++number + ",1," + half);
            shipments.add("A,W," + day.plusDays(20) + ",S" + ++number + ",1," + half);
        }
        shipments.add("A,W,2026-03-02,S" + ++number + ",1,900");
        shipments.add("Z,W,2026-02-11,S" + ++number + ",1,0.75");
        file("shipments", shipments.toArray(String[]::new));
    }

    private void file(String name, String... lines) throws IOException {
        Files.write(folder.resolve(name + ".csv"), List.of(lines));
    }

    private record Done(int exit, String errors) {}

    private Done forecast(String... options) throws Exception {
        List<String> words = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                "rescient.dataset.ForecastCommand",
                folder.toString(),
                "--out",
                folder.resolve("out").toString()));
        words.addAll(List.of(options));
        Path errors = Files.createTempFile("forecast", ".txt");
        Process process = new ProcessBuilder(words)
                .redirectError(errors.toFile())
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        return new Done(process.waitFor(), Files.readString(errors));
    }

    private List<String> rows(String file) throws IOException {
        return Files.readAllLines(folder.resolve("out").resolve(file));
    }

    /** March has begun: it is the first that is forecast, and what was shipped in it does not count. The year comes again. */
    @Test
    void whatRepeatsItselfIsForecastAsItWas() throws Exception {
        Done done = forecast();
        assertThat(done.exit()).as(done.errors()).isZero();
        List<String> forecasts = rows("forecasts.csv");
        assertThat(forecasts.get(0)).isEqualTo("set,item,site,from_date,bucket,quantity,low80,high80,low95,high95");
        assertThat(forecasts.subList(1, 13))
                .extracting(row -> String.join(",", List.of(row.split(",")).subList(0, 6)))
                .containsExactly(
                        "auto,A,W,2026-03-01,month,22",
                        "auto,A,W,2026-04-01,month,30",
                        "auto,A,W,2026-05-01,month,32",
                        "auto,A,W,2026-06-01,month,28",
                        "auto,A,W,2026-07-01,month,20",
                        "auto,A,W,2026-08-01,month,16",
                        "auto,A,W,2026-09-01,month,12",
                        "auto,A,W,2026-10-01,month,10",
                        "auto,A,W,2026-11-01,month,14",
                        "auto,A,W,2026-12-01,month,18",
                        "auto,A,W,2027-01-01,month,12",
                        "auto,A,W,2027-02-01,month,14");
        assertThat(forecasts).hasSize(25);
        assertThat(forecasts.get(13)).startsWith("auto,Z,W,2026-03-01,month,0.75,");
        assertThat(rows("forecast_methods.csv").get(0)).isEqualTo("item,site,method,mase,bias,parameters");
        assertThat(rows("forecast_methods.csv").get(1)).startsWith("A,W,seasonal_naive,0,0,");
        // one month is too little to test anything
        assertThat(rows("forecast_methods.csv").get(2)).startsWith("Z,W,moving_average,,,");
    }

    @Test
    void bucketsPeriodsAndTheDayAreAsked() throws Exception {
        assertThat(forecast("--bucket", "week", "--periods", "3", "--today", "2026-02-18")
                        .exit())
                .isZero();
        assertThat(rows("forecasts.csv").subList(1, 4))
                .extracting(row -> String.join(",", List.of(row.split(",")).subList(3, 5)))
                .containsExactly("2026-02-16,week", "2026-02-23,week", "2026-03-02,week");
    }

    /** What was ordered counts on the day it was wanted; a quote is no order. */
    @Test
    void ordersInsteadOfShipments() throws Exception {
        file(
                "customer_orders",
                "number,line,item,site,quantity,due_date,ordered,wanted_date,state",
                "1,1,Z,W,1,2026-02-20,2.5,2026-02-03,",
                "2,1,Z,W,4,2026-02-20,,,quote");
        assertThat(forecast("--history", "orders", "--periods", "1").exit()).isZero();
        assertThat(rows("forecasts.csv")).hasSize(2);
        assertThat(rows("forecasts.csv").get(1)).startsWith("auto,Z,W,2026-03-01,month,2.5,");
    }

    /** What a month was corrected to takes the place of what was shipped in it. */
    @Test
    void correctionsCount() throws Exception {
        file("history_corrections", "item,site,from_date,bucket,quantity,kind", "Z,W,2026-02-11,month,5,out_of_stock");
        assertThat(forecast("--periods", "1").exit()).isZero();
        assertThat(rows("forecasts.csv").get(2)).startsWith("auto,Z,W,2026-03-01,month,5,");
    }

    /** A month is corrected once, whichever of its days is said; how a forecast is made is looked at, and gone by. */
    @Test
    void choicesAreGoneByAndLookedAt() throws Exception {
        file(
                "forecast_choices",
                "item,site,bucket,method,parameters,to_date",
                "A,W,month,moving_average,n=1,",
                "Z,W,month,,,");
        assertThat(forecast("--periods", "1").exit()).isZero();
        assertThat(rows("forecast_methods.csv").get(1))
                .startsWith("A,W,moving_average,")
                .endsWith(",n=1");
        file("forecast_choices", "item,site,bucket,method,parameters", "A,W,month,moving_average,alpha=0.5");
        Done done = forecast("--periods", "1");
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.errors()).contains("which moving average does not have");
        file("forecast_choices", "item,site,bucket", "A,W,week");
        file(
                "history_corrections",
                "item,site,from_date,bucket,quantity",
                "Z,W,2026-02-11,month,5",
                "Z,W,2026-02-01,month,6");
        assertThat(forecast("--periods", "1").errors()).contains("is a day of the same month as 2026-02-11");
    }

    @Test
    void whatIsWrongIsSaidAndNothingIsWritten() throws Exception {
        assertThat(forecast("--bucket", "year").exit()).isEqualTo(1);
        assertThat(forecast("--periods", "0").exit()).isEqualTo(1);
        file("shipments", "item,site,date,number,line,quantity", "A,W,2026-01-05,S1,1,many");
        Done done = forecast();
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.errors()).contains("shipments.csv");
        assertThat(folder.resolve("out")).doesNotExist();
    }
}
