package rescient.dataset;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rescient.core.Plan;
import rescient.core.PlanOptions;
import rescient.core.Planner;

/**
 * Plans a dataset without a database or a browser: {@code plan DATASET --out FOLDER [--today DATE] [--horizon-end DATE]
 * [--forecast SET] [--without KIND]…}. Exit 0 planned; 2 the dataset has faults, all of them on standard error and nothing written; 1
 * anything else.
 */
public final class PlanCommand {
    private static final Set<String> OPTIONS = Set.of("--out", "--today", "--horizon-end", "--forecast", "--without");

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
        Dataset dataset = DatasetReader.read(Path.of(words[0]));
        LocalDate today = date(given.get("--today"), dataset.setting("today"), "today");
        LocalDate horizonEnd = date(given.get("--horizon-end"), dataset.setting("horizon_end"), "horizon_end");
        String forecastSet = given.getOrDefault("--forecast", dataset.setting("forecast_set"));
        Plan plan = new Planner()
                .plan(Company.snapshot(dataset, today, horizonEnd, forecastSet), new PlanOptions(without, Set.of()));
        PlanFiles.write(plan, Path.of(given.get("--out")));
        System.out.println("Planned " + plan.snapshot().stockPoints() + " stock points: "
                + plan.plannedOrders().size() + " planned orders, "
                + plan.signals().size() + " signals");
    }

    private static LocalDate date(String given, String setting, String name) {
        String text = given != null ? given : setting;
        if (text == null) {
            throw new IllegalArgumentException("Say " + name + ", in settings.csv or on the command line");
        }
        return LocalDate.parse(text);
    }
}
