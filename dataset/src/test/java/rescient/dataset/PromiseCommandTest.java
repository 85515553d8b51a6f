package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code promise} as it is typed: a dataset and requests in, a file of answers out. */
class PromiseCommandTest {
    @TempDir
    private Path folder;

    @BeforeEach
    void aSmallCompany() throws IOException {
        file("settings", "key,value", "today,2026-03-02", "horizon_end,2026-06-30");
        file("units", "code,decimals", "PC,0", "kg,3");
        file("sites", "code", "W");
        file("suppliers", "code", "S");
        file("items", "code,unit", "A,PC", "Z,kg");
        file("planning", "item,site,source,supplier,lead_time_days", "A,W,buy,S,10", "Z,W,buy,S,5");
        file("stock", "item,site,quantity", "A,W,10", "Z,W,2.375");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,4,2026-03-20");
    }

    private void file(String name, String... lines) throws IOException {
        Files.write(folder.resolve(name + ".csv"), List.of(lines));
    }

    private record Done(int exit, String errors) {}

    private Done promise(String... options) throws Exception {
        List<String> words = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                "rescient.dataset.PromiseCommand",
                folder.toString(),
                folder.resolve("REQUESTS.csv").toString(),
                "--out",
                folder.resolve("out/answers.csv").toString()));
        words.addAll(List.of(options));
        Path errors = Files.createTempFile("promise", ".txt");
        Process process = new ProcessBuilder(words)
                .redirectError(errors.toFile())
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        return new Done(process.waitFor(), Files.readString(errors));
    }

    private List<String> answers() throws IOException {
        return Files.readAllLines(folder.resolve("out/answers.csv"));
    }

    /** Order 1 needs 4 of the 10 on the 20th; a purchase comes on the 16th, in time for it. */
    @Test
    void theAnswersStandInTheOrderOfTheRequests() throws Exception {
        file(
                "REQUESTS",
                "request,line,item,site,quantity,wanted,priority",
                "R1,10,A,W,6,2026-03-03,",
                "R2,10,Z,W,5,2026-03-02,3",
                "R1,20,A,W,5,2026-03-03,");
        assertThat(promise().exit()).isZero();
        assertThat(answers())
                .containsExactly(
                        "request,line,promised,available_quantity,cause_item,cause_site,limiting_component,"
                                + "taken_from_number,taken_from_line",
                        "R1,10,2026-03-03,6,,,,,",
                        "R2,10,2026-03-09,2.375,Z,W,,,",
                        "R1,20,2026-03-16,4,A,W,,,");
    }

    /** Without the orders of others the whole stock is there, and the request counts all the same. */
    @Test
    void aRequestStandsAlone() throws Exception {
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,8,2026-03-04");
        file("REQUESTS", "request,line,item,site,quantity,wanted", "R1,1,A,W,6,2026-03-03");
        assertThat(promise().exit()).isZero();
        assertThat(answers().get(1)).isEqualTo("R1,1,2026-03-16,2,A,W,,1,1");
        assertThat(promise("--without", "customer_orders").exit()).isZero();
        assertThat(answers().get(1)).isEqualTo("R1,1,2026-03-03,6,,,,,");
    }

    @Test
    void allFaultsOfTheRequestsAreTold() throws Exception {
        file(
                "REQUESTS",
                "request,line,item,site,quantity,wanted,priority",
                "R1,1,B,W,6,2026-03-03,",
                "R1,2,A,V,6,2026-03-03,",
                "R1,3,A,W,0,2026-03-03,",
                "R1,4,A,W,1.5,2026-03-03,");
        Done done = promise();
        assertThat(done.exit()).isEqualTo(2);
        assertThat(done.errors())
                .contains("\"B\": is not in items.csv")
                .contains("\"V\": is not in sites.csv")
                .contains("\"0\": is not above 0")
                .contains("1.5");
        assertThat(folder.resolve("out/answers.csv")).doesNotExist();
        file(
                "REQUESTS",
                "request,line,item,site,quantity,wanted,priority",
                "R1,1,A,W,1,2026-03-03,0",
                "R1,1,A,W,1,2026-03-03,");
        assertThat(promise().errors()).contains("priority").contains("R1");
    }
}
