package rescient.server.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderFacts;
import rescient.core.promise.Promise;
import rescient.dataset.Codec;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Promises;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** The list of the lines of customer orders: found, sorted and sent in windows. */
@Component
class OrderLines {
    private static final String OPEN = "open";
    private static final int FILTERS = 20;

    private static final Comparator<Line> IN_TURN = Comparator.comparing(Line::due)
            .thenComparing(Line::number, DocumentOrder.INSTANCE)
            .thenComparing(Line::line, DocumentOrder.INSTANCE);

    private final Promises promises;
    private final int most;
    /** All lines, by the day on which they are due. */
    private final OnceForPlan<List<Line>> all = new OnceForPlan<>();
    /** What was asked for last; whoever scrolls asks for the same again. */
    private final OnceForPlan<Cache<OrderLineFilter, Fitting>> found = new OnceForPlan<>();

    OrderLines(Promises promises, @Value("${rescient.list-most:1000}") int most) {
        this.promises = promises;
        this.most = most;
    }

    /**
     * A line, read from its row only where it is asked for: there may be half a million of them.
     *
     * @param promise null: it is not planned for
     */
    private record Line(Row row, Promise promise) {
        static Line of(Row row, Map<String, Promise> planned) {
            return new Line(row, planned.get(key(row.text("number"), row.text("line"))));
        }

        static String key(String number, String line) {
            return number + '\0' + line;
        }

        String number() {
            return row.text("number");
        }

        String line() {
            return row.text("line");
        }

        String customer() {
            return row.text("customer");
        }

        String item() {
            return row.text("item");
        }

        /** As a text that sorts like the day. */
        String due() {
            return row.text("due_date");
        }

        String wanted() {
            return row.text("wanted_date", due());
        }

        /** Its day of a kind; null: it has none. */
        String day(String kind) {
            return switch (kind == null ? "due" : kind) {
                case "wanted" -> wanted();
                case "promised" -> row.text("promised_date");
                default -> due();
            };
        }

        boolean late() {
            return promise != null && promise.late();
        }

        boolean broken() {
            return OrderLineRow.broken(row.text("promised_date"), promise);
        }

        Integer possible() {
            return promise == null ? null : promise.possibleDay();
        }

        /** Of what is open; null: no price is known. */
        BigDecimal value(Directory directory) {
            BigDecimal own = row.decimal("price");
            ItemFacts.Item item = own == null ? directory.item(item()) : null;
            BigDecimal price = own != null ? own : item == null ? null : item.price();
            return price == null ? null : price.multiply(row.decimal("quantity"));
        }

        OrderLineRow view(PlanVersion version) {
            return OrderLineRow.of(
                    version, Codec.of(OrderFacts.CustomerOrder.class).read(row), promise);
        }
    }

    /**
     * The lines that fit, in order.
     *
     * @param orders of how many orders they are
     * @param late how many of them are late
     * @param broken how many of them break a promise
     * @param value of what is open of all of them
     */
    private record Fitting(List<Line> lines, int orders, int late, int broken, BigDecimal value) {}

    /**
     * @param rows of those that fit, the window that was asked for
     * @param total how many fit; of so many {@code orders}, so many of them {@code late} and so many promises {@code broken}
     * @param value of what is open of all that fit, in the company's currency
     * @param place of the line that was asked for, from 0 on; null: it is none of those that fit
     */
    record OrderLineRows(
            List<OrderLineRow> rows,
            int total,
            int orders,
            int late,
            int broken,
            BigDecimal value,
            @Nullable Integer place) {}

    OrderLineRows find(PlanVersion version, OrderLineFilter filter) {
        Cache<OrderLineFilter, Fitting> cache = found.of(
                version.plan(), () -> Caffeine.newBuilder().maximumSize(FILTERS).build());
        Fitting fitting = cache.get(filter.whole(), whole -> sorted(version, cache, whole));
        List<Line> lines = fitting.lines;
        int from = Math.min(lines.size(), Math.max(0, filter.offset() == null ? 0 : filter.offset()));
        int size = Math.min(most, filter.limit() == null ? most : Math.max(0, filter.limit()));
        return new OrderLineRows(
                lines.subList(from, Math.min(lines.size(), from + size)).stream()
                        .map(line -> line.view(version))
                        .toList(),
                lines.size(),
                fitting.orders,
                fitting.late,
                fitting.broken,
                fitting.value,
                place(lines, filter.place()));
    }

    /** All lines of an order, in their order. */
    List<OrderLineRow> order(PlanVersion version, String number) {
        Map<String, Promise> planned = planned(promises.ofOrder(version, number));
        return version.directory().facts().rows("customer_orders", "number", number).stream()
                .map(row -> Line.of(row, planned))
                .sorted(Comparator.comparing(Line::line, DocumentOrder.INSTANCE))
                .map(line -> line.view(version))
                .toList();
    }

    private static Map<String, Promise> planned(List<Promise> promises) {
        Map<String, Promise> planned = new HashMap<>();
        for (Promise promise : promises) {
            planned.put(Line.key(promise.line().number(), promise.line().line()), promise);
        }
        return planned;
    }

    private List<Line> all(PlanVersion version) {
        return all.of(version.plan(), () -> {
            Map<String, Promise> planned = planned(promises.of(version));
            List<Line> lines = new ArrayList<>();
            for (Row row : version.directory().facts().rows("customer_orders")) {
                lines.add(Line.of(row, planned));
            }
            lines.sort(IN_TURN);
            return lines;
        });
    }

