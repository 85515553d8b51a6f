package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Ratio;
import rescient.core.costing.CostPoint;
import rescient.core.costing.CostPoint.Place;
import rescient.core.costing.Exact;
import rescient.core.costing.RollUp;
import rescient.core.costing.UnitCost;
import rescient.core.stock.StockItem;

/**
 * Rolls costs up, without a database or a browser: {@code cost DATASET --out FOLDER [--today DATE]}. Exit 0 costed, what is on
 * a loop or has no price is said on standard error; 2 the dataset has faults, all of them on standard error and nothing
 * written; 1 anything else.
 */
public final class CostCommand {
    private static final int DECIMALS = 6;
    private static final String[] COLUMNS = {"item", "site", "unit_cost", "material", "work", "outside"};

    private final ExecutionData data;
    private final Map<Place, Row> planning = new LinkedHashMap<>();
    private final Map<String, Row> items = new HashMap<>();

    private CostCommand(ExecutionData data) {
        this.data = data;
        data.of("planning").forEach(row -> planning.put(new Place(row.text("item"), row.text("site")), row));
        data.of("items").forEach(row -> items.put(row.text("code"), row));
    }

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private static void run(String[] words) {
        if (words.length == 0 || words[0].startsWith("--")) {
            throw new IllegalArgumentException("Say which dataset: cost DATASET --out FOLDER");
        }
        CommandWords options = CommandWords.of(words, 1, Set.of("--out", "--today"));
        Path out = Path.of(options.needed("--out", "Say where the costs go: --out FOLDER"));
        cost(Path.of(words[0]), out, options.given().get("--today"));
    }

    /** @param day null: the dataset's */
    public static void cost(Path from, Path out, String day) {
        Map<String, List<Row>> rows = ExecutionTables.read(from);
        LocalDate today = PostCommand.today(day, rows);
        List<String[]> costs = new CostCommand(new ExecutionData(rows, today, List.of())).costs();
        write(out, costs);
        System.out.println("Costed " + costs.size() + " points");
    }

    private List<String[]> costs() {
        List<CostPoint> points = new ArrayList<>();
        planning.forEach((place, row) -> points.add(point(place, row)));
        for (String item : items.keySet()) {
            if (isPassedOn(item)) {
                sites(item, new HashSet<>()).forEach(site -> points.add(passedOn(new Place(item, site))));
            }
        }
        Map<Place, Optional<UnitCost>> costs =
                RollUp.of(points, item -> data.item(item).standardCost());
        List<String[]> rows = new ArrayList<>();
        costs.forEach((place, cost) -> {
            if (cost.isEmpty()) {
                System.err.println(place.item() + " at " + place.site() + " is on a loop of bills, or above one");
            } else {
                rows.add(new String[] {
                    place.item(),
                    place.site(),
                    said(cost.get().sum()),
                    said(cost.get().material()),
                    said(cost.get().work()),
                    said(cost.get().outside())
                });
            }
        });
        rows.sort(Comparator.comparing((String[] row) -> row[0], DocumentOrder::byCodePoint)
                .thenComparing(row -> row[1], DocumentOrder::byCodePoint));
        return rows;
    }

    /** Kits and phantoms are nothing but their parts. */
    private boolean isPassedOn(String item) {
        String kind = items.get(item).text("kind", "stocked");
        return kind.equals("kit") || kind.equals("phantom");
    }

    /** Where one of the parts of a kit or phantom has a cost of its own. */
    private Set<String> sites(String item, Set<String> above) {
        Set<String> sites = new LinkedHashSet<>();
        if (!above.add(item)) {
            return sites;
        }
        for (Row line : data.lines(item, data.today())) {
            String component = line.text("component");
            planning.keySet().stream()
                    .filter(place -> place.item().equals(component))
                    .map(Place::site)
                    .forEach(sites::add);
            if (isPassedOn(component)) {
                sites.addAll(sites(component, above));
            }
        }
        above.remove(item);
        return sites;
    }

    private static BigDecimal or(BigDecimal value, BigDecimal otherwise) {
        return ExecutionData.or(value, otherwise);
    }

    private CostPoint passedOn(Place place) {
        return new CostPoint(
                place,
                CostPoint.Way.PARTS,
                data.item(place.item()).standardCost(),
                null,
                null,
                BigDecimal.ONE,
                BigDecimal.ONE,
                parts(place.item()),
                List.of());
    }

