package rescient.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/**
 * Three and a half years of shipments with a season and a trend, a promotion that is an outlier, one item that is asked for
 * now and then and one of which there was nothing in stock for a while; the customer orders behind the last of them, with
 * what was promised; forecasts for nine months in two sets; and what was
 * forecast of the last months.
 */
final class History {
    static final String BASE_SET = "Base";
    static final String STRONG_SET = "Strong spring";

    private static final int WEEKS_BACK = 182;
    private static final int WEEKS_AHEAD = 39;
    private static final int MONTHS_FORECAST = 8;
    /** Of the shipments of so many weeks the orders are there too, numbered from the first on. */
    private static final int WEEKS_OF_ORDERS = 22;

    private static final int FIRST_ORDER = 150;
    private static final int FIRST_CUSTOMER = 101;
    private static final int CUSTOMERS = 40;
    /** Of which less was forecast than came, month after month. */
    private static final String TOO_LITTLE = "STAND-2";

    /** Of which there was nothing in stock for two months of last spring, in weeks back. */
    private static final String RAN_OUT = "BRUSH-H";

    private static final int RAN_OUT_FROM = 34;
    private static final int RAN_OUT_UNTIL = 25;
    private static final String NOW_AND_THEN = "OBS-HIVE";
    private static final String PROMOTED = "SMOKER-S";
    /** Part of a year's sales that falls on each month. */
    private static final double[] SEASON = {0.10, 0.13, 0.16, 0.15, 0.12, 0.08, 0.06, 0.05, 0.04, 0.03, 0.04, 0.04};

    private final Tables tables;
    private final LocalDate base;
    private final Random random;
    private int orders;
    /** Pieces a year of each item that is sold. */
    private final Map<String, Integer> yearly = new TreeMap<>();

    History(Tables tables, LocalDate base, long seed) {
        this.tables = tables;
        this.base = base;
        this.random = new Random(seed);
        Map.of(
                        "NUC-5N",
                        420,
                        "NUC-5W",
                        260,
                        "NUC-5B",
                        180,
                        "STAND-1",
                        240,
                        "STAND-2",
                        150,
                        "OBS-HIVE",
                        16,
                        "MELT-1",
                        90,
                        "UNCAP-1",
                        70,
                        "TRAP-1",
                        380,
                        "BRUSH-H",
                        300)
                .forEach(yearly::put);
        Map.of("QEX-10", 360, "PAIL-15", 700, "TOOL-J", 520, "SMOKER-S", 420, "SMOKER-L", 160)
                .forEach(yearly::put);
        Map.of("HIVE-10N", 520, "HIVE-10W", 360, "HIVE-6N", 190, "EXTR-4", 140, "SUIT-M", 260, "FRAME-B", 9000)
                .forEach(yearly::put);
    }

    void fill() {
        yearly.forEach(this::shipments);
        for (String set : List.of(BASE_SET, STRONG_SET)) {
            for (String item : Workshop.SOLD) {
                forecast(set, item);
            }
        }
        List.of(Workshop.SOLD).forEach(this::forecastBefore);
    }

    /** What was forecast of the last months, each in the month before: what spring fairs add was put on top by hand. */
    private void forecastBefore(String item) {
        for (int back = MONTHS_FORECAST; back >= 1; back--) {
            LocalDate month = base.withDayOfMonth(1).minusMonths(back);
            double expected = yearly.get(item) * SEASON[month.getMonthValue() - 1];
            double forecast = expected * (item.equals(TOO_LITTLE) ? 0.55 : 0.86 + 0.04 * (back % 4));
            boolean fair = month.getMonthValue() == 4 || month.getMonthValue() == 5;
            tables.add(
                    "forecast_versions",
                    "set",
                    BASE_SET,
                    "item",
                    item,
                    "site",
                    Catalogue.WORKS,
                    "bucket",
                    "month",
                    "made",
                    month.minusMonths(1).plusDays(2),
                    "from_date",
                    month,
                    "quantity",
                    Math.round(forecast),
                    "adjusted",
                    Math.round(forecast * (fair ? 1.1 : 1)),
                    "naive",
                    Math.round(expected * (0.7 + 0.12 * (back % 3))),
                    "method",
                    "combination");
        }
    }

    private void shipments(String item, int pieces) {
        int number = 0;
        for (int week = WEEKS_BACK; week >= 1; week--) {
            LocalDate day = base.minusWeeks(week).plusDays(random.nextInt(5));
            double trend = 1 - 0.0012 * week;
            double expected = pieces * SEASON[day.getMonthValue() - 1] * 12 / 52 * trend;
            double shipped = expected * (0.7 + 0.6 * random.nextDouble());
            if (item.equals(NOW_AND_THEN)) {
                shipped = random.nextInt(9) == 0 ? 1 + random.nextInt(4) : 0;
            }
            if (item.equals(PROMOTED) && week == 60) {
                shipped = expected * 20;
            }
            if (item.equals(RAN_OUT) && week >= RAN_OUT_UNTIL && week <= RAN_OUT_FROM) {
                shipped = 0;
            }
            if (Math.round(shipped) > 0) {
                String customer = "C" + (FIRST_CUSTOMER + Math.floorMod(item.hashCode() + 7 * number++, CUSTOMERS));
                boolean ordered = week <= WEEKS_OF_ORDERS;
                shipment(
                        item,
                        day,
                        ordered ? "SO-" + (FIRST_ORDER + orders) : "SH-" + (999 + number),
                        ordered ? 1 : "",
                        customer,
                        Math.round(shipped));
                if (ordered) {
                    new DoneOrder(tables, FIRST_ORDER + orders++, item, customer, Math.round(shipped), day).fill();
                }
            }
        }
    }

    private void shipment(String item, LocalDate day, String number, Object line, String customer, long quantity) {
        tables.add(
                "shipments",
                "item",
                item,
                "site",
                Catalogue.WORKS,
                "date",
                day,
                "number",
                number,
                "line",
                line,
                "customer",
                customer,
                "quantity",
                quantity);
    }

    /** By the week, so that moving the company by whole weeks leaves every bucket what it is. */
    private void forecast(String set, String item) {
        for (int week = 0; week < WEEKS_AHEAD; week++) {
            LocalDate monday = base.plusWeeks(week);
            double expected = yearly.get(item) * SEASON[monday.getMonthValue() - 1] * 12 / 52;
            boolean spring = monday.getMonthValue() >= 2 && monday.getMonthValue() <= 4;
            long quantity = Math.round(expected * (set.equals(STRONG_SET) && spring ? 1.3 : 1));
            if (quantity > 0) {
                tables.add(
                        "forecasts",
                        "set",
                        set,
                        "item",
                        item,
                        "site",
                        Catalogue.WORKS,
                        "from_date",
                        monday,
                        "bucket",
                        "week",
                        "quantity",
                        quantity);
            }
        }
    }
}
