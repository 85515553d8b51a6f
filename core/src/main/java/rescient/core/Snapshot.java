package rescient.core;

import java.util.List;
import java.util.Map;

/**
 * Everything a calculation knows about the company, at one moment: immutable, dense and ordered. Stock points are
 * numbers from 0 on, in the order of their low-level code, then item, then site; those on a loop and below it come
 * last and are not planned.
 */
public final class Snapshot {
    final int today;
    final int horizonEnd;
    final int releaseAheadDays;
    final Network network;
    final StockPoint[] points;
    /** Demands from customer orders and open orders of each point, kits resolved; null where there are none. */
    final DemandList[] demands;
    /** Stock of each point, as indices into {@link #stock}; null where there is none. */
    final int[][] stockOf;

    final int[][] openOrdersOf;
    final List<StockLot> stock;
    final List<CustomerOrderLine> customerOrders;
    final List<OpenOrder> openOrders;
    final List<ForecastBucket> forecasts;
    /** The forecast of each item and site that has one, with what consumes it. */
    final List<ForecastConsumption.Outlook> outlooks;

    final boolean forecastConsumption;
    /** Rank among document numbers of each forecast set's name. */
    final Map<String, Integer> setRank;
    /** Rank among document numbers of each item's code, and of each site's code. */
    final int[] itemRank;

    final int[] siteRank;

    Snapshot(SnapshotBuilder from, SnapshotAssembly.Assembled parts) {
        this.today = from.today;
        this.horizonEnd = from.horizonEnd;
        this.releaseAheadDays = from.releaseAheadDays;
        this.network = parts.network();
        this.points = parts.points();
        this.demands = parts.demands();
        this.stockOf = parts.stockOf();
        this.openOrdersOf = parts.openOrdersOf();
        this.forecasts = List.copyOf(from.forecasts);
        this.outlooks = parts.outlooks();
        this.forecastConsumption = from.forecastConsumption;
        this.setRank = parts.setRank();
        this.stock = List.copyOf(from.stock);
        this.customerOrders = List.copyOf(from.customerOrders);
        this.openOrders = List.copyOf(from.openOrders);
        this.itemRank = parts.itemRank();
        this.siteRank = parts.siteRank();
    }

    /** An empty builder for a company planned on {@code today} up to and including {@code horizonEnd}. */
    public static SnapshotBuilder builder(int today, int horizonEnd) {
        return new SnapshotBuilder(today, horizonEnd);
    }

    /** The day of the calculation. */
    public int today() {
        return today;
    }

    /** The last day that counts. */
    public int horizonEnd() {
        return horizonEnd;
    }

    /** How many stock points there are. */
    public int stockPoints() {
        return points.length;
    }
}
