package rescient.core.plan;

import java.util.List;
import java.util.Optional;

/**
 * When a stock point has nothing left if no more is ordered: stock and open orders, these on the days the plan counts on,
 * against all demands, forecasts among them.
 *
 * @param day the first day at whose end the balance is below zero
 * @param missing how much is short at worst until the horizon's end, millionths
 */
public record RunOut(int day, long missing) {
    /** Empty where it never runs out. */
    public static Optional<RunOut> of(PointView point) {
        List<Balance> balances = point.balancesWithoutPlanned();
        long worst = balances.stream().mapToLong(Balance::balance).min().orElse(0);
        return balances.stream()
                .filter(balance -> balance.balance() < 0)
                .findFirst()
                .map(balance -> new RunOut(balance.day(), -worst));
    }
}