    private CostPoint point(Place place, Row row) {
        if (isPassedOn(place.item())) {
            return passedOn(place);
        }
        CostPoint.Way way = way(data.planned(row, "source"));
        boolean made = way == CostPoint.Way.MADE || way == CostPoint.Way.SUBCONTRACTED;
        Exact price = way == CostPoint.Way.BOUGHT || way == CostPoint.Way.SUBCONTRACTED
                ? price(place, data.planned(row, "supplier"))
                : null;
        String yield = data.planned(row, "yield");
        return new CostPoint(
                place,
                way,
                data.item(place.item()).standardCost(),
                price,
                data.planned(row, "from_site"),
                lot(place.item(), row),
                yield == null ? BigDecimal.ONE : new BigDecimal(yield),
                made ? parts(place.item()) : List.of(),
                way == CostPoint.Way.MADE ? works(place) : List.of());
    }

    private static CostPoint.Way way(String source) {
        return switch (source == null ? "none" : source) {
            case "buy" -> CostPoint.Way.BOUGHT;
            case "transfer" -> CostPoint.Way.TRANSFERRED;
            case "make", "assemble" -> CostPoint.Way.MADE;
            case "subcontract" -> CostPoint.Way.SUBCONTRACTED;
            default -> CostPoint.Way.STANDARD;
        };
    }

    private BigDecimal lot(String item, Row row) {
        BigDecimal batch = items.get(item).decimal("cost_batch");
        String fixed = "fixed_quantity".equals(data.planned(row, "rule")) ? data.planned(row, "fixed_quantity") : null;
        String least = data.planned(row, "min_quantity");
        BigDecimal lot = batch != null
                ? batch
                : fixed != null ? new BigDecimal(fixed) : least != null ? new BigDecimal(least) : BigDecimal.ONE;
        return lot.signum() > 0 ? lot : BigDecimal.ONE;
    }

    private List<CostPoint.Part> parts(String item) {
        return data.lines(item, data.today()).stream()
                .map(line -> {
                    Ratio quantity = data.quantity(line);
                    BigDecimal scrap = or(line.decimal("scrap"), BigDecimal.ZERO);
                    return new CostPoint.Part(
                            line.text("component"),
                            new Exact(quantity.numerator(), quantity.denominator())
                                    .times(Exact.of(BigDecimal.ONE.add(scrap))),
                            "order".equals(line.text("per")));
                })
                .toList();
    }

    private List<CostPoint.Work> works(Place place) {
        return data.operations(place.item(), place.site()).stream()
                .map(one -> new CostPoint.Work(one.setup(), one.run(), one.costPerHour(), one.efficiency()))
                .toList();
    }

    /** The base price of the point's supplier, or else of the first choice; null: there is none. */
    private Exact price(Place place, String supplier) {
        String from = supplier != null ? supplier : firstChoice(place.item());
        Row offer = data.offer(from, place.item());
        if (offer == null || offer.decimal("price") == null) {
            if (data.item(place.item()).standardCost().signum() == 0) {
                System.err.println(place.item() + " at " + place.site() + " has neither a price nor a standard cost");
            }
            return null;
        }
        StockItem item = data.item(place.item());
        Exact price = Exact.of(offer.decimal("price"));
        Ratio factor =
                offer.text("unit") == null ? Ratio.ONE : data.factor(item.code(), offer.text("unit"), item.unit());
        return factor == null ? price : price.over(new Exact(factor.numerator(), factor.denominator()));
    }

    private String firstChoice(String item) {
        return data.of("supplier_items").stream()
                .filter(row -> row.text("item").equals(item))
                .map(row -> data.offer(row.text("supplier"), item))
                .filter(Objects::nonNull)
                .min(Comparator.comparingInt((Row row) -> row.whole("preference", Integer.MAX_VALUE))
                        .thenComparing(row -> row.text("supplier"), DocumentOrder::byCodePoint))
                .map(row -> row.text("supplier"))
                .orElse(null);
    }

    /** Half up. */
    private static String said(Exact amount) {
        BigDecimal rounded = amount.rounded(DECIMALS);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }

    private static void write(Path folder, List<String[]> rows) {
        try {
            Files.createDirectories(folder);
            try (CsvWriter csv = CsvWriter.builder().build(folder.resolve("cost.csv"))) {
                csv.writeRecord(COLUMNS);
                rows.forEach(csv::writeRecord);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The costs cannot be written to " + folder + ": " + e.getMessage(), e);
        }
    }
}
