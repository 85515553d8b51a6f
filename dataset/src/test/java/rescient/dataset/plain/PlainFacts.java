package rescient.dataset.plain;

import java.util.List;

/** What a company says about its items, for postings. */
final class PlainFacts {
    private final Tables tables;

    PlainFacts(Tables tables) {
        this.tables = tables;
    }

    List<Tables.Row> rows(String table) {
        return tables.rows(table);
    }

    static int byValue(String a, String b) {
        boolean one = a.matches("[0-9]+");
        boolean two = b.matches("[0-9]+");
        if (one != two) {
            return a.isEmpty() || b.isEmpty() ? a.compareTo(b) : one ? -1 : 1;
        }
        int order = one ? new java.math.BigInteger(a).compareTo(new java.math.BigInteger(b)) : 0;
        return order != 0 ? order : a.compareTo(b);
    }

    Tables.Row one(String table, String column, String value) {
        return rows(table).stream()
                .filter(r -> r.text(column).equals(value))
                .findFirst()
                .orElse(null);
    }

    Tables.Row item(String code) {
        return one("items", "code", code);
    }

    String costing(String item) {
        String said = item(item).text("costing");
        return said.isEmpty() ? "average" : said;
    }

    boolean layered(String item) {
        return List.of("fifo", "specific").contains(costing(item));
    }

    String tracking(String item) {
        String said = item(item).text("tracking");
        return said.isEmpty() ? "none" : said;
    }

    Fraction standardCost(String item) {
        return item(item).number("standard_cost", Fraction.ZERO);
    }

    Fraction money(Fraction amount) {
        return amount.near(tables.setting("currency", "").equals("JPY") ? Fraction.ONE : Fraction.of("0.01"));
    }

    /** The smallest part of an item's unit. */
    Fraction step(String item) {
        int decimals = one("units", "code", item(item).text("unit")).whole("decimals", 0);
        return Fraction.ONE.by(Fraction.of((long) Math.pow(10, decimals)));
    }

    boolean decimals(String item, Fraction quantity) {
        return quantity.near(step(item)).compareTo(quantity) == 0;
    }

    /** How many of the item's unit one of another is; null: nobody knows. */
    Fraction factor(String item, String unit) {
        String own = item(item).text("unit");
        if (unit.isEmpty() || unit.equals(own)) {
            return Fraction.ONE;
        }
        for (String of : List.of(item, "")) {
            for (Tables.Row row : rows("unit_conversions")) {
                if (row.text("item").equals(of)
                        && row.text("from_unit").equals(unit)
                        && row.text("to_unit").equals(own)) {
                    return row.number("factor");
                }
            }
            for (Tables.Row row : rows("unit_conversions")) {
                if (row.text("item").equals(of)
                        && row.text("from_unit").equals(own)
                        && row.text("to_unit").equals(unit)) {
                    return Fraction.ONE.by(row.number("factor"));
                }
            }
        }
        return null;
    }

    /** What one supplier says of an item. */
    Tables.Row offer(String supplier, String item) {
        return rows("supplier_items").stream()
                .filter(r ->
                        r.text("supplier").equals(supplier) && r.text("item").equals(item))
                .findFirst()
                .orElse(null);
    }
}
