package rescient.server.forecasting;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.SharedTasks;
import rescient.server.platform.Today;

/** Forecasts of all series in the background, as they are kept in the database. */
@Component
class ForecastRuns {
    static final String TASK = "forecast-all";

    /** So many are kept. */
    private static final int KEPT = 10;

    /** Who begins what the calendar says. */
    static final String SCHEDULE = "the schedule";

    private static final String COLUMNS =
            "id, begun_by, begun_at, ended_at, state, done, total, ending, failure, \"set\", changed";

    private final JdbcTemplate database;
    private final SharedTasks tasks;
    private final Today today;

    ForecastRuns(JdbcTemplate database, SharedTasks tasks, Today today) {
        this.database = database;
        this.tasks = tasks;
        this.today = today;
    }

    /**
     * A run.
     *
     * @param state waiting, running, done, cancelled or failed
     * @param done how many series of {@code total} are forecast
     * @param ending somebody has asked to end it
     * @param set with which it was compared; null: none was in use
     * @param changed how many series come to something else than that says
     */
    record ForecastRun(
            long id,
            String begunBy,
            Instant begunAt,
            @Nullable Instant endedAt,
            String state,
            int done,
            int total,
            boolean ending,
            @Nullable String failure,
            @Nullable String set,
            int changed) {
        boolean underWay() {
            return state.equals("waiting") || state.equals("running");
        }
    }

    /**
     * What a run found of a series.
     *
     * @param kept what the set says of the next year; null: nothing
     * @param money what the difference is worth; null: nobody knows
     */
    record Found(
            String series,
            @Nullable String method,
            @Nullable BigDecimal kept,
            BigDecimal forecast,
            @Nullable BigDecimal money,
            String why) {}

    /** The last ones, the latest first. */
    List<ForecastRun> last() {
        return database.query(
                "select " + COLUMNS + " from forecast_runs order by id desc limit ?", ForecastRuns::run, KEPT);
    }

    /** The last one that the schedule began; it is kept, however many were begun by hand since. */
    Optional<ForecastRun> lastScheduled() {
        return database
                .query(
                        "select " + COLUMNS + " from forecast_runs where begun_by = ? order by id desc limit 1",
                        ForecastRuns::run,
                        SCHEDULE)
                .stream()
                .findFirst();
    }

    ForecastRun one(long id) {
        return database.query("select " + COLUMNS + " from forecast_runs where id = ?", ForecastRuns::run, id).stream()
                .findFirst()
                .orElseThrow(() -> JobProblem.notFound("There is no such run any more"));
    }

    private static ForecastRun run(ResultSet row, int n) throws SQLException {
        Timestamp ended = row.getTimestamp(4);
        return new ForecastRun(
                row.getLong(1),
                row.getString(2),
                row.getTimestamp(3).toInstant(),
                ended == null ? null : ended.toInstant(),
                row.getString(5),
                row.getInt(6),
                row.getInt(7),
                row.getBoolean(8),
                row.getString(9),
                row.getString(10),
                row.getInt(11));
    }

    /**
     * Begins one.
     *
     * @throws JobProblem if one is under way
     */
    @Transactional
    ForecastRun begin(String by) {
        database.execute("lock table forecast_runs in share row exclusive mode");
        if (last().stream().anyMatch(ForecastRun::underWay)) {
            throw new JobProblem(HttpStatus.CONFLICT, "All series are being forecast already");
        }
        Long id = database.queryForObject(
                "insert into forecast_runs (begun_by, begun_at, state) values (?, ?, 'waiting') returning id",
                Long.class,
                by,
                Timestamp.from(today.now()));
        database.update(
                "delete from forecast_runs where id not in (select id from forecast_runs order by id desc limit ?)"
                        + " and id not in (select max(id) from forecast_runs where begun_by = ?)",
                KEPT,
                SCHEDULE);
        tasks.begin(TASK, id);
        return one(id);
    }

    /** Asks one to end. */
    void end(long id) {
        database.update("update forecast_runs set ending = true where id = ? and ended_at is null", id);
    }

    void running(long id, int total, @Nullable String set) {
        database.update(
                "update forecast_runs set state = 'running', done = 0, total = ?, \"set\" = ? where id = ?",
                total,
                set,
                id);
    }

    /** Says how far one is; true: it is to end. */
    boolean at(long id, int done) {
        return Boolean.TRUE.equals(database.query(
                "update forecast_runs set done = greatest(done, ?) where id = ? returning ending",
                row -> row.next() ? row.getBoolean(1) : Boolean.TRUE,
                done,
                id));
    }

    /** Keeps what was found, in its order. */
    @Transactional
    void found(long id, List<Found> rows) {
        database.update("delete from forecast_run_rows where run = ?", id);
        int[] place = {0};
        database.batchUpdate(
                "insert into forecast_run_rows (run, place, series, method, kept, forecast, money, why)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?)",
                rows,
                1000,
                (statement, row) -> {
                    statement.setLong(1, id);
                    statement.setInt(2, place[0]++);
                    statement.setString(3, row.series);
                    statement.setString(4, row.method);
                    statement.setBigDecimal(5, row.kept);
                    statement.setBigDecimal(6, row.forecast);
                    statement.setBigDecimal(7, row.money);
                    statement.setString(8, row.why);
                });
        ended(id, "done", null, rows.size());
    }

    void ended(long id, String state, @Nullable String failure, int changed) {
        database.update(
                "update forecast_runs set state = ?, failure = ?, changed = ?, ended_at = ? where id = ?",
                state,
                failure,
                changed,
                Timestamp.from(today.now()),
                id);
    }

    List<Found> rows(long id, int from, int size) {
        return database.query(
                "select series, method, kept, forecast, money, why from forecast_run_rows"
                        + " where run = ? and place >= ? and place < ? order by place",
                (row, n) -> new Found(
                        row.getString(1),
                        row.getString(2),
                        row.getBigDecimal(3),
                        row.getBigDecimal(4),
                        row.getBigDecimal(5),
                        row.getString(6)),
                id,
                from,
                from + size);
    }
}
