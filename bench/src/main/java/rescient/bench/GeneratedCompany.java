package rescient.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;

/**
 * A company of any size, the same for the same seed: two works, a depot filled by transfers, eight levels. Level 0 is the
 * depot; levels 1 to 6 are made, more and more of them bought towards the bottom; level 7 is bought.
 */
final class GeneratedCompany {
    static final int LEVELS = 8;
    static final List<String> WORKS = List.of("EAST", "WEST");
    static final String DEPOT = "DEPOT";
    static final String SET = "BASE";
    static final LocalDate TODAY = LocalDate.of(2026, 3, 2);
    static final int DAYS = 365;

    private static final int SUPPLIERS = 200;
    /** One item in so many is used everywhere. */
    private static final int COMMON = 50;
    /** A draw that gives a period rule. */
    private static final int COLLECTED = 10;
    /** Part of the items of a works that lies on each level from 1 on. */
    private static final double[] SHARE = {0.12, 0.14, 0.16, 0.16, 0.15, 0.13, 0.14};

    final CompanySize size;
    final List<String> items = new ArrayList<>();
    final List<Part> parts = new ArrayList<>();
    final List<BomLine> bomLines = new ArrayList<>();
    final List<StockLot> stock = new ArrayList<>();
    final List<CustomerOrderLine> customerOrders = new ArrayList<>();
    final List<ForecastBucket> forecasts = new ArrayList<>();
    final List<OpenOrder> openOrders = new ArrayList<>();
    final List<OpenOrderComponent> components = new ArrayList<>();
    private final SplittableRandom random;
    /** For each works and level from 1 on, the parts that lie there. */
    private final List<List<List<Part>>> byLevel = new ArrayList<>();

    GeneratedCompany(CompanySize size, long seed) {
        this.size = size;
        this.random = new SplittableRandom(seed);
        works();
        depot();
        billsOfMaterials();
        stock();
        demands();
        openOrders();
    }

    static int today() {
        return (int) TODAY.toEpochDay();
    }

    static List<String> suppliers() {
        List<String> codes = new ArrayList<>();
        for (int i = 0; i < SUPPLIERS; i++) {
            codes.add("SUP" + i);
        }
        return codes;
    }

    private void works() {
        int each = size.points() * 9 / 10 / WORKS.size();
        for (int w = 0; w < WORKS.size(); w++) {
            List<List<Part>> levels = new ArrayList<>();
            byLevel.add(levels);
            double reached = 0;
            int done = 0;
            for (int level = 1; level < LEVELS; level++) {
                reached += SHARE[level - 1];
                int until = level == LEVELS - 1 ? each : (int) (each * reached);
                List<Part> here = new ArrayList<>();
                for (; done < until; done++) {
                    // what is used everywhere is collected into periods: a fixed quantity would be ordered by the
                    // thousand
                    boolean common = here.size() < (until - done + here.size()) / COMMON;
                    Part part = part("I" + level + "-" + w + "-" + done, WORKS.get(w), level, common);
                    here.add(part);
                    items.add(part.item());
                    parts.add(part);
                }
                levels.add(here);
            }
        }
    }

    private Part part(String item, String site, int level, boolean common) {
        boolean made = level < LEVELS - 1 && random.nextDouble() < 1.15 - 0.15 * level;
        Source source = !made ? Source.BUY : level == 1 ? Source.ASSEMBLE : Source.MAKE;
        String supplier = made ? null : "SUP" + random.nextInt(SUPPLIERS);
        int lead = made ? 1 + random.nextInt(8) : 5 + random.nextInt(40);
        int typical = (20 << random.nextInt(6)) * (int) Math.pow(5, level - 1);
        int safety = random.nextInt(3) == 0 ? typical / 4 : 0;
        int kind = common ? COLLECTED : random.nextInt(20);
        Part part = Part.of(item, site, source, null, supplier, lead, kind < 19 ? safety : 0);
        if (kind < 5) {
            return part;
        }
        if (kind < 7) {
            return part.lots(typical, 10);
        }
        if (kind < 15) {
            return part.collected(1 + random.nextInt(4), 5);
        }
        if (kind < 18) {
            return part.fixed(typical * 2, typical * 8);
        }
        return kind < 19 ? part.minMax(typical * 4, typical * 20) : part.perOrder();
    }

    /** What is sold at the depot is transferred from the works that makes it. */
    private void depot() {
        int wanted = size.points() / 10;
        for (int i = 0; i < wanted; i++) {
            List<Part> goods = byLevel.get(i % WORKS.size()).get(0);
            Part made = goods.get(i / WORKS.size() % goods.size());
            if (i / WORKS.size() >= goods.size()) {
                return;
            }
            boolean everyNeed = random.nextBoolean();
            int lead = 1 + random.nextInt(3);
            Part part = Part.of(made.item(), DEPOT, Source.TRANSFER, made.site(), null, lead, random.nextInt(20));
            parts.add(everyNeed ? part : part.collected(1, 0));
        }
    }

