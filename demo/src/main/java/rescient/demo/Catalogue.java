package rescient.demo;

/** What Larkmoor Hives makes and buys: sites, units, groups, suppliers, then materials and products. */
final class Catalogue {
    static final String WORKS = "LARKMOOR";
    static final String DEPOT = "QUAYSIDE";
    static final String COATER = "SILVERLEAF";

    private static final String[] TOWNS = {"Ironby", "Millholm", "Copperwick", "Stonebridge"};

    private final Tables tables;

    Catalogue(Tables tables) {
        this.tables = tables;
    }

    void fill() {
        sitesAndUnits();
        groups();
        suppliers();
        CatalogueRows rows = new CatalogueRows(tables);
        new Materials(tables, rows).fill();
        new Products(tables, rows).fill();
    }

    private void sitesAndUnits() {
        tables.add("calendars", "code", "WORKS");
        for (int day = 24; day <= 31; day++) {
            tables.add("calendar_exceptions", "calendar", "WORKS", "date", "2026-12-" + day, "working", false);
        }
        for (int day = 1; day <= 3; day++) {
            tables.add("calendar_exceptions", "calendar", "WORKS", "date", "2027-01-0" + day, "working", false);
        }
        tables.add("calendars", "code", "OVERSEAS");
        for (int day = 8; day <= 19; day++) {
            tables.add(
                    "calendar_exceptions",
                    "calendar",
                    "OVERSEAS",
                    "date",
                    String.format("2027-02-%02d", day),
                    "working",
                    false);
        }
        tables.add("sites", "code", WORKS, "name", "Larkmoor works", "kind", "works", "calendar", "WORKS");
        tables.add("sites", "code", DEPOT, "name", "Quayside depot", "kind", "depot");
        tables.add("sites", "code", COATER, "name", "Silverleaf Coating", "kind", "subcontractor");
        tables.add("units", "code", "pcs", "name", "piece", "decimals", 0);
        tables.add("units", "code", "kg", "name", "kilogram", "decimals", 3);
        tables.add("units", "code", "m", "name", "metre", "decimals", 2);
        tables.add("units", "code", "l", "name", "litre", "decimals", 2);
        tables.add("units", "code", "box", "name", "box", "decimals", 0);
        tables.add("units", "code", "bundle", "name", "bundle", "decimals", 0);
        tables.add("units", "code", "roll", "name", "roll", "decimals", 0);
    }

    private void groups() {
        group("HIVE", "Hives", "source", "assemble", "lead_time_days", 2, "safety_time_days", 1);
        group("WOOD", "Woodwork", "source", "make", "lead_time_days", 3);
        group("FINISH", "Finished woodwork", "source", "make", "lead_time_days", 2);
        group("FRAME", "Frames and foundation", "source", "make", "lead_time_days", 2);
        group("EXTRACT", "Extractors", "source", "make", "lead_time_days", 4, "safety_time_days", 1);
        group("METAL", "Metalwork", "source", "make", "lead_time_days", 3);
        group("MATERIAL", "Materials", "source", "buy", "lead_time_days", 8);
        group("GOODS", "Merchandise", "source", "buy", "lead_time_days", 10);
        group("FEED", "Feed", "source", "buy", "lead_time_days", 5);
        group("PACK", "Packaging", "source", "buy", "lead_time_days", 6);
    }

    private void group(String code, String name, Object... defaults) {
        Object[] row = new Object[4 + defaults.length];
        row[0] = "code";
        row[1] = code;
        row[2] = "name";
        row[3] = name;
        System.arraycopy(defaults, 0, row, 4, defaults.length);
        tables.add("item_groups", row);
    }

    private void suppliers() {
        supplier("HOLLIN", "Hollin Timber", null, 250);
        supplier("BROOKMILL", "Brookmill Bearings", null, 0);
        supplier("TARN", "Tarn Workwear", "OVERSEAS", 1500);
        supplier("ASHBEK", "Ashbek Steel", null, 400);
        supplier("FENWICKE", "Fenwicke Fixings", null, 60);
        supplier("GREYLING", "Greyling Paints", null, 100);
        supplier("MELLORA", "Mellora Wax", null, 300);
        supplier("SWEETMOSS", "Sweetmoss Feeds", null, 200);
        supplier("PARCELOW", "Parcelow Board", null, 80);
        supplier("TANDEM", "Tandem Drives", null, 0);
        supplier("EMBERLY", "Emberly Tinware", null, 150);
        supplier("ROOKHOPE", "Rookhope Castings", null, 0);
        supplier("SILVERLEAF", "Silverleaf Coating", null, 0);
        supplier("WIDDOW", "Widdow Trade", null, 50);
    }

    private void supplier(String code, String name, String calendar, int minimum) {
        tables.add(
                "suppliers",
                "code",
                code,
                "name",
                name,
                "calendar",
                calendar,
                "email",
                "orders@" + code.toLowerCase(java.util.Locale.ROOT) + ".example",
                "currency",
                "EUR",
                "minimum_order_value",
                minimum == 0 ? "" : minimum,
                "address",
                name.substring(0, name.indexOf(' ')) + " works, " + TOWNS[code.length() % TOWNS.length],
                "payment_days",
                minimum > 200 ? 60 : 30);
    }
}
