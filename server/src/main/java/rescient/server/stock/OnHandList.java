package rescient.server.stock;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;
import rescient.core.company.StockFacts;
import rescient.core.plan.RunOut;
import rescient.core.stock.StockValue;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What lies where, with what it is worth and how long it lasts. */
@Component
class OnHandList {
    private final int most;
    private final RecordedStock recorded;
    private final OnceForPlan<List<OnHand>> all = new OnceForPlan<>();
    /** What was asked for last; whoever scrolls asks for the same again. */
    private final OnceForPlan<Cache<Asked, Fitting>> found = new OnceForPlan<>();

    OnHandList(@Value("${rescient.list-most:1000}") int most, RecordedStock recorded) {
        this.most = most;
        this.recorded = recorded;
    }

    /**
     * An item at a site.
     *
     * @param free what can be planned with and used
     * @param lots lots and serial numbers, 0 where it has none
     * @param expires the first day on which one of them no longer serves
     * @param value of all of it, free or not
     * @param out the day at whose end nothing is left if nothing more is ordered; null: it lasts
     * @param days calendar days until then
     * @param last when it last moved; null: never since the record began
     */
    record OnHand(
            String key,
            String item,
            String itemName,
            @Nullable String group,
            String site,
            String siteName,
            String unit,
            String tracking,
            BigDecimal free,
            BigDecimal quarantined,
            int lots,
            @Nullable LocalDate expires,
            @Nullable BigDecimal value,
            @Nullable LocalDate out,
            @Nullable Integer days,
            @Nullable LocalDate last) {
        BigDecimal all() {
            return free.add(quarantined);
        }

        private OnHand moved(LocalDate day) {
            return new OnHand(
                    key,
                    item,
                    itemName,
                    group,
                    site,
                    siteName,
                    unit,
                    tracking,
                    free,
                    quarantined,
                    lots,
                    expires,
                    value,
                    out,
                    days,
                    day);
        }
    }

    /**
     * @param total how many fit
     * @param value of all that fit
     * @param place of the one that was asked for, from 0 on; null: it is none of them
     */
    record OnHandRows(
            List<OnHand> rows,
            int total,
            BigDecimal value,
            @Nullable Integer place) {}