    /** Each made item takes most of its components from the next level, the others from deeper down. */
    private void billsOfMaterials() {
        List<Part> made = new ArrayList<>();
        for (Part part : parts) {
            if (part.source() == Source.MAKE || part.source() == Source.ASSEMBLE) {
                made.add(part);
            }
        }
        for (int n = 0; n < made.size(); n++) {
            Part parent = made.get(n);
            int lines =
                    (int) ((long) size.bomLines() * (n + 1) / made.size() - (long) size.bomLines() * n / made.size());
            int works = WORKS.indexOf(parent.site());
            int level = parent.item().charAt(1) - '0';
            for (int line = 1; line <= lines; line++) {
                int below = level + 1;
                while (below < LEVELS - 1 && random.nextInt(3) == 0) {
                    below++;
                }
                List<Part> choices = byLevel.get(works).get(below - 1);
                // a few components are used everywhere
                int pick = random.nextInt(8) == 0
                        ? random.nextInt(Math.max(1, choices.size() / COMMON))
                        : random.nextInt(choices.size());
                bomLines.add(new BomLine(
                        parent.item(),
                        Integer.toString(line),
                        choices.get(pick).item(),
                        new Ratio(random.nextInt(5) == 0 ? 2 : 1, 1),
                        false,
                        Integer.MIN_VALUE,
                        Integer.MAX_VALUE));
            }
        }
    }

    private void stock() {
        for (Part part : parts) {
            int lots = random.nextInt(3);
            for (int i = 0; i < lots; i++) {
                int expiry = random.nextInt(40) == 0 ? today() + 20 + random.nextInt(300) : Integer.MAX_VALUE;
                stock.add(new StockLot(
                        part.item(), part.site(), "L" + i, null, Quantity.of(10L + random.nextInt(400)), expiry));
            }
        }
    }

    /** Half at the depot, the rest at the works; three in ten are forecasts, by the week. */
    private void demands() {
        int forecastRows = size.demands() * 3 / 10;
        List<Part> depot = parts.stream().filter(p -> p.site().equals(DEPOT)).toList();
        int perSeries = 26;
        for (int made = 0, series = 0; made < forecastRows; series++) {
            Part part = depot.get(series % depot.size());
            int skip = series / depot.size() * perSeries;
            for (int week = skip; week < skip + perSeries && made < forecastRows; week++, made++) {
                int day = today() + 7 * week;
                forecasts.add(new ForecastBucket(
                        SET, part.item(), part.site(), day, PeriodUnit.WEEK, Quantity.of(1L + random.nextInt(30))));
            }
        }
        int orders = size.demands() - forecastRows;
        for (int i = 0; i < orders; i++) {
            Part part = random.nextInt(10) < 6
                    ? depot.get(random.nextInt(depot.size()))
                    : parts.get(random.nextInt(parts.size()));
            customerOrders.add(new CustomerOrderLine(
                    "C" + i / 3,
                    Integer.toString(i % 3 + 1),
                    part.item(),
                    part.site(),
                    Quantity.of(1L + random.nextInt(20)),
                    today() - 5 + random.nextInt(DAYS),
                    1 + random.nextInt(9)));
        }
    }

    private void openOrders() {
        Map<String, List<BomLine>> byParent = new HashMap<>();
        bomLines.forEach(l ->
                byParent.computeIfAbsent(l.parent(), p -> new ArrayList<>()).add(l));
        for (int i = 0; i < size.openOrders(); i++) {
            Part part = parts.get(random.nextInt(parts.size()));
            Source kind = part.source();
            int due = today() - 3 + random.nextInt(60);
            int start = kind == Source.BUY ? OpenOrder.NO_DAY : due - 5;
            Stage stage = random.nextInt(4) == 0 ? Stage.FIRMED : Stage.RELEASED;
            String number = kind.name().charAt(0) + "O-" + i;
            long quantity = 5L + random.nextInt(200);
            openOrders.add(new OpenOrder(
                    number,
                    "1",
                    kind,
                    stage,
                    part.item(),
                    part.site(),
                    part.fromSite(),
                    part.supplier(),
                    Quantity.of(quantity),
                    due,
                    start,
                    random.nextInt(20) == 0));
            if (start == OpenOrder.NO_DAY || (stage == Stage.RELEASED && random.nextInt(3) > 0)) {
                continue;
            }
            if (kind == Source.TRANSFER) {
                components.add(new OpenOrderComponent(number, "1", part.item(), Quantity.of(quantity), start));
            } else {
                Set<String> seen = new HashSet<>();
                for (BomLine line : byParent.getOrDefault(part.item(), List.of())) {
                    if (seen.add(line.component())) {
                        components.add(new OpenOrderComponent(
                                number,
                                "1",
                                line.component(),
                                Quantity.of(quantity * line.quantity().whole()),
                                start));
                    }
                }
            }
        }
    }
}
