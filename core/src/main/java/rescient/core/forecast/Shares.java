package rescient.core.forecast;

import java.util.Arrays;
import java.util.List;

/** What is forecast of several items together is split over them by what was asked for of each. */
public final class Shares {
    private Shares() {}

    /**
     * The share of each in what was asked for of all in the last season; equal shares where nothing was.
     *
     * @param weights what one unit of each counts for
     */
    public static double[] of(List<SalesHistory> members, double[] weights) {
        double[] shares = new double[weights.length];
        for (int i = 0; i < shares.length; i++) {
            shares[i] = weights[i] * members.get(i).lastSeason();
        }
        double all = Arrays.stream(shares).sum();
        for (int i = 0; i < shares.length; i++) {
            shares[i] = all > 0 ? shares[i] / all : 1.0 / shares.length;
        }
        return shares;
    }

    /** What one of them gets of a forecast of all, in its own unit. */
    public static double[] part(double[] forecast, double share, double weight) {
        return Arrays.stream(forecast).map(all -> all * share / weight).toArray();
    }
}
