package rescient.server.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.plan.Balance;
import rescient.core.plan.Peg;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.Signal;
import rescient.core.trace.PlanThread;

/** Why a signal is raised, as a slip. */
final class SignalSlip {
    private final PlanVersion version;
    private final Signal signal;
    private final PointView point;
    private final List<Slip.SlipLine> lines = new ArrayList<>();

    private SignalSlip(PlanVersion version, Signal signal) {
        this.version = version;
        this.signal = signal;
        this.point = version.plan().point(signal.item(), signal.site()).orElse(null);
    }

    static Slip of(PlanVersion version, Signal signal) {
        return new SignalSlip(version, signal).slip();
    }

    private Slip slip() {
        String unit = signal.kind() == Signal.Kind.DEMAND_LATE
                ? "days"
                : version.directory().unit(signal.item());
        switch (signal.kind()) {
            case START_OVERDUE -> overdue("Start");
            case RECEIPT_OVERDUE -> overdue("Due");
            case RELEASE_DUE -> {
                dated("Today", version.today());
                dated("Start", Words.date(signal.day()));
                result("Within the days in which orders are released", null);
            }
            case BRING_FORWARD, PUSH_BACK -> {
                dated("Due", Words.date(signal.day()));
                serves();
                dated("Needed", Words.date(signal.newDay()));
                result(
                        (signal.kind() == Signal.Kind.BRING_FORWARD ? "Bring forward by " : "Push back by ")
                                + Words.days(signal.days()),
                        null);
            }
            case CANCEL -> {
                amount("Ordered", signal.quantity());
                serves();
                amount("Lowest balance with it", lowest());
                amount("Safety stock", point.safetyStock());
                result("Needed by nobody", signal.quantity());
            }
            case INSIDE_FENCE -> {
                dated("Wanted", Words.date(signal.day()));
                dated("First day behind the frozen time", Words.date(signal.newDay()));
                result("Moved by " + Words.days(signal.newDay() - signal.day()), null);
            }
            case BELOW_SAFETY -> {
                int day = lowestDay();
                lines.addAll(Slip.balance(version, point, day).lines());
                amount("Safety stock", point.safetyStock());
                result("Below it by", signal.quantity());
            }
            case NO_SOURCE, NO_SUPPLIER -> {
                lines.addAll(Slip.balance(version, point, signal.day()).lines());
                result("Missing or to be bought", signal.quantity());
            }
            case EXPIRING -> {
                long lot = point.supplies().stream()
                        .filter(s -> s.kind() == Supply.Kind.STOCK && s.number().equals(signal.orderNumber()))
                        .mapToLong(Supply::quantity)
                        .sum();
                amount("On hand of it today", lot);
                add("Used before it expires", signal.quantity() - lot);
                result("Expires on " + Words.day(signal.day()), signal.quantity());
            }
            case REORDER_POINT_LOW ->
                point.reorderNeed().ifPresent(need -> {
                    amount("Demand in the " + need.days() + " days of the plan", need.demand());
                    add("Of it in a lead time of " + Words.days(need.leadDays()), need.needed() - need.safetyStock());
                    add("Safety stock", need.safetyStock());
                    amount("Reorder point", point.reorderPoint());
                    result("It would have to be", need.needed());
                });
            case UNPLANNABLE -> result("Left out of the plan, with all below it", null);
            case DEMAND_LATE -> late();
            case LOOP -> {
                List<PointView> way = point.loop();
                for (int i = 0; i < way.size(); i++) {
                    PointView next = way.get((i + 1) % way.size());
                    line(way.get(i).item() + " needs " + next.item(), null, null, false, link(next));
                }
                result("And so on without end", null);
            }
        }
        SignalView view = SignalView.of(version, signal);
        return new Slip("Why " + view.kind().replace('_', ' ') + "?", view.sentence(), unit, lines);
    }

    private void overdue(String what) {
        dated(what, Words.date(signal.day()));
        dated("Today", version.today());
        result("Overdue by " + Words.days(signal.days()), null);
    }

    /** What the order that it speaks of serves. */
    private void serves() {
        for (Peg peg : point.pegs()) {
            Supply supply = peg.supply();
            if (supply.kind() == Supply.Kind.OPEN
                    && supply.number().equals(signal.orderNumber())
                    && supply.line().equals(signal.orderLine())) {
                line(
                        "serves " + Slip.name(peg.demand()),
                        Words.date(peg.demand().dueDay()),
                        peg.quantity(),
                        false,
                        Slip.link(version, peg.demand()));
            }
        }
    }

    /** The lateness along the chain that decides, order by order. */
    private void late() {
        PlanThread thread = PlanThread.ofCustomerOrder(version.plan(), signal.orderNumber());
        boolean mine = false;
        for (PlanThread.Bar bar : thread.bars()) {
            if (bar.depth() == 0) {
                mine = bar.line().equals(signal.orderLine());
                if (mine) {
                    dated("Wanted", Words.date(bar.dueDay()));
                }
            } else if (mine && bar.deciding()) {
                Slip.Link link = new Slip.Link("point", bar.item(), bar.site(), null, null);
                Long days = bar.addsDays() == null ? null : bar.addsDays() * Quantity.ONE;
                line(bar.item(), Words.date(bar.dueDay()), days, true, link);
            }
        }
        if (signal.days() == Signal.NO_DAYS) {
            result("Can never be met", null);
        } else {
            result("Late by", signal.days() * Quantity.ONE);
        }
    }

    private long lowest() {
        return point.balances().stream().mapToLong(Balance::balance).min().orElse(0);
    }

    /** The first day on which as much is missing as it says. */
    private int lowestDay() {
        return point.balances().stream()
                .filter(b -> point.safetyStock() - b.balance() == signal.quantity() && b.day() >= signal.day())
                .mapToInt(Balance::day)
                .findFirst()
                .orElse(signal.day());
    }

    private static Slip.Link link(PointView to) {
        return new Slip.Link("point", to.item(), to.site(), null, null);
    }

    private void dated(String text, LocalDate day) {
        line(text, day, null, false, null);
    }

    private void amount(String text, long quantity) {
        line(text, null, quantity, false, null);
    }

    private void add(String text, long quantity) {
        line(text, null, quantity, true, null);
    }

    private void line(String text, LocalDate day, Long quantity, boolean adds, Slip.Link link) {
        lines.add(new Slip.SlipLine(
                text, day, quantity == null ? null : Quantity.decimal(quantity), null, adds, Slip.Weight.TERM, link));
    }

    private void result(String text, Long quantity) {
        lines.add(new Slip.SlipLine(
                text,
                null,
                quantity == null ? null : Quantity.decimal(quantity),
                null,
                false,
                Slip.Weight.RESULT,
                null));
    }
}
