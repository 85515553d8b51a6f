package rescient.core.trace;

import java.math.BigInteger;
import java.util.HashMap;
import java.util.Map;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.netting.DemandList;
import rescient.core.netting.Pegging;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Snapshot;

/**
 * What of customer order lines lies there for them: what the plan takes from stock for a line, so that nobody who comes before it
 * goes without. Of a kit as many as all its parts allow.
 */
public final class LinesThere {
    /** What lies there of what is wanted, at one stock point. */
    private record Share(long there, long wanted) {
        /** Whichever allows less. */
        static Share less(Share a, Share b) {
            // a.there / a.wanted against b.there / b.wanted, exactly
            return product(a.there, b.wanted).compareTo(product(b.there, a.wanted)) <= 0 ? a : b;
        }

        private static BigInteger product(long a, long b) {
            return BigInteger.valueOf(a).multiply(BigInteger.valueOf(b));
        }

        long of(long open, long step) {
            if (there >= wanted) {
                return open;
            }
            long part = product(open, there).divide(BigInteger.valueOf(wanted)).longValueExact();
            return part - part % step;
        }
    }

    private record Name(String number, String line) {}

    private final Map<Name, Share> shares = new HashMap<>();

    private LinesThere() {}

    public static LinesThere of(Plan plan) {
        LinesThere there = new LinesThere();
        Snapshot snapshot = plan.snapshot();
        Pegging pegs = new Pegging();
        for (int p = 0; p < snapshot.network.planned(); p++) {
            PointPlan point = plan.pegs().of(p);
            if (point != null) {
                there.add(point, pegs);
            }
        }
        return there;
    }

    private void add(PointPlan point, Pegging pegs) {
        boolean filled = false;
        for (int d = 0; d < point.demands.size; d++) {
            if (!(point.demands.document(d) instanceof CustomerOrderLine line)) {
                continue;
            }
            if (!filled) {
                pegs.fill(point);
                filled = true;
            }
            long stock = 0;
            for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
                stock += pegs.kind(i) == Pegging.SupplyKind.STOCK ? pegs.quantity[i] : 0;
            }
            shares.merge(new Name(line.number(), line.line()), new Share(stock, wanted(point.demands, d)), Share::less);
        }
    }

    private static long wanted(DemandList demands, int d) {
        return Math.max(1, demands.quantity[d]);
    }

    /**
     * What of a line can go today; millionths, 0 if the plan knows nothing of it.
     *
     * @param open of the line, millionths
     * @param decimals of the unit of its item: a kit goes in no smaller steps
     */
    public long of(String number, String line, long open, int decimals) {
        Share share = shares.get(new Name(number, line));
        return share == null ? 0 : share.of(open, Quantity.step(decimals));
    }
}
