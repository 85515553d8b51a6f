package rescient.server.items;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.platform.ToldChanges;

/** The list of items: found, sorted and sent in windows. */
@Component
class ItemList {
    private static final List<String> MOVING = List.of("stock", "shipments", "open_orders", "customer_orders");

    private static final Set<String> SORTS = Set.of(
            "code",
            "name",
            "group",
            "kind",
            "source",
            "rule",
            "supplier",
            "unit",
            "planner",
            "cost",
            "points",
            "on_hand");

    private static final int FILTERS = 30;

    private final ToldChanges told;
    private final int most;
    /** The stock points of each item. */
    private final OnceForPlan<Map<String, List<PointView>>> points = new OnceForPlan<>();
    /** What fits the filters that were asked for last; whoever scrolls asks for the same again. */
    private final OnceForPlan<Cache<ItemFilter, Fitting>> found = new OnceForPlan<>();
    /** All items, by the order that somebody asked for. */
    private final OnceForPlan<Map<String, List<ItemFacts.Item>>> sorted = new OnceForPlan<>();

    ItemList(ToldChanges told, @Value("${rescient.list-most:1000}") int most) {
        this.told = told;
        this.most = most;
    }

    /**
     * An item in the list.
     *
     * @param source of its stock points, if they have one in common; so are {@code rule} and {@code supplier}
     * @param onHand at all sites
     */
    record ItemRow(
            String code,
            String name,
            @Nullable String group,
            String kind,
            String unit,
            @Nullable String planner,
            @Nullable String tracking,
            @Nullable BigDecimal standardCost,
            @Nullable String source,
            @Nullable String rule,
            @Nullable String supplier,
            int stockPoints,
            BigDecimal onHand,
            boolean made,
            boolean retired) {}

    /**
     * @param rows of those that fit, the window that was asked for
     * @param total how many fit
     * @param stockPoints of all that fit
     * @param place of the item that was asked for, from 0 on; null: it is none of those that fit
     */
    record ItemRows(
            List<ItemRow> rows,
            int total,
            int stockPoints,
            @Nullable Integer place) {}

    /**
     * The items that fit, in order.
     *
     * @param stockPoints of all of them
     */
    private record Fitting(List<ItemFacts.Item> items, int stockPoints) {}

    ItemRows find(PlanVersion version, ItemFilter filter) {
        Fitting fitting = found.of(
                        version.plan(),
                        () -> Caffeine.newBuilder().maximumSize(FILTERS).build())
                .get(filter.whole(), whole -> fitting(version, whole));
        List<ItemFacts.Item> items = fitting.items;
        int from = Math.min(items.size(), Math.max(0, filter.offset() == null ? 0 : filter.offset()));
        int size = Math.min(most, filter.limit() == null ? most : Math.max(0, filter.limit()));
        return new ItemRows(
                items.subList(from, Math.min(items.size(), from + size)).stream()
                        .map(item -> row(version, item))
                        .toList(),
                items.size(),
                fitting.stockPoints,
                place(items, filter.place()));
    }

    private Fitting fitting(PlanVersion version, ItemFilter filter) {
        List<ItemFacts.Item> all = sorted.of(version.plan(), ConcurrentHashMap::new)
                .computeIfAbsent(
                        order(filter) + " " + Boolean.TRUE.equals(filter.desc()), order -> sorted(version, filter));
        List<ItemFacts.Item> fitting = filter.asksForAll()
                ? all
                : all.stream().filter(fits(version, filter)).toList();
        return new Fitting(
                fitting,
                fitting.stream()
                        .mapToInt(item -> points(version, item.code()).size())
                        .sum());
    }

    private static Integer place(List<ItemFacts.Item> fitting, String code) {
        return code == null
                ? null
                : IntStream.range(0, fitting.size())
                        .filter(i -> fitting.get(i).code().equals(code))
                        .boxed()
                        .findFirst()
                        .orElse(null);
    }

    /** The stock points of an item, by site. */
    List<PointView> points(PlanVersion version, String item) {
        return points.of(version.plan(), () -> byItem(version)).getOrDefault(item, List.of());
    }

    private static Map<String, List<PointView>> byItem(PlanVersion version) {
        Map<String, List<PointView>> byItem = new HashMap<>();
        version.plan()
                .points()
                .forEach(point -> byItem.computeIfAbsent(point.item(), i -> new ArrayList<>(1))
                        .add(point));
        // those on a loop and below one were not planned
        for (Row row : version.directory().facts().rows("planning")) {
            version.plan()
                    .point(row.text("item"), row.text("site"))
                    .filter(point -> !point.planned())
                    .ifPresent(point -> byItem.computeIfAbsent(point.item(), i -> new ArrayList<>(1))
                            .add(point));
        }
        byItem.values().forEach(some -> some.sort(Comparator.comparing(PointView::site)));
        return byItem;
    }

    private Predicate<ItemFacts.Item> fits(PlanVersion version, ItemFilter filter) {
        Sought sought = new Sought(filter.words());
        Facts facts = version.directory().facts();
        Map<String, String> groups = new ConcurrentHashMap<>();
        Set<String> changed = filter.since() == null ? null : told.itemsSince(filter.since());
        return item -> is(filter.kind(), Words.word(item.is()))
                && is(filter.group(), item.group())
                && is(filter.planner(), item.planner())
                && is(filter.tracking(), item.tracking() == null ? "none" : Words.word(item.tracking()))
                && (filter.retired() == null || filter.retired() == item.isRetired())
                && (changed == null || changed.contains(item.code()))
                && (sought.nothing() || sought.in(item.code(), item.name(), group(version, groups, item.group())))
                && planned(version, filter, item)
                && (!"cost".equals(filter.without())
                        || item.standardCost() == null
                        || item.standardCost().signum() == 0)
                && (filter.moved() == null || filter.moved() == moved(facts, item.code()));
    }

