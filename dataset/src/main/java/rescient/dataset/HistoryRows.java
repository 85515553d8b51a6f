package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.stock.Books;

/** Shipments, usage and receipts as postings leave them: what comes back lowers what went, the last first. */
final class HistoryRows {
    private final ExecutionData data;
    private final Books books;
    private final Map<String, Row> orders;
    private final Map<String, Row> customers;

    /** @param orders by number and line, {@code customers} too */
    HistoryRows(ExecutionData data, Books books, Map<String, Row> orders, Map<String, Row> customers) {
        this.data = data;
        this.books = books;
        this.orders = orders;
        this.customers = customers;
    }

    /** The rows of a table of the history as postings leave it. */
    List<Map<String, String>> rows(String name, Books.Past.Table table) {
        Map<List<String>, Map<String, String>> rows = new LinkedHashMap<>();
        boolean receipts = table == Books.Past.Table.RECEIPTS;
        String day = receipts ? "received_date" : "date";
        for (Row row : data.of(name)) {
            Map<String, String> cells = new HashMap<>(row.cells());
            rows.put(place(cells, day), cells);
        }
        for (Books.Past past : books.past()) {
            if (past.table() == table) {
                Map<String, String> row = past(past, day);
                List<String> place = place(row, day);
                rows.merge(place, row, (a, b) -> {
                    a.put("quantity", BooksWriter.said(decimal(a).add(decimal(b))));
                    return a;
                });
            }
        }
        lower(rows, day);
        rows.values().removeIf(row -> decimal(row).signum() == 0);
        return List.copyOf(rows.values());
    }

    private static BigDecimal decimal(Map<String, String> row) {
        return new BigDecimal(row.get("quantity"));
    }

    private static List<String> place(Map<String, String> row, String day) {
        return List.of(
                row.getOrDefault("item", ""),
                row.getOrDefault("site", ""),
                row.getOrDefault("number", ""),
                row.getOrDefault("line", ""),
                row.getOrDefault(day, ""));
    }

    private static void lower(Map<List<String>, Map<String, String>> rows, String day) {
        Map<List<String>, List<Map<String, String>>> byLine = new HashMap<>();
        rows.forEach((place, row) -> byLine.computeIfAbsent(place.subList(0, place.size() - 1), k -> new ArrayList<>())
                .add(row));
        for (List<Map<String, String>> of : byLine.values()) {
            of.sort(Comparator.comparing((Map<String, String> row) -> row.get(day))
                    .reversed());
            // dated before all that came, it lowers what came later
            lower(of, lower(of, BigDecimal.ZERO));
        }
    }

    /** Takes off row by row, and from the next what one does not hold; what is left at the end, 0 or below. */
    private static BigDecimal lower(List<Map<String, String>> rows, BigDecimal by) {
        BigDecimal back = by;
        for (Map<String, String> row : rows) {
            BigDecimal left = decimal(row).add(back);
            back = left.min(BigDecimal.ZERO);
            row.put("quantity", BooksWriter.said(left.max(BigDecimal.ZERO)));
        }
        return back;
    }

    private Map<String, String> past(Books.Past past, String day) {
        Map<String, String> row = new HashMap<>();
        row.put("item", past.bin().item());
        row.put("site", past.bin().site());
        row.put(day, past.date().toString());
        row.put("quantity", BooksWriter.said(past.quantity()));
        if (past.line() != null) {
            row.put("number", past.line().number());
            row.put("line", past.line().line());
            Row order = customers.get(
                    BooksWriter.key(past.line().number(), past.line().line()));
            row.put("customer", order == null ? "" : order.text("customer", ""));
        } else {
            row.put("number", past.order().order().number());
            row.put("line", past.order().order().line());
            row.put("supplier", BooksWriter.said(past.order().order().supplier()));
            Row order = orders.get(BooksWriter.key(
                    past.order().order().number(), past.order().order().line()));
            row.put("ordered_date", sent(order, past.date()).toString());
            row.put("first_confirmed_date", order == null ? "" : order.text("first_confirmed_date", ""));
        }
        return row;
    }

    /** The day an order was sent: as it says, or else when it starts, or when it comes, as far as that is known. */
    private static LocalDate sent(Row order, LocalDate received) {
        if (order == null) {
            return received;
        }
        LocalDate sent = order.date("sent_date") == null ? order.date("start_date") : order.date("sent_date");
        return sent != null && !sent.isAfter(received) ? sent : received;
    }
}
