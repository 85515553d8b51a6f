package rescient.demo;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What was bought in the last year, and how it came: most in time; of one supplier often late and dearer than agreed on his
 * list, of one before its day, of one now and then with less. The same each time.
 */
final class DonePurchases {
    private static final int FIRST_NUMBER = 1601;
    private static final int WEEKS = 50;
    private static final int OF_EACH = 3;
    private static final String LATE = "BROOKMILL";
    private static final String EARLY = "ROOKHOPE";
    private static final String SHORT = "TARN";
    private static final BigDecimal DEARER = new BigDecimal("1.03");
    private static final BigDecimal PART = new BigDecimal("0.6");
    private static final BigDecimal MOST = new BigDecimal("0.9");

    private final Tables tables;
    private final LocalDate base;
    private final Map<String, String> sites = new HashMap<>();
    private final Map<String, BigDecimal> factors = new HashMap<>();
    private final Map<String, String> units = new HashMap<>();

    DonePurchases(Tables tables, LocalDate base) {
        this.tables = tables;
        this.base = base;
        tables.rows("planning").forEach(row -> sites.putIfAbsent(row.get("item"), row.get("site")));
        tables.rows("items").forEach(row -> units.put(row.get("code"), row.get("unit")));
        tables.rows("unit_conversions")
                .forEach(row ->
                        factors.put(row.get("item") + '\0' + row.get("from_unit"), new BigDecimal(row.get("factor"))));
    }

    private record Purchase(Map<String, String> offer, LocalDate wanted, int turn) {}

    void fill() {
        List<Purchase> purchases = new ArrayList<>();
        int place = 0;
        for (Map<String, String> offer : tables.rows("supplier_items")) {
            boolean base = new BigDecimal(offer.get("from_quantity")).signum() == 0;
            if (!base || !sites.containsKey(offer.get("item"))) {
                continue;
            }
            for (int turn = 0; turn < OF_EACH; turn++) {
                int weeks = 2 + (place * 5 + turn * (WEEKS / OF_EACH)) % WEEKS;
                purchases.add(
                        new Purchase(offer, this.base.minusWeeks(weeks).plusDays(place % 5), place * OF_EACH + turn));
            }
            place++;
        }
        purchases.sort(Comparator.comparing(Purchase::wanted).thenComparing(Purchase::turn));
        int number = FIRST_NUMBER;
        for (Purchase purchase : purchases) {
            bought(number++, purchase);
        }
    }

    private void bought(int number, Purchase purchase) {
        Map<String, String> offer = purchase.offer;
        String item = offer.get("item");
        String supplier = offer.get("supplier");
        String unit = offer.get("unit");
        BigDecimal least =
                new BigDecimal(offer.getOrDefault("min_quantity", "").isEmpty() ? "20" : offer.get("min_quantity"));
        BigDecimal units = least.multiply(BigDecimal.valueOf(1 + purchase.turn % 3L));
        BigDecimal factor = unit.equals(this.units.get(item)) ? BigDecimal.ONE : factors.get(item + '\0' + unit);
        if (factor == null) {
            return;
        }
        BigDecimal ordered = units.multiply(factor);
        LocalDate wanted = purchase.wanted;
        LocalDate sent = DoneOrder.workdays(wanted, -Integer.parseInt(offer.get("lead_time_days")) - 1 - number % 3);
        LocalDate confirmed = number % 6 == 0 ? null : DoneOrder.workdays(wanted, number % 5 == 0 ? 2 : 0);
        LocalDate by = confirmed == null ? wanted : confirmed;
        LocalDate first = DoneOrder.workdays(by, daysLate(supplier, number));
        boolean parts = number % 7 == 3;
        boolean less = supplier.equals(SHORT) && number % 4 == 1;
        LocalDate last = parts ? DoneOrder.workdays(first, 4) : first;
        if (!last.isBefore(base)) {
            return;
        }
        BigDecimal came = less ? ordered.multiply(MOST).setScale(0, RoundingMode.DOWN) : ordered;
        BigDecimal price = new BigDecimal(offer.get("price"));
        tables.add(
                "closed_orders",
                "number",
                "PO-" + number,
                "line",
                1,
                "kind",
                "buy",
                "stage",
                "released",
                "item",
                item,
                "site",
                sites.get(item),
                "supplier",
                supplier,
                "quantity",
                ordered.subtract(came).stripTrailingZeros().toPlainString(),
                "due_date",
                wanted,
                "ordered",
                ordered.stripTrailingZeros().toPlainString(),
                "unit",
                unit,
                "price",
                supplier.equals(LATE) && number % 2 == 0
                        ? price.multiply(DEARER).setScale(2, RoundingMode.HALF_UP)
                        : price,
                "confirmed_date",
                confirmed,
                "state",
                "confirmed",
                "sent_date",
                sent,
                "first_confirmed_date",
                confirmed,
                "closed_date",
                last);
        BigDecimal before = parts ? came.multiply(PART).setScale(0, RoundingMode.DOWN) : BigDecimal.ZERO;
        if (before.signum() > 0) {
            receipt(number, item, supplier, first, sent, confirmed, before);
        }
        receipt(number, item, supplier, last, sent, confirmed, came.subtract(before));
    }

    private void receipt(
            int number,
            String item,
            String supplier,
            LocalDate on,
            LocalDate sent,
            LocalDate confirmed,
            BigDecimal quantity) {
        tables.add(
                "receipts",
                "number",
                "PO-" + number,
                "line",
                1,
                "received_date",
                on,
                "supplier",
                supplier,
                "item",
                item,
                "site",
                sites.get(item),
                "ordered_date",
                sent,
                "first_confirmed_date",
                confirmed,
                "quantity",
                quantity.stripTrailingZeros().toPlainString());
    }

    /** Working days after the day he promised. */
    private static int daysLate(String supplier, int number) {
        if (supplier.equals(LATE)) {
            return number % 5 < 2 ? 4 + number % 6 : 0;
        }
        if (supplier.equals(EARLY)) {
            return -1 - number % 2;
        }
        return number % 9 == 4 ? 1 + number % 3 : -(number % 2);
    }
}
