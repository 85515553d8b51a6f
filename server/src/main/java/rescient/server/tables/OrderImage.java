package rescient.server.tables;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** One order as it is, or as it becomes: what is kept with its number, its open lines, and what these still have to issue. */
public final class OrderImage {
    private static final Table LINES = Table.named("open_orders");
    private static final Table ISSUES = Table.named("open_order_components");

    private final String number;
    /** Lines of it that are done stay with its number, by name. */
    private final List<String> doneLines;

    private Row head;
    private final Map<String, Row> lines = new LinkedHashMap<>();
    private final Map<String, List<Row>> issues = new LinkedHashMap<>();

    private OrderImage(String number, List<String> doneLines, Row head) {
        this.number = number;
        this.doneLines = doneLines;
        this.head = head;
    }

    /** An order that is not there yet. */
    public static OrderImage none(String number) {
        return new OrderImage(number, List.of(), null);
    }

    /** An order as it is; without lines if nothing of it is open. */
    public static OrderImage read(Facts facts, DeskRows desk, String number) {
        OrderImage image = new OrderImage(number, desk.doneLines(number), desk.head(number));
        List<Row> open = new ArrayList<>(facts.rows(LINES.name(), "number", number));
        open.sort((a, b) -> byLine(a.text("line"), b.text("line")));
        for (Row row : open) {
            image.put(row, facts.components(number, row.text("line")));
        }
        return image;
    }

    /** 2 before 10. */
    private static int byLine(String a, String b) {
        return a.length() == b.length() ? a.compareTo(b) : Integer.compare(a.length(), b.length());
    }

    public OrderImage copy() {
        OrderImage copy = new OrderImage(number, doneLines, head);
        copy.lines.putAll(lines);
        copy.issues.putAll(issues);
        return copy;
    }

    public String number() {
        return number;
    }

    /** What is kept with its number, or null. */
    public Row head() {
        return head;
    }

    public void head(Row row) {
        head = row;
    }

    /** A line, or null. */
    public Row line(String line) {
        return lines.get(line);
    }

    /** Its open lines, in their order. */
    public Collection<Row> lines() {
        return lines.values();
    }

    /** What a line still has to issue. */
    public List<Row> issues(String line) {
        return issues.getOrDefault(line, List.of());
    }

    /** Puts a line in the place of the one that has its name, or adds it. */
    public void put(Row row, List<Row> toIssue) {
        lines.put(row.text("line"), row);
        issues.put(row.text("line"), List.copyOf(toIssue));
    }

    /** The name of a further line: the number behind the highest that ever was. */
    public String nextLine() {
        return Integer.toString(1
                + Stream.concat(lines.keySet().stream(), doneLines.stream())
                        .filter(line -> line.matches("[0-9]{1,6}"))
                        .mapToInt(Integer::parseInt)
                        .max()
                        .orElse(0));
    }

    /** Takes a line away, and with the last one all that is kept with the number. */
    public void remove(String line) {
        lines.remove(line);
        issues.remove(line);
        if (lines.isEmpty() && doneLines.isEmpty()) {
            head = null;
        }
    }

    /** What makes this of the order that was. */
    public List<FactChange> from(OrderImage before) {
        List<FactChange> changes = new ArrayList<>();
        add(changes, before.head, head);
        Set<String> all = new LinkedHashSet<>(before.lines.keySet());
        all.addAll(lines.keySet());
        for (String line : all) {
            add(changes, before.lines.get(line), lines.get(line));
            List<Row> was = before.issues(line);
            List<Row> is = issues(line);
            if (!same(was, is)) {
                changes.add(new FactChange(ISSUES, was, is));
            }
        }
        return changes;
    }

    private static void add(List<FactChange> changes, Row before, Row after) {
        boolean same = before == null || after == null ? before == after : before.sameAs(after);
        if (!same) {
            changes.add(FactChange.of(before, after));
        }
    }

    private static boolean same(List<Row> a, List<Row> b) {
        if (a.size() != b.size()) {
            return false;
        }
        for (int i = 0; i < a.size(); i++) {
            if (!Objects.equals(a.get(i), b.get(i)) && !a.get(i).sameAs(b.get(i))) {
                return false;
            }
        }
        return true;
    }
}
