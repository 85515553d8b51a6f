package rescient.server.production;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.core.company.MakingFacts;
import rescient.core.company.OpenOrder;
import rescient.core.company.OrderFacts;
import rescient.core.trace.BenchSequence;
import rescient.core.trace.Workbench;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What can be worked on now, at which work center and in which sequence. */
@Component
class Benches {
    private static final int SHOWN = 40;
    private static final int ALL = 1_000;

    private final JdbcTemplate database;
    private final OnceForPlan<Workbench> benches = new OnceForPlan<>();

    Benches(JdbcTemplate database) {
        this.database = database;
    }

    /** A part; {@code comes} is the day on which all of it can be there, null: nobody knows. */
    record BenchPart(
            String item,
            String itemName,
            BigDecimal wanted,
            BigDecimal there,
            String unit,
            @Nullable LocalDate comes) {}

    /**
     * An order at a work center.
     *
     * @param state runs, can_start or waits
     * @param step where it stands; null: it has no operations
     * @param minutes of work left at that step, for {@code left} pieces
     * @param until the day on which its parts are there; null: they are, or nobody knows
     * @param waitsFor the component that decides that
     * @param begins when its turn comes, {@code ends} when this step is done; null: it stands at no work center
     * @param late it is due before that, or was
     * @param place in the sequence; smaller comes first
     */
    record BenchJob(
            String key,
            String number,
            String line,
            String kind,
            String item,
            String itemName,
            String site,
            BigDecimal open,
            String unit,
            String state,
            @Nullable String step,
            @Nullable BigDecimal minutes,
            @Nullable BigDecimal left,
            List<BenchPart> parts,
            @Nullable LocalDate until,
            @Nullable String waitsFor,
            @Nullable String waitsForName,
            LocalDate due,
            @Nullable LocalDate begins,
            @Nullable LocalDate ends,
            boolean late,
            BigDecimal place) {}

    /**
     * A work center with the first of its orders.
     *
     * @param code null: for orders without operations
     * @param minutes of all of them
     * @param total how many there are
     */
    record Bench(
            @Nullable String code,
            String name,
            @Nullable BigDecimal minutesPerDay,
            BigDecimal minutes,
            int total,
            List<BenchJob> jobs) {}

    /** How many run, can start and wait, of all that fit. */
    record BenchView(List<Bench> benches, int runs, int canStart, int waits, int late) {}

    /**
     * @param state null: all
     * @param center all that lies there; null: the first of every work center
     */
    BenchView view(PlanVersion version, @Nullable String words, @Nullable String state, @Nullable String center) {
        Directory directory = version.directory();
        Workbench bench = benches.of(version.plan(), () -> Workbench.of(version.plan()));
        Map<String, Workbench.Progress> progress = progress(directory);
        List<Workbench.Job> jobs = bench.jobs(order -> progress.getOrDefault(key(order), Workbench.Progress.NONE));
        Map<String, BigDecimal> kept = kept();
        Map<String, List<Workbench.Job>> byCenter = new TreeMap<>(
                Comparator.comparing((String code) -> code.isEmpty()).thenComparing(Comparator.naturalOrder()));
        jobs.forEach(
                job -> byCenter.computeIfAbsent(job.at() == null ? "" : job.at().center(), c -> new ArrayList<>())
                        .add(job));
        Sought sought = new Sought(words);
        List<Bench> all = new ArrayList<>();
        int[] counts = new int[Workbench.State.values().length];
        int late = 0;
        for (Map.Entry<String, List<Workbench.Job>> one : byCenter.entrySet()) {
            if (center != null && !center.equals(one.getKey())) {
                continue;
            }
            List<BenchJob> rows = rows(version, bench, one.getValue(), kept).stream()
                    .filter(job -> sought.nothing()
                            || sought.in(job.number, job.item, job.itemName, job.waitsFor, job.waitsForName))
                    .toList();
            for (BenchJob job : rows) {
                counts[
                        Workbench.State.valueOf(job.state.toUpperCase(java.util.Locale.ROOT))
                                .ordinal()]++;
                late += job.late ? 1 : 0;
            }
            rows = rows.stream()
                    .filter(job -> state == null || state.equals(job.state) || (state.equals("late") && job.late))
                    .toList();
            if (!rows.isEmpty()) {
                all.add(bench(directory, one.getKey(), rows, center == null ? SHOWN : ALL));
            }
        }
        return new BenchView(
                all,
                counts[Workbench.State.RUNS.ordinal()],
                counts[Workbench.State.CAN_START.ordinal()],
                counts[Workbench.State.WAITS.ordinal()],
                late);
    }

