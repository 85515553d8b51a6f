package rescient.server.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.core.promise.KeptPromise;
import rescient.core.promise.KeptPromise.Turned;
import rescient.core.promise.KeptShare;
import rescient.dataset.Codec;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** How well promises to customers were kept: line by line, and all together by month, customer and group of items. */
@Component
class KeptPromises {
    private static final Comparator<KeptPromise> WORST_FIRST = Comparator.comparingInt(KeptPromise::days)
            .reversed()
            .thenComparing(one -> one.line().agreed().promisedDate(), Comparator.reverseOrder())
            .thenComparing(one -> one.line().number(), DocumentOrder.INSTANCE)
            .thenComparing(one -> one.line().line(), DocumentOrder.INSTANCE);

    private static final Comparator<KeptController.KeptSum> MOST_BROKEN = Comparator.comparingInt(
                    (KeptController.KeptSum sum) -> sum.kept() - sum.lines())
            .thenComparing(KeptController.KeptSum::name);
    /** What was asked for last; whoever scrolls asks for the same again. */
    private static final int FILTERS = 20;

    private final int most;
    private final OnceForPlan<Cache<Asked, Fitting>> found = new OnceForPlan<>();
    private final OnceForPlan<List<KeptPromise>> all = new OnceForPlan<>();

    KeptPromises(@Value("${rescient.list-most:1000}") int most) {
        this.most = most;
    }

    /**
     * Which promises are asked for. What is null is not asked for.
     *
     * @param month in which it was promised
     * @param broken only what was not kept
     * @param sort number, customer, item, promised, quantity or days (also null: the latest first)
     */
    record Asked(
            @Nullable String words,
            @Nullable YearMonth month,
            @Nullable String customer,
            @Nullable String group,
            boolean broken,
            @Nullable String sort,
            boolean desc) {
        /** All that is said but one thing, so that what else could be said of it stays in sight. */
        private Asked but(By by) {
            return new Asked(
                    words,
                    by == By.MONTH ? null : month,
                    by == By.CUSTOMER ? null : customer,
                    by == By.GROUP ? null : group,
                    false,
                    null,
                    false);
        }
    }

    /** The promises that fit, in order, with what they come to. */
    private record Fitting(
            List<KeptPromise> lines,
            KeptController.KeptSum sum,
            List<KeptController.KeptSum> months,
            List<KeptController.KeptSum> customers,
            List<KeptController.KeptSum> groups) {}

    /** Of what has no group, or no customer. */
    private static final String WITHOUT = "-";

    private enum By {
        MONTH,
        CUSTOMER,
        GROUP
    }

