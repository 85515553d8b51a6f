package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Parallel;
import rescient.core.company.BasicFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.StockFacts;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Forecaster;
import rescient.core.forecast.SalesHistory;

/**
 * Forecasts every item and site of a dataset that has a history, without a database or a browser: {@code forecast DATASET
 * --out FOLDER [--bucket month|week|day] [--periods N] [--history shipments|orders] [--today DATE]}. Exit 0 forecast; 2 the
 * dataset has faults, all of them on standard error and nothing written; 1 anything else.
 */
public final class ForecastCommand {
    private static final Set<String> OPTIONS = Set.of("--out", "--bucket", "--periods", "--history", "--today");
    private static final String SET = "auto";
    private static final int PERIODS = 12;
    private static final int MOST_PERIODS = 1000;
    /** Of intervals and errors. */
    private static final int DECIMALS = 6;

    private static final String[] FORECASTS = {
        "set", "item", "site", "from_date", "bucket", "quantity", "low80", "high80", "low95", "high95"
    };
    private static final String[] METHODS = {"item", "site", "method", "mase", "bias", "parameters"};

    private ForecastCommand() {}

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private record Place(String item, String site) {}

    private static void run(String[] words) {
        if (words.length == 0 || words[0].startsWith("--")) {
            throw new IllegalArgumentException("Say which dataset: forecast DATASET --out FOLDER");
        }
        CommandWords options = CommandWords.of(words, 1, OPTIONS);
        Path out = Path.of(options.needed("--out", "Say where the forecasts go: --out FOLDER"));
        Buckets buckets = new Buckets(bucket(options.given().getOrDefault("--bucket", "month")));
        int periods = periods(options.given().get("--periods"));
        boolean orders = orders(options.given().getOrDefault("--history", "shipments"));
        CommandWords.Progress progress = new CommandWords.Progress();
        Dataset dataset =
                DatasetReader.readTables(Path.of(words[0]), rows -> progress.tell("Reading: " + rows + " rows"));
        LocalDate today = options.today(dataset);
        List<Map.Entry<Place, List<SalesHistory.Sold>>> places =
                List.copyOf((orders ? ordered(dataset) : shipped(dataset)).entrySet());
        Facts facts = Facts.of(dataset);
        SalesHistory[] histories = new SalesHistory[places.size()];
        Forecast[] forecasts = new Forecast[places.size()];
        AtomicInteger done = new AtomicInteger();
        Parallel.each(places.size(), i -> {
            Place place = places.get(i).getKey();
            DemandSeries series = DemandSeries.of(
                    facts,
                    new DemandSeries.Place(place.item, place.site),
                    SalesHistory.of(buckets, places.get(i).getValue(), today),
                    DemandSeries.Draft.NOTHING);
            histories[i] = series.counts();
            forecasts[i] = series.hasHistory() ? series.forecast(periods, null, Forecaster::of) : null;
            progress.tell("Forecasting: " + done.incrementAndGet() + " of " + places.size());
        });
        Map<String, Integer> decimals = decimals(dataset);
        List<String[]> quantities = new ArrayList<>();
        List<String[]> methods = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            if (forecasts[i] != null) {
                Place place = places.get(i).getKey();
                methods.add(method(place, forecasts[i]));
                for (int h = 0; h < periods; h++) {
                    quantities.add(
                            quantity(place, histories[i], forecasts[i], h, decimals.getOrDefault(place.item, 0)));
                }
            }
        }
        write(out, "forecasts.csv", FORECASTS, quantities);
        write(out, "forecast_methods.csv", METHODS, methods);
        System.out.println("Forecast " + methods.size() + " series");
    }

    private static PeriodUnit bucket(String word) {
        try {
            return PeriodUnit.valueOf(word.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("A bucket is month, week or day, not \"" + word + "\"", e);
        }
    }

    private static int periods(String word) {
        if (word == null) {
            return PERIODS;
        }
        if (!word.matches("\\d{1,4}") || Integer.parseInt(word) < 1 || Integer.parseInt(word) > MOST_PERIODS) {
            throw new IllegalArgumentException("Say how many periods, 1 to " + MOST_PERIODS + ", not \"" + word + "\"");
        }
        return Integer.parseInt(word);
    }

    private static boolean orders(String word) {
        if (!word.equals("orders") && !word.equals("shipments")) {
            throw new IllegalArgumentException("The history is that of shipments or orders, not \"" + word + "\"");
        }
        return word.equals("orders");
    }

    private static Map<Place, List<SalesHistory.Sold>> places() {
        return new TreeMap<>(Comparator.comparing(Place::item, DocumentOrder::byCodePoint)
                .thenComparing(Place::site, DocumentOrder::byCodePoint));
    }

    private static Map<Place, List<SalesHistory.Sold>> shipped(Dataset dataset) {
        Map<Place, List<SalesHistory.Sold>> sold = places();
        for (Row row : dataset.rows("shipments")) {
            StockFacts.Shipment one = Codec.of(StockFacts.Shipment.class).read(row);
            sold.computeIfAbsent(new Place(one.item(), one.site()), p -> new ArrayList<>())
                    .add(new SalesHistory.Sold(one.date(), one.quantity()));
        }
        return sold;
    }

    /** What was ordered, on the day on which it was wanted; quotes and what was cancelled are no demand. */
    private static Map<Place, List<SalesHistory.Sold>> ordered(Dataset dataset) {
        Map<Place, List<SalesHistory.Sold>> sold = places();
        for (Row row : dataset.rows("customer_orders")) {
            OrderFacts.CustomerOrder line =
                    Codec.of(OrderFacts.CustomerOrder.class).read(row);
            if (line.state() != OrderFacts.OrderState.QUOTE && line.state() != OrderFacts.OrderState.CANCELLED) {
                OrderFacts.Agreed agreed = line.agreed();
                sold.computeIfAbsent(new Place(line.item(), line.site()), p -> new ArrayList<>())
                        .add(new SalesHistory.Sold(
                                agreed.wantedDate() == null ? line.dueDate() : agreed.wantedDate(),
                                agreed.ordered() == null ? line.quantity() : agreed.ordered()));
            }
        }
        return sold;
    }

    private static Map<String, Integer> decimals(Dataset dataset) {
        Map<String, Integer> ofUnit = dataset.rows("units").stream()
                .map(Codec.of(BasicFacts.Unit.class)::read)
                .collect(Collectors.toMap(BasicFacts.Unit::code, BasicFacts.Unit::decimals));
        return dataset.rows("items").stream()
                .collect(Collectors.toMap(row -> row.text("code"), row -> ofUnit.getOrDefault(row.text("unit"), 0)));
    }

    private static String[] quantity(Place place, SalesHistory history, Forecast forecast, int h, int decimals) {
        return new String[] {
            SET,
            place.item,
            place.site,
            history.ahead(h).toString(),
            history.buckets().unit().name().toLowerCase(Locale.ROOT),
            text(forecast.mean()[h], decimals),
            text(forecast.narrow().low()[h], DECIMALS),
            text(forecast.narrow().high()[h], DECIMALS),
            text(forecast.wide().low()[h], DECIMALS),
            text(forecast.wide().high()[h], DECIMALS)
        };
    }

    private static String[] method(Place place, Forecast forecast) {
        Forecast.Tested tested = forecast.ofMethod();
        return new String[] {
            place.item,
            place.site,
            forecast.method().code(),
            tested == null ? "" : text(tested.mase(), DECIMALS),
            tested == null ? "" : text(tested.bias(), DECIMALS),
            forecast.parameters().entrySet().stream()
                    .map(one -> one.getKey() + "=" + text(one.getValue(), DECIMALS))
                    .collect(Collectors.joining(" "))
        };
    }

    /** Half up. */
    private static String text(double value, int decimals) {
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }

    private static void write(Path folder, String file, String[] columns, List<String[]> rows) {
        try {
            Files.createDirectories(folder);
            try (CsvWriter csv = CsvWriter.builder().build(folder.resolve(file))) {
                csv.writeRecord(columns);
                rows.forEach(csv::writeRecord);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The forecasts cannot be written to " + folder + ": " + e.getMessage(), e);
        }
    }
}
