package rescient.dataset;

import java.nio.file.Path;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
            Stream.concat(CommandWords.OF_A_PLAN.stream(), Stream.of("--items")).collect(Collectors.toSet());

    private PlanCommand() {}

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private static void run(String[] words) {
        if (words.length == 0 || words[0].startsWith("--")) {
            throw new IllegalArgumentException("Say which dataset: plan DATASET --out FOLDER");
        }
        CommandWords options = CommandWords.of(words, 1, OPTIONS);
        String out = options.needed("--out", "Say where the plan goes: --out FOLDER");
        CommandWords.Progress progress = new CommandWords.Progress();
        Dataset dataset = DatasetReader.read(Path.of(words[0]), rows -> progress.tell("Reading: " + rows + " rows"));
        Plan plan = new Planner()
                .plan(
                        Company.snapshot(
                                dataset,
                                options.today(dataset),
                                options.horizonEnd(dataset),
                                options.forecastSet(dataset)),
                        new PlanOptions(options.without(), Set.of()),
                        (points, of) -> progress.tell("Planning: " + points + " of " + of + " stock points"));
        progress.tell("Writing the plan");
        String items = options.given().get("--items");
        Scope scope = items != null ? Scope.below(plan, glob(items).asMatchPredicate()) : Scope.all(plan);
        PlanFiles.write(plan, scope, Path.of(out));
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
}
