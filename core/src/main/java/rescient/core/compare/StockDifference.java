package rescient.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.stream.IntStream;
import rescient.core.base.Quantity;
import rescient.core.plan.Balance;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.prices.Prices;

/** By how much more lies in stock in one plan than in another, in the mean over the days that are planned, at standard. */
public final class StockDifference {
    private static final int CENTS = 2;

    private StockDifference() {}

    /**
     * The value after less the value before, to the cent. What is missing is worth nothing, not less than nothing; so is what
     * has no standard cost.
     */
    public static BigDecimal mean(Plan before, Plan after, Prices prices) {
        boolean sameNumbers = before.snapshot().network.numbersLike(after.snapshot().network);
        return sum(after, before, sameNumbers, prices)
                .subtract(sum(before, after, sameNumbers, prices))
                .setScale(CENTS, RoundingMode.HALF_UP);
    }

    private static BigDecimal sum(Plan plan, Plan other, boolean sameNumbers, Prices prices) {
        int[] places = sameNumbers
                ? plan.pegs().differing(other.pegs())
                : IntStream.range(0, plan.snapshot().network.planned()).toArray();
        BigDecimal sum = BigDecimal.ZERO;
        for (int p : places) {
            if (!plan.snapshot().points[p].phantom) {
                sum = sum.add(mean(plan, new PointView(plan, p), prices));
            }
        }
        return sum;
    }

    private static BigDecimal mean(Plan plan, PointView view, Prices prices) {
        BigDecimal cost = prices.standard(view.item());
        List<Balance> balances = view.balances();
        if (cost == null || balances.isEmpty()) {
            return BigDecimal.ZERO;
        }
        int end = plan.snapshot().horizonEnd + 1;
        int days = Math.max(1, end - plan.snapshot().today);
        BigDecimal sum = BigDecimal.ZERO;
        for (int i = 0; i < balances.size(); i++) {
            Balance balance = balances.get(i);
            int next = i + 1 < balances.size() ? balances.get(i + 1).day() : end;
            if (balance.balance() > 0 && next > balance.day()) {
                sum = sum.add(Quantity.decimal(balance.balance()).multiply(BigDecimal.valueOf(next - balance.day())));
            }
        }
        return sum.multiply(cost).divide(BigDecimal.valueOf(days), CENTS + CENTS, RoundingMode.HALF_UP);
    }
}
