package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.trace.PlanThread;
import rescient.server.platform.Nullable;

/**
 * A thread with names: what was asked for and all that it waits for.
 *
 * @param title what was asked for
 * @param gone that there is no such thing any more, in a sentence; null while there is
 * @param serves of an order: the customer orders above it, the earliest first
 * @param cut there is more than can be shown
 */
record ThreadView(String title, @Nullable String gone, LocalDate today, List<Bar> bars, List<End> serves, boolean cut) {
    /**
     * One bar.
     *
     * @param above the place of the bar that waits for this one, or -1
     * @param key of a customer order's line, an open order's line or a planned order
     * @param stage of an order: planned, firmed or released
     * @param pegged what the bar above uses of the quantity
     * @param possible null if it never can be there
     * @param adds days that it adds to the lateness of the first, null where it never can be
     * @param alsoFor the places of others that wait for it
     */
    record Bar(
            int depth,
            int above,
            String kind,
            String item,
            String itemName,
            String site,
            @Nullable String source,
            @Nullable String stage,
            @Nullable String partner,
            @Nullable String number,
            @Nullable String key,
            BigDecimal quantity,
            BigDecimal pegged,
            String unit,
            @Nullable LocalDate start,
            LocalDate due,
            @Nullable LocalDate possible,
            LocalDate needed,
            boolean deciding,
            @Nullable Integer adds,
            boolean late,
            List<Integer> alsoFor,
            @Nullable Slip.Link link) {}

    static ThreadView of(PlanVersion version, String title, String gone, PlanThread thread) {
        return new ThreadView(
                title,
                thread.bars().isEmpty() ? gone : null,
                version.today(),
                thread.bars().stream().map(bar -> bar(version, bar)).toList(),
                List.of(),
                thread.cut());
    }

    /** The same with what it serves. */
    ThreadView serving(List<End> ends) {
        return new ThreadView(title, gone, today, bars, ends, cut);
    }

    private static Bar bar(PlanVersion version, PlanThread.Bar bar) {
        Directory directory = version.directory();
        PointView point = version.plan().point(bar.item(), bar.site()).orElseThrow();
        PlannedOrder planned = bar.kind() == PlanThread.Kind.PLANNED ? point.plannedOrder(bar.sequence()) : null;
        boolean open = bar.kind() == PlanThread.Kind.OPEN;
        boolean ordered = bar.kind() == PlanThread.Kind.CUSTOMER_ORDER;
        String partner = open
                ? directory.partnerOf(bar.number(), bar.line())
                : planned == null
                        ? null
                        : planned.supplier() != null
                                ? directory.supplierName(planned.supplier())
                                : directory.siteName(planned.fromSite());
        return new Bar(
                bar.depth(),
                bar.above(),
                Words.word(bar.kind()),
                bar.item(),
                directory.itemName(bar.item()),
                bar.site(),
                bar.source() == null ? null : Words.word(bar.source()),
                open
                        ? Words.word(
                                directory.openOrder(bar.number(), bar.line()).stage())
                        : planned != null ? "planned" : null,
                partner,
                bar.number().isEmpty() ? null : bar.number(),
                planned != null
                        ? OrderKey.of(point, planned).text()
                        : open || ordered ? OrderKey.ofLine(bar.number(), bar.line()) : null,
                Quantity.decimal(bar.quantity()),
                Quantity.decimal(bar.pegged()),
                directory.unit(bar.item()),
                bar.startDay() == OpenOrder.NO_DAY ? null : Words.date(bar.startDay()),
                Words.date(bar.dueDay()),
                Words.dateOrNull(bar.possibleDay()),
                Words.date(bar.neededDay()),
                bar.deciding(),
                bar.addsDays(),
                bar.late(),
                bar.alsoFor(),
                planned != null
                        ? Slip.planned(version, planned)
                        : new Slip.Link(
                                open ? "order" : "point", bar.item(), bar.site(), open ? bar.number() : null, null));
    }
}
