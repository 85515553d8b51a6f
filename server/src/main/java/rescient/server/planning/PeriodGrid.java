package rescient.server.planning;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.plan.PeriodRecord;
import rescient.core.plan.PointView;

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

    static Periods.Scale scale(String word) {
        return Periods.Scale.valueOf(word.toUpperCase(Locale.ROOT));
    }

    static Periods periods(PlanVersion version, Periods.Scale scale, DayOfWeek first) {
        int today = (int) version.today().toEpochDay();
        return Periods.of(scale, today, (int) version.horizonEnd().toEpochDay(), first);
    }

    /** @param words parts of item, name or site, all of which must be there */
    static PeriodGrid of(PlanVersion version, Periods periods, String words) {
        List<PointView> fitting = new ArrayList<>();
        for (PointView point : version.plan().points()) {
            if (!PlannedOrders.phantom(version, point.item()) && fits(version, point, words)) {
                fitting.add(point);
            }
        }
        fitting.sort(TOP_DOWN);
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

    private static boolean fits(PlanVersion version, PointView point, String words) {
        String text = String.join(" ", point.item(), version.directory().itemName(point.item()), point.site())
                .toLowerCase(Locale.ROOT);
        for (String word : words.toLowerCase(Locale.ROOT).strip().split("\\s+")) {
            if (!text.contains(word)) {
                return false;
            }
        }
        return true;
    }

    static PeriodRow row(PlanVersion version, PointView point, Periods periods) {
        PeriodRecord record = point.record(periods).orElseThrow();
        List<BigDecimal> balances = new ArrayList<>(periods.size());
        StringBuilder marks = new StringBuilder(periods.size());
        for (PeriodRecord.Cell cell : record.cells()) {
            balances.add(Quantity.decimal(cell.balance()));
            marks.append(cell.lowest() < 0 ? 'z' : cell.lowest() < point.safetyStock() ? 's' : '.');
        }
        StringBuilder late = new StringBuilder(periods.size());
        for (boolean waits : point.waiting(periods)) {
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
