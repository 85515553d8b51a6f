package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Section 3: a bucket of the forecast, and what consumes it. */
final class PlainBucket {
    final Tables.Row row;
    final int first;
    final int last;
    Fraction left;

    PlainBucket(Tables.Row row, int today) {
        this.row = row;
        this.first = row.day("from_date", 0);
        LocalDate from = LocalDate.ofEpochDay(first);
        LocalDate after = switch (row.text("bucket")) {
            case "day" -> from.plusDays(1);
            case "week" -> from.plusDays(7);
            default -> from.plusMonths(1);
        };
        this.last = (int) after.toEpochDay() - 1;
        this.left = last < today ? Fraction.ZERO : row.number("quantity");
    }

    private boolean holds(int day) {
        return first <= day && day <= last;
    }

    static void consume(PlainCompany company, PlainCompany.Point at, List<PlainBucket> buckets) {
        Tables.Row data = company.planning.getOrDefault(at, new Tables.Row(Map.of()));
        PlainBucket current =
                buckets.stream().filter(b -> b.holds(company.today)).findFirst().orElse(null);
        for (Tables.Row s : of(company, "shipments", at, "date")) {
            int day = s.day("date", 0);
            if (current != null && current.holds(day) && day <= company.today) {
                take(data, buckets, day, s.number("quantity"));
            }
        }
        for (Tables.Row o : of(company, "customer_orders", at, "due_date")) {
            take(data, buckets, o.day("due_date", 0), o.number("quantity"));
        }
    }

    private static List<Tables.Row> of(PlainCompany company, String table, PlainCompany.Point at, String date) {
        return company.tables.rows(table).stream()
                .filter(r -> r.text("item").equals(at.item()) && r.text("site").equals(at.site()))
                .sorted(Comparator.<Tables.Row>comparingInt(r -> r.day(date, 0))
                        .thenComparing(r -> r.text("number"), PlainCompany.NUMBERS)
                        .thenComparing(r -> r.text("line"), PlainCompany.NUMBERS))
                .toList();
    }

    private static void take(Tables.Row data, List<PlainBucket> buckets, int day, Fraction quantity) {
        List<PlainBucket> inTurn = new ArrayList<>();
        buckets.stream().filter(b -> b.holds(day)).forEach(inTurn::add);
        buckets.stream()
                .filter(b -> b.last < day && day - b.last <= data.whole("consume_back_days", 0))
                .sorted(Comparator.comparingInt(b -> -b.last))
                .forEach(inTurn::add);
        buckets.stream()
                .filter(b -> b.first > day && b.first - day <= data.whole("consume_forward_days", 0))
                .sorted(Comparator.comparingInt(b -> b.first))
                .forEach(inTurn::add);
        Fraction wanted = quantity;
        for (PlainBucket bucket : inTurn) {
            Fraction taken = bucket.left.least(wanted);
            bucket.left = bucket.left.minus(taken);
            wanted = wanted.minus(taken);
        }
    }
}
