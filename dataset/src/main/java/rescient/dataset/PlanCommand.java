package rescient.dataset;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.trace.Scope;

/**
 * Plans a dataset without a database or a browser: {@code plan DATASET --out FOLDER [--today DATE] [--horizon-end DATE]
 * [--forecast SET] [--without KIND]… [--items GLOB]}. Exit 0 planned; 2 the dataset has faults, all of them on standard error and nothing written; 1
 * anything else.
 */
public final class PlanCommand {
    private static final Set<String> OPTIONS =
            Set.of("--out", "--today", "--horizon-end", "--forecast", "--without", "--items");

    private PlanCommand() {}

    public static void main(String[] words) {
        try {
            run(words);
        } catch (FaultyDatasetException e) {
            System.err.println(e.getMessage());
            System.exit(2);
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    private static void run(String[] words) {
        if (words.length == 0 || words[0].startsWith("--")) {
            throw new IllegalArgumentException("Say which dataset: plan DATASET --out FOLDER");
        }
        Map<String, String> given = new HashMap<>();
        Set<PlanOptions.Kind> without = new HashSet<>();
        for (int i = 1; i < words.length; i += 2) {
            if (!OPTIONS.contains(words[i]) || i + 1 == words.length) {
                throw new IllegalArgumentException("Unknown or unfinished option " + words[i]);
            }
            if (words[i].equals("--without")) {
                without.add(PlanOptions.Kind.valueOf(words[i + 1].toUpperCase(Locale.ROOT)));
            } else {
                given.put(words[i], words[i + 1]);
            }
        }
        if (!given.containsKey("--out")) {
            throw new IllegalArgumentException("Say where the plan goes: --out FOLDER");
        }
        Progress progress = new Progress();
        Dataset dataset = DatasetReader.read(Path.of(words[0]), rows -> progress.tell("Reading: " + rows + " rows"));
        LocalDate today = date(given.get("--today"), dataset.setting("today"), "today");
        LocalDate horizonEnd = date(given.get("--horizon-end"), dataset.setting("horizon_end"), "horizon_end");
        String forecastSet = given.getOrDefault("--forecast", dataset.setting("forecast_set"));
        Plan plan = new Planner()
                .plan(
                        Company.snapshot(dataset, today, horizonEnd, forecastSet),
                        new PlanOptions(without, Set.of()),
                        (points, of) -> progress.tell("Planning: " + points + " of " + of + " stock points"));
        progress.tell("Writing the plan");
        Scope scope = given.containsKey("--items")
                ? Scope.below(plan, glob(given.get("--items")).asMatchPredicate())
                : Scope.all(plan);
        PlanFiles.write(plan, scope, Path.of(given.get("--out")));
        System.out.println("Planned " + plan.snapshot().stockPoints() + " stock points: "
                + plan.plannedOrders().size() + " planned orders, "
                + plan.signals().size() + " signals");
    }

    /** {@code *} stands for any text, {@code ?} for one character. */
    private static Pattern glob(String glob) {
        StringBuilder pattern = new StringBuilder();
        for (char c : glob.toCharArray()) {
            pattern.append(c == '*' ? ".*" : c == '?' ? "." : Pattern.quote(String.valueOf(c)));
        }
        return Pattern.compile(pattern.toString(), Pattern.DOTALL);
    }

    /** Says on standard error how far it is, once a second at most, from the second second on. */
    private static final class Progress {
        private static final long BETWEEN = 1_000_000_000L;

        private long last = System.nanoTime();

        void tell(String how) {
            if (System.nanoTime() - last >= BETWEEN) {
                last = System.nanoTime();
                System.err.println(how);
            }
        }
    }

    private static LocalDate date(String given, String setting, String name) {
        String text = given != null ? given : setting;
        if (text == null) {
            throw new IllegalArgumentException("Say " + name + ", in settings.csv or on the command line");
        }
        return LocalDate.parse(text);
    }
}
