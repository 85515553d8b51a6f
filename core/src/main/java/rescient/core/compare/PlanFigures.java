package rescient.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Balance;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.prices.Prices;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.StockPoint;

/**
 * What a plan comes to, so that it can be compared with another one.
 *
 * @param lateLines customer order lines that are met later than wanted; those never met not among them
 * @param daysLate calendar days that these are late, all together
 * @param neverMet customer order lines that can never be met
 * @param plannedOrders how many there are, by source
 * @param changesAsked signals to bring forward, push back or cancel an open order
 * @param stockValue what lies in stock at the end of each period, at standard
 * @param spend what is bought, by the month it is due (what is overdue: this month) and the supplier's code, empty if none
 *     is known; planned, firmed and released orders together
 * @param hours of work, by the month in which its operation starts (what should have started: this month) and the work
 *     center's code: setup and run divided by the efficiency, without queue and move; planned, firmed and released orders
 *     together
 * @param unpriced how many stock points and orders could not be valued because a price is not known
 */
public record PlanFigures(
        int lateLines,
        int daysLate,
        int neverMet,
        Map<Source, Integer> plannedOrders,
        int changesAsked,
        List<BigDecimal> stockValue,
        Map<YearMonth, Map<String, BigDecimal>> spend,
        Map<YearMonth, Map<String, BigDecimal>> hours,
        int unpriced) {
    private static final int CENTS = 2;
    private static final Set<Signal.Kind> CHANGES =
            EnumSet.of(Signal.Kind.BRING_FORWARD, Signal.Kind.PUSH_BACK, Signal.Kind.CANCEL);

    /** The figures of a plan, its stock at the end of these periods. */
    public static PlanFigures of(Plan plan, Prices prices, Periods periods) {
        Sums sums = new Sums(plan, prices, periods);
        for (int p = 0; p < plan.snapshot().network.planned(); p++) {
            if (!plan.snapshot().points[p].phantom) {
                sums.add(new PointView(plan, p), plan.pegs().of(p), plan.snapshot().points[p]);
            }
        }
        List<Signal> late = plan.lateLines();
        return new PlanFigures(
                late.size(),
                late.stream().mapToInt(Signal::days).sum(),
                plan.neverMet().size(),
                sums.plannedOrders,
                (int) plan.signals().stream()
                        .filter(s -> CHANGES.contains(s.kind()))
                        .count(),
                List.of(sums.stock),
                sums.spend,
                sums.hours,
                sums.unpriced);
    }

    /** All planned orders. */
    public int allPlannedOrders() {
        return plannedOrders.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** The arithmetic mean of the stock value over the periods, to the cent. */
    public BigDecimal meanStockValue() {
        return sum(stockValue.stream()).divide(BigDecimal.valueOf(stockValue.size()), CENTS, RoundingMode.HALF_UP);
    }

    /** All that is bought. */
    public BigDecimal allSpend() {
        return sum(spend.values().stream().flatMap(month -> month.values().stream()));
    }

    /** All hours of work. */
    public BigDecimal allHours() {
        return sum(hours.values().stream().flatMap(month -> month.values().stream()));
    }

    private static BigDecimal sum(Stream<BigDecimal> values) {
        return values.reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static final class Sums {
        private final Prices prices;
        private final Periods periods;
        private final int today;
        private final Map<Source, Integer> plannedOrders = new EnumMap<>(Source.class);
        private final BigDecimal[] stock;
        private final Map<YearMonth, Map<String, BigDecimal>> spend = new TreeMap<>();
        private final Map<YearMonth, Map<String, BigDecimal>> hours = new TreeMap<>();
        private int unpriced;

        Sums(Plan plan, Prices prices, Periods periods) {
            this.prices = prices;
            this.periods = periods;
            this.today = plan.snapshot().today;
            this.stock = new BigDecimal[periods.starts().size()];
            Arrays.fill(stock, BigDecimal.ZERO);
        }

        void add(PointView view, PointPlan plan, StockPoint point) {
            PlannedOrders planned = plan.planned;
            plannedOrders.merge(point.source, planned.size, Integer::sum);
            for (int o = 0; o < planned.size; o++) {
                if (point.source == Source.BUY) {
                    bought(view, point.supplier, planned.started[o], planned.due[o]);
                }
                worked(point, planned.started[o], planned.due[o]);
            }
            for (OpenSupply open : plan.known.open) {
                OpenOrder order = open.order();
                if (order.kind() == Source.BUY) {
                    bought(view, order.supplier(), order.quantity(), order.dueDay());
                } else if (order.kind() == point.source) {
                    worked(point, order.startQuantity(), order.dueDay());
                }
            }
            stock(view);
        }

        private void bought(PointView view, String supplier, long started, int due) {
            BigDecimal value = prices.purchase(view.item(), supplier, view.inPurchaseUnits(started));
            if (value == null) {
                unpriced++;
            } else {
                add(spend, due, supplier == null ? "" : supplier, value);
            }
        }

        private void worked(StockPoint point, long started, int due) {
            if (point.routing != null) {
                int[] starts = point.routing.starts(due, started);
                for (int step = 0; step < starts.length; step++) {
                    add(hours, starts[step], point.routing.center(step), point.routing.hours(step, started));
                }
            }
        }

        private void add(Map<YearMonth, Map<String, BigDecimal>> into, int day, String code, BigDecimal value) {
            YearMonth month = YearMonth.from(LocalDate.ofEpochDay(Math.max(today, day)));
            into.computeIfAbsent(month, m -> new TreeMap<>()).merge(code, value, BigDecimal::add);
        }

        /** What is missing is worth nothing, not less than nothing. */
        private void stock(PointView view) {
            List<Balance> balances = view.balances();
            boolean any = balances.stream().anyMatch(b -> b.balance() > 0);
            BigDecimal cost = any ? prices.standard(view.item()) : null;
            if (any && cost == null) {
                unpriced++;
            }
            if (cost == null) {
                return;
            }
            int at = 0;
            for (int period = 0; period < stock.length; period++) {
                int last = period + 1 < stock.length ? periods.starts().get(period + 1) - 1 : periods.end();
                while (at + 1 < balances.size() && balances.get(at + 1).day() <= last) {
                    at++;
                }
                long balance = balances.get(at).balance();
                if (balance > 0) {
                    stock[period] = stock[period].add(Quantity.decimal(balance).multiply(cost));
                }
            }
        }
    }
}