    /**
     * What is asked for.
     *
     * @param only quarantined, expiring (of which something expires within thirty days), short (it runs out before more
     *     could come) or idle (nothing moves it in the horizon)
     * @param sort item, value, free, days or expires; null: by item
     */
    record Asked(
            @Nullable String words,
            @Nullable String site,
            @Nullable String only,
            @Nullable String sort,
            boolean desc,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {
        /** Wherever in the list it is looked. */
        Asked whole() {
            return new Asked(words, site, only, sort, desc, null, null, null);
        }
    }

    /** @param value of all of them */
    private record Fitting(List<OnHand> rows, BigDecimal value) {}

    private static final int SOON = 30;
    private static final int FILTERS = 20;

    OnHandRows list(PlanVersion version, Asked asked) {
        Fitting found = this.found
                .of(
                        version.plan(),
                        () -> Caffeine.newBuilder().maximumSize(FILTERS).build())
                .get(asked.whole(), whole -> fitting(version, whole));
        List<OnHand> fitting = found.rows;
        int from = Math.min(fitting.size(), Math.max(0, asked.offset == null ? 0 : asked.offset));
        int size = Math.min(most, asked.limit == null ? most : Math.max(0, asked.limit));
        List<OnHand> window = fitting.subList(from, Math.min(fitting.size(), from + size));
        Map<RecordedStock.Point, LocalDate> last = recorded.lastMoved(window.stream()
                .map(row -> new RecordedStock.Point(row.item, row.site))
                .toList());
        Integer place = null;
        for (int i = 0; asked.place != null && i < fitting.size() && place == null; i++) {
            place = fitting.get(i).key.equals(asked.place) ? i : null;
        }
        return new OnHandRows(
                window.stream()
                        .map(row -> row.moved(last.get(new RecordedStock.Point(row.item, row.site))))
                        .toList(),
                fitting.size(),
                found.value,
                place);
    }

    private Fitting fitting(PlanVersion version, Asked asked) {
        Sought sought = new Sought(asked.words);
        LocalDate soon = version.today().plusDays(SOON);
        List<OnHand> fitting = new ArrayList<>(all(version).stream()
                .filter(row -> asked.site == null || asked.site.equals(row.site))
                .filter(row -> fits(row, asked.only, soon))
                .filter(row -> sought.nothing() || sought.in(row.item, row.itemName, row.siteName, row.group))
                .toList());
        Comparator<OnHand> order = order(asked.sort);
        if (order != null) {
            fitting.sort(asked.desc ? Collections.reverseOrder(order) : order);
        }
        return new Fitting(
                fitting,
                fitting.stream().map(OnHand::value).filter(Objects::nonNull).reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    private static boolean fits(OnHand row, String only, LocalDate soon) {
        return switch (only == null ? "" : only) {
            case "quarantined" -> row.quarantined.signum() > 0;
            case "expiring" -> row.expires != null && row.expires.isBefore(soon);
            case "short" -> row.days != null && row.days <= SOON;
            case "idle" -> row.out == null && row.all().signum() > 0;
            default -> true;
        };
    }

    private static Comparator<OnHand> order(String sort) {
        return switch (sort == null ? "" : sort) {
            case "value" -> Comparator.comparing(OnHand::value, Comparator.nullsFirst(Comparator.naturalOrder()));
            case "free" -> Comparator.comparing(OnHand::free);
            case "days" -> Comparator.comparing(OnHand::days, Comparator.nullsLast(Comparator.naturalOrder()));
            case "expires" -> Comparator.comparing(OnHand::expires, Comparator.nullsLast(Comparator.naturalOrder()));
            default -> null;
        };
    }

    /** All of it, by item. */
    List<OnHand> all(PlanVersion version) {
        return all.of(version.plan(), () -> rows(version));
    }

    private List<OnHand> rows(PlanVersion version) {
        Map<String, BigDecimal> values = recorded.values();
        int decimals = StockValue.decimals(version.directory().facts().setting("currency"));
        Map<String, List<StockFacts.Stock>> byPoint = new HashMap<>();
        version.directory()
                .facts()
                .all(StockFacts.Stock.class)
                .forEach(stock -> byPoint.computeIfAbsent(stock.item() + '\0' + stock.site(), k -> new ArrayList<>())
                        .add(stock));
        return byPoint.entrySet().stream()
                .map(one -> row(version, one.getValue(), values.get(one.getKey()), decimals))
                .sorted(Comparator.comparing(OnHand::item, DocumentOrder.INSTANCE)
                        .thenComparing(OnHand::site))
                .toList();
    }

    private static OnHand row(PlanVersion version, List<StockFacts.Stock> there, BigDecimal value, int decimals) {
        Directory directory = version.directory();
        StockFacts.Stock first = there.get(0);
        ItemFacts.Item item = directory.item(first.item());
        BigDecimal free = sum(there, true);
        BigDecimal kept = sum(there, false);
        Optional<RunOut> out = version.plan().point(first.item(), first.site()).flatMap(RunOut::of);
        return new OnHand(
                OrderKey.encoded(first.item()) + '~' + OrderKey.encoded(first.site()),
                first.item(),
                directory.itemName(first.item()),
                item.group(),
                first.site(),
                directory.siteName(first.site()),
                directory.unit(first.item()),
                Words.word(item.tracking() == null ? ItemFacts.Tracking.NONE : item.tracking()),
                StockDesk.plain(free),
                StockDesk.plain(kept),
                (int) there.stream()
                        .filter(stock -> stock.lot() != null || stock.serial() != null)
                        .map(stock -> stock.lot() + '\0' + stock.serial())
                        .distinct()
                        .count(),
                there.stream()
                        .map(StockFacts.Stock::expiry)
                        .filter(Objects::nonNull)
                        .min(Comparator.naturalOrder())
                        .orElse(null),
                StockValue.of(item, value, free.add(kept), decimals),
                out.map(o -> Words.date(o.day())).orElse(null),
                out.map(o -> o.day() - version.plan().snapshot().today()).orElse(null),
                null);
    }

    private static BigDecimal sum(List<StockFacts.Stock> there, boolean free) {
        return there.stream()
                .filter(stock -> free != Boolean.TRUE.equals(stock.quarantined()))
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