    KeptController.KeptRows list(
            PlanVersion version,
            Asked asked,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {
        Directory directory = version.directory();
        Fitting found = this.found
                .of(
                        version.plan(),
                        () -> Caffeine.newBuilder().maximumSize(FILTERS).build())
                .get(asked, same -> fitting(version, same));
        List<KeptPromise> fitting = found.lines;
        int from = Math.min(fitting.size(), Math.max(0, offset == null ? 0 : offset));
        int size = Math.min(most, limit == null ? most : Math.max(0, limit));
        int at = IntStream.range(0, fitting.size())
                .filter(i -> key(fitting.get(i)).equals(place))
                .findFirst()
                .orElse(-1);
        return new KeptController.KeptRows(
                fitting.subList(from, Math.min(fitting.size(), from + size)).stream()
                        .map(one -> row(directory, one))
                        .toList(),
                fitting.size(),
                found.sum,
                found.months,
                found.customers,
                found.groups,
                at < 0 ? null : (Integer) at);
    }

    private Fitting fitting(PlanVersion version, Asked asked) {
        Directory directory = version.directory();
        List<KeptPromise> promises = all.of(version.plan(), () -> judged(version));
        List<KeptPromise> lines = promises.stream()
                .filter(fits(directory, asked))
                .sorted(order(directory, asked))
                .toList();
        return new Fitting(
                lines,
                sum(directory, "", "", lines),
                sums(directory, promises, asked, By.MONTH),
                sums(directory, promises, asked, By.CUSTOMER),
                sums(directory, promises, asked, By.GROUP));
    }

    private static List<KeptPromise> judged(PlanVersion version) {
        Facts facts = version.directory().facts();
        Map<String, List<StockFacts.Shipment>> shipped = facts.all(StockFacts.Shipment.class)
                .filter(one -> one.line() != null)
                .collect(Collectors.groupingBy(
                        one -> OrderKey.ofLine(one.number(), one.line()), HashMap::new, Collectors.toList()));
        Codec<OrderFacts.CustomerOrder> codec = Codec.of(OrderFacts.CustomerOrder.class);
        return facts.rows("customer_orders").stream()
                .filter(row -> row.text("promised_date") != null)
                .map(codec::read)
                .map(line -> KeptPromise.of(
                        line,
                        shipped.getOrDefault(OrderKey.ofLine(line.number(), line.line()), List.of()),
                        version.today()))
                .flatMap(Optional::stream)
                .toList();
    }

    private static Predicate<KeptPromise> fits(Directory directory, Asked asked) {
        Sought sought = new Sought(asked.words);
        return one -> (asked.month == null || asked.month.equals(month(one)))
                && (asked.customer == null || asked.customer.equals(customer(one)))
                && (asked.group == null || asked.group.equals(group(directory, one)))
                && (!asked.broken || one.turned() != Turned.KEPT)
                && (sought.nothing()
                        || sought.in(
                                one.line().number(),
                                one.line().agreed().reference(),
                                directory.customerName(one.line().customer()),
                                one.line().item(),
                                directory.itemName(one.line().item())));
    }

    private static Comparator<KeptPromise> order(Directory directory, Asked asked) {
        Comparator<KeptPromise> by = switch (asked.sort == null ? "" : asked.sort) {
            case "number" -> Comparator.comparing(one -> one.line().number(), DocumentOrder.INSTANCE);
            case "customer" ->
                Comparator.comparing(one -> Objects.requireNonNullElse(
                        directory.customerName(one.line().customer()), ""));
            case "item" ->
                Comparator.comparing(one -> directory.itemName(one.line().item()));
            case "promised" -> Comparator.comparing(one -> one.line().agreed().promisedDate());
            case "quantity" -> Comparator.comparing(KeptPromise::ordered);
            case "days" -> Comparator.comparingInt(KeptPromise::days);
            default -> null;
        };
        return by == null ? WORST_FIRST : (asked.desc ? by.reversed() : by).thenComparing(WORST_FIRST);
    }

    private static YearMonth month(KeptPromise one) {
        return YearMonth.from(one.line().agreed().promisedDate());
    }

    private static String group(Directory directory, KeptPromise one) {
        ItemFacts.Item item = directory.item(one.line().item());
        return item == null || item.group() == null ? WITHOUT : item.group();
    }

    private static String customer(KeptPromise one) {
        return Objects.requireNonNullElse(one.line().customer(), WITHOUT);
    }

    private static String key(KeptPromise one) {
        return OrderKey.ofLine(one.line().number(), one.line().line());
    }

    private static List<KeptController.KeptSum> sums(
            Directory directory, List<KeptPromise> promises, Asked asked, By by) {
        Function<KeptPromise, String> code = one -> switch (by) {
            case MONTH -> month(one).toString();
            case CUSTOMER -> customer(one);
            case GROUP -> group(directory, one);
        };
        Map<String, List<KeptPromise>> parts = promises.stream()
                .filter(fits(directory, asked.but(by)))
                .collect(Collectors.groupingBy(code, TreeMap::new, Collectors.toList()));
        return parts.entrySet().stream()
                .map(part -> sum(directory, part.getKey(), name(directory, by, part.getKey()), part.getValue()))
                .sorted(by == By.MONTH ? Comparator.comparing(KeptController.KeptSum::code) : MOST_BROKEN)
                .toList();
    }

    private static String name(Directory directory, By by, String code) {
        if (code.equals(WITHOUT)) {
            return by == By.GROUP ? "of no group" : "for no customer";
        }
        String name = switch (by) {
            case MONTH -> code;
            case CUSTOMER -> directory.customerName(code);
            case GROUP ->
                directory
                        .facts()
                        .one(ItemFacts.ItemGroup.class, code)
                        .map(ItemFacts.ItemGroup::name)
                        .orElse(null);
        };
        return name == null ? code : name;
    }

    private static KeptController.KeptSum sum(
            Directory directory, String code, String name, Collection<KeptPromise> promises) {
        KeptShare share = KeptShare.of(promises, line -> OrderLineRow.price(line, directory.item(line.item())));
        return new KeptController.KeptSum(
                code,
                name,
                share.lines(),
                share.kept(),
                share.late(),
                share.cut(),
                share.overdue(),
                share.percent(),
                share.medianDays(),
                share.value(),
                share.inTime(),
                share.notInTime());
    }

    private static KeptController.KeptRow row(Directory directory, KeptPromise one) {
        OrderFacts.CustomerOrder line = one.line();
        LocalDate wanted = line.agreed().wantedDate();
        BigDecimal price = OrderLineRow.price(line, directory.item(line.item()));
        return new KeptController.KeptRow(
                key(one),
                line.number(),
                line.line(),
                line.customer(),
                directory.customerName(line.customer()),
                line.item(),
                directory.itemName(line.item()),
                directory.siteName(line.site()),
                directory.unit(line.item()),
                one.ordered(),
                one.inTime(),
                one.shipped(),
                one.left(),
                wanted == null ? line.dueDate() : wanted,
                line.agreed().promisedDate(),
                one.last(),
                Words.word(one.turned()),
                one.days(),
                price == null ? null : price.multiply(one.ordered()));
    }
}
