package rescient.e2e;

import java.io.OutputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Path;
import java.sql.Connection;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import rescient.bench.CompanyFolder;
import rescient.dataset.Column;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Table;
import rescient.server.RescientServer;
import rescient.server.exchange.CompanyStore;
import rescient.server.planning.LivePlan;
import rescient.server.testing.TestDatabase;

/**
 * Prints how long a large company takes into the database and out of it, against the database's own COPY of the same rows:
 * {@code ./rescient measure-database [POINTS]}. Not a test; its name keeps it out of the runs.
 */
@SpringBootTest(classes = RescientServer.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class DatabaseMeasurements {
    private static final String DATABASE = TestDatabase.create();
    private static final int RUNS = 3;
    /** A server reads again and again, so the first ones warm up. */
    private static final int READINGS = 20;

    @Autowired
    private CompanyStore store;

    @Autowired
    private DataSource database;

    /** No plan is made meanwhile. */
    @MockitoBean
    private LivePlan live;

    @TempDir
    private Path folder;

    @DynamicPropertySource
    static void properties(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> DATABASE);
        registry.add("spring.datasource.username", TestDatabase::user);
        registry.add("spring.datasource.password", TestDatabase::password);
        registry.add("rescient.today", () -> "2026-03-02");
    }

    @Test
    void aLargeCompanyInAndOut() throws Exception {
        int points = Integer.getInteger("rescient.points", 10_000);
        CompanyFolder.write(points, 7, folder);
        double imported = Double.MAX_VALUE;
        Dataset dataset = null;
        for (int run = 0; run < RUNS; run++) {
            long begun = System.nanoTime();
            dataset = DatasetReader.read(folder);
            double read = millis(begun);
            store.replace(dataset, "large", false);
            System.out.printf(
                    Locale.ROOT, "import %.0f ms, of which reading and checking %.0f ms%n", millis(begun), read);
            imported = Math.min(imported, millis(begun));
        }
        double copiedIn = copyIn(dataset);
        dataset = null;
        double[] snapshots = new double[READINGS];
        double[] copies = new double[READINGS];
        for (int run = 0; run < READINGS; run++) {
            long begun = System.nanoTime();
            CompanyStore.Stored stored = store.read();
            double read = millis(begun);
            LocalDate today = LocalDate.of(2026, 3, 2);
            Company.snapshot(stored.dataset(), today, today.plusDays(365));
            snapshots[run] = millis(begun);
            copies[run] = copyOut();
            System.out.printf(
                    Locale.ROOT,
                    "snapshot %.0f ms, of which reading rows %.0f ms; raw COPY %.0f ms%n",
                    snapshots[run],
                    read,
                    copies[run]);
        }
        System.out.printf(
                Locale.ROOT,
                "%,d stock points: import %.0f ms, raw COPY and indexes %.0f ms, ratio %.1f%n",
                points,
                imported,
                copiedIn,
                imported / copiedIn);
        System.out.printf(
                Locale.ROOT,
                "%,d stock points: snapshot %.0f ms, raw COPY %.0f ms, ratio %.1f (the best of %d each)%n",
                points,
                best(snapshots),
                best(copies),
                best(snapshots) / best(copies),
                READINGS);
        double[] ratios = IntStream.range(READINGS / 2, READINGS)
                .mapToDouble(run -> snapshots[run] / copies[run])
                .sorted()
                .toArray();
        System.out.printf(
                Locale.ROOT,
                "%,d stock points: of the second half, each to the COPY right after it: ratio median %.1f, %.1f to %.1f%n",
                points,
                ratios[ratios.length / 2],
                ratios[0],
                ratios[ratios.length - 1]);
    }

    private static double best(double[] times) {
        return Arrays.stream(times).min().orElseThrow();
    }

    private static String columns(Table table) {
        return table.columns().stream()
                .map(Column::name)
                .map(n -> '"' + n + '"')
                .collect(Collectors.joining(", "));
    }

    private double copyOut() throws Exception {
        try (Connection connection = database.getConnection()) {
            CopyManager copy = connection.unwrap(PGConnection.class).getCopyAPI();
            long begun = System.nanoTime();
            for (Table table : Table.ALL) {
                copy.copyOut(
                        "copy (select " + columns(table) + " from " + table.name() + ") to stdout (format csv)",
                        OutputStream.nullOutputStream());
            }
            return millis(begun);
        }
    }

    /** Into tables without anything else on them, then an index on the key of each. */
    private double copyIn(Dataset dataset) throws Exception {
        Map<Table, String> texts = new LinkedHashMap<>();
        for (Table table : Table.ALL) {
            StringWriter text = new StringWriter();
            dataset.rows(table.name())
                    .forEach(row -> text.append(row.values().stream()
                                    .map(v -> v.contains(",") ? '"' + v + '"' : v)
                                    .collect(Collectors.joining(",")))
                            .append('\n'));
            texts.put(table, text.toString());
        }
        try (Connection connection = database.getConnection()) {
            CopyManager copy = connection.unwrap(PGConnection.class).getCopyAPI();
            for (Table table : Table.ALL) {
                connection
                        .createStatement()
                        .execute("create table raw_" + table.name() + " as select * from " + table.name()
                                + " with no data");
            }
            long begun = System.nanoTime();
            for (Table table : Table.ALL) {
                copy.copyIn(
                        "copy raw_" + table.name() + " (" + columns(table) + ") from stdin (format csv)",
                        new StringReader(texts.get(table)));
                List<String> keys = new ArrayList<>();
                table.columns().stream().filter(Column::key).forEach(c -> keys.add('"' + c.name() + '"'));
                connection
                        .createStatement()
                        .execute("create index on raw_" + table.name() + " (" + String.join(", ", keys) + ")");
            }
            return millis(begun);
        }
    }

    private static double millis(long begun) {
        return (System.nanoTime() - begun) / 1e6;
    }
}
