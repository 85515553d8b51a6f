package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The headless command as a process of its own. */
class PlanCommandTest {
    @TempDir
    Path folder;

    private Path dataset;
    private Path out;

    @BeforeEach
    void aSmallDataset() throws Exception {
        dataset = Files.createDirectory(folder.resolve("dataset"));
        out = folder.resolve("out");
        file("units", "code,decimals", "pc,0");
        file("sites", "code", "W");
        file("items", "code,unit", "A,pc");
        file("planning", "item,site,source,lead_time_days", "A,W,make,1");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,4,2026-03-20");
        file("settings", "key,value", "today,2026-03-02", "horizon_end,2026-12-31");
    }

    private void file(String table, String... lines) throws Exception {
        Files.writeString(dataset.resolve(table + ".csv"), String.join("\n", lines) + "\n");
    }

    private record Done(int exit, String said, String complained) {}

    private Done run(String... words) throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "rescient.dataset.PlanCommand"));
        command.addAll(List.of(words));
        Process process = new ProcessBuilder(command).start();
        String said = new String(process.getInputStream().readAllBytes());
        String complained = new String(process.getErrorStream().readAllBytes());
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Done(process.exitValue(), said, complained);
    }

    private List<String> planned() throws Exception {
        return Files.readAllLines(out.resolve("planned_orders.csv")).stream()
                .skip(1)
                .toList();
    }

    @Test
    void aDatasetIsPlannedIntoAFolder() throws Exception {
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).isZero();
        assertThat(done.said()).contains("Planned 1 stock points: 1 planned orders, 0 signals");
        assertThat(planned()).containsExactly("A,W,make,,,4,4,2026-03-19,2026-03-20,2026-03-20,,");
    }

    @Test
    void theCommandLineCountsBeforeTheSettings() throws Exception {
        run(dataset.toString(), "--out", out.toString(), "--today", "2026-03-20");
        assertThat(planned()).containsExactly("A,W,make,,,4,4,2026-03-19,2026-03-20,2026-03-23,,");
        run(dataset.toString(), "--out", out.toString(), "--horizon-end", "2026-03-19");
        assertThat(planned()).isEmpty();
        run(dataset.toString(), "--out", out.toString(), "--without", "customer_orders");
        assertThat(planned()).isEmpty();
    }

    @Test
    void faultsAreAllToldAndNothingIsWritten() throws Exception {
        file("items", "code,unit", "A,stone");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,-4,soon");
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.complained())
                .contains("3 faults")
                .contains("items.csv, row 2, unit \"stone\"")
                .contains("quantity \"-4\"")
                .contains("due_date \"soon\"");
        assertThat(out).doesNotExist();
    }

    @Test
    void anythingElseThatIsWrongIsOne() throws Exception {
        assertThat(run().exit()).isEqualTo(1);
        assertThat(run(dataset.toString()).complained()).contains("--out FOLDER");
        assertThat(run(dataset.toString(), "--fast", "yes").complained()).contains("--fast");
        assertThat(run(folder.resolve("nowhere").toString(), "--out", out.toString())
                        .exit())
                .isEqualTo(1);
    }

    @Test
    void oneForecastSetIsUsedOrNone() throws Exception {
        file(
                "forecasts",
                "set,item,site,from_date,bucket,quantity",
                "Base,A,W,2026-04-06,week,10",
                "Strong,A,W,2026-04-06,week,15");
        run(dataset.toString(), "--out", out.toString());
        assertThat(planned()).hasSize(1);
        run(dataset.toString(), "--out", out.toString(), "--forecast", "Strong");
        assertThat(planned()).contains("A,W,make,,,15,15,2026-04-03,2026-04-06,2026-04-06,,");
        file("settings", "key,value", "today,2026-03-02", "horizon_end,2026-12-31", "forecast_set,Base");
        run(dataset.toString(), "--out", out.toString());
        assertThat(planned()).contains("A,W,make,,,10,10,2026-04-03,2026-04-06,2026-04-06,,");
        assertThat(Files.readAllLines(out.resolve("demands.csv")))
                .contains("A,W,forecast,Base,2026-04-06,10,2026-04-06,2026-04-06,0");
    }

    @Test
    void someItemsAndAllBelowThemAreWritten() throws Exception {
        file("items", "code,unit,kind", "A,pc,", "AB,pc,", "C,pc,", "X,pc,", "KIT,pc,kit", "P,pc,");
        file(
                "planning",
                "item,site,source,lead_time_days",
                "A,W,make,1",
                "AB,W,make,1",
                "C,W,none,",
                "X,W,make,1",
                "P,W,make,1");
        file("bom_lines", "parent,line,component,quantity", "A,1,C,2", "X,1,AB,1", "KIT,1,P,1");
        file(
                "customer_orders",
                "number,line,item,site,quantity,due_date",
                "1,1,A,W,4,2026-03-20",
                "1,2,X,W,3,2026-03-20",
                "1,3,KIT,W,1,2026-03-20");
        run(dataset.toString(), "--out", out.toString(), "--items", "A");
        assertThat(planned()).containsExactly("A,W,make,,,4,4,2026-03-19,2026-03-20,,,");
        // a figure does not change because one looks at less: C is asked for by A alone here, and by nobody else
        assertThat(Files.readAllLines(out.resolve("signals.csv")))
                .containsExactly(
                        "kind,item,site,order_number,order_line,date,new_date,quantity,days,cause_item,cause_site",
                        "demand_late,A,W,1,1,2026-03-20,,4,,C,W",
                        "below_safety,C,W,,,2026-03-19,,8,,,",
                        "no_source,C,W,,,2026-03-19,,8,,,");
        run(dataset.toString(), "--out", out.toString(), "--items", "?B");
        assertThat(planned()).containsExactly("AB,W,make,,,3,3,2026-03-18,2026-03-19,2026-03-19,,");
        run(dataset.toString(), "--out", out.toString(), "--items", "X*");
        assertThat(planned()).hasSize(2);
        run(dataset.toString(), "--out", out.toString(), "--items", "KIT");
        assertThat(planned()).singleElement().asString().startsWith("P,W,");
    }

    @Test
    void aSettingThatIsNoDateIsAFault() throws Exception {
        file("settings", "key,value", "today,soon", "horizon_end,2026-12-31");
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.complained()).contains("settings.csv, row 2, value \"soon\": is not a date");
        file("settings", "key,value", "today,2026-03-02", "horizon_end,2026-03-01");
        assertThat(run(dataset.toString(), "--out", out.toString()).complained())
                .contains("lies before today");
    }

    @Test
    void whatIsNotUtf8IsAFault() throws Exception {
        Files.write(dataset.resolve("items.csv"), new byte[] {'c', 'o', 'd', 'e', '\n', (byte) 0xE9, '\n'});
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.complained()).contains("items.csv: is not UTF-8");
    }

    /**
     * Of 4, 2 and 2 A the second are bought for their line in 5 working days, one of them is there already, and the third
     * shipped on their Sunday by T in 3. What is there for another line serves nobody here.
     */
    @Test
    void linesThatAreBoughtForStandUnderTheirItem() throws Exception {
        file("suppliers", "code", "S", "T");
        file("supplier_items", "supplier,item,from_quantity,lead_time_days,min_quantity", "T,A,0,3,50");
        file("planning", "item,site,source,lead_time_days,supplier,safety_time_days", "A,W,buy,5,S,1");
        file(
                "customer_orders",
                "number,line,item,site,quantity,due_date,supply,supplier",
                "1,1,A,W,4,2026-03-20,stock,",
                "1,2,A,W,2,2026-03-20,own,",
                "1,3,A,W,2,2026-03-22,direct,T");
        file(
                "open_orders",
                "number,line,kind,stage,item,site,supplier,quantity,due_date,for_order,for_line",
                "P1,1,buy,firmed,A,W,S,9,2026-03-10,1,9");
        file("stock", "item,site,quantity,for_order,for_line", "A,W,1,1,2", "A,W,3,2,1");
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).as(done.complained()).isZero();
        assertThat(planned())
                .containsExactly(
                        "A,W,buy,S,,1,1,2026-03-12,2026-03-19,2026-03-19,1,2",
                        "A,W,buy,S,,4,4,2026-03-12,2026-03-19,2026-03-19,,",
                        "A,W,buy,T,,2,2,2026-03-17,2026-03-22,2026-03-22,1,3");
        assertThat(Files.readAllLines(out.resolve("demands.csv")).stream().skip(1))
                .containsExactly(
                        "A,W,customer_order,1,1,4,2026-03-20,2026-03-20,0",
                        "A,W,customer_order,1,2,2,2026-03-20,2026-03-20,0",
                        "A,W,customer_order,1,3,2,2026-03-22,2026-03-22,0");
        // what was firmed for a line that is not there serves nobody
        assertThat(Files.readAllLines(out.resolve("signals.csv")).stream().skip(1))
                .containsExactly("cancel,A,W,P1,1,2026-03-10,,9,,,");
        assertThat(Files.readAllLines(out.resolve("balances.csv")).stream().skip(1))
                .containsExactly("A,W,2026-03-02,0,0,0,0,0", "A,W,2026-03-19,0,0,4,0,4", "A,W,2026-03-20,0,4,0,0,0");
    }

    /** Of the kit K, A is a part; for line 2 it is two of them. */
    @Test
    void aKitHasItsOwnPartsForALine() throws Exception {
        file("items", "code,unit,kind", "A,pc,stocked", "K,pc,kit");
        file("bom_lines", "parent,line,component,quantity", "K,1,A,1");
        file(
                "customer_orders",
                "number,line,item,site,quantity,due_date",
                "1,1,K,W,4,2026-03-20",
                "1,2,K,W,4,2026-03-24");
        file("customer_order_parts", "number,line,component,quantity", "1,2,A,2");
        Done done = run(dataset.toString(), "--out", out.toString());
        assertThat(done.exit()).as(done.complained()).isZero();
        assertThat(planned())
                .containsExactly(
                        "A,W,make,,,4,4,2026-03-19,2026-03-20,2026-03-20,,",
                        "A,W,make,,,8,8,2026-03-23,2026-03-24,2026-03-24,,");
    }
}
