package rescient.server.exchange;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.DatasetWriter;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.access.Users;
import rescient.server.platform.Today;

/** Brings a company in and out as a dataset. */
@Service
public class CompanyExchange {
    private static final int PASSWORD_BYTES = 6;

    private final CompanyStore store;
    private final Users users;
    private final Today today;
    private final JdbcTemplate database;

    CompanyExchange(CompanyStore store, Users users, Today today, JdbcTemplate database) {
        this.store = store;
        this.users = users;
        this.today = today;
        this.database = database;
    }

    /**
     * Replaces the company by a dataset, all or nothing. The demo's sign-ins go with the demo.
     *
     * @param tell is told how far it is
     * @return the password of the first sign-in, planner, if nobody else is left; else null
     * @throws FaultyDatasetException with every fault; nothing was changed
     * @throws rescient.core.base.PlanningException if it cannot be planned; nothing was changed
     */
    @Transactional
    public String load(Path path, Consumer<String> tell) {
        Dataset dataset = DatasetReader.read(path, rows -> tell.accept("Reading: " + rows + " rows"));
        tell.accept("Trying to plan it");
        tryToPlan(dataset);
        String name = path.toAbsolutePath().normalize().getFileName().toString();
        store.replace(dataset, name, false, table -> tell(dataset, table, tell));
        if (!users.withoutDemo()) {
            return null;
        }
        String password = HexFormat.of().formatHex(new SecureRandom().generateSeed(PASSWORD_BYTES));
        users.addFirstUser(password);
        database.update("delete from spring_session");
        return password;
    }

    /** What cannot be planned is not loaded: every server would be without a plan. */
    private void tryToPlan(Dataset dataset) {
        LocalDate day = today.day();
        LocalDate horizonEnd = day.plusDays(CompanyStore.horizonDays(dataset));
        new Planner().plan(Company.snapshot(dataset, day, horizonEnd), PlanOptions.ALL);
    }

    private static void tell(Dataset dataset, Table table, Consumer<String> tell) {
        int rows = dataset.rows(table.name()).size();
        if (rows > 0) {
            int place = Table.ALL.indexOf(table) + 1;
            tell.accept("Loading " + table.name() + ": " + rows + " rows, table " + place + " of " + Table.ALL.size());
        }
    }

    /**
     * Writes the company as a dataset, with the present day and the horizon that it is planned to.
     *
     * @throws IllegalArgumentException if something is there already
     */
    public void dump(Path path) {
        if (Files.exists(path) && !isEmptyFolder(path)) {
            throw new IllegalArgumentException(path + " is there already; choose a name that is free");
        }
        CompanyStore.Stored stored = store.readWhole();
        DatasetWriter.write(asWritten(stored.dataset(), today.day(), today.day().plusDays(stored.horizonDays())), path);
    }

    /** A company as it is written: with the day it was written on and the horizon that it is planned to. */
    public static Dataset asWritten(Dataset dataset, LocalDate day, LocalDate horizonEnd) {
        Table settings = Table.named("settings");
        List<Row> rows = new ArrayList<>(dataset.rows(settings.name()));
        rows.removeIf(row -> row.text("key").equals("horizon_days"));
        rows.add(new Row(settings, 0, new String[] {"today", day.toString()}));
        rows.add(new Row(settings, 0, new String[] {"horizon_end", horizonEnd.toString()}));
        return dataset.with(settings.name(), rows);
    }

    private static boolean isEmptyFolder(Path path) {
        try (Stream<Path> entries = Files.list(path)) {
            return Files.isDirectory(path) && entries.findAny().isEmpty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
