package rescient.demo;

import java.time.LocalDate;
import java.util.Random;

/** What customers have ordered and what is on its way, around the base day; the season swells from January to May. */
final class Trade {
    private static final String[] NORTH = {
        "Aldery Bees", "Bramble & Comb", "Cotter Apiaries", "Dunlin Farm Shop", "Eastholt Beekeepers", "Fallow Honey",
        "Gorse Hill Apiary", "Hazelby Supplies", "Ings Bee Club", "Juniper Croft", "Kettle Moor Honey", "Linden Guild",
        "Marl House", "Nettlefold Bees", "Orchard & Hive", "Pennyroyal Stores", "Quern Mill Farm", "Rushbeck Apiaries",
        "Sallow Lane Bees", "Teasel Trading", "Upper Heath Honey", "Vetch & Clover", "Wether Fell Bees",
                "Yarrow Supplies"
    };
    private static final String[] SOUTH = {
        "Anchor Bee Stores", "Bay Tree Apiary", "Chalk Pit Honey", "Downland Bees", "Estuary Supplies", "Fernbrake",
        "Gull Rock Garden", "Harbour Hives", "Island Beekeepers", "Kelp & Clover", "Lagoon Farm", "Maris Honey",
        "Nore Bee Club", "Oyster Lane", "Pebble Ridge", "Saltmarsh Apiaries"
    };
    private static final String[] SOLD = {
        "HIVE-10N",
        "HIVE-10N",
        "HIVE-10N",
        "HIVE-10W",
        "HIVE-10W",
        "HIVE-10G",
        "HIVE-6N",
        "HIVE-6W",
        "KIT-BEGIN",
        "KIT-BEGIN",
        "KIT-HARVEST",
        "EXTR-4",
        "EXTR-4",
        "EXTR-9M",
        "FRAME-B",
        "FRAME-B",
        "FRAME-S",
        "FRAME-S",
        "FOUND-B",
        "FOUND-S",
        "SUIT-S",
        "SUIT-M",
        "SUIT-L",
        "GLOVE-S",
        "GLOVE-M",
        "GLOVE-L",
        "SMOKER-S",
        "SMOKER-L",
        "TOOL-J",
        "QEX-10",
        "SYRUP-5",
        "FONDANT-2",
        "PAIL-15"
    };
    private static final String[] AT_DEPOT = {
        "HIVE-10N", "HIVE-10W", "FRAME-B", "FRAME-S", "FOUND-B", "SMOKER-S", "SUIT-M", "SYRUP-5", "FONDANT-2"
    };

    private static final String[] STREETS = {
        "Mill Lane", "Orchard Row", "Chapel Hill", "Weir Road", "Heath Street", "Quarry Bank", "Old Market"
    };
    private static final String[] TOWNS = {
        "Oakby", "Thornholm", "Wethermoor", "Ferrisford", "Hazelbridge", "Larkstead", "Saltby", "Nunwick", "Eastholt"
    };

    private final Tables tables;
    private final LocalDate base;
    private final Random random;

    Trade(Tables tables, LocalDate base, long seed) {
        this.tables = tables;
        this.base = base;
        this.random = new Random(seed);
    }

    void fill() {
        for (int i = 0; i < NORTH.length + SOUTH.length; i++) {
            String name = i < NORTH.length ? NORTH[i] : SOUTH[i - NORTH.length];
            tables.add(
                    "customers",
                    "code",
                    code(i),
                    "name",
                    name,
                    "email",
                    "office@" + code(i).toLowerCase(java.util.Locale.ROOT) + ".example",
                    "address",
                    address(i),
                    "payment_days",
                    i % 4 == 0 ? 14 : 30);
        }
        customerOrders();
        openOrders();
    }

    private static String address(int customer) {
        return (3 + customer * 7 % 80) + " " + STREETS[customer % STREETS.length] + ", "
                + TOWNS[customer % TOWNS.length];
    }

    private static String code(int customer) {
        return String.format("C%03d", 101 + customer);
    }

    private void customerOrders() {
        int number = 700;
        for (int order = 0; order < 70; order++) {
            int customer = random.nextInt(NORTH.length + SOUTH.length);
            boolean south = customer >= NORTH.length;
            String[] range = south ? AT_DEPOT : SOLD;
            LocalDate due = due();
            int lines = 1 + random.nextInt(3);
            number++;
            java.util.Set<String> taken = new java.util.HashSet<>();
            for (int line = 1; line <= lines; line++) {
                String item = range[random.nextInt(range.length)];
                if (taken.add(item)) {
                    line(
                            "SO-" + number,
                            taken.size(),
                            code(customer),
                            item,
                            south,
                            quantity(item),
                            due,
                            random.nextInt(9) == 0 ? 1 : null);
                }
            }
        }
        // the rush order that one bearing, four levels down, will make late
        line("SO-790", 1, code(0), "EXTR-4", false, 24, workday(base.plusDays(24)), 2);
        // nothing is left of this syrup before it expires but what two customers take
        line("SO-791", 1, code(3), "SYRUP-5", false, 15, workday(base.plusDays(8)), null);
    }

    private void line(
            String number,
            int line,
            String customer,
            String item,
            boolean south,
            int quantity,
            LocalDate due,
            Integer priority) {
        Object[] columns = new Agreed(Integer.parseInt(number.substring(3)), due, base)
                .columns(
                        "number",
                        number,
                        "line",
                        line,
                        "customer",
                        customer,
                        "item",
                        item,
                        "site",
                        south ? Catalogue.DEPOT : Catalogue.WORKS,
                        "quantity",
                        quantity,
                        "due_date",
                        due,
                        "priority",
                        priority);
        tables.add("customer_orders", columns);
    }

