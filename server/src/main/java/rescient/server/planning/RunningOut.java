package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.RunOut;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What runs out if nothing more is ordered, the soonest first. */
@Component
class RunningOut {
    private final int most;
    private final OnceForPlan<List<RunningOutRow>> all = new OnceForPlan<>();

    RunningOut(@Value("${rescient.list-most:1000}") int most) {
        this.most = most;
    }

    /**
     * A stock point that runs out.
     *
     * @param out the first day at whose end nothing is left
     * @param days calendar days until then
     * @param missing how much is short at worst
     * @param order the key of the planned order that would bring it first; null: none is planned
     * @param start when that has to start
     * @param late that would come too late, by so many calendar days
     * @param others how many other stock points of the same supplier and site run out
     */
    record RunningOutRow(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            String source,
            @Nullable String supplier,
            @Nullable String supplierName,
            LocalDate out,
            int days,
            BigDecimal missing,
            @Nullable String order,
            @Nullable LocalDate start,
            @Nullable Integer late,
            int others) {
        RunningOutRow with(int ofTheSame) {
            return new RunningOutRow(
                    key,
                    item,
                    itemName,
                    site,
                    siteName,
                    unit,
                    source,
                    supplier,
                    supplierName,
                    out,
                    days,
                    missing,
                    order,
                    start,
                    late,
                    ofTheSame);
        }

        private String from() {
            return supplier == null ? null : supplier + '\0' + site;
        }
    }

    /** @param place of the one that was asked for, from 0 on; null: it is none of those that fit */
    record RunningOutRows(
            List<RunningOutRow> rows, int total, @Nullable Integer place) {}

    /**
     * What is asked for.
     *
     * @param words all occur in item, name, site or supplier
     * @param supplier only what he sells
     * @param before only what runs out before this day
     */
    record Asked(
            @Nullable String words,
            @Nullable String supplier,
            @Nullable LocalDate before,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {}

    RunningOutRows list(PlanVersion version, Asked asked) {
        Sought sought = new Sought(asked.words);
        List<RunningOutRow> fitting = all.of(version.plan(), () -> rows(version)).stream()
                .filter(row -> asked.supplier == null || asked.supplier.equals(row.supplier))
                .filter(row -> asked.before == null || row.out.isBefore(asked.before))
                .filter(row -> sought.nothing() || sought.in(row.item, row.itemName, row.siteName, row.supplierName))
                .toList();
        int from = Math.min(fitting.size(), Math.max(0, asked.offset == null ? 0 : asked.offset));
        int size = Math.min(most, asked.limit == null ? most : Math.max(0, asked.limit));
        int place = IntStream.range(0, fitting.size())
                .filter(i -> fitting.get(i).key.equals(asked.place))
                .findFirst()
                .orElse(-1);
        return new RunningOutRows(
                fitting.subList(from, Math.min(fitting.size(), from + size)),
                fitting.size(),
                place < 0 ? null : (Integer) place);
    }

    private static List<RunningOutRow> rows(PlanVersion version) {
        List<RunningOutRow> rows = version.plan().points().parallelStream()
                // what is bought for one line is no stock, and a phantom has none of its own to run out of
                .filter(point -> Earmark.of(point.item()) == null && !PlannedOrders.phantom(version, point.item()))
                .map(point -> RunOut.of(point).map(out -> row(version, point, out)))
                .flatMap(Optional::stream)
                .sorted(Comparator.comparing(RunningOutRow::out)
                        .thenComparing(RunningOutRow::item)
                        .thenComparing(RunningOutRow::site))
                .toList();
        Map<String, Integer> together = new HashMap<>();
        rows.stream()
                .map(RunningOutRow::from)
                .filter(Objects::nonNull)
                .forEach(from -> together.merge(from, 1, Integer::sum));
        return rows.stream()
                .map(row -> row.from() == null ? row : row.with(together.get(row.from()) - 1))
                .toList();
    }

    private static RunningOutRow row(PlanVersion version, PointView point, RunOut out) {
        Directory directory = version.directory();
        int today = version.plan().snapshot().today();
        Optional<PlannedOrder> first = point.plannedOrders().stream()
                .min(Comparator.comparingInt(PlannedOrder::dueDay).thenComparingInt(PlannedOrder::startDay));
        Integer possible = first.map(PlannedOrder::possibleDay).orElse(null);
        return new RunningOutRow(
                OrderKey.encoded(point.item()) + '~' + OrderKey.encoded(point.site()),
                point.item(),
                directory.itemName(point.item()),
                point.site(),
                directory.siteName(point.site()),
                directory.unit(point.item()),
                Words.word(point.source()),
                point.supplier(),
                directory.supplierName(point.supplier()),
                Words.date(out.day()),
                out.day() - today,
                Quantity.decimal(out.missing()),
                first.map(order -> OrderKey.of(point, order).text()).orElse(null),
                first.map(order -> Words.date(order.startDay())).orElse(null),
                possible == null || possible <= out.day() ? null : possible - out.day(),
                0);
    }
}