    private Fitting sorted(PlanVersion version, Cache<OrderLineFilter, Fitting> cache, OrderLineFilter filter) {
        OrderLineFilter unsorted = filter.unsorted();
        Fitting known = filter.equals(unsorted) ? null : cache.getIfPresent(unsorted);
        Fitting fitting = known == null ? fitting(version, filter) : known;
        Function<Line, Comparable<?>> value = value(version.directory(), filter.sort());
        boolean down = Boolean.TRUE.equals(filter.desc());
        if (value == null && !down) {
            return fitting;
        }
        List<Line> lines = sorted(fitting.lines, value == null ? Line::due : value, down);
        return new Fitting(lines, fitting.orders, fitting.late, fitting.broken, fitting.value);
    }

    /** By what is said of each line once, nothing last; what is the same stays in turn. */
    @SuppressWarnings("unchecked") // what is said of all lines is of one kind
    private static List<Line> sorted(List<Line> lines, Function<Line, Comparable<?>> value, boolean down) {
        record Valued(Comparable<Object> value, Line line) {}
        Comparator<Comparable<Object>> order = down ? Comparator.reverseOrder() : Comparator.naturalOrder();
        return lines.stream()
                .map(line -> new Valued((Comparable<Object>) value.apply(line), line))
                .sorted(Comparator.comparing(Valued::value, Comparator.nullsLast(order)))
                .map(Valued::line)
                .toList();
    }

    private Fitting fitting(PlanVersion version, OrderLineFilter filter) {
        Directory directory = version.directory();
        Predicate<Line> fits = fits(directory, filter);
        List<Line> lines = all(version).stream().filter(fits).toList();
        BigDecimal value = BigDecimal.ZERO;
        int late = 0;
        int broken = 0;
        Set<String> orders = new HashSet<>();
        for (Line line : lines) {
            BigDecimal of = line.value(directory);
            value = of == null ? value : value.add(of);
            late += line.late() ? 1 : 0;
            broken += line.broken() ? 1 : 0;
            orders.add(line.number());
        }
        return new Fitting(lines, orders.size(), late, broken, value);
    }

    private static Predicate<Line> fits(Directory directory, OrderLineFilter filter) {
        Sought sought = new Sought(filter.words());
        String state = filter.state() == null ? OPEN : filter.state();
        String from = filter.from() == null ? null : filter.from().toString();
        String to = filter.to() == null ? null : filter.to().toString();
        return line -> state.equals(line.row.text("state", OPEN))
                && is(filter.customer(), line.customer())
                && is(filter.item(), line.item())
                && is(filter.site(), line.row.text("site"))
                && ((from == null && to == null) || within(line.day(filter.day()), from, to))
                && (filter.promised() == null || filter.promised() == (line.day("promised") != null))
                && (filter.late() == null || filter.late() == line.late())
                && (filter.broken() == null || filter.broken() == line.broken())
                && (filter.kit() == null || filter.kit() == isKit(directory, line.item()))
                && (sought.nothing() || sought.in(texts(directory, line)));
    }

    /** Days are texts that sort like them; what has none lies nowhere. */
    private static boolean within(String day, String from, String to) {
        return day != null && (from == null || day.compareTo(from) >= 0) && (to == null || day.compareTo(to) <= 0);
    }

    private static boolean is(String wanted, String value) {
        return wanted == null || wanted.equals(value);
    }

    private static boolean isKit(Directory directory, String code) {
        ItemFacts.Item item = directory.item(code);
        return item != null && item.is() == ItemKind.KIT;
    }

    /** By which a line is found. */
    private static String[] texts(Directory directory, Line line) {
        String culprit = line.late() ? line.promise.causeItem() : null;
        return new String[] {
            line.number(),
            line.row.text("reference"),
            directory.customerName(line.customer()),
            line.item(),
            directory.itemName(line.item()),
            culprit,
            culprit == null ? null : directory.itemName(culprit)
        };
    }

    /** What a column is sorted by; null: lines stay in turn. */
    private static Function<Line, Comparable<?>> value(Directory directory, String sort) {
        return switch (sort == null ? "" : sort) {
            case "number" -> line -> new Numbered(line.number());
            case "customer" -> line -> directory.customerName(line.customer());
            case "item" -> line -> directory.itemName(line.item());
            case "quantity" -> line -> line.row.decimal("quantity");
            case "wanted" -> Line::wanted;
            case "promised" -> line -> line.row.text("promised_date");
            case "possible" -> Line::possible;
            case "entered" -> line -> line.row.text("entered");
            case "value" -> line -> line.value(directory);
            default -> null;
        };
    }

    /** Numbers of documents have an order of their own. */
    private record Numbered(String number) implements Comparable<Numbered> {
        @Override
        public int compareTo(Numbered other) {
            return DocumentOrder.INSTANCE.compare(number, other.number);
        }
    }

    private static Integer place(List<Line> lines, String key) {
        if (key == null || !OrderKey.isLine(key)) {
            return null;
        }
        String number = OrderKey.number(key);
        String line = OrderKey.line(key);
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).number().equals(number) && lines.get(i).line().equals(line)) {
                return i;
            }
        }
        return null;
    }
}
