package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.company.Source;
import rescient.core.order.OrderDraft;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.OrderValue;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** Rows of orders as they are written. */
public final class OrderRows {
    private static final Table LINES = Table.named("open_orders");
    private static final Table ISSUES = Table.named("open_order_components");

    private OrderRows() {}

    /** What is kept with the number of an order that somebody makes. */
    public static Row head(String number, @Nullable String note, String author, Instant now) {
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("number", number);
        cells.put("note", note == null || note.isBlank() ? null : note.strip());
        cells.put("created_by", author);
        cells.put("created_at", DeskRows.moment(now));
        return Row.of(DeskTables.ORDER_HEADS, cells);
    }

    /** A line of an order. */
    public static Row line(String number, String line, String stage, OrderDraft order, OrderValue worth) {
        Earmark bought = Earmark.of(order.item());
        MadeFor made = order.madeFor();
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("number", number);
        cells.put("line", line);
        cells.put("kind", Words.word(order.source()));
        cells.put("stage", stage);
        cells.put("item", bought == null ? order.item() : bought.item());
        cells.put("site", order.site());
        cells.put("from_site", order.fromSite());
        cells.put("supplier", order.supplier());
        cells.put("quantity", Quantity.text(order.quantity()));
        cells.put("ordered", Quantity.text(order.quantity()));
        cells.put("start_quantity", Quantity.text(order.startQuantity()));
        cells.put("due_date", Words.date(order.dueDay()).toString());
        cells.put("start_date", Words.date(order.startDay()).toString());
        cells.put("for_order", bought != null ? bought.number() : made == null ? null : made.number());
        cells.put("for_line", bought != null ? bought.line() : made == null ? null : made.line());
        cells.put("unit", worth.unit());
        cells.put("price", worth.price() == null ? null : worth.price().toPlainString());
        return Row.of(LINES, cells);
    }

    /** What a line has to issue. */
    public static List<Row> issues(String number, String line, List<OrderDraft.Need> needs) {
        return needs.stream()
                .map(need -> Row.of(
                        ISSUES,
                        Map.of(
                                "number", number,
                                "line", line,
                                "component", need.item(),
                                "quantity", Quantity.text(need.quantity()),
                                "needed_date", Words.date(need.day()).toString())))
                .toList();
    }

    /** What a line has to issue from now on; what was issued before stays issued. */
    static List<Row> issuesInstead(List<Row> before, String number, String line, List<OrderDraft.Need> needs) {
        List<Row> next = new ArrayList<>(issues(number, line, needs));
        for (Row row : before) {
            BigDecimal issued = row.decimal("issued");
            if (issued == null || issued.signum() == 0) {
                continue;
            }
            int again = IntStream.range(0, next.size())
                    .filter(i -> next.get(i).text("component").equals(row.text("component")))
                    .findFirst()
                    .orElse(-1);
            BigDecimal open = again < 0 ? BigDecimal.ZERO : next.get(again).decimal("quantity");
            Row kept = row.with("quantity", open.toPlainString())
                    .with("planned", issued.add(open).toPlainString());
            if (again < 0) {
                next.add(kept);
            } else {
                next.set(again, kept);
            }
        }
        return next;
    }

    /** A line of an order as it stands. */
    public static OrderDraft draft(Row row, List<Row> issues) {
        BigDecimal good = row.decimal("quantity");
        BigDecimal started = row.decimal("start_quantity");
        int due = day(row.date("confirmed_date") == null ? row.date("due_date") : row.date("confirmed_date"));
        String site = row.text("site");
        String from = row.text("from_site");
        List<OrderDraft.Need> needs = issues.stream()
                .filter(need -> need.decimal("quantity").signum() > 0)
                .map(need -> new OrderDraft.Need(
                        need.text("component"),
                        from == null ? site : from,
                        Quantity.of(need.decimal("quantity")),
                        day(need.date("needed_date"))))
                .toList();
        String forOrder = row.text("for_order");
        String item = row.text("item");
        String forLine = row.text("for_line");
        Source kind = Source.valueOf(row.text("kind").toUpperCase(Locale.ROOT));
        return new OrderDraft(
                forOrder == null || MadeFor.hangs(kind) ? item : new Earmark(item, forOrder, forLine).code(),
                site,
                kind,
                row.text("supplier"),
                from,
                Quantity.of(good),
                Quantity.of(started == null ? good : started),
                row.date("start_date") == null ? due : day(row.date("start_date")),
                due,
                needs,
                Set.of(),
                MadeFor.of(kind, forOrder, forLine));
    }

    private static int day(LocalDate date) {
        return (int) date.toEpochDay();
    }

    /** A line for another day, whatever its supplier said before; it starts when {@code move} says. */
    static Row shifted(Row line, LocalDate due, UnaryOperator<LocalDate> move) {
        LocalDate start = line.date("start_date");
        return line.with("due_date", due.toString())
                .with("confirmed_date", null)
                .with("start_date", start == null ? null : move.apply(start).toString());
    }

    /** What a line has to issue, each on the day that {@code move} says. */
    static List<Row> shifted(List<Row> issues, UnaryOperator<LocalDate> move) {
        return issues.stream()
                .map(row -> row.with(
                        "needed_date", move.apply(row.date("needed_date")).toString()))
                .toList();
    }

    /** What a supplier is to be asked; an earlier request for the same line is replaced. */
    static FactChange request(
            DeskRows desk, Target.Open open, String kind, @Nullable LocalDate due, Proposing.Author author) {
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("order_number", open.number());
        cells.put("line", open.line());
        cells.put("kind", kind);
        cells.put("due_date", due == null ? null : due.toString());
        cells.put("name", author.name());
        cells.put("made_at", DeskRows.moment(author.now()));
        return FactChange.of(
                desk.row(DeskTables.REQUESTS, open.number(), open.line()), Row.of(DeskTables.REQUESTS, cells));
    }
}
