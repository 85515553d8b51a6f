package rescient.dataset;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rescient.core.snapshot.PlanOptions;

/**
 * The options of a command that calculates without a database or a browser, as they are typed.
 *
 * @param given by name, those that may be said once
 * @param without kinds of demand and supply that do not count
 */
record CommandWords(Map<String, String> given, Set<PlanOptions.Kind> without) {
    /** What a calculation understands: {@code --today DATE}, {@code --horizon-end DATE}, {@code --forecast SET}, {@code --without KIND}…. */
    static final Set<String> OF_A_PLAN = Set.of("--out", "--today", "--horizon-end", "--forecast", "--without");

    /** @param from the place of the first option */
    static CommandWords of(String[] words, int from, Set<String> known) {
        Map<String, String> given = new HashMap<>();
        Set<PlanOptions.Kind> without = new HashSet<>();
        for (int i = from; i < words.length; i += 2) {
            if (!known.contains(words[i]) || i + 1 == words.length) {
                throw new IllegalArgumentException("Unknown or unfinished option " + words[i]);
            }
            if (words[i].equals("--without")) {
                without.add(PlanOptions.Kind.valueOf(words[i + 1].toUpperCase(Locale.ROOT)));
            } else {
                given.put(words[i], words[i + 1]);
            }
        }
        return new CommandWords(given, without);
    }

    String needed(String name, String otherwise) {
        if (!given.containsKey(name)) {
            throw new IllegalArgumentException(otherwise);
        }
        return given.get(name);
    }

    LocalDate today(Dataset dataset) {
        return date("--today", dataset, "today");
    }

    LocalDate horizonEnd(Dataset dataset) {
        return date("--horizon-end", dataset, "horizon_end");
    }

    String forecastSet(Dataset dataset) {
        return given.getOrDefault("--forecast", dataset.setting("forecast_set"));
    }

    private LocalDate date(String option, Dataset dataset, String setting) {
        String text = given.getOrDefault(option, dataset.setting(setting));
        if (text == null) {
            throw new IllegalArgumentException("Say " + setting + ", in settings.csv or on the command line");
        }
        return LocalDate.parse(text);
    }

    /**
     * Runs a command: exit 2 for a dataset with faults, all of them on standard error, 1 for anything else that goes wrong.
     */
    static void run(Runnable command) {
        try {
            command.run();
        } catch (FaultyDatasetException e) {
            System.err.println(e.getMessage());
            System.exit(2);
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /** Says on standard error how far it is, once a second at most, from the second second on. */
    static final class Progress {
        private static final long BETWEEN = 1_000_000_000L;

        private long last = System.nanoTime();

        void tell(String how) {
            if (System.nanoTime() - last >= BETWEEN) {
                last = System.nanoTime();
                System.err.println(how);
            }
        }
    }
}
