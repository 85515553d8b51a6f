package rescient.core.forecast;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rescient.core.company.Consistency.Flaw;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;

/**
 * How a forecast is to be made.
 *
 * @param method null: the one with the least error
 * @param parameters of the method that are given, by name; the others are fitted
 */
public record Choice(ForecastMethod method, Map<String, Double> parameters) {
    /** Nothing is chosen. */
    public static final Choice AUTOMATIC = new Choice(null, Map.of());

    private static final double MOST_BUCKETS = 400;

    /** From where to where a parameter goes. */
    private record Range(String name, double least, double most) {
        boolean holds(double value) {
            return value >= least && value <= most && (!name.equals("n") || value == Math.rint(value));
        }
    }

    private static final Range ALPHA = new Range("alpha", 0.0001, 1);
    private static final Range BETA = new Range("beta", 0, 1);
    private static final Range GAMMA = new Range("gamma", 0, 1);
    private static final Range PHI = new Range("phi", 0, 1);
    private static final Map<ForecastMethod, List<Range>> TAKEN = new EnumMap<>(Map.of(
            ForecastMethod.MOVING_AVERAGE, List.of(new Range("n", 1, MOST_BUCKETS)),
            ForecastMethod.SIMPLE, List.of(ALPHA),
            ForecastMethod.HOLT, List.of(ALPHA, BETA),
            ForecastMethod.DAMPED, List.of(ALPHA, BETA, PHI),
            ForecastMethod.THETA, List.of(ALPHA),
            ForecastMethod.TREND, List.of(PHI),
            ForecastMethod.WINTERS_ADDITIVE, List.of(ALPHA, BETA, GAMMA, PHI),
            ForecastMethod.WINTERS_MULTIPLICATIVE, List.of(ALPHA, BETA, GAMMA, PHI)));

    static {
        for (ForecastMethod method : List.of(ForecastMethod.CROSTON, ForecastMethod.SBA, ForecastMethod.TSB)) {
            TAKEN.put(method, List.of(ALPHA, BETA));
        }
    }

    public Choice {
        parameters = Map.copyOf(parameters);
    }

    /** A method with parameters that are fitted; null: the one with the least error. */
    public static Choice of(ForecastMethod method) {
        return method == null ? AUTOMATIC : new Choice(method, Map.of());
    }

    /** The names of the parameters that can be given to a method, in their usual order. */
    public static List<String> taken(ForecastMethod method) {
        return TAKEN.getOrDefault(method, List.of()).stream().map(Range::name).toList();
    }

    /** As it is kept; what is wrong in it is left out. */
    public static Choice of(ForecastFacts.ForecastChoice kept) {
        if (kept == null || kept.method() == null) {
            return AUTOMATIC;
        }
        ForecastMethod method = kept.method();
        Map<String, Double> given = new LinkedHashMap<>();
        said(kept.parameters())
                .forEach((name, text) -> TAKEN.getOrDefault(method, List.of()).stream()
                        .filter(range ->
                                range.name.equals(name) && isNumber(text) && range.holds(Double.parseDouble(text)))
                        .forEach(range -> given.put(name, Double.valueOf(text))));
        return new Choice(method, given);
    }

    /** What is wrong with a choice that is to be kept. */
    public static List<Flaw> flaws(ForecastFacts.ForecastChoice kept) {
        List<Flaw> flaws = new ArrayList<>();
        Map<String, String> said = said(kept.parameters());
        if (kept.method() == null && !said.isEmpty()) {
            flaws.add(new Flaw("parameters", kept.parameters(), "belong to no method", "a method beside them"));
        } else if (kept.method() != null) {
            ForecastMethod method = kept.method();
            said.forEach((name, text) -> parameter(method, name, text).ifWrong(flaws, kept.parameters()));
        }
        if (kept.fromDate() != null && kept.toDate() != null && kept.toDate().isBefore(kept.fromDate())) {
            flaws.add(new Flaw(
                    "to_date",
                    kept.toDate().toString(),
                    "lies before the window begins",
                    "a day from " + kept.fromDate() + " on"));
        }
        boolean itself = kept.item().equals(kept.likeItem())
                && (kept.likeSite() == null || kept.likeSite().equals(kept.site()));
        if (itself) {
            flaws.add(new Flaw("like_item", kept.likeItem(), "is the item itself", "another item, or another site"));
        }
        if (kept.likeItem() == null && (kept.likeSite() != null || kept.likePercent() != null)) {
            flaws.add(new Flaw("like_item", "", "is not said", "the item whose history is to be used"));
        }
        return flaws;
    }

    /** What a parameter is found to be: right if nothing is wrong. */
    private record Finding(String wrong, String right) {
        void ifWrong(List<Flaw> flaws, String text) {
            if (wrong != null) {
                flaws.add(new Flaw("parameters", text, wrong, right));
            }
        }
    }

    private static Finding parameter(ForecastMethod method, String name, String text) {
        Range range = TAKEN.getOrDefault(method, List.of()).stream()
                .filter(one -> one.name.equals(name))
                .findFirst()
                .orElse(null);
        if (range == null) {
            List<String> names = taken(method);
            return new Finding(
                    "name \"" + name + "\", which " + method.title().toLowerCase(Locale.ROOT) + " does not have",
                    names.isEmpty() ? "none" : String.join(", ", names));
        }
        if (!isNumber(text) || !range.holds(Double.parseDouble(text))) {
            return new Finding(
                    "say \"" + name + "=" + text + "\"",
                    name + " from " + text(range.least) + " to " + text(range.most)
                            + (name.equals("n") ? ", whole" : ""));
        }
        return new Finding(null, null);
    }

    private static String text(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    private static boolean isNumber(String text) {
        return text.matches("\\d{1,9}(\\.\\d{1,12})?");
    }

    /** By name: {@code alpha=0.2 beta=0.1}, with blanks or commas between them. */
    private static Map<String, String> said(String parameters) {
        Map<String, String> said = new LinkedHashMap<>();
        for (String part :
                parameters == null ? new String[0] : parameters.strip().split("[\\s,;]+")) {
            int equals = part.indexOf('=');
            if (!part.isEmpty()) {
                said.put(
                        equals < 0 ? part : part.substring(0, equals).strip(),
                        equals < 0 ? "" : part.substring(equals + 1).strip());
            }
        }
        return said;
    }

    /** What is given to a method: nothing, unless it is the one that is chosen. */
    Map<String, Double> given(ForecastMethod other) {
        return other == method ? parameters : Map.of();
    }
}