    private static Bench bench(Directory directory, String code, List<BenchJob> rows, int most) {
        MakingFacts.WorkCenter center = code.isEmpty()
                ? null
                : directory.facts().one(MakingFacts.WorkCenter.class, code).orElse(null);
        return new Bench(
                code.isEmpty() ? null : code,
                center == null ? "Without operations" : center.name() == null ? code : center.name(),
                center == null ? null : center.minutesPerDay(),
                rows.stream().map(BenchJob::minutes).filter(Objects::nonNull).reduce(BigDecimal.ZERO, BigDecimal::add),
                rows.size(),
                rows.stream().limit(most).toList());
    }

    private static List<BenchJob> rows(
            PlanVersion version, Workbench bench, List<Workbench.Job> jobs, Map<String, BigDecimal> kept) {
        int today = version.plan().snapshot().today();
        return BenchSequence.turns(jobs, order -> kept.get(key(order)), bench.hours(jobs.get(0)), today).stream()
                .map(turn -> row(version.directory(), turn))
                .toList();
    }

    private static String key(OpenOrder order) {
        return OrderKey.ofLine(order.number(), order.line());
    }

    private static BenchJob row(Directory directory, BenchSequence.Turn turn) {
        Workbench.Job job = turn.job();
        BenchSequence.Slot slot = turn.slot();
        OpenOrder order = job.order();
        return new BenchJob(
                key(order),
                order.number(),
                order.line(),
                Words.word(order.kind()),
                order.item(),
                directory.itemName(order.item()),
                order.site(),
                Words.quantity(order.quantity()),
                directory.unit(order.item()),
                Words.word(job.state()),
                job.at() == null ? null : job.at().step(),
                job.at() == null ? null : job.at().minutes(),
                job.at() == null ? null : Words.quantity(job.at().left()),
                job.parts().stream()
                        .map(part -> new BenchPart(
                                part.component(),
                                directory.itemName(part.component()),
                                Words.quantity(part.wanted()),
                                Words.quantity(part.there()),
                                directory.unit(part.component()),
                                Words.dateOrNull(part.comes())))
                        .toList(),
                Words.dateOrNull(job.until()),
                job.waitsFor(),
                job.waitsFor() == null ? null : directory.itemName(job.waitsFor()),
                Words.date(order.dueDay()),
                slot == null ? null : Words.date(slot.begins()),
                slot == null ? null : Words.date(slot.ends()),
                turn.late(),
                turn.place());
    }

    private Map<String, BigDecimal> kept() {
        Map<String, BigDecimal> kept = new HashMap<>();
        database.query("select number, line, place from bench_places", row -> {
            kept.put(OrderKey.ofLine(row.getString(1), row.getString(2)), new BigDecimal(row.getString(3)));
        });
        return kept;
    }

    /** What was begun, by the record. */
    private Map<String, Workbench.Progress> progress(Directory directory) {
        Map<String, Map<String, Long>> reported = new HashMap<>();
        Map<String, Set<String>> booked = new HashMap<>();
        database.query(
                "select s.number, s.line, s.step, coalesce(s.reported, 0) + coalesce(s.scrapped, 0), coalesce(s.minutes, 0) from order_steps s join"
                        + " supply_order_lines l on l.order_number = s.number and l.line = s.line where l.closed_date is null",
                row -> {
                    String key = OrderKey.ofLine(row.getString(1), row.getString(2));
                    reported.computeIfAbsent(key, k -> new HashMap<>())
                            .put(row.getString(3), Quantity.of(row.getBigDecimal(4)));
                    if (row.getBigDecimal(5).signum() > 0) {
                        booked.computeIfAbsent(key, k -> new HashSet<>()).add(row.getString(3));
                    }
                });
        Set<String> begun = new HashSet<>(booked.keySet());
        reported.forEach((key, steps) -> {
            if (steps.values().stream().anyMatch(units -> units > 0)) {
                begun.add(key);
            }
        });
        directory
                .facts()
                .all(OrderFacts.OpenOrderComponent.class)
                .filter(part -> part.issued() != null && part.issued().signum() > 0)
                .forEach(part -> begun.add(OrderKey.ofLine(part.number(), part.line())));
        Map<String, Workbench.Progress> progress = new LinkedHashMap<>();
        Set<String> all = new HashSet<>(reported.keySet());
        all.addAll(begun);
        all.forEach(key -> progress.put(
                key,
                new Workbench.Progress(
                        reported.getOrDefault(key, Map.of()),
                        booked.getOrDefault(key, Set.of()),
                        begun.contains(key))));
        return progress;
    }
}