    /** More often in spring; never on a weekend, nor in the closed days at the turn of the year. */
    private LocalDate due() {
        while (true) {
            LocalDate day = workday(base.plusDays(3 + random.nextInt(150)));
            double season = switch (day.getMonthValue()) {
                case 11 -> 0.5;
                case 12 -> 0.45;
                case 1 -> 0.7;
                default -> 1.0;
            };
            boolean closed = day.isAfter(LocalDate.of(2026, 12, 22)) && day.isBefore(LocalDate.of(2027, 1, 6));
            if (!closed && random.nextDouble() < season) {
                return day;
            }
        }
    }

    static LocalDate workday(LocalDate day) {
        return switch (day.getDayOfWeek()) {
            case SATURDAY -> day.plusDays(2);
            case SUNDAY -> day.plusDays(1);
            default -> day;
        };
    }

    private int quantity(String item) {
        if (item.startsWith("FRAME")) {
            return 50 * (1 + random.nextInt(8));
        }
        if (item.startsWith("HIVE")) {
            return 2 + random.nextInt(15);
        }
        if (item.startsWith("EXTR") || item.startsWith("KIT")) {
            return 1 + random.nextInt(6);
        }
        return 5 + random.nextInt(25);
    }

    private void order(
            String number,
            String kind,
            String stage,
            String item,
            String site,
            String from,
            String supplier,
            int quantity,
            LocalDate due,
            LocalDate start) {
        openOrder(tables, number, kind, stage, item, site, from, supplier, quantity, due, start);
    }

    static void openOrder(
            Tables tables,
            String number,
            String kind,
            String stage,
            String item,
            String site,
            String from,
            String supplier,
            int quantity,
            LocalDate due,
            LocalDate start) {
        tables.add(
                "open_orders",
                "number",
                number,
                "line",
                1,
                "kind",
                kind,
                "stage",
                stage,
                "item",
                item,
                "site",
                site,
                "from_site",
                from,
                "supplier",
                supplier,
                "quantity",
                quantity,
                "due_date",
                due,
                "start_date",
                start);
    }

    private void bought(int number, String supplier, String item, int quantity, int dueIn) {
        order(
                "PO-" + number,
                "buy",
                "released",
                item,
                Catalogue.WORKS,
                "",
                supplier,
                quantity,
                workday(base.plusDays(dueIn)),
                null);
    }

    private void openOrders() {
        bought(2031, "HOLLIN", "CED-2400", 96, 24);
        // was promised for last week
        bought(2032, "ASHBEK", "SHEET-08", 200, -5);
        bought(2033, "FENWICKE", "SCR-440", 3000, 2);
        bought(2034, "TARN", "SUIT-M", 60, 30);
        bought(2035, "TARN", "SUIT-L", 40, 84);
        bought(2036, "TARN", "GLOVE-M", 80, 30);
        bought(2037, "MELLORA", "WAX-BLK", 75, 28);
        bought(2038, "PARCELOW", "CARTON-H", 150, 3);
        bought(2039, "ROOKHOPE", "HANDLE-C", 50, 7);
        // twice what anybody wants of it: to be cancelled
        bought(2040, "EMBERLY", "SIEVE-2", 120, 11);
        // weeks before it is needed: to be pushed back
        bought(2041, "TANDEM", "MOTOR-180", 10, 8);
        bought(2042, "GREYLING", "PAINT-W", 50, 1);
        bought(2043, "EMBERLY", "SMOKER-S", 40, 38);
        bought(2044, "SWEETMOSS", "FONDANT-2", 60, 44);
        LocalDate start = base.minusDays(3);
        order("MO-318", "make", "released", "BOX-B10", Catalogue.WORKS, "", "", 24, workday(base.plusDays(15)), start);
        component("MO-318", "PNL-L10", 48, start);
        component("MO-318", "PNL-S10", 48, start);
        order("MO-319", "make", "released", "FRAME-B", Catalogue.WORKS, "", "", 500, workday(base.plusDays(2)), start);
        component("MO-319", "FR-TOP", 500, start);
        component("MO-319", "FR-SIDE", 1000, start);
        component("MO-319", "FR-BOT", 500, start);
        order(
                "MO-320",
                "make",
                "firmed",
                "GBX-410",
                Catalogue.WORKS,
                "",
                "",
                6,
                workday(base.plusDays(9)),
                base.plusDays(2));
        component("MO-320", "SHF-410", 12, base.plusDays(2));
        component("MO-320", "HOUS-410", 6, base.plusDays(2));
        order(
                "AO-106",
                "assemble",
                "released",
                "HIVE-10N",
                Catalogue.WORKS,
                "",
                "",
                12,
                workday(base.plusDays(4)),
                base);
        component("AO-106", "BOX-B10N", 12, base);
        component("AO-106", "BOX-S10N", 24, base);
        order(
                "TO-57",
                "transfer",
                "released",
                "FRAME-B",
                Catalogue.DEPOT,
                Catalogue.WORKS,
                "",
                150,
                workday(base.plusDays(9)),
                base);
        component("TO-57", "FRAME-B", 150, base);
        order(
                "SC-21",
                "subcontract",
                "released",
                "DRM-380P",
                Catalogue.WORKS,
                Catalogue.COATER,
                "SILVERLEAF",
                8,
                workday(base.plusDays(4)),
                base.minusDays(5));
    }

    private void component(String number, String item, int quantity, LocalDate needed) {
        openOrderComponent(tables, number, item, quantity, needed);
    }

    static void openOrderComponent(Tables tables, String number, String item, int quantity, LocalDate needed) {
        tables.add(
                "open_order_components",
                "number",
                number,
                "line",
                1,
                "component",
                item,
                "quantity",
                quantity,
                "needed_date",
                needed);
    }
}
