package rescient.core.promise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntFunction;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.StockLot;
import rescient.core.plan.Demand;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Snapshot;

/**
 * What is free at a stock point: what stock and open orders leave when all customer orders, and all that open orders still
 * have to issue, have taken what they need (demand rules, section 1). Forecasts and planned orders do not count, and safety
 * stock is free.
 */
public final class Free {
    /** What of a day is kept of what comes, of what goes, and of planned orders with what they take. */
    private static final int COMES = 0;

    private static final int GOES = 1;
    private static final int PLANNED = 2;
    private static final int KINDS = 3;

    /** Ascending, the first is today. */
    private final int[] days;
    /** What is left at the end of each of these days; negative if more is taken than comes. */
    private final long[] left;
    /** The same with planned orders and what they take. */
    private final long[] withPlanned;

    /**
     * What can be taken from a day on without anybody going short.
     *
     * @param quantity millionths, 0 or more
     * @param limitingDay the day that leaves the least
     */
    public record Figure(long quantity, int limitingDay) {}

    private Free(int[] days, long[] left, long[] withPlanned) {
        this.days = days;
        this.left = left;
        this.withPlanned = withPlanned;
    }

    /** Of a stock point of a plan. */
    public static Free of(PointView point) {
        Snapshot snapshot = point.plan().snapshot();
        int today = snapshot.today();
        TreeMap<Integer, long[]> byDay = new TreeMap<>();
        byDay.put(today, new long[KINDS]);
        StockLot[] lots = snapshot.stockOf[snapshot.pointOf(point.item(), point.site())];
        for (StockLot lot : lots) {
            if (lot.expiry() <= snapshot.horizonEnd()) {
                add(byDay, Math.max(today, lot.expiry()), COMES, 0);
            }
        }
        for (Supply supply : point.supplies()) {
            if (supply.kind() == Supply.Kind.OPEN) {
                add(byDay, Math.max(today, supply.dueDay()), COMES, supply.quantity());
            } else if (supply.kind() == Supply.Kind.PLANNED) {
                add(byDay, supply.day(), PLANNED, supply.quantity());
            }
        }
        for (Demand demand : point.demands()) {
            if (demand.ofPlannedOrder() != null) {
                add(byDay, demand.day(), PLANNED, -demand.quantity());
            } else if (demand.kind() != DemandKind.FORECAST) {
                add(byDay, demand.day(), GOES, demand.quantity());
            }
        }
        return of(byDay, lots);
    }

    private static void add(Map<Integer, long[]> byDay, int day, int kind, long quantity) {
        long[] of = byDay.computeIfAbsent(day, d -> new long[KINDS]);
        of[kind] = Quantity.plus(of[kind], quantity);
    }

    /** Day by day: what expires unused goes, what comes comes, and what is taken is taken from what expires first. */
    private static Free of(TreeMap<Integer, long[]> byDay, StockLot[] lots) {
        int[] days = byDay.keySet().stream().mapToInt(Integer::intValue).toArray();
        long[] left = new long[days.length];
        long[] withPlanned = new long[days.length];
        long[] rest = Arrays.stream(lots).mapToLong(StockLot::quantity).toArray();
        long all = Arrays.stream(rest).sum();
        long planned = 0;
        for (int i = 0; i < days.length; i++) {
            long[] today = byDay.get(days[i]);
            all = all - expired(lots, rest, days[i]) + today[COMES] - today[GOES];
            take(rest, today[GOES]);
            planned += today[PLANNED];
            left[i] = all;
            withPlanned[i] = all + planned;
        }
        return new Free(days, left, withPlanned);
    }

    private static long expired(StockLot[] lots, long[] rest, int day) {
        long gone = 0;
        for (int i = 0; i < lots.length; i++) {
            if (lots[i].expiry() <= day) {
                gone += rest[i];
                rest[i] = 0;
            }
        }
        return gone;
    }

    /** Lots stand with those that expire first before the others. */
    private static void take(long[] rest, long quantity) {
        long open = quantity;
        for (int i = 0; i < rest.length && open > 0; i++) {
            long taken = Math.min(rest[i], open);
            rest[i] -= taken;
            open -= taken;
        }
    }

    /** What is free from a day on. */
    public Figure on(int day) {
        return least(left, day);
    }

    /** The same, if all planned orders are carried out as they are planned. */
    public Figure withPlanned(int day) {
        return least(withPlanned, day);
    }

    private Figure least(long[] of, int day) {
        int from = Math.max(0, place(day));
        int least = from;
        for (int i = from + 1; i < days.length; i++) {
            if (of[i] < of[least]) {
                least = i;
            }
        }
        return new Figure(Math.max(0, of[least]), Math.max(day, days[least]));
    }

    /** Of the last day of these that is not after another. */
    private int place(int day) {
        int found = Arrays.binarySearch(days, day);
        return found >= 0 ? found : -found - 2;
    }

    /**
     * What is free of an item at a site from any day on: of a kit as many as the scarcest of its parts allows.
     *
     * @return by the day; null for a day on which nothing is known of it
     */
    public static IntFunction<Figure> over(Plan plan, String item, String site) {
        return over(plan, item, site, Free::on);
    }

    /** The same, if all planned orders are carried out as they are planned. */
    public static IntFunction<Figure> overWithPlanned(Plan plan, String item, String site) {
        return over(plan, item, site, Free::withPlanned);
    }

    /** Which of the two figures is asked for. */
    private interface Which {
        Figure of(Free free, int day);
    }

    private static IntFunction<Figure> over(Plan plan, String item, String site, Which which) {
        if (plan.snapshot().pointOf(item, site) >= 0) {
            Free free = at(plan, item, site);
            return day -> free == null ? null : which.of(free, day);
        }
        return over(plan, plan.snapshot().documents.parts(item), plan.snapshot().step(item), item, site, which);
    }

    /**
     * What is free of a kit at a site that consists of other parts for one line.
     *
     * @param planned whether all planned orders are carried out as they are planned
     */
    public static IntFunction<Figure> over(
            Plan plan, String kit, List<CustomerOrderLine.KitPart> own, String site, boolean planned) {
        return over(
                plan,
                plan.snapshot().documents.parts(own),
                plan.snapshot().step(kit),
                kit,
                site,
                planned ? Free::withPlanned : Free::on);
    }

    private static IntFunction<Figure> over(
            Plan plan, List<Kits.Part> of, long step, String item, String site, Which which) {
        List<PartFree> parts = new ArrayList<>();
        for (Kits.Part part : of) {
            if (!part.component().equals(item)
                    && !part.once()
                    && !part.quantity().isZero()) {
                parts.add(new PartFree(
                        part,
                        plan.snapshot().pointOf(part.component(), site) < 0 ? null : at(plan, part.component(), site),
                        which));
            }
        }
        return day -> parts.stream()
                .filter(part -> part.part.validOn(day))
                .map(part -> part.kits(day, step))
                .min(Comparator.comparingLong(Figure::quantity))
                .orElse(null);
    }

    private static Free at(Plan plan, String item, String site) {
        return plan.point(item, site).map(Free::of).orElse(null);
    }

    /** @param free null: nothing of it is known at the site */
    private record PartFree(Kits.Part part, Free free, Which which) {
        /** So many kits does the part allow. */
        Figure kits(int day, long step) {
            Figure of = free == null ? new Figure(0, day) : which.of(free, day);
            return new Figure(part.quantity().inverse().down(of.quantity(), step), of.limitingDay());
        }
    }

    /** The same from one day on. */
    public static Figure on(Plan plan, String item, String site, int day) {
        return over(plan, item, site).apply(day);
    }
}