    private static String group(PlanVersion version, Map<String, String> known, String code) {
        return code == null
                ? null
                : known.computeIfAbsent(code, c -> version.directory().groupName(c));
    }

    private static boolean is(String wanted, String value) {
        return wanted == null || wanted.equals(value);
    }

    /** By one of its stock points. */
    private boolean planned(PlanVersion version, ItemFilter filter, ItemFacts.Item item) {
        boolean supplier = "supplier".equals(filter.without());
        if (filter.source() == null && filter.rule() == null && filter.supplier() == null && !supplier) {
            return true;
        }
        return points(version, item.code()).stream()
                .anyMatch(point -> is(filter.source(), Words.word(point.source()))
                        && is(filter.rule(), Words.word(point.rule()))
                        && is(filter.supplier(), point.supplier())
                        && (!supplier || (point.source() == Source.BUY && point.supplier() == null)));
    }

    private static boolean moved(Facts facts, String item) {
        return MOVING.stream()
                .anyMatch(table -> !facts.rows(table, "item", item).isEmpty());
    }

    /** What the list is sorted by; by code if it knows nothing of the kind. */
    private static String order(ItemFilter filter) {
        return filter.sort() != null && SORTS.contains(filter.sort()) ? filter.sort() : "code";
    }

    /** All items in the order that is asked for; made once for each plan. */
    private List<ItemFacts.Item> sorted(PlanVersion version, ItemFilter filter) {
        List<ItemFacts.Item> items = new ArrayList<>(version.directory().items().values());
        sort(version, filter, items);
        return List.copyOf(items);
    }

    private void sort(PlanVersion version, ItemFilter filter, List<ItemFacts.Item> items) {
        if (order(filter).equals("code")) {
            if (Boolean.TRUE.equals(filter.desc())) {
                items.sort(Comparator.comparing(ItemFacts.Item::code).reversed());
            }
            return;
        }
        Comparator<ItemFacts.Item> order = switch (order(filter)) {
            case "name" -> by(ItemFacts.Item::name);
            case "group" -> by(item -> version.directory().groupName(item.group()));
            case "kind" -> by(item -> Words.word(item.is()));
            case "source" -> common(version, items, point -> Words.word(point.source()));
            case "rule" -> common(version, items, point -> Words.word(point.rule()));
            case "supplier" ->
                common(version, items, point -> version.directory().supplierName(point.supplier()));
            case "unit" -> by(ItemFacts.Item::unit);
            case "planner" -> by(ItemFacts.Item::planner);
            case "cost" -> by(ItemFacts.Item::standardCost);
            case "points" -> by(item -> points(version, item.code()).size());
            case "on_hand" -> onHand(version, items);
            default -> by(ItemFacts.Item::code);
        };
        items.sort((Boolean.TRUE.equals(filter.desc()) ? order.reversed() : order).thenComparing(ItemFacts.Item::code));
    }

    private static <V extends Comparable<V>> Comparator<ItemFacts.Item> by(Function<ItemFacts.Item, V> value) {
        return Comparator.comparing(value, Comparator.nullsLast(Comparator.naturalOrder()));
    }

    /** By what the stock points of an item have in common, each found once. */
    private Comparator<ItemFacts.Item> common(
            PlanVersion version, List<ItemFacts.Item> items, Function<PointView, String> value) {
        Map<String, String> values = new HashMap<>();
        items.forEach(item -> values.put(item.code(), common(points(version, item.code()), value)));
        return by(item -> values.get(item.code()));
    }

    /** Each sum is made once, not with every comparison. */
    private Comparator<ItemFacts.Item> onHand(PlanVersion version, List<ItemFacts.Item> items) {
        Map<String, BigDecimal> sums = new HashMap<>();
        items.forEach(item -> sums.put(item.code(), onHand(points(version, item.code()))));
        return Comparator.comparing(item -> sums.get(item.code()));
    }

    ItemRow row(PlanVersion version, ItemFacts.Item item) {
        List<PointView> some = points(version, item.code());
        return new ItemRow(
                item.code(),
                item.name() == null ? item.code() : item.name(),
                version.directory().groupName(item.group()),
                Words.word(item.is()),
                item.unit(),
                item.planner(),
                item.tracking() == null ? null : Words.word(item.tracking()),
                item.standardCost(),
                common(some, point -> Words.word(point.source())),
                common(some, point -> Words.word(point.rule())),
                common(some, point -> version.directory().supplierName(point.supplier())),
                some.size(),
                onHand(some),
                !version.directory().bills().lines(item.code()).isEmpty(),
                item.isRetired());
    }

    private static String common(List<PointView> points, Function<PointView, String> value) {
        List<String> values = points.stream().map(value).distinct().limit(2).toList();
        return values.size() == 1 ? values.get(0) : null;
    }

    static BigDecimal onHand(List<PointView> points) {
        return points.stream().map(p -> sum(p, Supply.Kind.STOCK)).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    static BigDecimal sum(PointView point, Supply.Kind kind) {
        return Quantity.decimal(point.supplies().stream()
                .filter(s -> s.kind() == kind)
                .mapToLong(Supply::quantity)
                .sum());
    }
}
