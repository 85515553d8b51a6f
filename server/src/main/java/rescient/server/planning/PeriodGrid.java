package rescient.server.planning;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.plan.PeriodMarks;
import rescient.core.plan.PeriodRecord;
import rescient.core.plan.PointView;
import rescient.server.platform.Sought;

/**
 * The time-phased record of many stock points.
 *
 * @param total how many fit; no more than {@value #MOST} rows are sent
 */
record PeriodGrid(long version, List<Period> periods, List<PeriodRow> rows, int total) {
    static final int MOST = 5000;

    /** A period from its first to its last day. */
    record Period(LocalDate start, LocalDate end) {}

    /**
     * One stock point.
     *
     * @param level low-level code, 0 for what nothing else needs
     * @param balances at the end of each period
     * @param marks for each period {@code z} if the balance falls below zero in it, {@code s} if below the safety stock,
     *     else {@code .}
     * @param late for each period {@code l} if something waits in it because supplies cannot be there in time, else
     *     {@code .}
     */
    record PeriodRow(
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            String source,
            int level,
            BigDecimal opening,
            BigDecimal safetyStock,
            List<BigDecimal> balances,
            String marks,
            String late) {}

    private static final Comparator<PointView> TOP_DOWN = Comparator.comparingInt(PointView::level)
            .thenComparing(PointView::item)
            .thenComparing(PointView::site);
    private static final Comparator<PointView> BOTTOM_UP =
            Comparator.comparingInt(PointView::level).reversed().thenComparing(TOP_DOWN);
    private static final Map<PeriodMarks.Stock, Character> MARKS = Map.of(
            PeriodMarks.Stock.BELOW_ZERO, 'z', PeriodMarks.Stock.BELOW_SAFETY, 's', PeriodMarks.Stock.ENOUGH, '.');

    static Periods.Scale scale(String word) {
        return Periods.Scale.valueOf(word.toUpperCase(Locale.ROOT));
    }

    static Periods periods(PlanVersion version, Periods.Scale scale, DayOfWeek first) {
        int today = (int) version.today().toEpochDay();
        return Periods.of(scale, today, (int) version.horizonEnd().toEpochDay(), first);
    }

    /**
     * Which stock points are wanted.
     *
     * @param words of item, name or site, all of which must be there
     * @param isShort only those that fall short in some period
     * @param goodsLast what others need comes first
     */
    record Wanted(String words, boolean isShort, boolean goodsLast) {}

    static PeriodGrid of(PlanVersion version, Periods periods, Wanted wanted) {
        Sought sought = new Sought(wanted.words);
        List<PointView> fitting = version.plan().points().stream()
                .filter(point -> !PlannedOrders.phantom(version, point.item()))
                .filter(point -> sought.nothing() || sought.in(texts(version.directory(), point)))
                .toList()
                .parallelStream()
                .filter(point -> !wanted.isShort
                        || point.marks(periods).filter(PeriodMarks::any).isPresent())
                .sorted(wanted.goodsLast ? BOTTOM_UP : TOP_DOWN)
                .toList();
        List<Period> heads = new ArrayList<>();
        for (int p = 0; p < periods.size(); p++) {
            heads.add(new Period(Words.date(periods.starts().get(p)), Words.date(periods.endOf(p))));
        }
        return new PeriodGrid(
                version.number(),
                heads,
                fitting.stream()
                        .limit(MOST)
                        .map(point -> row(version, point, periods))
                        .toList(),
                fitting.size());
    }

    private static String[] texts(Directory directory, PointView point) {
        return new String[] {
            point.item(), directory.itemName(point.item()), point.site(), directory.siteName(point.site())
        };
    }

    static PeriodRow row(PlanVersion version, PointView point, Periods periods) {
        PeriodRecord record = point.record(periods).orElseThrow();
        List<BigDecimal> balances = new ArrayList<>(periods.size());
        record.cells().forEach(cell -> balances.add(Quantity.decimal(cell.balance())));
        PeriodMarks falls = PeriodMarks.of(point, record, periods);
        StringBuilder marks = new StringBuilder(periods.size());
        for (PeriodMarks.Stock stock : falls.stock()) {
            marks.append(MARKS.get(stock));
        }
        StringBuilder late = new StringBuilder(periods.size());
        for (boolean waits : falls.waiting()) {
            late.append(waits ? 'l' : '.');
        }
        Directory directory = version.directory();
        return new PeriodRow(
                point.item(),
                directory.itemName(point.item()),
                point.site(),
                directory.siteName(point.site()),
                directory.unit(point.item()),
                Words.word(point.source()),
                point.level(),
                Quantity.decimal(record.opening()),
                Quantity.decimal(point.safetyStock()),
                balances,
                marks.toString(),
                late.toString());
    }
}
